import { createServer, type Server } from 'node:http'
import { fileURLToPath } from 'node:url'
import { createApp } from './app'
import { readListening } from './port'

function fail(message: string): never {
  console.error(message)
  process.exit(1)
}

const read = readListening(process.env)
if (!read.ok) fail(read.message)
const { port, hosts } = read

/** How long answers that are under way may take once the server is asked to end, ms. */
const graceMs = 3_000

const app = createApp(
  fileURLToPath(new URL('../../dist', import.meta.url)),
  process.env.FIRST_VISIT === 'examples' ? 'examples' : 'empty',
)

/** Listens on one address; not every machine has both kinds. */
const listen = (host: string): Promise<Server | undefined> =>
  new Promise((resolve) => {
    const server = createServer(app)
    server.on('error', ({ code, message }: NodeJS.ErrnoException) => {
      if (code === 'EADDRINUSE')
        fail(`Port ${String(port)} is in use: stop what runs there, or set PORT to another`)
      if (code === 'EACCES')
        fail(`Port ${String(port)} may not be used here: set PORT to 1024 or more`)
      if (code !== 'EADDRNOTAVAIL' && code !== 'EAFNOSUPPORT' && code !== 'ENOTFOUND') fail(message)
      resolve(undefined)
    })
    server.listen(port, host, () => {
      resolve(server)
    })
  })

const servers = (await Promise.all(hosts.map(listen))).filter((server) => server !== undefined)
if (servers.length === 0)
  fail(`This machine has no address ${hosts.join(' or ')}: set HOST to one that it has`)
const shown = process.env.HOST === undefined || process.env.HOST === '' ? 'localhost' : hosts[0]
console.log(`Glow Tally is at http://${String(shown)}:${String(port)}`)

for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.once(signal, () => {
    setTimeout(() => process.exit(0), graceMs).unref()
    for (const server of servers) {
      server.close()
      server.closeIdleConnections()
    }
  })
