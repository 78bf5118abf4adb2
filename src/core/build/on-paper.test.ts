import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { shortRuns } from '../../testing/short-runs'
import { change } from '../plan/commands'
import { worked } from '../worked'
import { readLine, stepsOnPaper } from './on-paper'

describe('the steps on paper', () => {
  const nook = demoPlan('bay-window-nook')
  const paper = stepsOnPaper(worked(nook))

  it('tell what is read at each, as if all before it were done and nothing behind it', () => {
    for (const { kind, reads, benchLimitA, id } of paper.steps) {
      const isRead = ['check', 'test', 'power', 'soak'].includes(kind) && !id.includes('reel')
      expect(reads.length > 0 || id.includes('unloaded'), id).toBe(isRead)
      // A meter check is unpowered.
      for (const read of reads) expect(read.endsWith('Ω'), `${id}: ${read}`).toBe(kind === 'check')
      if (kind !== 'test') expect(benchLimitA).toBe(0)
    }
    // The board alone draws less than all that is built by now.
    const board = paper.steps.find(({ id }) => id === 'test:board')!
    expect(readLine(board)).toBe(
      'set the bench supply’s limit to 0.15 A · idle 0.069 to 0.094 A ______ · white 0.069 to 0.094 A ______',
    )
    expect(paper.steps.filter(({ state }) => state === 'done')).toHaveLength(95)
  })

  it('have a card for the lid with what is inside, its fuses and its limit', () => {
    const [card, ...others] = paper.cards
    expect(others).toEqual([])
    expect(card?.supply).toBe('Supply A')
    const text = card!.lines.join('\n')
    expect(text).toContain('5 V enclosed, 20 A')
    expect(text).toContain('seat front 7.50 A')
    expect(text).toContain('board 1.00 A')
    expect(text).toContain('The program sets no limit')
    // Each card has its own fuses.
    const two = change(nook, [
      { do: 'add-supply', supply: { id: 'b', name: 'Supply B', part: 'auto' } },
      { do: 'feed-from', lines: ['crown'], supply: 'b' },
    ]).plan
    const [a, b] = stepsOnPaper(worked(two)).cards.map(({ lines }) => lines.join('\n'))
    expect(a).not.toContain('crown')
    expect(b).toMatch(/Fuses: crown [\d.]+ A$/m)
    const held = change(nook, [{ do: 'set-limit', limit: 0.6 }]).plan
    expect(stepsOnPaper(worked(held)).cards[0]!.lines.join('\n')).toContain('60 %')
  })

  it('leave readings out where there are too many', () => {
    const many = stepsOnPaper(worked(shortRuns(60)))
    expect(many.hasReadings).toBe(false)
    expect(many.steps.every(({ reads }) => reads.length === 0)).toBe(true)
    expect(paper.hasReadings).toBe(true)
  })
})
