// Tests are to be about a quarter to a third of the code, counted in lines that are not blank.
import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'

const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], {
  encoding: 'utf8',
})
  .split('\n')
  .filter((file) => /\.(ts|vue|mjs|cjs|js|css)$/.test(file) && existsSync(file))
const lines = (some) =>
  some.reduce(
    (sum, file) =>
      sum +
      readFileSync(file, 'utf8')
        .split('\n')
        .filter((line) => line.trim()).length,
    0,
  )
const isTest = (file) => /\.test\.ts$|^e2e\/|^src\/testing\//.test(file)
const tests = lines(files.filter(isTest))
const code = lines(files.filter((file) => !isTest(file)))
const share = tests / (tests + code)
const text = `${tests} of ${tests + code} lines are tests: ${(share * 100).toFixed(1)} %`
if (share < 0.22 || share > 0.36) {
  console.error(`${text}; 22 to 36 % is wanted`)
  process.exit(1)
}
console.log(text)
