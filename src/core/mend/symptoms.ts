import { lightStates, whens, type Fault } from './fault'
import type { FaultKindName } from './kind-names'
import type { Look } from './look'

// What people say of it, in words (handbook 8).

export const symptomNames = [
  'nothing-lights',
  'first-part',
  'far-end',
  'random',
  'when-bright',
  'after-a-while',
  'at-start',
  'stands-still',
  'wrong-colours',
  'not-in-place',
  'hot',
] as const
export type SymptomName = (typeof symptomNames)[number]

/** Something that is said, as it is said, and whether a fault would have it so. */
export interface Symptom {
  readonly name: SymptomName
  readonly text: string
  readonly fits: (fault: Fault, look: LookFacts) => boolean
}

/** A look in a few figures. */
export interface LookFacts {
  /** Share of all pixels in each state, and which whens there are. */
  readonly share: Readonly<Record<string, number>>
  readonly whens: ReadonlySet<string>
}

// Whole runs of one state are the same array in many looks.
const counted = new WeakMap<Uint8Array, ReadonlyMap<number, number>>()

/** How many pixels have each code, but for those that are right. */
function countsOf(codes: Uint8Array): ReadonlyMap<number, number> {
  const known = counted.get(codes)
  if (known !== undefined) return known
  // Stretches of one code are counted at once.
  const counts = new Map<number, number>()
  let from = 0
  for (let at = 1; at <= codes.length; at += 1) {
    const code = codes[from] ?? 0
    if (at < codes.length && codes[at] === code) continue
    if (code !== 0) counts.set(code, (counts.get(code) ?? 0) + at - from)
    from = at
  }
  counted.set(codes, counts)
  return counts
}

/**
 * Counts what a look shows.
 *
 * @param all pixels of all runs
 */
export function factsOf(look: Look, all: number): LookFacts {
  const counts = new Map<number, number>()
  for (const codes of look.runs.values())
    for (const [code, count] of countsOf(codes)) counts.set(code, (counts.get(code) ?? 0) + count)
  const share: Record<string, number> = {}
  const found = new Set<string>()
  for (const [code, count] of counts) {
    const state = lightStates[Math.floor(code / whens.length)] ?? 'right'
    share[state] = (share[state] ?? 0) + count / Math.max(1, all)
    found.add(whens[code % whens.length] ?? 'always')
  }
  return { share, whens: found }
}

const shareOf = ({ share }: LookFacts, state: string): number => share[state] ?? 0

const placeKinds: ReadonlySet<FaultKindName> = new Set<FaultKindName>([
  'no-common',
  'long-data',
  'interference',
  'broken-strand',
  'open-data',
  'open-minus',
  'open-plus',
  'poor-joint',
  'low-level',
  'moisture',
  'thin-usb',
  'wrong-supply',
])
const hotKinds: ReadonlySet<FaultKindName> = new Set<FaultKindName>([
  'poor-joint',
  'bridge-power',
  'bridge-plus-data',
  'swapped-power',
  'regulator-hot',
  'capacitor-reversed',
  'supply-small',
  'wrong-supply',
])

/** Above this share all of it is dark; a few lights more do not count. */
const allDark = 0.95

export const symptoms: readonly Symptom[] = [
  {
    name: 'nothing-lights',
    text: 'nothing lights',
    fits: (_fault, look) => shareOf(look, 'dark') >= allDark,
  },
  {
    name: 'first-part',
    text: 'only the first part lights',
    fits: (_fault, look) => shareOf(look, 'dark') > 0 && shareOf(look, 'dark') < allDark,
  },
  {
    name: 'far-end',
    text: 'the far end is dim or pink',
    fits: (_fault, look) => shareOf(look, 'dim') + shareOf(look, 'tinted') > 0,
  },
  {
    name: 'random',
    text: 'it flickers at random',
    fits: (_fault, look) => shareOf(look, 'flicker') > 0 && look.whens.has('random'),
  },
  {
    name: 'when-bright',
    text: 'only when it is bright',
    fits: (_fault, look) => look.whens.has('bright'),
  },
  {
    name: 'after-a-while',
    text: 'only after a while',
    fits: (_fault, look) => look.whens.has('warm'),
  },
  {
    name: 'at-start',
    text: 'only at the start',
    fits: (_fault, look) => look.whens.has('start'),
  },
  {
    name: 'stands-still',
    text: 'it stands still',
    fits: (_fault, look) => shareOf(look, 'frozen') > 0,
  },
  {
    name: 'wrong-colours',
    text: 'the colours are wrong',
    fits: (_fault, look) => shareOf(look, 'wrong') + shareOf(look, 'tinted') > 0,
  },
  {
    name: 'not-in-place',
    text: 'it works on the bench, not in place',
    fits: ({ kind }) => placeKinds.has(kind),
  },
  {
    name: 'hot',
    text: 'something gets hot',
    fits: ({ kind }) => hotKinds.has(kind),
  },
]
