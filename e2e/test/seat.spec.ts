import { truncateSync, writeFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { exampleMatRider, matText } from '../../core/src/simulate/examples.ts'
import { placesOf } from '../../core/src/stations/seat/saddle/impression.ts'
import { drawnImpression } from '../../server/src/demo/seatExtras.ts'
import { choose, confirmRemoval, expect, expectSaved, goTo, newRider, openOwnDemo, read, settled, test } from '../site.ts'

const spacingField = (page: Page) => page.getByRole('textbox', { name: 'Sit-bone spacing', exact: true })
const shownSpacing = async (page: Page) => Number.parseFloat((await page.getByTestId('impression-result').innerText()).replace(',', '.'))
const pictureInput = (page: Page) => page.getByLabel('Picture of an impression')
const file = (name: string, mimeType: string, buffer: Buffer) => ({ name, mimeType, buffer })

test('an impression is photographed, marked by mouse and keys, and taken with its own ±', async ({ page }, info) => {
  test.slow()
  const { content, marks } = await drawnImpression(131)
  await openOwnDemo(page, 'Baptiste', 'Seat', 'Saddle')

  await test.step('what is no picture, too large or empty is refused in words', async () => {
    await pictureInput(page).setInputFiles(file('holiday.jpg', 'image/jpeg', Buffer.from('this is no picture')))
    await expect(page.getByText('This is not a picture that can be read here: JPEG, PNG or WebP.')).toBeVisible()
    const huge = info.outputPath('huge.jpg')
    writeFileSync(huge, '')
    truncateSync(huge, 50 * 1024 * 1024)
    await pictureInput(page).setInputFiles(huge)
    await expect(page.getByText('The picture has 50 MB; at most 25 MB are taken.')).toBeVisible()
  })

  // Its ending says otherwise; what it is decides.
  await pictureInput(page).setInputFiles(file('impression.jpg', 'image/jpeg', content))
  const stage = page.getByRole('application', { name: /Picture with marks/ })
  await expect(stage).toBeVisible()
  const onScreen = (point: { x: number; y: number }) =>
    stage.evaluate((svg, at) => {
      const p = new DOMPoint(at.x, at.y).matrixTransform((svg as SVGSVGElement).getScreenCTM()!)
      return { x: p.x, y: p.y }
    }, point)
  const targets = placesOf(marks)
  await settled(page)

  await test.step('marks are dragged by mouse', async () => {
    for (const [i, target] of targets.entries()) {
      const box = (await stage.locator(`[data-mark="${i}"] .ring`).boundingBox())!
      const to = await onScreen(target)
      await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
      await page.mouse.down()
      await page.mouse.move(to.x, to.y, { steps: 4 })
      await page.mouse.up()
    }
    expect(Math.abs((await shownSpacing(page)) - Math.hypot(131, 4))).toBeLessThan(1.5)
  })

  await test.step('zoomed in, arrows move a mark by a pixel, and the ± shrinks', async () => {
    const before = await page.getByText(/of the marks/).innerText()
    const right = stage.getByRole('button', { name: /^Right point/ })
    const place = await right.getAttribute('aria-label')
    await right.focus()
    await page.keyboard.press('ArrowRight')
    expect(await right.getAttribute('aria-label')).not.toBe(place)
    await page.keyboard.press('ArrowLeft')
    const box = (await right.boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    for (let i = 0; i < 4; i++) await page.mouse.wheel(0, -300)
    await expect(page.getByText(/of the marks/)).not.toHaveText(before)
    await page.locator('.ant-drawer-content').getByRole('button', { name: 'Whole picture' }).click()
  })

  await test.step('a size out of range is said and what was typed stays', async () => {
    await page.getByLabel('Sheet width').fill('5')
    await expect(page.getByText('Sheet width must be a number from 50 to 1500 mm.')).toBeVisible()
    await page.getByLabel('Sheet width').fill('297')
  })

  await page.getByRole('button', { name: 'Take as reading' }).click()
  await expect(page.getByText(/taken as the reading/)).toBeVisible()
  await settled(page)
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(spacingField(page)).toHaveValue(/^13[012](\.\d)?$/)
  await expect(page.getByText(/±3\.\d impression, photographed/)).toBeVisible()
  await expectSaved(page)
  await page.reload()
  await expect(spacingField(page)).toHaveValue(/^13[012]/)
  await page.getByRole('button', { name: 'Mark impression.jpg' }).click()
  expect(Math.abs((await shownSpacing(page)) - Math.hypot(131, 4))).toBeLessThan(1.5)
})

test('crossed corners are said; by two scale marks it goes without a sheet', async ({ page }) => {
  const { content } = await drawnImpression(120)
  await openOwnDemo(page, 'Baptiste', 'Seat', 'Saddle')
  await pictureInput(page).setInputFiles(file('card.png', 'image/png', content))
  const stage = page.getByRole('application', { name: /Picture with marks/ })
  await stage.getByRole('button', { name: /^Corner 1/ }).focus()
  for (let i = 0; i < 90; i++) await page.keyboard.press('Shift+ArrowRight')
  await expect(page.getByText(/corners are crossed|one line/)).toBeVisible()
  await choose(page, 'Size known by', 'two scale marks')
  await expect(page.getByTestId('impression-result')).toBeVisible()
  await expect(page.getByText(/Slant is not taken out/)).toBeVisible()
})

test('a pressure file is read, compared and taken; broken ones are said with their line', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Seat', 'Pressure')
  const input = page.getByLabel('Pressure recording')
  const text = matText(exampleMatRider, 2, 5)
    .replace('simulated,yes', 'simulated,no')
    .replace(/source,.*/, 'source,test rig')
  const csv = (name: string, content: string) => file(name, 'text/csv', Buffer.from(content))
  for (const [name, content, words] of [
    ['psi.csv', text.replace('unit,kPa', 'unit,psi'), /unit must be kPa; this file says “psi”/],
    ['huge.csv', text.replace('rows,64', 'rows,10000'), /rows must be a whole number from 4 to 256, not “10000”/],
    ['none.csv', text.slice(0, text.indexOf('frame')), /no frame|no pressure file/],
    ['minus.csv', text.replace('\n0,0,', '\n-3,0,'), /Line \d+: −3 in column 1 is no pressure/],
    ['photo.csv', 'ÿØÿà\u0000JFIF\n', /not known here/],
    ['empty.csv', '', /file is empty/],
  ] as const) {
    await input.setInputFiles(csv(name, content))
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible()
  }
  await input.setInputFiles(csv('before.csv', text))
  const numbers = page.getByTestId('mat-numbers')
  await expect(numbers).toContainText(/Sit bones apart\s*11[123] ±4 mm/)
  await expect(page.getByTestId('simulated-note')).toBeHidden()
  await page.getByRole('button', { name: /Take 11\d mm as the spacing/ }).click()
  await expect(spacingField(page)).toHaveValue(/^11[123]/)
  const after = matText({ ...exampleMatRider, leans: 1 }, 2, 6).replace('simulated,yes', 'simulated,no')
  await input.setInputFiles(csv('after.csv', after))
  await expect(page.getByRole('img', { name: /after\.csv: sit bones/ })).toBeVisible()
  await expect(numbers).toContainText(/Before\s*After/)
  await expect(page.getByTestId('finding-one-side')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('img', { name: /before\.csv: sit bones/ })).toBeVisible()
  const gone = page.getByRole('img', { name: /after\.csv/ })
  await page.getByRole('button', { name: 'Remove after.csv' }).click()
  await confirmRemoval(page)
  await expect(gone).toBeHidden()
  // Within ten seconds it can be taken back, and is then there for good.
  await page.getByRole('status').getByRole('button', { name: 'Restore' }).click()
  await expect(gone).toBeVisible()
  await page.reload()
  await expect(gone).toBeVisible()
  await page.getByRole('button', { name: 'Remove after.csv' }).click()
  await confirmRemoval(page)
  await expect(gone).toBeHidden()
})

test('the simulated mat streams, follows the saddle, is kept, and is called simulated', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Seat', 'Pressure')
  await page.getByRole('button', { name: 'Run it' }).click()
  await expect(page.getByText(/Simulated, live: [1-9]\d* frames/)).toBeVisible()
  const map = page.getByRole('img', { name: /^Simulated, live/ })
  await expect(map).toBeVisible()
  const middle = async () => Number.parseFloat((await page.getByRole('row', { name: /^In the middle/ }).innerText()).replace(/^\D+/, ''))
  await expect.poll(middle).toBeGreaterThan(10)
  const narrow = await middle()
  // A wider saddle carries the bones, and the middle is relieved.
  await page.getByLabel('Saddle width', { exact: true }).last().focus()
  for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowRight')
  await page.getByLabel('Tilt, nose up').focus()
  await page.keyboard.press('Home')
  await expect.poll(middle, { timeout: 15_000 }).toBeLessThan(narrow - 3)
  await page.getByRole('button', { name: 'Stop and keep' }).click()
  await expect(page.getByRole('button', { name: /^Remove Simulated/ })).toBeVisible()
  await expect(page.getByTestId('simulated-note')).toBeVisible()
  // It is no evidence about the rider.
  await page.getByRole('tab', { name: 'Why' }).click()
  await expect(page.getByTestId('cause-no-relief')).not.toContainText('Mat')
})

