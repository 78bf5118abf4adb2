import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import fc from 'fast-check'
import maker from 'pdfmake'
import { describe, expect, it } from 'vitest'
import { demoNames, demoText } from '../cli/demos'
import { glow } from '../cli/glow'
import { caseNames } from '../core/plan/choices'
import type { Plan } from '../core/plan/plan'
import { z } from '../core/quantity/z'
import { sums } from '../core/sums'
import { tally } from '../core/tally'
import { diagramOf } from '../core/wire/diagram'
import { worked } from '../core/worked'
import { anyPlan } from '../testing/any-plan'
import { mutated } from '../testing/mutated'
import { runs } from '../testing/runs'
import { csv } from './csv'
import { planFeedNetwork, planPictures, planPrograms, planTables } from './exports'
import { readPlan, readPlanFile, writePlanFile } from './plan-file'
import { planBook } from './pdf-book'
import { definitionOf, type PdfPages } from './pdf-pages'
import { labelledPieces, wiringPdf } from './pdf-wiring'
import { jsonText } from './safe-text'
import { planNetlist } from './spice'

/** The demo plans; of a long log a few entries, so that most changes hit something else. */
const demos = demoNames().map((name) => {
  const document = JSON.parse(demoText(name) ?? '{}') as { build: { log: unknown[] } }
  return { ...document, build: { ...document.build, log: document.build.log.slice(-3) } }
})

/** Where in a value a number is none, or a text holds what only a program would write. */
function holes(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isNaN(value) ? [path] : []
  if (typeof value === 'string')
    return /\bNaN\b|Infinity|undefined|\[object/.test(value) ? [`${path}: ${value}`] : []
  if (typeof value !== 'object' || value === null) return []
  const entries =
    value instanceof Map ? [...(value as Map<string, unknown>)] : Object.entries(value)
  return entries.flatMap(([key, inner]) => holes(inner, `${path}.${key}`))
}

/** Every text that a plan can be written as. */
const textsOf = (plan: Plan): [name: string, text: string][] => [
  ...Object.entries(planTables).map(([name, of]): [string, string] => [name, csv(of(plan))]),
  ...Object.entries(planPictures).map(([name, of]): [string, string] => [name, of(plan)]),
  ...Object.entries(planPrograms).map(([name, of]): [string, string] => [name, of(plan)]),
  ...caseNames.map((one): [string, string] => [one, jsonText(planFeedNetwork(plan, one))]),
  ['netlist', planNetlist(plan)],
]

/** What no file may hold: control characters but tabs and ends of lines, and halves of characters. */
const control =
  // eslint-disable-next-line no-control-regex -- these must not be in it
  /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u202E]|[\uD800-\uDBFF](?![\uDC00-\uDFFF])/

describe('whatever plan is accepted', () => {
  const anyDocument = fc.oneof(
    { weight: 3, arbitrary: mutated(demos, 2) },
    {
      weight: 1,
      arbitrary: anyPlan.chain((plan) => mutated([JSON.parse(writePlanFile(plan)) as object], 2)),
    },
  )

  it('is worked out and written without a hole, and read back the same', () => {
    const cases = runs(60, 200_000)
    let accepted = 0
    fc.assert(
      fc.property(anyDocument, (document) => {
        const read = readPlan(document)
        if (!read.ok) {
          for (const { message } of read.issues) expect(message).toMatch(/\w/)
          return
        }
        accepted += 1
        const file = writePlanFile(read.plan)
        const again = readPlanFile(file)
        expect(again.ok && writePlanFile(again.plan)).toBe(file)
        expect(holes(tally(read.plan))).toEqual([])
        for (const [name, text] of textsOf(read.plan)) {
          expect(holes(text), name).toEqual([])
          expect(control.exec(text), name).toBeNull()
        }
      }),
      { numRuns: cases },
    )
    // Most changes must still make plans, or this would test the reader alone.
    expect(accepted).toBeGreaterThan(cases / 5)
  })
})

describe('whatever is printed', () => {
  const face = (name: string): string =>
    fileURLToPath(import.meta.resolve(`pdfmake/build/fonts/Roboto/Roboto-${name}.ttf`))
  const [normal, bold] = [face('Regular'), face('Medium')]
  maker.setFonts({ Roboto: { normal, bold, italics: normal, bolditalics: bold } })
  const bytesOf = async (pages: PdfPages): Promise<number> =>
    (await maker.createPdf(definitionOf(pages)).getBuffer()).length
  it('becomes a PDF, whatever the names are', async () => {
    await fc.assert(
      // The pages of all of them are looked through; one a plan is written.
      fc.asyncProperty(mutated(demos, 3), fc.nat({ max: 3 }), async (document, written) => {
        const read = readPlan(document)
        if (!read.ok) return
        const { plan } = read
        const results = worked(plan)
        const wiring = { ...results.wiring, joints: results.joints }
        const diagram = diagramOf(results.wiring, results, plan.units)
        const book = planBook(plan)
        const pieces = labelledPieces([])
        const wires = (['diagram', 'lists', 'labels'] as const).map((what) =>
          wiringPdf(what, { plan, wiring, diagram, pieces }),
        )
        for (const [index, pages] of [book, ...wires].entries()) {
          expect(holes(JSON.stringify(pages.content))).toEqual([])
          if (index === written) expect(await bytesOf(pages)).toBeGreaterThan(500)
        }
      }),
      { numRuns: runs(10, 9_000) },
    )
  })
})

