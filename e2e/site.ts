import { randomUUID } from 'node:crypto'
import { test as base, expect } from '@playwright/test'
import type { Download, Locator, Page } from '@playwright/test'
import pg from 'pg'
import { demoVisits } from '../server/src/demo/riders.ts'
import { serve } from '../tools/lib/serve.mjs'

/** The app as a user gets it: the built server on a database of its own, with the demo riders. */
export interface Site {
  readonly address: string
  /** ends the server as a crash would */
  kill: () => Promise<void>
  /** starts it again on the same address and data */
  revive: () => Promise<void>
}

async function asAdmin(statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: process.env['TEST_DATABASE_URL'] })
  await client.connect()
  await client.query(statement)
  await client.end()
}

export const test = base.extend<{ forgetful: undefined }, { site: Site }>({
  site: [
    // eslint-disable-next-line no-empty-pattern -- the runner's own form for a fixture without others
    async ({}, use) => {
      const name = `e2e_${randomUUID().replaceAll('-', '')}`
      await asAdmin(`create database ${name}`)
      const url = (process.env['TEST_DATABASE_URL'] ?? '').replace(/\/[^/]*$/, `/${name}`)
      const start = (port: number) => serve(url, port, { LOG_LEVEL: 'error' })
      let server = await start(0)
      await use({
        address: server.address,
        kill: async () => {
          const ended = new Promise((resolve) => server.child.once('exit', resolve))
          server.child.kill('SIGKILL')
          await ended
        },
        revive: async () => {
          server = await start(server.port)
        },
      })
      await server.stop()
      await asAdmin(`drop database ${name} with (force)`)
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ site }, use) => use(site.address),
  // A page error or a policy violation fails the test that met it.
  page: async ({ page }, use) => {
    const troubles: string[] = []
    page.on('pageerror', (error) => troubles.push(error.message))
    page.on('console', (message) => {
      if (message.type() === 'error' && !/Failed to load resource|ERR_CONNECTION/.test(message.text())) troubles.push(message.text())
    })
    await use(page)
    expect(troubles).toEqual([])
  },
})

/** Waits until the page has worked out, fetched and painted what it was asked for. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(() => document.documentElement.dataset['settled'] !== undefined)
}

/** A new rider and bike through the form; ends on Talk. */
export async function newRider(page: Page, name: string, bike = 'Tourer'): Promise<void> {
  await page.goto('/riders')
  await page.getByRole('button', { name: 'New rider' }).click()
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Bike').fill(bike)
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await expect(page.getByRole('heading', { name: 'What hurts or fails?' })).toBeVisible()
}

/** What a press brings as a file; a browser that shows its first download on a busy machine takes its time. */
export async function downloaded(page: Page, pressed: Locator): Promise<Download> {
  test.slow()
  const [download] = await Promise.all([page.waitForEvent('download', { timeout: 90_000 }), pressed.click()])
  return download
}

/** Picks a word among a few that stand beside each other. */
export async function answer(within: Page | Locator, group: string | RegExp, word: string): Promise<void> {
  const page = 'goto' in within ? within : within.page()
  await within
    .getByRole('radiogroup', { name: group })
    .locator('label')
    .filter({ has: page.getByRole('radio', { name: word, exact: true }) })
    .click()
}

/** Answers every warning sign of the complaint that is open with no: without that nothing is tried for it. */
export async function noWarningSigns(page: Page): Promise<void> {
  const signs = page.getByRole('region', { name: 'Ask before going on' })
  const questions = await signs
    .getByRole('radiogroup')
    .evaluateAll((groups) => groups.map((group) => group.getAttribute('aria-label') ?? ''))
  for (const question of questions) await answer(signs, question, 'No')
}

/** Chooses from a list by typing the beginning of a word. */
export async function choose(within: Page | Locator, label: string, words: string): Promise<void> {
  const field = within.getByRole('combobox', { name: label })
  // A list that takes several words is typed into once it has the focus.
  await field.focus()
  await field.fill(words)
  await field.press('Enter')
}