test('the conductor’s numb saddle: nose, width and relief, each on its page, turned at the bolts and tried', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Seat')
  await expect(page.getByTestId('cause-nose-up')).toContainText('The nose stands 1.8° higher')
  await expect(page.getByTestId('cause-saddle-narrow')).toContainText('9 mm narrower')
  await page.getByRole('button', { name: 'Saddle nose too high: open Tilt' }).click()
  await expect(page).toHaveURL(/seat\/tilt$/)
  await page.getByTestId('take-tilt').click()
  await expect(page.getByTestId('bolt-steps').getByRole('listitem').first()).toHaveText('Rear bolt ¼ turn looser')
  await expect(page.getByTestId('move-now')).toContainText('Saddle nose down 1°')
  await expect(page.getByText(/carbon rails only where the clamp’s maker allows/)).toBeVisible()
  await page.getByTestId('try').click()
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByTestId('finding-nose-up')).toContainText('0.8° nose up')
  await page.goBack()
  await expect(page.getByTestId('cause-nose-up')).toContainText('0.8°')

  await page.getByRole('button', { name: 'Saddle too narrow: open Saddle' }).click()
  await expect(page.getByTestId('width-range')).toContainText('148 to 163 mm')
  await choose(page, 'Which posture decides', 'lowest')
  await expect(page.getByTestId('width-range')).toContainText('143 to 158 mm')
  await page.getByRole('button', { name: 'Take Long, curved, 156' }).click()
  await expect(page.getByTestId('move-now')).toContainText('Saddle: Long, curved, 156 for Long, curved, 139 mm')
  await page.getByTestId('try').click()
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByTestId('finding-width-fits')).toBeVisible()
  await expect(page.getByTestId('ranked').filter({ hasText: 'Long, curved, 156' })).toContainText('in use')
  await expectSaved(page)
  await page.reload()
  await expect(page.getByTestId('width-range')).toContainText('143 to 158 mm')
})

