// What has to arrive before the first view, compressed: the entry with all it imports, and the worker that it starts. Other
// workers come when they are asked for.
import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { gzipSync } from 'node:zlib'

const budgetKB = 190
if (!existsSync('dist/.vite/manifest.json')) {
  console.error('There is no build: run npm run build first')
  process.exit(1)
}
const manifest = JSON.parse(readFileSync('dist/.vite/manifest.json', 'utf8'))
const needed = new Set()
const add = (key) => {
  const chunk = manifest[key]
  if (needed.has(chunk.file)) return
  needed.add(chunk.file)
  for (const next of chunk.imports ?? []) add(next)
}
add('index.html')
for (const file of readdirSync('dist/assets'))
  if (/^plan\.worker-.*\.js$/.test(file)) needed.add(`assets/${file}`)

const sizes = [...needed]
  .map((file) => [file, gzipSync(readFileSync(`dist/${file}`)).length / 1000])
  .sort(([, a], [, b]) => b - a)
const total = sizes.reduce((sum, [, size]) => sum + size, 0)
for (const [file, size] of sizes) console.log(`${size.toFixed(1).padStart(7)} KB  ${file}`)
console.log(`${total.toFixed(1).padStart(7)} KB  of ${budgetKB} KB before the first view`)
if (needed.size < 2 || total > budgetKB) {
  console.error('The first load is over its budget, or its files were not found')
  process.exit(1)
}
