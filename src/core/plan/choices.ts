// What a plan lets a person choose between. Apart from the schema, so that the worker need not load the checker.

export const roundings = ['inside', 'nearest', 'cover'] as const
export const corners = ['jump', 'fold'] as const
export const gapPlaces = ['far', 'shared', 'near'] as const
export const sizings = ['full-white', 'next-size', 'scenes'] as const
export const sceneNames = ['idle', 'full-white', 'level'] as const
export const lengthUnits = ['mm', 'cm', 'ft-in'] as const

export type Rounding = (typeof roundings)[number]
export type Corners = (typeof corners)[number]
export type GapPlace = (typeof gapPlaces)[number]
export type Sizing = (typeof sizings)[number]
export type SceneName = (typeof sceneNames)[number]
