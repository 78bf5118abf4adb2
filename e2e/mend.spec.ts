import type { Locator, Page } from '@playwright/test'
import { noBarriers } from './barriers'
import { expect, exportedPlan, openExample, roll, test } from './browser'

const stageLink = (page: Page): Locator => page.getByTitle('Mend (Alt+9)')
async function openMend(page: Page, plan: string): Promise<void> {
  await openExample(page, plan)
  await stageLink(page).click()
}
const tape = (page: Page, run: string): Locator =>
  page.getByRole('slider', { name: `${run}: what you see` })
const suspects = (page: Page): Locator => page.getByRole('region', { name: 'Suspects' })
const nextTest = (page: Page): Locator => page.getByRole('region', { name: 'Next test' })

/** The alcove dark from its second piece on, and the porthole behind it; all else right. */
async function paintDarkAlcove(page: Page): Promise<void> {
  const alcove = tape(page, 'alcove')
  await alcove.focus()
  for (let pixel = 0; pixel < 18; pixel += 1) await alcove.press('ArrowRight')
  await expect(alcove).toHaveAttribute('aria-valuetext', 'pixel 19 of 113: not painted')
  await alcove.press('Shift+End')
  await expect(alcove).toHaveAttribute('aria-valuetext', '95 pixels chosen, 19 to 113')
  await alcove.press('Enter')
  await page.getByRole('button', { name: 'Paint all of porthole' }).click()
  await page.getByRole('button', { name: 'The rest is right' }).click()
}

test(
  'a light that wanders is a test: the first that does not answer is typed',
  { tag: '@long' },
  async ({ page }) => {
    await openMend(page, 'Bay-window nook')
    const heading = nextTest(page).getByRole('heading', { level: 2 })
    await expect(heading).toContainText('Look at')
    // Nobody can look from here: what is left is to light one after another, and to measure.
    for (let times = 0; times < 12; times += 1) {
      const title = await heading.textContent()
      if (title?.includes('wander along') === true) break
      await nextTest(page).getByRole('button', { name: 'Can’t do this one' }).click()
      await expect(heading).not.toHaveText(title ?? '')
    }
    const first = nextTest(page).getByLabel(/The first that does not, 1 to \d+/)
    await first.fill('none')
    await first.press('Enter')
    await expect(page.getByRole('alert')).toContainText('a number from 1 to')
    await noBarriers(page)
    await first.fill('1')
    await first.press('Enter')
    await expect(
      nextTest(page).getByRole('listitem').filter({ hasText: 'take back' }),
    ).toContainText('does not answer: the first is 1')
    await nextTest(page).getByRole('button', { name: 'take back' }).click()
    await expect(nextTest(page).getByText('take back')).toHaveCount(0)
    await expect(page.getByRole('alert')).toHaveCount(0)
  },
)

test(
  'what is seen is painted by keys, a reading tells suspects apart, and the mend is noted',
  { tag: '@long' },
  async ({ page }) => {
    await openMend(page, 'Bay-window nook')
    await expect(suspects(page)).toContainText('Data level too low')
    await paintDarkAlcove(page)
    await expect(roll(page)).toContainText('alcove 19–113')
    await expect(suspects(page).getByRole('button').first()).toContainText('Open data')
    await noBarriers(page)

    // The meter at the start of B2: there are no volts, so it is the feed and not the data.
    await expect(nextTest(page).getByRole('heading', { level: 2 })).toContainText('Measure')
    const field = nextTest(page).getByLabel('What the meter shows')
    await field.fill('zero')
    await field.press('Enter')
    await expect(page.getByRole('alert')).toContainText('such as 4.6 V')
    await field.fill('0')
    await field.press('Enter')
    await expect(suspects(page).getByRole('button').first()).toContainText(/Open (plus|minus)/)
    await expect(nextTest(page)).toContainText('Done')

    // A wrong entry is taken back, and is as it was.
    await nextTest(page).getByRole('button', { name: 'take back' }).click()
    await expect(suspects(page).getByRole('button').first()).toContainText('Open data')

    // What was painted is still there after a reload.
    await page.reload()
    await expect(roll(page)).toContainText('alcove 19–113')
    await expect(suspects(page).getByRole('button').first()).toContainText('Open data')

    await suspects(page).getByRole('button').first().click()
    await page.getByRole('button', { name: /^How to mend/ }).click()
    const mend = page.getByRole('region', { name: 'Mend' })
    await expect(mend).toContainText('Proof:')
    await expect(mend).toContainText('licensed electrician')
    // One that looks the same is mended in its own way, and noted as what it is.
    const which = mend.getByLabel('Which it was')
    const bridge = await which
      .locator('option', { hasText: /^Plus bridged to data/ })
      .first()
      .innerText()
    await which.selectOption(bridge)
    await expect(mend.getByRole('heading', { level: 2 })).toHaveText('Plus bridged to data')
    await mend.getByLabel('What you did').fill('new joint at B1')
    await mend.getByRole('button', { name: 'It works: note it in the log' }).click()
    await expect(page.getByRole('heading', { name: bridge })).toHaveCount(1)
    await expect(page.getByText('new joint at B1')).toBeVisible()
    await expect(page.getByTestId('mend-state')).toHaveText('2 mended')
    await page.getByLabel('Search here and in all other plans').fill('joint at B1')
    await expect(page.getByRole('heading', { name: bridge })).toHaveCount(1)
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Plan', exact: true }).click()
    await page.getByRole('menuitem', { name: 'Export to a file' }).click()
    expect(await exportedPlan(download)).toMatch(/"kind": "bridge-plus-data"/)
    await page.keyboard.press('Escape')
    await page.getByRole('radio', { name: 'Find it' }).click()
    await expect(roll(page)).toContainText('Nothing is painted yet')
  },
)

