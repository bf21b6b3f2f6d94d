import type { Page } from '@playwright/test'
import { answer, expect, expectSaved, goTo, newRider, settled, test } from '../site.ts'

/** Twenty keys a second: faster than hands type numbers. */
const PACE = 50

interface Typed {
  readonly id: string
  readonly text: string
}

/** A number within a field's range, another each round; two or three figures where the range has them. */
function numberFor(title: string, round: number): string {
  const [, low = '0', high = '0'] = /(-?[\d.]+)\D* to (?:EU )?(-?[\d.]+)/.exec(title.replaceAll('−', '-')) ?? []
  const [least, most] = [Number(low), Number(high)]
  return String(Math.round(least + (most - least) * (0.35 + 0.04 * (round % 4))))
}

/** Types into every field of the open page and looks on while the page reacts. */
async function typeAll(page: Page, round: number): Promise<Typed[]> {
  const fields = page.locator('input[data-reading]:not([role=combobox])')
  const rows = await fields.evaluateAll((found) => found.map((field) => ({ id: field.id, title: (field as HTMLInputElement).title })))
  const typed: Typed[] = []
  for (const { id, title } of rows) {
    const field = page.locator(`[id="${id}"]`)
    await field.click()
    const before = await field.evaluate((found) => found.getBoundingClientRect().top)
    const text = numberFor(title.split(': ').at(-1) ?? '', round)
    await page.keyboard.type(text, { delay: PACE })
    const after = await page.evaluate(() => {
      const field = document.activeElement as HTMLInputElement
      return { id: field.id, text: field.value, top: field.getBoundingClientRect().top }
    })
    expect.soft({ id: after.id, text: after.text }).toEqual({ id, text })
    expect.soft(Math.abs(after.top - before), `${id} stays where it is`).toBeLessThan(1)
    typed.push({ id, text })
  }
  // Nothing typed was taken for a command, and no list lost or moved a row.
  const ids = await fields.evaluateAll((found) => found.map((field) => field.id))
  expect.soft(ids.slice(0, rows.length)).toEqual(rows.map(({ id }) => id))
  return typed
}

/** Values on the server by field. */
async function storedValues(page: Page): Promise<Map<string, number>> {
  const id = /visits\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? ''
  const { readings } = (await (await page.request.get(`/api/visits/${id}`)).json()) as {
    readings: { reading: { key: string; side: string; condition: string; value: number } }[]
  }
  return new Map(
    readings.map(({ reading: { key, side, condition, value } }) => [
      `reading-${key}-${side}${condition === 'usual' ? '' : `-${condition}`}`,
      value,
    ]),
  )
}

async function expectStored(page: Page, typed: readonly Typed[]): Promise<void> {
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await expectSaved(page)
  const stored = await storedValues(page)
  const last = new Map(typed.map(({ id, text }) => [id, Number(text)]))
  for (const [id, value] of last) expect.soft(stored.get(id), id).toBe(value)
}

async function tell(page: Page, place: string): Promise<void> {
  await page.getByRole('button', { name: place, exact: true }).first().click()
  await answer(page, 'Severity at the start', '6 of 10')
}

for (const [i, station] of ['Measure', 'Feet', 'Seat', 'Hands'].entries())
  test(`every field of ${station} stores what was typed at speed, and the hand stays where it is`, async ({ page }) => {
    test.slow()
    await newRider(page, `Typed At Speed ${station}`)
    // With something told, every first page asks for what would decide, and could take it back as it is answered.
    await tell(page, 'Toes and ball of foot, left')
    await tell(page, 'Saddle area')
    await goTo(page, station)
    await settled(page)
    const tabs = page.getByRole('tablist').first().getByRole('tab')
    for (let k = 0; k < (await tabs.count()); k++) {
      await tabs.nth(k).click()
      await settled(page)
      await expectStored(page, await typeAll(page, i + k))
    }
  })
