import { dimsOf } from '../feed/supplies'
import { mixText } from '../plan/mix-text'
import type { BatteryUse } from '../feed/batteries'
import { builtAt } from '../build/progress'
import type { ChemistryName } from '../parts/chemistries'
import type { Plan } from '../plan/plan'
import { fewNames } from '../quantity/few-names'
import { inUseTask } from '../plan/usual'
import { plural, significant } from '../quantity/format'
import type { MendGiven } from './fault'

/** Something that a finished build asks for from time to time. */
export interface UpkeepTask {
  /** Stable while the plan changes: what is done, and to what. */
  readonly id: string
  readonly kind: 'screws' | 'battery' | 'dust' | 'seals'
  readonly title: string
  readonly how: string
  /** Ids of the runs and supplies concerned. */
  readonly about: readonly string[]
  /** Days after the build, or after it was done last. */
  readonly everyDays: number
  readonly isOnce: boolean
  /** Seldom enough to be noted with its day: what is done every few days is a habit. */
  readonly isDated: boolean
  /** When it was done last, as an ISO date and time. */
  readonly doneAt?: string
  /** … and when it is due; missing before the build is done, and where it is not due again. */
  readonly dueAt?: string
}

export type UpkeepGiven = Pick<MendGiven, 'plan' | 'cutRuns' | 'joints' | 'supplies'> & {
  readonly batteries: ReadonlyMap<string, BatteryUse>
}

const dayMs = 24 * 3_600_000

/** What is due more often has no dates. */
const leastDatedDays = 7

/** *Typical* days (handbook 13): screws give after a week, dust gathers, seals age over a year. */
const typicalDays = { screws: 7, dust: 180, seals: 365 } as const

/**
 * What a finished build asks for later, each with its dates from the log (handbook 13, upkeep): screws that are tightened again once,
 * batteries by their hours and the hours of use a day, dust on covers and profiles, seals outdoors. The soonest due comes first.
 */
export function upkeepOf({
  plan,
  cutRuns,
  joints,
  supplies,
  batteries,
}: UpkeepGiven): UpkeepTask[] {
  const runs = cutRuns.map(({ run }) => run)
  const dusty = runs.filter(
    ({ line: { mount } }) =>
      mount?.profile !== undefined || (mount?.cover !== undefined && mount.cover !== 'none'),
  )
  const outdoors = runs.filter(({ line }) => line.mount?.damp === 'outdoors')
  const screws = joints.filter(({ kind }) => kind === 'screw')
  const names = (of: readonly { readonly name: string }[]): string =>
    fewNames(of.map(({ name }) => name))
  const ids = (of: readonly { readonly id: string }[]): string[] => of.map(({ id }) => id)
  const tasks: Omit<UpkeepTask, 'doneAt' | 'dueAt' | 'isDated'>[] = [
    ...(screws.length === 0
      ? []
      : [
          {
            id: 'screws',
            kind: 'screws' as const,
            title: `Tighten ${plural(screws.length, 'screw')} again`,
            how: 'Copper gives under a screw. Switch off, pull at each wire, tighten what moves.',
            about: [...new Set(screws.flatMap(({ about }) => about))],
            everyDays: typicalDays.screws,
            isOnce: true,
          },
        ]),
    ...supplies.flatMap((supply) => {
      const { slot, part } = supply
      const use = batteries.get(slot.id)
      const days = use && daysOn(use, plan)
      if (part === undefined || use === undefined || days === undefined) return []
      const isCharged = !usedOnce.has(part.battery?.chemistry ?? '')
      return [
        {
          id: `battery.${slot.id}`,
          kind: 'battery' as const,
          title: `${isCharged ? 'Charge' : 'Put new cells into'} ${slot.name}`,
          how: `It lasts ${significant(use.hours ?? 0)} h, ${mixText(plan, dimsOf(supply))}; it is on for ${significant(plan.use.hoursADay)} h a day.`,
          about: [slot.id],
          everyDays: days,
          isOnce: false,
        },
      ]
    }),
    ...(dusty.length === 0
      ? []
      : [
          {
            id: 'dust',
            kind: 'dust' as const,
            title: `Wipe dust off covers and profiles: ${names(dusty)}`,
            how: 'Dust holds heat and swallows light. Switch off; a dry or barely damp cloth, no solvent on covers.',
            about: ids(dusty),
            everyDays: typicalDays.dust,
            isOnce: false,
          },
        ]),
    ...(outdoors.length === 0
      ? []
      : [
          {
            id: 'seals',
            kind: 'seals' as const,
            title: `Look at seals and glands outdoors: ${names(outdoors)}`,
            how: 'Sun and frost make sleeves, end caps and glands brittle. Switch off, look for cracks and water, seal anew what lets it in.',
            about: ids(outdoors),
            everyDays: typicalDays.seals,
            isOnce: false,
          },
        ]),
  ]
  const built = startOf(plan)
  return tasks
    .map((task) => ({ ...task, isDated: task.everyDays >= leastDatedDays }))
    .map((task) => ({ ...task, ...(task.isDated && datesOf(task, plan, built)) }))
    .toSorted((a, b) => timeOf(a.dueAt) - timeOf(b.dueAt))
}

/** Cells that are thrown away when they are empty. */
const usedOnce: ReadonlySet<string> = new Set<ChemistryName>(['alkaline-aa', 'alkaline-9v'])

/** Days from one charge to the next; `undefined` where it is never used, or draws nothing. */
const daysOn = ({ hours }: BatteryUse, { use }: Plan): number | undefined =>
  hours === null || use.hoursADay === 0 ? undefined : Math.max(1, Math.floor(hours / use.hoursADay))

/** When a task was done last, and when it is due. */
function datesOf(
  { id, everyDays, isOnce }: Pick<UpkeepTask, 'id' | 'everyDays' | 'isOnce'>,
  { upkeep }: Plan,
  built: string | undefined,
): Pick<UpkeepTask, 'doneAt' | 'dueAt'> {
  const doneAt = lastOf(upkeep, id)
  const from = timeOf(doneAt ?? built)
  return {
    ...(doneAt !== undefined && { doneAt }),
    ...(Number.isFinite(from) &&
      !(isOnce && doneAt !== undefined) && {
        dueAt: new Date(Math.min(from + everyDays * dayMs, latestMs)).toISOString(),
      }),
  }
}

/** When a task was done last. */
const lastOf = (upkeep: Plan['upkeep'], id: string): string | undefined =>
  upkeep.reduce<string | undefined>(
    (last, { task, at }) => (task === id && timeOf(at) > timeOf(last, -Infinity) ? at : last),
    undefined,
  )

/** Since when it is in use, as an ISO date and time: as somebody said, or since the last step of its build. */
export const startOf = (plan: Pick<Plan, 'build' | 'upkeep'>): string | undefined =>
  lastOf(plan.upkeep, inUseTask) ?? builtAt(plan)

/** The last moment that a date can tell, ms. */
const latestMs = 8.64e15

/** Milliseconds of a date; `otherwise` where there is none, or where it is none. */
const timeOf = (at: string | undefined, otherwise = Infinity): number => {
  const time = Date.parse(at ?? '')
  return Number.isNaN(time) ? otherwise : time
}
