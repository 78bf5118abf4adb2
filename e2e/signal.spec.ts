import type { Page } from '@playwright/test'
import { noBarriers } from './barriers'
import { expect, figure, openEmptyPlan, openExample, test, verdict } from './browser'

async function openSignal(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByRole('link', { name: /^Signal/ }).click()
  await expect(page.getByTestId('level-word')).toBeVisible()
}
const order = (page: Page, lane: string): Promise<string[]> =>
  page
    .getByRole('region', { name: lane, exact: true })
    .locator('[data-lane-run]')
    .evaluateAll((rows) => rows.map((row) => row.getAttribute('data-lane-run') ?? ''))

test('the nook’s level is a warning; the ways are compared, one is taken and undone', async ({
  page,
}) => {
  await openSignal(page)
  await expect(page.getByTestId('signal-state')).toHaveText('3 warnings')
  await expect(page.getByTestId('level-word')).toHaveText('too low')
  await expect(figure(page, 'level.lane-low.0')).toHaveText('−0.12 V')
  const ways = page.getByRole('table', { name: 'Ways of getting the level right' })
  await expect(ways.getByRole('row')).toHaveCount(6)
  await ways.getByRole('button', { name: 'Take: diode before the first pixel' }).click()
  // Two hops: the board to the first pixel, and that to the next.
  await expect(page.getByRole('img', { name: /^first to second pixel: reaches/ })).toBeVisible()
  await page.getByRole('combobox', { name: /^Diode/ }).selectOption('schottky')
  await expect(page.getByTestId('level-word')).not.toHaveText('good')
  await ways.getByRole('button', { name: /^Take away: diode/ }).click()
  await expect(page.getByTestId('level-word')).toHaveText('too low')
  await ways.getByRole('button', { name: 'Take: level buffer' }).click()
  await expect(page.getByTestId('level-word')).toHaveText('good')
  await expect(page.getByTestId('signal-state')).toHaveText('3 lanes')
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('level-word')).toHaveText('too low')
})

test('a remedy in the tally mends level and long data at once', async ({ page }) => {
  await openSignal(page)
  await verdict(page, 'low-level')
    .getByRole('button', { name: /^level buffer/ })
    .click()
  await expect(verdict(page, 'low-level')).toHaveCount(0)
  await expect(verdict(page, 'long-data')).toHaveCount(0)
})

test(
  'runs move from lane to lane by keys and by drag, and keep their numbers in order',
  { tag: '@long' },
  async ({ page }) => {
    await openSignal(page)
    expect(await order(page, 'Seat')).toEqual(['seat', 'ledge2'])
    await page.locator('[data-grip="ledge2"]').focus()
    await page.keyboard.press('ArrowUp')
    await expect.poll(() => order(page, 'Seat')).toEqual(['ledge2', 'seat'])
    await expect(page.getByRole('img', { name: 'seat front: pixels 33 to 160' })).toBeVisible()
    await expect(page.locator('[data-grip="ledge2"]')).toBeFocused()
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('ArrowDown')
    await expect.poll(() => order(page, 'Niche')).toEqual(['ledge2', 'alcove', 'porthole'])
    const grip = (await page.locator('[data-grip="ledge2"]').boundingBox())!
    const target = (await page.locator('[data-lane-run="seat"]').boundingBox())!
    await page.mouse.move(grip.x + 7, grip.y + 8)
    await page.mouse.down()
    await page.mouse.move(target.x + 14, target.y + target.height - 12, { steps: 15 })
    await page.mouse.move(target.x + 14, target.y + target.height - 8, { steps: 3 })
    await page.mouse.up()
    await expect.poll(() => order(page, 'Niche')).toEqual(['alcove', 'porthole'])
    await expect
      .poll(async () => (await order(page, 'Seat')).toSorted())
      .toEqual(['ledge2', 'seat'])
  },
)

test(
  'lanes are added, named, shared out and taken away; a pin is pinned down',
  { tag: '@long' },
  async ({ page }) => {
    await openSignal(page)
    await page.getByRole('button', { name: 'Lane', exact: true }).click()
    await expect(page.getByTestId('signal-state')).toHaveText(/warning/)
    await expect(page.locator('[data-lane]')).toHaveCount(4)
    await page.getByLabel('Name of Lane 4').fill('Window')
    await page.getByLabel('Name of Lane 4').press('Enter')
    await expect(page.getByRole('region', { name: 'Window', exact: true })).toBeVisible()
    await page.getByRole('button', { name: 'share the runs out evenly' }).click()
    await page.getByRole('button', { name: /^Take Window away/ }).click()
    await expect(page.locator('[data-lane]')).toHaveCount(3)
    await page.getByRole('combobox', { name: 'Pin of Seat, data' }).selectOption('G1')
    await expect(verdict(page, 'serial-pin')).toContainText('G1, over which programs are loaded')
    await page.getByRole('combobox', { name: 'Pin of Seat, data' }).selectOption('G34')
    await expect(verdict(page, 'pin-kind')).toContainText('analogue, input only')
    await verdict(page, 'pin-kind').getByRole('button', { name: 'let it be chosen' }).click()
    await expect(verdict(page, 'pin-kind')).toHaveCount(0)
  },
)

