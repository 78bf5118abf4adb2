import { whens, type ProbeKind } from './fault'
import { chanceOf, dimTest, type Candidate, type Diagnosis } from './diagnose'
import type { Look, MeterPoint } from './look'
import { stretchesOf } from './run-states'
import { probeId, probes } from './probes'
import { isReadingOf, type Seen } from './seen'
import { formatQuantity } from '../quantity/format'
import { allAnswer, chancesOfWalk, firstOdd, walkAlong, walkText } from './walk'

/** One of the things that may come out of a test, and what it would mean. */
export interface Outcome {
  readonly id: string
  readonly text: string
  /** How likely it is, as far as is known, 0–1. */
  readonly chance: number
  /** What it would point to: the likeliest fault then, in words, with its probability. */
  readonly means: string
  readonly leaves: number
}

/** Something to do that tells suspects apart. */
export interface Test {
  readonly id: string
  readonly kind: 'see' | 'walk' | 'meter' | 'dim' | ProbeKind
  readonly title: string
  readonly how: string
  readonly power: 'on' | 'off'
  /** Hands on, *typical*. */
  readonly minutes: number
  /** It opens a joint. */
  readonly opens: boolean
  /** What it tells, of what is not known yet, in bits. */
  readonly bits: number
  readonly outcomes: readonly Outcome[]
  /** Of a test with a meter: where it is held. */
  readonly point?: MeterPoint
  /** Of a look, and of a light that wanders: the run, and how many lights it has. */
  readonly run?: string
  readonly lights?: number
  /** It is painted already: it is a second look. */
  readonly isAgain?: boolean
}

/** Only what is likely enough is told apart; suspects below this are left out. */
const leastShare = 1e-4
const mostSuspects = 400
/** A test that tells less is not worth its time. */
const leastBits = 0.02
/** Above this a test that opens nothing comes before any that does. */
const enoughBits = 0.15

interface Weighed {
  readonly candidate: Candidate
  readonly probability: number
}

/** A test before it is weighed: for each suspect how likely each outcome is. */
interface Idea extends Omit<Test, 'bits' | 'outcomes'> {
  readonly texts: readonly { readonly id: string; readonly text: string }[]
  readonly chances: (candidate: Candidate) => readonly number[]
}

/**
 * The tests that tell most for their minutes, the best first: expected information over minutes (handbook 13, finding). Those that open a
 * joint come after those that don't.
 *
 * @param skipped ids of tests that can't be done here
 */
export function nextTests(
  diagnosis: Diagnosis,
  seen: Seen,
  skipped: ReadonlySet<string> = new Set(),
): readonly Test[] {
  const all = diagnosis
    .probabilities(seen)
    .slice(0, mostSuspects)
    .filter(({ probability }) => probability > leastShare)
  const sum = all.reduce((total, { probability }) => total + probability, 0)
  const suspects = all.map(({ candidate, probability }): Weighed => ({
    candidate,
    probability: probability / sum,
  }))
  const done = new Set([...skipped, ...seen.tests.map(({ test }) => test)])
  return ideasFor(diagnosis, suspects, seen)
    .filter(({ id }) => !done.has(id))
    .map((idea) => weighed(idea, suspects))
    .filter(({ bits }) => bits > leastBits)
    .toSorted(
      (a, b) => Number(isLate(a)) - Number(isLate(b)) || b.bits / b.minutes - a.bits / a.minutes,
    )
}

/** It opens a joint, or tells next to nothing. */
const isLate = ({ opens, bits }: Test): boolean => opens || bits < enoughBits

const entropyOf = (chances: readonly number[]): number =>
  chances.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0)

/** Mutual information of the fault and the outcome, bits. */
function weighed({ texts, chances, ...idea }: Idea, suspects: readonly Weighed[]): Test {
  const totals = texts.map(() => 0)
  let within = 0
  const best = texts.map(() => ({ share: 0, where: '' }))
  for (const { candidate, probability } of suspects) {
    const own = chances(candidate)
    within += probability * entropyOf(own)
    for (const [index, chance] of own.entries()) {
      const share = probability * chance
      totals[index] = (totals[index] ?? 0) + share
      const first = best[index]
      if (first !== undefined && share > first.share) {
        first.share = share
        first.where = `${candidate.fault.title.toLowerCase()}, ${candidate.fault.where}`
      }
    }
  }
  return {
    ...idea,
    bits: Math.max(0, entropyOf(totals) - within),
    outcomes: texts.map(({ id, text }, index) => {
      const chance = totals[index] ?? 0
      const leaves = chance > 0 ? (best[index]?.share ?? 0) / chance : 0
      return { id, text, chance, means: best[index]?.where ?? '', leaves }
    }),
  }
}

