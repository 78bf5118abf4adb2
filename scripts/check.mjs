// `npm run check`: what can be wrong with an edit, within a minute: format, lint, types, and the tests beside the files that have changed.
// What else an edit in the core may break, and the rules that need the types of .vue files, are left to `npm test` and CI.
import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { install, runBeside } from './lib.mjs'

install()
const start = performance.now()
const npm = (script) => ['npm', 'run', '--silent', script]
const tests = testsOfWhatChanged()
const checks = [
  ['lint', npm('lint')],
  ['types', npm('types')],
  ...(tests.length === 0
    ? []
    : [['units of what changed', ['npx', 'vitest', 'run', '--tags-filter=!long', ...tests]]]),
  ['formatting', npm('format:check')],
]
const failed = []
await runBeside(
  checks,
  (name, seconds, isGood, output) => {
    console.log(
      `${isGood ? '' : output}— ${name}: ${isGood ? 'good' : 'FAILED'} after ${seconds.toFixed(0)} s`,
    )
    if (!isGood) failed.push(name)
  },
  { env: { LINT_TYPES: 'no', PROVE: '0.1' } },
)
const seconds = ((performance.now() - start) / 1000).toFixed(0)
if (failed.length > 0) console.error(`\nFailed after ${seconds} s: ${failed.join(', ')}`)
else console.log(`\nGood after ${seconds} s, with ${String(tests.length)} files of tests`)
process.exit(failed.length > 0 ? 1 : 0)

/** Test files in the folders of what differs from the last commit. */
function testsOfWhatChanged() {
  const git = (...args) => spawnSync('git', args, { encoding: 'utf8' }).stdout ?? ''
  const changed = [
    ...git('diff', '--name-only', 'HEAD').split('\n'),
    ...git('ls-files', '--others', '--exclude-standard').split('\n'),
  ]
  const folders = new Set(changed.filter((file) => file.startsWith('src/')).map(dirname))
  return [...folders]
    .filter((folder) => existsSync(folder))
    .flatMap((folder) => readdirSync(folder).map((file) => join(folder, file)))
    .filter((file) => file.endsWith('.test.ts'))
}
