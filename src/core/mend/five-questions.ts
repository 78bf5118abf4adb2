import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import type { Candidate, Diagnosis } from './diagnose'
import type { Mend } from './fault'
import { faultKinds } from './kinds'
import type { FaultKindName } from './kind-names'
import { nothingSeen } from './seen'
import type { SymptomName } from './symptoms'

// A first ranking without a plan: five questions, whose answers stand for a plan of the usual kind.

/** What lights, and how. */
export const whatLights = {
  nothing: { text: 'nothing lights', words: ['nothing-lights'] },
  'first-part': { text: 'only the first part lights', words: ['first-part'] },
  flickers: { text: 'all of it, but it flickers at random', words: ['random'] },
  'far-end': { text: 'all of it, but the far end is dim or pink', words: ['far-end'] },
  bright: { text: 'all of it, until it gets bright', words: ['when-bright'] },
  colours: { text: 'all of it, in wrong colours', words: ['wrong-colours'] },
  still: { text: 'all of it, but it stands still', words: ['stands-still'] },
  while: { text: 'all of it, for a while', words: ['after-a-while'] },
} as const satisfies Record<
  string,
  { readonly text: string; readonly words: readonly SymptomName[] }
>

/** Which light, on which volts. */
export const whichLight = {
  'pixels-5v': { text: 'pixels, 5 V', strip: 'pixels-5v-60-low' },
  'pixels-12v': { text: 'pixels, 12 V', strip: 'pixels-12v-20' },
  'white-12v': { text: 'strip of one colour, 12 V', strip: 'white-12v-10' },
  'white-24v': { text: 'strip of one colour, 24 V', strip: 'white-24v-14' },
  'rgb-12v': { text: 'strip of three colours, 12 V', strip: 'rgb-12v-14' },
} as const

export const whichBoard = {
  '3v3': { text: 'a board with 3.3 V logic', board: 'wifi-3v3' },
  '5v': { text: 'a board with 5 V logic', board: 'small-5v' },
  box: { text: 'a ready-made box', board: 'pixel-box' },
  none: { text: 'no board', board: undefined },
} as const

/** Since when, with how much more or less likely some kinds are for it. *Typical.* */
export const sinceWhen: Readonly<
  Record<string, { readonly text: string; readonly weights: Weights }>
> = {
  first: {
    text: 'from the first moment',
    weights: {
      'against-arrow': 4,
      'swapped-power': 4,
      'colour-order': 4,
      'pixel-kind': 4,
      'wrong-pin': 4,
      'pixel-count': 3,
      'no-common': 3,
      'low-level': 2,
      'broken-strand': 0.2,
      moisture: 0.2,
      'battery-sag': 0.3,
    },
  },
  sudden: {
    text: 'suddenly, after it worked',
    weights: {
      'fuse-open': 3,
      'input-burnt': 2,
      'dead-pixel': 3,
      'dead-data': 3,
      'open-plus': 2,
      'open-minus': 2,
      'open-data': 2,
      'against-arrow': 0.05,
      'swapped-power': 0.1,
      'colour-order': 0.2,
      'pixel-kind': 0.1,
      'wrong-pin': 0.2,
      'off-mark': 0.1,
    },
  },
  moved: {
    text: 'since it was moved or mounted',
    weights: {
      'broken-strand': 5,
      'open-plus': 3,
      'open-minus': 3,
      'open-data': 3,
      'poor-joint': 3,
      'long-data': 2,
      interference: 3,
      'colour-order': 0.1,
      'pixel-kind': 0.1,
      'low-level': 1.5,
    },
  },
  slowly: {
    text: 'slowly worse',
    weights: {
      'poor-joint': 4,
      moisture: 5,
      'battery-sag': 5,
      'supply-low': 4,
      'colour-order': 0.05,
      'pixel-kind': 0.05,
      'wrong-pin': 0.05,
      'against-arrow': 0.05,
    },
  },
}

export const whatChanged: Readonly<
  Record<string, { readonly text: string; readonly weights: Weights }>
> = {
  nothing: { text: 'nothing', weights: {} },
  wires: {
    text: 'wires or joints',
    weights: {
      'open-plus': 3,
      'open-minus': 3,
      'open-data': 3,
      'poor-joint': 3,
      'bridge-power': 3,
      'bridge-plus-data': 3,
      'bridge-data-minus': 3,
      'swapped-power': 4,
      'against-arrow': 3,
      'no-common': 3,
    },
  },
  program: {
    text: 'the program',
    weights: {
      'colour-order': 8,
      'pixel-count': 8,
      'pixel-kind': 8,
      'wrong-pin': 8,
      'program-stopped': 6,
      timing: 4,
    },
  },
  board: {
    text: 'the board',
    weights: { 'low-level': 4, 'no-common': 5, 'wrong-pin': 5, timing: 5, 'program-stopped': 4 },
  },
  supply: {
    text: 'the supply or its cable',
    weights: {
      'wrong-supply': 8,
      'supply-small': 5,
      'supply-low': 4,
      'supply-trips': 5,
      'thin-usb': 5,
      'swapped-power': 4,
      'no-common': 3,
    },
  },
  longer: {
    text: 'there is more light on it now',
    weights: {
      'supply-small': 6,
      'supply-trips': 6,
      'pixel-count': 6,
      'brown-out': 4,
      'fuse-open': 4,
      'against-arrow': 3,
      'program-stopped': 3,
    },
  },
}
type Weights = Partial<Readonly<Record<FaultKindName, number>>>

export interface Answers {
  readonly lights: keyof typeof whatLights
  readonly light: keyof typeof whichLight
  readonly board: keyof typeof whichBoard
  readonly since: string
  readonly changed: string
}

/** A plan of the usual kind that the answers stand for: three metres in two runs. */
export function planOfAnswers({ light, board }: Answers): Plan {
  const plan = emptyPlan('Without a plan', 'first')
  const { strip } = whichLight[light]
  const own = whichBoard[board].board
  return {
    ...plan,
    lines: [
      { id: 'first', text: 'first 1500' },
      { id: 'second', text: 'second 1500' },
    ],
    defaults: { ...plan.defaults, stripId: strip },
    signal: { ...plan.signal, ...(own !== undefined && { board: own }) },
  }
}

/** A kind of fault with its probability by the answers alone. */
export interface FirstGuess {
  readonly kind: FaultKindName
  readonly title: string
  readonly probability: number
  /** One of its places, in words: where to begin. */
  readonly where: string
  readonly mend: Mend
}

/** Kinds of fault by the five answers, the likeliest first. */
export function firstGuesses(diagnosis: Diagnosis, answers: Answers): readonly FirstGuess[] {
  const seen = { ...nothingSeen, words: [...whatLights[answers.lights].words] }
  const since = sinceWhen[answers.since]?.weights ?? {}
  const changed = whatChanged[answers.changed]?.weights ?? {}
  const sums = new Map<FaultKindName, { weight: number; best: Candidate }>()
  for (const { candidate, probability } of diagnosis.probabilities(seen)) {
    const { kind } = candidate.fault
    const weight = probability * (since[kind] ?? 1) * (changed[kind] ?? 1)
    const known = sums.get(kind)
    if (known === undefined) sums.set(kind, { weight, best: candidate })
    else known.weight += weight
  }
  const all = [...sums.values()].reduce((sum, { weight }) => sum + weight, 0)
  return [...sums]
    .map(([kind, { weight, best }]) => ({
      kind,
      title: best.fault.title,
      where: best.fault.where,
      probability: all > 0 ? weight / all : 0,
      mend: faultKinds[kind].mend,
    }))
    .toSorted((a, b) => b.probability - a.probability)
}
