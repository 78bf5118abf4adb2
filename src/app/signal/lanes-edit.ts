import type { PlanLane, Skip } from '../../core/plan/plan'
import type { TallyLane } from '../../core/signal/tally-signal'

/**
 * The lanes as the plan has them: its own, which follow each edit at once, and with them the runs that only the tally has put on a lane.
 */
export function asPlanned(laid: readonly TallyLane[], own: readonly PlanLane[] = []): PlanLane[] {
  const placed = new Set(own.flatMap(({ lines }) => lines))
  const lanes = new Map(own.map((lane) => [lane.id, { ...lane, lines: [...lane.lines] }]))
  for (const { id, name, runs } of laid) {
    const left = runs.map((run) => run.id).filter((run) => !placed.has(run))
    const lane = lanes.get(id)
    if (lane !== undefined) lane.lines.push(...left)
    else if (left.length > 0) lanes.set(id, { id, name, lines: left })
  }
  return [...lanes.values()]
}

/** A run taken to a place on a lane. */
export function moveRun(
  lanes: readonly PlanLane[],
  run: string,
  to: string,
  at: number,
): PlanLane[] {
  return lanes.map((lane) => {
    const lines = lane.lines.filter((id) => id !== run)
    if (lane.id === to) lines.splice(at, 0, run)
    return { ...lane, lines }
  })
}

/** A run one place up or down; from the end of a lane it goes on to the next. */
export function stepRun(lanes: readonly PlanLane[], run: string, by: 1 | -1): PlanLane[] {
  const laneAt = lanes.findIndex(({ lines }) => lines.includes(run))
  const lane = lanes[laneAt]
  if (lane === undefined) return [...lanes]
  const at = lane.lines.indexOf(run) + by
  if (at >= 0 && at < lane.lines.length) return moveRun(lanes, run, lane.id, at)
  const next = lanes[laneAt + by]
  return next === undefined
    ? [...lanes]
    : moveRun(lanes, run, next.id, by > 0 ? 0 : next.lines.length)
}

/** One more lane, to which the last run of the longest goes: an empty one would say nothing. */
export function withLane(lanes: readonly PlanLane[], id: string): PlanLane[] {
  const longest = lanes.toSorted((a, b) => b.lines.length - a.lines.length)[0]
  const run = longest?.lines.at(-1)
  const names = new Set(lanes.map(({ name }) => name))
  let number = lanes.length + 1
  while (names.has(`Lane ${String(number)}`)) number += 1
  const added = [...lanes, { id, name: `Lane ${String(number)}`, lines: [] }]
  return run === undefined || (longest?.lines.length ?? 0) < 2 ? added : moveRun(added, run, id, 0)
}

/** A lane less; its runs follow those of the one before it. */
export function withoutLane(lanes: readonly PlanLane[], id: string): PlanLane[] {
  const at = lanes.findIndex((lane) => lane.id === id)
  const gone = lanes[at]
  const heir = lanes[at === 0 ? 1 : at - 1]
  if (gone === undefined || heir === undefined) return [...lanes]
  return lanes
    .filter((lane) => lane !== gone)
    .map((lane) => (lane === heir ? { ...lane, lines: [...lane.lines, ...gone.lines] } : lane))
}

/** So many extra pixels of a kind before a run, in place of those there were. */
export function withExtra(
  skips: readonly Skip[],
  why: Exclude<Skip['why'], 'dark'>,
  count: number,
): Skip[] | undefined {
  const others = skips.filter((skip) => skip.why !== why)
  const all = count > 0 ? [...others, { from: 0, count, why }] : others
  return all.length === 0 ? undefined : all
}
