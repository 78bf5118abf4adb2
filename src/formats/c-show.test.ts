import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { boardNeeds } from '../core/glow/board-needs'
import { compileShow, type CompiledShow } from '../core/glow/compile'
import { fieldOf, type Field } from '../core/glow/field'
import { hash } from '../core/glow/fixed'
import { limiterOf, type Limiter } from '../core/glow/limiter'
import { patterns } from '../core/glow/patterns'
import { Player } from '../core/glow/player'
import type { Input, Plan, Scene, Show, ShowLayer } from '../core/plan/plan'
import type { WorkedPlan } from '../core/derived'
import { worked } from '../core/worked'
import { demoPlan } from '../testing/demo-plan'
import { runs } from '../testing/runs'
import { showC } from './c-show'

const inputs: readonly Input[] = [
  { id: 'door', kind: 'motion', name: 'Door' },
  { id: 'dial', kind: 'knob', name: 'Dial' },
  { id: 'keys', kind: 'remote', name: 'Keys' },
]

/** A layer of every pattern, each with another axis, blend and opacity, listening to what it can listen to. */
function layerOf(at: number): ShowLayer {
  const pattern = patterns[at]!
  const hears = pattern.parameters.flatMap((parameter) =>
    parameter.kind === 'input' ? [[parameter.id, inputs[at % 2]!.id] as const] : [],
  )
  return {
    id: `layer-${String(at)}`,
    pattern: pattern.id,
    on: 'all',
    axis: (['each', 'joined', 'room'] as const)[at % 3]!,
    degrees: 30 * at - 180,
    blend: (['add', 'over', 'lighten'] as const)[(at >> 1) % 3]!,
    opacity: 1 - (at % 4) * 0.2,
    set: Object.fromEntries(hears),
  }
}

/** Every pattern on top of the one before, scene after scene, one scene that the first input starts, and one by the clock. */
const everything: Show = {
  id: 'all',
  name: 'All */ patterns',
  seed: 20_261,
  isLimited: true,
  scenes: [
    ...patterns.map((_, at): Scene => {
      const below = layerOf((at + 5) % patterns.length)
      return {
        id: `scene-${String(at)}`,
        name: `Scene ${String(at)}`,
        seconds: 4,
        fade: at % 3 === 0 ? 0 : 0.7,
        layers: [{ ...below, id: 'below', opacity: 0.5 }, layerOf(at)],
      }
    }),
    {
      id: 'visit',
      name: 'Visit',
      seconds: 1.3,
      fade: 0.4,
      start: { input: 'door', when: 'on' },
      layers: [layerOf(5), layerOf(8)],
    },
    {
      id: 'noon',
      name: 'Noon',
      seconds: 120,
      fade: 0.2,
      start: { clock: 720 },
      layers: [layerOf(0)],
    },
    {
      id: 'key',
      name: 'Key 3',
      seconds: 0.8,
      fade: 0,
      start: { input: 'keys', when: 'on', key: 3 },
      layers: [layerOf(2)],
    },
  ],
}

/** What the inputs say in a frame: motion now and then, the knob turned to and fro, a key now and then, and the minutes around noon. */
const inputAt = (frame: number): number[] => [
  hash(7, frame >> 5, 0) % 5 === 0 ? 65_535 : 0,
  hash(9, frame >> 3, 1) & 65_535,
  (hash(11, frame >> 4, 2) % 5) * 6_000,
  700 + ((frame >> 4) % 40),
]
/** Frames come at uneven times, as on a board. */
const msOf = (frame: number): number => frame * 41 + (frame % 7)

const harness = (frames: number): string => `
#include <stdio.h>
#include "show.c"
int main(void) {
  static uint8_t out[GLOW_MOST_BYTES];
  uint32_t frame, sum = 2166136261u, i, at;
  for (frame = 0; frame < ${String(frames)}u; frame++) {
    uint16_t in[4] = { hash(7u, frame >> 5, 0u) % 5u == 0u ? 65535u : 0u, (uint16_t)(hash(9u, frame >> 3, 1u) & 65535u), (uint16_t)(hash(11u, frame >> 4, 2u) % 5u * 6000u), (uint16_t)(700u + (frame >> 4) % 40u) };
    glow_step(frame * 41u + frame % 7u, in);
    for (at = 0; at < GLOW_LANES; at++) {
      uint32_t count = glow_bytes(at, out);
      for (i = 0; i < count; i++) sum = (sum ^ out[i]) * 16777619u;
    }
    if (frame % 50u == 49u) printf("%lu\\n", (unsigned long)sum);
  }
  return 0;
}
`

