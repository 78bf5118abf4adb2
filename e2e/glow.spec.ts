import type { Page } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import { noBarriers } from './barriers'
import { expect, figure, openExample, roll, test, verdict } from './browser'

const stageLink = (page: Page) => page.getByTitle('Glow (Alt+8)')
async function openGlow(page: Page, plan: string): Promise<void> {
  await openExample(page, plan)
  await stageLink(page).click()
}

test('a show plays, its sensors are touched, and its amperes are told', async ({ page }) => {
  await openGlow(page, 'Bay-window nook')
  const play = page.getByRole('button', { name: 'Play', exact: true })
  await expect(play).toBeEnabled()
  await expect(figure(page, 'show.mean.supply-a')).toHaveText(/^6\.\d+ A$/)
  const time = page.getByRole('slider', { name: 'Time in the show' })
  await expect(time).toHaveAttribute('aria-valuetext', /Dusk/)

  await noBarriers(page)

  // Frames follow the time, and each scene comes in its turn.
  await play.click()
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible()
  await expect.poll(async () => Number(await time.getAttribute('aria-valuenow'))).toBeGreaterThan(1)
  await page.getByRole('button', { name: 'Pause' }).click()
  await time.press('End')
  await expect(time).toHaveAttribute('aria-valuetext', /Tidying up/)
  await time.press('Home')
  await expect(time).toHaveAttribute('aria-valuetext', /Dusk/)

  // Someone sits down: the scene that waits for it plays, by keyboard too.
  await page.getByRole('button', { name: /motion at the seat/ }).focus()
  await page.keyboard.down(' ')
  await expect(page.getByText('someone moves')).toBeVisible()
  await time.press('PageDown')
  await expect(time).toHaveAttribute('aria-valuetext', /Someone sits down/)
  await page.getByRole('button', { name: 'Forget touches' }).click()
  await expect(time).toHaveAttribute('aria-valuetext', /Dusk/)
})

test(
  'a scene over its supply is told, and each way out is an edit',
  { tag: '@long' },
  async ({ page }) => {
    await openGlow(page, 'Bay-window nook')
    const over = verdict(page, 'scene-over-supply')
    await expect(over).toContainText('“Tidying up” takes 18.3 A')
    await over.getByRole('button', { name: /^dim “Tidying up” to \d+ %$/ }).click()
    await expect(over).toHaveCount(0)
    await expect(figure(page, 'show.peak.supply-a')).toHaveText(/^1[56]\.\d A$/)
    await page.keyboard.press('ControlOrMeta+z')
    await expect(over).toBeVisible()
  },
)

