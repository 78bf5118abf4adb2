import { readFile } from 'node:fs/promises'
import { expect, figure, line, openEmptyPlan, roll, test, verdict } from './browser'

test('opens with the demo plan and one verdict whose remedy can be tried', async ({ page }) => {
  await page.goto('/')
  await expect(page).toHaveURL(/\/plan\/.+\/measure$/)
  await expect(line(page, 1)).toHaveValue('seat front 2140')
  await expect(roll(page).locator('[data-verdict]')).toHaveCount(1)
  await verdict(page, 'supply-tight')
    .getByRole('button', { name: /next size up/ })
    .click()
  await expect(verdict(page, 'supply-tight')).toHaveCount(0)
  await expect(page.getByTestId('measure-state')).toHaveText('4 places')
})

test('a typed line gives metres, pixels, amperes, watts and a supply', async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('shelf 2000')
  // 2000 mm at 60/m: 120 px; 120 × (36 + 0.7) mA = 4.404 A; ÷ 0.8 = 5.505 A; next size up 6 A.
  await expect(figure(page, 'length.total')).toHaveText('2.00 m')
  await expect(roll(page)).toContainText('120 px × 3 × 12 mA')
  await expect(figure(page, 'current.5.total')).toHaveText('4.40 A')
  await expect(figure(page, 'power.5')).toHaveText('22.0 W')
  await expect(figure(page, 'supply.supply-a')).toHaveText('6.00 A')
  await expect(roll(page)).toContainText('5 V brick, 6 A')
})

test('a broken line is kept as typed, marked and explained; the rest goes on working', async ({
  page,
}) => {
  await openEmptyPlan(page)
  await page.keyboard.type('shelf 1000')
  await page.keyboard.press('Enter')
  await page.keyboard.type('sill 12oo')
  await expect(page.getByTestId('line-error')).toHaveText('“12oo”: a number?')
  await expect(line(page, 2)).toHaveValue('sill 12oo')
  await expect(line(page, 2)).toHaveAttribute('aria-invalid', 'true')
  await expect(page.getByTestId('to-light')).toContainText('1.00 m')
  await line(page, 2).fill('sill 1200')
  await expect(page.getByTestId('line-error')).toHaveCount(0)
  await expect(page.getByTestId('to-light')).toContainText('2.20 m')
})

test('a 12 V strip on a 5 V supply is stopped, remedied, undone and done again', async ({
  page,
}) => {
  await page.goto('/')
  await line(page, 3).click()
  await page.getByRole('button', { name: /^Light:/ }).click()
  await page.getByRole('option', { name: /12 V RGB pixels/ }).click()
  await expect(verdict(page, 'volts-differ')).toContainText('sill: 12 V strip on 5 V')
  await verdict(page, 'volts-differ').getByRole('button', { name: 'take the 5 V version' }).click()
  await expect(verdict(page, 'volts-differ')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(verdict(page, 'volts-differ')).toHaveCount(1)
  await verdict(page, 'volts-differ')
    .getByRole('button', { name: /supply of its own/ })
    .click()
  await expect(verdict(page, 'volts-differ')).toHaveCount(0)
  await expect(roll(page).getByRole('heading', { name: 'Supply B' })).toBeVisible()
})

test('undo history and plan survive a reload, typing is one step', async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('shelf 900')
  await page.keyboard.press('Enter')
  await page.keyboard.type('rail 1200')
  await expect(page.getByTestId('saved')).toHaveText('· saved on this device')
  await page.reload()
  await expect(line(page, 2)).toHaveValue('rail 1200')
  await page.keyboard.press('Control+z')
  await expect(line(page, 2)).toHaveValue('')
  await page.keyboard.press('Control+z')
  await expect(line(page, 2)).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(line(page, 1)).toHaveValue('')
  for (let step = 0; step < 3; step += 1) await page.keyboard.press('Control+Shift+z')
  await expect(line(page, 2)).toHaveValue('rail 1200')
})

test('a dimension on the drawing rewrites its measure on the pad', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: '2140, dimension of seat front: change it' }).click()
  const field = page.getByLabel('Dimension of seat front')
  await field.fill('2 m 20')
  await field.press('Enter')
  await expect(page.getByRole('alert')).toContainText('second length')
  await field.fill('2200 - 30')
  await field.press('Enter')
  await expect(line(page, 1)).toHaveValue('seat front (2200 - 30)')
  await expect(page.getByTestId('understood').first()).toHaveText('2170')
})

