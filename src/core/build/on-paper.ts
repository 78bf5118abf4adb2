import { supplyBehind } from '../plan/supply-of'
import { formatQuantity } from '../quantity/format'
import { leadName } from '../route/leads'
import type { BuiltPlan } from './built-plan'
import { jointsUpTo } from './connected'
import { progressOf } from './progress'
import { readingText } from './reading-words'
import { isReadAt, readingsAfter, shownAt } from './readings'
import type { Step } from './step'

/** The steps as they are printed. */
export interface PaperSteps {
  /** Each caution once. */
  readonly cautions: readonly string[]
  readonly steps: readonly PaperStep[]
  /** Where there are too many steps with one, readings are left out. */
  readonly hasReadings: boolean
  readonly cards: readonly LidCard[]
}

export interface PaperStep extends Pick<Step, 'id' | 'kind' | 'title' | 'threads' | 'minutes'> {
  readonly state: 'open' | 'done' | 'skipped'
  /** What a bench supply's limit is set to, A; 0 where none is used. */
  readonly benchLimitA: number
  /** What the meter should say, one reading each. */
  readonly reads: readonly string[]
}

/** What stands inside the lid of a supply's box. */
export interface LidCard {
  readonly supply: string
  readonly lines: readonly string[]
}

/** For so many steps readings are worked out; each takes several solutions of what is connected by then. */
const mostReadings = 160

/** The steps in their order, what each is expected to read when all before it are done, and a card for each supply. */
export function stepsOnPaper(given: BuiltPlan): PaperSteps {
  const { plan, schedule } = given
  const { steps } = schedule
  const progress = progressOf(plan, steps, Infinity)
  const hasReadings = steps.filter(isReadAt).length <= mostReadings
  return {
    cautions: [...new Set(steps.flatMap((step) => step.cautions))],
    steps: steps.map((step) => {
      const { id, kind, title, threads, minutes } = step
      const state = progress.done.has(id) ? 'done' : progress.skipped.has(id) ? 'skipped' : 'open'
      const read =
        hasReadings && isReadAt(step)
          ? readAtStep(given, steps, step)
          : { benchLimitA: 0, reads: [] }
      return { id, kind, title, threads, minutes, state, ...read }
    }),
    hasReadings,
    cards: lidCards(given),
  }
}

function readAtStep(
  given: BuiltPlan,
  steps: readonly Step[],
  step: Step,
): Pick<PaperStep, 'benchLimitA' | 'reads'> {
  const { readings, benchLimitA } = readingsAfter(given, jointsUpTo(steps, step.id), step)
  const shown = shownAt(step, readings)
  const supplies = new Set(shown.flatMap((one) => (one.what === 'current' ? [one.where] : [])))
  const nameOf = (id: string): string | undefined =>
    supplies.size > 1 ? given.plan.supplies.find((slot) => slot.id === id)?.name : undefined
  return {
    benchLimitA: step.kind === 'test' ? benchLimitA : 0,
    reads: shown.map((reading) => readingText(reading, nameOf(reading.where))),
  }
}

/** All of what is read at a step on one line, each with room to write. */
export const readLine = ({
  benchLimitA,
  reads,
}: Pick<PaperStep, 'benchLimitA' | 'reads'>): string =>
  [
    ...(benchLimitA > 0
      ? [`set the bench supply’s limit to ${formatQuantity(benchLimitA, 'A')}`]
      : []),
    ...reads.map((read) => `${read} ______`),
  ].join(' · ')

function lidCards({
  plan,
  supplies,
  leads,
  cutRuns,
  fit,
  wiring,
}: Pick<BuiltPlan, 'plan' | 'supplies' | 'leads' | 'cutRuns' | 'fit' | 'wiring'>): LidCard[] {
  const leadOf = new Map(leads.map((lead) => [lead.id, lead]))
  // Of every wire with a fuse in it: on which supply it hangs, and where it goes.
  const fused = wiring.wires.flatMap((wire) =>
    wire.inLine
      .filter(({ kind }) => kind === 'fuse')
      .map(({ value }) => {
        const lead = leadOf.get(wire.fusedLead ?? '')
        return {
          supply: lead === undefined ? wire.about[0] : supplyBehind(plan, lead.from),
          text: `${lead === undefined ? 'board' : leadName(plan, cutRuns, lead)} ${formatQuantity(Number(value), 'A')}`,
        }
      }),
  )
  return supplies.map(({ slot, part, volts, loadA, boardA }) => {
    const fuses = fused.filter(({ supply }) => supply === slot.id).map(({ text }) => text)
    return {
      supply: slot.name,
      lines: [
        `${plan.name} · ${formatQuantity(volts, 'V')} · ${formatQuantity(loadA, 'A')} at most`,
        `Inside: ${[part?.name ?? 'a supply still to be chosen', ...(boardA > 0 && fit !== undefined ? [fit.board.name] : [])].join(', ')}`,
        ...(fuses.length > 0 ? [`Fuses: ${fuses.join(' · ')}`] : []),
        plan.limit < 1
          ? `The program limits brightness to ${formatQuantity(plan.limit, '%')}`
          : 'The program sets no limit',
        'Built on ______________ by ______________',
        'Extra-low voltage only. The mains side belongs to a licensed electrician.',
      ],
    }
  })
}
