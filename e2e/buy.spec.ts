import { readFile } from 'node:fs/promises'
import {
  expect,
  exportAndImport,
  figure,
  line,
  openEmptyPlan,
  openExample,
  pasteLines,
  test,
  verdict,
} from './browser'
import type { Locator, Page } from '@playwright/test'

const row = (page: Page, name: string): Locator =>
  page.locator('[data-bill]').filter({ hasText: name })
const total = (page: Page): Locator => page.getByTestId('bill-total')
const amount = async (page: Page): Promise<number> =>
  Number((await total(page).innerText()).replaceAll(/[^\d.]/g, ''))
const openBill = async (page: Page): Promise<void> => {
  await page.getByRole('link', { name: /^Buy/ }).click()
  await expect(total(page)).toBeVisible()
}
const openNook = async (page: Page): Promise<void> => {
  await openExample(page, 'Bay-window nook')
  await openBill(page)
}
const view = (page: Page, name: string): Promise<void> => page.getByRole('radio', { name }).click()

test('the bill: what the drawer gives is struck off, and no other plan can take it', async ({
  page,
}) => {
  await openNook(page)
  const before = await amount(page)
  await expect(figure(page, 'bill.total')).toHaveText(await total(page).innerText())
  await page.getByRole('button', { name: 'Take 5 things from the drawer' }).click()
  await expect(row(page, 'wire 1 mm², red')).toContainText('3.40 m in hand')
  await expect(page.getByRole('button', { name: 'Put 5 things back' })).toBeVisible()
  await expect.poll(() => amount(page)).toBeLessThan(before - 10)
  await expect(page.getByTestId('saved')).toHaveText('saved on this device')

  // Another plan of the same strip finds the offcuts taken.
  await openEmptyPlan(page)
  await page.keyboard.type('shelf 700')
  await openBill(page)
  await view(page, 'Drawer')
  await expect(page.getByText('another plan takes 780 mm')).toBeVisible()
  await view(page, 'Bill')
  await expect(page.getByRole('button', { name: /things? from the drawer/ })).toHaveCount(0)

  await openNook(page)
  await page.getByRole('button', { name: /^Put \d+ things back/ }).click()
  await expect.poll(() => amount(page)).toBeCloseTo(before, 2)
  await exportAndImport(page)
})

test(
  'in the shop: ticks, what was paid, own prices for every plan, a line of one’s own',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    const before = await amount(page)
    const solder = row(page, 'solder, 0.8 mm')
    await solder.getByRole('button', { name: /solder/ }).click()
    const pack = page.getByLabel('Price of 2 m, solder, 0.8 mm, with flux')
    await pack.fill('cheap')
    await pack.press('Enter')
    await expect(solder.getByRole('alert')).toContainText('“cheap”: a number?')
    await pack.fill('3,50')
    await pack.press('Enter')
    await expect.poll(() => amount(page)).toBeCloseTo(before + 1.5, 2)
    await expect(solder).toContainText('your price')

    await page.getByLabel('Bought: solder, 0.8 mm, with flux').check()
    await solder.getByLabel('Paid for all of it').fill('3.20')
    await solder.getByLabel('From where').fill('corner shop')
    await solder.getByLabel('From where').press('Enter')
    await expect(figure(page, 'bill.paid')).toHaveText('€3.20')
    await view(page, 'To buy')
    await expect(solder).toHaveCount(0)
    await view(page, 'All')

    await page.getByRole('button', { name: 'a line of your own' }).click()
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByRole('alert')).toContainText('a name')
    await page.getByLabel('What', { exact: true }).fill('spray paint')
    await page.getByLabel('How many').fill('2')
    await page.getByLabel('One costs').fill('4.50')
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(row(page, 'spray paint')).toContainText('€9.00')
    await page.getByLabel('Currency').selectOption('GBP')
    await expect(total(page)).toContainText('£')
    await exportAndImport(page)

    // The price holds in another plan too.
    await openExample(page, 'Wardrobe rails')
    await openBill(page)
    await expect(row(page, 'solder, 0.8 mm')).toContainText('€3.50')
  },
)

test(
  'a price list goes out and comes in; a file that is none changes nothing',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    const before = await amount(page)
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Share' }).click()
    await page.getByRole('menuitem', { name: 'Save the price list' }).click()
    const list = await readFile(await (await download).path(), 'utf8')
    const readList = (text: string): Promise<void> =>
      page.getByLabel('Price list').setInputFiles({
        name: 'prices.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(text),
      })
    await readList('thing,cost\nwire,2\n')
    await expect(page.getByText('“prices.csv” was not read: nothing has changed.')).toBeVisible()
    await expect.poll(() => amount(page)).toBe(before)
    await readList(list.replace(/(solder,.*?,2,m,)2/, '$17'))
    await expect.poll(() => amount(page)).toBeCloseTo(before + 5, 2)
  },
)