function ideasFor(diagnosis: Diagnosis, suspects: readonly Weighed[], seen: Seen): readonly Idea[] {
  return [
    ...seeIdeas(diagnosis, suspects, seen),
    ...walkIdeas(diagnosis, suspects),
    ...dimIdeas(suspects),
    ...meterIdeas(diagnosis, suspects, seen),
    ...probeIdeas(suspects),
  ]
}

/** To walk up to it and look, *typical*. */
const seeMinutes = 0.8

/** How sure a look and a meter are. *Typical.* */
const sure = { see: 0.9, meter: 0.98 } as const
/** One outcome is sure but for a small rest that the others share. */
const mostly = (index: number, count: number, share: number): number[] =>
  Array.from({ length: count }, (_, at) =>
    at === index ? (count === 1 ? 1 : share) : (1 - share) / (count - 1),
  )

/** Runs that nothing is said of yet; and a second look from close by, which costs little. */
function seeIdeas({ stage }: Diagnosis, suspects: readonly Weighed[], seen: Seen): readonly Idea[] {
  return stage.runs.flatMap(({ id, name, count }): Idea[] => {
    if (seen.again[id] !== undefined) return []
    const isAgain = (seen.runs[id] ?? []).length > 0
    const idea = lookIdea(suspects, id, count, {
      id: `${isAgain ? 'again' : 'see'}:${id}`,
      title: isAgain
        ? `Look again at ${name}, from close by: is it as you painted it?`
        : `Look at ${name}, and paint what you see`,
      isAgain,
    })
    return idea.texts.length > 1 ? [idea] : []
  })
}

/** One light after another, along runs in which that can be. */
function walkIdeas({ stage }: Diagnosis, suspects: readonly Weighed[]): readonly Idea[] {
  return stage.runs.flatMap((run): Idea[] => {
    const walk = walkAlong(run)
    if (walk === undefined) return []
    const found = new Set<string>()
    let hasSensors = false
    for (const { candidate } of suspects) {
      const first = firstOdd(candidate.look, run.id)
      if (first !== undefined) found.add(String(first.at))
      hasSensors ||= first?.state === 'frozen'
      if (first === undefined || first.share < 1) found.add(allAnswer)
    }
    const outcomes = [...found]
    if (outcomes.length < 2) return []
    return [
      {
        ...walk,
        kind: 'walk',
        how: `With the bench link on the Build page, or with a plain program. ${hasSensors ? 'Where a light has a sensor, try that too. ' : ''}Count from the start of the tape.`,
        power: 'on',
        opens: false,
        run: run.id,
        lights: run.count,
        texts: outcomes.map((outcome) => ({ id: outcome, text: walkText(outcome) })),
        chances: ({ look }) => {
          const own = outcomes.map(chancesOfWalk(look, run.id))
          const all = own.reduce((sum, chance) => sum + chance, 0)
          return own.map((chance) => chance / all)
        },
      },
    ]
  })
}

const pixelsText = (from: number, count: number): string =>
  count === 1
    ? `pixel ${String(from + 1)}`
    : `pixels ${String(from + 1)} to ${String(from + count)}`

function lookIdea(
  suspects: readonly Weighed[],
  run: string,
  count: number,
  given: Pick<Idea, 'id' | 'title' | 'isAgain'>,
): Idea {
  const texts: string[] = []
  const known = new Map<Look, number>()
  const indexOf = ({ look }: Candidate): number => {
    const found = known.get(look)
    if (found !== undefined) return found
    const text = lookText(look, run, count)
    const at = texts.indexOf(text)
    const index = at < 0 ? texts.push(text) - 1 : at
    known.set(look, index)
    return index
  }
  for (const { candidate } of suspects) indexOf(candidate)
  return {
    ...given,
    kind: 'see',
    how: 'With a pattern in which every light has its turn.',
    minutes: seeMinutes,
    power: 'on',
    opens: false,
    run,
    texts: texts.map((text) => ({ id: text, text })),
    chances: (candidate) => mostly(indexOf(candidate), texts.length, sure.see),
  }
}

