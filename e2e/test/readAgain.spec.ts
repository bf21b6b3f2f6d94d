import { expect, test } from '@playwright/test'
import { expectSaved, goTo, openOwnDemo } from '../site.ts'

test('a reading is taken again after a change: start and now side by side, kept over a reload, removed alone', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Measure')
  await page.getByRole('tab', { name: /^Riding/ }).click()
  const left = page.getByRole('textbox', { name: 'Knee at the bottom, left', exact: true })
  const right = page.getByRole('textbox', { name: 'Knee at the bottom, right', exact: true })
  const row = page.getByRole('button', { name: /^Knee at the bottom/ })
  await expect(left).toHaveValue('30')
  await expect(row).toContainText(/start, predicted now 30 \/ 28\.\d°/)

  await test.step('mending a typo stays at the start', async () => {
    await left.fill('31')
    await left.press('Enter')
    await expect(row).toContainText('start, predicted now')
    await left.fill('30')
    await left.press('Enter')
    await expectSaved(page)
  })
  await test.step('read again is a new reading; the field says both, and what was predicted', async () => {
    await row.click()
    await page.getByTestId('again-kneeFlexion').click()
    await expect(left).toBeFocused()
    await expect(left).toHaveValue('')
    await left.fill('33')
    await left.press('Enter')
    await right.fill('32')
    await right.press('Enter')
    await expect(row).toContainText(/30 \/ 28° at start, predicted 30(\.\d)? \/ 28(\.\d)?°/)
    await expect(page.getByText(/^After change 1, left: 33°/)).toBeVisible()
    await expectSaved(page)
  })
  await test.step('it is there after a reload, and the start still shows the first', async () => {
    await page.reload()
    await expect(left).toHaveValue('33')
    await page.keyboard.press('b')
    await expect(page.getByText('Showing the bike as it was.')).toBeVisible()
    await expect(left).toHaveValue('30')
    await page.getByRole('button', { name: 'Back to now' }).click()
    await expect(left).toHaveValue('33')
  })
  await test.step('removed, the one before counts again', async () => {
    await row.click()
    await page.getByRole('button', { name: /^Remove: After change 1, left: 33°/ }).click()
    await expect(left).toHaveValue('30')
    await expectSaved(page)
  })
  await test.step('the seat shows the same readings', async () => {
    await goTo(page, 'Seat', 'Height')
    await expect(page.getByRole('textbox', { name: 'Knee at the bottom, right', exact: true })).toHaveValue('32')
  })
})