test(
  'pixels are skipped, a relay counts, and a wire at the wrong end is told',
  { tag: '@long' },
  async ({ page }) => {
    await openSignal(page)
    await page.getByRole('button', { name: 'Skip pixels of right ledge' }).click()
    const editor = page.getByRole('group', { name: 'Data of right ledge' })
    await editor.getByLabel('Its data wire comes apart at').selectOption('strip plug pair')
    await expect(editor.getByLabel('Its data wire comes apart at')).toHaveValue('strip-plug')
    await editor.getByLabel('Dark from').fill('100')
    await editor.getByRole('button', { name: 'skip' }).click()
    await expect(editor.getByRole('alert')).toHaveText('“100”: from 128 to 160')
    // Nothing was skipped in its place.
    await expect(editor.getByRole('listitem')).toHaveCount(0)
    await editor.getByLabel('Dark from').fill('130')
    await editor.getByLabel('to', { exact: true }).fill('134')
    await editor.getByRole('button', { name: 'skip' }).click()
    await expect(editor.getByText('130 to 134 dark')).toBeVisible()
    await editor.getByLabel('Relay pixels before it').fill('1')
    await editor.getByLabel('Relay pixels before it').press('Enter')
    await expect(page.getByRole('img', { name: 'right ledge: pixels 129 to 161' })).toBeVisible()
    await expect(figure(page, 'frame.lane-low')).toHaveText('4.94 ms')
    await editor.press('Escape')
    await expect(editor).toHaveCount(0)
    await page
      .getByRole('button', { name: 'The data wire of right ledge is at its far end' })
      .click()
    await expect(verdict(page, 'against-arrow')).toContainText('right ledge')
    await verdict(page, 'against-arrow').getByRole('button', { name: 'bring the wire' }).click()
    await expect(verdict(page, 'against-arrow')).toHaveCount(0)
  },
)

test(
  'sensors get pins with reasons; too many of them name the board that would do',
  { tag: '@long' },
  async ({ page }) => {
    await openSignal(page)
    await page.getByRole('radio', { name: 'Pins' }).click()
    await page.getByRole('button', { name: 'light sensor' }).click()
    const row = page.locator('[data-need$=".OUT"]', { hasText: 'light sensor' })
    await expect(row).toContainText('analogue')
    await page.getByRole('button', { name: /^Board:/ }).click()
    await page.getByRole('option', { name: /^button-sized/ }).click()
    await expect(verdict(page, 'pins-short')).toContainText('6 pins needed, none is left')
    await verdict(page, 'pins-short')
      .getByRole('button', { name: /^take the/ })
      .click()
    await expect(verdict(page, 'pins-short')).toHaveCount(0)
    await page.getByRole('button', { name: 'Remove light sensor' }).click()
    await expect(row).toHaveCount(0)
  },
)

