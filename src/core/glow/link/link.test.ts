import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { worked } from '../../worked'
import { demoPlan } from '../../../testing/demo-plan'
import { SimulatedBoard, type StripFault } from './board'
import { countBy, darkStretches, orderBy, type CountAnswer } from './finds'
import { lastOf, linkPlan } from './lanes'
import { leastMs, litBytes, readReply, readRequest, requestText, type Request } from './protocol'

const nook = linkPlan(worked(demoPlan('bay-window-nook')))
const shape = { count: 30, spare: 4, bytes: 3 }
const boardWith = (faults: readonly StripFault[]): SimulatedBoard =>
  new SimulatedBoard({
    lanes: [{ ...shape, channels: 'RGB', order: 'GRB', faults }],
    inputs: [512],
    mark: '0badcafe',
  })
const red = [255, 0, 0]

describe('lines of the bench link', () => {
  const colour = fc.array(fc.integer({ min: 0, max: 255 }), { minLength: 3, maxLength: 3 })
  const lane = fc.constant(0)
  const ms = fc.integer({ min: leastMs(shape), max: 10_000 })
  const request: fc.Arbitrary<Request> = fc.oneof(
    fc.constantFrom<Request>({ word: 'hello' }, { word: 'off' }, { word: 'read', input: 0 }),
    fc.record({ word: fc.constant('lane' as const), lane }),
    fc.record({ word: fc.constant('light' as const), lane, at: fc.nat(33), colour }),
    fc.record({ word: fc.constant('first' as const), lane, at: fc.nat(34), colour }),
    fc.record({ word: fc.constant('all' as const), lane, colour }),
    fc.record({ word: fc.constantFrom('count' as const, 'chase' as const), lane, ms, colour }),
  )

  it('say what is asked, and the board says the same back', () => {
    const board = boardWith([])
    fc.assert(
      fc.property(request, fc.integer({ min: 0, max: 65_535 }), (asked, number) => {
        const text = requestText(asked)
        expect(readRequest(text, [shape], 1)).toEqual(asked)
        const reply = readReply(board.take(`${String(number)} ${text}\n`, 0))
        expect(reply).toMatchObject({ number, isOk: true })
        expect(reply?.isOk === true && reply.text.startsWith(text)).toBe(true)
      }),
    )
  })

  it.each([
    ['dance', 'word'],
    ['hello you', 'word'],
    ['light 1 0 ff0000', 'lane'],
    ['lane 1', 'lane'],
    ['light 0 34 ff0000', 'pixel'],
    ['first 0 35 ff0000', 'pixel'],
    ['light 0 -1 ff0000', 'pixel'],
    ['light 0 3 ff00', 'colour'],
    ['light 0 3 ff0000 1', 'colour'],
    ['all 0 FF0000', 'colour'],
    // A second for all thirty: no faster.
    ['chase 0 33 ff0000', 'ms'],
    ['count 0 10001 ff0000', 'ms'],
    ['read 1', 'input'],
  ])('%s is refused for its %s', (text, what) => {
    expect(boardWith([]).take(`7 ${text}\n`, 0)).toBe(`7 error ${what}\n`)
  })

  it('that are no lines of the link are told from answers', () => {
    const board = boardWith([])
    expect(board.take('hello\n', 0)).toBe('0 error number\n')
    // 79 characters are a line, 80 are none.
    expect(board.take(`1 ${'x'.repeat(77)}\n`, 0)).toBe('1 error word\n')
    expect(board.take(`1 ${'x'.repeat(78)}\n`, 0)).toBe('')
    expect(board.take(`1 ${'x'.repeat(200)}\n\r\n2 off\r\n`, 0)).toBe('2 ok off\n')
    expect(readReply('booting … 3 ok')).toBeUndefined()
    expect(readReply('3 error nonsense')).toBeUndefined()
  })
})

it('counting and a chase go through a lane and begin again, never three times a second', () => {
  const moving = (word: 'count' | 'chase', ms: number): number[] => [
    ...litBytes({ word, lane: 0, ms: 100, colour: [9] }, 0, { count: 4, spare: 2, bytes: 1 }, ms),
  ]
  expect(moving('count', 0)).toEqual([9, 0, 0, 0, 0, 0])
  // A frame that began before the request.
  for (const word of ['count', 'chase'] as const)
    expect(moving(word, -3)).toEqual([9, 0, 0, 0, 0, 0])
  expect(moving('count', 350)).toEqual([9, 9, 9, 9, 0, 0])
  expect(moving('chase', 250)).toEqual([0, 0, 9, 0, 0, 0])
  expect(moving('chase', 400)).toEqual([9, 0, 0, 0, 0, 0])
  for (const count of [1, 2, 3, 7, 100, 5_000])
    expect(leastMs({ count }) * count).toBeGreaterThanOrEqual(1000)
})

