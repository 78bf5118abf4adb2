import { describe, expect, it } from 'vitest'
import { onShelf, readTags, tagsOf, type ShelfCard } from './shelf-order'

const card = (
  name: string,
  changedAt: number,
  { cost = 0, done = 0, tags = [] as readonly string[] } = {},
): ShelfCard => ({
  stored: { id: name, name, changedAt, revision: 0, document: {}, tags },
  facts: { work: { cost, currency: 'EUR', steps: 10, done } } as unknown as ShelfCard['facts'],
  problem: undefined,
})
const cards = [
  card('Shelf 10', 3, { cost: 40, done: 2, tags: ['attic', 'gift'] }),
  card('shelf 9', 5, { cost: 90, tags: ['attic'] }),
  card('Alcove', 4, { cost: 10, done: 9 }),
]
const names = (how: Partial<Parameters<typeof onShelf>[1]>): string[] =>
  onShelf(cards, { query: '', tag: undefined, order: 'changed', ...how }).map(
    ({ stored }) => stored.name,
  )

describe('the shelf', () => {
  it('is ordered by the last change, by name as people count, by cost, and by how far it is built', () => {
    expect(names({})).toEqual(['shelf 9', 'Alcove', 'Shelf 10'])
    expect(names({ order: 'name' })).toEqual(['Alcove', 'shelf 9', 'Shelf 10'])
    expect(names({ order: 'cost' })).toEqual(['shelf 9', 'Shelf 10', 'Alcove'])
    expect(names({ order: 'progress' })).toEqual(['Alcove', 'Shelf 10', 'shelf 9'])
  })

  it('is searched by words of names and tags, and by one tag', () => {
    expect(names({ query: 'gift SHELF' })).toEqual(['Shelf 10'])
    expect(names({ query: 'attic' })).toEqual(['shelf 9', 'Shelf 10'])
    expect(names({ tag: 'gift' })).toEqual(['Shelf 10'])
    expect(names({ query: 'alcove', tag: 'attic' })).toEqual([])
    expect(tagsOf(cards)).toEqual(['attic', 'gift'])
  })

  it('reads tags as they are typed', () => {
    expect(readTags(' #attic, gift;; attic , for Jo ')).toEqual(['attic', 'gift', 'for Jo'])
    expect(readTags(' ')).toEqual([])
  })
})
