import type { Locator, Page } from '@playwright/test'
import { checkAccess } from '../access.ts'
import { expect, openDemo, openTold, settled, test } from '../site.ts'

/** Everything a page says: its words, and what only a reader of the page hears. */
const everythingSaid = (page: Page) =>
  page.evaluate(() => {
    const names = ['aria-label', 'aria-valuetext', 'title', 'placeholder']
    const spoken = [...document.querySelectorAll(names.map((name) => `[${name}]`).join())].flatMap((element) =>
      names.map((name) => element.getAttribute(name) ?? ''),
    )
    const cells = [...document.querySelectorAll('svg text, td, th')].map((cell) => cell.textContent)
    return [...document.body.innerText.split('\n'), ...spoken, ...cells]
  })

/** Lengths in millimetres with a plain space (sizes that parts are sold by have a no-break one), and what is no text at all. */
const misprints = async (page: Page) => [
  ...new Set((await everythingSaid(page)).filter((words) => /\d mm(?![²\w])|NaN|undefined|\[object |"(mm|term)":/.test(words))),
]

/** What is looked at on a page of a rider. */
type Look = (where: string, within?: string) => Promise<void>

/** In inch mode nothing speaks millimetres, and all is text; with `access` every rule in the light, and the colours of the dim scheme. */
function looker(page: Page, access: (where: string) => boolean): { look: Look; found: Record<string, readonly string[]> } {
  const found: Record<string, readonly string[]> = {}
  const put = (where: string, wrong: readonly string[]) => {
    if (wrong.length > 0) found[where] = wrong
  }
  const look: Look = async (where, within) => {
    await settled(page)
    put(where, await misprints(page))
    if (!access(where)) return
    put(`${where}, access`, await checkAccess(page, within))
    await page.emulateMedia({ colorScheme: 'dark' })
    await settled(page)
    put(`${where}, contrast in the dark`, await checkAccess(page, within, ['color-contrast']))
    await page.emulateMedia({ colorScheme: 'light' })
  }
  return { look, found }
}

const stations: readonly string[] = ['Talk', 'Measure', 'Feet', 'Seat', 'Hands', 'Prove', 'Record']

/** Every page of some stations of a rider, each once. */
async function overPages(page: Page, look: Look, of: readonly string[]): Promise<void> {
  for (const station of of) {
    await page
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('link', { name: new RegExp(`^${station}`, 'i') })
      .click()
    await expect(page).toHaveURL(new RegExp(`/${station.toLowerCase()}`))
    await settled(page)
    const tabs = page.getByRole('tab')
    const count = await tabs.count()
    for (let i = 0; i < count; i++) {
      await tabs.nth(i).click()
      // What stands around the pages of a station is the same for all of them.
      await look(`${station}: ${await tabs.nth(i).innerText()}`, i === 0 ? 'html' : 'main')
    }
    if (count === 0) await look(station)
  }
}

const inInches = (page: Page) => page.addInitScript(() => localStorage.setItem('level-stance.unit', 'in'))

/** Which pages of which rider are looked at for access too: each kind of page with the rider who has most on it. */
const riders: readonly { readonly name: string; readonly of?: readonly string[]; readonly access: RegExp }[] = [
  { name: 'Baptiste', of: ['Talk', 'Measure', 'Feet'], access: /./ },
  { name: 'Baptiste', of: ['Seat', 'Hands', 'Prove', 'Record'], access: /./ },
  { name: 'Ruta', access: /^Hands/ },
  { name: 'Dagny', access: /^Hands/ },
  { name: 'Imre', access: /^$/ },
  { name: 'Oona', access: /^$/ },
]
for (const { name, of = stations, access } of riders)
  test(`${name}, every page of ${of.join(', ')}: inches throughout, every rule of access, contrast by day and in the dark`, async ({
    page,
  }) => {
    test.slow()
    await inInches(page)
    await openDemo(page, name, of[0] ?? 'Talk')
    const { look, found } = looker(page, (where) => access.test(where))
    await overPages(page, look, of)
    expect(found).toEqual({})
  })

test('what opens over a page: complaints, lists, drawers and dialogs', async ({ page }) => {
  test.slow()
  const { look, found } = looker(page, () => true)
  const opened = async (where: string, press: Locator, shows: Locator) => {
    await press.click()
    await shows.waitFor()
    await look(where)
  }
  await inInches(page)
  await page.goto('/riders')
  await page.getByRole('listitem').first().waitFor()
  await look('riders')
  await page.goto('/riders/new')
  await page.getByLabel('Name').waitFor()
  await look('new rider')

  await openDemo(page, 'Baptiste', 'Talk')
  await openTold(page, 'groin')
  await page.getByRole('button', { name: /When, since when/ }).click()
  await look('complaint')
  for (const picture of ['Palms, feet', 'Control']) {
    await page.getByText(picture, { exact: true }).click()
    await look(picture)
  }
  await opened('riding', page.getByRole('button', { name: 'Riding', exact: true }), page.getByTestId('riding'))
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: 'Search commands' }).fill('saddle')
  await look('commands')
  await page.keyboard.press('Escape')
  await page.keyboard.press('?')
  await page.getByRole('dialog', { name: 'Keys and help' }).waitFor()
  await look('help')
  await opened('glossary', page.getByRole('button', { name: 'Glossary' }), page.getByRole('textbox', { name: 'Search the glossary' }))

  await openDemo(page, 'Baptiste', 'Feet', 'Pedal')
  await page.getByRole('button', { name: 'Catalogue' }).click()
  await expect(page.getByLabel('Name')).toHaveValue(/./)
  await look('catalogue')
  await openDemo(page, 'Baptiste', 'Seat', 'Saddle')
  await opened('impression', page.getByRole('button', { name: /^Mark / }), page.getByTestId('impression-result'))
  expect(found).toEqual({})
})
