import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { Diagnosis } from '../src/core/mend/diagnose'
import { faultedNetwork } from '../src/core/mend/faulted-network'
import { nothingSeen } from '../src/core/mend/seen'
import { nextTests } from '../src/core/mend/next-test'
import { seeded } from '../src/core/quantity/seeded'
import { solve } from '../src/core/feed/solve'
import { tallyOf } from '../src/core/tally'
import { engineOf, worked } from '../src/core/worked'
import { spiceNetlist } from '../src/formats/spice'
import { anyPlan } from '../src/testing/any-plan'
import { demoPlan } from '../src/testing/demo-plan'
import { drawing, trial, type Trial } from '../src/testing/mend-trials'
import { largePlan } from './plans'

/** How well faults are found, how fast they are ranked, and their volts against a circuit simulator. */
export function mendBench(): void {
  found()
  speed()
  against()
}

const since = (start: number): number => performance.now() - start
const share = (part: number, all: number): string => `${String(Math.round((100 * part) / all))} %`

/** Trials a demo plan, and random plans with one each. */
const [trialsADemo, randomPlans] = [50, 170]

function found(): void {
  const demos = readdirSync(new URL('../demo/', import.meta.url))
    .filter((name) => name.endsWith('.json'))
    .map((name) => name.replace('.json', ''))
  const all: Trial[] = []
  for (const name of demos) {
    const diagnosis = new Diagnosis(worked(demoPlan(name)))
    const random = seeded(17)
    const draw = drawing(diagnosis, random)
    const own = Array.from({ length: trialsADemo }, () => trial(diagnosis, draw(), random))
    line(name, own)
    all.push(...own)
  }
  const plans = fc.sample(anyPlan, { seed: 5, numRuns: 3 * randomPlans })
  const own: Trial[] = []
  const random = seeded(23)
  for (const plan of plans) {
    if (own.length === randomPlans) break
    const given = worked(plan)
    // Something has to light.
    if (given.loads.every(({ groups }) => groups === 0)) continue
    const diagnosis = new Diagnosis(given)
    const draw = drawing(diagnosis, random)
    const truth = draw()
    if (truth.look.runs.size > 0) own.push(trial(diagnosis, truth, random))
  }
  line('random plans', own)
  all.push(...own)
  line('all', all)
  const kinds = new Map<string, Trial[]>()
  for (const one of all) {
    const kind = one.truth.fault.kind
    kinds.set(kind, [...(kinds.get(kind) ?? []), one])
  }
  console.log('  by kind: trials, among the first three, found, tests; taken for')
  for (const [kind, trials] of [...kinds].toSorted((a, b) => b[1].length - a[1].length)) {
    const taken = [
      ...new Set(
        trials.flatMap(({ isFound, taken: other }) =>
          isFound || other === undefined ? [] : [other.fault.kind],
        ),
      ),
    ]
    console.log(
      `  ${kind.padEnd(20)}${String(trials.length).padStart(4)}${share(trials.filter(({ rank }) => rank <= 3).length, trials.length).padStart(7)}${share(trials.filter(({ isFound }) => isFound).length, trials.length).padStart(7)}${(trials.reduce((sum, { tests }) => sum + tests, 0) / trials.length).toFixed(1).padStart(6)}  ${taken.join(', ')}`,
    )
  }
}

function line(name: string, trials: readonly Trial[]): void {
  const right = trials.filter(({ isFound }) => isFound)
  const tests = right.map((one) => one.tests).toSorted((a, b) => a - b)
  console.log(
    `${name.padEnd(18)}${String(trials.length).padStart(4)} faults: ${share(trials.filter(({ rank }) => rank <= 3).length, trials.length)} among the first three before any test (70 % wanted), ${share(trials.filter(({ sightRank }) => sightRank <= 3).length, trials.length)} with those that look and measure the same as one, ${share(right.length, trials.length)} found (95 %), in ${String(tests[Math.floor(tests.length / 2)] ?? NaN)} tests (4) and ${(right.reduce((sum, { minutes }) => sum + minutes, 0) / Math.max(1, right.length)).toFixed(1)} min`,
  )
}

