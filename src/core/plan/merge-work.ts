import { formatQuantity, plural } from '../quantity/format'
import { isSame } from '../quantity/same'
import type { Command } from './commands'
import type { LogEntry, Plan } from './plan'
import { inUseTask } from './usual'

/** Something that was done with a copy of a plan and is not so in the plan here. */
export interface WorkElsewhere {
  readonly id: string
  readonly group: (typeof workGroups)[number]
  readonly title: string
  /** What is noted here; `undefined` where nothing is. */
  readonly here: string | undefined
  readonly there: string
  /** Photos that come with it, by their ids. */
  readonly photos: readonly string[]
}

export const workGroups = [
  'steps',
  'joints',
  'bought',
  'prices',
  'wires',
  'mends',
  'notes',
  'upkeep',
] as const

/**
 * What was done with a copy of a plan on another device, by step, joint, line of the bill, wire and fault: what is only there, and what
 * differs. What is only here stays and is not listed.
 */
export function workElsewhere(here: Plan, there: Plan): WorkElsewhere[] {
  const list = <Entry>(
    group: WorkElsewhere['group'],
    { mine, theirs }: { readonly mine: readonly Entry[]; readonly theirs: readonly Entry[] },
    {
      key,
      title,
      text,
      photos = () => [],
    }: {
      readonly key: (entry: Entry) => string
      readonly title: (entry: Entry) => string
      readonly text: (entry: Entry) => string
      readonly photos?: (entry: Entry) => readonly string[]
    },
  ): WorkElsewhere[] => {
    const own = new Map(mine.map((entry) => [key(entry), entry]))
    return theirs.flatMap((entry) => {
      const known = own.get(key(entry))
      if (known !== undefined && isSame(known, entry)) return []
      return [
        {
          id: `${group}.${key(entry)}`,
          group,
          title: title(entry),
          here: known && text(known),
          there: text(entry),
          photos: photos(entry),
        },
      ]
    })
  }
  const ticked = there.wiring.ticks.filter((id) => !here.wiring.ticks.includes(id))
  return [
    ...list(
      'steps',
      { mine: here.build.log, theirs: there.build.log.filter(isNoted) },
      {
        key: ({ step }) => step,
        title: ({ title }) => title,
        text: entryText,
        photos: ({ photos }) => photos,
      },
    ),
    ...(ticked.length === 0
      ? []
      : [
          {
            id: 'joints.ticked',
            group: 'joints' as const,
            title: plural(ticked.length, 'joint'),
            here: undefined,
            there: 'done',
            photos: [],
          },
        ]),
    ...list(
      'bought',
      { mine: here.buy.bought, theirs: there.buy.bought },
      {
        key: ({ line }) => line,
        title: ({ line }) => line,
        text: ({ paid, from }) =>
          [
            'bought',
            ...(paid === undefined ? [] : [`for ${String(paid)}`]),
            ...(from === undefined ? [] : [`from ${from}`]),
          ].join(' '),
      },
    ),
    ...list(
      'prices',
      { mine: here.buy.prices, theirs: there.buy.prices },
      {
        key: ({ line }) => line,
        title: ({ line }) => line,
        text: ({ packs }) =>
          packs.map(({ size, price }) => `${String(size)} for ${String(price)}`).join(', '),
      },
    ),
    ...list(
      'wires',
      { mine: here.wiring.asBuilt ?? [], theirs: there.wiring.asBuilt ?? [] },
      {
        key: ({ from, to }) => `${from} ${to}`,
        title: ({ from, to }) => `${from} to ${to}`,
        text: ({ colour }) => `is ${colour}`,
      },
    ),
    ...list(
      'mends',
      { mine: here.mends, theirs: there.mends },
      {
        key: ({ id }) => id,
        title: ({ cause }) => cause,
        text: ({ mend, minutes }) => `${mend}, ${formatQuantity(minutes, 'min')}`,
      },
    ),
    ...list(
      'notes',
      { mine: here.notes, theirs: there.notes },
      {
        key: ({ id }) => id,
        title: () => 'a note',
        text: ({ text, photos }) =>
          [`“${text}”`, ...(photos.length > 0 ? [plural(photos.length, 'photo')] : [])].join(', '),
        photos: ({ photos }) => photos,
      },
    ),
    ...list(
      'upkeep',
      { mine: here.upkeep, theirs: there.upkeep },
      { key: ({ task, at }) => `${task} ${at}`, title: ({ task }) => task, text: ({ at }) => at },
    ),
  ]
}

