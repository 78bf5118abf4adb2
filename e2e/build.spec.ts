import type { Locator, Page } from '@playwright/test'
import { expect, exportAndImport, figure, openEmptyPlan, openExample, test } from './browser'

const step = (page: Page): Locator => page.getByRole('region', { name: 'The step at hand' })
const title = (page: Page): Locator => step(page).getByRole('heading', { level: 2 })
const number = (page: Page): Locator => page.getByTestId('step-number')
const done = (page: Page): Locator => page.getByTestId('done')
const view = (page: Page, name: string): Promise<void> => page.getByRole('radio', { name }).click()
const openBuild = async (page: Page): Promise<void> => {
  await page.getByRole('link', { name: /^Build/ }).click()
  await expect(title(page)).toBeVisible()
}
const openNook = async (page: Page): Promise<void> => {
  await openExample(page, 'Bay-window nook')
  await openBuild(page)
}

test('an empty plan has nothing to build; one line has a whole build', async ({ page }) => {
  await openEmptyPlan(page)
  await page.getByRole('link', { name: /^Build/ }).click()
  await expect(page.getByText('Nothing to build yet')).toBeVisible()
  await page.getByRole('link', { name: /^Measure/ }).click()
  await page.getByLabel('Line 1', { exact: true }).fill('shelf 900')
  await openBuild(page)
  await expect(title(page)).toHaveText(/^Before the first cut, try the/)
  await expect(page.getByTestId('build-state')).toHaveText('not begun')
  await done(page).click()
  await expect(page.getByTestId('build-state')).toHaveText(/^step 2 of \d+$/)
  await expect(number(page)).toHaveText(/^2 of/)
})

test(
  'at the bench: the clock, readings that are off, what went wrong, skipping, and back',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    // The demo is half built: it goes on with the first corner of the alcove.
    await expect(title(page)).toHaveText('Solder W13 to W15 from B1 to B2')
    await expect(step(page)).toContainText('sleeve 4.8 mm on W13')
    // The two pieces that meet are lit on the tape.
    await expect(page.getByRole('img', { name: 'alcove: B1, B2 of B1, B2, B3' })).toBeVisible()
    await page.getByRole('button', { name: 'Start the clock' }).click()
    await expect(page.getByRole('button', { name: 'Stop the clock' })).toContainText(/0:0[2-9]/)
    await done(page).click()
    await expect(title(page)).toHaveText('Meter check: alcove, B1 end')

    // A reading in other words, one that is none, and one that is off.
    const reading = page.getByPlaceholder('reading')
    await reading.fill('1k2')
    await reading.press('Enter')
    await expect(page.getByTestId('judgement')).toHaveText('as it should be')
    await reading.fill('beeps')
    await reading.press('Enter')
    await expect(step(page).getByRole('alert')).toContainText('“beeps”')
    await reading.fill('6')
    await reading.press('Enter')
    await expect(page.getByTestId('judgement')).toHaveText('too low')
    await expect(step(page).getByRole('alert')).toContainText('alcove, B1 end')

    await page.getByRole('button', { name: 'It went wrong' }).click()
    await page.getByRole('button', { name: 'Keep it in the log' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'Not yet' })).toBeVisible()
    await page.getByLabel('What went wrong').fill('plus bridged to data')
    await page.getByLabel('What fixed it, once you know').fill('wicked it off')
    await page.getByRole('button', { name: 'Keep it in the log' }).click()
    await expect(step(page)).toContainText('plus bridged to data')

    await page.getByRole('button', { name: 'Skip this step' }).click()
    await expect(page.getByRole('button', { name: 'Skip it' })).toBeDisabled()
    await page.getByLabel('Why it is skipped').fill('buzzer says fine')
    await page.getByRole('button', { name: 'Skip it' }).click()
    await expect(title(page)).toHaveText('Light alcove up to B2')

    // A step back, and not done after all.
    await page.getByRole('button', { name: 'Back to the step before' }).click()
    await expect(step(page)).toContainText('Skipped: buzzer says fine')
    await page.getByRole('button', { name: 'Not done after all' }).click()
    await expect(done(page)).toBeVisible()
    await done(page).click()
    await expect(title(page)).toHaveText('Light alcove up to B2')

    // On the test everything that is joined lights.
    await expect(step(page)).toContainText('alcove 95 groups')
    await page.getByRole('button', { name: /^red/ }).click()
    const red = parseFloat(await page.getByTestId('expected').innerText())
    await reading.fill(`${String(Math.round(red * 1000))} mA`)
    await reading.press('Enter')
    await expect(page.getByTestId('judgement')).toHaveText('as it should be')

    await view(page, 'Log')
    await page.getByLabel('Search the log').fill('wicked it off')
    const entries = page.getByRole('list', { name: 'The log' })
    await expect(entries.getByRole('listitem')).toHaveCount(1)
    await expect(entries).toContainText('plus bridged to data')
    await page.getByLabel('Search the log').fill('no such thing')
    await expect(entries).toContainText('Nothing in the log has')
    // Have I had this before? The wall of jars has a note on filing.
    await page.getByLabel('Search the log').fill('is filed')
    await expect(entries).toContainText('Nothing in the log has')
    await page.getByLabel('in all plans').check()
    await expect(entries.getByRole('link', { name: 'Wall of jars' })).toBeVisible()
    await page.getByLabel('in all plans').uncheck()

    // It is there after a reload, on the Wire page, and in the file.
    await expect(page.getByTestId('saved')).toHaveText('saved on this device')
    await page.reload()
    await expect(entries).toBeVisible()
    await view(page, 'Step')
    await expect(title(page)).toHaveText('Light alcove up to B2')
    await page.getByRole('link', { name: /^Wire/ }).click()
    await view(page, 'Joints')
    await expect(page.getByTestId('joints-left')).toContainText(/of 58 joints done/)
    await exportAndImport(page)
  },
)

