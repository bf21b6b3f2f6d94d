// The browser of tests, bench and screenshots: Debian's headless Chromium, with nothing of its own that asks the network.
import { isRoot } from './system.mjs'

export const browserPath = '/usr/bin/chromium-headless-shell'

/** For Playwright's `launch`. */
export const launchOptions = {
  executablePath: browserPath,
  args: [
    ...(isRoot ? ['--no-sandbox'] : []),
    '--disable-gpu',
    '--disable-quic',
    '--font-render-hinting=none',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
