import type { Page } from '@playwright/test'
import { expect, line, openEmptyPlan, test, exportedPlan } from './browser'

// What the browser, other tabs and bad moments do to what is kept.

const saved = (page: Page) => expect(page.getByTestId('saved')).toHaveText('saved on this device')
const notice = (page: Page) => page.getByTestId('notice')

test('what was typed just before a reload stands there after it', async ({ page }) => {
  await openEmptyPlan(page)
  for (let number = 1; number <= 6; number += 1) {
    await line(page, 1).fill(`shelf ${String(100 * number)}`)
    // Nothing is waited for: the stroke is on the screen, and no more.
    await page.reload()
    await expect(line(page, 1)).toHaveValue(`shelf ${String(100 * number)}`)
  }
  await line(page, 1).fill('shelf 777')
  await page.goto(new URL('/sums', page.url()).href)
  await page.goBack()
  await expect(line(page, 1)).toHaveValue('shelf 777')
  // The steps back come with it.
  await page.keyboard.press('Control+z')
  await expect(line(page, 1)).not.toHaveValue('shelf 777')
  await saved(page)
})

test(
  'taking a plan over takes the last stroke with it',
  { tag: '@long' },
  async ({ page, context }) => {
    await page.goto('/')
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    const second = await context.newPage()
    await second.goto(page.url())
    const takeOver = second.getByRole('button', { name: 'Take over here' })
    await expect(takeOver).toBeVisible()
    await line(page, 1).fill('seat front 2155')
    await takeOver.click()
    await expect(line(second, 1)).toHaveValue('seat front 2155')
    await expect(takeOver).toHaveCount(0)
    await expect(page.getByRole('alert')).toContainText('taken over')
  },
)

test(
  'renaming on the shelf reaches the tab that has the plan, and locks nobody out',
  { tag: '@long' },
  async ({ page, context }) => {
    await page.goto('/')
    await line(page, 1).fill('seat front 2145')
    const shelf = await context.newPage()
    await shelf.goto('/plans')
    await shelf.getByRole('button', { name: 'Rename Bay-window nook' }).click()
    await shelf.getByLabel('Name of the plan').fill('Window seat')
    await shelf.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: 'Window seat', exact: true })).toBeVisible()
    await expect(shelf.getByRole('link', { name: 'Window seat', exact: true })).toBeVisible()
    await line(page, 1).fill('seat front 2150')
    await saved(page)
    await expect(page.getByRole('alert')).toHaveCount(0)
    await page.keyboard.press('Control+z')
    await page.keyboard.press('Control+z')
    await expect(page.getByRole('button', { name: 'Bay-window nook', exact: true })).toBeVisible()
  },
)

test(
  'a plan that is deleted elsewhere says so, and comes back only when asked',
  { tag: '@long' },
  async ({ page, context }) => {
    await page.goto('/')
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    const shelf = await context.newPage()
    await shelf.goto('/plans')
    await shelf.getByRole('button', { name: 'Delete Bay-window nook' }).click()
    await expect(page.getByRole('alert')).toContainText('Deleted in another tab')
    await expect(page.getByTestId('saved')).toHaveText('deleted in another tab')
    await expect(shelf.getByRole('link', { name: 'Bay-window nook', exact: true })).toHaveCount(0)
    await page.getByRole('button', { name: 'Bring it back' }).click()
    await expect(page.getByRole('alert')).toHaveCount(0)
    await saved(page)
    await line(page, 1).fill('seat front 2141')
    await saved(page)
    await expect(shelf.getByRole('link', { name: 'Bay-window nook', exact: true })).toBeVisible()
  },
)

test(
  'without a store the app says so, and goes on in memory when asked',
  { tag: '@long' },
  async ({ page }) => {
    await page.addInitScript(() => {
      IDBFactory.prototype.open = () => {
        throw new DOMException('denied by the user', 'SecurityError')
      }
    })
    await page.goto('/')
    const trouble = page.getByTestId('storage-trouble')
    await expect(trouble).toContainText('does not let plans be kept')
    await expect(page.getByRole('heading', { name: 'Plans' })).toBeVisible()
    await expect(notice(page)).toHaveCount(0)
    await page.getByRole('button', { name: 'Go on without saving' }).click()
    await expect(page.getByText('Nothing is saved.')).toBeVisible()
    await page.getByRole('link', { name: 'Bay-window nook' }).click()
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    await expect(page.getByTestId('saved')).toHaveText('not kept')
    await line(page, 1).fill('seat front 2150')
    await expect(page.getByTestId('saved')).toHaveText('not kept')
  },
)

/** Changes the record of a plan behind the app's back. */
const spoil = (page: Page, name: string, how: 'half' | 'shape' | 'history'): Promise<void> =>
  page.evaluate(
    ([plan, kind]) =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open('glow-tally')
        request.onerror = () => {
          reject(new Error('not opened'))
        }
        request.onsuccess = () => {
          const db = request.result
          const change = db.transaction(['plans', 'histories'], 'readwrite')
          const all = change.objectStore('plans').getAll()
          all.onsuccess = () => {
            const records = all.result as { id: string; name: string; document: object }[]
            const record = records.find((one) => one.name === plan)!
            if (kind === 'half') record.document = { ...record.document, lines: undefined }
            if (kind === 'shape') (record as { document: unknown }).document = 'gone'
            if (kind === 'history')
              change.objectStore('histories').put({
                planId: record.id,
                steps: [
                  {
                    label: 'x',
                    key: '',
                    forward: [],
                    backward: [{ op: 'replace', path: ['lines', 99, 'text'], value: 1 }],
                  },
                ],
                done: 1,
              })
            change.objectStore('plans').put(record)
          }
          change.oncomplete = () => {
            db.close()
            resolve()
          }
        }
      }),
    [name, how] as const,
  )

