import type { Page } from '@playwright/test'
import { longestTask, openFirst, withBrowser } from './browser'
import { median } from './plans'

/**
 * How long a first visit on a phone takes to its pad, ms from the start of the navigation as the page itself counts them, with a processor
 * that is so many times slower.
 */
async function timeToPad(page: Page, slower: number): Promise<number> {
  await page.setViewportSize({ width: 390, height: 844 })
  const tools = await page.context().newCDPSession(page)
  await tools.send('Emulation.setCPUThrottlingRate', { rate: slower })
  // As text, since what is compiled here would call a helper that the page does not have.
  await page.addInitScript(`new MutationObserver(() => {
    if (document.querySelector('[aria-label="Line 1"]') !== null) window.padAfter ??= performance.now()
  }).observe(document, { childList: true, subtree: true })`)
  await openFirst(page)
  await page.getByLabel('Line 1', { exact: true }).waitFor()
  return page.evaluate<number>('window.padAfter')
}

const stages = ['Cut', 'Feed', 'Signal', 'Wire', 'Buy', 'Build', 'Glow', 'Mend', 'Measure']

/** A first visit that finds the examples: its pad, also on a slow phone, and each page of each example. */
export async function startBench(): Promise<void> {
  await withBrowser(
    async (newPage) => {
      const times = async (slower: number): Promise<number> => {
        const all: number[] = []
        for (let visit = 0; visit < 5; visit += 1) {
          const page = await newPage()
          all.push(await timeToPad(page, slower))
          await page.close()
        }
        return median(all)
      }
      const [own, slow] = [await times(1), await times(4)]
      console.log(
        `the pad after ${own.toFixed(0)} ms; with a processor 4 times slower ${slow.toFixed(0)} ms, ${(slow / own).toFixed(1)} times as long`,
      )
      const page = await newPage()
      await openFirst(page)
      await page.goto(new URL('/plans', page.url()).href)
      const plans = page.getByRole('main').locator('a[href*="/plan/"]')
      await plans.first().waitFor()
      const addresses = await plans.evaluateAll((links) => [
        ...new Set(links.map((link) => link.getAttribute('href') ?? '')),
      ])
      for (const address of addresses) {
        await page.goto(new URL(address, page.url()).href)
        await page.getByLabel('Line 1', { exact: true }).waitFor()
        await page.waitForTimeout(2_000)
        const plan = (await page.title()).split(' · ')[0] ?? ''
        const stalls: { readonly name: string; readonly ms: number }[] = []
        for (const name of stages)
          stalls.push({
            name,
            ms: await longestTask(page, async () => {
              await page.getByTitle(new RegExp(`^${name} `)).click()
              await page.waitForTimeout(1_800)
            }),
          })
        stalls.sort((a, b) => b.ms - a.ms)
        console.log(
          `${plan} stands still as pages appear, at most: ${stalls.map(({ name, ms }) => `${name} ${ms.toFixed(0)}`).join(', ')} ms`,
        )
      }
    },
    { firstVisit: 'examples' },
  )
}
