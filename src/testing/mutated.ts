import fc from 'fast-check'

/** A value in a document, by the way to it. */
type Path = readonly (string | number)[]

/** Numbers at and beyond the ends of what fields take. */
const numbers = [
  0,
  1,
  -1,
  2,
  3,
  12,
  60,
  100,
  200,
  500,
  1_000,
  5_000,
  10_000,
  20_000,
  100_000,
  1_000_000,
  1e9,
  1e12,
  1e300,
  0.5,
  0.1,
  0.01,
  1e-3,
  1e-6,
  1e-9,
  1e-300,
  -0,
  -90,
  -360,
  3.7,
  1 / 3,
]

/** Texts that C, XML, CSV, JSON or a page could stumble over. */
const texts = [
  '',
  ' ',
  'x'.repeat(120),
  '"1\n#error"',
  '??/',
  '\\',
  "'); --",
  '=1+1',
  '<script>alert(1)</script>',
  ']]>',
  '\u0000',
  '\u0007\u001b[31m',
  '\u202Eetfa',
  '\uD800',
  '💡'.repeat(20),
  'ÄÖ mm²',
  '__proto__',
  '1e309',
]

/** Lines whose numbers are at the ends of what can be typed. */
const lines = [
  'shelf 0.001 mm',
  'shelf 999999 mm',
  'ring 1000000',
  'grid 60 x 60 @ 1',
  'panels 40 x 40 sides 10',
  'string 2000 @ 0.1',
  'scatter 2000 drop 100000',
  'raindrops 2000 lights',
  '99 x 10000 + 0.01',
  'arch r 0.001 mm 359',
  'spiral 10 to 100000 @ 0.1',
  'helix 10 h 100000 @ 0.1',
  'corners 1, 1000000, 0.1',
  'rows 500, 500, 500 @ 1',
  'wave 100000 h 1 @ 1',
]

interface Change {
  readonly at: number
  readonly kind: 'number' | 'scale' | 'text' | 'line' | 'drop' | 'copy' | 'swap'
  readonly pick: number
}

const anyChange: fc.Arbitrary<Change> = fc.record({
  at: fc.nat(1_000_000),
  kind: fc.constantFrom(
    'number',
    'number',
    'scale',
    'scale',
    'text',
    'line',
    'drop',
    'copy',
    'swap',
  ),
  pick: fc.nat(1_000_000),
})

/**
 * A document with up to `most` of its values changed: numbers to the ends of what is allowed and past them, hostile texts, things left out,
 * doubled, or put where others belong.
 */
export const mutated = (documents: readonly object[], most = 4): fc.Arbitrary<unknown> =>
  fc
    .tuple(fc.constantFrom(...documents), fc.array(anyChange, { minLength: 1, maxLength: most }))
    .map(([document, changes]) => changes.reduce<unknown>(changed, structuredClone(document)))

function changed(document: unknown, { at, kind, pick }: Change): unknown {
  const every = pathsIn(document, [])
  const fits = (path: Path): boolean => {
    const value = valueAt(document, path)
    switch (kind) {
      case 'number':
      case 'scale':
        return typeof value === 'number'
      case 'text':
        return typeof value === 'string'
      case 'line':
        return path.at(-1) === 'text'
      case 'copy':
        return typeof path.at(-1) === 'number'
      case 'drop':
      case 'swap':
        return path.length > 0
    }
  }
  const paths = every.filter(fits)
  const path = paths[at % paths.length]
  if (path === undefined) return document
  const holder = valueAt(document, path.slice(0, -1)) as Record<string | number, unknown>
  const key = path.at(-1) ?? ''
  switch (kind) {
    case 'number':
      holder[key] = numbers[pick % numbers.length]
      break
    case 'scale':
      holder[key] = Number(holder[key]) * 10 ** ((pick % 13) - 6)
      break
    case 'text':
      holder[key] = texts[pick % texts.length]
      break
    case 'line':
      holder[key] = lines[pick % lines.length]
      break
    case 'drop':
      if (Array.isArray(holder)) holder.splice(Number(key), 1)
      else Reflect.deleteProperty(holder, key)
      break
    case 'copy':
      if (Array.isArray(holder)) {
        const copy: unknown = structuredClone(holder[Number(key)])
        if (typeof copy === 'object' && copy !== null && 'id' in copy)
          copy.id = `copy-${String(pick)}`
        holder.splice(Number(key), 0, copy)
      }
      break
    case 'swap':
      holder[key] = structuredClone(valueAt(document, every[pick % every.length] ?? []))
  }
  return document
}

const pathsIn = (value: unknown, path: Path): Path[] =>
  typeof value !== 'object' || value === null
    ? [path]
    : [
        path,
        ...Object.entries(value).flatMap(([key, inner]) =>
          pathsIn(inner, [...path, Array.isArray(value) ? Number(key) : key]),
        ),
      ]

const valueAt = (document: unknown, path: Path): unknown =>
  path.reduce<unknown>(
    (value, key) => (value as Readonly<Record<string | number, unknown>>)[key],
    document,
  )
