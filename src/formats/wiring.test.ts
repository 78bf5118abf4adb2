import { XMLParser } from 'fast-xml-parser'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { emptyPlan } from '../core/plan/empty'
import { pixelMap } from '../core/lanes/pixel-map'
import { programData } from '../core/signal/program'
import { diagramOf } from '../core/wire/diagram'
import { tally } from '../core/tally'
import { worked } from '../core/worked'
import { demoPlan } from '../testing/demo-plan'
import { csv, type Table } from './csv'
import { cutsTable } from './csv-cuts'
import { feedsTable } from './csv-feeds'
import { jointsTable, pixelsTable, wiresTable } from './csv-wires'
import { labelledPieces, paperFor, wiringPdf } from './pdf-wiring'
import { programHeader, programJson } from './program'
import { diagramSvg } from './svg-diagram'
import { node, svgText } from './svg-tree'

const plan = demoPlan('bay-window-nook')
const wired = worked(plan)
const { wiring, lanes, layout, joints } = wired
const diagram = diagramOf(wiring, wired, plan.units)
const data = programData(wired)
const rows = (of: Table): string[] => csv(of).trimEnd().split('\r\n')

describe('the wiring as CSV', () => {
  it('says of each wire where it goes, how long it is and why', () => {
    const [head, first, ...rest] = rows(wiresTable(wiring))
    expect(head).toBe(
      'wire,from,to,use,gauge,colour,length mm,why,bare from mm,bare to mm,sleeve,in the wire,cable',
    )
    expect(first).toBe(
      'W1,Supply A seat front +,seat front +,plus,1 mm²,red,502,"420 mm × 1.1 + 40 mm (at right angles along the drawing, with the plan’s slack)",7,3,4.8 mm,fuse 7.5 A,',
    )
    expect(rest).toHaveLength(wiring.wires.length - 1)
  })

  it('is in inches where the plan is in feet and inches', () => {
    const [head, first] = rows(wiresTable(wiring, 'ft-in'))
    expect(head).toMatch(/colour,length in,why,bare from in,bare to in,/)
    // 502 mm
    expect(first).toMatch(/,red,19\.76,/)
    expect(rows(pixelsTable(pixelMap(lanes, layout), 'ft-in'))[0]).toMatch(/,x in,y in,/)
    const { feed, runs, reels } = tally(plan)
    const [leads, lead] = rows(feedsTable({ feed, runs }, 'ft-in'))
    expect(leads).toMatch(/,length ft,/)
    expect(lead).toMatch(/^seat\.first,.*,1\.647,/)
    const [, cut] = rows(cutsTable(reels, 'ft-in'))
    const [, same] = rows(cutsTable(reels))
    const [inches, mm] = [cut, same].map((row) => Number(row!.split(',').at(-1)))
    expect(inches! * 25.4).toBeCloseTo(mm!, 0)
  })

  it('says of each joint what meets what, and whether it is done', () => {
    const [, first, second] = rows(jointsTable(joints, [joints[1]!.id]))
    expect(first).toBe('1,screw,"Supply A, seat front +",W1 plus (red) to seat front +,,1,1,')
    expect(second).toMatch(/,2,yes$/)
  })

  it('has every pixel with its number and place', () => {
    const lines = rows(pixelsTable(pixelMap(lanes, layout)))
    expect(lines[0]).toBe('lane,number,run,in run,x mm,y mm,lit')
    expect(lines).toHaveLength(1 + 503)
    expect(lines[1]).toMatch(/^Seat,0,seat front,0,[\d.]+,[\d.]+,yes$/)
  })
})

