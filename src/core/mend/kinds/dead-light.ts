import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { onPixels } from './on-pixels'

/** A pixel that hands data on and does not light. */
export const deadLight: FaultKind = {
  name: 'dead-light',
  title: 'Pixel without light',
  find: (given, _contacts, pixels) =>
    onPixels(given, pixels, (run, from) => [{ run, from, count: 1, state: 'dark' }]).map(
      (draft) => ({ ...draft, shownBy: [] }),
    ),
  mend: {
    steps: [
      'Cut the pixel out at its marks and solder a new one in; or leave it dark in the program.',
    ],
    cautions: solderCautions,
    proof: 'The new pixel and all behind it follow the program.',
    minutes: 12,
  },
}
