import {
  expect,
  figure,
  line,
  openEmptyPlan,
  pasteLines,
  roll,
  scrollThrough,
  test,
  verdict,
  exportedPlan,
} from './browser'

test('opens with the demo plan and verdicts whose remedies can be tried', async ({ page }) => {
  await page.goto('/')
  await expect(page).toHaveURL(/\/plan\/.+\/measure$/)
  await expect(line(page, 1)).toHaveValue('seat front 2140')
  await verdict(page, 'supply-tight')
    .getByRole('button', { name: /next size up/ })
    .click()
  await expect(verdict(page, 'supply-tight')).toHaveCount(0)
  await verdict(page, 'wrong-end').getByRole('button', { name: 'turn it round' }).click()
  await verdict(page, 'glare')
    .getByRole('button', { name: /cover it/ })
    .click()
  await expect(page.getByTestId('measure-state')).toHaveText('7 places')
  await expect(page.getByTestId('feed-state')).toContainText('stop')
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
  await expect(verdict(page, 'volts-differ')).toContainText('porthole: 12 V strip on 5 V')
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
  await expect(page.getByTestId('saved')).toHaveText('saved on this device')
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
  await expect(page.locator('[data-can-drag="true"]')).toBeVisible()
  await line(page, 4).hover()
  const from = (await grip.nth(3).boundingBox())!
  const to = (await grip.nth(0).boundingBox())!
  await page.mouse.move(from.x + 10, from.y + 12)
  await page.mouse.down()
  await page.mouse.move(from.x + 10, from.y - 10, { steps: 4 })
  await page.mouse.move(to.x + 10, to.y + 4, { steps: 12 })
  await page.mouse.up()
  await expect(line(page, 1)).toHaveValue('left ledge 555')
  await expect(line(page, 2)).toHaveValue('alcove arch r410 legs 300')
  await page.keyboard.press('Control+z')
  await expect(line(page, 1)).toHaveValue('alcove arch r410 legs 300')
})

test('exports a plan and reads it back; refuses what is none', async ({ page }) => {
  await page.goto('/')
  await line(page, 1).fill('seat front 1999')
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Export to a file' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('bay-window-nook.zip')
  const text = await exportedPlan(download)

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

test(
  'an own strip is asked for, kept, used, and noted when its print disagrees',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('drawer 500')
    await page
      .getByRole('region', { name: 'Light' })
      .getByRole('button', { name: 'add your own' })
      .click()
    await page.getByRole('button', { name: 'Add the strip' }).click()
    await expect(page.getByRole('alert')).toHaveText('Not yet: a name is missing')
    await page.getByLabel('Name', { exact: false }).first().fill('drawer pixels')
    await page.getByLabel('Printed power').fill('9')
    await page.getByRole('button', { name: 'Add the strip' }).click()
    // 60/m × 60 mA × 5 V = 18 W/m against 9 printed.
    await expect(verdict(page, 'nameplate')).toContainText('18 W/m')
    await openEmptyPlan(page)
    await page.getByRole('button', { name: /^Light:/ }).click()
    await page.getByRole('option', { name: /drawer pixels/ }).click()
    await expect(page.getByRole('button', { name: 'Light: drawer pixels' })).toBeVisible()
  },
)

test('two tabs do not overwrite each other', async ({ page, context }) => {
  await page.goto('/')
  await expect(line(page, 1)).toHaveValue('seat front 2140')
  const second = await context.newPage()
  await second.goto(page.url())
  await expect(second.getByRole('alert')).toContainText('Open in another tab')
  await line(page, 1).fill('seat front 2150')
  await expect(page.getByTestId('saved')).toHaveText('saved on this device')
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
  await expect(cards).toHaveCount(7)
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

test(
  'scenes, level and limit change what is shown, not what the supply is for',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('shelf 2000')
    const total = figure(page, 'current.5.total')
    await expect(total).toHaveText('4.40 A')
    await page.getByRole('radio', { name: 'Idle' }).click()
    await expect(total).toHaveText('0.084 A')
    await page.getByRole('radio', { name: 'Level' }).click()
    await page.getByLabel('Brightness', { exact: true }).fill('50')
    // 120 px × (36 mA × 0.5 + 0.7 mA)
    await expect(total).toHaveText('2.24 A')
    await expect(figure(page, 'need.supply-a')).toHaveText('5.54 A')
    await page.getByRole('radio', { name: 'White' }).click()
    await page.getByRole('button', { name: /^Supply:/ }).click()
    await page.getByRole('option', { name: /5 V brick, 4 A/ }).click()
    await verdict(page, 'supply-short')
      .getByRole('button', { name: /limit brightness to/ })
      .click()
    const limit = page.getByLabel('brightness limit')
    await expect(limit).toHaveValue('71')
    // 120 px × (36 mA × 0.71 + 0.7 mA) = 3.15 A and 0.03 A of the board, within 80 % of 4 A.
    await expect(total).toHaveText('3.15 A')
    await expect(page.getByTestId('measure-state')).toHaveText('1 place')
    // It can be typed as well; what is out of bounds is told, and changes nothing.
    await limit.fill('50')
    await limit.press('Enter')
    // 120 px × (36 mA × 0.5 + 0.7 mA)
    await expect(total).toHaveText('2.24 A')
    await limit.fill('400')
    await limit.press('Enter')
    await expect(page.getByText('“400”: from 1 to 100 %')).toBeVisible()
    await expect(limit).toHaveValue('400')
    await expect(total).toHaveText('2.24 A')
    // Undo takes what was not understood away with what it stands for.
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: 'Undo' }).first().click()
    await expect(limit).toHaveValue('71')
    await expect(page.getByText('“400”: from 1 to 100 %')).toHaveCount(0)
  },
)

