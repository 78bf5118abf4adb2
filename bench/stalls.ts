import { openLines, withBrowser } from './browser'
import { shelfLines } from './plans'

/** How long the page stands still, at most, while each page of a plan of 300 runs and 50,000 pixels appears. */
export async function stallsBench(): Promise<void> {
  await withBrowser(async (newPage) => {
    const page = await newPage()
    await openLines(page, shelfLines(300))
    // As text, since what is compiled here would call a helper that the page does not have.
    await page.evaluate(`{
      window.longest = 0
      new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries()) window.longest = Math.max(window.longest, duration)
      }).observe({ type: 'longtask' })
    }`)
    for (const [key, name] of ['Measure', 'Cut', 'Feed', 'Signal', 'Wire'].entries()) {
      await page.evaluate('window.longest = 0')
      await page.keyboard.press(`Alt+${String(key + 1)}`)
      await page.waitForTimeout(2_500)
      const longest = await page.evaluate<number>('window.longest')
      console.log(
        `${name} appears: ${longest === 0 ? 'never stands still for 50 ms' : `stands still for ${longest.toFixed(0)} ms at most`}`,
      )
    }
  })
}
