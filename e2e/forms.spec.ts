import type { Page } from '@playwright/test'
import { expect, exportAndImport, line, openEmptyPlan, test, verdict } from './browser'

const dialog = (page: Page, title: string) =>
  page.getByRole('dialog').filter({ has: page.getByRole('heading', { name: title }) })

test.describe('parts of one’s own', () => {
  test.beforeEach(async ({ page }) => {
    await openEmptyPlan(page)
    await line(page, 1).fill('cove 3000')
  })
  test.afterEach(async ({ page }) => {
    await exportAndImport(page)
  })

  for (const [kind, fill] of [
    [
      'Plain, all alike',
      async (page: Page) => {
        await page.getByLabel(/^Runs on/).fill('24')
        await page.locator('[name="perM"]').fill('120')
        await page.getByLabel(/^Cut marks every/).fill('50')
        await page.getByLabel(/^Colours/).selectOption('Two whites, warm and cool')
      },
    ],
    [
      'Pixels, each on its own',
      async (page: Page) => {
        await page.getByLabel(/^Pixels/).fill('30')
        await page.getByLabel(/^Colours/).selectOption('Red, green, blue, white')
      },
    ],
  ] as const)
    test(
      `a strip: ${kind}`,
      { tag: kind === 'Plain, all alike' ? [] : '@long' },
      async ({ page }) => {
        await page.getByRole('button', { name: 'add your own' }).first().click()
        await page.getByLabel(/^Name/).fill('strip from the drawer')
        await page.getByLabel(/^Kind/).selectOption(kind)
        await fill(page)
        await page.getByText('More figures, at typical values').click()
        await page.locator('[name="lumensPerM"]').fill('900')
        await page.getByRole('button', { name: 'Add the strip' }).click()
        await expect(dialog(page, 'A strip of your own')).toHaveCount(0)
        await expect(page.getByRole('button', { name: /strip from the drawer/ })).toBeVisible()
      },
    )

  test('a strip that no plan takes is refused at the field that is wrong, and nothing is lost', async ({
    page,
  }) => {
    await page.getByRole('button', { name: 'add your own' }).first().click()
    await page.getByLabel(/^Name/).fill('odd strip')
    await page.getByLabel(/^Pixels/).fill('144')
    await page.getByLabel(/^Cut marks every/).fill('1000')
    await page.getByRole('button', { name: 'Add the strip' }).click()
    await expect(page.getByRole('alert')).toContainText('Not yet:')
    await expect(page.getByLabel(/^Cut marks every/)).toBeFocused()
    await expect(page.getByLabel(/^Name/)).toHaveValue('odd strip')
    // Kinds back and forth keep what was typed.
    await page.getByLabel(/^Kind/).selectOption('Plain, all alike')
    await page.getByLabel(/^Kind/).selectOption('Pixels, each on its own')
    await expect(page.getByLabel(/^Each colour draws/)).toHaveValue('20')
    await page.getByLabel(/^Cut marks every/).fill('6.9')
    await page.getByRole('button', { name: 'Add the strip' }).click()
    await expect(page.getByRole('button', { name: /odd strip/ })).toBeVisible()
  })

  test('a supply of every kind', { tag: '@long' }, async ({ page }) => {
    for (const kind of [
      'Enclosed supply',
      'Plug-in brick',
      'USB port or charger',
      'USB-C power delivery, at fixed volts',
      'Cells in a holder or pack',
      'Cells behind a booster',
      'USB power bank',
    ]) {
      const name = `from the drawer: ${kind}`
      await page.getByRole('button', { name: 'add your own' }).last().click()
      await page.getByLabel(/^Name/).fill(name)
      await page.getByLabel(/^What it is/).selectOption(kind)
      await page.getByLabel(/^Gives/).fill('5')
      if (kind.startsWith('Cells')) await page.getByLabel(/^A cell holds/).fill('2500')
      if (kind.endsWith('bank')) await page.getByLabel(/^Holds/).fill('37')
      await page.getByRole('button', { name: 'Add the supply' }).click()
      await expect(dialog(page, 'A supply of your own')).toHaveCount(0)
      await expect(page.getByRole('button', { name: `Supply: ${name}` })).toBeVisible()
    }
  })
})

test('puts a plan right in one go, and takes it back', { tag: '@long' }, async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Put it right …' }).click()
  const steps = page.getByTestId('put-right-steps').getByRole('listitem')
  await expect(steps.first()).toBeVisible({ timeout: 30_000 })
  const count = await steps.count()
  await page.getByRole('button', { name: `Apply ${String(count)} changes` }).click()
  await expect(page.getByRole('link', { name: /^Feed/ })).toContainText('fits')
  await expect(page.getByRole('button', { name: 'Put it right …' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(page.getByRole('link', { name: /^Feed/ })).toContainText('2 stops')
})

test('offers only fixes that work', async ({ page }) => {
  await openEmptyPlan(page)
  await line(page, 1).fill('wall 4200')
  await page.getByRole('link', { name: /^Feed/ }).click()
  const fade = verdict(page, 'fade')
  await fade.getByRole('button', { name: 'feed both ends', exact: true }).click()
  await expect(fade).toHaveCount(0)
})