test(
  'a record that is half, or no plan at all, is named, saved as it is, renamed and deleted',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/plans')
    await expect(page.getByRole('link', { name: 'Toy harbour', exact: true })).toBeVisible()
    await spoil(page, 'Toy harbour', 'half')
    await spoil(page, 'Wall of jars', 'shape')
    await page.goto('/plans')
    const half = page.getByRole('listitem').filter({ hasText: 'Toy harbour' })
    await expect(page.getByRole('link', { name: 'Bay-window nook', exact: true })).toBeVisible()
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Export Toy harbour' }).click()
    expect(await exportedPlan(download)).toContain('"glow-tally plan"')
    await expect(notice(page)).toContainText('lines')
    await half.getByRole('link').click()
    await expect(page.getByRole('heading', { name: 'This plan cannot be read' })).toBeVisible()
    await expect(page.getByRole('alert').filter({ hasText: 'lines' }).first()).toBeVisible()
    await page.getByRole('link', { name: 'To the shelf of plans' }).click()
    await page.getByRole('button', { name: 'Rename Wall of jars' }).click()
    await page.getByLabel('Name of the plan').fill('Lost jars')
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: 'Delete Lost jars' }).click()
    await expect(page.getByRole('link', { name: 'Lost jars' })).toHaveCount(0)
  },
)

test(
  'steps back that do not fit their plan are given up, and the plan stays',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/plans')
    await expect(page.getByRole('link', { name: 'Toy harbour', exact: true })).toBeVisible()
    await spoil(page, 'Toy harbour', 'history')
    await page.getByRole('link', { name: 'Toy harbour', exact: true }).click()
    const first = await line(page, 1).inputValue()
    await page.keyboard.press('Control+z')
    await expect(notice(page)).toContainText('steps back')
    await expect(line(page, 1)).toHaveValue(first)
  },
)

test(
  'a full store while importing or saving is told, with a way out',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/plans')
    await expect(page.getByRole('link', { name: 'Bay-window nook', exact: true })).toBeVisible()
    await page.evaluate(() => {
      const full = (): never => {
        throw new DOMException('the quota is used up', 'QuotaExceededError')
      }
      IDBObjectStore.prototype.add = full
      IDBObjectStore.prototype.put = full
    })
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: 'Import a file' }).click()
    await (await chooser).setFiles('demo/firefly-jar.json')
    await expect(notice(page)).toContainText('could not keep it')
    await page.getByRole('button', { name: 'Close this notice' }).click()
    await page.getByRole('link', { name: 'Bay-window nook', exact: true }).click()
    await line(page, 1).fill('seat front 2160')
    await expect(notice(page)).toContainText('could not be saved')
    await expect(page.getByTestId('saved')).toHaveText('not saved')
    const download = page.waitForEvent('download')
    await notice(page).getByRole('button', { name: 'Export to a file' }).click()
    expect(await exportedPlan(download)).toContain('seat front 2160')
  },
)

test(
  'a part that does not come is told, and the page stays',
  { tag: '@long' },
  async ({ page, context, consoleErrors }) => {
    await page.goto('/')
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    await context.route('**/assets/FeedPage*', (route) => route.abort())
    await page.getByRole('link', { name: /^Feed/ }).click()
    await expect(notice(page)).toContainText('could not be loaded')
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    await context.unroute('**/assets/FeedPage*')
    expect(consoleErrors.splice(0)).toEqual(['Failed to load resource: net::ERR_FAILED'])
    await notice(page).getByRole('button', { name: 'Reload' }).click()
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    await page.getByRole('link', { name: /^Feed/ }).click()
    await expect(page.getByRole('heading', { name: 'Feed' })).toBeVisible()
  },
)

test('an outline that cannot be read says why, and the dialog closes', async ({ page }) => {
  await openEmptyPlan(page)
  const chooser = page.waitForEvent('filechooser')
  await page.getByTitle('An outline from an SVG or DXF file').click()
  await (
    await chooser
  ).setFiles({
    name: 'leaf.dxf',
    mimeType: 'text/plain',
    buffer: Buffer.from('0\nSECTION\n2\nENTITIES\n0\nENDSEC\n0'),
  })
  await expect(page.getByRole('alert')).toContainText('cut short')
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
})

test(
  'an older tab in the way, and a newer one elsewhere, are told apart',
  { tag: '@long' },
  async ({ page, context, consoleErrors }) => {
    const other = await context.newPage()
    await other.goto('/health')
    /** Holds the database open at a version, as a tab of another version does. */
    const hold = (version: number): Promise<void> =>
      other.evaluate(
        (at) =>
          new Promise<void>((resolve, reject) => {
            const request = indexedDB.open('glow-tally', at)
            request.onerror = () => {
              reject(request.error ?? new Error('not opened'))
            }
            request.onsuccess = () => {
              Object.assign(window, { held: request.result })
              resolve()
            }
          }),
        version,
      )
    const letGo = (): Promise<void> =>
      other.evaluate(() => {
        ;(window as unknown as { held: IDBDatabase }).held.close()
      })
    await hold(5)
    await page.goto('/plans')
    const trouble = page.getByTestId('storage-trouble')
    await expect(trouble).toContainText('older tab')
    await letGo()
    await expect(trouble).toHaveCount(0)
    await page.getByRole('link', { name: 'Bay-window nook', exact: true }).click()
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    await hold(1_000)
    await expect(trouble).toContainText('newer version')
    const download = page.waitForEvent('download')
    await trouble.getByRole('button', { name: 'Export what is on the screen' }).click()
    expect(await exportedPlan(download)).toContain('seat front 2140')
    // The other page is the server's alone: it has no icon.
    for (const message of consoleErrors.splice(0)) expect(message).toContain('404')
  },
)
