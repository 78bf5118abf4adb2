// Finds Debian's Chromium for the browser tests, and installs it where it is missing and may be installed.
import { existsSync } from 'node:fs'
import { run } from './lib.mjs'

const places = [process.env.CHROMIUM_PATH, '/usr/bin/chromium', '/usr/bin/chromium-browser']

/** Path of a Chromium, or `undefined` after saying what is missing. */
export function findChromium() {
  const find = () => places.find((place) => place && existsSync(place))
  const found = find()
  if (found) return found
  if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    console.log('Chromium is missing: installing it from Debian')
    const env = { DEBIAN_FRONTEND: 'noninteractive' }
    run('apt-get', ['update', '-qq'], { env })
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], { env })
  }
  const installed = find()
  if (!installed)
    console.error(
      'The browser tests need Chromium: install Debian’s package `chromium`, or set CHROMIUM_PATH.',
    )
  return installed
}
