import type { Page } from '@playwright/test'
import { openLines, withBrowser } from './browser'
import { median, shelfLines } from './plans'

/** A key stroke on the pad until the drawing has changed and until it is on the screen, for small and large plans. */
export async function typingBench(): Promise<void> {
  await withBrowser(async (newPage) => {
    const small = await measure(await newPage(), 5)
    const large = await measure(await newPage(), 300)
    for (const [runs, { drawn, shown }] of [
      [5, small],
      [300, large],
    ] as const)
      console.log(
        `${String(runs).padStart(4)} runs: drawing after ${drawn.toFixed(1)} ms, frame after ${shown.toFixed(1)} ms (medians of 40)`,
      )
    console.log(`60 × the runs take ${(large.drawn / small.drawn).toFixed(1)} × the time to draw`)
  })
}

async function measure(page: Page, runs: number): Promise<{ drawn: number; shown: number }> {
  await openLines(page, shelfLines(runs))

  const times = await page.evaluate(async () => {
    const found: { drawn: number; shown: number }[] = []
    const field = document.activeElement as HTMLInputElement
    const drawing = document.querySelector('[aria-label="The runs to scale"]')
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
