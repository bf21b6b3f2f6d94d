import { expect, expectSaved, fieldOf, goTo, newRider, openOwnDemo, openTold, read, readEnough, test } from '../site.ts'

test('every bad reading gets words with field and range, and stays as typed', async ({ page }) => {
  await newRider(page, 'Bad Input')
  await goTo(page, 'Measure')
  const cases: readonly (readonly [string, string, RegExp])[] = [
    ['Crank length', 'long', /“long” is not a number here.*Allowed: 100 to 220 mm/],
    ['Saddle height', '-724', /Saddle height must lie between 350 and 1000 mm/],
    ['Stature', '1756000', /Stature must lie between 1200 and 2300 mm/],
    ['Slot room back, left', '-6', /written the wrong way round.*Allowed: 0 to 80 mm/],
    ['Shoe size, right', '430', /Shoe size, right must lie between EU 30 and 55/],
    ['Seat angle', '17', /Seat angle must lie between 50° and 88°/],
  ]
  for (const [name, text, message] of cases) {
    await read(page, name, text)
    await expect(page.getByRole('alert').filter({ hasText: message })).toBeVisible()
  }
  for (const [name, text] of cases) await expect(await fieldOf(page, name)).toHaveValue(text)
  await expectSaved(page)
  await page.reload()
  for (const [name, text, message] of cases) {
    await expect(await fieldOf(page, name)).toHaveValue(text)
    await expect(page.getByRole('alert').filter({ hasText: message })).toBeVisible()
  }
  await test.step('Escape gives back what is stored; an emptied field is cleared', async () => {
    const crank = await fieldOf(page, 'Crank length')
    await crank.press('Escape')
    await expect(crank).toHaveValue('')
    await read(page, 'Crank length', '170')
    await read(page, 'Crank length', '')
    await expectSaved(page)
    await page.reload()
    await expect(crank).toHaveValue('')
  })
})

test('inches typed as millimetres are offered as inches', async ({ page }) => {
  await newRider(page, 'Inch Slip')
  await goTo(page, 'Measure')
  await read(page, 'Heel to ball (MTP1), left', '7.75')
  await page.getByRole('button', { name: 'Take it as 7.75 in (196.8 mm)' }).click()
  await expect(await fieldOf(page, 'Heel to ball (MTP1), left')).toHaveValue('196.8')
  await expectSaved(page)

  await test.step('and a fitter who works in inches sees and types inches', async () => {
    await page.getByRole('button', { name: /^Lengths in millimetres/ }).click()
    await expect(await fieldOf(page, 'Heel to ball (MTP1), left')).toHaveValue('7.75')
    await read(page, 'Heel to ball (MTP1), right', '7 11/16')
    await page.getByRole('button', { name: /^Lengths in inches/ }).click()
    await expect(await fieldOf(page, 'Heel to ball (MTP1), right')).toHaveValue('195.3')
  })
})

test('sides exchanged beyond plausibility are asked about, not refused', async ({ page }) => {
  await newRider(page, 'Swapped Sides')
  await goTo(page, 'Feet', 'Fore–aft')
  await read(page, 'Foot length, left', '240')
  await read(page, 'Foot length, right', '285')
  const question = page.getByRole('alert').filter({ hasText: 'differ by 45 mm' })
  await expect(question).toBeVisible()
  await question.getByRole('button', { name: 'Exchange left and right' }).click()
  await expect(page.getByRole('textbox', { name: 'Foot length, left' })).toHaveValue('285')
  await question.getByRole('button', { name: 'Keep both as typed' }).click()
  await expect(question).toBeHidden()
  await expectSaved(page)
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Foot length, left' })).toHaveValue('285')
  await expect(question).toBeHidden()
})

test('a leg that cannot reach is said in words; the cleat can still be judged', async ({ page }) => {
  await newRider(page, 'Short Leg')
  await readEnough(page)
  await read(page, 'Saddle height', '960')
  await expect(page.getByRole('alert').filter({ hasText: /left leg is \d+ mm short of the pedal/ })).toBeVisible()
  await goTo(page, 'Feet', 'Fore–aft')
  await expect(page.getByText(/A leg does not reach, so no saddle height can be computed/)).toBeVisible()
  await expect(page.getByTestId('judgement-right')).toContainText('asks for 25.6 mm')
  await expect(page.locator('body')).not.toContainText('NaN')
})

test('the new-rider form says what is missing and keeps what was typed over a reload', async ({ page }) => {
  await page.goto('/riders/new')
  await page.getByLabel('Name').fill('   ')
  await page.getByLabel('Bike').fill('Kept words')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await expect(page.getByText('Name must have 1 to 120 characters.')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Bike')).toHaveValue('Kept words')
})

test('visit files that are broken, other, huge or hostile change nothing', async ({ page }) => {
  await page.goto('/riders')
  await expect(page.getByRole('listitem').first()).toBeVisible()
  const count = await page.getByRole('listitem').count()
  const give = (text: string, name = 'visit.json') =>
    page.getByLabel('Visit file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  for (const [text, message] of [
    ['{"format": "level-stance/vis', /not a readable JSON file/],
    ['{"hello": "world"}', /not a visit file/],
    ['{"format":"level-stance/visit","version":99}', /has version 99; this program reads versions 1 to 4/],
    [`{"format":"level-stance/visit","version":1,"pad":"${'x'.repeat(5_000_000)}"}`, /larger than 2 MB/],
    [
      '{"__proto__":{"x":1},"format":"level-stance/visit","version":1,"rider":{"name":"<img src=x onerror=alert(1)>","note":""}}',
      /does not hold together/,
    ],
  ] as const) {
    await give(text)
    const notice = page.getByRole('alert').filter({ hasText: message })
    await expect(notice).toBeVisible()
    await notice.getByRole('button', { name: 'Close' }).click()
  }
  await page.reload()
  await expect(page.getByRole('listitem')).toHaveCount(count)
})

test('a name of markup is only ever text', async ({ page }) => {
  const name = '<img src=x onerror=document.title="broken"> & “Ω”'
  await newRider(page, name)
  await expect(page.getByRole('heading', { name })).toBeVisible()
  await goTo(page, 'Record')
  await expect(page.getByRole('article', { name: 'Record sheet' })).toContainText(name)
  expect(await page.title()).not.toBe('broken')
})

test('addresses that lead nowhere say so', async ({ page }) => {
  await page.goto('/nowhere')
  await expect(page.getByText('There is nothing at this address')).toBeVisible()
  await page.goto('/visits/00000000-0000-4000-8000-00000000dead/feet')
  await expect(page.getByText(/This visit was not found/)).toBeVisible()
})

test('minutes that are no minutes stay as typed with their words', async ({ page }) => {
  await openOwnDemo(page, 'Oona', 'Talk')
  await openTold(page, 'knee-outer')
  await page.getByRole('button', { name: /When, since when/ }).click()
  const minutes = page.getByLabel('Starts after, minutes')
  for (const text of ['soon', '-5', '99999', '1.5']) {
    await minutes.fill(text)
    await expect(page.getByRole('alert').filter({ hasText: /1440 minutes/ })).toBeVisible()
    await expect(minutes).toHaveValue(text)
  }
  await minutes.fill('90')
  await expect(page.getByRole('alert').filter({ hasText: /1440 minutes/ })).toBeHidden()
})