describe('whatever network is given', () => {
  it('is solved in true numbers, or refused', () => {
    const example = JSON.parse(
      readFileSync(new URL('../../docs/network.example.json', import.meta.url), 'utf8'),
    ) as object
    fc.assert(
      fc.property(mutated([example], 3), (given) => {
        const [out, err] = [[] as string[], [] as string[]]
        const code = glow(['solve', '-'], {
          read: () => JSON.stringify(given),
          out: (text) => out.push(text),
          err: (text) => err.push(text),
        })
        expect(err.join()).not.toContain('fault of the program')
        if (code === 0) expect(holes(out)).toEqual([])
        else expect(err.join()).toMatch(/^-: /)
      }),
      { numRuns: runs(300) },
    )
  })

  it('the example is solved, and the schema of the plan is the one in the docs', () => {
    const asked = (...args: string[]): string => {
      let text = ''
      glow(args, {
        read: (file) => readFileSync(file, 'utf8'),
        out: (more) => (text += more),
        err: (more) => (text += more),
      })
      return text
    }
    const example = new URL('../../docs/network.example.json', import.meta.url).pathname
    expect(JSON.parse(asked('solve', example))).toMatchObject({ runs: { shelf: { minAt: 59 } } })
    const kept = readFileSync(new URL('../../docs/plan.schema.json', import.meta.url), 'utf8')
    expect(JSON.parse(asked('schema'))).toEqual(JSON.parse(kept))
  })
})

describe('whatever a sum is given', () => {
  it('it answers in true numbers, or says which field is wrong', () => {
    const given = sums.map(({ name, card }) => ({ name, given: card.start }))
    fc.assert(
      fc.property(mutated(given, 3), (call) => {
        const { name, given: input } = call as { name?: unknown; given?: unknown }
        const sum = sums.find((one) => one.name === name)
        const told = sum?.workOut(input)
        if (told === undefined) return
        if (told.ok) expect(holes([told.answer, told.lines])).toEqual([])
        else expect(told.issues.map(({ message }) => message)).not.toContain('')
      }),
      { numRuns: runs(3_000) },
    )
  })

  it('every number has bounds, and every list an end', () => {
    const unbounded = (schema: unknown, path: string): string[] => {
      if (typeof schema !== 'object' || schema === null) return []
      const one = schema as Record<string, unknown>
      const isNumber = one.type === 'number' || one.type === 'integer'
      const isOpen = isNumber
        ? (one.minimum ?? one.exclusiveMinimum) === undefined || one.maximum === undefined
        : one.type === 'array' && one.prefixItems === undefined && one.maxItems === undefined
      const inner = [one.items, one.anyOf, one.oneOf, one.prefixItems].flat()
      return [
        ...(isOpen ? [path] : []),
        ...Object.entries(one.properties ?? {}).flatMap(([key, property]) =>
          unbounded(property, `${path}.${key}`),
        ),
        ...inner.flatMap((each) => unbounded(each, path)),
      ]
    }
    expect(
      sums.flatMap(({ name, given }) => unbounded(z.toJSONSchema(given, { io: 'input' }), name)),
    ).toEqual([])
  })

  it.each<[string, object, RegExp]>([
    ['shape', { kind: 'polygon', sides: 1000, sideMm: 1, count: 10_000 }, /at most 20000/],
    ['reels', { piecesMm: [1e-300], stock: [{ lengthMm: 100, price: 1 }] }, /above 0 mm/],
    ['flash', { framesPerSecond: 1e-300, luminance: [0, 1, 0] }, /above 0/],
    ['fuse', { loadA: '3', wireLimitA: 5 }, /a number is expected, this is a text/],
    ['fuse', { wireLimitA: 5 }, /is missing: a number is expected/],
    ['fuse', { loadA: 1e9, wireLimitA: 5 }, /at most 10\u202f000 A/],
    ['clips', { lengthMm: 1e9 }, /at most 100\u202f000 mm/],
  ])('%s of %j is refused', (name, given, message) => {
    const result = sums.find((sum) => sum.name === name)?.work(given)
    expect(result?.ok === false && result.issues.map((issue) => issue.message).join()).toMatch(
      message,
    )
  })
})
