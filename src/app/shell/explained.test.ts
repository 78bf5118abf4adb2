import { describe, expect, it } from 'vitest'
import { explained, wordsIn } from './explained'
import { glossary } from './glossary'

/** The words that a text explains, as `text>word`. */
const marked = (text: string): string[] =>
  explained(text).flatMap((part) => (part.word ? [`${part.text}>${part.word.word}`] : []))

describe('words that explain themselves', () => {
  it('are found in any case and number, each where it stands first, and the text stays whole', () => {
    const text = 'Two leads, a jumper, another lead; FACTORY SPLICES show, a splice too.'
    expect(marked(text)).toEqual(['leads>lead', 'jumper>jumper', 'FACTORY SPLICES>factory splice'])
    expect(
      explained(text)
        .map((part) => part.text)
        .join(''),
    ).toBe(text)
  })

  it('are whole words, the longer before the shorter', () => {
    expect(marked('misleading, sub-pixel, leader, reel2')).toEqual([])
    expect(marked('lead-in and level buffers')).toEqual(['level buffers>level buffer'])
    expect(marked('idle')).toEqual(['idle>idle'])
    expect(explained('')).toEqual([])
    expect(explained('none of them')).toEqual([{ text: 'none of them' }])
  })

  it('are not marked where they have an everyday meaning, but the help tells them of the page', () => {
    const text = 'Limit the run to this level'
    expect(marked(text)).toEqual([])
    expect([...wordsIn(text)].map(({ word }) => word)).toEqual(['limit', 'run', 'level'])
  })

  it('stand once each, in the order of the alphabet, each found by its own name', () => {
    const words = glossary.map(({ word }) => word.toLowerCase())
    expect(words).toEqual([...new Set(words)].toSorted((a, b) => a.localeCompare(b, 'en')))
    for (const { word } of glossary)
      expect([...wordsIn(`the ${word}.`)].map((found) => found.word)).toContain(word)
  })
})