function speed(): void {
  const nook = demoPlan('bay-window-nook')
  const given = worked(nook)
  // The steps are worked out before the clock runs.
  let steps = given.schedule.steps.length
  // The best of a few, so that neighbours on the machine count little.
  const best = (work: () => unknown): number =>
    Math.min(
      ...Array.from({ length: 8 }, () => {
        const start = performance.now()
        work()
        return since(start)
      }),
    )
  const tallyMs = best(() => tallyOf(engineOf({ ...nook })))
  const looks = best(() => new Diagnosis(given))
  const diagnosis = new Diagnosis(given)
  let start = performance.now()
  diagnosis.suspects(nothingSeen)
  const ranking = since(start)
  start = performance.now()
  nextTests(diagnosis, nothingSeen)
  console.log(
    `nook, ${String(diagnosis.candidates.length)} faults: looks ${looks.toFixed(0)} ms (${(looks / tallyMs).toFixed(1)} times a tally of it), ranked in ${ranking.toFixed(0)} ms, next test ${since(start).toFixed(0)} ms`,
  )
  const large = worked(largePlan(300))
  steps += large.schedule.steps.length
  start = performance.now()
  const all = new Diagnosis(large)
  const largeMs = since(start)
  start = performance.now()
  all.suspects(nothingSeen)
  console.log(
    `300 runs, ${String(all.candidates.length)} faults: looks ${(largeMs / 1000).toFixed(1)} s, ranked in ${since(start).toFixed(0)} ms (${String(steps)} steps of building read)`,
  )
}

function against(): void {
  const given = worked(demoPlan('bay-window-nook'))
  const { stage, candidates } = new Diagnosis(given)
  const kinds = ['open-plus', 'open-minus', 'poor-joint', 'bridge-power']
  const folder = mkdtempSync(join(tmpdir(), 'glow-'))
  for (const kind of kinds) {
    let [most, count] = [0, 0]
    const own = candidates.filter(({ fault }) => fault.kind === kind)
    for (const { fault } of own.filter((_, index) => index % Math.ceil(own.length / 12) === 0)) {
      const network = faultedNetwork(stage.network, fault.does.feed ?? [])
      const file = join(folder, 'fault.cir')
      // A run whose rail hangs in the air draws nothing: a simulator's current sources would draw all the same.
      const alone = solve(network)
      const isLoose = (id: string): boolean =>
        alone.ok && 'floating' in (alone.solution.runs.get(id) ?? {})
      const still = network.runs.map((own) =>
        isLoose(own.id) ? { ...own, load: { idleA: 0 } } : own,
      )
      writeFileSync(file, spiceNetlist({ ...network, runs: still }, fault.id))
      const run = spawnSync('ngspice', ['-b', file], { encoding: 'utf8' })
      const result = solve(network)
      if (run.error !== undefined || !result.ok) {
        console.log('no comparison: the circuit simulator of Debian’s package ngspice is not there')
        rmSync(folder, { recursive: true, force: true })
        return
      }
      const volts = [...run.stdout.matchAll(/^v\(r(\d+)p(\d+)\)-\S+ = (\S+)$/gm)]
      for (const [, number, load, value] of volts) {
        const { id } = network.runs[Number(number) - 1] ?? { id: '' }
        const solved = result.solution.runs.get(id)
        if (solved === undefined || 'floating' in solved) continue
        count += 1
        most = Math.max(
          most,
          Math.abs((solved.volts[Number(load) - 1] ?? NaN) - Number(value)) * 1000,
        )
      }
    }
    console.log(
      `${kind}: ${String(count)} volts against the circuit simulator, at most ${most.toFixed(4)} mV apart`,
    )
  }
  rmSync(folder, { recursive: true, force: true })
}
