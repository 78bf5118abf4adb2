import type { LinkPlan } from '../core/glow/link/lanes'
import { leastMs, linkVersion, longestLine } from '../core/glow/link/protocol'
import { cComment } from './safe-text'

/**
 * The board's side of the bench link as C99 that needs no library: the same answers to every line as the simulated board, and the same
 * bytes on every lane (docs/formats.md). It shares its three functions with the C of a show and keeps one lane's bytes in memory.
 */
export function linkC(link: LinkPlan, plan: string): string {
  const { lanes, inputs, mark } = link
  const most = Math.max(1, ...lanes.map(({ count, spare, bytes }) => (count + spare) * bytes))
  const rows = lanes.map(
    (lane) =>
      `  { ${String(lane.count)}u, ${String(lane.spare)}u, ${String(lane.bytes)}u, ${String(leastMs(lane))}u },`,
  )
  return `/* The bench link of the plan ${cComment(plan)}: lights single pixels, counts and reads inputs for the page, over a serial port.
   C99 without any library. Written from the plan: change it there and write it anew.
   Lines of text at 115200 bits a second; the page, or you in a terminal, write: 1 light 0 12 330000 */
#include <stdint.h>

${lanes.map(({ name, count, bytes, order }, index) => `/* Lane ${String(index)}: ${cComment(name)}, ${String(count)} of ${String(bytes)} ${bytes === 1 ? 'byte' : `bytes, whose chips take ${cComment(order)}`}. */`).join('\n')}
${inputs.map(({ name }, index) => `/* Input ${String(index)}: ${cComment(name)}, 0 to 65535. */`).join('\n')}

/* You supply these four; the first three are those of a show's C.
     glow_send: sends the bytes of a lane (red, green, blue and white of each pixel), in the order of its chips
     glow_read: reads an input, 0 to 65535
     glow_ms:   milliseconds since the start
     glow_put:  writes one character to the serial port */
void glow_send(uint32_t lane, const uint8_t *bytes, uint32_t count);
uint16_t glow_read(uint32_t input);
uint32_t glow_ms(void);
void glow_put(char character);

static const uint32_t glow_link_lane_count = ${String(lanes.length)}u, glow_link_input_count = ${String(inputs.length)}u;

typedef struct { uint32_t count, spare, bytes, least_ms; } glow_link_lane;
static const glow_link_lane glow_link_lanes[] = {
${(rows.length === 0 ? ['  { 0u, 0u, 0u, 1000u },'] : rows).join('\n')}
};

enum { GLOW_OFF, GLOW_LIGHT, GLOW_FIRST, GLOW_ALL, GLOW_COUNT, GLOW_CHASE };
static struct { int word; uint32_t lane, at, since; uint8_t colour[8]; } glow_lit;
static char glow_line[${String(longestLine + 1)}];
static uint32_t glow_length, glow_is_long;
static uint32_t glow_step_shown;

static void glow_say(const char *text) { while (*text) glow_put(*text++); }
static void glow_say_number(uint32_t number) {
  char digits[10];
  int i = 0;
  do { digits[i++] = (char)('0' + number % 10u); number /= 10u; } while (number > 0u);
  while (i > 0) glow_put(digits[--i]);
}
static void glow_say_error(uint32_t number, const char *what) {
  glow_say_number(number); glow_say(" error "); glow_say(what); glow_put('\\n');
}
static void glow_say_ok(uint32_t number) { glow_say_number(number); glow_say(" ok "); }

/* Takes a whole number of at most nine digits and the space behind it; 0 where there is none. */
static int glow_take_number(const char **at, uint32_t *number) {
  const char *text = *at;
  uint32_t value = 0u, digits = 0u;
  while (*text >= '0' && *text <= '9') { if (digits++ == 9u) return 0; value = value * 10u + (uint32_t)(*text++ - '0'); }
  if (digits == 0u || (*text != ' ' && *text != 0)) return 0;
  *number = value;
  *at = text;
  return 1;
}
static int glow_take_space(const char **at) { if (**at != ' ') return 0; ++*at; return 1; }
static int glow_take_word(const char **at, const char *word) {
  const char *text = *at;
  while (*word) if (*text++ != *word++) return 0;
  if (*text != 0 && *text != ' ') return 0;
  *at = text;
  return 1;
}
static int glow_take_colour(const char *text, uint32_t bytes, uint8_t *colour) {
  uint32_t i, value = 0u;
  for (i = 0; i < 2u * bytes; i++, text++) {
    value = value * 16u;
    if (*text >= '0' && *text <= '9') value += (uint32_t)(*text - '0');
    else if (*text >= 'a' && *text <= 'f') value += (uint32_t)(*text - 'a') + 10u;
    else return 0;
    if (i % 2u == 1u) { colour[i / 2u] = (uint8_t)value; value = 0u; }
  }
  return *text == 0;
}

/* Sends every lane as it is to be now. */
static void glow_link_show(void) {
  static uint8_t out[${String(most)}];
  uint32_t lane, i, k, n, from, to;
  for (lane = 0; lane < glow_link_lane_count; lane++) {
    const glow_link_lane *own = &glow_link_lanes[lane];
    from = to = 0u;
    if (glow_lit.word != GLOW_OFF && glow_lit.lane == lane) {
      if (glow_lit.word == GLOW_LIGHT) { from = glow_lit.at; to = from + 1u; }
      else if (glow_lit.word == GLOW_FIRST) to = glow_lit.at;
      else if (glow_lit.word == GLOW_ALL) to = own->count + own->spare;
      else {
        if (own->count > 0u) { to = glow_step_shown % own->count + 1u; }
        if (to > 0u && glow_lit.word == GLOW_CHASE) from = to - 1u;
      }
    }
    n = 0u;
    for (i = 0; i < own->count + own->spare; i++)
      for (k = 0; k < own->bytes; k++) out[n++] = i >= from && i < to ? glow_lit.colour[k] : 0u;
    glow_send(lane, out, n);
  }
}

/* Reads what is asked behind the number; answers what is wrong, or 0 once it is answered. */
static const char *glow_link_do(uint32_t number, const char *at) {
  const char *start = at;
  uint32_t lane, value = 0u;
  int word;
  uint8_t colour[8] = { 0 };
  if (glow_take_word(&at, "hello")) {
    if (*at != 0) return "word";
    glow_say_ok(number); glow_say("hello ${String(linkVersion)} "); glow_say_number(glow_link_lane_count);
    glow_put(' '); glow_say_number(glow_link_input_count); glow_say(" ${mark}\\n");
    return 0;
  }
  if (glow_take_word(&at, "off")) {
    if (*at != 0) return "word";
    glow_lit.word = GLOW_OFF;
  } else if (glow_take_word(&at, "read")) {
    if (!glow_take_space(&at) || !glow_take_number(&at, &value) || *at != 0 || value >= glow_link_input_count) return "input";
    glow_say_ok(number); glow_say("read "); glow_say_number(value); glow_put(' '); glow_say_number(glow_read(value)); glow_put('\\n');
    return 0;
  } else {
    if (glow_take_word(&at, "lane")) word = -1;
    else if (glow_take_word(&at, "light")) word = GLOW_LIGHT;
    else if (glow_take_word(&at, "first")) word = GLOW_FIRST;
    else if (glow_take_word(&at, "all")) word = GLOW_ALL;
    else if (glow_take_word(&at, "count")) word = GLOW_COUNT;
    else if (glow_take_word(&at, "chase")) word = GLOW_CHASE;
    else return "word";
    if (!glow_take_space(&at) || !glow_take_number(&at, &lane) || lane >= glow_link_lane_count) return "lane";
    const glow_link_lane *own = &glow_link_lanes[lane];
    if (word < 0) {
      if (*at != 0) return "lane";
      glow_say_ok(number); glow_say("lane "); glow_say_number(lane); glow_put(' ');
      glow_say_number(own->count + own->spare); glow_put(' '); glow_say_number(own->bytes); glow_put('\\n');
      return 0;
    }
    if (word == GLOW_LIGHT || word == GLOW_FIRST) {
      if (!glow_take_space(&at) || !glow_take_number(&at, &value) || value > own->count + own->spare
          || (word == GLOW_LIGHT && value == own->count + own->spare)) return "pixel";
    } else if (word != GLOW_ALL) {
      if (!glow_take_space(&at) || !glow_take_number(&at, &value) || value < own->least_ms || value > 10000u) return "ms";
    }
    if (!glow_take_space(&at) || !glow_take_colour(at, own->bytes, colour)) return "colour";
    glow_lit.word = word; glow_lit.lane = lane; glow_lit.at = value;
    for (value = 0; value < 8u; value++) glow_lit.colour[value] = colour[value];
  }
  glow_lit.since = glow_ms();
  glow_step_shown = 0u;
  glow_link_show();
  glow_say_ok(number);
  /* What was understood, with the numbers as they were read. */
  if (glow_lit.word == GLOW_OFF) glow_say("off");
  else {
    while (*start != ' ') glow_put(*start++);
    glow_put(' '); glow_say_number(glow_lit.lane);
    if (glow_lit.word != GLOW_ALL) { glow_put(' '); glow_say_number(glow_lit.at); }
    glow_put(' '); glow_say(at);
  }
  glow_put('\\n');
  return 0;
}

/* Once for each character that came in. */
void glow_link_take(char character) {
  const char *at = glow_line, *wrong;
  uint32_t number = 0u, digits = 0u;
  if (character == '\\r') return;
  if (character != '\\n') {
    if (glow_length >= ${String(longestLine)}u) glow_is_long = 1u;
    else glow_line[glow_length++] = character;
    return;
  }
  glow_line[glow_length] = 0;
  if (!glow_is_long && glow_length > 0u) {
    while (*at >= '0' && *at <= '9' && digits < 6u) { number = number * 10u + (uint32_t)(*at++ - '0'); digits++; }
    if (digits == 0u || digits > 5u || *at != ' ') glow_say_error(0u, "number");
    else if ((wrong = glow_link_do(number, at + 1)) != 0) glow_say_error(number, wrong);
  }
  glow_length = glow_is_long = 0u;
}

/* Once in each turn of your main loop: goes on with counting and with a chase. */
void glow_link_run(void) {
  uint32_t step;
  if (glow_lit.word != GLOW_COUNT && glow_lit.word != GLOW_CHASE) return;
  step = (glow_ms() - glow_lit.since) / glow_lit.at;
  if (step == glow_step_shown) return;
  glow_step_shown = step;
  glow_link_show();
}
`
}
