import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import type { AxeResults, RunOptions } from 'axe-core'

/** axe-core itself: its adapter for Playwright opens a second page for every run. */
const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
type WithAxe = typeof globalThis & { axe?: { run: (context: string, options: RunOptions) => Promise<AxeResults> } }

/**
 * @param within what is looked at, the whole page where it is left out
 * @param rules those alone; every rule of WCAG 2.1 A and AA where it is left out
 * @returns what breaks a rule, in words
 * @source WCAG 2.1, by axe-core
 */
export async function checkAccess(page: Page, within = 'html', rules?: readonly string[]): Promise<string[]> {
  if (!(await page.evaluate(() => (globalThis as WithAxe).axe !== undefined))) await page.evaluate(axe)
  // What still fades in has not its own colours yet; what moves for good (a skeleton) is not waited for.
  await page.waitForFunction(() =>
    document.getAnimations().every((one) => one.playState !== 'running' || one.effect?.getComputedTiming().iterations === Infinity),
  )
  const runOnly = rules
    ? { type: 'rule' as const, values: [...rules] }
    : { type: 'tag' as const, values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'] }
  const { violations } = await page.evaluate(({ context, options }) => (globalThis as WithAxe).axe!.run(context, options), {
    context: within,
    options: { runOnly, resultTypes: ['violations' as const], elementRef: false },
  })
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ target, any }) => `${target.join(' ')} ${any[0]?.message ?? ''}`).join(', ')}`,
  )
}
