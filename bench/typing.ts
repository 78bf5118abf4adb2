import type { Page } from '@playwright/test'
import { longestTask, openLines, withBrowser } from './browser'
import { median, nicheLines, quickQuarter, shelfLines } from './plans'

interface Stroke {
  /** Until the drawing has changed, ms. */
  readonly drawn: number
  /** … and until that is on the screen. */
  readonly shown: number
  /** Until the figures have changed. */
  readonly figures: number
}

/** A key stroke on the pad until the drawing has changed, until it is on the screen, and until the figures follow, by the plan's size. */
export async function typingBench(): Promise<void> {
  await withBrowser(async (newPage) => {
    const drawn: number[] = []
    for (const [lines, strokes] of [
      [shelfLines(5), 40],
      [shelfLines(300), 40],
      [nicheLines(2_000), 24],
    ] as const) {
      const page = await newPage()
      await openLines(page, lines)
      // One in the middle: what comes after it must not move.
      const middle = Math.ceil(lines.length / 2)
      await page.locator('.pad-lines').evaluate((list, row) => {
        const height = list.querySelector<HTMLElement>(':scope > :not([hidden])')?.offsetHeight ?? 0
        list.parentElement?.parentElement?.scrollTo(0, (row - 4) * height)
      }, middle)
      await page.getByLabel(`Line ${String(middle)}`, { exact: true }).click()
      // As a user's are, without a trace; then some more for what only a trace tells.
      const restMs = 200 + 2 * lines.length
      const all = await measure(page, strokes, restMs)
      const stalled = await longestTask(page, () => measure(page, 6, restMs))
      await page.close()
      const times = (of: keyof Stroke): number[] => all.map((stroke) => stroke[of])
      const told = (of: keyof Stroke): string =>
        `${median(times(of)).toFixed(0)} (${quickQuarter(times(of)).toFixed(0)}) ms`
      drawn.push(median(times('drawn')))
      console.log(
        `${String(lines.length).padStart(4)} runs: drawing after ${told('drawn')}, frame after ${told('shown')}, figures after ${told('figures')}; stands still for ${stalled.toFixed(0)} ms at most`,
      )
    }
    const [small = NaN, , large = NaN] = drawn
    console.log(
      `Medians; in brackets what a quarter of the strokes stays below, as on a machine that does nothing else. 400 × the runs take ${(large / small).toFixed(1)} × the time to draw`,
    )
  })
}

/**
 * Types other lengths into the line that has the focus.
 *
 * @param restMs between strokes: until what comes after the figures is done, too
 */
const measure = (page: Page, strokes: number, restMs: number): Promise<Stroke[]> =>
  page.evaluate(
    async ([count, rest]) => {
      const found: { drawn: number; shown: number; figures: number }[] = []
      const field = document.activeElement as HTMLInputElement
      const part = (selector: string): Element => {
        const element = document.querySelector(selector)
        if (element === null) throw new Error(`there is no ${selector}`)
        return element
      }
      const changed = (element: Element): Promise<number> =>
        new Promise((resolve) => {
          const observer = new MutationObserver(() => {
            observer.disconnect()
            resolve(performance.now())
          })
          observer.observe(element, {
            subtree: true,
            attributes: true,
            childList: true,
            characterData: true,
          })
        })
      const [name = '', length] = field.value.split(' ')
      const was = Number(length)
      for (let stroke = 0; stroke < count; stroke += 1) {
        const figures = changed(part('[data-figure="length.total"] dd'))
        const drawing = changed(part('[aria-label="The runs to scale"]'))
        const start = performance.now()
        field.value = `${name} ${String(was + 20 * (1 + (stroke % 5)))}`
        field.dispatchEvent(new Event('input', { bubbles: true }))
        const drawn = (await drawing) - start
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
        const shown = performance.now() - start
        found.push({ drawn, shown, figures: (await figures) - start })
        await new Promise((resolve) => setTimeout(resolve, rest))
      }
      return found
    },
    [strokes, restMs] as const,
  )
