import { answer, choose, expect, expectSaved, fieldOf, goTo, newRider, read, readEnough, test } from '../site.ts'

test('nothing read: no move is offered, at any pace', async ({ page }) => {
  await newRider(page, 'Nothing Read')
  await page.getByRole('button', { name: 'Low back', exact: true }).click()
  await answer(page, 'Kind', 'Pain')
  await answer(page, 'Severity at the start', '4 of 10')
  await expect(page.getByText('Nothing read so far speaks for a move.')).toBeVisible()
  await expect(page.getByTestId('first-move')).toHaveCount(0)
  await expect(page.getByText('Would decide', { exact: false }).first()).toBeVisible()
  await goTo(page, 'Prove')
  await page.getByTestId('pace').getByText('new set-up').click()
  await expectSaved(page)
  await goTo(page, 'Talk')
  await expect(page.getByText('Nothing read so far speaks for a move.')).toBeVisible()
  await expect(page.getByTestId('first-move')).toHaveCount(0)
})

test('warning signs are asked before a trial; an emergency says what to do today', async ({ page }) => {
  await newRider(page, 'Asked First')
  await readEnough(page)
  await goTo(page, 'Talk')
  await page.getByRole('button', { name: 'Low back', exact: true }).click()
  await answer(page, 'Kind', 'Pain')
  await answer(page, 'Severity at the start', '5 of 10')
  await goTo(page, 'Feet', 'Fore–aft')
  const ask = page.getByTestId('ask-first')
  await expect(ask).toContainText('Ask before trying: 4 warning signs.')
  await expect(page.getByTestId('try')).toBeDisabled()
  await answer(ask, /loss of strength|bladder/, 'Yes')
  const banner = page.getByTestId('stop-banner')
  await expect(banner).toContainText(
    'Emergency, today. Low back: Any change of bladder or bowel, or weakness in both legs? Yes. To an emergency department now',
  )
  await goTo(page, 'Talk')
  await page.getByRole('button', { name: /change what was told/ }).click()
  await answer(page, /bladder/, 'No')
  await expect(banner).toBeHidden()
  await answer(page, /fall/, 'Yes')
  await expect(banner).toContainText('Before the next ride.')
  await answer(page, /fall/, 'No')
  await goTo(page, 'Feet', 'Fore–aft')
  await expect(ask).toContainText('2 warning signs')
  await ask.getByRole('button', { name: 'Not asked…' }).click()
  await ask.getByRole('textbox').fill('Seen by a doctor this morning')
  await page.keyboard.press('Enter')
  await expect(ask).toBeHidden()
  await page.getByTestId('try').click()
  await expect(page.getByTestId('trial-cautions')).toContainText('Practise the release.')
  await goTo(page, 'Record')
  await expect(page.getByTestId('sheet-block').first()).toContainText('warning signs not asked, because: Seen by a doctor this morning.')
})

test('a refused entry leaves no piece behind, and Enter in a list goes on without choosing', async ({ page }) => {
  await newRider(page, 'Refused Entry')
  await goTo(page, 'Measure')
  const knee = await fieldOf(page, 'Knee at the bottom, left')
  await knee.pressSequentially('30')
  await knee.press('Enter')
  await knee.click()
  await knee.pressSequentially('350')
  await expect(page.getByRole('alert').filter({ hasText: '30° is kept.' })).toBeVisible()
  await expect(knee).toHaveValue('350')
  await expectSaved(page)
  await page.reload()
  // As it was left, with its words; the value that counts is the one before.
  await expect(await fieldOf(page, 'Knee at the bottom, left')).toHaveValue('350')
  const stored = async () => {
    const id = /visits\/([^/]+)/.exec(page.url())?.[1] ?? ''
    const { readings } = (await (await page.request.get(`/api/visits/${id}`)).json()) as {
      readings: { reading: { key: string; value: unknown } }[]
    }
    return Object.fromEntries(readings.map(({ reading }) => [reading.key, reading.value]))
  }
  expect((await stored())['kneeFlexion']).toBe(30)
  await goTo(page, 'Seat', 'Tilt')
  const list = page.getByRole('combobox', { name: 'Post head' })
  await list.focus()
  for (let i = 0; i < 8; i++) await page.keyboard.press('Enter')
  await expectSaved(page)
  expect((await stored())['postHead']).toBeUndefined()
  // By hand it is still chosen.
  await choose(page, 'Post head', 'two bolts')
  await expectSaved(page)
  expect((await stored())['postHead']).toBe('two-bolts')
})

