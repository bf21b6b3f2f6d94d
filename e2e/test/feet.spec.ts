import { readFile } from 'node:fs/promises'
import {
  choose,
  confirmRemoval,
  downloaded,
  expect,
  expectSaved,
  goTo,
  newRider,
  openOwnDemo,
  read,
  readEnough,
  settled,
  test,
} from '../site.ts'

test('the courier’s outer knee, solved by keyboard alone from what the screens say', async ({ page }) => {
  await openOwnDemo(page, 'Oona', 'Talk')
  await page.locator('body').click({ position: { x: 5, y: 790 } })
  await page.keyboard.press('3')
  await test.step('the first page names the cause', async () => {
    const cause = page.getByTestId('cause-rotation')
    await expect(cause).toContainText('The foot’s own direction lies 3.5° past what the float leaves room for.')
    await expect(cause.getByRole('img', { name: 'speaks for it' })).toBeVisible()
    await expect(page.getByTestId('cause-worn-cleat').getByRole('img', { name: 'speaks against it' })).toBeVisible()
    await page.getByRole('button', { name: 'Cleat turned against the foot, right: open Rotation' }).focus()
    await page.keyboard.press('Enter')
  })
  await test.step('the page of the cause says what to turn, and tries it', async () => {
    await expect(page).toHaveURL(/feet\/rotation$/)
    await expect(page.getByTestId('rotation-right')).toContainText('Turn the right cleat so that the toes point 3.5° further out.')
    await expect(page.getByTestId('rotation-left')).toContainText('Leave it.')
    await page.getByTestId('take-turn').focus()
    await page.keyboard.press('Enter')
    await expect(page.getByTestId('move-now')).toContainText('Cleat R toe-out 2°')
    await expect(page.getByText('Next step, if test rides go well: cleat R toe-out 1.5°.')).toBeVisible()
    await expect(page.getByText(/Heel clear of crank and chainstay/)).toBeVisible()
    await page.keyboard.press('Tab')
    await page.evaluate(() => (document.activeElement as HTMLElement).blur())
    await page.keyboard.press('t')
  })
  await test.step('rated and kept', async () => {
    const trial = page.getByRole('article', { name: 'Being tried' })
    await expect(trial).toContainText('Cleat R toe-out 2°')
    const rating = trial.getByRole('radiogroup', { name: 'Outer knee, right now' })
    await rating.getByRole('radio', { name: '2 of 10' }).focus()
    await page.keyboard.press(' ')
    await trial.getByRole('button', { name: 'Keep' }).focus()
    await page.keyboard.press('Enter')
    await expectSaved(page)
  })
  await test.step('the second step is asked for, and then the cause is gone', async () => {
    await expect(page.getByText('now 6 / 8')).toBeVisible()
    await expect(page.getByTestId('rotation-right')).toContainText('1.5° toe-out would centre it, but these readings tell no more than')
    await page.getByTestId('take-turn').focus()
    await page.keyboard.press('Enter')
    await expect(page.getByTestId('move-now')).toContainText('Cleat R toe-out 1.5°')
    await page.evaluate(() => (document.activeElement as HTMLElement).blur())
    await page.keyboard.press('t')
    await page.getByRole('button', { name: 'Keep' }).focus()
    await page.keyboard.press('Enter')
    await expect(page.getByTestId('rotation-right')).toContainText('Right foot is centred in its float.')
    await page.getByRole('tab', { name: 'Why' }).focus()
    await page.keyboard.press('Enter')
    // Two goniometer readings tell no more than ±3.3°, which is more than the room on either side.
    await expect(page.getByTestId('cause-rotation')).toContainText(/ ±3\.3°: cannot tell which side of the limit\./)
    await expect(page.getByTestId('cause-rotation').getByRole('img', { name: 'speaks for it' })).toHaveCount(0)
    await expectSaved(page)
  })
  await test.step('the address leads back to the page after a reload, and Back to the one before', async () => {
    await page.reload()
    await expect(page.getByTestId('cause-rotation')).toBeVisible()
    await page.goBack()
    await expect(page.getByTestId('rotation-right')).toBeVisible()
  })
})

