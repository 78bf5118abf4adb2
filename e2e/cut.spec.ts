import { readFile } from 'node:fs/promises'
import {
  expect,
  figure,
  line,
  openEmptyPlan,
  pasteLines,
  roll,
  scrollThrough,
  test,
  verdict,
} from './browser'

test('the cut page shows every piece, the reels that they come from, and the joints', async ({
  page,
}) => {
  await page.goto('/')
  await expect(page.getByTestId('cut-state')).toHaveText('2 reels')
  await page.getByRole('link', { name: /^Cut/ }).click()
  await expect(page.locator('[data-tape="crown"] [data-piece]')).toHaveCount(4)
  await expect(page.getByTestId('packing')).toContainText('60.00')
  await expect(page.getByTestId('packing')).toContainText('proved cheapest')
  await expect(figure(page, 'reels.total')).toHaveText('€60.00')
  await expect(roll(page)).toContainText('58 joints')
})

test('folded corners are one piece; the rule can be undone', { tag: '@long' }, async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Cut/ }).click()
  await expect(page.getByRole('heading', { name: 'Cut', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'House rules' }).click()
  await page.getByLabel(/Fold on/).check()
  await expect(page.locator('[data-tape="crown"] [data-piece]')).toHaveCount(1)
  await expect(roll(page)).toContainText('48 joints')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-tape="crown"] [data-piece]')).toHaveCount(4)
})

test(
  'leftovers go into the drawer and come into another plan',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/')
    await page.getByRole('link', { name: /^Cut/ }).click()
    await page.getByRole('button', { name: 'Leftovers to the drawer' }).click()
    await expect(page.getByTestId('notice')).toContainText('1 leftover')
    await openEmptyPlan(page)
    await page.keyboard.type('shelf 1500')
    await page.getByRole('link', { name: /^Cut/ }).click()
    await expect(page.getByTestId('packing')).toContainText('15.00')
    await page.getByRole('button', { name: 'use them here' }).click()
    await expect(page.getByTestId('packing')).toContainText('0.00')
    await expect(page.getByText(/^from the drawer ·/)).toBeVisible()
    // The offcuts that lie in the drawer of the nook came too.
    const used = page.getByRole('button', { name: /^\d+ mm ✕/ })
    await expect(used).toHaveCount(3)
    for (const left of [2, 1, 0]) {
      await used.first().click()
      await expect(used).toHaveCount(left)
    }
    await expect(page.getByTestId('packing')).toContainText('15.00')
  },
)

test('the cut list is saved as CSV and printed by itself', { tag: '@long' }, async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Cut/ }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'CSV' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('bay-window-nook-cuts.csv')
  expect(await readFile(await download.path(), 'utf8')).toContain(',A1,1,1,128,1,128,2133.33')
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('heading', { name: 'Cut list · Bay-window nook' })).toBeVisible()
  await expect(roll(page)).toBeHidden()
  await expect(page.getByRole('row', { name: /A1/ })).toContainText('1 to 128')
})

test('a piece longer than any reel is joined, and says so', async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('wall 12 m')
  await page.keyboard.press('Alt+2')
  await expect(verdict(page, 'stock-short')).toContainText('2 joins')
  await expect(page.getByText('A1.2')).toBeVisible()
  await page.keyboard.press('Alt+1')
  await expect(line(page, 1)).toHaveValue('wall 12 m')
})

test('the drawing is saved as SVG', { tag: '@long' }, async ({ page }) => {
  await page.goto('/')
  await expect(line(page, 1)).toBeVisible()
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Save the drawing as SVG' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('bay-window-nook.svg')
  const svg = await readFile(await download.path(), 'utf8')
  expect(svg).toContain('>alcove, 1888 mm</text>')
})

test(
  'a plan of many runs comes row by row, and all of it is there in the end',
  { tag: '@long' },
  async ({ page }) => {
    const runs = 90
    // A browser under load may miss that a place came into view: the lists must not wait to be told.
    await page.addInitScript(() => {
      window.IntersectionObserver = class extends IntersectionObserver {
        constructor(tell: IntersectionObserverCallback, options?: IntersectionObserverInit) {
          super((entries, observer) => {
            const gone = entries.filter(({ isIntersecting }) => !isIntersecting)
            if (gone.length > 0) tell(gone, observer)
          }, options)
        }
      }
    })
    await openEmptyPlan(page)
    await pasteLines(
      page,
      Array.from({ length: runs }, (_, index) => `shelf-${String(index)} ${String(900 + index)}`),
    )
    await expect(roll(page)).toContainText('strip to place')
    // What they come to, under a line for each.
    await expect(figure(page, 'length.total')).toBeVisible()
    await scrollThrough(roll(page))
    await expect(roll(page)).toContainText(`shelf-${String(runs - 1)}`)
    await page.getByRole('link', { name: /^Cut/ }).click()
    const tapes = page.getByRole('group', { name: 'Tapes' })
    await expect(page.locator('[data-tape]').first()).toBeVisible()
    await scrollThrough(tapes)
    await expect(page.locator('[data-tape]')).toHaveCount(runs)
    // The list for the printer has every piece once, in as many reels as are drawn.
    const pieces = await page.locator('.print-only tbody b').allTextContents()
    expect(pieces.length).toBeGreaterThanOrEqual(runs)
    expect(new Set(pieces).size).toBe(runs)
    await page.getByRole('link', { name: /^Feed/ }).click()
    await expect(page.locator('[data-flag]').first()).toBeVisible()
    await scrollThrough(tapes)
    await expect(page.locator('[data-flag]')).toHaveCount(runs)
    await page
      .getByRole('button', { name: `Feed shelf-${String(runs - 1)} at its far end too` })
      .click()
    await expect(page.locator('[data-flag]')).toHaveCount(runs + 1)
    await page.getByRole('link', { name: /^Signal/ }).click()
    await expect(page.locator('[data-lane-run]')).toHaveCount(runs)
    await page.getByRole('link', { name: /^Wire/ }).click()
    const picture = page.getByRole('img', { name: 'Wiring of New plan' })
    await expect(picture.locator(`[data-block="board"]`).first()).toBeVisible()
    await expect(picture).toContainText(`shelf-${String(runs - 1)}`)
    // Plus and minus of each run and of its far end, and of the board.
    await expect(picture.locator('g[data-wire] > title')).toHaveCount(2 * runs + 2 + 2 + runs)
  },
)
