import type { Strip } from '../plan/parts'

/** From light to light of a strip, mm. */
export const lightPitchMm = ({ light, cutPitchMm }: Strip): number =>
  light.kind === 'pixels'
    ? 1000 / light.perM
    : cutPitchMm / Math.max(1, Math.round((light.ledsPerM * cutPitchMm) / 1000))
