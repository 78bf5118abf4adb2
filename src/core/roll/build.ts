import { progressOf } from '../build/progress'
import type { Step } from '../build/step'
import type { BuildSchool, StepKind } from '../plan/build-choices'
import type { Figure } from '../quantity/figure'
import { plural } from '../quantity/format'
import type { JudgedPlan } from '../verdict/judged-plan'
import { sumOf } from './total'

/** Kinds of steps as their minutes are told together. */
const works: readonly (readonly [label: string, kinds: readonly StepKind[]])[] = [
  ['measuring and fitting', ['measure', 'dry-fit']],
  ['cutting and sawing', ['cut']],
  ['tinning', ['tin']],
  ['threading', ['thread']],
  ['joints', ['joint']],
  ['meter checks and tests', ['check', 'test', 'power', 'soak']],
  ['mounting and closing', ['clean', 'mount', 'relief', 'insulate', 'cover']],
  ['labels and the rest', ['label', 'book']],
]

export const schoolNames: Readonly<Record<BuildSchool, string>> = {
  one: 'one after another',
  batch: 'in batches',
}

const minutesOf = (steps: readonly Step[]): number =>
  steps.reduce((sum, { minutes }) => sum + minutes, 0)

/** How long building takes by the plan's own order and by the other, and what of it is done. */
export function buildFigures({ plan, schedule }: Pick<JudgedPlan, 'plan' | 'schedule'>): Figure[] {
  if (schedule.steps.length === 0) return []
  const figures = works.flatMap(([label, kinds]): Figure[] => {
    const own = schedule.steps.filter(({ kind }) => kinds.includes(kind))
    return own.length === 0
      ? []
      : [
          {
            id: `build.${kinds[0] ?? ''}`,
            label,
            value: minutesOf(own),
            unit: 'min',
            operation: plural(own.length, 'step'),
            operands: [],
            about: [],
          },
        ]
  })
  const changes: Figure = {
    id: 'build.tools',
    label: 'changes of tool',
    value: schedule.minutes - minutesOf(schedule.steps),
    unit: 'min',
    operation: '',
    rule: 'an iron heats for two minutes, a bench supply is set for one',
    operands: [],
    about: [],
  }
  const { other } = schedule
  const { done, spentMin, leftMin } = progressOf(plan, schedule.steps, Infinity)
  return [
    ...figures,
    changes,
    {
      ...sumOf('build.total', `hands on, ${schoolNames[plan.build.school]}`, 'min', [
        ...figures,
        changes,
      ]),
      rule: 'typical minutes, and your own where you took them over',
    },
    {
      id: 'build.elapsed',
      label: 'from first to last',
      value: schedule.elapsedMin,
      unit: 'min',
      operation: '',
      rule: 'something else is done while glue cures',
      operands: [],
      about: [],
    },
    {
      id: 'build.other',
      label: schoolNames[other.school],
      value: other.minutes,
      unit: 'min',
      operation: '',
      rule: 'the same steps, other changes of tool',
      operands: [],
      about: [],
    },
    ...(done.size === 0
      ? []
      : [
          {
            id: 'build.spent',
            label: 'spent so far',
            value: spentMin,
            unit: 'min',
            operation: `${String(done.size)} of ${plural(schedule.steps.length, 'step')} done`,
            operands: [],
            about: [],
          } satisfies Figure,
          {
            id: 'build.left',
            label: 'left',
            value: leftMin,
            unit: 'min',
            operation: plural(schedule.steps.length - done.size, 'step'),
            operands: [],
            about: [],
          } satisfies Figure,
        ]),
  ]
}