test('saddles ridden are written down, rated, found again in the ranking, and ask for a spare', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Seat', 'Saddle')
  await page.getByText('Write one down').click()
  await page.getByLabel('Saddle', { exact: true }).last().fill('Touring, 165')
  await page.locator('#tried-mark').fill('12')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('Mark must be a number from 0 to 10.')).toBeVisible()
  await page.reload()
  await page.getByText('Write one down').click()
  await expect(page.locator('#tried-mark')).toHaveValue('12')
  await page.locator('#tried-mark').fill('9')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByTestId('spare-advice')).toContainText('own a spare')
  await expect(page.getByTestId('ranked').first()).toContainText('Touring, 165')
  await page.getByLabel('Owns a spare of Touring, 165').click()
  await expect(page.getByLabel('Owns a spare of Touring, 165')).toBeChecked()
  await expect(page.getByTestId('spare-advice')).toBeHidden()
  await choose(page, 'Mark of Touring, 165', '2')
  await expect(page.getByTestId('ranked').filter({ hasText: 'Touring, 165' })).toContainText('rated 2 of 10')
})

test('the returning rider’s one-sided pain: rotated, a short leg, half of it under the sole', async ({ page }) => {
  await openOwnDemo(page, 'Imre', 'Seat')
  await expect(page.getByTestId('cause-sits-rotated')).toContainText('not level from behind')
  await page.getByRole('button', { name: 'One leg shorter: open Legs' }).click()
  await expect(page.getByTestId('finding-shim')).toContainText('Half of it to start with: 4.5 mm')
  await page.getByTestId('take-shim').click()
  await expect(page.getByTestId('move-now')).toContainText('Sole and pedal R thicker 3')
  await expect(page.getByTestId('move-answers')).toContainText('Saddle up')
  await page.getByTestId('try').click()
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByTestId('finding-shim')).toContainText('1.5 mm now')
  // Large: a clinician first, and nothing to put anywhere.
  await read(page, 'Right leg shorter by', '22')
  await expect(page.getByTestId('finding-refer')).toContainText('a clinician first')
  await expect(page.getByTestId('take-shim')).toBeHidden()
})

