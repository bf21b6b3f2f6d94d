import { expect, expectSaved, newRider, openDemo, test } from '../site.ts'

test('a visit by keyboard alone', async ({ page }) => {
  await newRider(page, 'Keyboard Only')
  await test.step('point at the body and rate', async () => {
    await page.getByRole('button', { name: 'Calf, left' }).focus()
    await page.keyboard.press('Enter')
    await page.getByRole('radiogroup', { name: 'Severity at the start' }).getByRole('radio', { name: '5 of 10' }).focus()
    await page.keyboard.press('ArrowRight')
    await expect(page.getByRole('radio', { name: '6 of 10' })).toBeChecked()
    await page.keyboard.press('Escape')
  })
  await test.step('stations by number, missing readings by m, Enter down the tape', async () => {
    await page.locator('body').click({ position: { x: 5, y: 790 } })
    await page.keyboard.press('2')
    await expect(page).toHaveURL(/measure$/)
    await page.getByRole('tab', { name: /^Rider/ }).waitFor()
    await page.keyboard.press('m')
    await expect(page.getByRole('textbox', { name: 'Stature' })).toBeFocused()
    await page.keyboard.type('1756')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('textbox', { name: 'Mass' })).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('textbox', { name: 'Inseam' })).toBeFocused()
    await page.keyboard.type('837')
    await page.keyboard.press('Enter')
    await expectSaved(page)
  })
  await test.step('short notes show what they mean before they are taken', async () => {
    await page.keyboard.press('Escape')
    await page.evaluate(() => (document.activeElement as HTMLElement).blur())
    await page.keyboard.press('/')
    const line = page.getByRole('textbox', { name: 'Short note' })
    await expect(line).toBeFocused()
    for (const [note, meaning] of [
      ['crank 172,5', 'Crank length: 172.5 mm'],
      ['saddle 28 1/2 in', 'Saddle height: 723.9 mm'],
      ['size l 43', 'Shoe size, left: 43'],
      ['ball l 195 ruler', 'Heel to ball (MTP1), left: 195 mm, ruler'],
      ['setback l 4', 'Behind ball of foot, left: 4 mm'],
      ['room l 20', 'Slot room back, left: 20 mm'],
      ['forward l 6', 'Slot room forward, left: 6 mm'],
    ] as const) {
      await page.keyboard.type(note)
      await expect(page.locator('#entry-line-meaning')).toContainText(meaning)
      await page.keyboard.press('Enter')
    }
    await page.keyboard.type('cleat l back 7')
    await expect(page.locator('#entry-line-meaning')).toContainText('Cleat L back 7 mm, in steps of 5 mm')
    await page.keyboard.press('Enter')
    await expect(page).toHaveURL(/feet(\/cleat)?$/)
    await expect(page.getByRole('textbox', { name: 'Behind ball of foot, left, to' })).toHaveValue('11')
    await page.keyboard.type('wheel 7')
    await expect(page.locator('#entry-line-meaning')).toContainText('“wheel” is not known here')
    await page.keyboard.press('Escape')
  })
  await test.step('the cleat by arrow keys, try by t, undo by u', async () => {
    const handle = page.getByRole('slider', { name: 'Cleat to try, left' })
    await handle.focus()
    await page.keyboard.press('ArrowDown')
    await expect(handle).toHaveAttribute('aria-valuenow', '12')
    await page.keyboard.press('Shift+ArrowUp')
    await expect(handle).toHaveAttribute('aria-valuenow', '11.5')
    await page.keyboard.press('t')
    await expect(page.getByLabel('Being tried')).toContainText('Cleat L back 5')
    await page.keyboard.press('u')
    await expect(page.getByLabel('Being tried')).toBeHidden()
    await expectSaved(page)
  })
  await test.step('from Try to Keep and on without the focus going back to the top', async () => {
    const aim = page.getByRole('textbox', { name: 'Behind ball of foot, left, to' })
    await aim.fill('7')
    await page.getByTestId('try').focus()
    await page.keyboard.press('Enter')
    await expect(page.getByLabel('Being tried')).toBeFocused()
    await page.getByRole('button', { name: 'Undo', exact: true }).focus()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('article', { name: 'Proposal' })).toBeFocused()
    await expectSaved(page)
  })
})

test('keys never fire while typing; help opens and closes; back and forward walk the stations', async ({ page }) => {
  await openDemo(page, 'Baptiste', 'Feet', 'Fore–aft')
  const setback = page.getByRole('textbox', { name: 'Behind ball of foot, left', exact: true })
  await setback.focus()
  await page.keyboard.press('7')
  await expect(page).toHaveURL(/feet(\/cleat)?$/)
  await page.keyboard.press('Escape')
  await expect(setback).toHaveValue('4')
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden()
  await page.keyboard.press('7')
  await expect(page).toHaveURL(/record$/)
  await page.goBack()
  await expect(page).toHaveURL(/feet(\/cleat)?$/)
  await expect(page.getByRole('heading', { name: 'Readings' })).toBeVisible()
  await page.goForward()
  await expect(page.getByRole('article', { name: 'Record sheet' })).toBeVisible()
})
