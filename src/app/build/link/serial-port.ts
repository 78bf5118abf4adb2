import { linkBaud } from '../../../core/glow/link/protocol'
import type { LinkPort } from './link-port'

/** Why a board cannot be spoken to from this page; `undefined` where it can. */
export function whyNoSerial(): string | undefined {
  if ('serial' in navigator) return undefined
  return isSecureContext
    ? 'This browser cannot speak to a serial port. One that can, on a computer, is needed for a real board; the simulated board works here too.'
    : 'A serial port can be used only where the page comes over https or from this machine itself; the simulated board works here too.'
}

/**
 * Lets the user choose a serial port and opens it.
 *
 * @returns `undefined` where none was chosen
 * @throws Error where it cannot be opened
 */
export async function openSerial(): Promise<LinkPort | undefined> {
  const port = await navigator.serial.requestPort().catch((error: unknown) => {
    // The user closed the choice.
    if (error instanceof DOMException && error.name === 'NotFoundError') return undefined
    throw error
  })
  if (port === undefined) return undefined
  await port.open({ baudRate: linkBaud })
  let take: (text: string) => void = () => undefined
  let gone: () => void = () => undefined
  let isClosed = false
  const reader = port.readable?.getReader()
  const decoder = new TextDecoder()
  const encoder = new TextEncoder()
  async function listen(): Promise<void> {
    try {
      while (reader !== undefined) {
        const { value, done } = await reader.read()
        if (done) break
        take(decoder.decode(value, { stream: true }))
      }
    } catch {
      // It was pulled out, or closed: both are told below.
    }
    if (isClosed) return
    // Else it could not be opened again.
    await close()
    gone()
  }
  async function close(): Promise<void> {
    isClosed = true
    await reader?.cancel().catch(() => undefined)
    reader?.releaseLock()
    await port?.close().catch(() => undefined)
  }
  void listen()
  return {
    name: 'the board on the serial port',
    send: async (text) => {
      const writer = port.writable?.getWriter()
      if (writer === undefined) throw new Error('the port is closed')
      try {
        await writer.write(encoder.encode(text))
      } finally {
        writer.releaseLock()
      }
    },
    onText: (next) => {
      take = next
    },
    onGone: (next) => {
      gone = next
    },
    close,
  }
}