test('the conductor’s hot feet, solved from what the screens say', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Feet')
  for (const cause of ['shoe-small', 'cleat-forward', 'small-patch'])
    await expect(page.getByTestId(`cause-${cause}`).getByRole('img', { name: 'speaks for it' }).first()).toBeVisible()

  await test.step('the shoe comes before any cleat', async () => {
    await page.getByRole('button', { name: /^Shoe narrow or short.*open Shoe/ }).click()
    await expect(page.getByText('Both shoes are narrow at the ball.')).toBeVisible()
    await expect(page.getByText(/no setting makes up for it/)).toBeVisible()
  })
  await test.step('a pedal with a broad patch in place of the small one, with its knock-ons', async () => {
    await page.getByRole('tab', { name: 'Pedal' }).click()
    const rows = page.getByTestId('ranked')
    await expect(rows.filter({ hasText: 'in use' })).toContainText('A small patch on a soft sole is a likely cause of the hot foot.')
    await expect(rows.first()).toContainText('Two-bolt recessed with platform')
    await page.getByRole('button', { name: 'Take Two-bolt recessed with platform' }).click()
    await expect(page.getByTestId('move-now')).toContainText('Pedals: Two-bolt recessed with platform for Two-bolt recessed')
    await expect(page.getByTestId('move-answers')).toContainText(/Saddle up/)
    await page.getByTestId('try').click()
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(rows.filter({ hasText: 'in use' })).toContainText('Two-bolt recessed with platform')
  })
  await test.step('the cleats as far back as the slot gives, saddle with them', async () => {
    await page.getByRole('tab', { name: 'Fore–aft' }).click()
    await page.getByTestId('try').click()
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByTestId('move-now')).toContainText('Cleat L back 4')
    await page.getByTestId('try').click()
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByTestId('judgement-left')).toContainText('end of its slot')
  })
  await test.step('an arch that gives gets support, the smallest first', async () => {
    await page.getByRole('tab', { name: 'Wedge, footbed' }).click()
    await expect(page.getByTestId('footbed-left')).toContainText('3 mm of support first')
    await page.getByTestId('take-footbed').click()
    await page.getByTestId('try').click()
    await page.getByRole('button', { name: 'Keep' }).click()
  })
  await test.step('only the shoe is left, and that is said', async () => {
    await page.getByRole('tab', { name: 'Why' }).click()
    await expect(page.getByTestId('cause-small-patch').getByRole('img', { name: 'speaks against it' }).first()).toBeVisible()
    await expect(page.getByTestId('cause-shoe-small').getByRole('img', { name: 'speaks for it' })).toBeVisible()
    await expectSaved(page)
  })
})

test('turning the foot by its handle: drag, keys and number move together, held by the sole', async ({ page }) => {
  await openOwnDemo(page, 'Imre', 'Feet', 'Rotation')
  await expect(page.getByText('Measure', { exact: false }).first()).toBeVisible()
  for (const [name, value] of [
    ['Toe-out, hanging', '8'],
    ['Cleat turned', '4'],
    ['Cleat turns in its slot, ±', '9'],
    ['Float', '6'],
  ] as const)
    for (const side of ['left', 'right']) await read(page, `${name}, ${side}`, value)
  const handle = page.getByRole('slider', { name: 'Foot’s direction to try, right' })
  const field = page.getByRole('textbox', { name: 'Cleat turned, right, to' })
  await expect(handle).toHaveAttribute('aria-valuenow', '4')
  await handle.focus()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowUp')
  await expect(field).toHaveValue('5')
  await field.fill('7')
  await expect(handle).toHaveAttribute('aria-valuenow', '7')
  await expect(handle).toHaveAttribute('aria-valuetext', 'toes 7° out')
  // What it brings along has grown under the board, and the board has its height.
  await expect(page.getByTestId('move-now')).toBeVisible()
  await settled(page)
  const box = (await handle.boundingBox())!
  // The knob is the handle’s lower end; the heel toward the bike turns the toes out, to where the sole stops it.
  const knob = { x: box.x + 18, y: box.y + box.height - 18 }
  await page.mouse.move(knob.x, knob.y)
  await page.mouse.down()
  await page.mouse.move(knob.x - 120, knob.y, { steps: 5 })
  await page.mouse.up()
  await expect(handle).toHaveAttribute('aria-valuenow', '9')
  await expect(field).toHaveValue('9')
  await page.getByRole('button', { name: 'Leave it' }).click()
  await expect(handle).toHaveAttribute('aria-valuenow', '4')
})