test(
  'the drawer is counted by hand and from a list, and settled when it is built',
  { tag: '@long' },
  async ({ page }) => {
    // Beside the examples: what they have in their drawer is there too.
    await page.goto('/plans')
    await openEmptyPlan(page)
    await page.keyboard.type('shelf 1000')
    await openBill(page)
    await view(page, 'Drawer')
    await page.getByRole('combobox', { name: 'What' }).fill('12 V white, 9.6 W/m')
    await page.getByLabel('its length').fill('twelve')
    await page.getByRole('button', { name: 'Put in' }).click()
    await expect(page.getByRole('alert')).toContainText('“twelve” is no length of strip')
    await page.getByLabel('its length').fill('1.5 m')
    await page.getByRole('button', { name: 'Put in' }).click()
    const drawer = page.getByRole('group', { name: 'The drawer' })
    await expect(drawer).toContainText('1500 mm')
    const readFileIn = (text: string): Promise<void> =>
      page
        .getByLabel('Drawer file')
        .setInputFiles({ name: 'mine.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
    await readFileIn('name;amount;unit\nsolder, 0.8 mm, with flux;1,5;m\nlid;-2;piece\n')
    await expect(page.getByText('row 3, amount: “-2” is no number above 0')).toBeVisible()
    await expect(drawer).not.toContainText('solder')
    await readFileIn('name;amount;unit\nsolder, 0.8 mm, with flux;1,5;m\n')
    await expect(page.getByLabel('How much: solder, 0.8 mm, with flux')).toHaveValue('1.5')

    await view(page, 'Bill')
    await page.getByRole('button', { name: /from the drawer/ }).click()
    await expect(row(page, 'solder, 0.8 mm')).toContainText('from the drawer')
    await page.getByLabel('Bought: cable ties, 100 mm').check()
    await view(page, 'Drawer')
    await page.getByRole('button', { name: 'It is built' }).click()
    await expect(page.getByRole('dialog')).toContainText('5 V RGB pixels, 60/m')
    await page.getByRole('button', { name: 'Settle the drawer' }).click()
    await expect(page.getByText('built and settled')).toBeVisible()
    await expect(page.getByLabel('How much: solder, 0.8 mm, with flux')).not.toHaveValue('1.5')
  },
)

test(
  'profiles and sheets are chosen where a run is mounted, and drawn where they are cut',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await pasteLines(page, ['ledge 820', 'lid frame 400 x 300'])
    await page.getByRole('button', { name: 'how it is mounted' }).click()
    await page.getByLabel('Profile').selectOption({ label: 'deep profile, 12 mm inside' })
    await page.getByLabel('Sheet over what it goes round').selectOption('acrylic')
    await page.keyboard.press('Escape')
    await openBill(page)
    await expect(row(page, 'deep profile, 12 mm inside').first()).toBeVisible()
    await view(page, 'Bars, sheets, boxes')
    await expect(page.getByRole('img', { name: /Bar 1 of/ })).toBeVisible()
    await expect(page.getByText(/opal acrylic, 3 mm/)).toBeVisible()
  },
)

test(
  'a box: what hides in it fits with air around it, and its holes are told',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    const before = await amount(page)
    await view(page, 'Bars, sheets, boxes')
    await page.getByRole('button', { name: 'Add a box' }).click()
    const fit = page.getByTestId('box-fit')
    await expect(fit).toContainText('No room for Supply A')
    await expect(verdict(page, 'box-small')).toContainText('take the plastic box, 235')
    await page.getByLabel('Height inside').fill('four')
    await page.getByLabel('Height inside').press('Enter')
    await expect(page.getByRole('alert').filter({ hasText: '“four”' })).toBeVisible()
    await verdict(page, 'box-small')
      .getByRole('button', { name: /^take the plastic box/ })
      .click()
    await expect(fit).toContainText('All of it fits')
    await expect(verdict(page, 'box-small')).toHaveCount(0)
    await expect(page.getByRole('row', { name: /alcove/ }).first()).toContainText('6 mm')
    await page.getByRole('checkbox', { name: /Supply A and what sits/ }).uncheck()
    await expect(page.getByRole('row', { name: /W1, W2/ })).toHaveCount(0)
    await view(page, 'Bill')
    await expect(row(page, 'plastic box, 235 × 180 × 90 mm inside')).toContainText('16.00')
    expect(await amount(page)).toBeCloseTo(before + 16, 2)
    await exportAndImport(page)
    await openBill(page)
    await view(page, 'Bars, sheets, boxes')
    await expect(fit).toContainText('All of it fits')
    await page.getByRole('button', { name: 'Remove Box' }).click()
    await expect(fit).toHaveCount(0)
  },
)

