import { expect, openDemo, test } from '../site.ts'
import type { Page } from '@playwright/test'

/** Everything a page says: its words, and what only a reader of the page hears. */
const everythingSaid = (page: Page) =>
  page.evaluate(() => {
    const spoken = [...document.querySelectorAll('[aria-label], [aria-valuetext], [title], [placeholder]')].flatMap((element) =>
      ['aria-label', 'aria-valuetext', 'title', 'placeholder'].map((name) => element.getAttribute(name) ?? ''),
    )
    return [...document.body.innerText.split('\n'), ...spoken, ...[...document.querySelectorAll('svg text, td, th')].map((cell) => cell.textContent)]
  }) // prettier-ignore

/** Lengths in millimetres with a plain space; sizes that parts are sold by have a no-break one. */
const inMillimetres = async (page: Page) => [...new Set((await everythingSaid(page)).filter((words) => /\d mm(?![²\w])/.test(words)))]

/** Every page of every station, Measure's cards and Talk included. */
for (const name of ['Baptiste', 'Imre', 'Ruta', 'Dagny', 'Oona']) {
  test(`in inch mode no page speaks millimetres: ${name}`, async ({ page }) => {
    test.slow()
    await page.addInitScript(() => localStorage.setItem('level-stance.unit', 'in'))
    await openDemo(page, name, 'Measure')
    const found: Record<string, string[]> = {}
    const look = async (where: string) => {
      const said = await inMillimetres(page)
      if (said.length > 0) found[where] = said
    }
    const stations = page.getByRole('navigation', { name: 'Stations' })
    for (const station of ['Talk', 'Measure', 'Feet', 'Seat', 'Hands', 'Prove', 'Record']) {
      await stations.getByRole('link', { name: new RegExp(`^${station}`, 'i') }).click()
      await expect(page).toHaveURL(new RegExp(`/${station.toLowerCase()}`))
      await page.waitForTimeout(300)
      const lists = page.getByRole('tablist')
      for (let list = 0; list < (await lists.count()); list++) {
        const tabs = lists.nth(list).getByRole('tab')
        for (let tab = 0; tab < (await tabs.count()); tab++) {
          await tabs.nth(tab).click()
          await page.waitForTimeout(250)
          await look(`${station}: ${await tabs.nth(tab).innerText()}`)
        }
      }
      await look(station)
    }
    expect(found).toEqual({})
  })
}
