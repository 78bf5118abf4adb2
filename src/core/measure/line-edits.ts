import type { Command } from '../plan/commands'
import type { Line, Place, Plan } from '../plan/plan'
import type { Half } from './several'

/** What a line has that another like it can have too: all but its words, its place and what was done on its own pads. */
function likeOf({
  stripId,
  supplyId,
  mount,
  endMm,
  level,
  dimmer,
  lights,
  node,
  sheet,
  into,
}: Line): Omit<Line, 'id' | 'text'> {
  const all = { stripId, supplyId, mount, endMm, level, dimmer, lights, node, sheet, into }
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined))
}

/** The light and the mount of a line, as the next one on the pad takes them over. */
export const takenOver = ({ stripId, mount, lights }: Line): Omit<Line, 'id' | 'text'> => ({
  ...(stripId !== undefined && { stripId }),
  ...(mount !== undefined && { mount }),
  ...(lights !== undefined && { lights }),
})

/** What was set on pads and parts of a whole that is no more. */
const ofTheWhole = {
  feeds: undefined,
  cutting: undefined,
  skip: undefined,
  spots: undefined,
} as const

/**
 * The edit that makes several runs of a line: it becomes the first of them, the others follow it with the same light and mount.
 *
 * @param newId gives an id that no line has
 * @throws RangeError where the plan has no such line, or there is no text
 */
export function separateCommands(
  plan: Pick<Plan, 'lines'>,
  lineId: string,
  texts: readonly string[],
  newId: () => string,
): readonly Command[] {
  const at = plan.lines.findIndex(({ id }) => id === lineId)
  const line = plan.lines[at]
  const [first, ...others] = texts
  if (line === undefined || first === undefined) throw new RangeError(`no line ${lineId}`)
  return [
    { do: 'set-text', line: lineId, text: first },
    { do: 'set-lines', lines: [lineId], set: ofTheWhole },
    {
      do: 'add-lines',
      at: at + 1,
      lines: others.map((text) => ({ ...likeOf(line), id: newId(), text })),
    },
  ]
}

/**
 * The edit that divides a run in two, each on a lane of its own where it has data.
 *
 * @param lanes as they are now, whether the plan says so or not
 * @throws RangeError where the plan has no such line
 */
export function divideCommands(
  plan: Pick<Plan, 'lines'>,
  lineId: string,
  halves: readonly [Half, Half],
  lanes: Plan['signal']['lanes'],
  newId: () => string,
): readonly Command[] {
  const [first, second] = halves
  const secondId = newId()
  const places = new Map<string, Place>([
    [lineId, first.place],
    [secondId, second.place],
  ])
  const own = lanes.find(({ lines }) => lines.includes(lineId))
  // What came behind the whole comes behind its second half.
  const at = own?.lines.indexOf(lineId) ?? 0
  const split = lanes.flatMap((lane) =>
    lane !== own
      ? [lane]
      : [
          { ...lane, lines: lane.lines.slice(0, at + 1) },
          {
            id: newId(),
            name: `${lane.name.slice(0, 36)} b`,
            lines: [secondId, ...lane.lines.slice(at + 1)],
          },
        ],
  )
  return [
    ...separateCommands(plan, lineId, [first.text, second.text], () => secondId),
    { do: 'place-lines', places },
    ...(own === undefined ? [] : [{ do: 'set-signal', signal: { lanes: split } } as const]),
  ]
}
