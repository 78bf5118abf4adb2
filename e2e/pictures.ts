import { expect, line, test, verdict } from './browser'

const folder = 'docs/screenshots'

test('measure', async ({ page }) => {
  await page.goto('/')
  await expect(verdict(page, 'supply-tight')).toBeVisible()
  await page.screenshot({ path: `${folder}/measure.png` })
})

test('a verdict', async ({ page }) => {
  await page.goto('/')
  await line(page, 3).click()
  await page.getByRole('button', { name: /^Light:/ }).click()
  await page.screenshot({ path: `${folder}/choose-a-strip.png` })
  await page.getByRole('option', { name: /12 V RGB pixels/ }).click()
  await verdict(page, 'volts-differ').scrollIntoViewIfNeeded()
  await page.screenshot({ path: `${folder}/volts-differ.png` })
})

test('cut', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Cut/ }).click()
  await expect(page.getByTestId('packing')).toContainText('proved cheapest')
  await page.screenshot({ path: `${folder}/cut.png` })
})

test('a second plan', async ({ page }) => {
  await page.goto('/plans')
  await page.getByRole('link', { name: 'Pegboard moon' }).click()
  await expect(page.getByTestId('cut-state')).not.toHaveText('…')
  await page.screenshot({ path: `${folder}/pegboard-moon.png` })
})

test('plans', async ({ page }) => {
  await page.goto('/plans')
  await expect(page.getByRole('listitem').first()).toBeVisible()
  await page.screenshot({ path: `${folder}/plans.png` })
})

test('a narrow window', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/')
  await expect(line(page, 1)).toBeVisible()
  await page.screenshot({ path: `${folder}/measure-narrow.png` })
})
