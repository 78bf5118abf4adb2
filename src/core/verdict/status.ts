import { alikePairs, madeDistinct, type Vision } from '../signal/status'
import type { Judge } from './verdict'

const eyes: Readonly<Record<Vision, string>> = {
  normal: 'to everybody',
  protan: 'to eyes without red cones',
  deutan: 'to eyes without green cones',
  tritan: 'to eyes without blue cones',
}

/** Colours of a status light that are taken for each other. */
export const statusColours: Judge = ({ plan }) => {
  const { status } = plan.signal
  const pairs = alikePairs(status)
  const [first] = pairs.toSorted((a, b) => a.deltaE - b.deltaE)
  if (first === undefined) return []
  const mended = madeDistinct(status)
  return [
    {
      id: 'status-colours-alike',
      code: 'status-colours-alike',
      grade: 'warning',
      about: [],
      text: `“${first.one.meaning}” and “${first.other.meaning}” look alike ${eyes[first.vision]}${pairs.length > 1 ? `; ${String(pairs.length - 1)} more ${pairs.length === 2 ? 'pair does' : 'pairs do'} to some` : ''}`,
      why: 'One man in twelve does not tell red from green. Let brightness, blinking or a place of its own say it too.',
      remedies:
        alikePairs(mended).length < pairs.length
          ? [
              {
                label: 'colours that all eyes tell apart',
                commands: [{ do: 'set-signal', signal: { status: mended } }],
              },
            ]
          : [],
    },
  ]
}
