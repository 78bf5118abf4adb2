import type { WireRole } from '../plan/choices'
import type { Strip } from '../plan/parts'

/** The lines that a strip carries from piece to piece. */
interface StripLine {
  readonly mark: string
  readonly role: WireRole
  readonly channel?: string
}

/** Plus, then minus or a minus for each colour, data and clock. */
export function linesOf({ light }: Strip): StripLine[] {
  if (light.kind === 'pixels')
    return [
      { mark: '+', role: 'plus' },
      { mark: '−', role: 'minus' },
      { mark: 'D', role: 'data' },
      ...(light.data === 'clocked' ? [{ mark: 'C', role: 'clock' } as const] : []),
    ]
  return [
    { mark: '+', role: 'plus' },
    ...light.channels.map(({ name }): StripLine =>
      light.channels.length === 1
        ? { mark: '−', role: 'minus' }
        : { mark: `− ${name}`, role: 'minus', channel: name },
    ),
  ]
}