test('a twisted pelvis sends to the seat before any cleat is turned', async ({ page }) => {
  await newRider(page, 'Twisted Sitter')
  await goTo(page, 'Feet', 'Rotation')
  for (const [name, value] of [
    ['Toe-out, hanging', '12'],
    ['Cleat turned', '2'],
    ['Float', '6'],
  ] as const)
    for (const side of ['left', 'right']) await read(page, `${name}, ${side}`, value)
  await expect(page.getByTestId('take-turn')).toBeVisible()
  await choose(page, 'Pelvis from behind', 'twisted')
  await expect(page.getByText(/correct the seat first/).first()).toBeVisible()
  await expect(page.getByTestId('take-turn')).toBeHidden()
  await page.getByRole('link', { name: 'To the seat' }).click()
  await expect(page).toHaveURL(/seat$/)
})

test('stance: the cheapest safe way, its knock-on, parts at hand, strokes', async ({ page }) => {
  await openOwnDemo(page, 'Ruta', 'Feet', 'Stance')
  await expect(page.getByTestId('strokes')).toContainText('13,500')
  const ways = page.getByRole('region', { name: 'Ways' })
  await expect(ways.getByRole('listitem').first()).toContainText('Other axle both 55 → 57')

  await test.step('a wrong list is said, the right one changes the ways', async () => {
    await page.getByText('Parts at hand').click()
    const washers = page.getByLabel('Washers, mm')
    await washers.fill('0 1 99')
    await expect(page.getByText('Washers: numbers from 0 to 8 mm, with spaces between.')).toBeVisible()
    await page.getByLabel('Axles, mm').fill('55 61')
    await expect(ways.getByRole('listitem').first()).toContainText(/61/)
    await washers.fill('0 1 1,5')
    await page.getByLabel('Axles, mm').fill('53 57')
  })
  await test.step('taken, it says what it brings along, and is tried', async () => {
    await page.getByRole('button', { name: /^Take way 1/ }).click()
    await expect(page.getByTestId('move-now')).toContainText('Pedals: pedal axle L longer 2')
    // It asks for half a millimetre of saddle, which nobody feels.
    await expect(page.getByTestId('move-answers')).toBeHidden()
    await expect(page.getByText(/Enough thread left in the crank/)).toBeVisible()
    await page.getByTestId('try').click()
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByText('Both feet stand inside the band')).toBeVisible()
    await expectSaved(page)
  })
  await test.step('judged by another way, as the fitter chooses', async () => {
    await choose(page, 'Target', 'Usual for this bike')
    await expect(page.getByText(/A tread of 165 to 175 mm/)).toBeVisible()
    await expectSaved(page)
    await page.reload()
    await expect(page.locator('.stance > .head')).toContainText('Usual for this bike')
  })
})

