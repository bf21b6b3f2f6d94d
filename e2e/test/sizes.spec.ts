import type { Page } from '@playwright/test'
import { expect, openDemo, openOwnDemo, settled, test } from '../site.ts'

test.use({ hasTouch: true })

const sizes = [
  { name: 'large screen', width: 1920, height: 1080 },
  { name: 'tablet on its side', width: 1024, height: 768 },
  { name: 'tablet upright', width: 820, height: 1180 },
  { name: 'phone', width: 390, height: 844 },
  // 1280 × 800 at 200 %
  { name: 'zoomed to 200 %', width: 640, height: 400 },
] as const

/** What a finding's own middle shows once it is scrolled to: itself, or what lies over it. */
const covered = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('.finding')].flatMap((finding) => {
      finding.scrollIntoView({ block: 'center' })
      const { left, top, width, height } = finding.getBoundingClientRect()
      if (width === 0 || height === 0) return []
      const at = document.elementFromPoint(left + width / 2, top + Math.min(height, 20) / 2)
      return at !== null && (finding.contains(at) || at.contains(finding))
        ? []
        : [`${finding.textContent} under ${at?.className ?? 'nothing'}`]
    }),
  )

/** How far the page is wider than the screen. */
const overflow = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)

for (const { name, width, height } of sizes)
  test(`every station on a ${name}: nothing beside the screen, nothing over a finding`, async ({ page }) => {
    test.slow()
    await page.setViewportSize({ width, height })
    await openDemo(page, 'Baptiste', 'Talk')
    const stations = page.getByRole('navigation', { name: 'Stations' })
    for (const [station, tab] of [
      ['Talk'],
      ['Measure'],
      ['Feet', 'Fore–aft'],
      ['Seat', 'Saddle'],
      ['Seat', 'Tilt'],
      ['Hands', 'Hoods'],
      ['Prove'],
      ['Record'],
    ] as const) {
      await stations.getByRole('link', { name: new RegExp(`^${station}`, 'i') }).tap()
      await expect(page).toHaveURL(new RegExp(`/${station.toLowerCase()}`))
      if (tab)
        await page
          .getByRole('tablist', { name: /^Pages of/ })
          .getByRole('tab', { name: tab })
          .tap()
      await settled(page)
      expect([station, tab, await overflow(page)]).toEqual([station, tab, 0])
      expect([station, tab, await covered(page)]).toEqual([station, tab, []])
    }
    await page
      .getByRole('link', { name: 'All riders' })
      .or(page.getByRole('link', { name: 'Baptiste Okonjo' }))
      .first()
      .tap()
    await expect(page.getByRole('heading').first()).toBeVisible()
    expect(await overflow(page)).toBe(0)
  })

test('at the stand: with a move on the card, and while it is tried, every finding is read, and what decides is in view', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await openOwnDemo(page, 'Baptiste', 'Seat', 'Tilt')
  await page.locator('[data-testid^=take-]').first().tap()
  await expect(page.getByTestId('try')).toBeInViewport({ ratio: 1 })
  for (const [station, tab] of [
    ['Feet', 'Stance'],
    ['Seat', 'Setback'],
    ['Hands', 'Hoods'],
    ['Hands', 'Reach'],
    ['Seat', 'Tilt'],
  ] as const) {
    await page
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('link', { name: new RegExp(`^${station}`, 'i') })
      .tap()
    await page
      .getByRole('tablist', { name: /^Pages of/ })
      .getByRole('tab', { name: tab })
      .tap()
    await settled(page)
    const offer = page.locator('[data-testid^=take-]').first()
    if (await offer.isVisible()) await offer.tap()
    await settled(page)
    expect([station, tab, await covered(page)]).toEqual([station, tab, []])
  }
  await expect(page.getByTestId('try')).toBeInViewport({ ratio: 1 })
  await page.getByTestId('try').tap()
  for (const name of ['Keep', 'Undo']) await expect(page.getByRole('button', { name, exact: true })).toBeInViewport({ ratio: 1 })
  expect(await covered(page)).toEqual([])
})

