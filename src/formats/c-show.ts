import { hasClock, placeBytes, type CompiledLayer, type CompiledShow } from '../core/glow/compile'
import { hasWhite, type ChannelKind } from '../core/glow/field'
import { fixedC } from '../core/glow/fixed'
import { unscaled, type Limiter } from '../core/glow/limiter'
import { keyStep, onFrom, patternC, tickMs, type Pattern } from '../core/glow/pattern'
import { dayMinutes } from '../core/glow/player'
import { cComment, cString } from './safe-text'

/** How each blend and channel is numbered in the tables. */
const blends = { add: 0, lighten: 1, over: 2 } as const
const channelCodes: Readonly<Record<ChannelKind, number>> = {
  none: 0,
  red: 1,
  green: 2,
  blue: 3,
  white: 4,
  cool: 5,
  warm: 6,
  all: 7,
}

/** What is told of the plan beside the show. */
export interface ShowFacts {
  readonly plan: string
  /** In the order of the field's lanes; `pin` and `order` where they are known. */
  readonly lanes: readonly { readonly pin: string | null; readonly order: string }[]
  readonly supplies: readonly { readonly name: string; readonly limitMa: number }[]
}

/**
 * A show as C99 that needs no library: whole numbers alone, the same as `Player`, so that the board sends the bytes that the preview shows.
 */
export function showC(show: CompiledShow, facts: ShowFacts): string {
  const { field, scenes, inputs, turns, limit } = show
  const parts = scenes.flatMap(({ layers }) => layers)
  const patterns = [...new Set(parts.map(({ pattern }) => pattern))]
  const tables = new Tables()
  const places = placeBytes(parts) === 2 ? 'uint16_t' : 'uint32_t'
  let [memory, frame] = [0, 0]
  const rows = parts.map((part) => {
    const { pattern, p, u, v, seed, length, width, count, blend, opacity } = part
    const spans = spansOf(part)
    const row = [
      `{ ${tables.of('int32_t', 'p', p)}, memory + ${String(memory)}, frame + ${String(frame)}, ${String(seed)}u, ${String(length)}, ${String(width)}, ${String(count)}u }`,
      tables.of(
        'span',
        's',
        spans,
        ([from, to, k]) => `{ ${String(from)}u, ${String(to)}u, ${String(k)}u }`,
      ),
      `${String(spans.length)}u`,
      tables.of(places, 'u', u),
      width > 0 ? tables.of(places, 'u', v) : '0',
      `${String(patterns.indexOf(pattern))}u`,
      `${String(blends[blend])}u`,
      `${String(opacity)}u`,
      `${String(pattern.memory)}u`,
    ].join(', ')
    memory += pattern.memory
    frame += pattern.frame
    return `{ ${row} }`
  })
  let next = 0
  const sceneRows = scenes.map(({ layers, lengthMs, fadeMs, input, from, to, clock }) => {
    const row = `{ ${String(next)}u, ${String(layers.length)}u, ${String(lengthMs)}, ${String(fadeMs)}, ${String(input < inputs.length ? input : -2)}, ${String(from)}, ${String(to)}, ${String(clock)} }`
    next += layers.length
    return row
  })
  const most = Math.max(1, ...field.lanes.map(({ count, channels }) => count * channels.length))
  const words = [memory, frame].map((count) => String(Math.max(1, count)))
  return [
    ...head(show, facts),
    `#define GLOW_LANES ${String(field.lanes.length)}`,
    `#define GLOW_INPUTS ${String(inputs.length + (hasClock(show) ? 1 : 0))}`,
    '/* Bytes of the longest lane. */',
    `#define GLOW_MOST_BYTES ${String(most)}`,
    ...inputs.map(
      ({ name, kind }, index) =>
        `/* Input ${String(index)}: ${cComment(name)}, ${kind === 'remote' ? `the number of the key that is held × ${String(keyStep)}, 0 while none is` : `0 to 65535, on from ${String(onFrom)}`}. */`,
    ),
    ...(hasClock(show)
      ? [
          `/* Input ${String(inputs.length)}: the minute of the day, 0 to ${String(dayMinutes - 1)}; 65535 while the board does not know it. */`,
        ]
      : []),
    '',
    fixedC,
    patternC,
    `static int32_t memory[${words[0] ?? ''}], frame[${words[1] ?? ''}];`,
    ...patterns.map(patternFunctions),
    'typedef struct { uint32_t from, to, k; } span;',
    `typedef struct { layer l; const span *spans; uint32_t span_count; const ${places} *u, *v; uint8_t pattern, blend; uint16_t opacity, words; } part;`,
    'typedef struct { uint32_t first, count; int32_t length, fade; int32_t input, from, to, clock; } scene;',
    'typedef struct { uint32_t from, count; uint8_t channels, white; const uint8_t *kinds; } lane;',
    ...tables.lines,
    ...table('part', 'parts', rows, '{ { 0, memory, frame, 0, 1, 0, 0 }, 0, 0, 0, 0, 0, 0, 0, 0 }'),
    ...table('scene', 'scenes', sceneRows, '{ 0, 0, 0, 0, -1, 0, 0, -1 }'),
    `static const int turns[] = { ${turns.map(String).join(', ')} };`,
    ...field.lanes.map(
      ({ channels }, index) =>
        `static const uint8_t kinds${String(index)}[] = { ${channels.map((kind) => String(channelCodes[kind])).join(', ')} };`,
    ),
    ...table(
      'lane',
      'lanes',
      field.lanes.map(
        ({ from, count, channels }, index) =>
          `{ ${String(from)}u, ${String(count)}u, ${String(channels.length)}u, ${hasWhite(channels) ? '1' : '0'}u, kinds${String(index)} }`,
      ),
      '{ 0, 0, 0, 0, 0 }',
    ),
    darkNote(show),
    player({
      turns: turns.length,
      scenes: scenes.length,
      limit,
      patterns,
      clock: hasClock(show) ? inputs.length : undefined,
      limiter: show.limiter,
    }),
    guide,
  ].join('\n')
}

