import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { answer, choose, downloaded, expect, expectSaved, goTo, newRider, openOwnDemo, read, test } from '../site.ts'

/** Text of a downloaded PDF, read by an independent reader. */
function pdfText(path: string): string {
  const script = join(import.meta.dirname, '../../server/test/readPdf.mjs')
  return (JSON.parse(execFileSync(process.execPath, [script], { input: readFileSync(path), encoding: 'utf8' })) as { text: string }).text
}

test('an own rider, from nothing to a set cleat on a printed sheet', async ({ page }) => {
  await newRider(page, 'Živa Rindal', 'Blue tourer')

  await test.step('talk: point at the foot, say what and when, ask the warning signs', async () => {
    await page.getByRole('button', { name: 'Toes and ball of foot, right' }).click()
    const card = page.getByTestId('complaint-form')
    await answer(card, 'Kind', 'Numb')
    await answer(card, 'Severity at the start', '7 of 10')
    await expect(card.getByRole('button', { name: /Ask before going on: \d warning signs/ })).toBeVisible()
    const asked = card.getByRole('region', { name: 'Ask before going on' }).getByRole('radiogroup')
    for (const question of await asked.evaluateAll((rows) => rows.map((row) => row.getAttribute('aria-label') ?? '')))
      await answer(card, question, 'No')
    await expect(card.getByRole('button', { name: 'Warning signs asked' })).toBeVisible()
    await card.getByRole('button', { name: /When, since when/ }).click()
    await card.getByLabel('Starts after, minutes').fill('45')
    await choose(card, 'Where on a ride', 'Climbing')
    await card.getByLabel('In the rider’s words').fill('like a marble under the ball')
    await expectSaved(page)
  })

  await test.step('measure: in inches and millimetres, order of the tape', async () => {
    await goTo(page, 'Measure')
    // What decides between the causes of numb toes comes first, whatever the tape's order says.
    await expect(page.getByText('Measure next: foot width.')).toBeVisible()
    await read(page, 'Stature', '5 ft 9 1/8 in')
    await expect(page.getByRole('textbox', { name: 'Stature' })).toHaveValue('1755.8')
    await expect(page.getByRole('textbox', { name: 'Thigh, left' })).toHaveAttribute('placeholder', '~430')
    await read(page, 'Saddle height', '28 1/2 in')
    await read(page, 'Crank length', '172,5')
  })

  await test.step('feet: the tape method, judged', async () => {
    await goTo(page, 'Feet', 'Fore–aft')
    await expect(page.getByText(/Measure behind ball of foot on the left/)).toBeVisible()
    for (const [name, left, right] of [
      ['Shoe size', '43', '43'],
      ['Heel to ball (MTP1)', '195', '196'],
      ['Behind ball of foot', '4', '6'],
      ['Slot room forward', '6', '6'],
      ['Slot room back', '12', '12'],
    ] as const) {
      await read(page, `${name}, left`, left)
      await read(page, `${name}, right`, right)
    }
    // EU 43 behind the ball: 20 + 5/9 · 10 = 25.6 mm (common practice, by hand).
    await expect(page.getByTestId('judgement-right')).toContainText('behind the ball asks for 25.6 mm')
    await expect(page.getByTestId('judgement-right')).toContainText('The slot ends 7.6 mm short, so 18 mm is what this shoe allows')
    await expect(page.getByTestId('judgement-right')).toContainText('Speaks for it: toes and ball of foot numb, right')
    await expect(page.getByTestId('move-now')).toContainText('Cleat L back 5 mm · Cleat R back 5 mm')
    await expect(page.getByTestId('move-answers')).toContainText(/Saddle down \d/)
    await expect(
      page.getByText('Next step, if test rides go well: cleat L back 5 mm, then 2 mm; cleat R back 5 mm, then 2 mm.'),
    ).toBeVisible()
  })

  await test.step('show working: formula, numbers, sources', async () => {
    await page.getByRole('button', { name: 'Working' }).first().click()
    const panel = page.getByRole('dialog')
    await expect(panel).toContainText('EU 43: linear, EU 38 → 20, EU 47 → 30')
    await page.keyboard.press('Escape')
    await expect(panel).toBeHidden()
    await page.getByRole('article', { name: 'Proposal' }).getByRole('button', { name: 'Working' }).click()
    await expect(panel).toContainText('What this change brings along')
    await expect(panel).toContainText('Rests on:')
    await page.keyboard.press('Escape')
    await expect(panel).toBeHidden()
  })

  await test.step('try, rate, keep', async () => {
    await page.getByTestId('try').click()
    await expect(page.getByLabel('Being tried')).toContainText('Cleat L back 5')
    await answer(page, 'Toes and ball of foot numb, right now', '3 of 10')
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByRole('navigation', { name: 'Changes of this visit' })).toContainText('kept · rated 3')
    await expectSaved(page)
  })

  const saddle = await test.step('record: before and after on screen', async () => {
    await goTo(page, 'Record')
    const sheet = page.getByRole('article', { name: 'Record sheet' })
    const row = (name: string) => sheet.getByRole('row', { name })
    await expect(row('Cleat behind MTP1, right')).toContainText(/6 mm.*11 mm/)
    await expect(row('Toes and ball of foot numb, right')).toContainText(/7.*3/)
    await expect(row('Saddle height, BB to top')).toContainText('723.9 mm')
    return (await row('Saddle height, BB to top').getByRole('cell').last().textContent()) ?? ''
  })

  await test.step('the PDF says the same', async () => {
    const file = await downloaded(page, page.getByRole('link', { name: 'PDF' }))
    expect(file.suggestedFilename()).toMatch(/^ziva-rindal-\d{4}-\d\d-\d\d\.pdf$/)
    const text = pdfText(await file.path())
    for (const words of ['Živa Rindal', 'Blue tourer', '11 mm', saddle.trim(), 'Practise the pedal release']) expect(text).toContain(words)
  })

  await test.step('the file goes out and comes in as the same visit', async () => {
    const before = await page.getByRole('article', { name: 'Record sheet' }).innerText()
    const path = await (await downloaded(page, page.getByRole('link', { name: /Visit file/ }))).path()
    await page.goto('/riders')
    await page.getByLabel('Visit file').setInputFiles({ name: 'visit.json', mimeType: 'application/json', buffer: readFileSync(path) })
    await expect(page.getByRole('heading', { name: 'Why do the toes go numb or hot?' })).toBeVisible()
    await goTo(page, 'Record')
    expect(await page.getByRole('article', { name: 'Record sheet' }).innerText()).toBe(before)
  })
})

test('undo brings everything back, and can follow a keep', async ({ page }) => {
  await openOwnDemo(page, 'Oona', 'Feet', 'Fore–aft')
  const setback = page.getByTestId('judgement-left')
  await expect(setback).toContainText('8 mm behind MTP1')
  await page.getByTestId('try').click()
  await expect(setback).toContainText('13 mm behind MTP1')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(setback).toContainText('8 mm behind MTP1')
  await page.getByTestId('try').click()
  await page.getByRole('button', { name: 'Keep' }).click()
  await goTo(page, 'Prove')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await goTo(page, 'Feet', 'Fore–aft')
  await expect(setback).toContainText('8 mm behind MTP1')
  await expect(page.getByRole('navigation', { name: 'Changes of this visit' })).toContainText('Undo of 2')
})
