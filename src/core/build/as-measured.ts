import { loadsPerGroup } from '../load/group-draw'
import type { Strip } from '../plan/parts'
import type { LogEntry } from '../plan/plan'
import { listed } from '../quantity/listed'
import type { ConnectedGiven } from './connected'
import { meterAt } from './meter-at'
import { judged, type Expected, type Reading } from './readings'
import type { Step } from './step'

/** A figure of a strip as it was measured. */
export interface MeasuredValue {
  /** `idle`, a channel's name, or `rail`. */
  readonly what: string
  readonly unit: 'mA' | 'Ω/m'
  readonly typical: number
  readonly value: number
  /** By how much it may be off: one standard deviation; `null` where a single reading cannot tell. */
  readonly error: number | null
  /** Readings that tell of it. */
  readonly count: number
}

/** A strip with what its readings say. */
export interface MeasuredStrip {
  readonly strip: Strip
  readonly values: readonly MeasuredValue[]
  readonly readings: number
}

/** One equation: what is read is the sum of the shares, each times how far the strip differs from its typical figures. */
interface Row {
  /** Amperes by what draws them, at the typical figures. */
  readonly shares: ReadonlyMap<string, number>
  /** Amperes that were read, without those of other things. */
  readonly read: number
}

/** Below this a meter's own error is all that is read, A. */
const leastA = 0.02

/**
 * Fits readings to the mA of a strip's channels, its idle mA and its rail (handbook 11, as measured): least squares of relative errors, over
 * the steps at which one kind of strip alone was connected. Readings outside their tolerance are faults to be found, and left out.
 */
export function asMeasured(
  given: ConnectedGiven,
  steps: readonly Step[],
): readonly MeasuredStrip[] {
  const stepOf = new Map(steps.map((step) => [step.id, step]))
  const rows = new Map<Strip, Row[]>()
  const rails = new Map<Strip, number[]>()
  for (const entry of given.plan.build.log) {
    const step = stepOf.get(entry.step)
    if (step === undefined || entry.readings.length === 0) continue
    const expected = meterAt(given, steps, step)
    const strip = onlyStrip(given, expected)
    if (strip === undefined) continue
    listed(rows, strip).push(...rowsOf(given, strip, entry, expected))
    const rail = railOf(entry, expected)
    if (rail !== undefined) listed(rails, strip).push(rail)
  }
  return [...rows].flatMap(([strip, own]): MeasuredStrip[] => {
    const values = [...drawn(strip, own), ...railed(strip, rails.get(strip) ?? [])]
    return values.length === 0 ? [] : [{ strip, values, readings: own.length }]
  })
}

/** The strip of all that is connected, where it is one, and one supply feeds it. */
function onlyStrip(
  { cutRuns }: ConnectedGiven,
  { connected, readings }: Expected,
): Strip | undefined {
  const strips = new Set(
    cutRuns.filter(({ run }) => connected.has(run.id)).map(({ strip }) => strip),
  )
  const supplies = new Set(
    readings.flatMap(({ what, where }) => (what === 'current' ? [where] : [])),
  )
  const [strip] = strips
  return strips.size === 1 && supplies.size === 1 && strip?.light.kind === 'pixels'
    ? strip
    : undefined
}

const sameAs =
  (a: Pick<Reading, 'what' | 'where'> & { case: string }) =>
  (b: typeof a): boolean =>
    a.what === b.what && a.where === b.where && a.case === b.case

function rowsOf(
  { cutRuns }: ConnectedGiven,
  { light }: Strip,
  { readings }: LogEntry,
  expected: Expected,
): Row[] {
  if (light.kind !== 'pixels') return []
  const idle = expected.readings.find((one) => one.what === 'current' && one.case === 'idle')
  if (idle === undefined) return []
  let groups = 0
  for (const { run, strip } of cutRuns)
    for (const [, count] of expected.connected.get(run.id) ?? [])
      groups += count * loadsPerGroup(strip)
  const idleA = (groups * light.idleMa) / 1000
  const other = idle.value - idleA
  const full = light.channels.reduce((sum, { fullMa }) => sum + fullMa, 0)
  return readings.flatMap((logged): Row[] => {
    const own = expected.readings.find(sameAs(logged))
    if (own?.what !== 'current' || judged(own, logged.value) !== 'right') return []
    const lit = own.value - idle.value
    const shares = new Map([['idle', idleA]])
    if (own.case !== 'idle')
      for (const { name, fullMa } of light.channels) {
        const share =
          own.case === 'full-white' || own.case === 'level'
            ? fullMa / full
            : Number(own.case === name)
        if (share > 0) shares.set(name, lit * share)
      }
    return [{ shares, read: logged.value - other }]
  })
}

/** How far the rail's resistance differs, by the volts lost along what was lit. */
function railOf({ readings }: LogEntry, expected: Expected): number | undefined {
  const own = expected.readings.filter(({ what }) => what === 'volts')
  const [first, last] = [own[0], own.at(-1)]
  if (first === undefined || last === undefined || first === last) return undefined
  const [from, to] = [readings.find(sameAs(first)), readings.find(sameAs(last))]
  if (from === undefined || to === undefined) return undefined
  if (judged(first, from.value) !== 'right') return undefined
  const expectedV = first.value - last.value
  const current = expected.readings.find((one) => one.what === 'current' && one.case === first.case)
  const read = current && readings.find(sameAs(current))?.value
  // More current drops more volts on the same copper.
  const more = current === undefined || read === undefined ? 1 : read / current.value
  const ratio = (from.value - to.value) / (expectedV * more)
  return expectedV > 0.05 && ratio > 0.2 && ratio < 5 ? ratio : undefined
}