/** Commands that take over what was chosen of {@link workElsewhere}, by the ids. */
export function takeOverWork(here: Plan, there: Plan, ids: ReadonlySet<string>): Command[] {
  /** Those here, with the chosen ones of there in their places or behind them. */
  const joined = <Entry>(
    group: WorkElsewhere['group'],
    mine: readonly Entry[],
    theirs: readonly Entry[],
    key: (entry: Entry) => string,
  ): Entry[] | undefined => {
    const taken = new Map(
      theirs
        .filter((entry) => ids.has(`${group}.${key(entry)}`))
        .map((entry) => [key(entry), entry]),
    )
    if (taken.size === 0) return undefined
    const known = new Set(mine.map(key))
    return [
      ...mine.map((entry) => taken.get(key(entry)) ?? entry),
      ...[...taken].filter(([id]) => !known.has(id)).map(([, entry]) => entry),
    ]
  }
  const bought = joined('bought', here.buy.bought, there.buy.bought, ({ line }) => line)
  const prices = joined('prices', here.buy.prices, there.buy.prices, ({ line }) => line)
  const asBuilt = joined(
    'wires',
    here.wiring.asBuilt ?? [],
    there.wiring.asBuilt ?? [],
    ({ from, to }) => `${from} ${to}`,
  )
  return [
    ...there.build.log
      .filter(({ step }) => ids.has(`steps.${step}`))
      // Joints are ticked by themselves.
      .map((entry) => ({ do: 'log-step', entry, joints: [] }) as const),
    ...(ids.has('joints.ticked')
      ? there.wiring.ticks
          .filter((id) => !here.wiring.ticks.includes(id))
          .map((joint) => ({ do: 'tick', joint, isDone: true }) as const)
      : []),
    ...(bought === undefined ? [] : [{ do: 'set-buy', buy: { bought } } as const]),
    ...(prices === undefined ? [] : [{ do: 'set-buy', buy: { prices } } as const]),
    ...(asBuilt === undefined ? [] : [{ do: 'set-wiring', wiring: { asBuilt } } as const]),
    ...there.mends
      .filter(({ id }) => ids.has(`mends.${id}`))
      .map((mend) => ({ do: 'put-mend', mend }) as const),
    ...there.notes
      .filter(({ id }) => ids.has(`notes.${id}`))
      .map((note) => ({ do: 'put-note', note }) as const),
    ...there.upkeep
      .filter(({ task, at }) => ids.has(`upkeep.${task} ${at}`))
      .map(({ task, at }) =>
        task === inUseTask
          ? ({ do: 'set-in-use', at } as const)
          : ({ do: 'note-upkeep', task, at } as const),
      ),
  ]
}

/** Whether anything happened at a step. */
const isNoted = ({ state, minutes, note, trouble, readings, photos }: LogEntry): boolean =>
  state !== 'open' ||
  minutes > 0 ||
  note !== undefined ||
  [trouble, readings, photos].some((list) => list.length > 0)

function entryText({ state, minutes, note, trouble, readings, photos }: LogEntry): string {
  return [
    state,
    ...(minutes > 0 ? [formatQuantity(minutes, 'min')] : []),
    ...(readings.length > 0 ? [plural(readings.length, 'reading')] : []),
    ...(photos.length > 0 ? [plural(photos.length, 'photo')] : []),
    ...(trouble.length > 0 ? [plural(trouble.length, 'thing') + ' went wrong'] : []),
    ...(note === undefined ? [] : [`“${note}”`]),
  ].join(', ')
}
