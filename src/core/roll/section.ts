import type { Figure } from '../quantity/figure'
import { listed } from '../quantity/listed'
import type { JudgedVerdict } from '../verdict/verdict'

/** What sections of the roll are about, in the order of the work. */
export const sectionKinds = [
  'length',
  'lights',
  'place',
  'leads',
  'plugs',
  'home',
  'nodes',
  'current',
  'draw',
  'reels',
  'supply',
  'volts',
  'drops',
  'warmth',
  'use',
  'level',
  'frames',
  'board',
  'wires',
  'joints',
  'bill',
  'build',
] as const
export type SectionKind = (typeof sectionKinds)[number]

interface Section {
  readonly id: string
  /** What it is about; sections of one kind stand for several volts or supplies. */
  readonly kind: SectionKind
  readonly title: string
  /** In the order of the work. */
  readonly figures: readonly Figure[]
}

/** A part of the roll before anything is judged, and which verdicts are printed in it: all of its kind, those about one supply, or none. */
export interface FigureSection extends Section {
  readonly verdicts: 'of its kind' | 'none' | { readonly about: string }
}

/** A part of the roll: figures, and the verdicts that concern them. */
export interface RollSection extends Section {
  readonly verdicts: readonly JudgedVerdict[]
}

/** Sections with the verdicts that belong there; those in which nothing is printed are left out. */
export const withVerdicts = (
  sections: readonly FigureSection[],
  verdicts: readonly JudgedVerdict[],
): RollSection[] => {
  const ofKind = new Map<SectionKind, JudgedVerdict[]>()
  for (const verdict of verdicts) listed(ofKind, verdict.section).push(verdict)
  const found = ({ kind, verdicts: which }: FigureSection): readonly JudgedVerdict[] => {
    const all = ofKind.get(kind) ?? []
    if (which === 'none') return []
    return which === 'of its kind' ? all : all.filter(({ about }) => about.includes(which.about))
  }
  return sections
    .map((section) => ({ ...section, verdicts: found(section) }))
    .filter((section) => section.figures.length > 0 || section.verdicts.length > 0)
}