test('editing the catalogue changes the ranking; a wrong figure is said and nothing typed is lost', async ({ page }) => {
  await openOwnDemo(page, 'Imre', 'Feet', 'Pedal')
  await expect(page.getByTestId('ranked').first()).toBeVisible()
  const before = await page.getByTestId('ranked').count()
  await page.getByRole('button', { name: 'Catalogue' }).click()
  await page.getByRole('navigation', { name: 'Systems' }).getByRole('button', { name: 'Two-bolt recessed with platform' }).click()
  await page.getByRole('button', { name: 'New, from this one' }).click()
  await page.getByLabel('Name').fill('Wide plate of our own')
  await page.getByLabel(/^Patch/).fill('much')
  await page.getByRole('button', { name: 'Store' }).click()
  await expect(page.getByText('Patch must be a number from 200 to 30000 mm².')).toBeVisible()
  await expect(page.getByLabel('Name')).toHaveValue('Wide plate of our own')
  await page.reload()
  await page.getByRole('button', { name: 'Catalogue' }).click()
  await page.getByRole('button', { name: 'Not stored yet: Wide plate of our own' }).click()
  await expect(page.getByLabel(/^Patch/)).toHaveValue('much')
  await page.getByLabel(/^Patch/).fill('4000')
  for (const mark of ['In mud', 'Walking', 'Durability', 'In and out']) await page.getByLabel(new RegExp(`^${mark}`)).fill('5')
  await page.getByLabel(/^Rock, worn/).fill('0,5')
  await page.getByRole('button', { name: 'Store' }).click()
  await expect(page.getByText('Stored.')).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByTestId('ranked')).toHaveCount(before + 1)
  await expect(page.getByTestId('ranked').first()).toContainText('Wide plate of our own')

  await test.step('a name that is taken is refused', async () => {
    await page.getByRole('button', { name: 'Catalogue' }).click()
    await page.getByRole('button', { name: 'New, from this one' }).click()
    await page.getByLabel('Name').fill('wide PLATE of our own')
    await page.getByRole('button', { name: 'Store' }).click()
    await expect(page.getByText('This name is taken: choose another.')).toBeVisible()
    await page.getByRole('navigation', { name: 'Systems' }).getByRole('button', { name: 'Wide plate of our own' }).click()
    await page.getByRole('button', { name: 'Remove', exact: true }).click()
    await confirmRemoval(page)
    await expect(page.getByText('Removed.')).toBeVisible()
    await page.getByRole('button', { name: 'Close' }).click()
    await expect(page.getByTestId('ranked')).toHaveCount(before)
  })
  await test.step('weights set by the fitter reorder live and stay with the visit', async () => {
    await page.getByText('What counts').click()
    const first = await page.getByTestId('ranked').first().innerText()
    for (const name of [/^Holds the foot/, /^Support under/, /^Stable/, /^Lasts/]) {
      await page.getByLabel(name).focus()
      await page.keyboard.press('Home')
    }
    for (const name of [/^Easy in and out/, /^Walks well/, /^Works with mud/]) {
      await page.getByLabel(name).focus()
      await page.keyboard.press('End')
    }
    expect(await page.getByTestId('ranked').first().innerText()).not.toBe(first)
    await expectSaved(page)
    await page.reload()
    await expect(page.getByText('What counts, some set by you')).toBeVisible()
  })
})

test('the moulding clock runs on over other pages and a reload', async ({ page }) => {
  await openOwnDemo(page, 'Oona', 'Feet', 'Shoe')
  await page.getByText('Moulding a mouldable shoe').click()
  await page.getByRole('button', { name: 'Start 20 minutes' }).click()
  await expect(page.getByTestId('moulding-count')).toHaveText(/^(20:00|19:5\d)$/)
  await goTo(page, 'Hands')
  const chip = page.getByTestId('moulding-chip')
  await expect(chip).toContainText(/19:\d\d/)
  // As if a quarter of an hour had passed with the window closed.
  await page.evaluate(() => {
    const kept = JSON.parse(localStorage.getItem('level-stance.moulding')!) as { startedAt: number }
    localStorage.setItem('level-stance.moulding', JSON.stringify({ ...kept, startedAt: kept.startedAt - 15 * 60_000 }))
  })
  await page.reload()
  await expect(chip).toContainText(/4:\d\d/)
  await page.evaluate(() => {
    const kept = JSON.parse(localStorage.getItem('level-stance.moulding')!) as { startedAt: number }
    localStorage.setItem('level-stance.moulding', JSON.stringify({ ...kept, startedAt: kept.startedAt - 6 * 60_000 }))
  })
  await page.goto('/riders')
  await expect(chip).toContainText(/Shoe!, Case \S+ \+/)
  await chip.click()
  await page.getByText('Moulding a mouldable shoe').click()
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(chip).toBeHidden()
  await expect(page.getByRole('checkbox', { name: /Shoe in the oven/ })).toBeChecked()
})

