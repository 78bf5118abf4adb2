import type { Strip } from '../plan/parts'

/** What one load group of a strip draws: a pixel, or what lies between two cut marks of a plain strip. */
export interface GroupDraw {
  readonly channelMa: readonly number[]
  readonly idleMa: number
}

/** Load groups between two cut marks: its pixels, or one of a plain strip. */
export const loadsPerGroup = ({ light }: Strip): number =>
  light.kind === 'pixels' ? light.perCut : 1

/** Load groups by the metre. */
const loadsPerM = ({ light, cutPitchMm }: Strip): number =>
  light.kind === 'pixels' ? light.perM : 1000 / cutPitchMm

/** What one load group draws with everything on, mA. */
export const fullMa = (strip: Strip): number =>
  groupDraw(strip).channelMa.reduce((sum, mA) => sum + mA, 0)

/** Everything on: load groups by the metre × mA × volts, W/m. */
export const fullWPerM = (strip: Strip): number =>
  (loadsPerM(strip) * fullMa(strip) * strip.volts) / 1000

/** What one load group of a strip draws at full brightness, and while dark. */
export function groupDraw(strip: Strip): GroupDraw {
  const { light, cutPitchMm, volts } = strip
  return light.kind === 'pixels'
    ? { channelMa: light.channels.map((channel) => channel.fullMa), idleMa: light.idleMa }
    : {
        channelMa: light.channels.map(({ wattsPerM }) => (wattsPerM * cutPitchMm) / volts),
        idleMa: 0,
      }
}