test(
  'the order: both schools, an evening’s work, moves as far as the rules allow',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    await view(page, 'Order')
    const rail = page.getByRole('group', { name: 'The order of the work' })
    await expect(rail.locator('[aria-current]')).toContainText('Solder W13 to W15')
    await page.getByRole('button', { name: '1 h', exact: true }).click()
    await expect(page.getByTestId('evening')).toContainText('a good place to stop')

    // The check cannot come before its joint.
    await page.getByRole('button', { name: 'Earlier: Meter check: alcove, B1 end' }).click()
    await expect(page.getByRole('alert')).toContainText('needs “Solder W13 to W15 from B1 to B2”')
    // Measuring another run can.
    const measure = 'Measure porthole again: 1200 mm in the plan'
    await page.getByRole('button', { name: `Earlier: ${measure}` }).click()
    await expect(page.getByRole('button', { name: 'Take back 1 move' })).toBeVisible()
    await page.getByRole('button', { name: 'Take back 1 move' }).click()
    await expect(page.getByRole('button', { name: 'Take back 1 move' })).toHaveCount(0)

    const hours = await figure(page, 'build.total').innerText()
    await page.getByRole('radio', { name: /^in batches/ }).click()
    await expect(figure(page, 'build.total')).not.toHaveText(hours)
    await expect(page.getByTestId('build-state')).toHaveText('step 96 of 231')
    await page.keyboard.press('Control+z')
    await expect(figure(page, 'build.total')).toHaveText(hours)
  },
)

test(
  'when the plan changes after building began, what has to be undone is told',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    await page.getByRole('link', { name: /^Measure/ }).click()
    await page.getByLabel('Line 1', { exact: true }).focus()
    await page.keyboard.press('Control+a')
    await page.keyboard.press('Delete')
    await openBuild(page)
    await page.getByText(/The plan changed: \d+ things that were built have to be undone/).click()
    await expect(page.getByText('Undo: Solder W1, W2 and W30 to A1, at its start')).toBeVisible()
    await page.keyboard.press('Control+z')
    await expect(page.getByText('The plan changed')).toHaveCount(0)
  },
)

test('by keyboard alone: a step done, and the next', async ({ page }) => {
  await openNook(page)
  await page.getByRole('link', { name: /^Measure/ }).click()
  await page.keyboard.press('Alt+7')
  await expect(title(page)).toHaveText('Solder W13 to W15 from B1 to B2')
  await done(page).focus()
  await page.keyboard.press('Enter')
  await expect(title(page)).toHaveText('Meter check: alcove, B1 end')
  await page.keyboard.press('Control+z')
  await expect(title(page)).toHaveText('Solder W13 to W15 from B1 to B2')
})

