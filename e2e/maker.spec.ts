import {
  expect,
  figure,
  line,
  openEmptyPlan,
  roll,
  test,
  verdict,
  fadeOf,
  exportedPlan,
} from './browser'
import { planVersion } from '../src/core/plan/usual'

test('a shelf from the first line to a plan that holds, out to a file and in again', async ({
  page,
}) => {
  await openEmptyPlan(page)
  await page.keyboard.type('top shelf 1650')
  await page.keyboard.press('Enter')
  await page.keyboard.type('side 2 x 900')
  await expect(figure(page, 'length.total')).toHaveText('3.45 m')
  await page.keyboard.press('Alt+2')
  await expect(page.getByTestId('packing')).toContainText('proved cheapest')
  await page.getByRole('checkbox', { name: /joined of two/ }).check()
  await expect(page.getByTestId('packing')).toContainText('proved cheapest')
  await page.keyboard.press('Alt+3')
  await expect(page.locator('[data-flag]')).toHaveCount(2)
  await page.getByRole('button', { name: 'Feed top shelf at its far end too' }).click()
  await expect(page.locator('[data-flag]')).toHaveCount(3)
  await expect(figure(page, 'volts.'.concat('x')).or(roll(page))).toContainText('100 %')
  await page.getByRole('button', { name: 'Plan', exact: true }).first().click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Export to a file' }).click(),
  ])
  const file = JSON.parse(await exportedPlan(download)) as {
    version: number
    lines: { feeds?: { pad: number | string }[] }[]
    rules: { joins: { areAllowed: boolean } }
  }
  expect(file.version).toBe(planVersion)
  expect(file.lines[0]?.feeds?.map(({ pad }) => pad)).toEqual([0, 'end'])
  expect(file.rules.joins.areAllowed).toBe(true)
  await expect(page.getByTestId('saved')).toContainText('saved on this device')
  await page.reload()
  await expect(page.locator('[data-flag]')).toHaveCount(3)
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page
      .getByRole('button', { name: 'Plan', exact: true })
      .first()
      .click()
      .then(() => page.getByRole('menuitem', { name: 'Import from a file' }).click()),
  ])
  await chooser.setFiles({
    name: 'shelf.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...file, name: 'Shelf again' })),
  })
  await expect(page.getByTestId('notice')).toContainText('“Shelf again” is on the shelf')
  await expect(line(page, 1)).toHaveValue('top shelf 1650')
})

test('feeds with the keyboard alone: to the flag, along the marks, opened, taken away', async ({
  page,
}) => {
  await openEmptyPlan(page)
  await page.keyboard.type('shelf 1000')
  await page.keyboard.press('Alt+3')
  const flags = page.locator('[data-flag]')
  await flags.first().focus()
  await page.keyboard.press('End')
  await expect(flags.first()).toHaveAttribute('aria-valuenow', '60')
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(flags.first()).toHaveAttribute('aria-valuenow', '50')
  await page.keyboard.press('Home')
  await expect(flags.first()).toHaveAttribute('aria-valuenow', '0')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('group', { name: 'Lead of shelf' })).toBeVisible()
  await page.locator('[data-tape]').focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('f')
  await expect(flags).toHaveCount(2)
  await flags.last().focus()
  await page.keyboard.press('Delete')
  await expect(flags).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await expect(flags).toHaveCount(2)
})

test('the house rules are one sheet, and verdicts follow at once', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Feed/ }).click()
  await expect(fadeOf(page, 'porthole')).toHaveCount(1)
  await page.getByRole('button', { name: 'House rules' }).click()
  await page.getByLabel('Faded below').fill('60')
  await page.getByLabel('Faded below').press('Enter')
  // Three quarters of the blue are left: now a warning in place of a stop.
  await expect(fadeOf(page, 'porthole')).toContainText('sags to')
  await page.getByLabel('Leads are of').selectOption('mm2-4')
  await expect(roll(page)).toContainText('× 0.00431 Ω/m')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(fadeOf(page, 'porthole')).toContainText('fades to')
})

test(
  'a photo and places survive a reload; the drawing zooms, pans and fits again',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('shelf 900')
    await page.getByLabel('Photo', { exact: true }).setInputFiles('docs/screenshots/plans.png')
    await page.getByRole('button', { name: 'leave it' }).click()
    await page.locator('[data-run]').focus()
    await page.keyboard.press('Shift+ArrowDown')
    await expect(page.getByTestId('saved')).toHaveText('saved on this device')
    await page.reload()
    await expect(page.locator('svg image')).toHaveCount(1)
    const fitting = page.getByRole('button', { name: 'All of it' })
    await expect(fitting).toBeDisabled()
    const before = (await page.locator('[data-run]').boundingBox())!
    await page.getByRole('button', { name: 'Larger' }).click()
    await expect(fitting).toBeEnabled()
    const larger = (await page.locator('[data-run]').boundingBox())!
    expect(larger.width).toBeGreaterThan(before.width * 1.15)
    const drawing = (await page.getByRole('region', { name: 'Drawing' }).boundingBox())!
    await page.mouse.move(drawing.x + 12, drawing.y + 60)
    await page.mouse.down()
    await page.mouse.move(drawing.x + 72, drawing.y + 30, { steps: 4 })
    await page.mouse.up()
    const panned = (await page.locator('[data-run]').boundingBox())!
    expect(panned.x - larger.x).toBeCloseTo(60, 0)
    expect(panned.y - larger.y).toBeCloseTo(-30, 0)
    await fitting.click()
    await expect(fitting).toBeDisabled()
    await page.getByRole('button', { name: 'remove', exact: true }).click()
    await expect(page.locator('svg image')).toHaveCount(0)
  },
)

test('at 390 wide pad, drawing, tapes and sums are sheets, and all can be reached', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/')
  await expect(line(page, 1)).toBeVisible()
  await page.getByRole('radio', { name: 'Drawing' }).click()
  await expect(page.getByRole('region', { name: 'Drawing' })).toBeVisible()
  await page.getByRole('radio', { name: 'Tally' }).click()
  await expect(verdict(page, 'wrong-end')).toBeVisible()
  await page.getByRole('link', { name: /^Feed/ }).click()
  await expect(page.locator('[data-flag="seat.first"]')).toBeVisible()
  await page.getByRole('radio', { name: 'Answers' }).click()
  await expect(page.getByRole('region', { name: 'Dimmest light' })).toContainText('porthole')
  const width = await page.evaluate(() => document.documentElement.scrollWidth)
  expect(width).toBeLessThanOrEqual(390)
})

test('shapes begin a line that is ready to be typed over', async ({ page }) => {
  await openEmptyPlan(page)
  await page.getByRole('button', { name: 'ring', exact: true }).click()
  await expect(line(page, 1)).toHaveValue('mirror ring 382')
  await page.keyboard.type('porthole ring 300')
  await expect(line(page, 1)).toHaveValue('porthole ring 300')
  await page.getByRole('button', { name: 'scatter', exact: true }).click()
  await expect(line(page, 2)).toHaveValue('fireflies scatter 14')
  await expect(page.getByTestId('to-light')).toContainText('0.94 m + 14')
})
