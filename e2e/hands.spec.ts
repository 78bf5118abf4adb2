import { readFile } from 'node:fs/promises'
import {
  expect,
  exportAndImport,
  figure,
  line,
  openEmptyPlan,
  openExample,
  pasteLines,
  roll,
  test,
  verdict,
} from './browser'

/** A square of 100 mm with a quarter circle, as a drawing program might save it. */
const outline = `<svg xmlns="http://www.w3.org/2000/svg" width="200mm" viewBox="0 0 200 200">
  <path d="M0 0h100v100a100 100 0 0 1 -100 -100z"/></svg>`

test('a run is moved, turned and sized on the drawing, each one step back', async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('shelf 900')
  const run = page.locator('[data-run]').first()
  const field = line(page, 1)
  const box = (await run.boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + 30, y + 40, { steps: 5 })
  await page.mouse.up()
  await expect(page.locator('[data-handle="turn"]')).toBeVisible()
  // Seen whole again, the run stands where it was; so the undo list tells.
  await page.getByRole('button', { name: 'Undo' }).hover()
  const handle = (await page.locator('[data-handle="0"]').boundingBox())!
  await page.mouse.move(handle.x + 6, handle.y + 6)
  await page.mouse.down()
  await page.mouse.move(handle.x - 80, handle.y + 6, { steps: 6 })
  await page.mouse.up()
  await expect(field).not.toHaveValue('shelf 900')
  const shorter = Number((await field.inputValue()).replace('shelf ', ''))
  expect(shorter).toBeLessThan(900)
  expect(shorter % 10).toBe(0)
  await page.keyboard.press('Control+z')
  await expect(field).toHaveValue('shelf 900')
  await run.focus()
  await page.keyboard.press('r')
  const turned = (await run.boundingBox())!
  expect(turned.height).toBeGreaterThan(60)
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  expect((await run.boundingBox())!.height).toBeLessThan(60)
})

test(
  'where there are many runs each is still pointed at, chosen and moved by a pointer',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await pasteLines(
      page,
      Array.from({ length: 70 }, (_, n) => (n === 40 ? 'sky scatter 5' : `rung-${String(n)} 900`)),
    )
    await expect(figure(page, 'length.total')).toHaveText('62.10 m')
    const drawing = page.getByRole('group', { name: 'The runs to scale' })
    const shining = drawing.locator('[data-run]')
    // The one that is chosen is drawn by itself: that tells where it is.
    const placeOf = async (number: number): Promise<readonly [x: number, y: number]> => {
      await line(page, number).click()
      await expect(shining).toHaveCount(1)
      const { x, y, width, height } = (await shining.boundingBox())!
      return [x + width / 2, y + height / 2]
    }
    /** From the fourth to the third, px. */
    const way = async (): Promise<readonly number[]> => {
      const [fromX, fromY] = await placeOf(4)
      const [toX, toY] = await placeOf(3)
      return [toX - fromX, toY - fromY].map(Math.round)
    }
    const before = await way()
    const [x, y] = await placeOf(3)
    await placeOf(1)
    await page.mouse.move(x, y)
    await expect(shining).toHaveCount(2)
    await page.mouse.down()
    await page.mouse.up()
    await expect(line(page, 3)).toBeFocused()
    await page.mouse.down()
    await page.mouse.move(x + 40, y + 30, { steps: 4 })
    await page.mouse.up()
    expect(await way()).not.toEqual(before)
    await page.keyboard.press('Control+z')
    await expect.poll(way).toEqual(before)

    // Of the scattered lights that are chosen one is moved by itself.
    await placeOf(41)
    const dots = shining.locator('path').last()
    const first = (): Promise<{ x: number; y: number }> =>
      dots.evaluate((path: SVGPathElement) => {
        const { x, y } = path.getPointAtLength(0).matrixTransform(path.getScreenCTM()!)
        return { x: Math.round(x), y: Math.round(y) }
      })
    const others = async (): Promise<unknown> => (await dots.getAttribute('d'))!.split('M').slice(2)
    const [light, rest] = [await first(), await others()]
    await page.mouse.move(light.x, light.y)
    await page.mouse.down()
    await page.mouse.move(light.x + 30, light.y + 20, { steps: 4 })
    await page.mouse.up()
    expect(await first()).not.toEqual(light)
    expect(await others()).toEqual(rest)
  },
)

