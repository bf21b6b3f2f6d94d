import { expect, newRider, openDemo, openOwnDemo, openTold, test } from '../site.ts'

test('Ctrl+K finds a reading, a page, a rider; keys, help and the short note know the same commands', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Talk')
  const search = page.getByRole('combobox', { name: 'Search commands' })
  await page.keyboard.press('Control+k')
  await expect(search).toBeFocused()
  await search.fill('saddle hei')
  await expect(page.getByText('Saddle height', { exact: true }).last()).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/measure$/)
  await expect(page.getByRole('textbox', { name: 'Saddle height', exact: true })).toBeFocused()

  await page.keyboard.press('Control+k')
  await search.fill('feet stance')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/feet\/stance$/)

  // A note that means nothing else names a command.
  await page.keyboard.press('/')
  await page.keyboard.type('seat tilt')
  await expect(page.getByText('Seat: Tilt · Enter goes there')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/seat\/tilt$/)
  await page.keyboard.press('Escape')

  await page.keyboard.press('?')
  const help = page.getByRole('dialog', { name: 'Keys and help' })
  await expect(help.getByText('Undo the last change')).toBeVisible()
  // Under a dialog the keys do nothing.
  await page.keyboard.press('5')
  await expect(page).toHaveURL(/\/seat/)
  await help.getByRole('button', { name: 'Glossary' }).click()
  await page.getByRole('textbox', { name: 'Search the glossary' }).fill('backsweep')
  await expect(page.locator('[data-term]')).toHaveCount(1)
  await page.keyboard.press('Escape')

  await page.keyboard.press('Control+k')
  await search.fill('Imre')
  await page.getByText('Imre Castellane').last().click()
  await expect(page.getByRole('heading', { name: 'Imre Castellane' })).toBeVisible()
})

test('what is typed right after Ctrl+K goes into the list, and is no key of the page', async ({ page }) => {
  await openDemo(page, 'Baptiste', 'Feet', 'Fore–aft')
  await expect(page.getByTestId('try')).toBeEnabled()
  await page.keyboard.press('Control+k')
  await page.keyboard.type('tilt 5')
  await expect(page.getByRole('combobox', { name: 'Search commands' })).toHaveValue('tilt 5')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('combobox', { name: 'Search commands' })).toBeHidden()
  await expect(page).toHaveURL(/\/feet/)
  await expect(page.getByLabel('Being tried')).toBeHidden()
})

test('a term opens the glossary at its place, from the reading it is an amount of', async ({ page }) => {
  await openDemo(page, 'Baptiste', 'Feet', 'Rotation')
  await page.getByRole('button', { name: /^Float/ }).click()
  await page.getByRole('button', { name: 'What is meant by Float?' }).click()
  await expect(page.locator('[data-term="float"]')).toBeInViewport()
})

test('a term says what it means where the pointer rests on it, and leads on to the glossary', async ({ page }) => {
  await openDemo(page, 'Baptiste', 'Measure')
  await page.locator('[data-means="torso-angle"]').first().hover()
  const card = page.locator('.term-tip')
  await expect(card).toContainText('The line from hip to shoulder against level.')
  await page.keyboard.press('Escape')
  await expect(card).toBeHidden()
  await page.mouse.move(400, 20)
  await page.locator('[data-means="torso-angle"]').first().hover()
  await card.getByRole('button', { name: 'Glossary' }).click()
  await expect(page.locator('[data-term="torso-angle"]')).toBeInViewport()
  await expect(card).toBeHidden()
})

test('a wrong address under a visit goes to the page that was meant', async ({ page }) => {
  await openDemo(page, 'Baptiste', 'Talk')
  for (const [typed, station] of [
    ['seats', 'seat'],
    ['mesure', 'measure'],
    ['what/ever', 'talk'],
  ] as const) {
    await page.goto(page.url().replace(/\/[a-z]+$/, `/${typed}`))
    await expect(page).toHaveURL(new RegExp(`/${station}$`))
  }
  // The page of a station stood in the query once; links that somebody kept still lead there.
  await page.goto(page.url().replace(/\/[a-z]+$/, '/hands?page=levers'))
  await expect(page).toHaveURL(/\/hands\/levers$/)
  await expect(page.getByRole('tab', { name: 'Levers' })).toHaveAttribute('aria-selected', 'true')
})

test('a page with nothing read says what to read and what it will tell; Prove says what a trial needs, then plans one', async ({
  page,
}) => {
  await newRider(page, 'Begins Here')
  await page.keyboard.press('3')
  await expect(page.getByTestId('page-start')).toContainText('Whether the shoe fits')
  await page.getByTestId('page-start').getByRole('link').first().click()
  await expect(page.locator('[data-reading]:focus')).toHaveCount(1)
  await page.keyboard.press('Escape')
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: /^Prove/i })
    .click()
  await expect(page.getByTestId('trial-plan')).toContainText('Tell what hurts or fails')
  await openOwnDemo(page, 'Baptiste', 'Prove')
  await expect(page.getByTestId('trial-plan')).toContainText(/Next trial: .*Rate before.*Set it.*Ride.*Keep or undo/s)
})

test('the rating goes up by one for each arrow, and is one stop', async ({ page }) => {
  await newRider(page, 'Rates By Key')
  await page.getByRole('button', { name: 'Forearm, left' }).focus()
  await page.keyboard.press('Enter')
  const rating = page.getByRole('radiogroup', { name: 'Severity at the start' })
  await rating.getByRole('radio').first().focus()
  for (let i = 1; i <= 3; i++) {
    await page.keyboard.press('ArrowRight')
    await expect(rating.getByRole('radio').nth(i)).toBeChecked()
  }
  await expect(rating.getByRole('radio', { checked: true })).toHaveCount(1)
})

test('what was told opens with the keys of its own stop', async ({ page }) => {
  await openOwnDemo(page, 'Baptiste', 'Talk')
  await openTold(page, 'groin')
  const side = page.getByRole('radiogroup', { name: 'Kind' })
  await side.getByRole('radio', { checked: true }).focus()
  await page.keyboard.press('Tab')
  // The whole group is one stop: the next one is the rating.
  await expect(page.getByRole('radiogroup', { name: 'Severity at the start' }).getByRole('radio', { checked: true })).toBeFocused()
})
