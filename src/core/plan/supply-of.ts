import { feedsOf } from './feeds'
import type { Feed, Junction, Line, Plan } from './plan'

type Sources = Pick<Plan, 'supplies' | 'junctions'>

const firstSupply = ({ supplies }: Pick<Plan, 'supplies'>): string => supplies[0]?.id ?? ''

/** Where a junction's lead comes from: a supply or another junction. */
export const junctionFrom = (
  plan: Pick<Plan, 'supplies'>,
  { from }: Pick<Junction, 'from'>,
): string => from ?? firstSupply(plan)

/** Where a feed's lead comes from: what the feed names, else the supply of its line, else the plan's first supply. */
export const feedFrom = (
  plan: Pick<Plan, 'supplies'>,
  line: Pick<Line, 'supplyId'>,
  { from }: Pick<Feed, 'from'>,
): string => from ?? line.supplyId ?? firstSupply(plan)

/** A place of the feed and what it hangs on, one after another, as far as its junctions lead; each once. */
function wayBack(plan: Sources, from: string): string[] {
  const way: string[] = []
  for (let place: string | undefined = from; place !== undefined && !way.includes(place);) {
    way.push(place)
    const junction: Junction | undefined = plan.junctions.find(({ id }) => id === place)
    place = junction && junctionFrom(plan, junction)
  }
  return way
}

/**
 * The supply that a place of the feed really hangs on: the place itself, or what its junctions lead back to. `undefined` where there is
 * none: an unknown id, or junctions that hang on each other in a circle.
 */
export const supplyBehind = (plan: Sources, from: string): string | undefined =>
  wayBack(plan, from).find((place) => plan.supplies.some(({ id }) => id === place))

/** The supplies that a line's leads hang on, each once, in the order of its feeds. */
export const suppliesOfLine = (
  plan: Sources,
  line: Pick<Line, 'supplyId' | 'feeds'>,
): readonly string[] => [
  ...new Set(feedsOf(line).flatMap((feed) => supplyBehind(plan, feedFrom(plan, line, feed)) ?? [])),
]

/** The supply that a line's first lead hangs on; without a line the plan's first. */
export const supplyOfLine = (
  plan: Sources,
  line: Pick<Line, 'supplyId' | 'feeds'> | undefined,
): string =>
  line === undefined ? firstSupply(plan) : (suppliesOfLine(plan, line)[0] ?? firstSupply(plan))

/** Junctions that a junction may hang on: those that do not hang on it themselves. */
export const junctionsBefore = (plan: Sources, id: string): readonly Junction[] =>
  plan.junctions.filter((candidate) => !wayBack(plan, candidate.id).includes(id))
