import type { SumCard } from '../../core/sums/sum'
import { amountText, memberText, readAmount } from '../../core/quantity/amount'
import { membersOf } from '../../core/quantity/decimals'
import { NotUnderstood } from '../../core/quantity/tokens'
import type { Unit } from '../../core/quantity/format'

/** The part of JSON Schema that the sums' inputs are made of. */
interface Schema {
  readonly type?: string
  readonly const?: unknown
  readonly enum?: readonly unknown[]
  readonly properties?: Readonly<Record<string, Schema>>
  readonly required?: readonly string[]
  readonly items?: Schema
  readonly prefixItems?: readonly Schema[]
  readonly anyOf?: readonly Schema[]
  readonly oneOf?: readonly Schema[]
  readonly default?: unknown
}

export type Given = Readonly<Record<string, unknown>>

/** A field of a sum's form. */
export interface Field {
  /** Where its value is: `load.currentA`. */
  readonly path: string
  readonly label: string
  readonly unit: Unit
  readonly kind: 'amount' | 'list' | 'points' | 'stock' | 'choice' | 'switch' | 'variant'
  /** Of a choice, and of a variant: what it can be. */
  readonly options: readonly { readonly value: string; readonly label: string }[]
  readonly isOptional: boolean
  /** Of a stock: the key of what is sold at a price, a length or a number of pieces. */
  readonly sizeKey?: string
}

const textual = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'
    ? String(value)
    : ''

const variantsOf = ({ anyOf, oneOf }: Schema): readonly Schema[] | undefined => anyOf ?? oneOf

/** The variant that a value is of: by its constants, or else by the keys that it has to have. */
function variantFor(variants: readonly Schema[], value: unknown): Schema | undefined {
  const given = typeof value === 'object' && value !== null ? (value as Given) : {}
  return (
    variants.find(({ properties = {} }) =>
      Object.entries(properties).some(
        ([key, schema]) => schema.const !== undefined && given[key] === schema.const,
      ),
    ) ??
    variants.find(
      ({ required = [] }) => required.length > 0 && required.every((key) => key in given),
    )
  )
}

/** The fields of a sum's form for what is given: those of the chosen kind where there are several. */
export function fieldsOf(card: SumCard, given: Given): Field[] {
  const schema = card.schema as Schema
  const variants = variantsOf(schema)
  if (variants === undefined) return fieldsIn(card, schema, given, '')
  const chosen = variantFor(variants, given) ?? variants[0]
  const kinds = variants.map(({ properties = {} }) => textual(properties.kind?.const))
  return [
    {
      ...labelled(card, 'kind'),
      path: 'kind',
      kind: 'choice',
      options: kinds.map((value) => ({ value, label: value })),
      isOptional: false,
    },
    ...(chosen === undefined ? [] : fieldsIn(card, chosen, given, '')).filter(
      ({ path }) => path !== 'kind',
    ),
  ]
}

function fieldsIn(card: SumCard, schema: Schema, given: Given, prefix: string): Field[] {
  return Object.entries(schema.properties ?? {}).flatMap(([key, property]): Field[] => {
    const path = prefix === '' ? key : `${prefix}.${key}`
    const isOptional = schema.required?.includes(key) !== true && property.default === undefined
    const base = { ...labelled(card, path), path, isOptional, options: [] }
    const variants = variantsOf(property)
    if (variants !== undefined) {
      const chosen = variantFor(variants, given[key]) ?? variants[0]
      const keys = variants.map(({ required = [] }) => required[0] ?? '')
      const inner = (given[key] ?? {}) as Given
      return [
        {
          ...base,
          label: 'Given by',
          kind: 'variant',
          options: keys.map((value) => {
            const { label, unit } = labelled(card, `${path}.${value}`)
            return { value, label: `${label}, ${unit}` }
          }),
        },
        ...(chosen === undefined ? [] : fieldsIn(card, chosen, inner, path)),
      ]
    }
    if (property.enum !== undefined)
      return [
        {
          ...base,
          kind: 'choice',
          options: property.enum.map((value) => ({ value: String(value), label: String(value) })),
        },
      ]
    if (property.type === 'boolean') return [{ ...base, kind: 'switch' }]
    if (property.type === 'array')
      return [
        {
          ...base,
          ...(property.items?.type === 'object' && { sizeKey: sizeKeyOf(property.items) }),
          kind:
            property.items?.type === 'object'
              ? 'stock'
              : property.items?.type === 'array'
                ? 'points'
                : 'list',
        },
      ]
    return [{ ...base, kind: 'amount' }]
  })
}

const sizeKeyOf = ({ properties = {} }: Schema): string =>
  Object.keys(properties).find((key) => key !== 'price') ?? 'lengthMm'

function labelled({ fields }: SumCard, path: string): { label: string; unit: Unit } {
  const [label, unit] = fields[path] ?? ([path, ''] as const)
  return { label, unit }
}

