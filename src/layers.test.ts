import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { cruise, type ICruiseResult, type IForbiddenRuleType } from 'dependency-cruiser'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'

// The layer rules are tried on a small tree of their own: what they must catch, and what they must let pass.
const root = mkdtempSync(join(tmpdir(), 'layers-'))
const require = createRequire(import.meta.url)
const config = '.dependency-cruiser.cjs'

function put(file: string, text: string): void {
  mkdirSync(join(root, file, '..'), { recursive: true })
  writeFileSync(join(root, file), text)
}

async function broken(): Promise<string[]> {
  const { forbidden } = require(join(root, config)) as { forbidden: IForbiddenRuleType[] }
  const result = await cruise(['src'], {
    baseDir: root,
    validate: true,
    ruleSet: { forbidden: forbidden.filter(({ name }) => name !== 'no-cycles') },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts'] },
  })
  return (result.output as ICruiseResult).summary.violations.map(
    ({ from, to }) => `${from} → ${to}`,
  )
}

const folders = readdirSync('src/core', { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => name)

beforeAll(() => {
  cpSync(config, join(root, config))
  for (const folder of folders) put(`src/core/${folder}/x.ts`, 'export const x = 1\n')
  put('src/core/stages.ts', 'export const x = 1\n')
  put('src/app/x.ts', 'export const x = 1\n')
})
afterAll(() => {
  rmSync(root, { recursive: true })
})

describe('the layer rules', () => {
  it('let every stage use the first, and the sums use any', async () => {
    for (const folder of folders)
      put(`src/core/${folder}/down.ts`, "import { x } from '../quantity/x'\nexport const y = x\n")
    put(
      'src/core/sums/all.ts',
      folders
        .map((folder, index) => `export { x as x${String(index)} } from '../${folder}/x'\n`)
        .join(''),
    )
    expect(await broken()).toEqual([])
  })

  it('catch in every folder an import of a later stage, of what is above, and of another layer', async () => {
    const bad = folders.filter((folder) => folder !== 'sums')
    for (const folder of bad) {
      put(`src/core/${folder}/up.ts`, "import { x } from '../sums/x'\nexport const y = x\n")
      put(`src/core/${folder}/out.ts`, "import { x } from '../../app/x'\nexport const y = x\n")
    }
    put('src/core/verdict/above.ts', "import { x } from '../stages'\nexport const y = x\n")
    expect((await broken()).toSorted()).toEqual(
      [
        ...bad.map((folder) => `src/core/${folder}/up.ts → src/core/sums/x.ts`),
        ...bad.map((folder) => `src/core/${folder}/out.ts → src/app/x.ts`),
        'src/core/verdict/above.ts → src/core/stages.ts',
      ].toSorted(),
    )
  })

  it('stop at a folder that they do not know', () => {
    put('src/core/elsewhere/x.ts', 'export const x = 1\n')
    const path = join(root, config)
    // eslint-disable-next-line @typescript-eslint/no-dynamic-delete -- the file is to be read again
    delete require.cache[require.resolve(path)]
    expect(() => require(path) as unknown).toThrow('src/core/elsewhere has no place')
  })
})