test('while a hand drags the board keeps its scale; what it brings along makes room once it is let go', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await openOwnDemo(page, 'Baptiste', 'Seat', 'Height')
  const board = page.getByRole('region', { name: 'Board' })
  const height = async () => (await board.boundingBox())!.height
  const before = await height()
  const { x, y, width, height: tall } = (await page.getByTestId('handle-saddle').boundingBox())!
  await page.mouse.move(x + width / 2, y + tall / 2)
  await page.mouse.down()
  for (const down of [5, 10, 15]) await page.mouse.move(x + width / 2, y + tall / 2 - down)
  await expect(page.getByTestId('move-now')).toBeAttached()
  expect(await height()).toBeCloseTo(before, 0)
  await page.mouse.up()
  await expect.poll(height).toBeLessThan(before)
  await expect(page.getByTestId('try')).toBeInViewport({ ratio: 1 })
})

test('on a tablet upright the board keeps its place over the sheets, and two fingers zoom it', async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 1180 })
  await openDemo(page, 'Baptiste', 'Seat', 'Tilt')
  const [board, readings, judgement] = await Promise.all(
    ['Board', 'Readings', 'Judgement'].map(async (label) => (await page.getByRole('region', { name: label }).boundingBox())!),
  )
  expect(board!.y + board!.height).toBeLessThanOrEqual(readings!.y + 1)
  expect(Math.abs(readings!.y - judgement!.y)).toBeLessThan(1)
  const drawing = page.getByRole('img', { name: /^Rider and bike to scale/ })
  const seen = async () => Number((await drawing.getAttribute('viewBox'))!.split(' ')[2])
  const before = await seen()
  const { x, y, width, height } = (await drawing.boundingBox())!
  const middle = { x: x + width * 0.2, y: y + height * 0.25 }
  const fingers = (apart: number) => [-1, 1].map((side, id) => ({ x: middle.x + side * apart, y: middle.y, id }))
  const touch = await page.context().newCDPSession(page)
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: fingers(20) })
  for (const apart of [30, 40, 50, 60]) await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: fingers(apart) })
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
  await expect.poll(seen).toBeLessThan(before * 0.6)
  await page.getByRole('button', { name: 'Whole picture' }).tap()
  await expect.poll(seen).toBeCloseTo(before, 3)
})

test('a finger moves a handle, and the page under it stays where it is', async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 1180 })
  await openDemo(page, 'Baptiste', 'Seat', 'Tilt')
  const handle = page.getByTestId('handle-saddle')
  const drawing = page.getByRole('img', { name: /^Rider and bike to scale/ })
  const frame = await drawing.getAttribute('viewBox')
  const { x, y, width, height } = (await handle.boundingBox())!
  const finger = (down: number) => [{ x: x + width / 2, y: y + height / 2 + down, id: 0 }]
  const touch = await page.context().newCDPSession(page)
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: finger(0) })
  for (const down of [10, 20, 30]) await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: finger(down) })
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
  const to = page.getByRole('textbox', { name: 'Saddle height, to' })
  await expect(to).toHaveValue(/^6\d\d/)
  expect(await drawing.getAttribute('viewBox')).toBe(frame)
})

test('on a phone a complaint is told, and a station says that it wants a larger screen', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openOwnDemo(page, 'Baptiste', 'Talk')
  await page.getByTestId('complaint-groin').tap()
  await page.getByRole('radiogroup', { name: 'Severity at the start' }).locator('label').nth(4).tap()
  await expect(page.getByRole('radiogroup', { name: 'Severity at the start' }).getByRole('radio').nth(4)).toBeChecked()
  await page.getByRole('radiogroup', { name: 'Severity at the start' }).locator('label').nth(8).tap()
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /^Feet/i }).tap()
  await expect(page.getByText('This page wants a larger screen.')).toBeVisible()
})
