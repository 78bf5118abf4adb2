// The command line: installs what it needs, then hands over to src/cli in this same process.
import { install } from './lib.mjs'

install({ quiet: true })
const { register } = await import('tsx/esm/api')
register()
await import('../src/cli/main.ts')
