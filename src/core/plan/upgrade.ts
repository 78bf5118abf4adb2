import { withStripFacts } from './strip-facts'
import {
  usualBuy,
  usualBuild,
  usualBuyRules,
  usualCableRules,
  usualRules,
  usualSignal,
  usualSignalRules,
  usualUse,
  usualWire,
  usualWiring,
} from './usual'

export type Document = Readonly<Record<string, unknown>>

export const isObject = (value: unknown): value is Document =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

const within = (value: unknown): Document => (isObject(value) ? value : {})

/**
 * Version 2 knows where things are on the drawing, how runs are mounted and fed, and more of strips. A plan of version 1 says nothing of
 * these: it gets what is usual. Whatever is not as version 1 has it is left for the check that follows.
 */
export function toVersion2(document: object): object {
  const plan: Document = { ...document }
  const own = within(plan.own)
  return {
    ...plan,
    version: 2,
    defaults: { ...within(plan.defaults), wire: usualWire },
    bench: { furniture: [] },
    junctions: [],
    rules: { ...within(plan.rules), ...usualRules },
    use: usualUse,
    own: {
      ...own,
      strips: Array.isArray(own.strips) ? own.strips.map(withStripFacts) : own.strips,
    },
  }
}

/** Version 3 knows the board, what hangs on its pins, and the wires. */
export function toVersion3(document: object): object {
  const plan: Document = { ...document }
  return {
    ...plan,
    version: 3,
    rules: { ...within(plan.rules), ...usualSignalRules },
    signal: usualSignal,
    wiring: usualWiring,
    own: { ...within(plan.own), boards: [] },
  }
}

/** Version 4 knows lights of the user's own, how lights are plugged together, and the cables of their wires home. */
export function toVersion4(document: object): object {
  const plan: Document = { ...document }
  return {
    ...plan,
    version: 4,
    rules: { ...within(plan.rules), ...usualCableRules },
    own: { ...within(plan.own), lights: [] },
  }
}

/** Version 6 knows what is bought and how strips are fixed. */
export function toVersion6(document: object): object {
  const plan: Document = { ...document }
  return {
    ...plan,
    version: 6,
    rules: { ...within(plan.rules), ...usualBuyRules },
    buy: usualBuy,
  }
}

/** Version 7 knows what has been built. */
export const toVersion7 = (document: object): object => ({
  ...document,
  version: 7,
  build: usualBuild,
})

/** Version 9 knows what was wrong and how it was mended. */
export const toVersion9 = (document: object): object => ({ ...document, version: 9, mends: [] })

/** Version 10 knows notes, upkeep, and which figures were brought within bounds. */
export const toVersion10 = (document: object): object => ({
  ...document,
  version: 10,
  notes: [],
  upkeep: [],
  adjusted: [],
})

/** Version 8 knows shows. */
export const toVersion8 = (document: object): object => ({ ...document, version: 8, shows: [] })

/** Version 13 knows LEDs of several colours, wire between nodes, several pixels in a node, scanned emitters, data wires that come apart, own profiles. */
export function toVersion13(document: object): object {
  const plan: Document = { ...document }
  return { ...plan, version: 13, own: { ...within(plan.own), profiles: [] } }
}

/** Version 12 knows the limiter of a show, scenes by the clock, a solar panel, and leads that come apart. */
export const toVersion12 = (document: object): object => ({ ...document, version: 12 })

/** Version 11 knows what the ends of a wire take. Older plans keep the lengths of their wires. */
export function toVersion11(document: object): object {
  const plan: Document = { ...document }
  return { ...plan, version: 11, rules: { ...within(plan.rules), slackEndMm: 0 } }
}
