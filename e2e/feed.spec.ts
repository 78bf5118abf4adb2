import { expect, fadeOf, figure, openEmptyPlan, openExample, roll, test, verdict } from './browser'

test('the ring is fed badly; dragging a flag and feeding both ends show at once', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Feed/ }).click()
  await expect(fadeOf(page, 'porthole')).toContainText('porthole fades to 3.')
  await expect(page.getByTestId('feed-state')).toHaveText(/stop/)
  const flag = page.locator('[data-flag="seat.first"]')
  const lowest = page.getByTestId('lowest').first()
  const before = await lowest.textContent()
  const box = (await flag.boundingBox())!
  await page.mouse.move(box.x + 7, box.y + 5)
  await page.mouse.down()
  await page.mouse.move(box.x + 330, box.y + 5, { steps: 12 })
  await page.mouse.up()
  await expect(lowest).not.toHaveText(before ?? '')
  await expect(flag).toHaveAttribute('aria-valuenow', /^[56]\d$/)
  await flag.focus()
  const pad = Number(await flag.getAttribute('aria-valuenow'))
  await page.keyboard.press('ArrowRight')
  await expect(flag).toHaveAttribute('aria-valuenow', String(pad + 1))
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(lowest).toHaveText(before ?? '')
})

test('a lead is opened, made thicker, measured and fused', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Feed/ }).click()
  await page.locator('[data-flag="porthole.first"]').click()
  const lead = page.getByRole('group', { name: 'Lead of porthole' })
  await lead.getByRole('combobox', { name: /^Wire/ }).selectOption('mm2-1_5')
  await expect(fadeOf(page, 'porthole')).toHaveCount(0)
  await lead.getByLabel('Length, measured').fill('1.2 m')
  await lead.getByLabel('Length, measured').press('Enter')
  await expect(lead).toContainText('2.64 A')
  await lead.getByRole('combobox', { name: /^Fuse/ }).selectOption('20')
  await expect(verdict(page, 'fuse-over-wire')).toContainText('20 A fuse before 1.5 mm²')
  await verdict(page, 'fuse-over-wire').getByRole('button').click()
  await expect(verdict(page, 'fuse-over-wire')).toHaveCount(0)
  // A clip takes 2 A: what carries more is offered, and is what it comes apart at then.
  const apart = lead.getByRole('combobox', { name: /^Comes apart/ })
  await apart.selectOption('clip')
  await expect(verdict(page, 'connector-over')).toContainText('through its wire clip')
  await verdict(page, 'connector-over')
    .getByRole('button', { name: /^take a / })
    .click()
  await expect(verdict(page, 'connector-over')).toHaveCount(0)
  await expect(apart).not.toHaveValue('clip')
  await expect(apart).not.toHaveValue('')

  await lead.getByRole('button', { name: 'Remove this feed' }).click()
  await expect(verdict(page, 'not-fed')).toContainText('porthole')
})

test('the planner proposes ways that hold, and one edit takes one', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Feed/ }).click()
  const card = page.getByRole('region', { name: 'Plan it for me' })
  await card.getByRole('button', { name: 'Plan', exact: true }).click()
  const ways = page.getByRole('list', { name: 'Ways to feed it' })
  await expect(ways).toContainText('fewest joints')
  await ways.getByRole('button', { name: 'Take it' }).first().click()
  await expect(fadeOf(page, 'porthole')).toHaveCount(0)
  await expect(verdict(page, 'lead-hot')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(fadeOf(page, 'porthole')).toHaveCount(1)
})

test(
  'lights are read by pointer and keys; scenes change what they draw',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/')
    await page.getByRole('link', { name: /^Feed/ }).click()
    await page.locator('[data-tape="seat"]').focus()
    await page.keyboard.press('ArrowRight')
    await expect(page.getByTestId('reading')).toHaveText(/^px 1 · 4\.\d\d V · 36\.7 mA · 100 %$/)
    await page.getByRole('radio', { name: 'R', exact: true }).click()
    await expect(figure(page, 'current.5.total')).toHaveText('6.39 A')
    await page.getByRole('radio', { name: 'Level' }).click()
    await page.getByLabel('Level of seat front').fill('0')
    await expect(roll(page)).toContainText('limited to')
    await page.keyboard.press('Control+z')
  },
)

test('several supplies, junctions, use and batteries', { tag: '@long' }, async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('shelf 600')
  await page.keyboard.press('Enter')
  await page.keyboard.type('rail 600')
  await page.keyboard.press('Alt+3')
  await page.getByRole('radio', { name: 'Supplies and use' }).click()
  await page.getByRole('button', { name: 'Supply', exact: true }).click()
  await page.getByLabel('Supply of rail').selectOption({ label: 'Supply B' })
  await expect(roll(page).getByRole('heading', { name: 'Supply B', exact: true })).toBeVisible()
  await page.getByLabel('the minuses of all supplies are joined').uncheck()
  await expect(verdict(page, 'no-common')).toBeVisible()
  await verdict(page, 'no-common').getByRole('button').click()
  await page.getByRole('button', { name: 'Junction', exact: true }).click()
  await page.getByRole('button', { name: 'feed all from it' }).click()
  await page.getByRole('spinbutton', { name: 'takes A' }).fill('1')
  await page.getByRole('spinbutton', { name: 'takes A' }).press('Enter')
  await expect(verdict(page, 'track-over')).toContainText('Junction 1')
})

test('a battery has a course, a time and packs beside it', { tag: '@long' }, async ({ page }) => {
  await openExample(page, 'Paper lanterns')
  await page.getByRole('link', { name: /^Feed/ }).click()
  await page.getByRole('radio', { name: 'Supplies and use' }).click()
  await expect(page.getByText(/Battery box: 7 h \d\d until/)).toBeVisible()
  await expect(page.locator('.apexcharts-svg')).toBeVisible()
  await expect(page.getByRole('row', { name: /power bank, 37 Wh/ })).toBeVisible()
  await expect(verdict(page, 'battery-short')).toBeVisible()
})

test(
  'a junction stands on the drawing, and moving it changes every lead that comes from it',
  { tag: '@long' },
  async ({ page }) => {
    await openExample(page, 'Wardrobe rails')
    const track = page.getByRole('button', { name: /^Back track/ })
    await expect(figure(page, 'lead.top.first')).toHaveText('2.70 m')
    await track.focus()
    await page.keyboard.press('Shift+ArrowUp')
    // A tenth of a metre nearer, and a tenth of that in slack.
    await expect(figure(page, 'lead.top.first')).toHaveText('2.59 m')
    await expect(figure(page, 'lead.track')).toHaveText('1.58 m')
    await page.keyboard.press('Control+z')
    await expect(figure(page, 'lead.top.first')).toHaveText('2.70 m')
  },
)

test(
  'a supply of another kind and a plan of supplies that do not fit say so',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('shelf 1200')
    await page.getByRole('button', { name: /^Supply:/ }).click()
    await page.getByRole('option', { name: /Board’s 5 V pin, 9 V in/ }).click()
    await expect(verdict(page, 'regulator-hot')).toContainText('passes 0.25 A from 9 V')
    await verdict(page, 'regulator-hot').getByRole('button').first().click()
    await expect(verdict(page, 'regulator-hot')).toHaveCount(0)
    await page.getByRole('button', { name: /^Supply:/ }).click()
    await page.getByRole('option', { name: /USB port, 0.5 A/ }).click()
    await expect(verdict(page, 'port-over')).toContainText('0.5 A given')
  },
)
