import { expect, it } from 'vitest'
import { Kept } from './kept'

it('works a thing out again where something that it is made of is another, and only then', () => {
  const kept = new Kept<object, { sum: number }>()
  let times = 0
  const ask = (key: object, a: number, b: number): { sum: number } =>
    kept.get(key, [a, b], () => {
      times += 1
      return { sum: a + b }
    })
  const [one, other] = [{}, {}]
  const first = ask(one, 1, 2)
  expect(ask(one, 1, 2)).toBe(first)
  expect(ask(other, 1, 2)).not.toBe(first)
  expect(times).toBe(2)
  // The last input counts as the first does, and what is no number is itself.
  expect(ask(one, 1, 3)).toEqual({ sum: 4 })
  expect(ask(one, NaN, 3).sum).toBe(NaN)
  expect(ask(one, NaN, 3)).toBe(ask(one, NaN, 3))
  expect(times).toBe(4)
})

it('does not take fewer inputs for the same', () => {
  const kept = new Kept<object, number>()
  const key = {}
  const ask = (...inputs: number[]): number => kept.get(key, inputs, () => inputs.length)
  expect([ask(1), ask(1, 2), ask(1)]).toEqual([1, 2, 1])
})
