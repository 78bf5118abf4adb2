import type { Page } from '@playwright/test'
import { longestTask, openShelf, withBrowser } from './browser'
import { median } from './plans'

const copies = 193

/** The shelf with 200 plans: until those of its cards that are in view are there, and how long it stands still at most meanwhile. */
export async function shelfBench(): Promise<void> {
  await withBrowser(
    async (newPage) => {
      const page = await newPage()
      await openShelf(page)
      // What the shelf tells of the examples is worked out, and goes with their copies as it does when a plan is copied on the shelf.
      await page.waitForTimeout(5_000)
      const few = await page.getByRole('listitem').count()
      const some = await visits(page)
      await page.evaluate(async (count) => {
        const asked = <Result>(request: IDBRequest<Result>): Promise<Result> =>
          new Promise((resolve, reject) => {
            request.onsuccess = () => {
              resolve(request.result)
            }
            request.onerror = () => {
              reject(new Error('the shelf could not be filled'))
            }
          })
        const [{ name = '' } = {}] = await indexedDB.databases()
        const db = await asked(indexedDB.open(name))
        const plans = db.transaction('plans', 'readwrite').objectStore('plans')
        const all = (await asked(plans.getAll())) as { id: string; name: string }[]
        for (let copy = 0; copy < count; copy += 1) {
          const of = all[copy % all.length]
          if (of === undefined) continue
          const id = `copy${String(copy)}`
          await asked(
            plans.put({ ...of, id, name: `${of.name} ${String(copy)}`, isExample: false }),
          )
        }
        db.close()
      }, copies)
      const many = await visits(page)
      console.log(
        `${String(few + copies)} plans: the cards in view after ${many.ms.toFixed(0)} ms, ${(many.ms / some.ms).toFixed(1)} × those of ${String(few)} (medians of 5 visits); stands still for ${many.stalled.toFixed(0)} ms at most, with ${String(few)} for ${some.stalled.toFixed(0)}`,
      )
    },
    { firstVisit: 'examples' },
  )
}

/** Visits the shelf five times: until the first cards are there, ms, and the longest that the page stands still. */
async function visits(page: Page): Promise<{ ms: number; stalled: number }> {
  const times: number[] = []
  const stalled = await longestTask(page, async () => {
    for (let visit = 0; visit < 5; visit += 1) {
      await page.reload()
      times.push(
        await page.evaluate<number>(`new Promise((resolve) => {
          const look = () => document.querySelectorAll('main li').length >= 6 ? resolve(performance.now()) : requestAnimationFrame(look)
          look()
        })`),
      )
      // What comes after them is done, too.
      await page.waitForTimeout(1_000)
    }
  })
  return { ms: median(times), stalled }
}
