import type { AdjustedFigure, Plan } from '../plan/plan'
import { textIn, valueAt } from '../plan/lasting-path'
import { isSame } from '../quantity/same'
import type { Judge, Verdict } from './verdict'
import { plain } from '../quantity/format'

/** `figures-adjusted`: figures of an older file that no sum could work with and that nobody has looked at since. */
export const figuresAdjusted: Judge = ({ plan }) => {
  const open = plan.adjusted.filter(({ path, now }) => valueAt(plan, path) === now)
  const holders = open.map(({ path }) => path.slice(0, -1))
  return holders
    .filter((path, index) => holders.findIndex((other) => isSame(other, path)) === index)
    .map((holder): Verdict => {
      const figures = open.filter(({ path }) => isSame(path.slice(0, -1), holder))
      return {
        id: `figures-adjusted.${holder.join('.')}`,
        code: 'figures-adjusted',
        grade: 'warning',
        about: runsWith(plan, holder),
        text: `${nameOf(plan, holder)}: ${figures.map(figureText).join('; ')}`,
        why: 'The file had a figure that nothing can be worked out with, so the nearest one that will do stands in for it. Put in the true one, or say that this one is right.',
        remedies: [
          {
            label: figures.length === 1 ? 'This figure is right' : 'These figures are right',
            commands: [{ do: 'settle-figures', holder }],
          },
        ],
      }
    })
}

/** What the thing is called that a figure belongs to: `“Window strip”`, or where in the plan it stands. */
function nameOf(plan: Plan, holder: AdjustedFigure['path']): string {
  for (let end = holder.length; end > 0; end -= 1) {
    const value = valueAt(plan, holder.slice(0, end))
    const name = textIn(value, 'name') ?? textIn(value, 'text')
    if (name !== undefined && name !== '') return `“${name}”`
  }
  const place = String(holder[0] ?? '')
  return placeNames.get(place) ?? wordsOf(place)
}

/** Places of a plan whose things have no name, in words. */
const placeNames: ReadonlyMap<string, string> = new Map([
  ['offcuts', 'An offcut of strip'],
  ['rules', 'House rules'],
  ['use', 'How it is used'],
  ['buy', 'What is bought'],
  ['bench', 'The drawing'],
  ['shows', 'A show'],
])

/** `cut pitch was 0.000001 mm, is 1 mm`. */
function figureText({ path, was, now }: AdjustedFigure): string {
  const key = String(path.at(-1) ?? '')
  const unit = units.find(([suffix]) => key.length > suffix.length && key.endsWith(suffix))
  const name = wordsOf(unit === undefined ? key : key.slice(0, -unit[0].length))
  const shown = (value: number): string =>
    `${plain(Number(value.toPrecision(6)))} ${unit?.[1] ?? ''}`.trim()
  return `${name} was ${shown(was)}, is ${shown(now)}`
}

/** Units as names of figures end in them, the longer first. */
const units: readonly (readonly [suffix: string, unit: string])[] = [
  ['OhmPerM', 'Ω/m'],
  ['WPerM', 'W/m'],
  ['PerM', 'per metre'],
  ['Mah', 'mAh'],
  ['Mm2', 'mm²'],
  ['Mm', 'mm'],
  ['Ma', 'mA'],
  ['Ohm', 'Ω'],
  ['Kg', 'kg'],
  ['V', 'V'],
  ['A', 'A'],
  ['W', 'W'],
  ['M', 'm'],
]

/** `cutPitch` in words: `cut pitch`. */
const wordsOf = (key: string): string => key.replace(/(?=[A-Z])/g, ' ').toLowerCase()

/** Ids of the runs that a figure is used for. */
const runsWith = ({ lines, defaults }: Plan, [place, ...rest]: AdjustedFigure['path']): string[] =>
  lines
    .filter(({ id, stripId = defaults.stripId, lights }) =>
      place === 'lines'
        ? rest[0] === id
        : place === 'own' && (rest[1] === stripId || rest[1] === lights?.part),
    )
    .map(({ id }) => id)
