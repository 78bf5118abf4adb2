import { readFileSync } from 'node:fs'
import { glow } from './glow'

process.exitCode = glow(process.argv.slice(2), {
  read: (file) => readFileSync(file === '-' ? 0 : file, 'utf8'),
  out: (text) => process.stdout.write(text),
  err: (text) => process.stderr.write(text),
})