function head({ name, field }: CompiledShow, facts: ShowFacts): string[] {
  return [
    `/* ${cComment(name)}: a show of the plan ${cComment(facts.plan)}. Written from the plan: change it there and write it anew.`,
    '   C99 without any library. Once a frame: glow_step(ms, inputs), then glow_bytes(lane, out) for each lane, and send the bytes.',
    '   Bytes are red, green, blue (and white) as linear duty, the brightness limit included. */',
    '#include <stdint.h>',
    '',
    ...field.lanes.map(({ name: lane, kind, count, channels }, index) => {
      const { pin = null, order = '' } = facts.lanes[index] ?? {}
      const what =
        kind === 'pixels'
          ? `${String(count)} pixels of ${String(channels.length)} bytes${order === '' ? '' : `, whose chips take ${cComment(order)}`}`
          : 'a dimmer, one byte'
      return `/* Lane ${String(index)}: ${cComment(lane)}, ${what}${pin === null ? '' : `, pin ${cComment(pin)}`}. */`
    }),
    ...facts.supplies.map(
      ({ name: supply, limitMa }) =>
        `/* ${cComment(supply)} may give what is dimmed ${String(limitMa)} mA. */`,
    ),
    '/* The order in which the chips of each lane take their colours, for what sends the bytes. */',
    `static const char *const glow_order[] = { ${[...field.lanes.keys()].map((index) => cString(facts.lanes[index]?.order ?? '')).join(', ') || '""'} };`,
  ]
}

/** How many elements are never lit: they belong to no layer, so that nothing more has to be told of them. */
function darkNote({ field }: CompiledShow): string {
  const dark = field.run.reduce((sum, run) => sum + (run < 0 ? 1 : 0), 0)
  return `/* ${String(dark)} of ${String(field.count)} stay dark. */`
}

/** Elements that follow each other: from, up to, and the number of the first in the layer. */
function spansOf({ elements }: CompiledLayer): (readonly [number, number, number])[] {
  const spans: [number, number, number][] = []
  for (const [k, at] of elements.entries()) {
    const last = spans.at(-1)
    if (last?.[1] === at) last[1] += 1
    else spans.push([at, at + 1, k])
  }
  return spans
}

/** Tables of numbers, each kept once. */
class Tables {
  readonly lines: string[] = []
  private readonly names = new Map<string, string>()

  of<Item>(
    type: string,
    letter: string,
    items: Iterable<Item>,
    text: (item: Item) => string = String,
  ): string {
    const list = [...items]
    if (list.length === 0) return '0'
    const body = list.map(text).join(', ')
    const known = this.names.get(`${type} ${body}`)
    if (known !== undefined) return known
    const name = `${letter}${String(this.names.size)}`
    this.names.set(`${type} ${body}`, name)
    this.lines.push(`static const ${type} ${name}[] = { ${body} };`)
    return name
  }
}

