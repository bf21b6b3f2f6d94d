// Time from key press to painted frame on Feet, and what the first page loads.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { chromium } from '@playwright/test'
import { isRoot, root } from '../lib/system.mjs'

const quiet = [
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

export async function measureScreens(address, presses = 240) {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: [...(isRoot ? ['--no-sandbox'] : []), ...quiet] })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    const scripts = []
    page.on('response', (response) => {
      const { pathname } = new URL(response.url())
      if (pathname.endsWith('.js')) scripts.push(pathname)
    })
    await page.goto(`${address}/riders?search=Baptiste`)
    await page.getByRole('listitem').first().waitFor()
    await page.waitForLoadState('networkidle')
    const firstLoad = sizeOf(scripts)
    await page.getByRole('link', { name: /First visit/ }).click()
    await page.getByRole('heading', { name: 'What hurts or fails?' }).waitFor()
    await page.keyboard.press('3')
    await page.getByRole('tab', { name: 'Fore–aft' }).click()
    await page.getByTestId('try').waitFor()
    const keys = await keyToPaint(page, presses)
    const drags = await dragToPaint(page, presses)
    await page.keyboard.press('Escape')
    const board = await boardToPaint(page, presses)
    const live = await liveToPaint(page, presses)
    const floor = await floorOf(browser, presses)
    const pointer = await pointerFloor(browser, presses)
    return { firstLoad, keys, drags, board, live, floor, pointer }
  } finally {
    await browser.close()
  }
}

/** The same measure on an empty page with one field: what this machine and browser take by themselves. */
async function floorOf(browser, presses) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.setContent('<input aria-label="Behind ball of foot, left">')
  return keyToPaint(page, presses)
}

/** Gzipped bytes of the scripts a page has asked for. */
function sizeOf(paths) {
  return [...new Set(paths)].reduce((sum, path) => sum + gzipSync(readFileSync(join(root, 'web/dist', path)), { level: 9 }).length, 0)
}

/** Listens for an event and notes, after the frame it causes is painted, how long that took. */
async function watchFrames(page, type) {
  await page.evaluate((name) => {
    window.frameTimes = []
    window.addEventListener(
      name,
      (event) => {
        const from = event.timeStamp
        requestAnimationFrame(() => {
          const channel = new MessageChannel()
          channel.port1.onmessage = () => window.frameTimes.push(performance.now() - from)
          channel.port2.postMessage(null)
        })
      },
      { capture: true },
    )
  }, type)
}

async function keyToPaint(page, presses) {
  await watchFrames(page, 'keydown')
  const field = page.getByRole('textbox', { name: 'Behind ball of foot, left' })
  await field.fill('4')
  await page.keyboard.press('End')
  for (let i = 0; i < presses; i++) {
    // The keyboard itself, not a locator: looking a field up lays the page out before the key falls.
    await page.keyboard.press(i % 2 === 0 ? '2' : 'Backspace')
    await page.waitForTimeout(60)
  }
  return summary(await page.evaluate(() => window.frameTimes))
}

async function dragToPaint(page, moves) {
  const box = await page.getByRole('slider', { name: 'Cleat to try, right' }).boundingBox()
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await watchFrames(page, 'pointermove')
  for (let i = 0; i < moves; i++) {
    await page.mouse.move(x, y - 10 + 20 * Math.abs(((i / 20) % 2) - 1))
    await page.waitForTimeout(12)
  }
  await page.mouse.up()
  return summary(await page.evaluate(() => window.frameTimes))
}

/** Dragging the saddle about on Measure, with every vial on the screen. */
async function boardToPaint(page, moves) {
  await page.getByRole('link', { name: /^measure/i }).click()
  const handle = page.getByTestId('handle-saddle')
  await handle.waitFor()
  await page.waitForTimeout(800)
  const box = await handle.boundingBox()
  return circle(page, box.x + box.width / 2, box.y + box.height / 2, moves)
}

/** The simulated mat streams: dragging the saddle on Seat, and the mat's own knobs beside its maps. */
async function liveToPaint(page, moves) {
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: /^seat/i }).click()
  const tabs = page.getByRole('tablist', { name: 'Pages of the seat' })
  await tabs.getByRole('tab', { name: /^Pressure/ }).click()
  await page.getByText('Simulated mat', { exact: true }).click()
  await page.getByRole('button', { name: 'Run it' }).click()
  await page.getByText(/Simulated, live: [1-9]/).waitFor()
  await page.getByLabel('Tilt, nose up').focus()
  await page.evaluate(() => (window.frameTimes = undefined))
  await watchFrames(page, 'keydown')
  for (let i = 0; i < moves; i++) {
    await page.keyboard.press(i % 2 === 0 ? 'ArrowRight' : 'ArrowLeft')
    await page.waitForTimeout(40)
  }
  const knob = summary(await page.evaluate(() => window.frameTimes))
  await tabs.getByRole('tab', { name: /^Height/ }).click()
  const handle = page.getByTestId('handle-saddle')
  await handle.waitFor()
  await page.waitForTimeout(800)
  const box = await handle.boundingBox()
  return { knob, board: await circle(page, box.x + box.width / 2, box.y + box.height / 2, moves) }
}

/** The same movement over a page on which one dot follows the pointer. */
async function pointerFloor(browser, moves) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.setContent('<div id="dot" style="position:absolute;width:20px;height:20px;background:teal"></div>')
  await page.evaluate(() => {
    const dot = document.getElementById('dot')
    window.addEventListener('pointermove', (event) => (dot.style.transform = `translate(${event.clientX}px, ${event.clientY}px)`))
  })
  return circle(page, 600, 400, moves)
}

async function circle(page, x, y, moves) {
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.evaluate(() => (window.frameTimes = undefined))
  await watchFrames(page, 'pointermove')
  for (let i = 0; i < moves; i++) {
    await page.mouse.move(x + 6 * Math.sin(i / 5), y + 6 * Math.cos(i / 5))
    await page.waitForTimeout(20)
  }
  await page.mouse.up()
  return summary(await page.evaluate(() => window.frameTimes))
}

function summary(times) {
  const sorted = [...times].sort((a, b) => a - b)
  const at = (share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]
  return { count: sorted.length, median: at(0.5), p95: at(0.95) }
}