/** The value at a path. */
export const valueAt = (given: Given, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>(
      (value, key) =>
        typeof value === 'object' && value !== null ? (value as Given)[key] : undefined,
      given,
    )

/** The same with another value at a path; `undefined` takes it away. */
export function withValue(given: Given, path: string, value: unknown): Given {
  const [key = '', ...rest] = path.split('.')
  if (rest.length > 0) {
    const inner = given[key]
    return {
      ...given,
      [key]: withValue(
        typeof inner === 'object' && inner !== null ? (inner as Given) : {},
        rest.join('.'),
        value,
      ),
    }
  }
  const others = Object.fromEntries(Object.entries(given).filter(([other]) => other !== key))
  return value === undefined ? others : { ...others, [key]: value }
}

/** What a field shows of a value. */
export function textOf({ kind, unit, sizeKey = 'lengthMm' }: Field, value: unknown): string {
  if (value === undefined || value === null) return ''
  switch (kind) {
    case 'amount':
      return typeof value === 'number' ? amountText(value, unit) : ''
    case 'list':
      return (value as number[]).map((one) => memberText(one, unit)).join(', ')
    case 'points':
      return (value as number[][]).map((point) => point.join(' ')).join('; ')
    case 'stock':
      return (value as Readonly<Record<string, number>>[])
        .map((sold) => `${String(sold[sizeKey])} @ ${String(sold.price)}`)
        .join(', ')
    default:
      return textual(value)
  }
}

export type FieldRead =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly message: string }

/** Reads what was typed into a field. */
export function readField(
  { kind, unit, isOptional, sizeKey = 'lengthMm' }: Field,
  text: string,
): FieldRead {
  if (text.trim() === '' && (isOptional || kind === 'list'))
    return { ok: true, value: kind === 'list' ? [] : undefined }
  switch (kind) {
    case 'amount':
      return readAmount(text, unit)
    case 'list':
      return readList(text, unit)
    case 'points':
      return readAll(text.split(';'), (one) => {
        const numbers = one
          .trim()
          .split(/[\s,]+/)
          .map(Number)
        return numbers.length === 2 && numbers.every(Number.isFinite)
          ? { ok: true, value: numbers }
          : { ok: false, message: `“${one.trim()}”: a point is x y` }
      })
    case 'stock':
      return readAll(text.split(/,\s+|;/), (one) => {
        const isLength = sizeKey === 'lengthMm'
        const [of = '', price = ''] = one.split('@')
        const [size, paid] = [readAmount(of, isLength ? 'mm' : ''), readAmount(price, 'price')]
        if (!size.ok) return size
        return paid.ok
          ? { ok: true, value: { [sizeKey]: size.value, price: paid.value } }
          : {
              ok: false,
              message: `“${one.trim()}”: ${isLength ? 'a length and its price, 5000 @ 29' : 'a number and its price, 25 @ 2.40'}`,
            }
      })
    case 'switch':
      return { ok: true, value: text === 'true' }
    default:
      return { ok: true, value: text }
  }
}

/** A list as the pad takes it: commas or semicolons, and decimal commas beside them. */
function readList(text: string, unit: Unit): FieldRead {
  try {
    return readAll(membersOf(text), (one) => readAmount(one, unit))
  } catch (error) {
    if (error instanceof NotUnderstood) return { ok: false, message: error.message }
    throw error
  }
}

function readAll(parts: readonly string[], read: (part: string) => FieldRead): FieldRead {
  const values: unknown[] = []
  for (const part of parts) {
    if (part.trim() === '') continue
    const one = read(part)
    if (!one.ok) return one
    values.push(one.value)
  }
  return { ok: true, value: values }
}

/** What a field of a kind that was not there before begins with. */
const beginning: Readonly<Record<Field['kind'], unknown>> = {
  amount: 3,
  list: [300, 400],
  points: [
    [0, 0],
    [500, 0],
  ],
  stock: [],
  choice: '',
  switch: false,
  variant: {},
}

/** What is given once another kind is chosen: what the kinds have in common stays. */
export function ofKind(card: SumCard, given: Given, kind: string): Given {
  const start = { ...given, kind }
  const fields = fieldsOf(card, start)
  return Object.fromEntries(
    fields
      .filter(({ isOptional, path }) => !isOptional || path in given)
      .map(({ path, kind: of, unit }) => [
        path,
        path === 'kind'
          ? kind
          : (given[path] ?? (of === 'amount' && unit === 'mm' ? 500 : beginning[of])),
      ]),
  )
}

/** The same for a part of what is given that can be told in several ways. */
export const ofVariant = (given: Given, path: string, key: string): Given =>
  withValue(given, path, { [key]: 1 })

/** How well a sum is what somebody types they are looking for; 0 for not at all. */
export function fits({ title, about, asks, name }: SumCard, search: string): number {
  const words = search
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word.length > 1)
  if (words.length === 0) return 1
  const small = [
    'how',
    'the',
    'is',
    'it',
    'do',
    'does',
    'a',
    'of',
    'which',
    'what',
    'will',
    'to',
    'in',
    'for',
    'much',
    'many',
  ]
  const telling = words.filter((word) => !small.includes(word))
  const whole = asks.some((ask) => ask.includes(search.toLowerCase().trim().replace(/\?$/, '')))
    ? 10
    : 0
  const places: readonly (readonly [text: string, weight: number])[] = [
    [title.toLowerCase(), 4],
    [asks.join(' ').toLowerCase(), 3],
    [`${about} ${name}`.toLowerCase(), 2],
  ]
  const found = (telling.length > 0 ? telling : words).map((word) =>
    Math.max(
      0,
      ...places.map(([text, weight]) => (text.includes(word.replace(/\?$/, '')) ? weight : 0)),
    ),
  )
  return whole > 0 || found.some((score) => score > 0)
    ? whole + found.reduce<number>((sum, score) => sum + score, 0)
    : 0
}
