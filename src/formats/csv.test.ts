import { expect, it } from 'vitest'
import { csv } from './csv'

it.each<[string | number, string]>([
  ['plain', 'plain'],
  [12.5, '12.5'],
  [-3, '-3'],
  ['a, b', '"a, b"'],
  ['4\' 6"', '"4\' 6"""'],
  ['two\nlines', '"two\nlines"'],
  ['=1+1', "'=1+1"],
  ['+44', "'+44"],
  ['@home', "'@home"],
])('the cell %j is written as %j', (value, text) => {
  expect(csv(['h'], [[value]])).toBe(`h\r\n${text}\r\n`)
})
