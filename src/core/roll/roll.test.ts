import { describe, expect, it } from 'vitest'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { figureText, workingText } from '../quantity/figure'
import { tally } from '../tally'
import type { JudgedVerdict } from '../verdict/verdict'
import { worked } from '../worked'
import { printed as printedOf } from './roll'
import { withVerdicts } from './section'
import { demoPlan } from '../../testing/demo-plan'

/** The roll as it is printed: `label working = value`. */
function printed(extra: Partial<Plan>): string[] {
  const plan: Plan = { ...emptyPlan('test', 'x'), ...extra }
  return tally(plan).roll.flatMap(({ title, figures }) => [
    `— ${title}`,
    ...figures.map((figure) =>
      [figure.label, figure.isTotal ? '' : workingText(figure), '=', figureText(figure)]
        .filter((part) => part !== '')
        .join(' '),
    ),
  ])
}
const lines = (...texts: string[]): Pick<Plan, 'lines'> => ({
  lines: texts.map((text, index) => ({ id: `l${String(index)}`, text })),
})

describe('the roll', () => {
  it('shows pixels at full white', () => {
    expect(printed(lines('seat front 2140', 'ledge 2 x 555'))).toEqual([
      '— Length',
      'seat front 128 × 16.7 mm = 2133 mm',
      'ledge 66 × 16.7 mm = 1100 mm',
      'strip to place = 3.23 m',
      '— Leads from the supply',
      'to seat front = 1.01 m',
      'to ledge = 0.48 m',
      '2 leads, pairs of wires = 1.49 m',
      '— Current at 5 V',
      '194 px × 3 × 12 mA = 6.98 A',
      'dark pixels 194 px × 0.7 mA = 0.14 A',
      'full white = 7.12 A',
      'power 5 V × 7.12 A = 35.6 W',
      '— Run by run',
      'seat front 128 × 36.7 mA = 4.70 A',
      'ledge 66 × 36.7 mA = 2.42 A',
      '— Reels',
      'reels 1 of 5.00 m × 30.00 = 30.00',
      'proved cheapest = 30.00',
      '— Supply',
      'required (7.12 A + 0.030 A) ÷ 0.8 = 8.94 A',
      '5 V brick, 10 A = 10.0 A',
      '— Volts at full white',
      'seat front 100 % at 128 = 3.89 V',
      'ledge 100 % at 66 = 4.64 V',
      '— Leads and fuses',
      'seat front 2 × 1.01 m × 0.0172 Ω/m × 4.70 A = 0.16 V',
      'fuse 4.70 A × 1.25 = 7.50 A',
      'ledge 2 × 0.48 m × 0.0172 Ω/m × 2.42 A = 0.040 V',
      'fuse 2.42 A × 1.25 = 4.00 A',
      'lost in copper = 4.57 W',
      '— Warmth',
      'seat front 4.86 W/m × 85 % × 2.941 = 12.2 K',
      'ledge 4.86 W/m × 85 % × 2.941 = 12.2 K',
      '— In use',
      'capacitor 1000 µF 1.5 × 5 V = 7.5 V = 10 V',
      'a year 35.6 kWh × 0.30 = 10.67',
      '— Level at the first pixel',
      'Lane 1, to first pixel 5 V − 0.085 V − 0.7 × 4.74 V = 1.60 V',
      '— Frames',
      'Lane 1, 169 frames a second 194 px × 30 µs + 80 µs = 5.9 ms',
      '— Board',
      'pins of the small 5 V 8-bit board 20 it has = 1',
      'memory for the pixels of 1434 B = 582 B',
      'board and sensors draw 30 mA + 0 mA = 0.030 A',
      '— Wire',
      '1 mm² red 3 × 549 mm = 1.65 m',
      '1 mm² black 3 × 549 mm = 1.65 m',
      '0.22 mm² green 3 × 1462 mm = 4.39 m',
      '0.22 mm² red 1 × 346 mm = 0.35 m',
      '0.22 mm² black 1 × 346 mm = 0.35 m',
      '11 wires = 8.37 m',
      '— Joints',
      'screws 6 × 1 min = 6 min',
      'in a wire 4 × 3 min = 12 min',
      'soldered 9 × 4.44 min = 40 min',
      '19 joints = 58 min',
      '— The bill',
      'light 1 line = 30.00',
      'power 7 lines = 26.85',
      'board 1 line = 4.50',
      'wire 0.55 + 1.05 + 0.55 + 1.30 + 1.30 = 4.75',
      'small parts 0.55 + 0.80 + 0.80 + 0.10 + 2.00 = 4.25',
      'the whole bill = 70.35',
      'a metre of light 70.35 / 3.23 m = 21.76',
      '— Time to build',
      'measuring and fitting 4 steps = 8 min',
      'cutting and sawing 9 steps = 11.3 min',
      'tinning 9 steps = 17.8 min',
      'threading 6 steps = 11.5 min',
      'joints 12 steps = 58 min',
      'meter checks and tests 18 steps = 44 min',
      'mounting and closing 12 steps = 34.1 min',
      'labels and the rest 5 steps = 13.5 min',
      'changes of tool = 39.8 min',
      'hands on, one after another = 3 h 58',
      'from first to last = 4 h 34',
      'in batches = 3 h 45',
    ])
  })

  it('shows white held down, and counts it once', () => {
    expect(printed({ ...lines('seat 2140'), limit: 0.5 })).toEqual(
      expect.arrayContaining([
        '128 px × 3 × 12 mA = 4.61 A',
        'limited to 50 % of 4.61 A = 2.30 A',
        'dark pixels 128 px × 0.7 mA = 0.090 A',
        'full white = 2.39 A',
      ]),
    )
  })

  it('shows idle as what the dark pixels draw, and sizes the supply for full white all the same', () => {
    const shown = printed({ ...lines('seat 2140'), scene: { shown: 'idle', level: 0.4 } })
    expect(shown).toContain('idle = 0.090 A')
    expect(shown).toContain('required (4.70 A + 0.030 A) ÷ 0.8 = 5.91 A')
    expect(shown.join()).not.toContain('12 mA')
  })

  it('shows a plain strip by its watts, and strips of other volts under their own heading', () => {
    const plan = {
      lines: [
        { id: 'a', text: 'rail 3000', stripId: 'white-24v-10' },
        { id: 'b', text: 'shelf 500' },
        { id: 'c', text: 'drawer 500', stripId: 'white-24v-19' },
      ],
    }
    const shown = printed(plan)
    expect(shown).toContain('— Current at 24 V')
    expect(shown).toContain('— Current at 5 V')
    expect(shown).toContain('24 V white, 9.6 W/m 3.00 m × 9.6 W/m ÷ 24 V = 1.20 A')
    expect(shown).toContain('24 V white, 19.2 W/m 0.50 m × 19.2 W/m ÷ 24 V = 0.40 A')
    // What is found of current as a whole is told under the first of them alone.
    const sections = printedOf.current.work(worked({ ...emptyPlan('test', 'x'), ...plan }))
    const found = {
      code: 'nameplate',
      section: 'current',
      about: ['a'],
    } as unknown as JudgedVerdict
    expect(withVerdicts(sections, [found]).map(({ verdicts }) => verdicts.length)).toEqual([1, 0])
  })

  it('counts single lights and says that their current is not in it', () => {
    const plan: Plan = { ...emptyPlan('test', 'x'), ...lines('stars grid 5 x 8 @ 60') }
    const [section] = tally(plan).roll
    expect(section?.figures[0]).toMatchObject({
      value: 40,
      unit: 'lights',
      rule: /not in the sums/,
    })
  })

  it('of an empty pad is empty', () => {
    expect(printed(lines('', '# later', 'oops 12oo'))).toEqual([])
  })
})

describe('every verdict has its place on the roll', () => {
  it.each(['bay-window-nook', 'pegboard-moon', 'wardrobe-rails', 'paper-lanterns', 'firefly-jar'])(
    'of %s, and is told once',
    (name) => {
      const plan = demoPlan(name)
      const { roll, verdicts } = tally({
        ...plan,
        signal: { ...plan.signal, resistorOhm: null, fix: 'none' },
        lines: plan.lines.map((line) => ({
          ...line,
          ...(line.lights !== undefined && {
            lights: { ...line.lights, resistor: 'none' as const },
          }),
        })),
      })
      const shown = roll.flatMap((section) => section.verdicts.map(({ id }) => id))
      for (const { id } of verdicts)
        expect(
          shown.filter((one) => one === id),
          id,
        ).toHaveLength(1)
    },
  )
})