describe('for the program', () => {
  it('counts, pins, lanes, offsets and limits as a C header', () => {
    const header = programHeader(data)
    for (const line of [
      // 20 A × 0.8 less 503 × 0.7 mA idle and the board with its sensors, 81.5 mA
      '#define LIMIT_MA 15566',
      '#define FULL_WHITE_MA 18108',
      '#define SUPPLY_A_LIMIT_MA 15566',
      '#define LANE_SEAT_LIMIT_MA 4982',
      '#define LANE_COUNT 3',
      '#define LANE_SEAT_PIN 4',
      '#define LANE_SEAT_PIXELS 161',
      '#define LANE_SEAT_ORDER "GRB"',
      '#define PIN_BRIGHTNESS_KNOB 34',
      '  { "right ledge", 0, 128, 33 },',
      '#define DARK_COUNT 0',
    ])
      expect(header.split('\n')).toContain(line)
    expect(JSON.parse(programJson(data))).toEqual(data)
    const turned = { ...data, plan: 'a\u202Eb\u0000' }
    expect(programJson(turned)).toContain('a\\u202eb\\u0000')
    expect(JSON.parse(programJson(turned))).toEqual(turned)
  })

  it('tells dimmers and what has no pin', () => {
    const wardrobe = demoPlan('wardrobe-rails')
    const dimmed = worked({
      ...wardrobe,
      signal: { ...wardrobe.signal, board: 'small-5v', boardFrom: 'usb' },
      lines: wardrobe.lines.map((line) => ({ ...line, dimmer: 'all rails' })),
    })
    const header = programHeader(programData(dimmed))
    expect(header).toMatch(/#define PIN_ALL_RAILS \d+/)
    expect(header).toContain('#define LANE_COUNT 0')
    const none = programHeader({ ...data, inputs: [{ name: 'bell', kind: 'button', pin: null }] })
    expect(none).toContain('#define PIN_BELL -1 /* no pin is left */')
    const analogue = programHeader({ ...data, inputs: [{ name: 'dial', kind: 'knob', pin: 'A2' }] })
    expect(analogue).toContain('#define PIN_DIAL A2')
  })

  const dimmer = { name: 'all', pin: '3', limitMa: 5 } as const

  it('is C whatever things are called', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'binary' }), { maxLength: 4 }), (names) => {
        const header = programHeader({
          ...data,
          plan: names.join(),
          lanes: names.map((name) => ({
            ...data.lanes[0]!,
            name,
            pin: name,
            clockPin: name,
            order: name,
            runs: [{ name, first: 0, count: 1, dark: [] }],
          })),
          inputs: names.map((name) => ({ name, kind: 'button', pin: name })),
          dimmers: names.map((name) => ({ ...dimmer, name })),
          supplies: names.map((name) => ({ ...data.supplies[0]!, name })),
        })
        const ids = [...header.matchAll(/^#define (\S+)/gm)].map(([, id]) => id!)
        expect(new Set(ids).size).toBe(ids.length)
        for (const id of ids) expect(id).toMatch(/^[A-Z_]\w*$/)
        // No string or comment is left by a name.
        for (const line of header.split('\n'))
          if (!line.startsWith('//'))
            expect((line.replaceAll(/\\./g, '').match(/"/g) ?? []).length % 2).toBe(0)
        for (const line of header.split('\n')) expect(line).not.toMatch(/\?\?[=/'()!<>-]|\\$/)
      }),
    )
  })

  it('makes no macro of two names, and no code of a pin', () => {
    const lane = data.lanes[0]!
    const header = programHeader({
      ...data,
      lanes: [
        { ...lane, name: 'A', pin: '1\n#error', clockPin: '7' },
        { ...lane, name: 'A clock', pin: 'GP12' },
      ],
      inputs: [{ name: 'say "??/', kind: 'button', pin: 'A0' }],
    })
    expect(header.split('\n')).toEqual(
      expect.arrayContaining([
        '#define LANE_A_PIN -1 /* write the number of pin 1 #error */',
        '#define LANE_A_CLOCK_PIN 7',
        '#define LANE_A_CLOCK_2_PIN 12',
        '#define PIN_SAY A0',
      ]),
    )
  })
})

describe('the diagram on paper', () => {
  it('is well-formed, shows every wire, and says where the mains ends', () => {
    const svg = diagramSvg(diagram, { ...plan, name: 'a < b & "c"' })
    const parsed = new XMLParser({ ignoreAttributes: false }).parse(svg) as {
      svg: Record<string, string>
    }
    expect(parsed.svg['@_aria-label']).toBe('Wiring of a < b & "c"')
    for (const { name } of wiring.wires) expect(svg).toContain(`data-wire="${name}"`)
    expect(svg).toContain('licensed electrician')
    expect(svgText(node('text', { x: 1 }, '<'))).toBe('<text x="1">&lt;</text>')
  })

  it('goes on the smallest paper on which it can be read', () => {
    expect(paperFor({ width: 700, height: 900 })).toMatchObject({
      pageSize: 'A4',
      pageOrientation: 'portrait',
    })
    expect(paperFor(diagram)).toMatchObject({ pageSize: 'A4', pageOrientation: 'landscape' })
    const forty = emptyPlan('forty', 'x')
    const many = worked({
      ...forty,
      lines: Array.from({ length: 40 }, (_, index) => ({
        id: `l${String(index)}`,
        text: `shelf ${String(500 + index)}`,
      })),
    })
    const large = diagramOf(many.wiring, many, plan.units)
    const paper = paperFor(large)
    expect(paper.pageSize).toBe('A3')
    // Its small letters are 5 points high and more.
    expect(paper.scale * 10).toBeGreaterThan(5)
  })

  it('lists and labels name both ends of every wire', () => {
    const pieces = labelledPieces([{ name: 'seat front', pieces: worked(plan).cutRuns[0]!.pieces }])
    const given = { plan, diagram, pieces, wiring: { ...wiring, joints } }
    for (const what of ['lists', 'labels'] as const) {
      const text = JSON.stringify(wiringPdf(what, given).content)
      for (const { name } of wiring.wires) expect(text).toContain(`"${name}"`)
    }
    const printed = JSON.stringify(wiringPdf('labels', given).content)
    for (const { name } of pieces) expect(printed).toContain(`"${name}"`)
    expect(JSON.stringify(wiringPdf('diagram', given).content)).toContain('<svg')
  })
})
