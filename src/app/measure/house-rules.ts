import {
  eSeriesNames,
  type Corners,
  type GapPlace,
  type LowLogic,
  type Rounding,
  type Sizing,
} from '../../core/plan/choices'
import { named, type Option } from '../ui/option'

export const roundings: readonly Option<Rounding>[] = [
  {
    value: 'inside',
    label: 'Stay inside',
    about: 'Never hangs over; leaves a gap of less than a group.',
  },
  {
    value: 'nearest',
    label: 'Nearest mark',
    about: 'Smallest error; may hang over by half a group.',
  },
  {
    value: 'cover',
    label: 'Cover the end',
    about: 'No dark end; the strip folds or hangs over.',
  },
]
export const gaps: readonly Option<GapPlace>[] = [
  { value: 'far', label: 'far end' },
  { value: 'shared', label: 'shared' },
  { value: 'near', label: 'near end' },
]
export const corners: readonly Option<Corners>[] = [
  {
    value: 'jump',
    label: 'Cut and jump',
    about: 'Flat corners, a jumper wire at each; most joints.',
  },
  {
    value: 'fold',
    label: 'Fold on',
    about: 'No joints; the fold needs room and a soft strip.',
  },
]
export const sizings: readonly Option<Sizing>[] = [
  {
    value: 'full-white',
    label: 'Full white and headroom',
    about: 'Runs cool and is safe with any pattern.',
  },
  {
    value: 'next-size',
    label: 'Full white, next size up',
    about: 'Smaller; enough where white is rare.',
  },
  {
    value: 'scenes',
    label: 'What the level scene draws',
    about: 'Smallest; the program must hold the limit.',
  },
]
export const lowLogics: readonly Option<LowLogic>[] = [
  { value: 'buffer', label: 'A buffer', about: 'Sure, and reaches five metres; one more part.' },
  {
    value: 'diode',
    label: 'A diode before the first pixel',
    about: 'Cheapest; gives the first pixel up.',
  },
  {
    value: 'lower-supply',
    label: 'Lower the strip’s supply',
    about: 'No part at all; a little dimmer, and only where there is a trimmer.',
  },
  { value: '5v-board', label: 'A 5 V board', about: 'For those who have one in the drawer.' },
  {
    value: 'try',
    label: 'Try it and see',
    about: 'Often works on the bench; the warning stays.',
  },
]
export const series = named(eSeriesNames)