test('pixels are painted by hand, wiped, and contradictions are said', async ({ page }) => {
  await openMend(page, 'Bay-window nook')
  const seat = tape(page, 'seat front')
  await expect(seat).toBeVisible()
  await page.getByRole('radio', { name: 'flickering' }).click()
  await page.getByLabel('When it looks like that').selectOption('only when bright')
  const box = (await seat.boundingBox())!
  await page.mouse.move(box.x + box.width * 0.25, box.y + 20)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width * 0.5, box.y + 20, { steps: 4 })
  await page.mouse.up()
  await expect(seat.locator('[data-painted="flicker"]')).toHaveCount(1)
  await expect(roll(page)).toContainText('flickering, only when bright')
  await page.getByRole('button', { name: 'In words' }).click()
  await page.getByRole('button', { name: 'nothing lights' }).click()
  await expect(page.getByRole('alert')).toContainText(
    '“nothing lights” does not go with seat front, which is said to be flicker',
  )
  await page.getByRole('button', { name: 'nothing lights' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)
  await page.getByRole('radio', { name: 'not known' }).click()
  await page.getByRole('button', { name: 'Paint all of seat front' }).click()
  await expect(seat.locator('[data-painted]')).toHaveCount(0)
})

test('a hidden fault is found with the meter', { tag: '@long' }, async ({ page }) => {
  await openMend(page, 'Bay-window nook')
  await page.getByRole('radio', { name: 'Practice' }).click()
  await noBarriers(page)
  await page.getByRole('button', { name: /Half the crown stays dark/ }).click()
  const pick = async (label: string, text: string): Promise<void> => {
    const field = page.getByRole('combobox', { name: label })
    await field.click()
    await field.pressSequentially(text)
    await page.getByRole('option').first().click()
  }
  await pick('Red tip on', 'crown F2 start +')
  await pick('Black tip on', 'Supply A −')
  await page.getByRole('button', { name: 'Read it' }).click()
  // No plus arrives there.
  await expect(page.locator('output')).toHaveText('0 V')
  await page.getByRole('radio', { name: 'Ω, power off' }).click()
  await pick('Red tip on', 'crown F1 end +')
  await pick('Black tip on', 'crown F2 start +')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.locator('output')).toHaveText(/kΩ$|^\d{3,} Ω$|open/)
  // On any pixel of a tape: both tips beside it.
  await page.getByRole('radio', { name: 'V, power on' }).click()
  const crown = page.getByRole('region', { name: 'What is seen' }).locator('svg').last()
  const box = (await crown.boundingBox())!
  await page.mouse.click(box.x + 0.2 * box.width, box.y + 20)
  await expect(page.getByRole('combobox', { name: 'Red tip on' })).toHaveValue(
    /^crown, pixel \d+ \+$/,
  )
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.locator('output')).toHaveText(/^4\.\d\d V$/)
  // On the diagram: data from end to end through its resistor, which is sound.
  await page.getByRole('radio', { name: 'Diagram' }).click()
  const seat = (name: string): Locator => page.locator(`[data-terminal="run:seat/${name}"]`).last()
  await seat('D in').click()
  await expect(page.getByText('Set it to Ω')).toBeVisible()
  await page.getByRole('radio', { name: 'Ω, power off' }).click()
  await seat('D in').click()
  await expect(page.locator('[data-tip="red"]')).toBeVisible()
  await pick('Black tip on', 'Board G4')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.locator('output')).toHaveText(/^3[23]\d Ω$/)
  await noBarriers(page)
  await page.getByRole('radio', { name: 'Tapes' }).click()
  // Half of it draws nothing: less than the whole crown would take.
  await page.getByRole('radio', { name: 'A, in between' }).click()
  await pick('In the plus of', 'W11')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.locator('output')).toHaveText(/^[12]\.\d\d A$/)
  await noBarriers(page)
  await pick('Which fault', 'open plus W19 F2 start')
  await page.getByRole('button', { name: 'That is it' }).click()
  await expect(page.getByRole('heading', { name: /^Right\./ })).toBeVisible()
  await expect(page.getByText('5 tests, 8 minutes')).toBeVisible()
  await expect(page.getByText(/The best course: \d+ tests? in/)).toBeVisible()
})

