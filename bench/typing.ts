import { spawn } from 'node:child_process'
import { chromium, type Page } from '@playwright/test'
import { chromiumOptions } from '../e2e/browser'
import { median, shelfLines } from './plans'

const port = 4189
const address = `http://localhost:${String(port)}`

/** A key stroke on the pad until the drawing has changed and until it is on the screen, for small and large plans. */
export async function typingBench(): Promise<void> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'src/server/main.ts'], {
    env: { ...process.env, PORT: String(port) },
    stdio: 'ignore',
  })
  const browser = await chromium.launch(chromiumOptions.launchOptions)
  try {
    await waitForServer()
    const small = await measure(await browser.newPage(), 5)
    const large = await measure(await browser.newPage(), 300)
    for (const [runs, { drawn, shown }] of [
      [5, small],
      [300, large],
    ] as const)
      console.log(
        `${String(runs).padStart(4)} runs: drawing after ${drawn.toFixed(1)} ms, frame after ${shown.toFixed(1)} ms (medians of 40)`,
      )
    console.log(`60 × the runs take ${(large.drawn / small.drawn).toFixed(1)} × the time to draw`)
  } finally {
    await browser.close()
    server.kill()
  }
}

async function waitForServer(): Promise<void> {
  for (let attempt = 0; attempt < 100; attempt += 1) {
    try {
      if ((await fetch(`${address}/health`)).ok) return
    } catch {
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
  }
  throw new Error('The server did not start: run npm run build first')
}

async function measure(page: Page, runs: number): Promise<{ drawn: number; shown: number }> {
  await page.goto(`${address}/plans`)
  await page.getByRole('button', { name: 'New plan', exact: true }).click()
  await page.getByLabel('Line 1', { exact: true }).waitFor()
  await page.evaluate((text) => {
    const data = new DataTransfer()
    data.setData('text/plain', text)
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    )
  }, shelfLines(runs).join('\n'))
  await page.getByLabel(`Line ${String(runs)}`, { exact: true }).waitFor()
  await page.waitForTimeout(2_000)

  const times = await page.evaluate(async () => {
    const found: { drawn: number; shown: number }[] = []
    const field = document.activeElement as HTMLInputElement
    const drawing = document.querySelector('svg[role="img"]')
    if (drawing === null) throw new Error('there is no drawing')
    for (let stroke = 0; stroke < 40; stroke += 1) {
      const changed = new Promise<number>((resolve) => {
        const observer = new MutationObserver(() => {
          observer.disconnect()
          resolve(performance.now())
        })
        observer.observe(drawing, { subtree: true, attributes: true, childList: true })
      })
      const start = performance.now()
      field.value = `shelf-last ${String(1000 + stroke * 20)}`
      field.dispatchEvent(new Event('input', { bubbles: true }))
      const drawn = (await changed) - start
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
      found.push({ drawn, shown: performance.now() - start })
      await new Promise((resolve) => setTimeout(resolve, 120))
    }
    return found
  })
  await page.close()
  return {
    drawn: median(times.map((time) => time.drawn)),
    shown: median(times.map((time) => time.shown)),
  }
}