test(
  'which light: whole plans side by side, and one is taken in one edit',
  { tag: '@long' },
  async ({ page }) => {
    await openExample(page, 'Wardrobe rails')
    await openBill(page)
    const before = await amount(page)
    await view(page, 'Which light')
    await expect(page.getByText(/20 lights, each the whole plan/)).toBeVisible({ timeout: 60_000 })
    await page.getByLabel('Volts').selectOption('12 V')
    await expect(page.locator('[data-light="white-24v-14"]')).toHaveCount(0)
    const row12 = page.locator('[data-light="white-12v-10"]')
    const told = await row12.locator('td').nth(1).innerText()
    await page.getByLabel('Side by side: 12 V white, 9.6 W/m').check()
    const card = page.getByTestId('side-by-side')
    await expect(card).toContainText('on 12 V')
    await page.getByLabel('ticked ones only').check()
    await expect(page.locator('[data-light]')).toHaveCount(2)
    await page.getByLabel('ticked ones only').uncheck()
    await card.getByRole('button', { name: 'Take it' }).click()
    await expect(page.locator('[data-light="white-12v-10"]')).toContainText('now', {
      timeout: 60_000,
    })
    await view(page, 'Bill')
    expect(told).toContain((await amount(page)).toFixed(2))
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(() => amount(page)).toBe(before)
  },
)

test(
  'which light at another size: the size is taken with the light, in one edit',
  { tag: '@long' },
  async ({ page }) => {
    await openExample(page, 'Wardrobe rails')
    await openBill(page)
    const before = await amount(page)
    await view(page, 'Which light')
    const ready = page.getByText(/lights, each the whole plan/)
    await expect(ready).toBeVisible({ timeout: 60_000 })
    const present = page.locator('[data-light]', { hasText: '· now' })
    await expect(present).toContainText(before.toFixed(2))
    const size = page.getByLabel('What if')
    await size.selectOption({ index: 1 })
    await page.getByLabel('The other size').fill('ten feet')
    await page.getByLabel('The other size').press('Enter')
    await expect(page.getByRole('alert')).toContainText('“ten”')
    await page.getByLabel('The other size').fill('3.1 m')
    await page.getByLabel('The other size').press('Enter')
    await expect(present).not.toContainText(before.toFixed(2), { timeout: 60_000 })
    await expect(ready).toBeVisible({ timeout: 60_000 })
    const cost = await present.locator('td').nth(1).innerText()
    await present.getByRole('checkbox').check()
    await page.getByTestId('side-by-side').getByRole('button', { name: 'Take it' }).click()
    await view(page, 'Bill')
    await expect.poll(async () => cost.includes((await amount(page)).toFixed(2))).toBe(true)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(() => amount(page)).toBe(before)
  },
)

test(
  'what the next step of building lacks is on the bill by itself',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    await page.getByRole('radio', { name: 'For the next step' }).click()
    const next = page.getByTestId('next-step')
    await expect(next).toContainText('“Solder W13 to W15 from B1 to B2”. 4 things to buy first')
    await expect(row(page, 'solder, 0.8 mm, with flux')).toBeVisible()
    await expect(row(page, 'cable ties, 100 mm')).toHaveCount(0)
    await page.getByLabel('Bought: solder, 0.8 mm, with flux').check()
    await expect(next).toContainText('3 things to buy first')
    await page.getByRole('link', { name: /^Build/ }).click()
    await expect(page.getByText('Not ticked as bought:')).toBeVisible()
    await page.getByRole('link', { name: 'Go to the bill' }).click()
    await expect(page).toHaveURL(/\/buy/)
  },
)

test(
  'with what I have: a supply from the drawer does with a limit, and is not bought',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    const before = await amount(page)
    await view(page, 'Drawer')
    await page.getByRole('button', { name: 'With what I have' }).click()
    const use = page.locator('[data-have="5 V brick, 10 A"]')
    await expect(use).toContainText(/does, if you limit brightness to \d+ %/, { timeout: 60_000 })
    await use.getByRole('button', { name: 'Use it' }).click()
    await view(page, 'Bill')
    await expect(row(page, '5 V brick, 10 A')).toContainText('from the drawer')
    await expect.poll(() => amount(page)).toBeLessThan(before - 15)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(() => amount(page)).toBe(before)
  },
)

test('by keyboard alone: to the page, along the bill, a line ticked and opened', async ({
  page,
}) => {
  await page.goto('/')
  await expect(line(page, 1)).toBeVisible()
  await page.keyboard.press('Alt+6')
  await expect(total(page)).toBeVisible()
  const box = page.getByLabel('Bought: 5 V enclosed, 20 A')
  await box.focus()
  await page.keyboard.press('Space')
  await expect(box).toBeChecked()
  await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await expect(row(page, '5 V enclosed, 20 A')).toContainText('one for each')
  await page.keyboard.press('Control+z')
  await expect(box).not.toBeChecked()
})
