import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { frameMs, readyShow, sentBy } from '../src/core/glow/play'
import { patterns } from '../src/core/glow/patterns'
import { Player } from '../src/core/glow/player'
import { ShowFeed } from '../src/core/glow/show-feed'
import type { Plan, Show, ShowLayer } from '../src/core/plan/plan'
import { worked } from '../src/core/worked'
import { showC } from '../src/formats/c-show'
import { largePlan } from './plans'

const layer = (pattern: string): ShowLayer => ({
  id: pattern,
  pattern,
  on: 'all',
  axis: 'room',
  blend: 'add',
  opacity: 0.4,
  set: {},
})
const showOf = (...names: string[]): Show => ({
  id: 'bench',
  name: 'Bench',
  seed: 3,
  scenes: [{ id: 's', name: 'S', seconds: 3_600, fade: 0, layers: names.map(layer) }],
})

/** Frames a second with and without volts, the C against the preview, and what an hour of playing leaves in memory. */
export function glowBench(): void {
  for (const pixels of [3_000, 20_000]) framesOf(largePlan(Math.round(pixels / 165)), pixels)
  againstC()
  hour()
}

const seconds = (since: number): number => (performance.now() - since) / 1000

function framesOf(plan: Plan, about: number): void {
  const given = worked(plan)
  const show = readyShow(given, showOf('flow', 'comets', 'twinkle'))
  const player = new Player(show)
  const feed = new ShowFeed(given, show.field)
  const byteAt = sentBy(player)
  const frames = about > 10_000 ? 40 : 200
  const run = (hasVolts: boolean): number => {
    player.restart()
    const start = performance.now()
    for (let frame = 0; frame < frames; frame += 1) {
      const ms = frameMs(frame, 50)
      player.step(ms, [])
      player.paint(ms)
      if (hasVolts) feed.frame(byteAt)
    }
    return frames / seconds(start)
  }
  run(true)
  const [without, with_] = [run(false), run(true)]
  console.log(
    `${String(show.field.count)} pixels, 3 layers: ${without.toFixed(0)} frames/s painted, ${with_.toFixed(0)} frames/s with volts (${(with_ / 50).toFixed(1)} × the 50 that are wanted)`,
  )
}

function againstC(): void {
  if (spawnSync('gcc', ['--version']).status !== 0) {
    console.log('no gcc here: the C is not compared')
    return
  }
  const plan = largePlan(10)
  const given = worked(plan)
  const show = readyShow(given, showOf(...patterns.map(({ id }) => id).slice(0, 10)))
  const frames = 100
  const folder = mkdtempSync(join(tmpdir(), 'glow-bench-'))
  try {
    writeFileSync(join(folder, 'show.c'), showC(show, { plan: plan.name, lanes: [], supplies: [] }))
    writeFileSync(
      join(folder, 'main.c'),
      `#include "show.c"\nstatic uint8_t out[GLOW_MOST_BYTES];\nint main(void) { uint32_t f, i, n = 0; for (f = 0; f < ${String(frames)}u; f++) { glow_step(f * 20u, 0); for (i = 0; i < GLOW_LANES; i++) n += glow_bytes(i, out); } return n == 0; }\n`,
    )
    execFileSync('gcc', [
      '-std=c99',
      '-O2',
      '-w',
      '-o',
      join(folder, 'main'),
      join(folder, 'main.c'),
    ])
    let start = performance.now()
    execFileSync(join(folder, 'main'))
    const c = seconds(start)
    const player = new Player(show)
    start = performance.now()
    for (let frame = 0; frame < frames; frame += 1) {
      player.step(frame * 20, [])
      player.paint(frame * 20)
      for (const lane of show.field.lanes.keys()) player.bytes(lane)
    }
    const preview = seconds(start)
    console.log(
      `${String(show.field.count)} pixels, 10 layers: the preview takes ${(preview / c).toFixed(1)} × as long as the C of it`,
    )
  } finally {
    rmSync(folder, { recursive: true })
  }
}

function hour(): void {
  const given = worked(largePlan(3))
  const show = readyShow(given, showOf('comets', 'fire', 'gauge'))
  const player = new Player(show)
  const before = process.memoryUsage().heapUsed
  const start = performance.now()
  for (let frame = 0; frame < 3_600 * 50; frame += 1) player.step(frame * 20, [])
  const took = seconds(start)
  player.paint(3_600_000)
  console.log(
    `an hour in ticks: ${(3_600 / took).toFixed(0)} × as fast as it plays, ${((process.memoryUsage().heapUsed - before) / 1e6).toFixed(1)} MB more in use`,
  )
}