/** Says yes to the question that comes before anything is removed. */
export async function confirmRemoval(page: Page): Promise<void> {
  await page.getByRole('tooltip').getByRole('button', { name: 'Remove', exact: true }).click()
}

/** Opens what a demo rider told of one complaint. */
export async function openTold(page: Page, place: string): Promise<void> {
  await page.getByTestId(`complaint-${place}`).click()
  await page.getByTestId('complaint-form').waitFor()
}

/** Opens a demo rider's visit at a station. */
export async function openDemo(page: Page, name: string, station: string, tab?: string): Promise<void> {
  const answer = await page.request.get(`/api/riders?search=${encodeURIComponent(name)}`)
  const { riders } = (await answer.json()) as { riders: { latestVisit: { id: string } }[] }
  await openVisit(page, riders[0]?.latestVisit.id ?? `no demo rider ${name}`, station, tab)
}

async function openVisit(page: Page, visitId: string, station: string, tab?: string): Promise<void> {
  await page.goto(`/visits/${visitId}/${station.toLowerCase()}`)
  await page.getByTestId('save-state').waitFor()
  await onStation(page, station, tab)
}

/** A demo rider's case for this test alone, under another name: what one test changes is not met by the next. */
export async function openOwnDemo(page: Page, name: string, station: string, tab?: string): Promise<void> {
  const file = demoVisits.find(({ rider }) => rider.name.startsWith(name))
  if (!file) throw new Error(`no demo rider ${name}`)
  const answer = await page.request.post('/api/imports', {
    data: { ...file, rider: { name: `Case ${randomUUID().slice(0, 8)}`, note: '' } },
  })
  const { visitId } = (await answer.json()) as { visitId: string }
  await openVisit(page, visitId, station, tab)
}

/** A station by the rail; for feet and seat also one of its pages. */
export async function goTo(page: Page, station: string, tab?: string): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: new RegExp(`^${station}`, 'i') })
    .click()
  await onStation(page, station, tab)
}

async function onStation(page: Page, station: string, tab?: string): Promise<void> {
  await expect(page).toHaveURL(new RegExp(`/${station.toLowerCase()}$`))
  if (tab !== undefined)
    await page
      .getByRole('tablist', { name: /^Pages of the (feet|seat|hands)$/ })
      .getByRole('tab', { name: tab })
      .click()
}

/** A reading's field; on Measure the page that holds it is turned to first. */
export async function fieldOf(page: Page, name: string): Promise<Locator> {
  const field = page.getByRole('textbox', { name, exact: true })
  if (/measure$/.test(page.url())) {
    const tabs = page.getByRole('tablist', { name: 'Readings' }).getByRole('tab')
    await tabs.first().waitFor()
    for (let i = 0; i < 4 && (await field.count()) === 0; i++) await tabs.nth(i).click()
  }
  return field
}

/** Types a reading and leaves the field. */
export async function read(page: Page, name: string, text: string): Promise<void> {
  const field = await fieldOf(page, name)
  await field.fill(text)
  await field.press('Tab')
}

export async function expectSaved(page: Page): Promise<void> {
  await expect(page.getByTestId('save-state')).toHaveText('Saved')
}

/** Readings that let the feet be judged and the saddle be answered. */
export async function readEnough(page: Page): Promise<void> {
  await goTo(page, 'Measure')
  const values: readonly (readonly [string, string])[] = [
    ['Stature', '1756'],
    ['Saddle height', '724'],
    ['Crank length', '172,5'],
    ['Foot length, left', '264'],
    ['Foot length, right', '265'],
    ['Shoe size, left', '43'],
    ['Shoe size, right', '43'],
    ['Heel to ball (MTP1), left', '195'],
    ['Heel to ball (MTP1), right', '196'],
    ['Behind ball of foot, left', '4'],
    ['Behind ball of foot, right', '6'],
    ['Slot room forward, left', '6'],
    ['Slot room forward, right', '6'],
    ['Slot room back, left', '12'],
    ['Slot room back, right', '12'],
  ]
  for (const [name, text] of values) await read(page, name, text)
  await expectSaved(page)
}

export { expect }
