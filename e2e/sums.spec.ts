import type { Locator, Page } from '@playwright/test'
import { expect, openEmptyPlan, test } from './browser'

const answer = (page: Page, line: string): Locator => page.locator(`[data-line="${line}"]`)

test('a sum is found by what is meant, and answers with its working', async ({ page }) => {
  await page.goto('/sums')
  await expect(page.getByRole('link', { name: /^Battery life/ })).toBeVisible()
  await page.getByRole('searchbox').fill('which resistor')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Resistor of an LED' })).toBeVisible()
  await expect(answer(page, 'take')).toHaveText('200 Ω')
  const form = page.getByRole('form', { name: 'Resistor of an LED' })
  await form.getByLabel('Supply').fill('12 V')
  await form.getByLabel('LEDs in series').fill('3')
  await form.getByLabel('Current wanted').fill('20 mA')
  await expect(answer(page, 'take')).toHaveText('300 Ω')
  await expect(page.getByRole('img', { name: '300 Ω: orange, black, brown, gold' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Answer' })).toContainText(
    '(12 V − 3 × 2 V) ÷ 0.020 A',
  )
})

test('what is not understood is told beside its field, and nothing typed is lost', async ({
  page,
}) => {
  await page.goto('/sums/resistor')
  const form = page.getByRole('form')
  await form.getByLabel('Supply').fill('5 bananas')
  await expect(form.getByRole('alert')).toHaveText('“bananas”: a number in V')
  await expect(form.getByLabel('Supply')).toHaveValue('5 bananas')
  // The last answer stays.
  await expect(answer(page, 'take')).toHaveText('200 Ω')
  await form.getByLabel('Supply').fill('1.5')
  await expect(form.getByRole('alert')).toContainText('no headroom: 1 × 2 V leave nothing of 1.5 V')
  await form.getByLabel('Supply').fill('3.3')
  await expect(form.getByRole('alert')).toHaveCount(0)
  await expect(answer(page, 'take')).toHaveText('91 Ω')
})

test(
  'a link opens a sum with its values; the sums done last are kept',
  { tag: '@long' },
  async ({ page, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write'])
    await page.goto('/sums/blend')
    await page.getByRole('form').getByLabel('From lights to cover').fill('3 cm')
    await expect(answer(page, 'ripple')).toContainText('the dots are gone')
    await page.getByRole('button', { name: 'Copy a link with these values' }).click()
    await expect(page.getByRole('button', { name: 'Copied' })).toBeVisible()
    const link = await page.evaluate(() => navigator.clipboard.readText())
    await expect(page.getByRole('list', { name: 'Done last' })).toContainText('ripple 0.031 %')
    await page.goto(link)
    await expect(page.getByRole('form').getByLabel('From lights to cover')).toHaveValue('30')
    await page.goto('/sums')
    await page
      .getByRole('list', { name: 'Done last' })
      .getByRole('link', { name: /Dots behind/ })
      .click()
    await expect(page.getByRole('form').getByLabel('From lights to cover')).toHaveValue('30')
    await page.goto('/sums/nothing-like-it')
    await expect(page.getByText('There is no sum called nothing-like-it')).toBeVisible()
  },
)

test('kinds and ways change the fields; drawings follow', { tag: '@long' }, async ({ page }) => {
  await page.goto('/sums/shape')
  const form = page.getByRole('form')
  await form.getByLabel('Shape').selectOption('ring')
  await form.getByLabel('Diameter').fill('382')
  await expect(answer(page, 'to light')).toHaveText('1.20 m')
  await page.goto('/sums/battery')
  await expect(page.locator('.apexcharts-svg')).toBeVisible()
  await expect(answer(page, 'lasts')).toHaveText('6 h 14')
  await form.getByLabel('Given by').selectOption('powerW')
  await expect(form.getByLabel('Converter gives on')).toBeVisible()
  await page.goto('/sums/matrix')
  await expect(page.getByRole('img', { name: /^4 rows of 6/ })).toBeVisible()
  await form.getByLabel('Scanned').selectOption('led')
  await expect(answer(page, 'refresh')).toContainText('flickers')
  await page.goto('/sums/logic-level')
  await expect(page.getByRole('img', { name: /reaches 3\.3 V, must exceed 3\.5 V/ })).toBeVisible()
})

test('an answer goes into the plan that is open, and can be undone there', async ({ page }) => {
  await openEmptyPlan(page)
  await page.getByRole('link', { name: 'Sums' }).click()
  await page.getByRole('link', { name: /^Length of a shape/ }).click()
  await page.getByRole('button', { name: /^Into “.*”: onto its pad/ }).click()
  await expect(page.getByText(/has it\. Ctrl\+Z/)).toBeVisible()
  await page.goBack()
  await page.goBack()
  await expect(page.getByLabel('Line 2', { exact: true })).toHaveValue('frame 900 x 600')
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Line 2', { exact: true })).toHaveCount(0)
})
