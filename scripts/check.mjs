// `npm run check`: what can be wrong with an edit, within a minute: format, lint, types, and the tests that the changed files are part of.
import { install, roomForReading, run } from './lib.mjs'

install()
const checks = [
  ['formatting', () => run('npm', ['run', '--silent', 'format:check'])],
  ['lint', () => run('npm', ['run', '--silent', 'lint'], { env: roomForReading })],
  ['types', () => run('npm', ['run', '--silent', 'types'], { env: roomForReading })],
  [
    'units of what changed',
    () =>
      run('npx', ['vitest', 'run', '--changed', '--passWithNoTests', '--tags-filter=!long'], {
        env: { PROVE: '0.1' },
      }),
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
