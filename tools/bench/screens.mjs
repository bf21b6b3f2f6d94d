// Time from key press to painted frame on Feet, and what the first page loads.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { chromium } from '@playwright/test'
import { launchOptions } from '../lib/browser.mjs'
import { root, say } from '../lib/system.mjs'

/** Processor of a slow tablet: this machine's, throttled. */
const THROTTLE = 4
/** Presses and moves of a part; a throttled page takes longer for each. */
const PRESSES = 60
const THROTTLED = 30
/** A part that did not come about, because a page was not ready for it, is tried once more. */
const TRIES = 2

/**
 * Each part by itself: one that fails says so and leaves the others their numbers.
 * @param only parts by name; all where it is left out
 * @returns part → `{ work, frame }`, each `{ count, median, p95 }` in ms; of a key also `all`, from the
 *   press until everything that follows from it is painted, and `busy`, ms of the main
 *   thread a press in all; or `{ failed }`
 */
export async function measureScreens(address, { presses = PRESSES, only = /./ } = {}) {
  const browser = await chromium.launch(launchOptions)
  const results = {}
  const part = async (name, work) => {
    if (name !== 'open' && !only.test(name)) return
    for (let tried = 1; tried <= TRIES; tried++) {
      try {
        results[name] = await work()
        if (name !== 'open') say(name)
        return
      } catch (error) {
        results[name] = { failed: String(error.message).split('\n')[0] }
      }
    }
  }
  try {
    await part('firstLoad', () => firstLoad(browser, address))
    await part('floor', () => keyFloor(browser, presses))
    await part('pointer', () => pointerFloor(browser, presses))
    for (const [suffix, rate, times] of [
      ['', 1, presses],
      [' throttled', THROTTLE, Math.min(presses, THROTTLED)],
    ]) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
      const slow = await page.context().newCDPSession(page)
      await part('open', () => openVisit(page, address))
      await slow.send('Emulation.setCPUThrottlingRate', { rate })
      for (const [name, run] of Object.entries(parts)) await part(`${name}${suffix}`, () => run(page, times, address))
      await page.close()
    }
    return results
  } finally {
    await browser.close()
  }
}

/** The demo's rider with most readings. */
async function openVisit(page, address, rider = 'Baptiste') {
  await page.goto(`${address}/riders?search=${rider}`)
  await page.getByRole('listitem').first().waitFor()
  await page.getByRole('link', { name: /First visit/ }).click()
  await page.getByRole('navigation', { name: 'Stations' }).waitFor()
}
/** The app says when it has settled; an empty page always has. */
const settled = (page) =>
  page.waitForFunction(() => location.protocol === 'about:' || document.documentElement.dataset.settled !== undefined)

async function station(page, name, tab) {
  await page.keyboard.press('Escape')
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: new RegExp(`^${name}`, 'i') })
    .click()
  if (tab) await page.getByRole('tab', { name: tab }).click()
  await settled(page)
}