test('what is painted is played in the room', { tag: '@long' }, async ({ page }) => {
  await openMend(page, 'Bay-window nook')
  await page.getByRole('radio', { name: 'Room' }).click()
  await expect(page.getByText('As it should look.')).toBeVisible()
  const room = page.getByLabel('The room at dusk')
  /** Dots of the picture that are bright. */
  const bright = (): Promise<number> =>
    room.evaluate((canvas: HTMLCanvasElement) => {
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
      return data.reduce((count, part, at) => (at % 4 === 0 && part > 150 ? count + 1 : count), 0)
    })
  /** … once it no longer changes. */
  const settled = async (): Promise<number> => {
    let last = -1
    await expect
      .poll(async () => {
        const before = last
        last = await bright()
        return last === before
      })
      .toBe(true)
    return last
  }
  const slider = page.getByRole('slider', { name: 'Where the show is' })
  await slider.fill('4')
  await expect.poll(bright).toBeGreaterThan(500)
  const right = await settled()
  await noBarriers(page)
  await page.getByRole('radio', { name: 'Tapes' }).click()
  for (const run of ['seat front', 'alcove', 'porthole', 'right ledge'])
    await page.getByRole('button', { name: `Paint all of ${run}` }).click()
  await page.getByRole('radio', { name: 'Room' }).click()
  await expect(page.getByText('As it is painted.')).toBeVisible()
  await slider.fill('4')
  await expect.poll(bright).toBeGreaterThan(100)
  const painted = await settled()
  expect(painted).toBeLessThan(0.7 * right)
  // A board without power lights nothing at all.
  await page
    .getByRole('region', { name: 'Suspects' })
    .getByRole('button', { name: /Program not running/ })
    .click()
  await expect(page.getByText('As it would look:')).toBeVisible()
  await expect.poll(bright).toBeLessThan(0.1 * painted)
  await page.getByRole('button', { name: 'Play' }).click()
  await expect.poll(async () => Number(await slider.inputValue())).toBeGreaterThan(4.3)
  await page.getByRole('button', { name: 'Pause' }).click()
})

test('a meter shows what it would with each suspect', { tag: '@long' }, async ({ page }) => {
  await openMend(page, 'Bay-window nook')
  await page.getByRole('button', { name: 'Paint all of crown' }).click()
  await page.getByRole('radio', { name: 'Meter' }).click()
  await page.getByRole('button', { name: 'Show all of it' }).click()
  // A wire ends on each of them.
  for (const rail of ['+', '−']) {
    const box = (await page.locator(`[data-terminal="run:crown/${rail}"]`).last().boundingBox())!
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2)
  }
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.locator('output')).toHaveText(/^4\.\d\d V$/)
  const suspects = page.getByRole('region', { name: 'Suspects' })
  await suspects.getByRole('button', { name: /fuse in W11/ }).click()
  await expect(page.locator('output')).toHaveText('0 V')
  // With a second one at the same time both are there.
  const other = page.getByLabel('Together with')
  await other.selectOption({ index: 1 })
  const name = (await other.locator('option:checked').textContent())!
  await expect(page.getByText('As it would measure:')).toContainText(name.split(',')[0]!)
  await expect(page.locator('output')).toHaveText('0 V')
  await noBarriers(page)
  // Without a suspect all is as it should be.
  await suspects.getByRole('button', { name: /fuse in W11/ }).click()
  await expect(page.locator('output')).toHaveText(/^4\.\d\d V$/)
})

test('five answers give a first guess without a plan', async ({ page }) => {
  await page.goto('/plans')
  await page.getByRole('link', { name: 'Something is wrong?' }).click()
  const first = page.getByRole('list', { name: 'What it may be' }).getByRole('listitem').first()
  await expect(first).toBeVisible()
  await page.getByLabel('What lights?').selectOption('all of it, in wrong colours')
  await page.getByLabel('What was changed?').selectOption('the program')
  await expect(first).toContainText('Wrong colour order')
  await noBarriers(page)
})

test('at 390 it is painted by a finger', { tag: '@long' }, async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openMend(page, 'Bay-window nook')
  await expect(tape(page, 'crown')).toBeVisible()
  await page.getByRole('button', { name: 'all of it' }).first().click()
  await expect(tape(page, 'seat front').locator('[data-painted="dark"]')).toHaveCount(1)
  await noBarriers(page)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})
