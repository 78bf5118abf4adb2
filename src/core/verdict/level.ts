import { diodeOf, diodes } from '../parts/diodes'
import type { LowLogic } from '../plan/choices'
import { jumpersOf, jumperWayMm } from '../cut/pads'
import { cutLengthMm } from '../measure/wire-way'
import { fixed, formatQuantity, formatSold, plural } from '../quantity/format'
import { isAtLeast } from '../quantity/round'
import { laneHighV } from '../lanes/boards'
import type { LaneLevel, LevelWay } from '../signal/levels'
import type { Evidence, Finding, Judge, Remedy, Verdict } from './verdict'
import { fewNames } from '../quantity/few-names'

const volts = (value: number): string => formatQuantity(value, 'V')
const signed = (value: number): string => `${value < 0 ? '−' : ''}${fixed(Math.abs(value), 2)} V`

/** Margin below which no first pixel understands anything: more than a weak high, V. */
const hopelessV = -0.5

/** The way that a school takes first. */
const schoolWay: Readonly<Record<LowLogic, LevelWay['id'] | undefined>> = {
  buffer: 'buffer',
  diode: 'diode',
  'lower-supply': 'lower-supply',
  '5v-board': '5v-board',
  try: undefined,
}

/** Ways that make it better than it is, the school's first. */
function remediesFor({ plan, signal }: Evidence, { marginV, darkMarginV }: LaneLevel): Remedy[] {
  const school = schoolWay[plan.rules.lowLogic]
  const least = Math.min(marginV, darkMarginV)
  return signal
    .ways()
    .filter(
      (way) =>
        way.commands.length > 0 &&
        way.marginV !== null &&
        Math.min(way.marginV, way.darkMarginV ?? way.marginV) > least + 1e-6,
    )
    .toSorted((a, b) => Number(b.id === school) - Number(a.id === school))
    .slice(0, 3)
    .map(({ name, commands, marginV: reached }) => ({
      label: `${name}: ${signed(reached ?? 0)}`,
      commands,
    }))
}

/** Lanes whose first pixel may not take the board's high for one: told by the worst of them. */
export const levels: Judge = (evidence) => {
  const { lanes } = evidence
  const { levels: known } = evidence.signal
  // On volts that a strip is not made for its level says nothing: that is told as such.
  const misfits = new Set(evidence.supplies.flatMap((supply) => supply.misfits.map(({ id }) => id)))
  return (['fail', 'marginal'] as const).flatMap((grade): Finding[] => {
    const own = lanes
      .flatMap((lane) => {
        const level = known.get(lane.id)
        const first = lane.runs[0]?.entry.run.id ?? ''
        return level?.grade === grade && !misfits.has(first) ? [{ lane, level }] : []
      })
      .toSorted((a, b) => a.level.marginV - b.level.marginV)
    const [worst] = own
    const hop = worst?.level.hops.toSorted((a, b) => a.marginV - b.marginV)[0]
    if (worst === undefined || hop === undefined) return []
    const isLow = grade === 'fail'
    const code = isLow ? 'low-level' : 'thin-level'
    const { marginV, darkMarginV } = worst.level
    const isHopeless = marginV < hopelessV && evidence.plan.rules.lowLogic !== 'try'
    const dark = darkMarginV < marginV - 0.005 ? `, ${signed(darkMarginV)} while dark` : ''
    return [
      {
        id: code,
        code,
        grade: isHopeless ? 'stop' : 'warning',
        about: own.flatMap(({ lane }) => lane.runs.slice(0, 1).map(({ entry }) => entry.run.id)),
        text: `${fewNames(own.map(({ lane }) => lane.name))}, ${hop.name}: ${volts(hop.highV)} must exceed ${volts(hop.thresholdV)}, margin ${signed(hop.marginV)}${dark}`,
        why: isLow
          ? 'It may work on the bench and flicker for a week in its place: pixels need 0.7 × their supply.'
          : 'Below 0.3 V of margin a warm day or a longer wire is enough for flicker.',
        remedies: () => remediesFor(evidence, worst.level),
      },
    ]
  })
}

/** How far unbuffered data goes, mm (handbook 4): from a board of low logic, from one of 5 V or a pixel, from a buffer. */
const reachMm = { low: 1000, high: 3000, buffered: 5000 } as const

const whyLong =
  'A long wire rounds the edges and picks up noise: pixels flicker or follow their neighbours.'

/** Data wires that are longer than what drives them reaches. */
export const longData: Judge = ({ plan, fit, lanes }) =>
  lanes.flatMap((lane): Verdict[] =>
    lane.runs.flatMap(({ entry, leadMm, extra, start }, index): Verdict[] => {
      const isFirst = index === 0
      const highV = fit === undefined ? 5 : laneHighV(fit, lane)
      const isBuffered = plan.signal.fix === 'buffer'
      const reach = !isFirst
        ? reachMm.high
        : isBuffered
          ? reachMm.buffered
          : highV < 4
            ? reachMm.low
            : reachMm.high
      // A relay pixel half way renews the data.
      const stretchMm = leadMm / (extra + 1)
      if (isAtLeast(reach, stretchMm)) return []
      const { line } = entry.run
      const remedies: Remedy[] = []
      if (isFirst && !isBuffered && stretchMm <= reachMm.buffered)
        remedies.push({
          label: 'a buffer at the board, with a twisted ground',
          commands: [{ do: 'set-signal', signal: { fix: 'buffer' } }],
        })
      if (isFirst)
        remedies.push({
          label: 'put the board beside it',
          commands: [{ do: 'place-controller', at: start }],
        })
      const relays = Math.ceil(leadMm / reachMm.high) - 1 - extra
      if (relays > 0 && (!isFirst || highV > 4))
        remedies.push({
          label:
            relays === 1 ? 'a relay pixel half way' : `${String(relays)} relay pixels on the way`,
          commands: [
            {
              do: 'set-lines',
              lines: [line.id],
              set: { skip: [...(line.skip ?? []), { from: 0, count: relays, why: 'relay' }] },
            },
          ],
        })
      return [
        {
          id: `long-data.${entry.run.id}`,
          code: 'long-data',
          grade: 'warning',
          about: [entry.run.id],
          text: `${lane.name}, ${isFirst ? 'from the board' : 'between runs'} to ${entry.run.name}: ${formatQuantity(stretchMm / 1000, 'm', plan.units)} of data wire, about ${formatSold(reach / 1000, plan.units)} is what ${!isFirst ? 'a pixel' : isBuffered ? 'a buffer' : `${volts(highV)} logic`} drives`,
          why: whyLong,
          remedies,
        },
      ]
    }),
  )

