import type { Plan } from './plan'
import {
  planFormat,
  planVersion,
  usualBuild,
  usualBuy,
  usualBuyRules,
  usualCableRules,
  usualRules,
  usualSignal,
  usualSignalRules,
  usualUse,
  usualWire,
  usualWiring,
} from './usual'

/** A plan with nothing on its pad but one empty line to type on. */
export function emptyPlan(name: string, lineId: string): Plan {
  return {
    format: planFormat,
    version: planVersion,
    name,
    units: 'mm',
    lines: [{ id: lineId, text: '' }],
    defaults: { stripId: 'pixels-5v-60-low', wire: usualWire },
    bench: { furniture: [] },
    junctions: [],
    supplies: [{ id: 'supply-a', name: 'Supply A', part: 'auto' }],
    scene: { shown: 'full-white', level: 0.4 },
    limit: 1,
    rules: {
      rounding: 'inside',
      corners: 'jump',
      gap: 'far',
      sizing: 'full-white',
      headroom: 0.2,
      ...usualRules,
      ...usualSignalRules,
      ...usualCableRules,
      ...usualBuyRules,
    },
    use: usualUse,
    buy: { ...usualBuy, lines: [], prices: [], bought: [], taken: [] },
    build: { ...usualBuild, moved: [], paces: [], log: [] },
    signal: { ...usualSignal, lanes: [], inputs: [], status: [], pins: [] },
    wiring: { ...usualWiring, ticks: [] },
    shows: [],
    mends: [],
    offcuts: [],
    own: { strips: [], supplies: [], boards: [], lights: [] },
  }
}