test(
  'photos go with the plan as one zip, and what is no picture is refused',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    const picker = page.getByLabel('Photos of this step')
    await picker.setInputFiles({
      name: 'notes.jpg',
      mimeType: 'image/jpeg',
      buffer: Buffer.from('no picture'),
    })
    await expect(step(page).getByRole('alert')).toContainText(
      'notes.jpg is no picture that this browser can read',
    )
    await picker.setInputFiles({
      name: 'corner.png',
      mimeType: 'image/png',
      buffer: await page.screenshot({ clip: { x: 0, y: 0, width: 300, height: 200 } }),
    })
    const photo = page.getByRole('img', { name: 'Photo 1 of this step' })
    await expect(photo).toBeVisible()
    await expect(page.getByTestId('saved')).toHaveText('saved on this device')
    await page.reload()
    await expect(photo).toBeVisible()

    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Plan', exact: true }).click()
    await page.getByRole('menuitem', { name: 'Export to a file' }).click()
    const zip = await download
    expect(zip.suggestedFilename()).toBe('bay-window-nook.zip')
    // Removed here; the file brings it back.
    await page.getByRole('button', { name: 'Remove photo 1' }).click()
    await expect(photo).toHaveCount(0)
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: 'Plan', exact: true }).click()
    await page.getByRole('menuitem', { name: 'Import from a file' }).click()
    await (await chooser).setFiles(await zip.path())
    await expect(page.getByTestId('notice')).toHaveText(/“Bay-window nook” is on the shelf/)
    await openBuild(page)
    await expect(title(page)).toHaveText('Solder W13 to W15 from B1 to B2')
    await expect(photo).toBeVisible()
  },
)

test(
  'what was measured is taken into the plan as a strip of one’s own, and back',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    await view(page, 'Log')
    const found = page.getByTestId('as-measured')
    await expect(found).toContainText(/idle\s*0\.7 mA\s*0\.6/)
    await found.getByRole('button', { name: 'Take into the plan' }).click()
    await expect(found).toContainText('as measured')
    await page.getByRole('button', { name: 'Plan with my minutes' }).click()
    await expect(page.getByRole('button', { name: 'Typical minutes again' })).toBeVisible()
    await page.keyboard.press('Control+z')
    await page.keyboard.press('Control+z')
    await expect(page.getByRole('button', { name: 'Plan with my minutes' })).toBeVisible()
    await expect(found).toContainText('0.7 mA')
  },
)

test(
  'a run that goes into something has its holes threaded first',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.getByLabel('Line 1', { exact: true }).fill('shelf 600')
    await page.getByLabel('Line 1', { exact: true }).press('Tab')
    await page.getByRole('button', { name: 'how it is mounted' }).click()
    await page.getByLabel('Its wires are threaded through').selectOption('a shelf')
    const hole = page.getByLabel('Hole where the wire enters')
    await hole.fill('wide')
    await hole.press('Enter')
    await expect(page.getByRole('alert').filter({ hasText: '“wide”' })).toBeVisible()
    await hole.fill('10')
    await hole.press('Enter')
    await page.keyboard.press('Escape')
    await openBuild(page)
    await view(page, 'Order')
    await expect(page.getByText(/W1 through the 10 mm hole in the shelf/).first()).toBeVisible()
  },
)

