#!/usr/bin/env node
// `npm run screenshots`: one current picture per main view, from the demo data, into docs/screenshots/.
import { execFileSync } from 'node:child_process'
import { mkdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { launchOptions } from './lib/browser.mjs'
import { ownDatabase, temporaryCluster } from './lib/cluster.mjs'
import { needBuild, needDebian, needPackages } from './lib/prepare.mjs'
import { serve } from './lib/serve.mjs'
import { root, say, varFolder } from './lib/system.mjs'

needDebian('postgresql', 'chromium-headless-shell')
needPackages()
needBuild()
const { chromium } = await import('@playwright/test')
const folder = join(root, 'docs/screenshots')
const passwords = join(varFolder, 'shots')
mkdirSync(folder, { recursive: true })
mkdirSync(passwords, { recursive: true })
const cluster = await temporaryCluster()
const server = await serve(ownDatabase(cluster, passwords, 'shots'), 0, { LOG_LEVEL: 'error' })
const browser = await chromium.launch(launchOptions)

/** Once nothing is worked out, fetched or opened any more, and what slides in has come to rest. */
async function settled(page) {
  await page.locator('html[data-settled]').waitFor()
  await page.waitForTimeout(400)
}

/** Opens a demo rider's station and keeps the picture. */
async function picture(name, rider, station, act = async () => {}, colorScheme = 'light') {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme, reducedMotion: 'reduce' })
  await page.goto(`${server.address}/riders${rider ? `?search=${rider}` : ''}`)
  await page.getByRole('listitem').first().waitFor()
  if (rider) {
    await page.getByRole('link', { name: /First visit/ }).click()
    await page
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('link', { name: new RegExp(`^${station}`, 'i') })
      .click()
    await page.waitForURL(new RegExp(`/${station}$`))
  }
  await act(page)
  await settled(page)
  await page.screenshot({ path: join(folder, `${name}.png`) })
  await page.close()
  say(name)
}

try {
  await picture('riders', null)
  await picture('talk', 'Ruta', 'talk', (page) => page.getByTestId('complaint-forearm').click())
  await picture('measure', 'Baptiste', 'measure')
  const seatPage = (label) => (page) => page.getByRole('tablist', { name: 'Pages of the seat' }).getByRole('tab', { name: label }).click()
  await picture('seat', 'Imre', 'seat', async (page) => {
    await seatPage('Height')(page)
    await page.getByRole('textbox', { name: 'Saddle height, to' }).fill('708')
    await settled(page)
  })
  await picture('seat-saddle', 'Baptiste', 'seat', seatPage('Saddle'), 'dark')
  await picture('seat-impression', 'Baptiste', 'seat', async (page) => {
    await seatPage('Saddle')(page)
    await page.getByRole('button', { name: /^Mark / }).click()
    await settled(page)
  })
  await picture('seat-mat', 'Baptiste', 'seat', async (page) => {
    await seatPage('Pressure')(page)
    await settled(page)
  })
  await picture('seat-tilt', 'Baptiste', 'seat', async (page) => {
    await seatPage('Tilt')(page)
    await page.getByTestId('take-tilt').click()
    await settled(page)
  })
  await picture('seat-setback', 'Baptiste', 'seat', async (page) => {
    await seatPage('Setback')(page)
    await page.getByRole('slider', { name: 'Setback with the knees kept' }).focus()
    for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowLeft')
    await settled(page)
  })
  const handsPage = (label) => (page) => page.getByRole('tablist', { name: 'Pages of the hands' }).getByRole('tab', { name: label }).click()
  await picture('hands', 'Ruta', 'hands', handsPage('Levers'))
  await picture('hands-reach', 'Ruta', 'hands', async (page) => {
    await handsPage('Reach, height')(page)
    await page.getByRole('slider', { name: /Height of the hands/ }).focus()
    for (let i = 0; i < 15; i++) await page.keyboard.press('ArrowLeft')
    await settled(page)
  })
  await picture('hands-cockpit', 'Ruta', 'hands', async (page) => {
    await handsPage('Cockpit')(page)
    await page.getByTestId('cockpit-lines').waitFor()
  })
  const feetPage = (label) => (page) => page.getByRole('tab', { name: label }).click()
  await picture('feet', 'Baptiste', 'feet', feetPage('Fore–aft'))
  await picture('feet-pedal', 'Baptiste', 'feet', feetPage('Pedal'))
  await picture('feet-rotation', 'Oona', 'feet', async (page) => {
    await feetPage('Rotation')(page)
    await page.getByTestId('take-turn').click()
  })
  await picture('feet-stance', 'Ruta', 'feet', async (page) => {
    await feetPage('Stance')(page)
    await page.getByRole('tab', { name: 'Knees from the front' }).click()
  })
  await picture('working', 'Baptiste', 'feet', async (page) => {
    await feetPage('Fore–aft')(page)
    await page.getByRole('button', { name: 'Working' }).first().click()
    await settled(page)
  })
  await picture('prove', 'Oona', 'feet', async (page) => {
    await feetPage('Fore–aft')(page)
    await page.getByTestId('try').click()
    await page.keyboard.press('6')
    await page.getByRole('radiogroup', { name: / now$/ }).first().locator('label').nth(3).click()
  })
  await picture('record', 'Baptiste', 'record')
} finally {
  await browser.close()
  await server.stop()
  await cluster.stop()
  rmSync(passwords, { recursive: true, force: true })
}
if (execFileSync('ls', [folder], { encoding: 'utf8' }).trim().split('\n').length >= 20) throw new Error('too many pictures are kept')