const table = (type: string, name: string, rows: readonly string[], empty: string): string[] => [
  `static const ${type} ${name}[] = {`,
  ...(rows.length === 0 ? [empty] : rows).map((row) => `  ${row},`),
  '};',
]

function patternFunctions({ id, c }: Pattern): string {
  const unused = (names: readonly string[]): string =>
    names.map((name) => `(void)${name};`).join(' ')
  return [
    ...(c.tick === undefined
      ? []
      : [
          `static void ${id}_tick(const layer *l, uint32_t ms, const uint16_t *in) {`,
          `  ${c.tick}`,
          `  ${unused(['ms', 'in'])}`,
          '}',
        ]),
    ...(c.begin === undefined
      ? []
      : [
          `static void ${id}_begin(const layer *l, uint32_t ms) {`,
          `  ${c.begin}`,
          `  ${unused(['ms'])}`,
          '}',
        ]),
    `static void ${id}_pixel(const layer *l, int32_t u, int32_t v, uint32_t k, paint *c) {`,
    `  ${unused(['u', 'v', 'k'])}`,
    `  {`,
    `  ${c.pixel}`,
    `  }`,
    '}',
  ].join('\n')
}

function player({
  turns,
  scenes,
  limit,
  patterns,
  clock,
  limiter,
}: {
  readonly turns: number
  readonly scenes: number
  readonly limit: number
  readonly patterns: readonly Pattern[]
  /** The input that is the minute of the day. */
  readonly clock: number | undefined
  readonly limiter: Limiter | undefined
}): string {
  const cases = (of: 'tick' | 'begin' | 'pixel', call: string): string =>
    patterns
      .map(({ id, c }, index) =>
        c[of] === undefined ? '' : `    case ${String(index)}: ${id}_${of}(${call}); break;\n`,
      )
      .join('')
  return `static int32_t next_tick, now, since, before = -1, before_since, asked = -1, held, turn;
static uint8_t was_on[${String(Math.max(1, scenes))}];
static uint32_t frame_ms;
static int is_started;

static int is_turn(int32_t at) {
  int i;
  for (i = 0; i < ${String(turns)}; i++) if (turns[i] == at) return i + 1;
  return 0;
}
static void forget(int32_t at) {
  uint32_t i, j;
  for (i = 0; i < scenes[at].count; i++)
    for (j = 0; j < parts[scenes[at].first + i].words; j++) parts[scenes[at].first + i].l.m[j] = 0;
}
static void go(int32_t to, int32_t ms) {
  before = scenes[to].fade > 0 ? now : -1;
  before_since = since;
  now = to;
  since = held = ms;
  if (is_turn(to)) turn = to;
  forget(to);
}
static void tick_scene(int32_t at, uint32_t ms, const uint16_t *in) {
  uint32_t i;
  for (i = 0; i < scenes[at].count; i++) {
    const part *x = parts + scenes[at].first + i;
    switch (x->pattern) {
${cases('tick', '&x->l, ms, in')}    default: break;
    }
  }
  (void)ms; (void)in;
}
${dueC(scenes, clock)}
static void tick(int32_t ms, const uint16_t *in) {
  int32_t i, age, due = due_at(in);
  for (i = 0; i < ${String(scenes)}; i++) {
    int32_t said, wanted;
    if (scenes[i].input == -1) continue;
    said = in == 0 || scenes[i].input < 0 ? 0 : in[scenes[i].input];
    wanted = scenes[i].input >= 0 && said >= scenes[i].from && said <= scenes[i].to;
    if (i == now) { if (wanted) held = ms; }
    else if (wanted && !was_on[i]) asked = i;
    was_on[i] = (uint8_t)wanted;
  }
  age = ms - since;
  if (before >= 0 && age >= scenes[now].fade) before = -1;
  if (before < 0) {
    if (asked >= 0) { go(asked, ms); asked = -1; }
    else if (scenes[now].input != -1) { if (ms - held >= scenes[now].length) go(due < 0 ? turn : due, ms); }
    else if (due >= 0) { if (due != now) go(due, ms); }
    else if (!is_turn(now)) go(turn, ms);
    else if (${String(turns)} > 1 && age >= scenes[now].length) go(turns[is_turn(now) % ${String(turns)}], ms);
  }
  tick_scene(now, (uint32_t)(ms - since), in);
  if (before >= 0) tick_scene(before, (uint32_t)(ms - before_since), in);
}
static void begin_scene(int32_t at, uint32_t ms) {
  uint32_t i;
  for (i = 0; i < scenes[at].count; i++) {
    const part *x = parts + scenes[at].first + i;
    switch (x->pattern) {
${cases('begin', '&x->l, ms')}    default: break;
    }
  }
  (void)ms;
}
static uint32_t blended(uint32_t blend, uint32_t below, uint32_t above, uint32_t cover) {
  uint32_t sum;
  if (blend == 1u) return below > above ? below : above;
  sum = (blend == 2u ? mul(below, cover) : below) + above;
  return sum > FULL ? FULL : sum;
}
static void paint_scene(int32_t at, uint32_t element, uint32_t *light) {
  uint32_t i, j;
  light[0] = light[1] = light[2] = light[3] = 0u;
  for (i = 0; i < scenes[at].count; i++) {
    const part *x = parts + scenes[at].first + i;
    for (j = 0; j < x->span_count; j++) {
      paint c = { 0, 0, 0, 0, 0 };
      uint32_t k, cover;
      if (element < x->spans[j].from || element >= x->spans[j].to) continue;
      k = x->spans[j].k + element - x->spans[j].from;
      switch (x->pattern) {
${cases('pixel', '&x->l, (int32_t)x->u[k], x->v == 0 ? 0 : (int32_t)x->v[k], k, &c').replaceAll('    case', '      case')}      default: break;
      }
      cover = FULL - mul(c.a, x->opacity);
      light[0] = blended(x->blend, light[0], mul(c.r, x->opacity), cover);
      light[1] = blended(x->blend, light[1], mul(c.g, x->opacity), cover);
      light[2] = blended(x->blend, light[2], mul(c.b, x->opacity), cover);
      light[3] = blended(x->blend, light[3], mul(c.w, x->opacity), cover);
    }
  }
}
static uint32_t capped(uint32_t level) { return level > FULL ? FULL : level; }
static uint32_t level_of(uint8_t kind, int white, const uint32_t *light) {
  uint32_t r = light[0], g = light[1], b = light[2], w = light[3];
  uint32_t low = r < g ? (r < b ? r : b) : (g < b ? g : b), high = r > g ? (r > b ? r : b) : (g > b ? g : b);
  switch (kind) {
    case 1: return white ? r - low : capped(r + w);
    case 2: return white ? g - low : capped(g + w);
    case 3: return white ? b - low : capped(b + w);
    case 4: return capped(low + w);
    case 5: return low;
    case 6: return capped(high - low + w);
    case 7: return capped(high + w);
    default: return 0u;
  }
}
static uint32_t age_of(void) { return frame_ms - (uint32_t)since; }
static void paint_element(uint32_t element, uint32_t age, uint32_t *light) {
  paint_scene(now, element, light);
  if (before >= 0 && age < (uint32_t)scenes[now].fade) {
    uint32_t k, other[4], part_of = (uint32_t)(((uint64_t)age << 16) / (uint32_t)scenes[now].fade);
    paint_scene(before, element, other);
    for (k = 0; k < 4u; k++) light[k] = mix(other[k], light[k], part_of);
  }
}
static uint32_t byte_of(uint8_t kind, int white, const uint32_t *light) {
  uint32_t level = (level_of(kind, white, light) * (uint64_t)${String(limit)}u + 32768u) >> 16;
  return (level * 255u + 32767u) / FULL;
}
${limiterC(limiter)}
/* Once a frame: ms since the start, which only goes up, and GLOW_INPUTS inputs (or 0 for none). */
void glow_step(uint32_t ms, const uint16_t *inputs) {
  if (!is_started) { is_started = 1; now = turn = turns[0]; }
  while (next_tick <= (int32_t)ms) { tick(next_tick, inputs); next_tick += ${String(tickMs)}; }
  frame_ms = ms;
  begin_scene(now, ms - (uint32_t)since);
  if (before >= 0) begin_scene(before, ms - (uint32_t)before_since);
  limit_frame();
}
/* After glow_step: fills out with what is sent on a lane, and answers how many bytes that is. */
uint32_t glow_bytes(uint32_t at, uint8_t *out) {
  uint32_t i, k, n = 0, age = age_of();
  if (at >= GLOW_LANES) return 0u;
  for (i = 0; i < lanes[at].count; i++) {
    uint32_t light[4], scale = scale_of(lanes[at].from + i);
    paint_element(lanes[at].from + i, age, light);
    for (k = 0; k < lanes[at].channels; k++)
      out[n++] = (uint8_t)((byte_of(lanes[at].kinds[k], lanes[at].white, light) * scale) >> 16);
  }
  return n;
}
`
}

