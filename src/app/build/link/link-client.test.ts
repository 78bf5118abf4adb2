import { describe, expect, it } from 'vitest'
import { linkPlan } from '../../../core/glow/link/lanes'
import type { Lit } from '../../../core/glow/link/protocol'
import { worked } from '../../../core/worked'
import { demoPlan } from '../../../testing/demo-plan'
import { LinkClient } from './link-client'
import { SimulatedPort } from './simulated-port'

const link = linkPlan(worked(demoPlan('bay-window-nook')))
const boardOf = (): SimulatedPort =>
  new SimulatedPort({
    lanes: link.lanes.map((lane) => ({ ...lane, faults: [] })),
    inputs: [1234, 0],
    mark: link.mark,
  })
const pixel = (at: number): Lit => ({ word: 'light', lane: 1, at, colour: [at, 1, 2] })
const shown = (port: SimulatedPort): number[] => {
  const sent = port.board.sent(1, performance.now())
  return Array.from(sent.keys())
    .filter((at) => at % 3 === 0 && sent[at + 1] === 1)
    .map((at) => at / 3)
}

describe('the client of the bench link', () => {
  it('asks in turn and gets its own answers', async () => {
    const port = boardOf()
    const client = new LinkClient(port)
    const [hello, value] = await Promise.all([
      client.ask({ word: 'hello' }),
      client.ask({ word: 'read', input: 0 }),
      client.light(pixel(7)),
    ])
    expect(hello).toBe(`1 3 2 ${link.mark}`)
    expect(value).toBe('1234')
    expect(shown(port)).toEqual([7])
  })

  it('sends only the last of several that wait', async () => {
    const port = boardOf()
    const sent: string[] = []
    const send = port.send.bind(port)
    port.send = (text) => {
      sent.push(text)
      return send(text)
    }
    const client = new LinkClient(port)
    await Promise.all([1, 2, 3, 4, 5].map((at) => client.light(pixel(at))))
    expect(shown(port)).toEqual([5])
    expect(sent).toHaveLength(1)
  })

  it('gets through noise, and every pixel is the one that was asked for', async () => {
    const port = boardOf()
    const other: string[] = []
    const client = new LinkClient(port, (line) => other.push(line))
    port.wire = { isNoisy: true, isDeaf: false }
    for (let at = 0; at < 60; at += 1) {
      await client.light(pixel(at))
      expect(shown(port)).toEqual([at])
    }
    expect(client.repeated).toBeGreaterThan(3)
    expect(other.length).toBeGreaterThan(0)
  })

  it('takes no late answer for one to what it asked again', async () => {
    let hear: (text: string) => void = () => undefined
    const sent: string[] = []
    const client = new LinkClient({
      name: 'a slow board',
      send: (text) => {
        const [number] = text.trim().split(' ')
        sent.push(text.trim())
        // The first answer comes while the second is waited for, and tells what was before.
        if (sent.length === 2) {
          hear(`${sent[0]?.split(' ')[0] ?? ''} ok read 0 1\n`)
          setTimeout(() => {
            hear(`${number ?? ''} ok read 0 2\n`)
          }, 1)
        }
        return Promise.resolve()
      },
      onText: (take) => {
        hear = take
      },
      onGone: () => undefined,
      close: () => Promise.resolve(),
    })
    expect(await client.ask({ word: 'read', input: 0 })).toBe('2')
    expect(sent).toHaveLength(2)
  })

  it(
    'says that a board is silent, that it refuses, and that it is gone',
    { tags: 'long' },
    async () => {
      const port = boardOf()
      const client = new LinkClient(port)
      await expect(client.ask({ word: 'lane', lane: 9 })).rejects.toMatchObject({ kind: 'lane' })
      port.wire = { isNoisy: false, isDeaf: true }
      await expect(client.light(pixel(1))).rejects.toMatchObject({ kind: 'silent' })
      port.wire = { isNoisy: false, isDeaf: false }
      await expect(client.ask({ word: 'read', input: 1 })).resolves.toBe('0')
      const waiting = client.ask({ word: 'hello' })
      port.pull()
      await expect(waiting).rejects.toMatchObject({ kind: 'gone' })
      await expect(client.light(pixel(1))).rejects.toMatchObject({ kind: 'gone' })
    },
  )
})