const parts = {
  'key on Feet': async (page, presses) => {
    await station(page, 'feet', 'Fore–aft')
    return keys(page, 'Behind ball of foot, left', '4', presses)
  },
  'drag on Feet': async (page, presses) => {
    await station(page, 'feet', 'Fore–aft')
    const box = await page.getByRole('slider', { name: 'Cleat to try, right' }).boundingBox()
    return drag(page, box, presses, (i) => ({ x: 0, y: -10 + 20 * Math.abs(((i / 20) % 2) - 1) }))
  },
  'key on Measure': async (page, presses) => {
    await station(page, 'measure', /^Riding/)
    return keys(page, 'Knee at the bottom, left', '3', presses)
  },
  'drag on Measure': async (page, presses) => {
    await station(page, 'measure')
    return drag(page, await page.getByTestId('handle-saddle').boundingBox(), presses, round)
  },
  'key on Seat': async (page, presses) => {
    await station(page, 'seat', /^Height/)
    return keys(page, 'Knee at the bottom, left', '3', presses)
  },
  'drag on Seat': async (page, presses) => {
    await station(page, 'seat', /^Setback/)
    return drag(page, await page.getByTestId('handle-saddle').boundingBox(), presses, round)
  },
  'drag on Hands': async (page, presses) => {
    await station(page, 'hands', 'Reach, height')
    return drag(page, await page.getByTestId('handle-hands').boundingBox(), presses, round)
  },
  'knob while the mat streams': async (page, presses) => {
    await station(page, 'seat', /^Pressure/)
    const run = page.getByRole('button', { name: 'Run it' })
    if (!(await run.isVisible())) await page.getByText('Simulated mat', { exact: true }).click()
    await run.click()
    await page.getByText(/Simulated, live: [1-9]/).waitFor()
    await page.getByLabel('Tilt, nose up').focus()
    return typing(page, presses, (i) => (i % 2 === 0 ? 'ArrowRight' : 'ArrowLeft'))
  },
  // A rider with a flat bar.
  'clamp on Levers': async (page, presses, address) => {
    await openVisit(page, address, 'Ruta')
    await station(page, 'hands', 'Levers')
    const box = await page.getByRole('slider', { name: 'Brake clamp, right' }).boundingBox()
    return drag(page, box, presses, (i) => ({ x: -12 * Math.abs(((i / 20) % 2) - 1), y: 0 }))
  },
  'cranks that turn': async (page) => {
    await station(page, 'measure')
    const turn = page.getByRole('button', { name: 'Turn', exact: true })
    await turn.click()
    const found = await frames(page, 2000)
    await page.getByRole('button', { name: 'Stop', exact: true }).click()
    return found
  },
  'station to station': async (page, presses, address) => {
    await openVisit(page, address)
    return stationToStation(page, Math.ceil(presses / 20))
  },
  'slider of the curves': async (page, presses, address) => {
    await openVisit(page, address, 'Ruta')
    await station(page, 'hands', 'Reach, height')
    await page.getByRole('slider', { name: /Height of the hands/ }).focus()
    return typing(page, presses, (i) => (i % 20 < 10 ? 'ArrowLeft' : 'ArrowRight'))
  },
}
/** Every frame of a while: from its beginning until it is painted, and from one to the next; a screen of 60 a second leaves 16.7 ms. */
async function frames(page, ms) {
  const rows = await page.evaluate(
    (length) =>
      new Promise((resolve) => {
        const seen = []
        const until = performance.now() + length
        let last = 0
        const frame = (begun) => {
          const row = { frame: begun - last }
          if (last > 0) seen.push(row)
          last = begun
          window.scheduler.postTask(() => (row.work = performance.now() - begun), { priority: 'user-blocking' })
          if (begun < until) requestAnimationFrame(frame)
          else setTimeout(() => resolve(seen))
        }
        requestAnimationFrame(frame)
      }),
    ms,
  )
  return { work: spread(rows, 'work'), frame: spread(rows, 'frame') }
}

/** From the key of a station to its first painted frame, each opened before: all seven in turn. */
async function stationToStation(page, rounds) {
  await page.evaluate(() => {
    window.opened_ = []
    const shown = () => document.querySelector('main.body')?.firstElementChild ?? null
    window.addEventListener(
      'keydown',
      (event) => {
        const [before, from] = [shown(), event.timeStamp]
        // The frame in which the station is there is the one that paints it.
        const look = () => {
          if (shown() === null || shown() === before) return requestAnimationFrame(look)
          window.scheduler.postTask(() => window.opened_.push({ frame: performance.now() - from }), { priority: 'user-blocking' })
        }
        requestAnimationFrame(look)
      },
      { capture: true },
    )
  })
  await page.mouse.click(640, 20)
  for (let round = 0; round <= rounds; round++) {
    // The first time round fetches what the stations are made of.
    if (round === 1) await page.evaluate(() => (window.opened_ = []))
    for (const key of '1234567') {
      await page.keyboard.press(key)
      await settled(page)
    }
  }
  const rows = await page.evaluate(() => window.opened_)
  return { work: spread(rows, 'frame'), frame: spread(rows, 'frame') }
}
const round = (i) => ({ x: 6 * Math.sin(i / 5), y: 6 * Math.cos(i / 5) })

async function firstLoad(browser, address) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const scripts = []
  page.on('response', (response) => {
    const { pathname } = new URL(response.url())
    if (pathname.endsWith('.js')) scripts.push(pathname)
  })
  await page.goto(`${address}/riders`)
  await page.getByRole('listitem').first().waitFor()
  await page.waitForLoadState('networkidle')
  await page.close()
  return sizeOf(scripts)
}

/** The same measure on an empty page with one field: what this machine and browser take by themselves. */
async function keyFloor(browser, presses) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.setContent('<input aria-label="A field">')
  return keys(page, 'A field', '4', presses)
}

/** The same movement over a page on which one dot follows the pointer. */
async function pointerFloor(browser, moves) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.setContent('<div id="dot" style="position:absolute;width:20px;height:20px;background:teal"></div>')
  await page.evaluate(() => {
    const dot = document.getElementById('dot')
    window.addEventListener('pointermove', (event) => (dot.style.transform = `translate(${event.clientX}px, ${event.clientY}px)`))
  })
  return drag(page, { x: 600, y: 400, width: 0, height: 0 }, moves, round)
}

/** Gzipped bytes of the scripts a page has asked for. */
function sizeOf(paths) {
  return [...new Set(paths)].reduce((sum, path) => sum + gzipSync(readFileSync(join(root, 'web/dist', path)), { level: 9 }).length, 0)
}