/** The sum over all bytes so far after each fifty frames, as the harness prints it, and the frames that are limited. */
function preview(show: CompiledShow, frames: number): { sums: number[]; limited: number } {
  const player = new Player(show)
  const sums: number[] = []
  let limited = 0
  let sum = 2_166_136_261
  for (let frame = 0; frame < frames; frame += 1) {
    const ms = msOf(frame)
    player.step(ms, inputAt(frame))
    player.paint(ms)
    if (player.limitedTo < 1) limited += 1
    for (const lane of show.field.lanes.keys())
      for (const byte of player.bytes(lane)) sum = Math.imul(sum ^ byte, 16_777_619) >>> 0
    if (frame % 50 === 49) sums.push(sum)
  }
  return { sums, limited }
}

/** The limits of a plan's supplies as they would be with smaller ones, so that they count. */
function tightLimiter(field: Field, plan: WorkedPlan): Limiter {
  const { draws, supplies } = limiterOf(field, plan)
  return {
    draws,
    supplies: supplies.map(({ name, limitMa }) => ({ name, limitMa: Math.floor(limitMa / 5) })),
  }
}

it('what a board needs is what the C of a show has in it', () => {
  const plan = demoPlan('bay-window-nook')
  const results = worked(plan)
  const show = compileShow(everything, fieldOf(results), {
    lanes: results.lanes,
    inputs,
    limit: 1,
  })
  const text = showC(show, { plan: plan.name, lanes: [], supplies: [] })
  const [, memory, frame] = /int32_t memory\[(\d+)\], frame\[(\d+)\]/.exec(text)!
  const [, longest] = /GLOW_MOST_BYTES (\d+)/.exec(text)!
  const { ramBytes, flashBytes } = boardNeeds(show, undefined)
  const own = 4 * (Number(memory) + Number(frame)) + Number(longest)
  expect(ramBytes - own).toBe(64 + show.scenes.length)
  // Its tables of places and parameters, and the code beside them.
  const tables = text
    .split('\n')
    .filter((row) => /^static const (?:u?int(?:16|32)_t) [pu]\d+\[/.test(row))
    .reduce((sum, row) => sum + row.split(',').length * (row.includes('uint16_t') ? 2 : 4), 0)
  expect(tables).toBeGreaterThan(1_000)
  expect(flashBytes - tables).toBeGreaterThan(patterns.length * 500)
  expect(flashBytes - tables).toBeLessThan(30_000)
})

const hasCompiler = spawnSync('gcc', ['--version']).status === 0

describe.runIf(hasCompiler)('the C of a show', () => {
  const nook = demoPlan('bay-window-nook')
  const colourLeds: Plan = {
    ...nook,
    name: 'LEDs of several colours',
    lines: [
      { id: 'l', text: 'drops string 9 @ 90', lights: { part: 'led-rgb-minus', drive: 'pins' } },
    ],
    supplies: [{ id: 'supply-a', name: 'Supply A', part: 'usb-port-0_5' }],
    signal: { ...nook.signal, board: 'large-5v', boardFrom: 'supply', lanes: [] },
  }
  for (const { plan, tags } of [
    { plan: demoPlan('wall-of-jars'), tags: [] },
    { plan: colourLeds, tags: [] },
    { plan: nook, tags: ['long'] },
    { plan: demoPlan('pegboard-moon'), tags: ['long'] },
  ])
    it(`sends the bytes of the preview, every pattern on ${plan.name}`, { tags }, () => {
      const results = worked(plan)
      const field = fieldOf(results)
      const limiter = tightLimiter(field, results)
      const { lanes } = results
      const show = compileShow(everything, field, { lanes, inputs, limit: 0.83, limiter })
      expect(show.problems).toEqual([])
      const frames = Math.ceil(runs(1_950, 40_000) / 50) * 50
      const folder = mkdtempSync(join(tmpdir(), 'glow-'))
      try {
        writeFileSync(
          join(folder, 'show.c'),
          showC(show, { plan: plan.name, lanes: [], supplies: [] }),
        )
        writeFileSync(join(folder, 'main.c'), harness(frames))
        const flags = [
          '-std=c99',
          '-O2',
          '-Wall',
          '-Wextra',
          '-Werror',
          '-Wno-unused-function',
          '-Wno-unused-variable',
        ]
        execFileSync('gcc', [...flags, '-o', join(folder, 'main'), join(folder, 'main.c')])
        const printed = execFileSync(join(folder, 'main'), { encoding: 'utf8' })
        const { sums, limited } = preview(show, frames)
        expect(printed.trim().split('\n').map(Number)).toEqual(sums)
        expect(limited).toBeGreaterThan(frames / 20)
        expect(limited).toBeLessThan(frames)
      } finally {
        rmSync(folder, { recursive: true })
      }
    })
})
