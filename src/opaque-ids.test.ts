import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

const inId =
  'startsWith|endsWith|includes|split|slice|substring|match|matchAll|replace|replaceAll|indexOf|charAt'
const id = String.raw`\b(?:id|\w+Id)`
/** What ids and names are put together with. */
const mark = '[:@~|]'
const parsed = new RegExp(
  [
    String.raw`${id}\s*\??\.\s*(?:${inId})\(`,
    String.raw`\.(?:test|exec)\(\s*(?:[^\s,()]|\([^()]*\))*?${id}\s*[,)]`,
    String.raw`\.(?:startsWith|split)\('[^']*${mark}'`,
  ].join('|'),
)

describe('what an id says stands in fields', () => {
  it.each([
    "line.id.startsWith('l')",
    "stripId\n  .split('-')",
    "feed?.lineId?.includes('.')",
    'id.slice(1)',
    '/^W/.test(wire.id)',
    'pattern.exec(runId)',
    '/x/.test(lines[0].id)',
    '/x/.exec(\n  first(lines).id,\n)',
    "test.startsWith('walk:')",
    "end.split('@', 1)",
  ])('is caught where it is parsed: %s', (text) => {
    expect(parsed.test(text)).toBe(true)
  })

  it.each([
    'ids.includes(run.id)',
    'width.slice(1)',
    "names.split(', ')",
    'known.test(name)',
    '/x/.test(idle)',
  ])('is not mistaken: %s', (text) => {
    expect(parsed.test(text)).toBe(false)
  })

  // Upgrades of old plans read what was once written into ids; networks and sums, what is typed.
  const readers = ['src/core/plan/upgrade.ts', 'src/core/feed/network.ts', 'src/app/sums/fields.ts']
  it('is parsed nowhere', () => {
    const files = ['src/core', 'src/app']
      .flatMap((root) =>
        readdirSync(root, { recursive: true, encoding: 'utf8' }).map((file) => `${root}/${file}`),
      )
      .filter((file) => /(?<!\.test)\.(ts|vue)$/.test(file) && !readers.includes(file))
    expect(files.length).toBeGreaterThan(500)
    expect(files.filter((file) => parsed.test(readFileSync(file, 'utf8')))).toEqual([])
  })
})
