import { expect, expectSaved, fieldOf, goTo, newRider, read, test } from '../site.ts'

test('the server dies in the middle of typing and comes back: nothing is lost', async ({ page, site }) => {
  await newRider(page, 'Outage')
  await goTo(page, 'Measure')
  await read(page, 'Stature', '1756')
  await expectSaved(page)

  await site.kill()
  await read(page, 'Crank length', '172.5')
  await read(page, 'Saddle height', '724')
  await (await fieldOf(page, 'Shoe size, left')).pressSequentially('4')
  await expect(page.getByTestId('save-state')).toHaveText('Cannot reach the server: kept here, retrying')
  await expect(page.getByTestId('server-gone')).toContainText('Readings, moves, ratings and causes go on')
  await read(page, 'Saddle height', '726')

  await site.revive()
  await expectSaved(page)
  await page.reload()
  await expect(await fieldOf(page, 'Crank length')).toHaveValue('172.5')
  await expect(await fieldOf(page, 'Saddle height')).toHaveValue('726')
  await expect(await fieldOf(page, 'Shoe size, left')).toHaveValue('4')
})

test('a window closed while the server was away hands its words to the next one', async ({ page, context, site }) => {
  await newRider(page, 'Closed Window')
  await goTo(page, 'Measure')
  await read(page, 'Stature', '1699')
  await expectSaved(page)
  const address = page.url()
  await site.kill()
  await read(page, 'Stature', '1702')
  await expect(page.getByTestId('save-state')).toContainText('Cannot reach')
  await page.close()
  await site.revive()
  const next = await context.newPage()
  await next.goto(address)
  await expectSaved(next)
  await expect(async () => {
    await next.reload()
    await expect(next.getByRole('textbox', { name: 'Stature' })).toHaveValue('1702', { timeout: 1000 })
  }).toPass()
})

test('a reload right after a key press keeps the key press', async ({ page }) => {
  await newRider(page, 'Quick Reload')
  await goTo(page, 'Measure')
  await (await fieldOf(page, 'Crank length')).fill('167.5')
  await page.reload()
  await expect(await fieldOf(page, 'Crank length')).toHaveValue('167.5')
  await expectSaved(page)
})
