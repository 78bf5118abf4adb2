import AxeBuilder from '@axe-core/playwright'
import { expect, line, openEmptyPlan, roll, test, verdict } from './browser'

test('single lights from an empty plan: chosen, resisted, switched', async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('stars grid 3 x 4 @ 60')
  await expect(roll(page)).toContainText('12 lights')
  const card = page.getByRole('region', { name: 'Single lights' })
  await expect(card).toContainText('12 lights draw nothing in the sums until you choose them')
  await card.getByRole('button', { name: /^Single lights:/ }).click()
  await page.getByRole('option', { name: /^red LED/ }).click()
  // (5 − 2) V ÷ 20 mA.
  await expect(page.getByTestId('lit-answer')).toHaveText(
    /12 × 150 Ω · 20 mA each · 0\.24 A at 5 V/,
  )
  await card.getByLabel('In series').fill('3')
  await card.getByLabel('In series').press('Enter')
  await expect(verdict(page, 'no-headroom')).toContainText('3 × 2 V in series leave nothing of 5 V')
  await verdict(page, 'no-headroom').getByRole('button', { name: '2 in series' }).click()
  await expect(page.getByTestId('lit-answer')).toHaveText(/6 × 51 Ω/)
  await card.getByLabel('Resistor').selectOption('none')
  await expect(verdict(page, 'no-resistor')).toContainText('without a resistor')
  await verdict(page, 'no-resistor').getByRole('button').click()
  await card.getByLabel('Resistor').selectOption('shared')
  await expect(verdict(page, 'shared-resistor')).toContainText('the hottest gets')
  await card.getByLabel('Resistor').selectOption('each')
  await card.getByLabel('Driven by').selectOption('switch')
  await expect(page.locator('[data-figure^="drive."]')).toBeVisible()
  await card.getByRole('combobox', { name: /^in the/ }).selectOption('plus')
  await expect(
    card.getByRole('img', { name: /it belongs between the lights and minus/ }),
  ).toBeVisible()
  await verdict(page, 'switch-in-plus').getByRole('button').click()
  await expect(card.getByRole('img', { name: /where it belongs$/ })).toBeVisible()
})

test('the firefly jar is scanned; a driver chip keeps it from flicker', async ({ page }) => {
  await page.goto('/plans')
  await page.getByRole('link', { name: 'Firefly jar' }).click()
  await expect(verdict(page, 'matrix-flicker')).toContainText('scanned 83.3/s, it may flicker')
  await line(page, 1).click()
  const card = page.getByRole('region', { name: 'Single lights' })
  await card.getByRole('combobox', { name: /^scanned/ }).selectOption('row')
  await expect(verdict(page, 'pin-over')).toContainText('116 mA on a pin')
  await verdict(page, 'pin-over').getByRole('button', { name: 'a driver chip' }).click()
  await expect(verdict(page, 'pin-over')).toHaveCount(0)
  await expect(verdict(page, 'matrix-flicker')).toHaveCount(0)
  await expect(card.getByLabel('Driven by')).toHaveValue('driver')
})

test('house rules say which resistors there are, and whether several LEDs share one', async ({
  page,
}) => {
  await page.goto('/plans')
  await page.getByRole('link', { name: 'Paper lanterns' }).click()
  await line(page, 1).click()
  // (5 − 3.1) V ÷ 20 mA = 95 Ω: 100 in every series from E12 up, and in E6.
  await expect(page.getByTestId('lit-answer')).toHaveText(/14 × 100 Ω/)
  await page.getByRole('button', { name: 'House rules' }).click()
  await page.getByRole('checkbox', { name: /^One for several side by side/ }).check()
  await page.keyboard.press('Escape')
  await expect(verdict(page, 'shared-resistor')).toContainText('14 groups on one resistor')
  // 1.9 V ÷ 280 mA = 6.79 Ω: 6.8 in E24, and in E6 too; at 3 lanterns 31.7 Ω would differ.
  await expect(page.getByTestId('lit-answer')).toHaveText(/1 × 6\.8 Ω/)
  await verdict(page, 'shared-resistor').getByRole('button', { name: 'each group its own' }).click()
  await expect(verdict(page, 'shared-resistor')).toHaveCount(0)
})

test('the lanterns are wired with a switch in their minus', async ({ page }) => {
  await page.goto('/plans')
  await page.getByRole('link', { name: 'Paper lanterns' }).click()
  await page.getByRole('link', { name: /^Wire/ }).click()
  const picture = page.getByRole('img', { name: 'Wiring of Paper lanterns' })
  await expect(picture).toContainText('a button in the minus')
  await expect(picture).toContainText('14 × warm white LED')
  // Cells have no mains side.
  await expect(picture).not.toContainText('mains')
  await page.getByRole('radio', { name: 'Joints' }).click()
  await expect(page.getByText('14 resistors in their plus')).toBeVisible()
})

test('the card can be read and used by all', async ({ page }) => {
  await page.goto('/plans')
  await page.getByRole('link', { name: 'Firefly jar' }).click()
  await line(page, 1).click()
  await expect(page.getByRole('region', { name: 'Single lights' })).toBeVisible()
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([])
})