/** Which scene's time of day it is, the last of several; -1 for none. */
const dueC = (scenes: number, clock: number | undefined): string =>
  clock === undefined
    ? 'static int32_t due_at(const uint16_t *in) { (void)in; return -1; }'
    : `static int32_t due_at(const uint16_t *in) {
  int32_t i, due = -1, minute = in == 0 ? ${String(dayMinutes)} : in[${String(clock)}];
  if (minute >= ${String(dayMinutes)}) return -1;
  for (i = 0; i < ${String(scenes)}; i++)
    if (scenes[i].clock >= 0 && (minute + ${String(dayMinutes)} - scenes[i].clock) % ${String(dayMinutes)} * 60000 < scenes[i].length) due = i;
  return due;
}`

/** Holds every frame to what its supplies may give: each pixel is painted twice, once to reckon and once to send. */
function limiterC(limiter: Limiter | undefined): string {
  if (limiter === undefined || limiter.draws.length === 0)
    return `static uint32_t scale_of(uint32_t element) { (void)element; return ${String(unscaled)}u; }
static void limit_frame(void) {}`
  const { draws, supplies } = limiter
  const rows = draws.map(({ from, count, channels, microA, supply }) => {
    const four = (numbers: readonly number[]): string =>
      `{ ${[0, 1, 2, 3].map((at) => String(numbers[at] ?? 0)).join(', ')} }`
    return `{ ${String(from)}u, ${String(count)}u, ${String(supply)}u, ${String(channels.length)}u, ${hasWhite(channels) ? '1' : '0'}u, ${four(channels.map((kind) => channelCodes[kind]))}, ${four(microA)} }`
  })
  return `typedef struct { uint32_t from, count; uint8_t supply, channels, white, kinds[4]; uint32_t micro[4]; } draw;
${table('draw', 'draws', rows, '').join('\n')}
/* Of each supply: what the program may let draw, mA. */
static const uint32_t limits[] = { ${supplies.map(({ limitMa }) => `${String(limitMa)}u`).join(', ')} };
static uint32_t scales[${String(supplies.length)}];
static uint32_t scale_of(uint32_t element) {
  uint32_t i, scale = ${String(unscaled)}u;
  for (i = 0; i < ${String(draws.length)}u; i++)
    if (element >= draws[i].from && element < draws[i].from + draws[i].count && scales[draws[i].supply] < scale) scale = scales[draws[i].supply];
  return scale;
}
static void limit_frame(void) {
  uint64_t sums[${String(supplies.length)}] = { 0 };
  uint32_t i, k, at, age = age_of();
  for (i = 0; i < ${String(draws.length)}u; i++)
    for (at = draws[i].from; at < draws[i].from + draws[i].count; at++) {
      uint32_t light[4];
      paint_element(at, age, light);
      for (k = 0; k < draws[i].channels; k++)
        sums[draws[i].supply] += (uint64_t)byte_of(draws[i].kinds[k], draws[i].white, light) * draws[i].micro[k];
    }
  for (i = 0; i < ${String(supplies.length)}u; i++) {
    uint64_t most = (uint64_t)limits[i] * 255000u;
    scales[i] = sums[i] > most ? (uint32_t)((most << 16) / sums[i]) : ${String(unscaled)}u;
  }
}`
}

/** How it is used, and a loop that a maker only has to call. */
const guide = `/* You supply three functions, and call glow_run() once a frame from your main loop:
     void glow_send(uint32_t lane, const uint8_t *bytes, uint32_t count);  sends the bytes of a lane, in the order of its chips (glow_order)
     uint16_t glow_read(uint32_t input);                                    reads an input, 0 to 65535
     uint32_t glow_ms(void);                                                milliseconds since the start */
void glow_send(uint32_t lane, const uint8_t *bytes, uint32_t count);
uint16_t glow_read(uint32_t input);
uint32_t glow_ms(void);
static inline void glow_run(void) {
  static uint8_t bytes[GLOW_MOST_BYTES];
  uint16_t inputs[GLOW_INPUTS + 1];
  uint32_t i;
  for (i = 0; i < GLOW_INPUTS; i++) inputs[i] = glow_read(i);
  inputs[GLOW_INPUTS] = 0;
  glow_step(glow_ms(), inputs);
  for (i = 0; i < GLOW_LANES; i++) glow_send(i, bytes, glow_bytes(i, bytes));
}
`