test('templates come as PDF and SVG at the axle that is aimed at', async ({ page }) => {
  await newRider(page, 'Template Taker')
  await readEnough(page)
  await goTo(page, 'Feet', 'Fore–aft')
  await page.getByRole('textbox', { name: 'Behind ball of foot, left, to' }).fill('12')
  const take = async (name: string) => {
    const download = await downloaded(page, page.getByRole('link', { name }))
    return { name: download.suggestedFilename(), text: await readFile(await download.path(), 'latin1') }
  }
  const pdf = await take('left PDF')
  expect(pdf.name).toMatch(/template-taker-.*-cleat-template\.pdf/)
  expect(pdf.text.startsWith('%PDF-')).toBe(true)
  const svg = await take('left SVG')
  const line = (id: string) => Number(new RegExp(`id="${id}"[^>]*y1="([\\d.]+)"`).exec(svg.text)?.[1])
  expect(line('axle') - line('mtp1')).toBeCloseTo(12, 2)
})

test('wear and bolts: a long bolt, a missing one and a worn cleat come first', async ({ page }) => {
  await newRider(page, 'Loose Bolt')
  await goTo(page, 'Feet', 'Wear, bolts')
  await choose(page, 'Bolt pattern', 'three bolts')
  await choose(page, 'Bolts fitted, right', '2')
  await expect(page.getByTestId('finding-missing-bolt')).toContainText('Right cleat lacks a bolt.')
  await read(page, 'Bolt under its head', '18')
  await read(page, 'Cleat under the bolt', '5')
  await read(page, 'Depth behind the hole', '9')
  await expect(page.getByTestId('finding-through')).toContainText('comes through the sole')
  await choose(page, 'Wear mark, left', 'at the mark')
  await expect(page.getByTestId('finding-worn')).toContainText('Left cleat is at its wear mark.')
  await read(page, 'Maker’s torque', '5.5')
  await expect(page.getByTestId('finding-torque')).toContainText('5.5 N·m')
  await read(page, 'Ridden on these cleats', '90000')
  await expect(page.getByRole('alert')).toContainText('Ridden on these cleats must lie between 0 and 60000 km')
  await expectSaved(page)
})

test('other shoes are tried as they are, and both pairs stay on the record', async ({ page }) => {
  await openOwnDemo(page, 'Ruta', 'Feet', 'Shoe')
  await page.getByRole('button', { name: 'Other shoes to try' }).click()
  const form = page.locator('form.part')
  await form.getByLabel('Name').fill('Wide trail shoe')
  const sole = form.getByRole('textbox', { name: /^Sole thickness/ })
  await sole.fill('900')
  await expect(form.getByRole('alert')).toContainText('Sole thickness must lie between 2 and 60 mm.')
  await expect(form.getByRole('button', { name: 'Set up to try' })).toBeDisabled()
  await sole.fill('18')
  await form.getByRole('button', { name: 'Set up to try' }).click()
  await expect(page.getByTestId('move-now')).toContainText('Shoes: Wide trail shoe for EU 41, medium')
  await expect(page.getByTestId('move-answers')).toContainText('Saddle up 4 mm')
  await expect(page.getByRole('article', { name: 'Proposal' }).getByText('read cleat, slot and stack on the new shoes')).toBeVisible()
  await page.getByTestId('try').click()
  await expect(page.getByText('Being tried:')).toBeVisible()
  // What was read of the old pair is not said of the new one; undone, it is on the bike again.
  await expect(page.getByRole('textbox', { name: 'Shoe size, left', exact: true })).toHaveValue('')
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(page.getByRole('textbox', { name: 'Sole thickness, left', exact: true })).toHaveValue('14')
})
