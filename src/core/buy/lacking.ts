import type { Step } from '../build/step'
import type { BillGroup } from '../parts/sold'
import type { Buy } from '../plan/plan'
import type { StepKind } from '../plan/build-choices'
import { toBuy, type Receipt, type ReceiptLine } from './receipt'

/** What a kind of step takes from the bill. Cutting takes what is cut; wires are there once they are cut. */
const takes: Readonly<Record<Exclude<StepKind, 'cut'>, readonly BillGroup[]>> = {
  measure: [],
  'dry-fit': [],
  tin: ['small parts'],
  thread: ['small parts'],
  joint: ['small parts'],
  check: [],
  test: ['board'],
  insulate: ['small parts'],
  clean: [],
  mount: ['mounting', 'board'],
  relief: ['small parts'],
  cover: ['mounting', 'sheets'],
  label: [],
  power: ['power'],
  soak: [],
  book: [],
}

/** Kinds of step at which things are used up that are for the whole plan. */
const general: Readonly<Record<string, readonly StepKind[]>> = {
  solder: ['tin', 'joint'],
  ties: ['relief'],
}

function groupsOf({ kind, phase, tool, about, place }: Step): readonly BillGroup[] {
  // Fuses and capacitors come into a lead, and the supply at its end.
  if (kind === 'joint' && (phase === 'in-line' || phase === 'supply-joint'))
    return [...takes.joint, 'power']
  if (kind !== 'cut') return takes[kind]
  if (phase === 'cut-wire') return ['wire']
  if (tool === 'saw') return ['mounting']
  // A piece of strip has a name of its own, a sheet is its run's.
  return about.some((name) => name !== place) ? ['light'] : ['sheets']
}

/** What a step takes and is not bought yet: lines for the place that it is about, or for the whole plan where it is about no place of the bill. */
export function lackingFor(
  step: Step,
  receipt: Receipt,
  buy: Pick<Buy, 'bought'>,
): readonly ReceiptLine[] {
  const groups = groupsOf(step)
  if (groups.length === 0) return []
  const about = new Set([...step.about, step.place])
  const isAbout = ({ for: ids }: ReceiptLine): boolean => ids.some((id) => about.has(id))
  const isNowhere = !receipt.lines.some(isAbout)
  return toBuy(receipt, buy).filter((line) => {
    if (!groups.includes(line.group)) return false
    const kinds = general[line.id]
    if (kinds !== undefined) return kinds.includes(step.kind)
    return isAbout(line) || (isNowhere && line.for.length === 0)
  })
}
