import type { ProgramData } from '../core/signal/program'

/** What the program has to know as JSON. */
export const programJson = (data: ProgramData): string => `${JSON.stringify(data, null, 2)}\n`

/** The same as a C header: plain constants and tables, so that any compiler takes it. */
export function programHeader(data: ProgramData): string {
  const named = namer()
  const lanes = data.lanes.map((lane) => ({ ...lane, id: named('LANE', lane.name) }))
  const runs = lanes.flatMap((lane, index) => lane.runs.map((run) => ({ ...run, lane: index })))
  const dark = runs.flatMap(({ lane, dark: own }) => own.map((range) => ({ ...range, lane })))
  return [
    `// ${line(data.plan)}: written from its plan. Change the plan and write it anew, not this file.`,
    ...(data.board === null ? [] : [`// Board: ${line(data.board)}`]),
    '#ifndef GLOW_PLAN_H',
    '#define GLOW_PLAN_H',
    '',
    '// What everything that is dimmed may draw together beyond its idle current, and what it would draw at full white, mA.',
    `#define LIMIT_MA ${String(data.limitMa)}`,
    `#define FULL_WHITE_MA ${String(data.fullWhiteMa)}`,
    ...data.supplies.flatMap(({ name, volts, limitMa, fullWhiteMa }) => {
      const id = named('SUPPLY', name.replace(/^supply\s+/i, ''))
      return [
        `// ${line(name)}, ${String(volts)} V`,
        `#define ${id}_LIMIT_MA ${String(limitMa)}`,
        `#define ${id}_FULL_WHITE_MA ${String(fullWhiteMa)}`,
      ]
    }),
    '// Brightness that is never exceeded, 0 to 255.',
    `#define BRIGHTNESS_LIMIT ${String(Math.round(data.brightnessLimit * 255))}`,
    '',
    `#define LANE_COUNT ${String(lanes.length)}`,
    ...lanes.flatMap(({ id, name, pin, clockPin, pixels, bitsPerPixel, order, limitMa }) => [
      `// ${line(name)}: ${line(order)}, ${String(bitsPerPixel)} bits a pixel`,
      `#define ${id}_PIN ${pinText(pin)}`,
      ...(clockPin === null ? [] : [`#define ${id}_CLOCK_PIN ${pinText(clockPin)}`]),
      `#define ${id}_PIXELS ${String(pixels)}`,
      `#define ${id}_ORDER "${line(order)}"`,
      `#define ${id}_LIMIT_MA ${String(limitMa)}`,
    ]),
    '',
    ...data.inputs.map(({ name, pin }) => `#define ${named('PIN', name)} ${pinText(pin)}`),
    ...data.dimmers.flatMap(({ name, pin, limitMa }) => {
      const id = named('PIN', name)
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
          `{ "${line(name)}", ${String(lane)}, ${String(first)}, ${String(count)} }`,
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

/** Fit for a comment or a string of C. */
const line = (text: string): string => text.replaceAll(/[\r\n]+/g, ' ').replaceAll(/["\\]/g, "'")

/** Pins that are only numbered are written as numbers; `A0` stays a name that the board's own headers know. */
const pinText = (pin: string | null): string =>
  pin === null
    ? '-1 /* no pin is left */'
    : (/^[A-Z]*?(\d+)$/.exec(pin.replace(/^A/, '@'))?.[1] ?? pin)

/** Names as C has them, each once. */
function namer(): (prefix: string, name: string) => string {
  const taken = new Set<string>()
  return (prefix, name) => {
    const plain = name
      .normalize('NFKD')
      .replaceAll(/[^\w]+/g, '_')
      .replaceAll(/^_+|_+$/g, '')
      .toUpperCase()
    const wanted = `${prefix}_${plain === '' ? 'X' : plain}`
    let id = wanted
    for (let number = 2; taken.has(id); number += 1) id = `${wanted}_${String(number)}`
    taken.add(id)
    return id
  }
}
