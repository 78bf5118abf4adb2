import type { Line, Plan } from '../plan/plan'
import { squareWay, type Point } from './geometry'

/** A wire is never planned shorter, however near its ends are, mm. */
const shortestMm = 60

/** The way of a wire along the drawing, at right angles, mm. */
export const wireWayMm = (from: Point, to: Point): number =>
  Math.max(shortestMm, squareWay(from, to))

/**
 * How long a wire is cut for its way, mm: longer by the plan's share, by what both ends take to strip and solder, and by what the holes at its
 * ends ask for.
 */
export const cutLengthMm = (
  { rules: { slack, slackEndMm } }: Pick<Plan, 'rules'>,
  wayMm: number,
  spareMm = 0,
): number => wayMm * (1 + slack) + 2 * slackEndMm + spareMm

/** Extra wire at an end of a run, mm: to be threaded through its hole, and to reach while the lid is open. */
export const spareMmAt = ({ into }: Pick<Line, 'into'>, at: 'start' | 'end'): number =>
  into?.holes.some((hole) => hole.at === at) === true ? (into.spareMm ?? 0) : 0
