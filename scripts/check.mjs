// `npm run check`: what can be wrong with an edit, within a minute: format, lint, types, and the tests that the changed files are part of.
import { execFileSync } from 'node:child_process'
import { install, roomForReading, run } from './lib.mjs'

install()
const git = (...args) => execFileSync('git', args, { encoding: 'utf8' }).split('\n').filter(Boolean)
const changed = [
  ...git('diff', '--name-only', '--diff-filter=d', 'HEAD'),
  ...git('ls-files', '--others', '--exclude-standard'),
]
const formatted = changed.filter((file) => /\.(ts|vue|mjs|cjs|js|css|json|md|html|yml)$/.test(file))
const checks = [
  [
    'formatting',
    () =>
      formatted.length === 0 ||
      run('npx', ['prettier', '--check', '--log-level', 'warn', ...formatted]),
  ],
  ['lint', () => run('npm', ['run', '--silent', 'lint'], { env: roomForReading })],
  ['types', () => run('npm', ['run', '--silent', 'types'], { env: roomForReading })],
  [
    'units of what changed',
    () =>
      run('npx', ['vitest', 'run', '--changed', '--passWithNoTests'], { env: { PROVE: '0.1' } }),
  ],
]
const failed = checks.filter(([name, check]) => {
  console.log(`\n— ${name}`)
  return !check()
})
if (failed.length > 0) {
  console.error(`\nFailed: ${failed.map(([name]) => name).join(', ')}`)
  process.exit(1)
}
