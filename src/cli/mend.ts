import { planNetwork } from '../core/feed/plan-network'
import type { Network } from '../core/feed/network'
import { Diagnosis, type Candidate } from '../core/mend/diagnose'
import type { Fault } from '../core/mend/fault'
import { faultedNetwork } from '../core/mend/faulted-network'
import { faultsOf } from '../core/mend/faults'
import { faultKinds } from '../core/mend/kinds'
import { Stage } from '../core/mend/look'
import { stretchesOf } from '../core/mend/run-states'
import { nextTests } from '../core/mend/next-test'
import { readSeen } from '../core/mend/seen'
import { noneFits, pairsFor } from '../core/mend/two'
import { whyOf } from '../core/mend/why'
import type { LoadCase } from '../core/plan/choices'
import type { Plan } from '../core/plan/plan'
import { worked } from '../core/worked'
import { BadInput, fail, json } from './output'

/** All single faults of a plan, the likeliest first. */
export const faultsJson = (plan: Plan): string =>
  json(
    [...faultsOf(worked(plan))]
      .toSorted((a, b) => b.chance - a.chance)
      .map(({ id, kind, title, where, about, chance, reasons }) => ({
        id,
        kind,
        title,
        where,
        about,
        chance,
        reasons,
      })),
  )

function faultOf(plan: Plan, id: string): Fault {
  const all = faultsOf(worked(plan))
  const found = all.find((fault) => fault.id === id)
  if (found === undefined)
    throw new BadInput(
      `there is no fault “${id}”: \`glow faults\` lists them, such as ${all[0]?.id ?? 'none: the plan has nothing yet'}`,
    )
  return found
}

/**
 * What a fault looks like, and what is read anywhere.
 *
 * @param other a second one at the same time
 */
export function faultJson(plan: Plan, id: string, other?: string): string {
  const fault = faultOf(plan, id)
  const second = other === undefined ? undefined : faultOf(plan, other)
  const stage = new Stage(worked(plan))
  const look = stage.look([fault.does, ...(second === undefined ? [] : [second.does])])
  return json({
    id,
    kind: fault.kind,
    where: fault.where,
    ...(second !== undefined && {
      with: { id: second.id, kind: second.kind, where: second.where },
    }),
    runs: Object.fromEntries(
      stage.runs.map(({ id: run, count }) => [run, stretchesOf(look.runs.get(run), count)]),
    ),
    readings: stage.points.map((point, index) => ({
      what: point.what,
      where: point.where,
      case: point.case === 'idle' ? 'idle' : 'full-white',
      value: look.values.get(index) ?? point.value,
      unit: point.what === 'volts' ? 'V' : 'A',
      right: point.value,
    })),
    mend: faultKinds[fault.kind].mend,
  })
}

/** The feed network of a plan with a fault in it. */
export const networkWithFault = (plan: Plan, loadCase: LoadCase, id: string): Network =>
  faultedNetwork(planNetwork(worked(plan), loadCase), faultOf(plan, id).does.feed ?? [])

/** So many suspects and tests are told. */
const [mostSuspects, mostTests, mostPairs] = [100, 8, 5]

/** Suspects and the next test, by what is seen. */
export function mendJson(plan: Plan, given: unknown, from: string): string {
  const diagnosis = new Diagnosis(worked(plan))
  const read = readSeen(given, diagnosis.stage)
  if (!read.ok) fail(from, read.issues)
  const { seen } = read
  const told = ({ fault }: Candidate): object => ({
    fault: fault.id,
    kind: fault.kind,
    where: fault.where,
  })
  const isOdd = noneFits(diagnosis, seen)
  return json({
    suspects: diagnosis
      .suspects(seen)
      .slice(0, mostSuspects)
      .map(({ candidate, probability, same }) => ({
        ...told(candidate),
        same: same.map((one) => one.candidate.fault.id),
        probability,
        why: whyOf(diagnosis, candidate, seen),
      })),
    ...(isOdd && {
      two: pairsFor(diagnosis, seen)
        .slice(0, mostPairs)
        .map(({ a, b, probability }) => ({ faults: [a.fault.id, b.fault.id], probability })),
    }),
    next: nextTests(diagnosis, seen)
      .slice(0, mostTests)
      .map(({ title, id, minutes, bits, outcomes, how, power, opens }) => ({
        test: title,
        id,
        minutes,
        bits,
        how,
        power,
        opens,
        outcomes,
      })),
  })
}
