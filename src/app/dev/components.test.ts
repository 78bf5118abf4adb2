import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

const at = (path: string): URL => new URL(path, import.meta.url)
const views = (folder: string): string[] =>
  readdirSync(at(folder)).filter((file) => file.endsWith('.vue'))

describe('the page of components', () => {
  it('shows every component of src/app/ui', () => {
    const shown = views('.')
      .map((file) => readFileSync(at(file), 'utf8'))
      .join('\n')
    const components = views('../ui/')
    expect(components.length).toBeGreaterThan(15)
    expect(components.filter((file) => !shown.includes(`'../ui/${file}'`))).toEqual([])
  })
})
