import { expect, it } from 'vitest'
import { once } from './once'

it('works a result out when it is first asked for, and never again', () => {
  let count = 0
  const asked = once((): number | undefined => {
    count += 1
    return undefined
  })
  expect(count).toBe(0)
  expect([asked(), asked()]).toEqual([undefined, undefined])
  expect(count).toBe(1)
})
