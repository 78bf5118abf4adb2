import { describe, expect, it } from 'vitest'
import { listLines } from './list-lines'

describe('a list becomes lines of the pad', () => {
  it.each<[string, string, string[]]>([
    [
      'plain lines, the pad’s own',
      'shelf 650\nskirting corners 400, 1200, 380\n',
      ['shelf 650', 'skirting corners 400, 1200, 380'],
    ],
    [
      'bullets and boxes',
      '- shelf 650\r\n* ledge 2 x 560\n• [ ] rail 900',
      ['shelf 650', 'ledge 2 x 560', 'rail 900'],
    ],
    ['numbers in front', '1. shelf 650\n2) rail 900', ['shelf 650', 'rail 900']],
    ['a line that begins with a length', '650\n900', ['650', '900']],
    ['cells of a spreadsheet', 'shelf\t650\nrail\t900 mm', ['shelf 650', 'rail 900 mm']],
    [
      'a header with a unit',
      'Place;Length (cm)\nshelf;65\nrail;90,5',
      ['shelf 65 cm', 'rail 90,5 cm'],
    ],
    [
      'a header with a count',
      'place,qty,length in inches\nshelf,3,26\n"rail, low",1,"3\' 2"""',
      ['shelf 3 x 26 in', 'rail, low 1 x 3\' 2"'],
    ],
    [
      'units of their own stay',
      'place\tmm\nshelf\t65 cm\nrail\t900',
      ['shelf 65 cm', 'rail 900 mm'],
    ],
    ['one line with a comma', 'skirting, 400', ['skirting, 400']],
    ['rows of different kinds', 'shelf;650\nrail 900', ['shelf;650', 'rail 900']],
  ])('%s', (_, text, expected) => {
    expect(listLines(text)).toEqual(expected)
  })
})
