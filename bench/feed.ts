import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Network } from '../src/core/feed/network'
import { solve } from '../src/core/feed/solve'
import { spiceNetlist } from '../src/formats/spice'
import { median } from './plans'

/** 5 V pixels at 60/m in one run, with power brought in every `every` pixels; some of them sag below their knees. */
function pixels(loads: number, every: number): Network {
  return {
    supplies: [{ id: 's', volts: 5 }],
    runs: [
      {
        id: 'r',
        loads,
        pitchM: 1 / 60,
        railOhmPerM: { p: 0.085, m: 0.085 },
        load: {
          idleA: 0.0007,
          channels: [
            { fullA: 0.02, kneeV: 2.5, offV: 1.7, duty: 1 },
            { fullA: 0.02, kneeV: 3.5, offV: 2.6, duty: 1 },
            { fullA: 0.02, kneeV: 3.6, offV: 2.7, duty: 1 },
          ],
        },
      },
    ],
    leads: Array.from({ length: Math.floor(loads / every) + 1 }, (_, at) => ({
      from: 's',
      to: `r@${String(at * every)}`,
      plusOhm: 0.05,
      minusOhm: 0.05,
    })),
  }
}

function timed(network: Network, times: number): { ms: number; iterations: number; lastV: number } {
  let [iterations, lastV] = [0, 0]
  const taken = Array.from({ length: times }, () => {
    const start = performance.now()
    const result = solve(network)
    const ms = performance.now() - start
    if (!result.ok) throw new Error(result.reason)
    const run = result.solution.runs.get('r')
    iterations = result.solution.iterations
    lastV = run !== undefined && 'volts' in run ? run.lastV : NaN
    return ms
  })
  return { ms: median(taken), iterations, lastV }
}

/** Time a load from 1,000 to 100,000 of them, and against a general circuit simulator on the netlist that we export. */
export function feedBench(): void {
  timed(pixels(2_000, 200), 12)
  const perLoad = [1_000, 10_000, 100_000].map((loads) => {
    const { ms, iterations } = timed(pixels(loads, loads / 5), 5)
    console.log(
      `${String(loads).padStart(7)} loads, 6 feeds: ${ms.toFixed(1)} ms, ${((ms * 1000) / loads / iterations).toFixed(3)} µs a load and step, ${String(iterations)} steps`,
    )
    return (ms * 1000) / loads / iterations
  })
  console.log(
    `a load and step of 100,000 takes ${((perLoad[2] ?? NaN) / (perLoad[0] ?? NaN)).toFixed(2)} × that of 1,000`,
  )
  compare()
}

function compare(): void {
  const network = pixels(20_000, 500)
  const folder = mkdtempSync(join(tmpdir(), 'glow-'))
  const file = join(folder, 'feed.cir')
  writeFileSync(file, spiceNetlist(network, 'bench'))
  const start = performance.now()
  const run = spawnSync('ngspice', ['-b', file], { encoding: 'utf8' })
  const simulatorMs = performance.now() - start
  rmSync(folder, { recursive: true, force: true })
  if (run.error !== undefined) {
    console.log('no comparison: the circuit simulator of Debian’s package ngspice is not installed')
    return
  }
  const [, last] = [...run.stdout.matchAll(/^v\(.*\) = (\S+)$/gm)].map(([, volts]) => Number(volts))
  const { ms, lastV } = timed(network, 7)
  console.log(
    `20,000 loads, 41 feeds: ${ms.toFixed(1)} ms here, ${simulatorMs.toFixed(0)} ms there: ${(simulatorMs / ms).toFixed(0)} × as fast, ${(Math.abs((last ?? NaN) - lastV) * 1000).toFixed(4)} mV apart`,
  )
}