function drawn(strip: Strip, rows: readonly Row[]): MeasuredValue[] {
  const { light } = strip
  if (light.kind !== 'pixels') return []
  // A figure without a share that a meter can tell is left as it is.
  const names = ['idle', ...light.channels.map(({ name }) => name)].filter((name) =>
    rows.some(({ shares }) => (shares.get(name) ?? 0) > leastA),
  )
  const fit = leastSquares(
    rows.map(({ shares, read }) => {
      const weight = 1 / Math.max(leastA, read)
      // What is not fitted is taken as typical.
      const rest = [...shares].reduce(
        (sum, [name, share]) => (names.includes(name) ? sum : sum + share),
        0,
      )
      return {
        values: names.map((name) => (shares.get(name) ?? 0) * weight),
        right: (read - rest) * weight,
      }
    }),
    names.length,
  )
  if (fit === undefined) return []
  return names.flatMap((name, index): MeasuredValue[] => {
    const typical =
      name === 'idle'
        ? light.idleMa
        : (light.channels.find((channel) => channel.name === name)?.fullMa ?? 0)
    const ratio = fit.solution[index] ?? 1
    const error = fit.errors[index]
    return [
      {
        what: name,
        unit: 'mA',
        typical,
        value: typical * ratio,
        error: error === undefined || error === null ? null : typical * error,
        count: rows.filter(({ shares }) => (shares.get(name) ?? 0) > 0).length,
      },
    ]
  })
}

function railed({ railOhmPerM }: Strip, ratios: readonly number[]): MeasuredValue[] {
  if (ratios.length === 0) return []
  const mean = ratios.reduce((sum, one) => sum + one, 0) / ratios.length
  const spread = ratios.reduce((sum, one) => sum + (one - mean) ** 2, 0)
  return [
    {
      what: 'rail',
      unit: 'Ω/m',
      typical: railOhmPerM,
      value: railOhmPerM * mean,
      error:
        ratios.length < 2
          ? null
          : railOhmPerM * Math.sqrt(spread / (ratios.length - 1) / ratios.length),
      count: ratios.length,
    },
  ]
}

interface Equation {
  readonly values: readonly number[]
  readonly right: number
}

/**
 * Solves more equations than there are unknowns as well as can be, by the normal equations.
 *
 * @returns the solution and its standard deviations (`null` without a reading to spare), or `undefined` where the equations leave it open
 */
function leastSquares(
  equations: readonly Equation[],
  size: number,
): { readonly solution: number[]; readonly errors: (number | null)[] } | undefined {
  if (size === 0 || equations.length < size) return undefined
  const matrix = Array.from({ length: size }, (_, row) =>
    Array.from({ length: 2 * size + 1 }, (_unused, column) => {
      if (column < size)
        return equations.reduce(
          (sum, { values }) => sum + (values[row] ?? 0) * (values[column] ?? 0),
          0,
        )
      if (column === size)
        return equations.reduce((sum, { values, right }) => sum + (values[row] ?? 0) * right, 0)
      return column - size - 1 === row ? 1 : 0
    }),
  )
  const scale = Math.max(...matrix.map((row, index) => row[index] ?? 0))
  for (let at = 0; at < size; at += 1) {
    const pivotRow = matrix
      .slice(at)
      .reduce((best, row) => (Math.abs(row[at] ?? 0) > Math.abs(best[at] ?? 0) ? row : best))
    const pivot = pivotRow[at] ?? 0
    if (Math.abs(pivot) < 1e-9 * scale) return undefined
    const from = matrix.indexOf(pivotRow)
    const above = matrix[at] ?? pivotRow
    matrix[from] = above
    matrix[at] = pivotRow.map((value) => value / pivot)
    const own = matrix[at] ?? []
    for (const [index, row] of matrix.entries()) {
      const factor = row[at] ?? 0
      if (index !== at && factor !== 0)
        matrix[index] = row.map((value, column) => value - factor * (own[column] ?? 0))
    }
  }
  const solution = matrix.map((row) => row[size] ?? 0)
  const left = equations.reduce(
    (sum, { values, right }) =>
      sum +
      (right - values.reduce((own, value, index) => own + value * (solution[index] ?? 0), 0)) ** 2,
    0,
  )
  const spare = equations.length - size
  return {
    solution,
    errors: matrix.map((row, index) =>
      spare === 0 ? null : Math.sqrt(Math.max(0, ((row[size + 1 + index] ?? 0) * left) / spare)),
    ),
  }
}

/** The strip with what was measured in place of its typical figures. */
export function measuredStrip({ strip, values }: MeasuredStrip, id: string): Strip {
  const of = (what: string): number | undefined => {
    const value = values.find((one) => one.what === what)?.value
    return value === undefined ? undefined : Number(value.toPrecision(4))
  }
  const { light } = strip
  return {
    ...strip,
    id,
    name: strip.isMeasured === true ? strip.name : `${strip.name}, as measured`,
    isMeasured: true,
    railOhmPerM: of('rail') ?? strip.railOhmPerM,
    ...(light.kind === 'pixels' && {
      light: {
        ...light,
        idleMa: of('idle') ?? light.idleMa,
        channels: light.channels.map((channel) => ({
          ...channel,
          fullMa: of(channel.name) ?? channel.fullMa,
        })),
      },
    }),
  }
}