/** Wires from piece to piece of a run, or from node to node, that are longer than a pixel drives data. */
export const longHops: Judge = ({ plan, lanes }) =>
  lanes.flatMap((lane) =>
    lane.runs.flatMap(({ entry }): Verdict[] => {
      const long = jumpersOf(entry)
        .map((jumper) => ({ ...jumper, wireMm: cutLengthMm(plan, jumperWayMm(jumper) ?? 0) }))
        .filter(({ wireMm }) => !isAtLeast(reachMm.high, wireMm))
        .toSorted((a, b) => b.wireMm - a.wireMm)
      const [worst] = long
      if (worst === undefined) return []
      const { from, to, wireMm } = worst
      return [
        {
          id: `long-data.${entry.run.id}.hops`,
          code: 'long-data',
          grade: 'warning',
          about: [entry.run.id],
          text: `${entry.run.name}, from ${from.name} to ${to.name}: ${formatQuantity(wireMm / 1000, 'm', plan.units)} of data wire, about ${formatSold(reachMm.high / 1000, plan.units)} is what a pixel drives${long.length > 1 ? `; ${plural(long.length, 'place')} in all` : ''}`,
          why: whyLong,
          remedies: [],
        },
      ]
    }),
  )

/** Data lines without the resistor that keeps ringing and mishaps from the first pixel. */
export const dataResistor: Judge = ({ plan, lanes }) =>
  lanes.length === 0 || plan.signal.resistorOhm !== null
    ? []
    : [
        {
          id: 'no-data-resistor',
          code: 'no-data-resistor',
          grade: 'warning',
          about: [],
          text: 'No resistor in the data lines; 220 to 470 Ω is usual',
          why: 'Without it the edge rings on the wire, and a slip of the probe takes the first pixel with it.',
          remedies: [
            {
              label: '330 Ω in each data line',
              commands: [{ do: 'set-signal', signal: { resistorOhm: 330 } }],
            },
          ],
        },
      ]

/** Runs whose data wire is soldered to the end that the arrow points to. */
export const againstArrow: Judge = ({ lanes }) =>
  lanes.flatMap(({ runs }) =>
    runs
      .filter(({ isAgainstArrow }) => isAgainstArrow)
      .map(({ entry: { run } }): Verdict => ({
        id: `against-arrow.${run.id}`,
        code: 'against-arrow',
        grade: 'stop',
        about: [run.id],
        text: `${run.name}: data enters where the arrow points to`,
        why: 'Pixels take data at one end only: this run and all behind it stay dark.',
        remedies: [
          {
            label: 'turn the strip round',
            commands: [
              {
                do: 'set-lines',
                lines: [run.id],
                set: {
                  isDataAtEnd: undefined,
                  isTurned: run.line.isTurned === true ? undefined : true,
                },
              },
            ],
          },
          {
            label: 'bring the wire to its other end',
            commands: [{ do: 'set-lines', lines: [run.id], set: { isDataAtEnd: undefined } }],
          },
        ],
      })),
  )

/** Diodes that carry less than the pixel behind them draws. */
export const diodeSmall: Judge = ({ plan, lanes }) => {
  if (plan.signal.fix !== 'diode') return []
  const diode = diodeOf(plan.signal.diode)
  return lanes.flatMap(({ id, name, runs }): Verdict[] => {
    const entry = runs[0]?.entry
    if (entry?.strip.light.kind !== 'pixels') return []
    const pixelA = entry.strip.light.channels.reduce((sum, { fullMa }) => sum + fullMa, 0) / 1000
    if (isAtLeast(diode.limitA, pixelA)) return []
    const larger = diodes.find(({ limitA }) => isAtLeast(limitA, pixelA))
    return [
      {
        id: `diode-small.${id}`,
        code: 'diode-small',
        grade: 'stop',
        about: [entry.run.id],
        text: `${name}: the first pixel draws ${formatQuantity(pixelA * 1000, 'mA')}, a ${diode.name} carries ${formatQuantity(diode.limitA * 1000, 'mA')}`,
        why: 'It burns out, and the first pixel goes dark with all behind it.',
        remedies:
          larger === undefined
            ? []
            : [
                {
                  label: `take a ${larger.name}`,
                  commands: [{ do: 'set-signal', signal: { diode: larger.id } }],
                },
              ],
      },
    ]
  })
}

/** Boards of which their user noted that they disturb the timing of pixels. */
export const boardQuirk: Judge = ({ fit, lanes }) =>
  fit?.board.quirk === undefined || lanes.length === 0
    ? []
    : [
        {
          id: `board-quirk.${fit.board.id}`,
          code: 'board-quirk',
          grade: 'warning',
          about: [],
          text: `${fit.board.name} disturbs pixel timing: ${fit.board.quirk}`,
          why: 'You noted this of the board; where pixels flicker at random, suspect it first.',
          remedies: [],
        },
      ]