test('lines are moved by keys and by dragging', async ({ page }) => {
  await page.goto('/')
  await line(page, 1).click()
  await page.keyboard.press('Alt+ArrowDown')
  await expect(line(page, 2)).toHaveValue('seat front 2140')
  await expect(line(page, 2)).toBeFocused()
  const grip = page.locator('.grip')
  await line(page, 4).hover()
  const from = (await grip.nth(3).boundingBox())!
  const to = (await grip.nth(0).boundingBox())!
  await page.mouse.move(from.x + 10, from.y + 12)
  await page.mouse.down()
  await page.mouse.move(from.x + 10, from.y - 10, { steps: 4 })
  await page.mouse.move(to.x + 10, to.y + 4, { steps: 12 })
  await page.mouse.up()
  await expect(line(page, 1)).toHaveValue('plinth (1860 - 2 * 45)')
  await expect(line(page, 2)).toHaveValue('ledge 2 x 555')
  await page.keyboard.press('Control+z')
  await expect(line(page, 1)).toHaveValue('ledge 2 x 555')
})

test('exports a plan and reads it back; refuses what is none', async ({ page }) => {
  await page.goto('/')
  await line(page, 1).fill('seat front 1999')
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Export to a file' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('bay-window-nook.json')
  const text = await readFile(await download.path(), 'utf8')

  const drop = async (name: string, content: string): Promise<void> => {
    const data = await page.evaluateHandle(
      ([file, body]) => {
        const transfer = new DataTransfer()
        transfer.items.add(new File([body], file))
        return transfer
      },
      [name, content] as const,
    )
    await page.dispatchEvent('body', 'drop', { dataTransfer: data })
  }
  const address = page.url()
  await drop('cut.json', text.slice(0, 200))
  await expect(page.getByTestId('notice')).toContainText('cut.json was not read')
  await drop('odd.json', text.replace('"headroom": 0.2', '"headroom": "much"'))
  await expect(page.getByTestId('notice')).toContainText('rules.headroom')
  expect(page.url()).toBe(address)
  await drop('good.json', text)
  await expect(page).not.toHaveURL(address)
  await expect(line(page, 1)).toHaveValue('seat front 1999')
})

test('an own strip is asked for, kept, used, and noted when its print disagrees', async ({
  page,
}) => {
  await openEmptyPlan(page)
  await page.keyboard.type('drawer 500')
  await page
    .getByRole('region', { name: 'Light' })
    .getByRole('button', { name: 'add your own' })
    .click()
  await page.getByRole('button', { name: 'Add the strip' }).click()
  await expect(page.getByText('a name is missing')).toBeVisible()
  await page.getByLabel('Name', { exact: false }).first().fill('drawer pixels')
  await page.getByLabel('Printed power').fill('9')
  await page.getByRole('button', { name: 'Add the strip' }).click()
  // 60/m × 60 mA × 5 V = 18 W/m against 9 printed.
  await expect(verdict(page, 'nameplate')).toContainText('18 W/m')
  await openEmptyPlan(page)
  await page.getByRole('button', { name: /^Light:/ }).click()
  await page.getByRole('option', { name: /drawer pixels/ }).click()
  await expect(page.getByRole('button', { name: 'Light: drawer pixels' })).toBeVisible()
})

test('two tabs do not overwrite each other', async ({ page, context }) => {
  await page.goto('/')
  await expect(line(page, 1)).toHaveValue('seat front 2140')
  const second = await context.newPage()
  await second.goto(page.url())
  await expect(second.getByRole('alert')).toContainText('Open in another tab')
  await line(page, 1).fill('seat front 2150')
  await expect(page.getByTestId('saved')).toHaveText('· saved on this device')
  await second.getByRole('button', { name: 'Take over here' }).click()
  await expect(line(second, 1)).toHaveValue('seat front 2150')
  await expect(page.getByRole('alert')).toContainText('taken over')
  await page.getByRole('button', { name: 'Keep a copy' }).click()
  await expect(page.getByRole('button', { name: 'Bay-window nook copy' })).toBeVisible()
  await line(second, 1).fill('seat front 2160')
  await expect(line(page, 1)).toHaveValue('seat front 2150')
})

test('plans are made, renamed, duplicated, deleted and brought back', async ({ page }) => {
  await page.goto('/plans')
  const cards = page.getByRole('listitem')
  await expect(cards).toHaveCount(1)
  await page.getByRole('button', { name: 'Duplicate Bay-window nook' }).click()
  await page.getByRole('button', { name: 'Rename Bay-window nook copy' }).click()
  await page.getByLabel('Name of the plan').fill('Hall bench')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('link', { name: 'Hall bench' })).toBeVisible()
  await page.getByRole('button', { name: 'Delete Hall bench' }).click()
  await expect(page.getByRole('link', { name: 'Hall bench' })).toHaveCount(0)
  await page.getByTestId('notice').getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('link', { name: 'Hall bench' }).click()
  await expect(line(page, 1)).toHaveValue('seat front 2140')
})
