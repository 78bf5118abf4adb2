import { stages } from '../src/app/shell/stages'
import { longestTask, openLines, withBrowser } from './browser'
import { shelfLines } from './plans'

/** How long the page stands still, at most, while each page of a plan of 300 runs and 50,000 pixels appears. */
export async function stallsBench(): Promise<void> {
  await withBrowser(async (newPage) => {
    const page = await newPage()
    await openLines(page, shelfLines(300))
    for (const [key, { label }] of stages.entries()) {
      const stalled = await longestTask(page, async () => {
        await page.keyboard.press(`Alt+${String(key + 1)}`)
        await page.waitForTimeout(2_500)
      })
      console.log(`${label} appears: stands still for ${stalled.toFixed(0)} ms at most`)
    }
  })
}
