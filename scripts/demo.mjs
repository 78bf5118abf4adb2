// `npm run demo`: installs, builds and serves; needs only Node and npm.
import { spawn } from 'node:child_process'
import { install, run } from './lib.mjs'

const port = process.env.PORT ?? '4174'
if (!/^[1-9]\d{0,4}$/.test(port) || Number(port) > 65535) {
  console.error(`PORT is “${port}”: a whole number from 1 to 65535 is expected`)
  process.exit(1)
}
install()
if (!run('npm', ['run', '--silent', 'build'])) process.exit(1)
const server = spawn(process.execPath, ['--import', 'tsx', 'src/server/main.ts'], {
  stdio: 'inherit',
  env: { ...process.env, PORT: port, FIRST_VISIT: 'examples' },
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', (code) => process.exit(code ?? 0))