/** The look of a run in a few words, by which looks are told apart. */
function lookText({ runs }: Look, run: string, count: number): string {
  const odd = stretchesOf(runs.get(run), count).filter(([, , state]) => state !== 'right')
  const [first] = odd
  if (first === undefined) return 'all right'
  if (first[1] === count) return `all ${first[2]}`
  return odd
    .slice(0, 3)
    .map(([from, length, state]) => `${pixelsText(from, length)} ${state}`)
    .join(', ')
}

function dimIdeas(suspects: readonly Weighed[]): readonly Idea[] {
  return suspects.some(({ candidate }) => candidate.facts.whens.has(whens[1]))
    ? [
        {
          id: dimTest,
          kind: 'dim',
          title: 'Lower the brightness to 15 %',
          how: 'In the program, or with its knob.',
          power: 'on',
          minutes: 0.5,
          opens: false,
          texts: yesNo('what was wrong is gone', 'it is just the same'),
          chances: chancesOf(dimTest),
        },
      ]
    : []
}

const yesNo = (yes: string, no: string): Idea['texts'] => [
  { id: 'yes', text: yes },
  { id: 'no', text: no },
]

const chancesOf =
  (test: string): Idea['chances'] =>
  (candidate) => {
    const yes = chanceOf(candidate, { test, outcome: 'yes' })
    return [yes, 1 - yes]
  }

const meterTitle = ({ what, rail, text, case: look }: MeterPoint): string =>
  what === 'current'
    ? `Measure ${text}, ${look === 'idle' ? 'with nothing lit' : 'at full white'}`
    : rail === undefined
      ? `Measure plus to minus ${text}, at full white`
      : `Measure from ${text}, at full white`

/** Values that a meter tells apart, V and A. */
const apart = { volts: 0.25, current: 0.15 } as const
/** … and of what is read, as a share. */
const apartShare = 0.06

function meterIdeas(
  { stage }: Diagnosis,
  suspects: readonly Weighed[],
  seen: Seen,
): readonly Idea[] {
  const isRead = (point: MeterPoint): boolean =>
    seen.readings.some((reading) => isReadingOf(point, reading))
  return stage.points.flatMap((point, index): Idea[] => {
    if (isRead(point)) return []
    const valueOf = ({ look }: Candidate): number => look.values.get(index) ?? point.value
    const values = [...new Set(suspects.map(({ candidate }) => valueOf(candidate)))].toSorted(
      (a, b) => a - b,
    )
    const classes: { from: number; to: number }[] = []
    for (const value of values) {
      const last = classes.at(-1)
      if (last !== undefined && value - last.to <= apart[point.what] + apartShare * value)
        last.to = value
      else classes.push({ from: value, to: value })
    }
    if (classes.length < 2) return []
    const unit = point.what === 'volts' ? 'V' : 'A'
    const classOf = (value: number): number => classes.findIndex(({ to }) => value <= to)
    return [
      {
        id: `meter:${point.what}:${point.where}:${point.case}`,
        kind: 'meter',
        title: meterTitle(point),
        how:
          point.what === 'volts'
            ? 'Meter on DC volts. Red tip on plus, black tip on minus, both on the copper of the pads.'
            : 'Meter in the plus wire, on its largest A range; or read it off a bench supply.',
        power: 'on',
        minutes: point.what === 'volts' ? 1 : 2.5,
        opens: false,
        point,
        texts: classes.map(({ from, to }, at) => ({
          id: String(at),
          text:
            to - from < 0.05
              ? `about ${formatQuantity(to, unit)}`
              : `${formatQuantity(from, unit)} to ${formatQuantity(to, unit)}`,
        })),
        chances: (candidate) => mostly(classOf(valueOf(candidate)), classes.length, sure.meter),
      },
    ]
  })
}

/** Tests that single faults are shown by. */
function probeIdeas(suspects: readonly Weighed[]): readonly Idea[] {
  const found = new Map<string, Idea>()
  for (const { candidate } of suspects)
    for (const { kind, at, where } of candidate.fault.shownBy) {
      const id = probeId({ kind, at, where })
      if (found.has(id)) continue
      const { title, how, power, minutes, opens, yes, no } = probes[kind]
      found.set(id, {
        id,
        kind,
        title: title(where),
        how,
        power,
        minutes,
        opens,
        texts: yesNo(yes, no),
        chances: chancesOf(id),
      })
    }
  return [...found.values()]
}
