import type { Scene, Show, ShowLayer } from '../core/plan/plan'

/** A layer on everything, for tests. */
export const layer = (
  pattern: string,
  set: ShowLayer['set'] = {},
  more: Partial<ShowLayer> = {},
): ShowLayer => ({
  id: pattern,
  pattern,
  on: 'all',
  axis: 'joined',
  blend: 'add',
  opacity: 1,
  set,
  ...more,
})

export const scene = (layers: readonly ShowLayer[], more: Partial<Scene> = {}): Scene => ({
  id: 'only',
  name: 'Only',
  seconds: 5,
  fade: 0,
  layers: [...layers],
  ...more,
})

export const showOf = (...scenes: Scene[]): Show => ({
  id: 'show',
  name: 'Show',
  seed: 5,
  scenes,
})
