import { createServer } from 'node:http'
import { fileURLToPath } from 'node:url'
import { createApp } from './app'
import { readPort } from './port'

function fail(message: string): never {
  console.error(message)
  process.exit(1)
}

const read = readPort(process.env.PORT)
if (!read.ok) fail(read.message)
const { port } = read

const server = createServer(createApp(fileURLToPath(new URL('../../dist', import.meta.url))))
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE')
    fail(`Port ${String(port)} is in use: stop what runs there, or set PORT to another`)
  if (error.code === 'EACCES')
    fail(`Port ${String(port)} may not be used here: set PORT to 1024 or more`)
  fail(error.message)
})
server.listen(port, () => {
  console.log(`Glow Tally is at http://localhost:${String(port)}`)
})
