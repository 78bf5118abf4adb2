import AxeBuilder from '@axe-core/playwright'
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
  await tabTo(/version$/)
  await press('Enter')
  await expect(verdict(page, 'volts-differ')).toHaveCount(0)
  await press('Control+z')
  await expect(verdict(page, 'volts-differ')).toHaveCount(1)
  await expect(figure(page, 'length.total')).toHaveText('3.80 m')
})

const views = [
  { name: 'demo plan', open: '/' },
  { name: 'shelf of plans', open: '/plans' },
  { name: 'unknown address', open: '/plan/none/nowhere' },
  { name: 'missing plan', open: '/plan/none/measure' },
] as const
for (const { name, open } of views) {
  for (const width of [1280, 390]) {
    test(`no violation of accessibility rules: ${name} at ${String(width)}`, async ({ page }) => {
      await page.setViewportSize({ width, height: 800 })
      await page.goto(open)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      if (open === '/') await expect(line(page, 1)).toBeVisible()
      const { violations } = await new AxeBuilder({ page }).analyze()
      expect(violations.map(({ id, nodes }) => [id, nodes.map(({ html }) => html)])).toEqual([])
    })
  }
}

test('no violation with errors, lists, rules and a dialog open', async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('sill 12oo')
  await expect(page.getByTestId('line-error')).toBeVisible()
  const check = async (): Promise<void> => {
    const { violations } = await new AxeBuilder({ page }).analyze()
    expect(violations.map(({ id, nodes }) => [id, nodes.map(({ html }) => html)])).toEqual([])
  }
  await check()
  await page.getByRole('button', { name: 'House rules' }).click()
  await expect(page.getByLabel('Faded below')).toBeVisible()
  await check()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /^Light:/ }).click()
  await check()
  await page.keyboard.press('Escape')
  await page
    .getByRole('region', { name: 'Light' })
    .getByRole('button', { name: 'add your own' })
    .click()
  await expect(page.getByRole('heading', { name: 'A strip of your own' })).toBeVisible()
  await check()
})

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
