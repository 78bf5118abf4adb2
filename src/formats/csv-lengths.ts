import type { LengthUnits } from '../core/quantity/format'

const [mmPerInch, mmPerFoot] = [25.4, 304.8]

const isImperial = (units: LengthUnits): boolean => units === 'ft-in'

/** The head of a column of lengths, and a number in it: inches where a plan is in feet and inches, else mm. */
export const inMm = (units: LengthUnits) => ({
  head: (name: string): string => `${name} ${isImperial(units) ? 'in' : 'mm'}`,
  value: (mm: number, places = 1): number =>
    rounded(isImperial(units) ? mm / mmPerInch : mm, isImperial(units) ? 2 : places),
})

/** … of long ones: feet, else metres. */
export const inMetres = (units: LengthUnits) => ({
  head: (name: string): string => `${name} ${isImperial(units) ? 'ft' : 'm'}`,
  value: (mm: number): number => rounded(isImperial(units) ? mm / mmPerFoot : mm / 1000, 4),
})

const rounded = (value: number, places: number): number =>
  Math.round(value * 10 ** places) / 10 ** places
