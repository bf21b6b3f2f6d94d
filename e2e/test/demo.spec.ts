import { answer, choose, expect, expectSaved, goTo, openDemo, openOwnDemo, openTold, settled, test } from '../site.ts'

test('the five demo riders are listed, searched and opened', async ({ page }) => {
  await page.goto('/')
  for (const name of ['Baptiste Okonjo', 'Oona Tervik', 'Imre Castellane', 'Ruta Halvers', 'Dagny Verholt'])
    await expect(page.getByRole('link', { name: new RegExp(name) })).toBeVisible()
  await page.getByLabel('Search riders').fill('COURIER')
  await expect(page.getByRole('listitem')).toHaveCount(1)
  await expect(page).toHaveURL(/search=COURIER/)
  await page.getByLabel('Search riders').fill('nobody at all')
  await expect(page.getByText(/Nobody is found by/)).toBeVisible()
})

test('the shipped typeface is the one shown', async ({ page }) => {
  await openDemo(page, 'Baptiste', 'Feet')
  const loaded = await page.evaluate(() =>
    document.fonts.ready.then((fonts) => [...fonts].filter((f) => f.status === 'loaded').map((f) => f.family.replaceAll('"', ''))),
  )
  expect(loaded).toEqual(expect.arrayContaining(['Barlow', 'Barlow Semi Condensed']))
})

test('dragging the cleat, its number and everything that depends on it move together', async ({ page }) => {
  await openDemo(page, 'Imre', 'Feet', 'Fore–aft')
  const handle = page.getByRole('slider', { name: 'Cleat to try, right' })
  const aim = page.getByRole('textbox', { name: 'Behind ball of foot, right, to' })
  await expect(aim).toHaveValue('24')
  await expect(page.getByTestId('move-now')).toBeVisible()
  await settled(page)
  const box = (await handle.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 10, { steps: 4 })
  await page.mouse.up()
  const dragged = Number(await aim.inputValue())
  expect(dragged).toBeLessThan(20)
  expect(dragged).toBeGreaterThan(10)
  await expect(handle).toHaveAttribute('aria-valuenow', String(dragged))

  await aim.fill('12')
  await expect(handle).toHaveAttribute('aria-valuenow', '12')
  await expect(page.getByTestId('move-now')).toContainText('Cleat R back 2')
  // Half a millimetre of saddle is not set.
  await expect(page.getByTestId('move-answers')).toBeHidden()
  await aim.fill('14')
  await expect(page.getByTestId('move-answers')).toContainText('Saddle down 1 mm')

  await test.step('the slot holds the hand and the number', async () => {
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await aim.fill('60')
    await expect(handle).toHaveAttribute('aria-valuenow', '24')
    await expect(page.getByText('Cleat R: no room for another 36 mm back.')).toBeVisible()
  })

  await test.step('a move beyond the cap is cut into steps, the first one now', async () => {
    await expect(page.getByTestId('move-now')).toContainText('Cleat R back 5')
    await expect(page.getByText(/cleat R back 5 mm, then 4 mm/)).toBeVisible()
  })

  await test.step('the saddle can stay where it is, and what that does is said', async () => {
    await page.getByRole('checkbox', { name: 'hold knee' }).uncheck()
    await expect(page.getByTestId('move-answers')).toBeHidden()
    await expect(page.getByText(/Knee at the bottom: .*right .*° → /)).toBeVisible()
  })
})

test('an aim set for one rider is not carried to the next', async ({ page }) => {
  await openDemo(page, 'Imre', 'Feet', 'Fore–aft')
  await page.getByRole('textbox', { name: 'Behind ball of foot, right, to' }).fill('12')
  await page.getByRole('link', { name: 'All riders' }).click()
  await page.getByLabel('Search riders').fill('Oona')
  await expect(page.getByRole('listitem')).toHaveCount(1)
  await page.getByRole('link', { name: /First visit/ }).click()
  await goTo(page, 'Feet', 'Fore–aft')
  await expect(page.getByRole('button', { name: 'As judged' })).toBeHidden()
  await expect(page.getByRole('textbox', { name: 'Behind ball of foot, right, to' })).not.toHaveValue('12')
})

test('schools side by side; the chosen one is kept with the visit', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Feet', 'Fore–aft')
  await page.getByRole('button', { name: 'Compare' }).click()
  const table = page.getByRole('table', { name: /Target of each school/ })
  await expect(table.getByRole('row', { name: /Between the heads/ })).toContainText('13')
  await expect(table.getByRole('row', { name: /Mid-foot/ })).toContainText('64, slot gives 18')
  await choose(page, 'School', 'Ball over axle')
  await expect(page.getByTestId('judgement-left')).toContainText('ball over axle asks for 5 mm')
  await expectSaved(page)
  await page.reload()
  await expect(page.locator('div.school')).toContainText('Ball over axle')
  await choose(page, 'School', 'Behind the ball')
  await expectSaved(page)
})

test('a tapped bead shows the bike as it was', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Feet', 'Fore–aft')
  await expect(page.getByTestId('judgement-left')).toContainText('9 mm behind MTP1')
  await page.getByRole('navigation', { name: 'Changes of this visit' }).getByRole('button', { name: 'Start' }).click()
  await expect(page.getByText('Showing the bike as it was.')).toBeVisible()
  await expect(page.getByTestId('judgement-left')).toContainText('4 mm behind MTP1')
  await page.getByRole('button', { name: 'Back to now' }).click()
  await expect(page.getByTestId('judgement-left')).toContainText('9 mm behind MTP1')
})

test('a positive warning sign stops the visit on every station', async ({ page }) => {
  await openOwnDemo(page, 'Ruta', 'Talk')
  await openTold(page, 'forearm')
  await page.getByRole('button', { name: 'Warning signs asked' }).click()
  await answer(page, 'Did it begin with a fall?', 'Yes')
  await expect(page.getByText('A warning sign is positive: nothing is offered.')).toBeVisible()
  await expect(page.getByTestId('first-move')).toHaveCount(0)
  for (const station of ['Measure', 'Feet', 'Seat', 'Hands', 'Prove', 'Record', 'Talk']) {
    await goTo(page, station)
    await expect(page.getByTestId('stop-banner')).toContainText('Ask the rider to see a clinician')
  }
  await expectSaved(page)
  await page.reload()
  await expect(page.getByTestId('stop-banner')).toBeVisible()
  await openTold(page, 'forearm')
  await answer(page, 'Did it begin with a fall?', 'Seen by clinician')
  await expect(page.getByTestId('stop-banner')).toBeHidden()
})

test('nothing can be tried while a warning sign is positive', async ({ page }) => {
  await openOwnDemo(page, 'Imre', 'Talk')
  await openTold(page, 'sit-bone')
  await page.getByRole('button', { name: 'Warning signs asked' }).click()
  await answer(page, /Open sores/, 'Yes')
  await goTo(page, 'Feet', 'Fore–aft')
  await expect(page.getByTestId('try')).toBeDisabled()
  await expect(page.getByText('Not while a warning sign is positive.')).toBeVisible()
})
