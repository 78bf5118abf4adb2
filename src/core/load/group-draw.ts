import type { Strip } from '../plan/parts'

/** What one load group of a strip draws: a pixel, or what lies between two cut marks of a plain strip. */
export interface GroupDraw {
  readonly channelMa: readonly number[]
  readonly idleMa: number
}

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