test(
  'templates at true size, and the steps on paper with a card for the lid',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    await view(page, 'Templates')
    await page.getByLabel('Template of').selectOption('porthole')
    await expect(page.getByTestId('template-size')).toContainText(
      /5 sheets · parts lie 10 mm over each other/,
    )
    await page.emulateMedia({ media: 'print' })
    const sheet = page.getByRole('img', { name: 'Sheet 1: porthole' }).last()
    await expect(sheet).toBeVisible()
    // A millimetre is a millimetre: 96 pixels to the inch.
    const { width } = (await sheet.boundingBox())!
    expect(width).toBeCloseTo((186 / 25.4) * 96, 0)
    await expect(page.getByRole('heading', { name: 'Build', exact: true })).toBeHidden()
    await page.emulateMedia({ media: 'screen' })
    await page.getByLabel('Template of').selectOption('the whole drawing, to scale')
    const whole = page.getByRole('img', { name: 'Bay-window nook at 1 : 20' })
    await expect(whole).toBeVisible()
    const size = (await whole.boundingBox())!
    await page.getByLabel('Scale').selectOption('1 : 50')
    const small = page.getByRole('img', { name: 'Bay-window nook at 1 : 50' })
    await expect(small).toBeVisible()
    expect((await small.boundingBox())!.width).toBeLessThan(size.width * 0.5)
    // What is narrow shares a sheet with the rest.
    await page.getByLabel('Template of').selectOption('all 7 places')
    await expect(page.getByRole('img', { name: /seat front/ }).first()).toBeVisible()
    await page.getByLabel('Template of').selectOption('porthole')
    const front = await page
      .getByRole('img', { name: 'Sheet 1: porthole' })
      .first()
      .getAttribute('src')
    await page.getByRole('radio', { name: 'From behind' }).click()
    const behind = page.getByRole('img', { name: 'Sheet 1: porthole' }).first()
    await expect(behind).not.toHaveAttribute('src', front!)
    expect(decodeURIComponent((await behind.getAttribute('src'))!)).toContain(
      'porthole, from behind',
    )

    await view(page, 'Order')
    await expect(page.getByRole('button', { name: 'Print the steps' })).toBeEnabled()
    await page.emulateMedia({ media: 'print' })
    await expect(
      page.getByRole('heading', { name: 'Bay-window nook: how to build it' }),
    ).toBeVisible()
    await expect(page.getByText('first thread sleeve 4.8 mm on W1').first()).toBeVisible()
    await expect(page.getByRole('heading', { name: 'Card for the lid: Supply A' })).toBeVisible()
    await expect(page.getByText(/Fuses: .*crown 7.50 A/)).toBeVisible()
    await expect(
      page.getByText(/bench supply’s limit to 1.65 A · idle 0.045 to 0.13 A ______/),
    ).toBeVisible()
  },
)

test(
  'a part that was swapped is told at its step; the last step settles the drawer',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    await page.getByRole('button', { name: /Cut W11 and W12: 3353 mm each/ }).click()
    await page.getByLabel('Gauge of the lead with W11, as it is').selectOption('1.5 mm²')
    await expect(page.getByTestId('build-state')).toHaveText('step 96 of 231')
    await page.getByRole('button', { name: /Fix the supply where it hides/ }).click()
    await page.getByLabel('Supply A, as it is').selectOption('5 V enclosed, 40 A')
    await page.keyboard.press('Control+z')
    await expect(page.getByLabel('Supply A, as it is')).toHaveValue('enclosed-5v-100w')
    await page.getByRole('button', { name: /Book it out of the drawer/ }).click()
    await done(page).click()
    const dialog = page.getByRole('dialog')
    await expect(dialog).toContainText('5 V RGB pixels, 60/m')
    await dialog.getByRole('button', { name: 'Cancel' }).click()
    await expect(title(page)).toHaveText(/^Book it out/)
    await done(page).click()
    await page.getByRole('button', { name: 'Settle the drawer' }).click()
    await expect(page.getByText('The drawer is settled')).toBeVisible()
    await expect(page.getByTestId('build-state')).toHaveText('step 97 of 231')
    await page.getByRole('button', { name: /Book it out of the drawer/ }).click()
    await expect(step(page).getByText('Done', { exact: true })).toBeVisible()
  },
)

test(
  'what is cut otherwise than planned is kept as it is, and figures follow',
  { tag: '@long' },
  async ({ page }) => {
    await openNook(page)
    await page.getByRole('button', { name: /Cut W5 and W6: 2425 mm each/ }).click()
    await page.getByLabel('Colour of W6 as it is').selectOption('blue')
    const length = page.getByLabel('Length of W5 as it was cut')
    await length.fill('long')
    await length.press('Enter')
    await expect(step(page).getByRole('alert')).toContainText('“long”')
    await length.fill('2 m')
    await length.press('Enter')
    await expect(title(page)).toHaveText('Cut W5 and W6: 2000 mm each')
    await expect(page.getByLabel('Colour of W6 as it is')).toHaveValue('blue')
    await expect(page.getByLabel('Colour of W5 as it is')).toHaveValue('red')
    await page.keyboard.press('Control+z')
    await expect(title(page)).toHaveText('Cut W5 and W6: 2425 mm each')
    // The step that was chosen stands in the address.
    await page.reload()
    await expect(title(page)).toHaveText('Cut W5 and W6: 2425 mm each')
  },
)
