import type { Locator, Page } from '@playwright/test'
import { noBarriers } from './barriers'
import { expect, figure, line, openEmptyPlan, test, verdict } from './browser'

test('the whole slice with the keyboard alone', async ({ page }) => {
  const press = async (...keys: string[]): Promise<void> => {
    for (const key of keys) await page.keyboard.press(key)
  }
  const tabTo = async (name: RegExp): Promise<void> => {
    for (let step = 0; step < 60; step += 1) {
      await press('Tab')
      const label = await page.evaluate(
        () =>
          document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent,
      )
      if (name.test(label ?? '')) return
    }
    throw new Error(`the Tab key does not reach ${String(name)}`)
  }
  await page.goto('/plans')
  await expect(page.getByRole('listitem').first()).toBeVisible()
  await tabTo(/^\s*New plan/)
  await press('Enter')
  await expect(line(page, 1)).toBeFocused()
  await page.keyboard.type('rail 3000')
  await press('Enter')
  await page.keyboard.type('shelf 800')
  await press('Alt+ArrowUp')
  await expect(line(page, 1)).toHaveValue('shelf 800')
  await press('ArrowDown')
  await expect(line(page, 2)).toBeFocused()
  await tabTo(/^Light:/)
  await press('Enter')
  await page.keyboard.type('12 V white, 9.6')
  await press('Enter')
  await expect(verdict(page, 'volts-differ')).toHaveCount(1)
  // Fixes are looked for after verdicts: until they are there, the focus waits at their place.
  await tabTo(/version$|^\s*Looking for fixes/)
  await expect(page.locator(':focus')).toHaveText(/version$/)
  await press('Enter')
  await expect(verdict(page, 'volts-differ')).toHaveCount(0)
  await press('Control+z')
  await expect(verdict(page, 'volts-differ')).toHaveCount(1)
  await expect(figure(page, 'length.total')).toHaveText('3.80 m')
})

/** What is written so small, or runs so far over the edge, that it cannot be read. */
const unreadable = (page: Page): Promise<string[]> =>
  page.evaluate(() => [
    ...[...document.querySelectorAll('main *')]
      .filter(
        (element) =>
          !element.closest('svg') &&
          [...element.childNodes].some((node) => node instanceof Text && node.data.trim() !== '') &&
          element.checkVisibility() &&
          parseFloat(getComputedStyle(element).fontSize) < 12,
      )
      .map((element) => element.outerHTML.slice(0, 80)),
    ...(document.documentElement.scrollWidth > innerWidth ? ['the page is too wide'] : []),
  ])

/** What stands on a view once all of it is there. */
const whole = (page: Page): readonly (readonly [address: RegExp, sign: Locator])[] => [
  [/\/cut$/, page.locator('[data-piece="A1"]')],
  [/\/feed$/, page.locator('[data-flag="seat.first"]')],
  [/\/feed\?.*sources/, page.getByRole('region', { name: 'Junctions' })],
  [/\/signal$/, page.getByTestId('level-word')],
  [/\/wire$/, page.getByRole('img', { name: 'Wiring of Bay-window nook' })],
  [/\/buy\?.*light/, page.getByText(/lights, each the whole plan/)],
]

const parts = [
  ['a plan', ['Measure', 'Cut', 'Feed', 'Signal', 'Wire']],
  ['a plan, and what comes after it', ['Buy', 'Build', 'Glow', 'Mend']],
] as const
for (const [width, colorScheme] of [
  [1280, 'light'],
  [390, 'dark'],
] as const)
  test.describe(`at ${String(width)}, ${colorScheme}`, { tag: '@long' }, () => {
    test.use({ viewport: { width, height: 844 }, colorScheme })

    for (const [name, stages] of parts)
      test(`every view of ${name} can be read and hit`, async ({ page }) => {
        test.slow()
        await page.goto('/')
        for (const stage of stages) {
          await page.getByTitle(new RegExp(`^${stage} `)).click()
          await expect(page.getByRole('heading', { level: 1, name: stage })).toBeVisible()
          await page.waitForLoadState('networkidle')
          const views = page
            .getByRole('radiogroup', { name: /^(What is shown|Sheet)$/ })
            .filter({ visible: true })
            .getByRole('radio')
          for (let view = 0; view === 0 || view < (await views.count()); view += 1) {
            if (view > 0) await views.nth(view).check()
            for (const [address, sign] of whole(page))
              if (address.test(page.url())) await expect(sign).toBeVisible({ timeout: 60_000 })
            await expect(page.getByRole('progressbar')).toHaveCount(0)
            await noBarriers(page)
            expect([page.url(), ...(await unreadable(page))]).toEqual([page.url()])
          }
        }
      })

    test('what is no plan can be read and hit', async ({ page }) => {
      for (const path of [
        '/plans',
        '/sums',
        '/sums/resistor',
        '/sums/reels',
        '/trouble',
        '/plan/none/nowhere',
        '/plan/none/measure',
      ]) {
        await page.goto(path)
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
        await page.waitForLoadState('networkidle')
        await noBarriers(page)
        expect([path, ...(await unreadable(page))]).toEqual([path])
      }
    })
  })