/**
 * Notes for every frame that a key or a move of the pointer causes: the work of the main thread (handlers
 * with all they set off, then style, layout and paint), and the time from the event to the painted
 * frame. What a key press puts off until its field is painted is not in it: see `watchAll`.
 */
async function watch(page) {
  await page.evaluate(() => {
    window.frames_ = []
    if (window.watched_) return
    window.watched_ = true
    let script = 0
    let waiting = false
    for (const name of ['keydown', 'input', 'pointermove']) {
      let begun = 0
      window.addEventListener(
        name,
        (event) => {
          begun = performance.now()
          if (waiting) return
          waiting = true
          const first = begun
          const from = event.timeStamp
          requestAnimationFrame(() => {
            const drawing = performance.now()
            // The browser hands moves out just before a frame, and what drags may listen to another event of the same move.
            if (name === 'pointermove') script = drawing - first
            // Ahead of whatever else waits for the frame to be painted.
            window.scheduler.postTask(
              () => {
                const painted = performance.now()
                window.frames_.push({ work: script + painted - drawing, frame: painted - from })
                script = 0
                waiting = false
              },
              { priority: 'user-blocking' },
            )
          })
        },
        { capture: true },
      )
      // Queued after what the handlers have queued: the screen's own update has run by then.
      window.addEventListener(name, () => queueMicrotask(() => queueMicrotask(() => (script += performance.now() - begun))))
    }
  })
}

/** Notes for every key press when the last frame was painted in which anything on the page changed. */
async function watchAll(page) {
  await page.evaluate(() => {
    const all = { mutated: false, pressed: 0, last: 0 }
    window.all_ = []
    new MutationObserver(() => (all.mutated = true)).observe(document.body, {
      subtree: true,
      childList: true,
      attributes: true,
      characterData: true,
    })
    const frame = () => {
      const changed = all.mutated
      all.mutated = false
      window.scheduler.postTask(() => changed && (all.last = performance.now()), { priority: 'user-blocking' })
      requestAnimationFrame(frame)
    }
    requestAnimationFrame(frame)
    window.addEventListener(
      'keydown',
      (event) => {
        if (all.pressed > 0 && all.last > all.pressed) window.all_.push({ all: all.last - all.pressed })
        all.pressed = event.timeStamp
      },
      { capture: true },
    )
  })
}

async function keys(page, name, first, presses) {
  const field = page.getByRole('textbox', { name, exact: true })
  const before = await field.inputValue()
  await field.fill(first)
  await page.keyboard.press('End')
  const key = (i) => (i % 2 === 0 ? '2' : 'Backspace')
  const cost = await mainThread(page)
  const found = await typing(page, presses, key)
  found.busy = await cost(presses)
  await watchAll(page)
  await press(page, presses / 2, key, 100)
  const everything = await page.evaluate(() => window.all_)
  if (everything.length > 0) found.all = spread(everything, 'all')
  await field.fill(before)
  await page.keyboard.press('Enter')
  await settled(page)
  return found
}

async function typing(page, presses, key) {
  await watch(page)
  await press(page, presses, key, 60)
  return summary(await page.evaluate(() => window.frames_))
}

async function press(page, presses, key, pause) {
  for (let i = 0; i < presses; i++) {
    // The keyboard itself, not a locator: looking a field up lays the page out before the key falls.
    await page.keyboard.press(key(i))
    await page.waitForTimeout(pause)
  }
}

/** All tasks of the main thread by the browser's own count, ms for each of so many presses. */
async function mainThread(page) {
  const session = await page.context().newCDPSession(page)
  await session.send('Performance.enable')
  const read = async () => {
    const { metrics } = await session.send('Performance.getMetrics')
    return 1000 * (metrics.find((metric) => metric.name === 'TaskDuration')?.value ?? 0)
  }
  const before = await read()
  return async (presses) => ((await read()) - before) / presses
}

async function drag(page, box, moves, path) {
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await watch(page)
  for (let i = 0; i < moves; i++) {
    const { x: dx, y: dy } = path(i)
    await page.mouse.move(x + dx, y + dy)
    await page.waitForTimeout(20)
  }
  await page.mouse.up()
  return summary(await page.evaluate(() => window.frames_))
}

function summary(frames) {
  if (frames.length === 0) throw new Error('no frame was seen')
  return { work: spread(frames, 'work'), frame: spread(frames, 'frame') }
}

function spread(rows, key) {
  const sorted = rows.map((row) => row[key]).sort((a, b) => a - b)
  const at = (share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]
  return { count: sorted.length, median: at(0.5), p95: at(0.95) }
}
