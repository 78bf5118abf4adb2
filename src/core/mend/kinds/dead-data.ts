import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { onPixels } from './on-pixels'

/** A pixel that lights and does not hand data on. */
export const deadData: FaultKind = {
  name: 'dead-data',
  title: 'Pixel hands no data on',
  find: (given, _contacts, pixels) =>
    onPixels(given, pixels, (run, from) => [{ run, from: from + 1, count: null, state: 'dark' }]),
  mend: {
    steps: ['Cut the pixel out at its marks and solder a new one in, arrow the same way.'],
    cautions: solderCautions,
    proof: 'The new pixel and all behind it follow the program.',
    minutes: 12,
  },
}