test(
  'a board of one’s own; a note on a board goes with it into every plan',
  { tag: '@long' },
  async ({ page }) => {
    await openSignal(page)
    await page.getByRole('button', { name: '+ your own' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Name', { exact: false }).first().fill('green board')
    await dialog.getByLabel(/^Pins, a line each/).fill('D0-D9 digital dimmable')
    await dialog.getByRole('button', { name: 'Add the board' }).click()
    await expect(dialog.getByRole('alert')).toContainText('“dimmable” of D0-D9: a pin can be')
    await dialog.getByLabel(/^Pins, a line each/).fill('D0-D9 digital pwm\nA0-A3 analogue')
    await dialog.getByRole('button', { name: 'Add the board' }).click()
    await expect(page.getByRole('button', { name: 'Board: green board' })).toBeVisible()
    await page.getByLabel('Disturbs timing?').fill('radio steals time')
    await page.getByLabel('Disturbs timing?').press('Enter')
    await expect(verdict(page, 'board-quirk')).toContainText('radio steals time')
    // What is kept for every plan is kept by then too.
    await expect(page.getByTestId('saved')).toHaveText('saved on this device')
    await openEmptyPlan(page)
    await page.keyboard.type('shelf 900')
    await page.getByRole('link', { name: /^Signal/ }).click()
    await page.getByRole('button', { name: /^Board:/ }).click()
    await page.getByRole('option', { name: /^green board \(disturbs timing\)/ }).click()
    await expect(verdict(page, 'board-quirk')).toContainText('radio steals time')
  },
)

test('plain strips are dimmed by a pin for each colour', { tag: '@long' }, async ({ page }) => {
  await openExample(page, 'Wardrobe rails')
  await page.getByRole('link', { name: /^Signal/ }).click()
  await expect(page.getByText('No pixels, so no data.')).toBeVisible()
  await page.getByRole('radio', { name: 'Pins' }).click()
  await page.getByLabel('Dimmer of hanging rail left').fill('rails')
  await page.getByLabel('Dimmer of hanging rail left').press('Enter')
  await expect(page.locator('[data-need="dimmer.rails.white"]')).toBeVisible()
  // 24 V on a board that takes 12: its own plug is the way out.
  await page.getByRole('radio', { name: 'Lanes' }).click()
  await page.getByLabel('Fed from').selectOption('supply')
  await page.getByRole('link', { name: /^Feed/ }).click()
  await verdict(page, 'board-volts')
    .getByRole('button', { name: /plug of its own/ })
    .click()
  await expect(verdict(page, 'board-volts')).toHaveCount(0)
})

test('a status light says who can tell its colours apart', { tag: '@long' }, async ({ page }) => {
  await openSignal(page)
  await page.getByRole('radio', { name: 'Pins' }).click()
  const card = page.getByRole('region', { name: 'Status light' })
  await card.getByRole('button', { name: 'colour' }).click()
  await card.getByRole('button', { name: 'colour' }).click()
  await expect(page.locator('[data-need="status.red"]')).toBeVisible()
  await card.getByLabel('Colour of state 1').fill('#7fae00')
  await card.getByLabel('Colour of state 2').fill('#d08000')
  await expect(verdict(page, 'status-colours-alike')).toContainText('eyes without green cones')
  await expect(card.getByText('alike', { exact: true })).toHaveCount(2)
  await verdict(page, 'status-colours-alike').getByRole('button').click()
  await expect(verdict(page, 'status-colours-alike')).toHaveCount(0)
  await noBarriers(page)
})

test(
  'a house rule says which way comes first; to try it and see stays a warning',
  { tag: '@long' },
  async ({ page }) => {
    await openSignal(page)
    await page.getByRole('button', { name: 'House rules' }).click()
    await page.getByRole('radio', { name: /^A diode before the first pixel/ }).check()
    await page.keyboard.press('Escape')
    const remedies = verdict(page, 'low-level').getByRole('button')
    await expect(remedies.first()).toHaveText(/^diode before the first pixel/)
    await page.getByRole('button', { name: 'House rules' }).click()
    await page.getByRole('radio', { name: /^Try it and see/ }).check()
    await page.keyboard.press('Escape')
    await expect(verdict(page, 'low-level')).toContainText('WARNING')
  },
)

test('in a narrow window the page that is open is in sight in the header', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 })
  await page.goto('/')
  await page.getByRole('link', { name: /^Wire/ }).click()
  const link = page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Wire/ })
  await expect(link).toBeInViewport({ ratio: 0.9 })
})

test('stages are reached by keys', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByTestId('signal-state')).toHaveText(/warning/)
  await page.keyboard.press('Alt+4')
  await expect(page.getByRole('heading', { name: 'Signal', level: 1 })).toBeVisible()
  await page.keyboard.press('Alt+5')
  await expect(page.getByRole('heading', { name: 'Wire', level: 1 })).toBeVisible()
})

test('what is being typed stays while an answer comes in', async ({ page }) => {
  await openSignal(page)
  await page.getByRole('button', { name: 'Skip pixels of right ledge' }).click()
  const editor = page.getByRole('group', { name: 'Data of right ledge' })
  const relay = editor.getByLabel('Relay pixels before it')
  await relay.fill('2')
  // The page is drawn anew by something else before it is said.
  await page.evaluate(() => {
    document.querySelector<HTMLButtonElement>('[aria-label="Turn right ledge round"]')?.click()
  })
  await expect(page.getByRole('button', { name: 'Undo' }).first()).toBeEnabled()
  await expect(page.getByTestId('saved')).toHaveText('saved on this device')
  await expect(relay).toHaveValue('2')
  await relay.press('Enter')
  await expect(page.getByRole('img', { name: 'right ledge: pixels 130 to 162' })).toBeVisible()
  // What cannot be is told, and stays as it was typed; the arrow keys count on from what can.
  await relay.fill('99')
  await relay.press('Enter')
  await expect(relay).toHaveValue('99')
  await expect(editor.getByRole('alert')).toHaveText('“99”: from 0 to 20')
  await relay.fill('3')
  await relay.press('ArrowDown')
  await expect(relay).toHaveValue('2')
  await expect(editor.getByRole('alert')).toHaveCount(0)
})
