// What a plan lets a person choose between. Apart from the schema, so that the worker need not load the checker.

export const roundings = ['inside', 'nearest', 'cover'] as const
export const corners = ['jump', 'fold'] as const
export const gapPlaces = ['far', 'shared', 'near'] as const
export const sizings = ['full-white', 'next-size', 'scenes'] as const
export const sceneNames = ['idle', 'full-white', 'red', 'green', 'blue', 'level'] as const
export const lengthUnits = ['mm', 'cm', 'ft-in'] as const

/** What a strip is stuck to, or lies in. */
export const surfaces = ['wood', 'plaster', 'metal', 'glass', 'fabric', 'channel'] as const
/** Where its light goes: along the wall it is on, down, up, or out to where people look. */
export const facings = ['wall', 'down', 'up', 'room'] as const
/** Across its thin way, as every strip bends, or in its own plane. */
export const bends = ['flat', 'edgewise'] as const
export const covers = ['none', 'clear', 'frosted', 'opal'] as const
export const dampnesses = ['dry', 'damp', 'outdoors'] as const
export const furnitureKinds = ['box', 'circle', 'wall'] as const
/** What one lead branches into: a splitter or terminal block at a point, or a bus track with an ampere limit. */
export const junctionKinds = ['terminals', 'splitter', 'track'] as const

export type Rounding = (typeof roundings)[number]
export type Corners = (typeof corners)[number]
export type GapPlace = (typeof gapPlaces)[number]
export type Sizing = (typeof sizings)[number]
export type SceneName = (typeof sceneNames)[number]