test('what was kept stands in the next visit of that bike, which two presses make once', async ({ page }) => {
  await newRider(page, 'Comes Back')
  await readEnough(page)
  await goTo(page, 'Feet', 'Fore–aft')
  await page.getByTestId('try').click()
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expectSaved(page)
  await page.getByRole('link', { name: 'Comes Back' }).click()
  await page.getByRole('button', { name: 'New visit' }).dblclick()
  await expect(page.getByLabel('Last visit')).toContainText('Kept on this bike')
  await expect(page.getByLabel('Last visit')).toContainText('Cleat L back 12 mm')
  await goTo(page, 'Measure')
  await expect(await fieldOf(page, 'Behind ball of foot, left')).toHaveValue('16')
  await page.getByRole('link', { name: 'Comes Back' }).click()
  await expect(page.getByRole('link', { name: /^(First visit|Visit \d)/ })).toHaveCount(2)
})

test('two windows make two riders, each with its own words', async ({ page, context }) => {
  await page.goto('/riders/new')
  await page.getByLabel('Name').fill('Window One')
  const other = await context.newPage()
  await other.goto('/riders/new')
  await expect(other.getByLabel('Name')).toHaveValue('')
  await other.getByLabel('Name').fill('Window Two')
  await other.getByLabel('Bike').fill('Second bike')
  await expect(page.getByLabel('Name')).toHaveValue('Window One')
  await page.getByLabel('Bike').fill('First bike')
  for (const [window, name] of [
    [other, 'Window Two'],
    [page, 'Window One'],
  ] as const) {
    await window.getByRole('button', { name: 'Start the visit' }).click()
    await expect(window.getByRole('heading', { name: 'What hurts or fails?' })).toBeVisible()
    await expect(window.getByRole('link', { name })).toBeVisible()
  }
})

test('a first answer that is lost, and a name mended: the visit starts with the mended name', async ({ page }) => {
  await page.goto('/riders/new')
  await page.getByLabel('Name').fill('Mira Lsot')
  await page.getByLabel('Bike').fill('Tourer')
  await page.route(
    /\/api\/riders\/[^/]+$/,
    async (route) => {
      if (route.request().method() !== 'PUT') return route.continue()
      await route.fetch()
      await route.abort()
    },
    { times: 2 },
  )
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await expect(page.getByRole('alert')).toContainText('cannot be reached')
  await page.unroute(/\/api\/riders\/[^/]+$/)
  await page.getByLabel('Name').fill('Mira Lost')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await expect(page.getByRole('link', { name: 'Mira Lost' })).toBeVisible()
})

test('a visit that does not exist says nothing of its stations; one whose server is away is asked for again by itself', async ({
  page,
  site,
}) => {
  await page.goto('/visits/00000000-0000-4000-8000-00000000dead/talk')
  await expect(page.getByText('This visit was not found.')).toBeVisible()
  await expect(page.getByRole('navigation', { name: 'Stations' })).not.toContainText('needed')
  await newRider(page, 'Away')
  await goTo(page, 'Measure')
  await read(page, 'Stature', '1701')
  await expectSaved(page)
  await site.kill()
  // The page itself comes from the server: what is asked again is the visit.
  await site.revive()
  await page.route(/\/api\/visits\/[^/]+$/, (route) => route.abort(), { times: 2 })
  await page.reload()
  await expect(page.getByText('The server cannot be reached.')).toBeVisible()
  await expect(await fieldOf(page, 'Stature')).toHaveValue('1701')
})
