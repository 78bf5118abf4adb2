// `npm test [-- --all]`: what has to hold, on a fresh clone with only Node and npm; with `--all` the long tests, too, and more random cases
// for each property. Ends with the tests' count.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { findChromium } from './chromium.mjs'
import { install, run, runBeside } from './lib.mjs'

const results = 'node_modules/.cache/results'
const isAll = process.argv.includes('--all')

install()
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })

const chromium = findChromium()
const npm = (script) => ['npm', 'run', '--silent', script]
/** What needs one core each, the longest first. */
const alone = [
  ['lint', npm('lint')],
  ['types', npm('types')],
  ['formatting', npm('format:check')],
  ['build', npm('build')],
  ['unused code', npm('unused')],
  ['layers', npm('layers')],
  ['share of tests', npm('share')],
]
/** Without tests that take long, of what shorter ones look at, too, and without the rules that need the types of .vue files. */
const notLong = isAll
  ? { units: [], browser: [], lint: {} }
  : {
      units: ['--tags-filter=!long'],
      browser: ['--grep-invert', '@long'],
      lint: { LINT_TYPES: 'no' },
    }
/** What takes all cores, or what stands before it. */
const together = [
  ['lockfile', hasNoAddresses],
  ['first load', () => run('npm', ['run', '--silent', 'size'])],
  [
    'unit tests',
    () => {
      const json = ['--reporter=json', `--outputFile.json=${results}/unit.json`]
      return run('npx', ['vitest', 'run', '--reporter=default', ...json, ...notLong.units], {
        env: { PROVE: process.env.PROVE ?? (isAll ? '1' : '0.3') },
      })
    },
  ],
  [
    'browser tests',
    () =>
      chromium !== undefined &&
      run('npx', ['playwright', 'test', '--reporter=list,json', ...notLong.browser], {
        env: { CHROMIUM_PATH: chromium, PLAYWRIGHT_JSON_OUTPUT_NAME: `${results}/browser.json` },
      }),
  ],
]

/** Characters of a complaint that are said again, at most. */
const mostRepeated = 4000
const failed = []
/** What a failed check said, to say it again at the end: what comes after it is long. */
const complaints = []
const report = (name, seconds, isGood, output = '') => {
  const how = `${isGood ? 'good' : 'FAILED'} after ${seconds.toFixed(0)} s`
  console.log(`${output}— ${name}: ${how}`)
  if (isGood) return
  failed.push(name)
  if (output !== '') complaints.push(`— ${name}\n${output.trim().slice(-mostRepeated)}`)
}

await runBeside(alone, report, { env: notLong.lint })
for (const [name, check] of together) {
  console.log(`\n— ${name}`)
  const start = performance.now()
  const isGood = check()
  report(name, (performance.now() - start) / 1000, isGood)
}

const counts = count()
for (const test of counts.failedUnits) complaints.push(`— unit test ${test}`)
if (complaints.length > 0) console.log(`\n${complaints.join('\n\n')}`)
if (failed.length > 0) console.log(`\nFailed: ${failed.join(', ')}`)
// A check that fails without a test of its own counts as one failure, so that the line below cannot look well.
const failures = Math.max(counts.failed, failed.length > 0 ? 1 : 0)
if (!isAll)
  console.log('\nWithout long tests and some rules of lint: npm test -- --all has them, too')
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
  const units = unit?.testResults.flatMap(({ assertionResults }) => assertionResults) ?? []
  return {
    failedUnits: units.filter(({ status }) => status === 'failed').map(({ fullName }) => fullName),
    passed: (unit?.numPassedTests ?? 0) + (browser?.expected ?? 0),
    failed: (unit?.numFailedTests ?? 0) + (browser?.unexpected ?? 0) + (browser?.flaky ?? 0),
  }
}
