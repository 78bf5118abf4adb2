// Finds Debian's Chromium for the browser tests, and installs it where it is missing and may be installed.
import { existsSync } from 'node:fs'
import { run } from './lib.mjs'

/** Without a window of its own it takes a third less time. */
const withoutWindow = '/usr/bin/chromium-headless-shell'
const places = [withoutWindow, '/usr/bin/chromium', '/usr/bin/chromium-browser']

/** Path of a Chromium, or `undefined` after saying what is missing. */
export function findChromium() {
  if (process.env.CHROMIUM_PATH) return process.env.CHROMIUM_PATH
  if (!existsSync(withoutWindow) && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    console.log('Chromium is missing: installing it from Debian')
    const env = { DEBIAN_FRONTEND: 'noninteractive' }
    run('apt-get', ['update', '-qq'], { env })
    const install = ['install', '-y', '-qq', '--no-install-recommends']
    run('apt-get', [...install, 'chromium-headless-shell'], { env })
  }
  const found = places.find((place) => existsSync(place))
  if (!found)
    console.error(
      'The browser tests need Chromium: install Debian’s package `chromium-headless-shell` or `chromium`, or set CHROMIUM_PATH.',
    )
  return found
}
