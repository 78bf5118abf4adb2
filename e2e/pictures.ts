import type { Page } from '@playwright/test'
import { deployed, expect, fadeOf, line, openExample, test, verdict } from './browser'

/** Of the whole window, once everything on it has come. */
async function takePicture(page: Page, name: string): Promise<void> {
  await expect(page.getByText(/looking for (possible )?fixes …/i)).toHaveCount(0)
  await page.screenshot({ path: `docs/screenshots/${name}.png` })
}

test('measure', async ({ page }) => {
  await page.goto('/')
  await expect(verdict(page, 'supply-tight')).toBeVisible()
  await takePicture(page, 'measure')
})

test('cut', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Cut/ }).click()
  await expect(page.getByTestId('packing')).toContainText('proved cheapest')
  await takePicture(page, 'cut')
})

test('feed', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Feed/ }).click()
  await expect(fadeOf(page, 'porthole')).toBeVisible()
  await takePicture(page, 'feed')
})

test('signal and wire', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Signal/ }).click()
  await expect(verdict(page, 'low-level')).toBeVisible()
  await takePicture(page, 'signal')
  await page.getByRole('link', { name: /^Wire/ }).click()
  await expect(page.locator('[data-block="board"]').first()).toBeVisible()
  await takePicture(page, 'wire')
})

test('buy', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Buy/ }).click()
  await expect(page.getByTestId('bill-total')).toBeVisible()
  await page.getByRole('button', { name: /things from the drawer/ }).click()
  await expect(page.getByRole('button', { name: /^Put \d+ things back/ })).toBeVisible()
  await page.getByLabel('Bought: 5 V enclosed, 20 A').check()
  await page.getByRole('button', { name: /^fuse holder/ }).click()
  await takePicture(page, 'buy')
  await page.getByRole('radio', { name: 'Drawer' }).click()
  await page.getByRole('button', { name: 'With what I have' }).click()
  await expect(page.locator('[data-have="5 V brick, 10 A"]')).toBeVisible({ timeout: 60_000 })
  await takePicture(page, 'drawer')
  await page.getByRole('radio', { name: 'Which light' }).click()
  await expect(page.getByText(/20 lights, each the whole plan/)).toBeVisible({ timeout: 60_000 })
  for (const name of [
    '24 V white, 9.6 W/m',
    '5 V RGB pixels, 60/m, low current',
    '5 V RGBW pixels, 60/m',
  ])
    await page.getByLabel(`Side by side: ${name}`, { exact: true }).check()
  await takePicture(page, 'which-light')
})

test('sums', async ({ page }) => {
  await page.goto('/sums/battery')
  await expect(page.locator('.apexcharts-svg')).toBeVisible()
  await takePicture(page, 'sums')
})

test('first visit', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light' })
  await page.goto(deployed)
  await expect(page.getByRole('region', { name: 'Ways to begin' })).toBeVisible()
  await expect(page.getByRole('group', { name: 'Shapes' })).toBeVisible()
  await takePicture(page, 'first-visit')
})

test('plans', async ({ page }) => {
  await page.goto('/plans')
  await expect(page.getByRole('listitem').first()).toBeVisible()
  await expect(page.getByRole('listitem').filter({ hasText: '…' })).toHaveCount(0)
  await takePicture(page, 'plans')
})

test('a narrow window', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/')
  await expect(line(page, 1)).toBeVisible()
  await takePicture(page, 'measure-narrow')
})

test('put it right', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Put it right …' }).click()
  await expect(page.getByRole('button', { name: /^Apply/ })).toBeVisible({ timeout: 30_000 })
  await takePicture(page, 'put-right')
})

test('build', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Build/ }).click()
  await page.getByRole('button', { name: /Light B1 through its own wires/ }).click()
  await expect(page.getByTestId('judgement')).toHaveText('as it should be')
  await takePicture(page, 'build')
  await page.setViewportSize({ width: 390, height: 844 })
  // Without the step that was chosen: the one that is due.
  await page.goto(new URL(page.url()).pathname)
  await expect(page.getByTestId('done')).toBeVisible()
  await takePicture(page, 'build-narrow')
})

test('glow', async ({ page }) => {
  await openExample(page, 'Bay-window nook')
  await page.getByTitle('Glow (Alt+8)').click()
  await expect(verdict(page, 'scene-over-supply')).toBeVisible({ timeout: 60_000 })
  const time = page.getByRole('slider', { name: 'Time in the show' })
  for (let second = 0; second < 4; second += 1) await time.press('PageDown')
  await expect(time).toHaveAttribute('aria-valuenow', '4')
  await expect(page.locator('.apexcharts-svg')).toBeVisible()
  await takePicture(page, 'glow')
  await page.getByRole('radio', { name: 'Scenes' }).click()
  await page.getByRole('button', { name: 'Someone sits down' }).click()
  await takePicture(page, 'glow-scenes')
})

test('mend', async ({ page }) => {
  await openExample(page, 'Bay-window nook')
  await page.getByTitle('Mend (Alt+9)').click()
  const alcove = page.getByRole('slider', { name: 'alcove: what you see' })
  await alcove.focus()
  for (let pixel = 0; pixel < 18; pixel += 1) await alcove.press('ArrowRight')
  await alcove.press('Shift+End')
  await alcove.press('Enter')
  await page.getByRole('button', { name: 'Paint all of porthole' }).click()
  await page.getByRole('button', { name: 'The rest is right' }).click()
  const suspects = page.getByRole('region', { name: 'Suspects' }).getByRole('button')
  await expect(suspects.first()).toContainText('Open data')
  await suspects.nth(1).click()
  await takePicture(page, 'mend')
})

test('the bench link', async ({ page }) => {
  await page.goto('/')
  await page.waitForURL(/measure/)
  await page.goto(page.url().replace(/measure.*/, 'build?view=link'))
  await page.getByRole('button', { name: 'Use a simulated board' }).click()
  await page.getByTestId('link-run').selectOption({ label: 'alcove · Niche' })
  await page.getByRole('button', { name: 'B2', exact: true }).click()
  await page.getByRole('radio', { name: 'Up to it' }).click()
  await page
    .getByRole('region', { name: 'The simulated board' })
    .getByLabel('Lane')
    .selectOption('Niche')
  const dead = page.getByRole('region', { name: 'The simulated board' }).getByLabel('Dead pixel')
  await dead.fill('31')
  await dead.press('Enter')
  await page.getByRole('button', { name: 'Read them' }).click()
  await takePicture(page, 'bench-link')
})
