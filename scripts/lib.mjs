// Helpers for scripts that run before anything is installed: Node's own modules only.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'

/** Runs a command with its output shown, on standard error where `quiet`; gives back whether it went well. */
export function run(command, args, { quiet = false, env = {} } = {}) {
  const result = spawnSync(command, args, {
    stdio: quiet ? ['ignore', 2, 2] : 'inherit',
    env: { ...process.env, ...env },
  })
  if (result.error) console.error(`${command}: ${result.error.message}`)
  return result.status === 0
}

/**
 * For programs that read the whole source, and make and drop many small objects: with more room for those that are new, much less time goes
 * into collecting them.
 */
const roomForReading = {
  NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} --max-semi-space-size=128`.trim(),
}

/** Runs a command beside others: what it says is kept until it ends. */
function runApart([command, ...args], { env = {} } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { env: { ...process.env, ...env } })
    let output = ''
    const take = (text) => (output += text)
    for (const stream of [child.stdout, child.stderr]) stream.setEncoding('utf8').on('data', take)
    child.on('error', (error) => take(`${command}: ${error.message}\n`))
    child.on('close', (code) => resolve({ isGood: code === 0, output }))
  })
}

/** Runs checks that need one core each, two at a time in their order, and tells each as soon as it is done. */
export async function runBeside(checks, tell, { env = {} } = {}) {
  const waiting = [...checks]
  const next = async () => {
    for (let check = waiting.shift(); check !== undefined; check = waiting.shift()) {
      const [name, command] = check
      const start = performance.now()
      const { isGood, output } = await runApart(command, { env: { ...roomForReading, ...env } })
      tell(name, (performance.now() - start) / 1000, isGood, output)
    }
  }
  await Promise.all([next(), next()])
}

/** Installs the dependencies unless they stand as the lockfile says. */
export function install(options = {}) {
  const read = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : '')
  const wanted = JSON.parse(read('package-lock.json')).packages
  const found = JSON.parse(read('node_modules/.package-lock.json') || '{"packages":{}}').packages
  const isCurrent = Object.entries(wanted).every(
    ([path, { version, optional }]) =>
      path === '' || (optional && !found[path]) || found[path]?.version === version,
  )
  if (isCurrent) return
  if (!run('npm', ['ci', '--no-audit', '--no-fund'], options)) {
    console.error('The dependencies could not be installed (npm ci). Is the npm registry in reach?')
    process.exit(1)
  }
}
