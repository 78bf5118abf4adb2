// `npm run bench [NAME …]`: figures and ratios, each of one run; not part of the tests, since machines differ.
import { findChromium } from './chromium.mjs'
import { install, run } from './lib.mjs'

install()
const chromium = findChromium()
if (!run('npm', ['run', '--silent', 'build'])) process.exit(1)
const env = chromium ? { CHROMIUM_PATH: chromium } : {}
const args = ['--import', 'tsx', 'bench/main.ts', ...process.argv.slice(2)]
process.exit(run(process.execPath, args, { env }) ? 0 : 1)