for (const isPhone of [false, true])
  test.describe(isPhone ? 'on a phone' : 'on a desk', () => {
    test.use(
      isPhone
        ? { hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } }
        : { viewport: { width: 1280, height: 800 }, colorScheme: 'light' },
    )
    test('every dialog can be read and hit', { tag: '@long' }, async ({ page }) => {
      // Twelve dialogs in one.
      test.slow()
      await page.goto('/')
      await expect(line(page, 1)).toHaveValue('seat front 2140')
      const id = new URL(page.url()).pathname.split('/')[2]!
      const button = (name: string | RegExp) => page.getByRole('button', { name }).first()
      const fromMenu = (name: string) => async (): Promise<void> => {
        await page.getByRole('button', { name: 'Plan', exact: true }).click()
        await page.getByRole('menuitem', { name }).click()
      }
      const opened = page.locator(
        '[role=dialog] :is(button, input), [role=menuitem], [id^=headlessui-popover-panel]',
      )
      const dialogs: [stage: string, open: () => Promise<void>][] = [
        ['measure', () => button(/rules/i).click()],
        ['measure', () => page.getByLabel('Light').getByText('add your own').click()],
        ['measure', () => page.getByLabel('Supply').getByText('add your own').click()],
        ['signal', () => button('+ your own').click()],
        ['measure', () => page.getByRole('button', { name: 'Plan', exact: true }).click()],
        ['measure', fromMenu('Notes …')],
        ['measure', fromMenu('Snapshots …')],
        ['measure', fromMenu('Take over what was done')],
        ['measure', fromMenu('Search …')],
        ['measure', fromMenu('Help, shortcuts')],
        ['measure?sheet=tally', () => button(/^Put it right/).click()],
        ['build', () => button(/went wrong/i).click()],
      ]
      for (const [index, [stage, open]] of dialogs.entries()) {
        if (stage === dialogs[index - 1]?.[0]) await page.keyboard.press('Escape')
        else {
          await page.goto(`/plan/${id}/${stage}`)
          await page.waitForLoadState('networkidle')
        }
        await expect(opened).toHaveCount(0)
        await open()
        await expect(opened.first(), `${String(index)} ${stage}`).toBeVisible()
        await noBarriers(page)
      }
    })
  })

test(
  'no violation with errors, lists, rules and a dialog open',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('sill 12oo')
    await expect(page.getByTestId('line-error')).toBeVisible()
    await noBarriers(page)
    await page.getByRole('button', { name: 'House rules' }).click()
    await expect(page.getByLabel('Faded below')).toBeVisible()
    await noBarriers(page, { isPartlyCovered: true })
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: /^Light:/ }).click()
    await noBarriers(page, { isPartlyCovered: true })
    await page.keyboard.press('Escape')
    await page
      .getByRole('region', { name: 'Light' })
      .getByRole('button', { name: 'add your own' })
      .click()
    await expect(page.getByRole('heading', { name: 'A strip of your own' })).toBeVisible()
    await noBarriers(page, { isPartlyCovered: true })
  },
)

test('nothing runs over the edge of a narrow window', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/')
  for (const sheet of ['Pad', 'Drawing', 'Tally']) {
    await page.getByRole('radio', { name: sheet }).click()
    const over = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    )
    expect(over).toBe(0)
  }
  await expect(verdict(page, 'supply-tight')).toBeVisible()
})
