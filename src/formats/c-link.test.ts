import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SimulatedBoard } from '../core/glow/link/board'
import { linkPlan } from '../core/glow/link/lanes'
import { leastMs } from '../core/glow/link/protocol'
import { worked } from '../core/worked'
import { demoPlan } from '../testing/demo-plan'
import { linkC } from './c-link'

/** Speaks the link over standard input and output: `@ms` sets the clock, and what is sent on the lanes is summed up. */
const harness = `
#include <stdio.h>
#include <stdlib.h>
#include "link.c"
static uint32_t now, sum;
void glow_send(uint32_t lane, const uint8_t *bytes, uint32_t count) {
  uint32_t i;
  if (lane == 0u) sum = 2166136261u;
  for (i = 0; i < count; i++) sum = (sum ^ bytes[i]) * 16777619u;
}
uint16_t glow_read(uint32_t input) { return (uint16_t)(1000u + 7u * input); }
uint32_t glow_ms(void) { return now; }
void glow_put(char character) { putchar(character); }
int main(void) {
  static char line[400];
  while (fgets(line, sizeof line, stdin)) {
    char *at = line;
    if (*at == '@') { now = (uint32_t)strtoul(at + 1, 0, 10); glow_link_run(); printf("=%lu\\n", (unsigned long)sum); }
    else while (*at) glow_link_take(*at++);
  }
  return 0;
}
`
const hasCompiler = spawnSync('gcc', ['--version']).status === 0

describe.skipIf(!hasCompiler)('the C of the bench link', () => {
  it.each(['bay-window-nook', 'firefly-jar', 'wall-of-jars'])(
    'answers and lights like the simulated board: %s',
    (name) => {
      const plan = demoPlan(name)
      const link = linkPlan(worked(plan))
      const folder = mkdtempSync(join(tmpdir(), 'glow-link-'))
      try {
        writeFileSync(join(folder, 'link.c'), linkC(link, plan.name))
        writeFileSync(join(folder, 'main.c'), harness)
        const program = join(folder, 'link')
        execFileSync(
          'gcc',
          ['-std=c99', '-Wall', '-Wextra', '-Werror', '-O1', '-o', program, join(folder, 'main.c')],
          { stdio: ['ignore', 'ignore', 'pipe'] },
        )
        const { lines, answers } = talk(link)
        const said = execFileSync(program, { input: lines.join('\n') + '\n', encoding: 'utf8' })
        expect(said.split('\n').filter((line) => line !== '')).toEqual(answers)
        expect(answers.filter((line) => line.includes(' ok ')).length).toBeGreaterThan(100)
        expect(answers.filter((line) => line.includes(' error ')).length).toBeGreaterThan(100)
      } finally {
        rmSync(folder, { recursive: true })
      }
    },
  )
})

/** A long talk made up by chance, good lines and bad ones, with what the simulated board says and sends. */
function talk(link: ReturnType<typeof linkPlan>): { lines: string[]; answers: string[] } {
  const board = new SimulatedBoard({
    lanes: link.lanes.map((lane) => ({ ...lane, faults: [] })),
    inputs: link.inputs.map((_, index) => 1000 + 7 * index),
    mark: link.mark,
  })
  const small = fc.integer({ min: 0, max: 9 })
  const colour = fc
    .tuple(
      fc.constantFrom('00', '01', '7f', 'ff', 'a0', 'FF', 'g0'),
      fc.integer({ min: 1, max: 4 }),
    )
    .map(([byte, times]) => byte.repeat(times))
  const words = ['hello', 'off', 'lane', 'read', 'light', 'first', 'all', 'count', 'chase', 'dance']
  // Mostly lanes, places and times that there are, so that much of the talk is understood.
  const good = fc
    .tuple(fc.nat(), fc.nat(), fc.constantFrom('light', 'first', 'all', 'count', 'chase', 'lane'))
    .map(([at, to, word]) => {
      const lane = at % link.lanes.length
      const own = link.lanes[lane]!
      const hex = '3c00e1f0'.slice(0, 2 * own.bytes)
      const where = String(to % (own.count + own.spare))
      const ms = String(leastMs(own) + (to % 500))
      if (word === 'lane') return `lane ${String(lane)}`
      if (word === 'all') return `all ${String(lane)} ${hex}`
      return `${word} ${String(lane)} ${word === 'light' || word === 'first' ? where : ms} ${hex}`
    })
  const any = fc
    .tuple(
      fc.constantFrom(...words),
      fc.array(fc.oneof(small.map(String), colour), { maxLength: 4 }),
    )
    .map(([word, rest]) => [word, ...rest].join(' '))
  const odd = fc.constantFrom(
    '',
    'hello there',
    'light  0 1 ff0000',
    'light 0 1 ff0000 ',
    'light 0 9999999999 ff0000',
    'x'.repeat(74),
    'x'.repeat(75),
    'x'.repeat(76),
    'x'.repeat(90),
    'off off',
  )
  const texts = fc.sample(fc.oneof({ weight: 4, arbitrary: good }, any, odd), {
    seed: 20_261_127,
    numRuns: 600,
  })
  const lines: string[] = []
  const answers: string[] = []
  let now = 0
  for (const [number, text] of texts.entries()) {
    const line =
      number === 0
        ? '0 off'
        : number % 97 === 0
          ? text
          : `${String(number % 89 === 0 ? 123_456 : number)} ${text}`
    lines.push(line)
    answers.push(
      ...board
        .take(`${line}\r\n`, now)
        .split('\n')
        .filter((one) => one !== ''),
    )
    // The board's clock runs on in uneven steps.
    now += (number * 37) % 901
    lines.push(`@${String(now)}`)
    let sum = 2_166_136_261
    for (const lane of link.lanes.keys())
      for (const byte of board.sent(lane, now)) sum = Math.imul(sum ^ byte, 16_777_619) >>> 0
    answers.push(`=${String(sum)}`)
  }
  return { lines, answers }
}