test(
  'a lead follows the drawing, and turning a run round shortens it',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/')
    await expect(verdict(page, 'wrong-end')).toContainText('right ledge')
    const before = await figure(page, 'lead.ledge2.first').textContent()
    await verdict(page, 'wrong-end').getByRole('button', { name: 'turn it round' }).click()
    await expect(verdict(page, 'wrong-end')).toHaveCount(0)
    await expect(figure(page, 'lead.ledge2.first')).not.toHaveText(before ?? '')
    const supply = page.getByRole('button', { name: /^Supply A, 5 V 20 A/ })
    await supply.focus()
    await page.keyboard.press('Shift+ArrowLeft')
    await expect(figure(page, 'lead.seat.first')).not.toHaveText('0.46 m')
  },
)

test('furniture and a photo make the place known', { tag: '@long' }, async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('shelf 900')
  await page.getByRole('button', { name: 'Add furniture' }).click()
  await page.getByRole('menuitem', { name: 'a box' }).click()
  const panel = page.getByRole('group', { name: /box, furniture/ })
  await panel.getByLabel('Width').fill('3\' 6"')
  await panel.getByLabel('Width').press('Enter')
  await panel.getByLabel('Name').fill('bookcase')
  await panel.getByLabel('Name').press('Enter')
  await expect(page.getByRole('button', { name: /^bookcase: move/ })).toBeVisible()
  await page.getByRole('button', { name: /^bookcase: move/ }).focus()
  await page.keyboard.press('Delete')
  await expect(page.getByRole('button', { name: /^bookcase: move/ })).toHaveCount(0)

  await page.getByLabel('Photo', { exact: true }).setInputFiles('docs/screenshots/plans.png')
  await expect(page.getByText('Click one end of a length that you know')).toBeVisible()
  const drawing = page.getByRole('region', { name: 'Drawing' })
  await drawing.click({ position: { x: 200, y: 300 } })
  await drawing.click({ position: { x: 400, y: 300 } })
  await page.getByLabel('It is').fill('2 m')
  await page.getByRole('button', { name: 'Set the scale' }).click()
  await expect(page.locator('svg image')).toHaveCount(1)
  await page.getByLabel('Photo', { exact: true }).setInputFiles('package.json')
  await expect(page.getByTestId('notice')).toContainText('no picture that this browser can read')
})

test('an outline from a file becomes a line, and what is none is refused', async ({ page }) => {
  await openEmptyPlan(page)
  const input = page.getByLabel('Outline file')
  await input.setInputFiles({
    name: 'cloud.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(outline),
  })
  await expect(
    page.getByText('357 mm to light', { exact: false }).or(page.getByText('0.36 m')),
  ).toBeVisible()
  await page.getByLabel('Or so wide in all').fill('50 cm')
  await page.getByRole('button', { name: 'Put it on the pad' }).click()
  await expect(line(page, 2).or(line(page, 1)).last()).toHaveValue('"cloud" traced 500')
  await expect(page.getByTestId('to-light')).toContainText('1.79 m')
  await input.setInputFiles({
    name: 'notes.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from('hello'),
  })
  await expect(page.getByRole('alert')).toContainText('notes.svg: Not a')
})

test(
  'what if a size were another: the marks it would meet, taken as an edit',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/')
    await page.getByRole('button', { name: '2140, dimension of seat front: change it' }).click()
    await page.getByRole('button', { name: 'what if …' }).click()
    const panel = page.getByRole('region', { name: 'What if' })
    await panel.getByRole('button', { name: '2000 mm' }).click()
    await expect(panel).toContainText('factory lengths')
    await panel.getByRole('button', { name: 'Take it' }).click()
    await expect(line(page, 1)).toHaveValue('seat front 2000')
  },
)

test(
  'how a run is mounted raises and answers verdicts; the cover shows its dots',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('shelf 900')
    await page.getByRole('button', { name: 'how it is mounted' }).click()
    await page.getByRole('combobox', { name: /^Light goes/ }).selectOption('room')
    await page.getByRole('combobox', { name: /^Place/ }).selectOption('outdoors')
    await expect(verdict(page, 'glare')).toBeVisible()
    await expect(verdict(page, 'wet')).toBeVisible()
    await page.getByRole('combobox', { name: /^Cover/ }).selectOption('opal')
    await expect(verdict(page, 'glare')).toHaveCount(0)
    await expect(page.getByText('ripple')).toContainText('the dots are gone')
    await page.getByLabel('From the lights to the cover').fill('5')
    await page.getByLabel('From the lights to the cover').press('Enter')
    await expect(page.getByText('ripple')).toContainText('single dots show')
    await page.getByLabel('Height above the surface').fill('450')
    await page.getByLabel('Today’s light there, lux').fill('50')
    await page.getByLabel('Today’s light there, lux').press('Enter')
    await expect(page.getByText('stops brighter')).toBeVisible()
  },
)