test('height goes in steps over weeks; the curve is slid along by keys and by hand', async ({ page }) => {
  await openOwnDemo(page, 'Imre', 'Seat', 'Height')
  await expect(page.getByTestId('height-window')).toContainText(/suits both\s+knees/)
  await page.getByTestId('take-height').click()
  const plan = page.getByTestId('week-plan').getByRole('listitem')
  await expect(plan.first()).toHaveText('Now: up 5 mm')
  await expect(plan.nth(1)).toContainText('After 2 weeks')
  await page.getByRole('tab', { name: 'Setback' }).click()
  const handle = page.getByRole('slider', { name: 'Setback with the knees kept' })
  await handle.focus()
  await page.keyboard.press('ArrowLeft')
  await expect(page.getByTestId('curve-words')).toContainText(/1 mm back, post 0\.\d mm down/)
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowLeft')
  await expect(page.getByTestId('move-now')).toContainText('Saddle back 5')
  // The knees ask for less of the saddle than anybody feels; the hands for another stem.
  await expect(page.getByTestId('move-answers')).toContainText('Stem: 100 mm')
  await expect(page.getByTestId('move-answers')).not.toContainText('Saddle')
  const box = (await handle.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + 60, box.y + box.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByTestId('curve-words')).toContainText('forward')
})

test('with nothing read every page says what to read, and nothing breaks', async ({ page }) => {
  await newRider(page, 'Nobody Yet With A Name That Is Longer Than Any Header Was Made For, Of Ferry Town')
  await goTo(page, 'Seat')
  for (const name of ['Saddle', 'Pressure', 'Tilt', 'Height', 'Setback', 'Legs', 'Why']) {
    await page.getByRole('tablist', { name: 'Pages of the seat' }).getByRole('tab', { name }).click()
    await expect(page.getByRole('region', { name: 'Judgement' })).not.toBeEmpty()
    await expect(page.locator('body')).not.toContainText(/NaN|undefined|Infinity/)
  }
})

test('marks moved in two windows: the later one is told, and shown what the other stored', async ({ page, context }) => {
  const { content } = await drawnImpression(120)
  await openOwnDemo(page, 'Baptiste', 'Seat', 'Saddle')
  await pictureInput(page).setInputFiles(file('shared.png', 'image/png', content))
  const markOf = (window: Page) =>
    window.getByRole('application', { name: /Picture with marks/ }).getByRole('button', { name: /^Left point/ })
  await markOf(page).focus()
  await page.keyboard.press('ArrowRight')
  await settled(page)
  const second = await context.newPage()
  await second.goto(page.url())
  await second.getByRole('button', { name: 'Mark shared.png' }).click()
  await markOf(page).focus()
  for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowRight')
  await settled(page)
  const stored = await markOf(page).getAttribute('aria-label')
  await markOf(second).focus()
  await second.keyboard.press('ArrowLeft')
  await expect(second.getByText(/was changed elsewhere/)).toBeVisible()
  await expect(markOf(second)).toHaveAttribute('aria-label', stored ?? '')
})

test('the seat by keyboard alone: pages, a field, the curve, a try', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Talk')
  await page.keyboard.press('4')
  await expect(page.getByRole('tablist', { name: 'Pages of the seat' })).toBeVisible()
  await page.getByRole('tablist', { name: 'Pages of the seat' }).getByRole('tab', { name: 'Setback' }).focus()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/seat\/setback$/)
  await page.getByRole('slider', { name: 'Setback with the knees kept' }).focus()
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowLeft')
  await expect(page.getByTestId('curve-words')).toContainText('5 mm back')
  await expect(page.getByTestId('move-now')).toContainText('Saddle back 5')
  await page.getByTestId('try').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Being tried')).toContainText('Saddle back 5')
  await page.keyboard.press('u')
  await expect(page.getByLabel('Being tried')).toBeHidden()
})

test('a nose that stands up far is brought level at once, the rest in steps', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Seat', 'Tilt')
  await read(page, 'Tilt where you sit', '4')
  await page.getByRole('button', { name: /^Aim at/ }).click()
  await expect(page.getByTestId('move-now')).toContainText('Saddle nose down 4°')
  await expect(page.getByText('It is far outside what anyone advises: back to the edge at once')).toBeVisible()
})
