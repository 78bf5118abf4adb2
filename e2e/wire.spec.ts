import { readFileSync } from 'node:fs'
import type { Download, Page } from '@playwright/test'
import { expect, figure, openEmptyPlan, test } from './browser'

async function openWire(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByRole('link', { name: /^Wire/ }).click()
  await expect(page.getByRole('img', { name: 'Wiring of Bay-window nook' })).toBeVisible()
}
async function saved(page: Page, item: string): Promise<Download> {
  await page.getByRole('button', { name: 'Save', exact: true }).first().click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: item }).click(),
  ])
  return download
}
const bytes = async (download: Download): Promise<Buffer> => readFileSync(await download.path())

test('a wire or a terminal chosen on the diagram shows where it goes, in the list too', async ({
  page,
}) => {
  await openWire(page)
  await expect(page.getByTestId('wire-state')).toHaveText('58 joints')
  await page.getByText('W9 W10 ·').click()
  await expect(page.getByTestId('chosen-wire')).toContainText(
    'W9 · Supply A right ledge + → right ledge +',
  )
  const chosen = page.getByRole('region', { name: 'What is chosen' })
  await expect(chosen).toContainText('3395 mm = 3050 mm × 1.1 + 40 mm')
  await expect(chosen.getByRole('img', { name: 'Where it meets right ledge' })).toBeVisible()
  await page.getByRole('radio', { name: 'Wires' }).click()
  const row = page.locator('[data-wire-row="W9"]')
  await expect(row.getByRole('button')).toHaveAttribute('aria-pressed', 'true')
  await page.locator('[data-wire-row="W30"]').click()
  await page.getByRole('radio', { name: 'Diagram' }).click()
  await expect(page.getByTestId('chosen-wire')).toContainText('W30')
  await page.locator('text[data-terminal="board/G13"]').click()
  await expect(chosen).toContainText('Board G13')
  await chosen.getByRole('button', { name: /data$/ }).click()
  await expect(page.getByTestId('chosen-wire')).toContainText('alcove D in')
  await page.getByRole('application').focus()
  await page.keyboard.press('Escape')
  await expect(chosen).toHaveCount(0)
})

test(
  'the diagram moves and grows under hand, wheel and keys',
  { tag: '@long' },
  async ({ page }) => {
    await openWire(page)
    const name = page.locator('[data-block="board"]').first()
    const size = async (): Promise<number> => (await name.boundingBox())!.width
    // It opens where its letters can be read, and shows all on request.
    const readable = await size()
    const all = page.getByRole('button', { name: 'Show all of it' })
    await all.click()
    await expect(all).toBeDisabled()
    const before = await size()
    expect(before).toBeLessThan(readable)
    const frame = page.getByRole('application')
    await frame.focus()
    await page.keyboard.press('+')
    expect(await size()).toBeGreaterThan(before * 1.2)
    const { x, y } = (await name.boundingBox())!
    await page.keyboard.press('ArrowRight')
    await expect
      .poll(async () => Math.round((await name.boundingBox())!.x))
      .toBe(Math.round(x - 60))
    const box = (await frame.boundingBox())!
    await page.mouse.move(box.x + 300, box.y + 40)
    await page.mouse.down()
    await page.mouse.move(box.x + 340, box.y + 70, { steps: 5 })
    await page.mouse.up()
    await expect
      .poll(async () => Math.round((await name.boundingBox())!.y))
      .toBe(Math.round(y + 30))
    await page.mouse.wheel(0, 200)
    await all.click()
    await expect.poll(size).toBeCloseTo(before, 0)
  },
)

test(
  'colours are the build’s own, everywhere; the plan follows',
  { tag: '@long' },
  async ({ page }) => {
    await openWire(page)
    await page.getByRole('radio', { name: 'Wires' }).click()
    await page.getByRole('combobox', { name: 'plus' }).selectOption('yellow')
    await expect(page.getByText('1 mm² yellow').first()).toBeVisible()
    await expect(figure(page, 'wires.1 mm² yellow')).toHaveText('10.91 m')
    await page.getByRole('combobox', { name: 'data wire' }).selectOption('mm2-0_5')
    await expect(page.getByText('0.5 mm² green').first()).toBeVisible()
    await page.getByRole('radio', { name: 'Diagram' }).click()
    await expect(page.getByRole('img', { name: 'Wiring of Bay-window nook' })).toContainText(
      'plus yellow',
    )
    await page.keyboard.press('Control+z')
    await page.keyboard.press('Control+z')
    await expect(page.getByRole('img', { name: 'Wiring of Bay-window nook' })).toContainText(
      'plus red',
    )
  },
)