test(
  'a show is made by hand, flashes are asked about, and the C is saved',
  { tag: '@long' },
  async ({ page }) => {
    await openGlow(page, 'Pegboard moon')
    await page.getByRole('button', { name: 'Show', exact: true }).click()
    await page.getByRole('menuitem', { name: 'New show' }).click()
    const editor = page.getByRole('region', { name: 'Scenes and layers' })
    await expect(editor.getByLabel('Name')).toHaveValue('Evening')
    await editor.getByLabel('Name').fill('Swarm')
    await editor.getByLabel('Name').press('Tab')
    await editor.getByLabel('Add a layer').selectOption('Comets')
    await expect(editor.getByLabel('Pattern')).toHaveValue('comets')
    await editor.getByRole('button', { name: 'crescent', exact: true }).click()
    await expect(editor.getByRole('button', { name: 'crescent', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    )

    await noBarriers(page)

    // What is no colour stays as it was typed, and is told.
    const colour = editor.getByLabel('Colour, typed')
    await colour.fill('rosy')
    await colour.press('Tab')
    await expect(editor.getByText('“rosy” is no colour')).toBeVisible()
    await colour.fill('#ffffff')
    await colour.press('Tab')
    await expect(editor.getByText('“rosy” is no colour')).toHaveCount(0)
    for (const [label, value] of [
      ['How many', '6'],
      ['Speed', '3000'],
      ['Tail', '120'],
    ] as const) {
      await editor.getByLabel(label).fill(value)
      await editor.getByLabel(label).press('Tab')
    }
    // More than the pattern can do is told, and not taken.
    await editor.getByLabel('Speed').fill('9999')
    await editor.getByLabel('Speed').press('Tab')
    await expect(editor.getByRole('alert')).toContainText('“9999”: from')
    await editor.getByLabel('Speed').fill('5000')
    await editor.getByLabel('Speed').press('Tab')
    await expect(editor.getByRole('alert')).toHaveCount(0)

    await page.getByRole('radio', { name: 'Play' }).click()
    await expect(verdict(page, 'flash-rate')).toContainText('crescent')
    await page.getByRole('button', { name: 'Play', exact: true }).click()
    const asked = page.getByRole('dialog', { name: 'This show flashes' })
    await expect(asked).toContainText('can start a seizure')
    await asked.getByRole('button', { name: 'Cancel' }).click()
    await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible()
    await verdict(page, 'flash-rate').getByRole('button').first().click()
    await expect(verdict(page, 'flash-rate')).toHaveCount(0)

    await page.getByRole('radio', { name: 'Board' }).click()
    const saved = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Save the C' }).click()
    const text = await readFile(await (await saved).path(), 'utf8')
    expect(text).toContain('void glow_step(uint32_t ms, const uint16_t *inputs)')
    expect(text).toContain('comets_pixel')
    await expect(page.getByRole('row', { name: 'Lane 1 495 GRB' })).toBeVisible()
    const frames = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Save its frames as CSV' }).click()
    const rows = (await readFile(await (await frames).path(), 'utf8')).trim().split('\r\n')
    expect(rows).toHaveLength(1 + 10 * 25)
    expect(rows[25]).toMatch(/^960,Lane 1,[\da-f]{2970}$/)
    await expect(roll(page)).toContainText(/at most [0-3] a second|nothing flashes/)
  },
)

test(
  'a scene goes by the clock, a layer plays in a part of the room, the program limits',
  { tag: '@long' },
  async ({ page }) => {
    await openGlow(page, 'Wardrobe rails')
    const time = page.getByRole('slider', { name: 'Time in the show' })
    await expect(time).toHaveAttribute('aria-valuetext', /Evening/)
    // The scene that fades in is let in first.
    await page.getByLabel('Time of day').fill('12:00')
    for (let second = 0; second < 5; second += 1) await time.press('PageDown')
    await expect(time).toHaveAttribute('aria-valuetext', /Doors shut/)
    // Someone opens the doors; forgetting that leaves the clock as it was set.
    await page.getByRole('button', { name: /door contact/ }).focus()
    await page.keyboard.down(' ')
    await time.press('PageDown')
    await time.press('PageDown')
    await expect(time).toHaveAttribute('aria-valuetext', /Doors open/)
    await page.keyboard.up(' ')
    await page.getByRole('button', { name: 'Forget touches' }).click()
    await expect(time).toHaveAttribute('aria-valuetext', /Doors shut/)
    await expect(figure(page, 'show.day.visit.0')).toContainText('Wh')

    // Its times are set by hand, and stay through every kind of start.
    await page.getByText('Scenes', { exact: true }).click()
    await page.getByRole('button', { name: 'Evening', exact: true }).click()
    await page.getByLabel('At', { exact: true }).fill('21:15')
    await page.getByRole('spinbutton', { name: 'For h' }).fill('2.5')
    await page.getByRole('spinbutton', { name: 'For h' }).press('Tab')
    await expect(page.getByLabel('At', { exact: true })).toHaveValue('21:15')
    await page.getByLabel('Starts').selectOption({ label: 'when door contact goes off' })
    await expect(page.getByRole('spinbutton', { name: 'Goes on for' })).toHaveValue('9000')
    await page.getByLabel('Starts').selectOption({ label: 'by the clock' })
    await expect(page.getByRole('spinbutton', { name: 'For h' })).toHaveValue('2.5')

    // A part of the room, by numbers and by hand.
    await page.getByRole('button', { name: 'part of the room' }).click()
    const width = page.getByRole('spinbutton', { name: 'Width' })
    const before = Number(await width.inputValue())
    const picture = (await page.getByRole('img', { name: 'The room at dusk' }).boundingBox())!
    await page.mouse.move(picture.x + picture.width * 0.4, picture.y + 10)
    await page.mouse.down()
    await page.mouse.move(picture.x + picture.width * 0.6, picture.y + 90, { steps: 4 })
    await page.mouse.up()
    await expect.poll(async () => Number(await width.inputValue())).toBeLessThan(before)
    await noBarriers(page)

    // Tapes and the grid show the same lights; the limiter is a part of the show.
    await page.getByText('Play', { exact: true }).first().click()
    await page.getByText('Tapes', { exact: true }).click()
    await expect(page.getByRole('img', { name: 'Each run as a straight tape' })).toBeVisible()
    await page.getByText('Grid', { exact: true }).click()
    await expect(page.getByRole('img', { name: /as the program counts/ })).toBeVisible()
    await page.getByRole('checkbox', { name: /limit the current/ }).check()
    await expect(figure(page, 'show.limited')).toContainText('0 %')
    await noBarriers(page)
  },
)

test(
  'scenes are at hand on a narrow screen, beneath the picture and its sensors',
  { tag: '@long' },
  async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 })
    await openGlow(page, 'Wardrobe rails')
    await page.getByRole('radiogroup', { name: 'Sheet' }).getByText('Scenes').click()
    await page.getByRole('button', { name: 'Evening', exact: true }).click()
    await expect(page.getByLabel('At', { exact: true })).toHaveValue('19:30')
  },
)

test('a moving picture of a show is saved, or cancelled', { tag: '@long' }, async ({ page }) => {
  await openGlow(page, 'Paper lanterns')
  const make = async (): Promise<void> => {
    await page.getByRole('button', { name: 'Show', exact: true }).click()
    await page.getByRole('menuitem', { name: 'Save a moving picture' }).click()
  }
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeEnabled()
  await make()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('Moving picture')).toBeHidden()
  const saved = page.waitForEvent('download')
  await make()
  const file = await readFile(await (await saved).path())
  expect((await saved).suggestedFilename()).toBe('breathing-lanterns.gif')
  expect(file.subarray(0, 6).toString('latin1')).toBe('GIF89a')
  // Twenty seconds at 12.5 frames: each frame has its own control block, eight hundredths long.
  const blocks = file.toString('latin1').split('\x21\xf9\x04').slice(1)
  expect(blocks).toHaveLength(250)
  expect(new Set(blocks.map((block) => block.charCodeAt(1) + 256 * block.charCodeAt(2)))).toEqual(
    new Set([8]),
  )
})
