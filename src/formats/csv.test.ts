import { expect, it } from 'vitest'
import { csv, table } from './csv'

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
  expect(csv(table(['h'], [[value]]))).toBe(`h\r\n${text}\r\n`)
})

it('takes the separator that a spreadsheet expects, with its decimal sign, and a mark for its letters', () => {
  const cells = table(
    ['in mm²', 'a'],
    [
      [0.75, 'x;y'],
      [1, 'a\tb'],
    ],
  )
  expect(csv(cells, { separator: ';', hasMark: true })).toBe(
    '\uFEFFin mm²;a\r\n0,75;"x;y"\r\n1;"a\tb"\r\n',
  )
  expect(csv(cells, { separator: '\t', hasMark: false })).toBe(
    'in mm²\ta\r\n0.75\t"x;y"\r\n1\t"a\tb"\r\n',
  )
})

it('leaves out what steers a terminal', () => {
  expect(csv(table(['h'], [['a\u0000\u001b[31mb\u202E']]))).toBe('h\r\na[31mb\r\n')
})