test('joints are ticked off, and stay so after a reload', async ({ page }) => {
  await openWire(page)
  await page.getByRole('radio', { name: 'Joints' }).click()
  await expect(page.getByTestId('joints-left')).toHaveText(
    // The demo is half built.
    '15 of 58 joints done · 2 h 22 of 3 h 17 left',
  )
  const list = page.getByRole('group', { name: 'Joints' })
  await expect(list.getByRole('listitem').nth(3)).toContainText('first thread sleeve 4.8 mm on W1')
  await list.getByRole('checkbox').nth(3).uncheck()
  await expect(page.getByTestId('joints-left')).toHaveText(
    '14 of 58 joints done · 2 h 28 of 3 h 17 left',
  )
  await expect(page.getByTestId('saved')).toContainText('saved')
  await page.reload()
  await page.getByRole('radio', { name: 'Joints' }).click()
  await expect(list.getByRole('checkbox').nth(3)).not.toBeChecked()
})

test('for the program: header, JSON and pixel map, to copy and to save', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openWire(page)
  await page.getByRole('radio', { name: 'Program' }).click()
  await expect(page.getByTestId('program')).toContainText('#define LANE_SEAT_PIXELS 161')
  await page.getByRole('button', { name: 'Copy' }).click()
  await expect(page.getByRole('button', { name: 'Copied' })).toBeVisible()
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain(
    '#define LIMIT_MA 15566',
  )
  await page.getByRole('radio', { name: 'Pixel map' }).click()
  await expect(page.getByTestId('program')).toContainText('lane,number,run,in run,x mm,y mm,lit')
  await page.getByRole('radio', { name: 'JSON' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save' }).last().click(),
  ])
  expect(download.suggestedFilename()).toBe('bay-window-nook-json.json')
  expect(JSON.parse((await bytes(download)).toString())).toMatchObject({ fullWhiteMa: 18108 })
})

test('diagram, lists and labels as files for paper', { tag: '@long' }, async ({ page }) => {
  await openWire(page)
  expect((await bytes(await saved(page, 'Diagram as SVG'))).toString()).toContain('data-wire="W41"')
  for (const item of ['Diagram as PDF', 'Wires and joints as PDF', 'Labels as PDF']) {
    const pdf = await bytes(await saved(page, item))
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
    expect(pdf.length).toBeGreaterThan(10_000)
  }
  expect((await bytes(await saved(page, 'Wires as CSV'))).toString()).toContain('W41')
  expect((await bytes(await saved(page, 'Joints as CSV'))).toString()).toContain('what meets')
})

test(
  'sixteen shelves stand close in one picture, and each has its wires in it',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    for (let shelf = 1; shelf <= 16; shelf += 1) {
      await page.keyboard.type(`"shelf ${String(shelf)}" ${String(500 + 13 * shelf)}`)
      await page.keyboard.press('Enter')
    }
    await page.getByRole('link', { name: /^Wire/ }).click()
    await expect(page.locator('[data-block^="run:"]').first()).toBeVisible()
    await expect(page.locator('text[data-wire="W1"]')).toHaveText(/W1 W2 · 1 mm²/)
    await page.getByRole('radio', { name: 'Joints' }).click()
    await expect(page.getByTestId('joints-left')).toHaveText(/^0 of 8\d joints done/)
  },
)

test('an empty plan says what to do; its first line is wired at once', async ({ page }) => {
  await openEmptyPlan(page)
  await page.getByRole('link', { name: /^Wire/ }).click()
  await expect(page.getByText('No wires yet. Jot a length')).toBeVisible()
  await page.getByRole('link', { name: /^Measure/ }).click()
  await page.getByRole('textbox', { name: /line 1/i }).fill('shelf 900')
  await page.getByRole('link', { name: /^Wire/ }).click()
  await expect(page.locator('[data-block="board"]').first()).toBeVisible()
  await expect(page.getByTestId('wire-state')).toHaveText('12 joints')
})