test('house rules are used at once and named in the sums', { tag: '@long' }, async ({ page }) => {
  await page.goto('/')
  const placed = figure(page, 'length.seat')
  await expect(placed).toHaveText('2133 mm')
  await page.getByRole('button', { name: 'House rules' }).click()
  await page.getByLabel(/Cover the end/).check()
  await expect(placed).toHaveText('2150 mm')
  await page.getByLabel(/next size up/).check()
  await expect(page.getByLabel(/Headroom/)).toBeDisabled()
  await page.keyboard.press('Escape')
  await page.getByRole('radio', { name: 'ft in' }).click()
  await expect(placed).toHaveText('7\' 5/8"')
  for (let step = 0; step < 3; step += 1)
    await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(placed).toHaveText('2133 mm')
})

test('pointing at a sum lights its run, a click goes to its line', async ({ page }) => {
  await page.goto('/')
  const row = roll(page).locator('[data-figure="length.porthole"]')
  await row.hover()
  await expect(line(page, 3).locator('xpath=ancestor::div[2]')).toHaveClass(/bg-marker/)
  await row.click()
  await expect(line(page, 3)).toBeFocused()
  await page.locator('[data-run="ledge"] path').last().click({ force: true })
  await expect(line(page, 4)).toBeFocused()
})

test(
  'a pasted list becomes lines; in a long one only those in view are fields',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    const texts = Array.from({ length: 300 }, (_, n) => `shelf-${String(n)} ${String(2600 + n)}`)
    await pasteLines(page, texts)
    await expect(line(page, 300)).toBeFocused()
    await expect(line(page, 300)).toHaveValue('shelf-299 2899')
    await expect(figure(page, 'length.total')).toHaveText('822.40 m')
    expect(await page.locator('.pad-lines input').count()).toBeLessThan(120)
    // Rows far from view are skipped on the screen, where they can be searched for and scrolled to, and not on paper.
    const far = page.locator('.pad-lines > *').first()
    const isShown = (): Promise<boolean> =>
      far.evaluate((row) => row.firstElementChild!.checkVisibility())
    await expect(far).toHaveAttribute('hidden', 'until-found')
    expect(await isShown()).toBe(false)
    await page.emulateMedia({ media: 'print' })
    expect(await isShown()).toBe(true)
    await page.emulateMedia({ media: null })
    await far.scrollIntoViewIfNeeded()
    await expect(line(page, 21)).toHaveValue('shelf-20 2620')
    expect(await isShown()).toBe(true)
    // They are dragged like those of a short one, with rows that come while a hand takes one along.
    const scrolled = page.locator('.pad-lines').locator('../..')
    await line(page, 30).scrollIntoViewIfNeeded()
    await line(page, 30).hover()
    const grip = (await page.locator('[data-at="29"] .grip').boundingBox())!
    await page.mouse.move(grip.x + 10, grip.y + 12)
    await page.mouse.down()
    await page.mouse.move(grip.x + 10, grip.y - 10, { steps: 4 })
    for (const top of [900, 1700, 2500])
      await scrolled.evaluate(async (element, to) => {
        element.scrollTop = to
        await new Promise((done) => setTimeout(done, 100))
      }, top)
    const there = (await line(page, 111).boundingBox())!
    await page.mouse.move(grip.x + 10, there.y + 10, { steps: 12 })
    await page.mouse.up()
    await expect(line(page, 30)).toHaveValue('shelf-30 2630')
    const moved = page.locator('.pad-lines input').filter({ visible: true })
    await expect
      .poll(() =>
        moved.evaluateAll((all) => all.map((one) => (one as HTMLInputElement).value).join(' ')),
      )
      .toMatch(/shelf-(109 2709 shelf-29 2629|110 2710 shelf-29 2629)/)
    await page.keyboard.press('Control+z')
    await scrolled.evaluate((element) => {
      element.scrollTop = 0
    })
    await expect(line(page, 30)).toHaveValue('shelf-29 2629')

    // The tally, too, has the sums that it is scrolled to, and all of them on paper.
    const lengths = roll(page).locator('[data-section="length"]')
    const last = lengths.getByText(/^shelf-299 /)
    await expect(last).toHaveCount(0)
    await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')))
    await expect(last).toHaveCount(1)
    await page.evaluate(() => window.dispatchEvent(new Event('afterprint')))
    await expect(last).toHaveCount(0)
    await scrollThrough(lengths)
    await expect(last).toHaveCount(1)
    await roll(page).getByRole('button', { name: '1 stop' }).click()
    await expect(verdict(page, 'supply-short')).toBeInViewport()
    await roll(page).locator('[data-figure]').first().click()
    await expect(line(page, 1)).toBeFocused()
    // What was pasted at once is undone at once.
    await page.keyboard.press('Control+z')
    await expect(page.locator('.pad-lines > *')).toHaveCount(1)
    await expect(line(page, 1)).toHaveValue('')
  },
)

test('the name of the plan is changed in place and kept', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Bay-window nook' }).click()
  await page.getByLabel('Name of the plan').fill('Reading nook')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('saved')).toHaveText('saved on this device')
  await page.reload()
  await expect(page.getByRole('button', { name: 'Reading nook' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(page.getByRole('button', { name: 'Bay-window nook' })).toBeVisible()
})

test('an empty line is taken away with Backspace, the last line only emptied', async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('a 300')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Backspace')
  await expect(line(page, 1)).toBeFocused()
  await expect(page.locator('.pad-lines > *')).toHaveCount(1)
  await page.getByRole('button', { name: 'Remove line 1' }).click({ force: true })
  await expect(line(page, 1)).toHaveValue('')
})
