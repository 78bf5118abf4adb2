import type { ProgramData } from '../core/signal/program'
import { cComment, cString, jsonText } from './safe-text'

/** What the program has to know as JSON. */
export const programJson = (data: ProgramData): string => `${jsonText(data)}\n`

/** The same as a C header: plain constants and tables, so that any compiler takes it. */
export function programHeader(data: ProgramData): string {
  const named = namer()
  const lanes = data.lanes.map((lane) => ({ ...lane, id: named('LANE', lane.name, laneMacros) }))
  const runs = lanes.flatMap((lane, index) => lane.runs.map((run) => ({ ...run, lane: index })))
  const dark = runs.flatMap(({ lane, dark: own }) => own.map((range) => ({ ...range, lane })))
  return [
    `// ${cComment(data.plan)}: written from its plan. Change the plan and write it anew, not this file.`,
    ...(data.board === null ? [] : [`// Board: ${cComment(data.board)}`]),
    '#ifndef GLOW_PLAN_H',
    '#define GLOW_PLAN_H',
    '',
    '// What everything that is dimmed may draw together beyond its idle current, and what it would draw at full white, mA.',
    `#define LIMIT_MA ${String(data.limitMa)}`,
    `#define FULL_WHITE_MA ${String(data.fullWhiteMa)}`,
    ...data.supplies.flatMap(({ name, volts, limitMa, fullWhiteMa }) => {
      const id = named('SUPPLY', name.replace(/^supply\s+/i, ''), ['_LIMIT_MA', '_FULL_WHITE_MA'])
      return [
        `// ${cComment(name)}, ${String(volts)} V`,
        `#define ${id}_LIMIT_MA ${String(limitMa)}`,
        `#define ${id}_FULL_WHITE_MA ${String(fullWhiteMa)}`,
      ]
    }),
    '// Brightness that is never exceeded, 0 to 255.',
    `#define BRIGHTNESS_LIMIT ${String(Math.round(data.brightnessLimit * 255))}`,
    '',
    `#define LANE_COUNT ${String(lanes.length)}`,
    ...lanes.flatMap(({ id, name, pin, clockPin, pixels, bitsPerPixel, order, limitMa }) => [
      `// ${cComment(name)}: ${cComment(order)}, ${String(bitsPerPixel)} bits a pixel`,
      `#define ${id}_PIN ${pinText(pin)}`,
      ...(clockPin === null ? [] : [`#define ${id}_CLOCK_PIN ${pinText(clockPin)}`]),
      `#define ${id}_PIXELS ${String(pixels)}`,
      `#define ${id}_ORDER ${cString(order)}`,
      `#define ${id}_LIMIT_MA ${String(limitMa)}`,
    ]),
    '',
    ...data.inputs.map(({ name, pin }) => `#define ${named('PIN', name, [''])} ${pinText(pin)}`),
    ...data.dimmers.flatMap(({ name, pin, limitMa }) => {
      const id = named('PIN', name, ['', '_LIMIT_MA'])
      return [`#define ${id} ${pinText(pin)}`, `#define ${id}_LIMIT_MA ${String(limitMa)}`]
    }),
    ...(data.inputs.length + data.dimmers.length > 0 ? [''] : []),
    'typedef struct { const char *name; int lane; int first; int count; } PlanRun;',
    'typedef struct { int lane; int from; int count; } PlanDark;',
    '',
    `#define RUN_COUNT ${String(runs.length)}`,
    ...table(
      'PlanRun PLAN_RUNS',
      runs.map(
        ({ name, lane, first, count }) =>
          `{ ${cString(name)}, ${String(lane)}, ${String(first)}, ${String(count)} }`,
      ),
      '{ "", 0, 0, 0 }',
    ),
    '// Numbers that stay dark.',
    `#define DARK_COUNT ${String(dark.length)}`,
    ...table(
      'PlanDark PLAN_DARK',
      dark.map(({ lane, from, count }) => `{ ${String(lane)}, ${String(from)}, ${String(count)} }`),
      '{ 0, 0, 0 }',
    ),
    '#endif',
    '',
  ].join('\n')
}

/** A table of at least one row: C has no empty ones. */
const table = (head: string, rows: readonly string[], empty: string): string[] => [
  `static const ${head}[] = {`,
  ...(rows.length === 0 ? [empty] : rows).map((row) => `  ${row},`),
  '};',
  '',
]

/** What is written behind the name of a lane. */
const laneMacros = ['_PIN', '_CLOCK_PIN', '_PIXELS', '_ORDER', '_LIMIT_MA']

/**
 * Pins that are only numbered are written as numbers; `A0` stays a name that the board's own headers know. What is neither is left to the
 * programmer.
 */
function pinText(pin: string | null): string {
  if (pin === null) return '-1 /* no pin is left */'
  const numbered = /^[A-Z]*?(\d+)$/.exec(pin.replace(/^A/, '@'))?.[1]
  if (numbered !== undefined) return numbered
  return /^[A-Z][A-Z\d_]*$/.test(pin) ? pin : `-1 /* write the number of pin ${cComment(pin)} */`
}

/** Names as C has them: none of the macros that are made of one is made of another. */
function namer(): (prefix: string, name: string, endings: readonly string[]) => string {
  const taken = new Set<string>()
  return (prefix, name, endings) => {
    const plain = name
      .normalize('NFKD')
      .replaceAll(/[^A-Za-z0-9_]+/g, '_')
      .replaceAll(/^_+|_+$/g, '')
      .toUpperCase()
    const wanted = `${prefix}_${plain === '' ? 'X' : plain}`
    let id = wanted
    const isTaken = (ending: string): boolean => taken.has(id + ending)
    for (let number = 2; endings.some(isTaken); number += 1) id = `${wanted}_${String(number)}`
    for (const ending of endings) taken.add(id + ending)
    return id
  }
}
