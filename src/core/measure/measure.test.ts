import { expect, it } from 'vitest'
import type { Line } from '../plan/plan'
import { measure } from './measure'

const padOf = (lines: readonly Omit<Line, 'id'>[]): Line[] =>
  lines.map((line, at) => ({ ...line, id: String(at) }))
const written = (...texts: string[]): Line[] => padOf(texts.map((text) => ({ text })))

const refused = (lines: Line[], stripId = 'pixels-5v-60'): (string | undefined)[] =>
  measure({ lines, defaults: { stripId, wire: 'mm2-1' } }).lines.map(({ reading }) =>
    reading.kind === 'error' ? reading.message : undefined,
  )

const feeds = (count: number): NonNullable<Line['feeds']> =>
  Array.from({ length: count }, (_, at) => ({ id: String(at), pad: 0, fuse: 'auto' }))

it('refuses a line with which the plan is too large, and takes a smaller one after it', () => {
  const none = undefined
  expect(refused(written('a 1000 m', 'b 1000 m', 'c 1000 m', 'd 400 m'))).toEqual([
    none,
    none,
    'With this line the plan has 180000 pixels or cut groups: at most 150000 can be worked out. Check its unit, or split the plan',
    none,
  ])
  // The same lines count for more where their strip is cut more finely.
  const plain = written('900 m', '900 m', '900 m')
  expect(refused(plain, 'white-24v-10')).toEqual([none, none, none])
  expect(refused(plain, 'white-usb')[2]).toContain('162000 pixels or cut groups')
  const fed = [1250, 1250].map((count) => ({ text: 'shelf 100', feeds: feeds(count) }))
  const more = [{ text: 'shelf 100', feeds: feeds(1) }, { text: 'sill 90' }]
  expect(refused(padOf(fed))).toEqual([none, none])
  expect(refused(padOf([...fed, ...more]))).toEqual([
    none,
    none,
    expect.stringMatching(/2501 leads: at most 2500 .* Take some of them away/),
    none,
  ])
  const lights = written(...Array.from({ length: 12 }, () => '900 lights'))
  expect(refused(lights).findIndex(Boolean)).toBe(11)
})

it('gives lines and runs that did not change as the same objects', () => {
  const lines = written('shelf 300', '400', '500')
  const defaults = { stripId: 'pixels-5v-60', wire: 'mm2-1' }
  const before = measure({ lines, defaults })
  expect(before.runs.map(({ name }) => name)).toEqual(['shelf', 'Edge 1', 'Edge 2'])
  const [shelf, edge, other] = lines
  const after = measure({ lines: [shelf!, { ...edge!, text: 'sill 400' }, other!], defaults })
  expect(after.lines[2]).toBe(before.lines[2])
  expect(after.runs[0]).toBe(before.runs[0])
  // It is called otherwise now, though its own line is the same.
  expect(after.runs.map(({ name }) => name)).toEqual(['shelf', 'sill', 'Edge 1'])
  // With another strip a run has another pitch, and is read as before.
  const wide = measure({ lines, defaults: { ...defaults, stripId: 'pixels-5v-30' } })
  expect(wide.lines[0]?.reading).toBe(before.lines[0]?.reading)
  expect(wide.runs[0]?.pixelMm).toBeCloseTo(1000 / 30)
})