test('a piece is split, moved and cut off its mark by keys', { tag: '@long' }, async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Cut/ }).click()
  const end = page.locator('[data-end="D1"]')
  await end.focus()
  await page.keyboard.press('ArrowLeft')
  await expect(page.locator('[data-piece="D1"]')).toContainText('32 groups')
  await page.keyboard.press('Alt+ArrowRight')
  await expect(page.getByTestId('cut-state')).toHaveText('1 stop')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-piece="D1"]')).toContainText('33 groups')
  await page.locator('[data-end="A1"]').focus()
  await page.keyboard.press('s')
  await expect(page.locator('[data-piece="A1a"]')).toContainText('64 groups')
  await expect(roll(page)).toContainText('pad on pad')
})

test(
  'what is sold can be changed, and the feeds come out as files',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/')
    await page.getByRole('link', { name: /^Cut/ }).click()
    await page.getByRole('button', { name: 'reels and prices' }).click()
    const price = page.getByLabel('Reels that can be had: price 3')
    // A form is not taken while one of its fields holds what could not be read.
    await price.fill('twenty')
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByRole('dialog').getByRole('alert')).toHaveText('“twenty”: a number?')
    await expect(price).toBeFocused()
    await price.fill('20')
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByTestId('packing')).toContainText('40.00')
    await page.getByRole('button', { name: 'Plan', exact: true }).click()
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: 'Save the feed as a netlist' }).click(),
    ])
    expect(await readFile(await download.path(), 'utf8')).toContain(
      '* Bay-window nook: feed network',
    )
  },
)

test(
  'a run seen from its end: its cover is dragged and moved by keys, in a profile of one’s own',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('shelf 900')
    await page.getByRole('button', { name: 'how it is mounted' }).click()
    await page.locator('select[name=cover]').selectOption('opal')
    const cover = page.getByRole('slider', { name: 'opal cover, from the lights' })
    await expect(cover).toHaveAttribute('aria-valuetext', '15 mm')
    await expect(page.getByText('warmer than the room').first()).toBeVisible()
    const ripple = page.getByText(/ripple:/)
    const before = await ripple.innerText()
    const box = (await cover.boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 40, { steps: 5 })
    // The dots come out while it is dragged, before it is let go.
    await expect(ripple).not.toHaveText(before)
    await page.mouse.up()
    const near = Number(await cover.getAttribute('aria-valuenow'))
    expect(near).toBeLessThan(12)
    await cover.press('ArrowUp')
    await expect(cover).toHaveAttribute('aria-valuenow', String(near + 1))

    await page.getByRole('button', { name: 'add your own profile' }).click()
    const form = page.getByRole('dialog', { name: 'A profile of your own' })
    await form.getByLabel('Name').fill('attic channel')
    await form.getByLabel('From strip to cover').fill('0')
    await form.getByRole('button', { name: 'Add the profile' }).click()
    // The form's own answer: the field says so as soon as it is left.
    await expect(form.getByRole('alert')).toContainText('more than 0, or choose a flat bar')
    await form.getByLabel('From strip to cover').fill('20')
    await form.getByRole('button', { name: 'Add the profile' }).click()
    await expect(cover).toHaveAttribute('aria-valuetext', '20 mm')
    await expect(page.locator('select[name=profile]')).toContainText('attic channel')
    await page.keyboard.press('Escape')
    await exportAndImport(page)
  },
)

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('all lines of a pad stand in view, and no name lies under the tools', async ({ page }) => {
    await openExample(page, 'Bay-window nook')
    await expect(line(page, 7)).toBeInViewport({ ratio: 1 })
    await expect(page.getByRole('button', { name: 'another line' })).toBeInViewport({ ratio: 1 })
    await page.getByRole('radio', { name: 'Drawing' }).check()
    const name = page.getByLabel('Drawing').getByText('crown', { exact: true })
    const tools = page.getByRole('button', { name: 'Larger' })
    await expect(tools).toBeVisible()
    const [own, above] = [await name.boundingBox(), await tools.boundingBox()]
    expect(own!.y).toBeGreaterThan(above!.y + above!.height)
  })
})