describe('a strip with a fault', () => {
  const seenOf = (faults: readonly StripFault[], line: string): number[][] => {
    const board = boardWith(faults)
    board.take(`1 ${line}\n`, 0)
    const seen = [...board.seen(0, 0)]
    return Array.from({ length: seen.length / 3 }, (_, at) => seen.slice(3 * at, 3 * at + 3))
  }
  const litIn = (seen: number[][]): number[] =>
    seen.flatMap((colour, at) => (colour.some((byte) => byte > 0) ? [at] : []))

  it('shows it', () => {
    expect(seenOf([], 'light 0 2 ff0000')[2]).toEqual(red)
    // Sent green first to a chip that takes red first: red comes out green.
    expect(seenOf([{ kind: 'order', order: 'RGB' }], 'light 0 2 ff0000')[2]).toEqual([0, 255, 0])
    expect(litIn(seenOf([{ kind: 'dead', at: 1 }], 'first 0 4 ff0000'))).toEqual([0, 2, 3])
    expect(litIn(seenOf([{ kind: 'broken', at: 1 }], 'first 0 4 ff0000'))).toEqual([0])
    expect(seenOf([{ kind: 'length', count: 32 }], 'all 0 ff0000')).toHaveLength(32)
    expect(litIn(seenOf([{ kind: 'length', count: 32 }], 'light 0 31 ff0000'))).toEqual([31])
  })

  it('has its colour order found by three looks, whatever it is', () => {
    for (const order of ['RGB', 'RBG', 'GRB', 'GBR', 'BRG', 'BGR']) {
      const looks: string[] = []
      for (let found = orderBy('RGB', 'GRB', looks); found.kind === 'ask';) {
        const colour = ['ff0000', '00ff00', '0000ff'][found.channel]!
        const seen = seenOf([{ kind: 'order', order }], `light 0 0 ${colour}`)[0]!
        looks.push('RGB'.charAt(seen.indexOf(255)))
        found = orderBy('RGB', 'GRB', looks)
      }
      expect(looks).toHaveLength(3)
      expect(orderBy('RGB', 'GRB', looks)).toEqual({
        kind: 'found',
        order,
        isAsPlanned: order === 'GRB',
      })
    }
    expect(orderBy('RGB', 'GRB', ['R', 'R'])).toEqual({ kind: 'no-order', why: 'twice' })
    expect(orderBy('RGB', 'GRB', ['R', 'dark'])).toEqual({ kind: 'no-order', why: 'dark' })
    expect(orderBy('RGB', 'GRB', ['other'])).toEqual({ kind: 'no-order', why: 'other' })
  })

  it('has its pixels counted, however many they are', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 300 }),
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 0, max: 360 }),
        (planned, spare, real) => {
          const answers: CountAnswer[] = []
          let found = countBy(planned, planned + spare, answers)
          while (found.kind === 'ask') {
            expect(found.lit).toBeLessThanOrEqual(planned + spare)
            answers.push({ lit: found.lit, isMore: real > found.lit })
            found = countBy(planned, planned + spare, answers)
          }
          expect(answers.length).toBeLessThanOrEqual(
            real === planned ? 2 : real === planned + 1 ? 3 : 13,
          )
          expect(found).toEqual(
            real > planned + spare
              ? { kind: 'more', than: planned + spare }
              : { kind: 'found', count: real },
          )
        },
      ),
    )
  })
})

it('dark pixels are told as stretches from end to end', () => {
  expect(darkStretches(5, new Set([1, 2]))).toEqual([
    [0, 1, false],
    [1, 2, true],
    [3, 2, false],
  ])
  expect(darkStretches(0, new Set())).toEqual([])
})

it('the lanes of the nook are those of its data, piece by piece, with the last pixel of each', () => {
  const { lanes } = nook
  expect(lanes.map(({ name, count, channels, order }) => [name, count, channels, order])).toEqual([
    ['Seat', 161, 'RGB', 'GRB'],
    ['Niche', 185, 'RGB', 'GRB'],
    ['High', 157, 'RGB', 'GRB'],
  ])
  for (const { runs, count } of lanes)
    for (const run of runs) {
      expect(run.from + run.count).toBeLessThanOrEqual(count)
      expect(run.pieces.reduce((sum, piece) => sum + piece.count, 0)).toBe(run.count)
    }
  // 18 pixels of B1, then 77 of B2.
  expect(lastOf(nook, ['alcove', 'B1', 'B2'])).toMatchObject({ lane: 1, at: 94, name: 'B2' })
  expect(lastOf(nook, ['board'])).toBeUndefined()
})

it('pieces of a run whose data enters at its end come in the order of the data', () => {
  const plan = demoPlan('bay-window-nook')
  const lines = plan.lines.map((line) =>
    line.id === 'alcove' ? { ...line, isDataAtEnd: true } : line,
  )
  const { lanes } = linkPlan(worked({ ...plan, lines }))
  const run = lanes[1]?.runs.find(({ id }) => id === 'alcove')
  expect(run?.isTurned).toBe(true)
  expect(run?.pieces).toEqual([
    { name: 'B3', from: run!.from, count: 18 },
    { name: 'B2', from: run!.from + 18, count: 77 },
    { name: 'B1', from: run!.from + 95, count: 18 },
  ])
})
