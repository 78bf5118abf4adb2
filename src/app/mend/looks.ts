import type { LightState, When } from '../../core/mend/fault'
import type { Painted, Seen } from '../../core/mend/seen'
import { symptoms } from '../../core/mend/symptoms'

/** How each look is told: a word, a sign that does not need its colour, and a colour. */
export const lookWords: Readonly<
  Record<LightState, { readonly text: string; readonly sign: string; readonly fill: string }>
> = {
  right: { text: 'right', sign: '●', fill: '#fff3d6' },
  dark: { text: 'dark', sign: '○', fill: '#4a4d5c' },
  dim: { text: 'dim', sign: '◐', fill: '#a08a5c' },
  tinted: { text: 'tinted', sign: '◍', fill: '#d98a72' },
  wrong: { text: 'wrong colour', sign: '✕', fill: '#8ec5ff' },
  flicker: { text: 'flickering', sign: '≈', fill: '#ffcb60' },
  frozen: { text: 'frozen', sign: '❚❚', fill: '#83d9a6' },
  follows: { text: 'follows', sign: '⇉', fill: '#c9a4ff' },
}

export const whenWords: Readonly<Record<When, string>> = {
  always: 'always',
  bright: 'only when bright',
  start: 'at the start',
  random: 'at random',
  warm: 'after a while',
}

export const percent = (share: number): string =>
  share >= 0.995 ? '99 %' : share < 0.005 ? 'below 1 %' : `${String(Math.round(100 * share))} %`

/** A look with when it is so, in words. */
export const stateText = ([, , state, when]: Painted): string =>
  when === undefined || when === 'always'
    ? lookWords[state].text
    : `${lookWords[state].text}, ${whenWords[when]}`

/** Which lights of a run a stretch is of, counted from 1. */
export const placeText = (
  { name, count }: { readonly name: string; readonly count: number },
  [from, length]: Painted,
): string => (length === count ? name : `${name} ${String(from + 1)}–${String(from + length)}`)

/** What is said of it in words, in quotation marks. */
export const saidWords = ({ words }: Pick<Seen, 'words'>): readonly string[] =>
  symptoms.filter(({ name }) => words.includes(name)).map(({ text }) => `“${text}”`)
