import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Plugin } from 'vite'

// The build's own list of licences has what the page bundles; workers are bundled by themselves, and are not in it.

const folderOf = (id: string): string | undefined =>
  /^.*\/node_modules\/(?:@[^/]+\/)?[^/]+(?=\/)/.exec(id.replace(/^\0/, ''))?.[0]

function entryOf(folder: string): string {
  const { name, version, license } = JSON.parse(
    readFileSync(join(folder, 'package.json'), 'utf8'),
  ) as { name: string; version: string; license?: string }
  const file = readdirSync(folder).find((one) => /^licen[cs]e/i.test(one))
  const text = file === undefined ? '' : readFileSync(join(folder, file), 'utf8').trim()
  return `## ${name} - ${version} (${license ?? 'see below'})\n\n${text}\n`
}

/** A plugin for workers that notes what they bundle, and one for the page that lists it in `licenses-workers.md`. */
export function workerLicences(): { readonly noting: () => Plugin; readonly listing: Plugin } {
  const folders = new Set<string>()
  return {
    noting: () => ({
      name: 'worker-licences-noting',
      generateBundle(_options, bundle) {
        for (const chunk of Object.values(bundle))
          if (chunk.type === 'chunk')
            for (const id of chunk.moduleIds) {
              const folder = folderOf(id)
              if (folder !== undefined && existsSync(join(folder, 'package.json')))
                folders.add(folder)
            }
      },
    }),
    listing: {
      name: 'worker-licences-listing',
      generateBundle() {
        this.emitFile({
          type: 'asset',
          fileName: 'licenses-workers.md',
          source: [...folders].toSorted().map(entryOf).join('\n'),
        })
      },
    },
  }
}
