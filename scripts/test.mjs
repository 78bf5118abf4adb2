// `npm test`: everything that has to hold, on a fresh clone with only Node and npm. Ends with the tests' count.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { findChromium } from './chromium.mjs'
import { install, run } from './lib.mjs'

const results = 'node_modules/.cache/results'

install()
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })

const chromium = findChromium()
const npx = (...args) => run('npx', args)
const checks = [
  ['formatting', () => npx('prettier', '--check', '--log-level', 'warn', '.')],
  ['lint', () => run('npm', ['run', '--silent', 'lint'])],
  ['layers', () => run('npm', ['run', '--silent', 'layers'])],
  ['types', () => run('npm', ['run', '--silent', 'types'])],
  ['unused code', () => run('npm', ['run', '--silent', 'unused'])],
  ['lockfile', hasNoAddresses],
  ['share of tests', () => run(process.execPath, ['scripts/test-share.mjs'])],
  [
    'unit tests',
    () =>
      npx(
        'vitest',
        'run',
        '--reporter=default',
        '--reporter=json',
        `--outputFile.json=${results}/unit.json`,
      ),
  ],
  ['build', () => npx('vite', 'build', '--logLevel', 'warn')],
  ['first load', () => run(process.execPath, ['scripts/first-load.mjs'])],
  [
    'browser tests',
    () =>
      chromium !== undefined &&
      run('npx', ['playwright', 'test', '--reporter=list,json'], {
        env: { CHROMIUM_PATH: chromium, PLAYWRIGHT_JSON_OUTPUT_NAME: `${results}/browser.json` },
      }),
  ],
]

const failed = []
for (const [name, check] of checks) {
  console.log(`\n— ${name}`)
  if (!check()) failed.push(name)
}

const counts = count()
if (failed.length > 0) console.log(`\nFailed: ${failed.join(', ')}`)
// A check that fails without a test of its own counts as one failure, so that the line below cannot look well.
const failures = Math.max(counts.failed, failed.length > 0 ? 1 : 0)
console.log(`\n${counts.passed} passed, ${failures} failed`)
process.exit(failed.length > 0 || counts.passed === 0 ? 1 : 0)

/** Addresses of one registry in the lockfile would send everybody to it. */
function hasNoAddresses() {
  const isClean = !readFileSync('package-lock.json', 'utf8').includes('"resolved"')
  if (!isClean) console.error('package-lock.json names download addresses: see .npmrc')
  return isClean
}

function count() {
  const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined)
  const unit = read(`${results}/unit.json`)
  const browser = read(`${results}/browser.json`)?.stats
  return {
    passed: (unit?.numPassedTests ?? 0) + (browser?.expected ?? 0),
    failed: (unit?.numFailedTests ?? 0) + (browser?.unexpected ?? 0) + (browser?.flaky ?? 0),
  }
}
