import type { Locator } from '@playwright/test'
import { noBarriers } from './barriers'
import {
  expect,
  exportAndImport,
  line,
  openEmptyPlan,
  openExample,
  roll,
  test,
  verdict,
} from './browser'

test('single lights from an empty plan: chosen, resisted, switched', async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('stars grid 3 x 4 @ 60')
  await expect(roll(page)).toContainText('12 lights')
  const card = page.getByRole('region', { name: 'Single lights' })
  await expect(card).toContainText('until then 12 lights add nothing to the sums')
  await card.getByRole('button', { name: /^Single lights:/ }).click()
  await page.getByRole('option', { name: /^red LED/ }).click()
  // (5 − 2) V ÷ 20 mA.
  await expect(page.getByTestId('lit-answer')).toHaveText(
    /12 × 150 Ω · 20 mA each · 0\.24 A at 5 V/,
  )
  await card.getByLabel('In series').fill('3')
  await card.getByLabel('In series').press('Enter')
  await expect(verdict(page, 'no-headroom')).toContainText('3 × 2 V in series leave nothing of 5 V')
  await verdict(page, 'no-headroom').getByRole('button', { name: '2 in series' }).click()
  await expect(page.getByTestId('lit-answer')).toHaveText(/6 × 51 Ω/)
  await card.getByLabel('Resistor').selectOption('none')
  await expect(verdict(page, 'no-led-resistor')).toContainText('without a resistor')
  await verdict(page, 'no-led-resistor').getByRole('button').click()
  await card.getByLabel('Resistor').selectOption('shared')
  await expect(verdict(page, 'shared-resistor')).toContainText('the hottest gets')
  await card.getByLabel('Resistor').selectOption('each')
  await card.getByLabel('Driven by').selectOption('switch')
  await expect(page.locator('[data-figure^="drive."]')).toBeVisible()
  await card.getByRole('combobox', { name: /^in the/ }).selectOption('plus')
  await expect(
    card.getByRole('img', { name: /it belongs between the lights and minus/ }),
  ).toBeVisible()
  await verdict(page, 'switch-in-plus').getByRole('button').click()
  await expect(card.getByRole('img', { name: /where it belongs$/ })).toBeVisible()
})

test(
  'the firefly jar is scanned; a driver chip keeps it from flicker',
  { tag: '@long' },
  async ({ page }) => {
    await openExample(page, 'Firefly jar')
    await expect(verdict(page, 'matrix-flicker')).toContainText('scanned 83.3/s, it may flicker')
    await line(page, 1).click()
    const card = page.getByRole('region', { name: 'Single lights' })
    await card.getByRole('combobox', { name: /^scanned/ }).selectOption('row')
    await expect(verdict(page, 'pin-over')).toContainText('116 mA on a pin')
    await verdict(page, 'pin-over').getByRole('button', { name: 'a driver chip' }).click()
    await expect(verdict(page, 'pin-over')).toHaveCount(0)
    await expect(verdict(page, 'matrix-flicker')).toHaveCount(0)
    await expect(card.getByLabel('Driven by')).toHaveValue('driver')
  },
)

test(
  'house rules say which resistors there are, and whether several LEDs share one',
  { tag: '@long' },
  async ({ page }) => {
    await openExample(page, 'Paper lanterns')
    await line(page, 1).click()
    // (5 − 3.1) V ÷ 20 mA = 95 Ω: 100 in every series from E12 up, and in E6.
    await expect(page.getByTestId('lit-answer')).toHaveText(/14 × 100 Ω/)
    await page.getByRole('button', { name: 'House rules' }).click()
    await page.getByRole('checkbox', { name: /^One for several side by side/ }).check()
    await page.keyboard.press('Escape')
    await expect(verdict(page, 'shared-resistor')).toContainText('14 groups on one resistor')
    // 1.9 V ÷ 280 mA = 6.79 Ω: 6.8 in E24, and in E6 too; at 3 lanterns 31.7 Ω would differ.
    await expect(page.getByTestId('lit-answer')).toHaveText(/1 × 6\.8 Ω/)
    await verdict(page, 'shared-resistor')
      .getByRole('button', { name: 'each group its own' })
      .click()
    await expect(verdict(page, 'shared-resistor')).toHaveCount(0)
  },
)

test('the lanterns are wired with a switch in their minus', { tag: '@long' }, async ({ page }) => {
  await openExample(page, 'Paper lanterns')
  await page.getByRole('link', { name: /^Wire/ }).click()
  const picture = page.getByRole('img', { name: 'Wiring of Paper lanterns' })
  await expect(picture).toContainText('a transistor in the minus')
  await expect(picture).toContainText('14 × warm white LED')
  // Cells have no mains side.
  await expect(picture).not.toContainText('mains')
  await page.getByRole('radio', { name: 'Joints' }).click()
  await expect(page.getByText('14 resistors in their plus')).toBeVisible()
})

test('the card can be read and used by all', { tag: '@long' }, async ({ page }) => {
  await openExample(page, 'Firefly jar')
  await line(page, 1).click()
  await expect(page.getByRole('region', { name: 'Single lights' })).toBeVisible()
  await noBarriers(page)
})

test(
  'grains are plugged together: too short, too many, through too small a hole',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('rail string 30 @ 200')
    const card = page.getByRole('region', { name: 'Single lights' })
    await card.getByRole('button', { name: /^Single lights:/ }).click()
    await page.getByRole('option', { name: /^pre-wired 12 V grain/ }).click()
    await expect(verdict(page, 'lead-over')).toContainText('30 lights on one lead, which takes 24')
    await card.getByRole('button', { name: 'splitters and plugs' }).click()
    const dialog = page.getByRole('dialog', { name: 'Plugs of rail' })
    await expect(page.getByTestId('plug-answer')).toContainText('6 splitters of 6, 1 plug left')
    await dialog.getByRole('button', { name: '2 leads from the source' }).click()
    await expect(dialog.getByLabel('Leads from the source')).toHaveValue('2')
    await dialog.getByRole('button', { name: /^extension leads:/ }).click()
    await dialog.getByRole('button', { name: 'drill 7 mm' }).click()
    await expect(dialog.getByLabel('Hole they go through')).toHaveValue('7 mm')
    await expect(dialog).not.toContainText('too short,')
    await dialog.getByLabel('Ways of a splitter').selectOption('4')
    // 14 of each lead's 15 lights by three.
    await expect(page.getByTestId('plug-answer')).toContainText('10 splitters of 4, 2 plugs left')
    await expect(dialog.getByRole('group', { name: 'Splitters of rail' })).toContainText('225 mA')
    await page.keyboard.press('Escape')
    await page.getByRole('link', { name: /^Feed/ }).click()
    await expect(page.getByRole('region', { name: 'Leads to single lights' })).toContainText(
      '30 lights · 2 leads',
    )
    await page.getByRole('radio', { name: 'Supplies and use' }).click()
    await expect(page.getByRole('group', { name: 'Tree of the feed' })).toContainText('rail, S6')
  },
)

test(
  'pixel nodes on a grid: back and forth, on a lane, with more in each',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('table grid 5 x 8 @ 60')
    const card = page.getByRole('region', { name: 'Single lights' })
    await card.getByRole('button', { name: /^Single lights:/ }).click()
    await page.getByRole('option', { name: /^5 V pixel nodes on wire/ }).click()
    await expect(page.getByTestId('lit-answer')).toHaveText(/1 string · 40 px on a lane/)
    await verdict(page, 'nodes-apart')
      .getByRole('button', { name: 'every second row back' })
      .click()
    await expect(line(page, 1)).toHaveValue('table grid 5 x 8 @ 60 zigzag')
    await expect(verdict(page, 'nodes-apart')).toHaveCount(0)
    await card.getByRole('button', { name: 'more in each light' }).click()
    const dialog = page.getByRole('dialog', { name: 'Nodes of table' })
    await dialog.getByLabel('Put something into each node').selectOption('proximity pair')
    await expect(page.getByTestId('node-sums')).toContainText('40 parts, 120 wires')
    await expect(page.getByTestId('node-sums')).toContainText('40 of the plan’s board')
    await dialog.getByLabel('Their signals').selectOption('channels')
    await expect(page.getByTestId('node-sums')).toContainText('3 by channels, 8 free on the last')
    await dialog.getByLabel('The first took').fill('12')
    await dialog.getByLabel('The first took').press('Enter')
    await expect(page.getByTestId('node-sums')).toContainText(
      '8 h 00 · the first is done, 7 h 48 to go',
    )
    await dialog.getByLabel('What lies on them').selectOption('round')
    await expect(page.getByTestId('cover-answer')).toContainText('Nodes at most 56 mm apart')
    const cup = dialog.getByRole('slider')
    await cup.focus()
    await page.keyboard.press('ArrowRight')
    await expect(cup).toHaveAttribute('aria-valuetext', /light/)
    await noBarriers(page, { part: '[role="dialog"]' })
    await page.keyboard.press('Escape')
    await page.keyboard.press('Control+z')
    await expect(page.locator('[data-figure^="node-cover."]')).toHaveCount(0)
  },
)

test(
  'a matrix part’s pins can be changed over, seen from both sides',
  { tag: '@long' },
  async ({ page }) => {
    await openExample(page, 'Firefly jar')
    await line(page, 1).click()
    await page.getByRole('button', { name: 'which pins' }).click()
    const top = page.getByRole('group', { name: 'Pins from the top' })
    await expect(page.getByTestId('led-pins')).toContainText(
      /pin 1 \(R1, board \w+\) and pin 5 \(C1/,
    )
    await top.getByRole('button', { name: 'Pin 1: R1' }).focus()
    await page.keyboard.press('Enter')
    await top.getByRole('button', { name: 'Pin 8: C4' }).click()
    await expect(top.getByRole('button', { name: 'Pin 8: R1' })).toBeVisible()
    await expect(page.getByTestId('led-pins')).toContainText('pin 8 (R1')
    await page.getByRole('button', { name: 'rows first, then columns, again' }).click()
    await expect(page.getByTestId('led-pins')).toContainText('pin 1 (R1')
  },
)

test('a light of one’s own is kept for every plan', { tag: '@long' }, async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('lamps string 6 @ 400')
  const card = page.getByRole('region', { name: 'Single lights' })
  await card.getByRole('button', { name: 'add your own' }).click()
  const dialog = page.getByRole('dialog', { name: 'A light of your own' })
  const number = (name: RegExp): Locator => dialog.getByRole('spinbutton', { name })
  await dialog.getByRole('combobox', { name: /^What it is/ }).selectOption('fixed')
  await number(/^Made for/).fill('24')
  await number(/^Draws/).fill('30')
  await number(/^Its lead/).fill('800')
  await dialog.getByRole('button', { name: 'Add the light' }).click()
  await expect(dialog).toContainText('a name is missing')
  await expect(dialog).toContainText('Lead, plug and most on one lead: all three, or none')
  await dialog.getByRole('textbox', { name: /^Name/ }).fill('frosted globe')
  await number(/^Plug diameter/).fill('9')
  await number(/^Most on one/).fill('12')
  await dialog.getByRole('button', { name: 'Add the light' }).click()
  await expect(page.getByTestId('lit-answer')).toHaveText(/0\.18 A at 24 V/)
  await expect(page.getByTestId('saved')).toHaveText('saved on this device')
  await openEmptyPlan(page)
  await page.keyboard.type('hall string 2 @ 400')
  await card.getByRole('button', { name: /^Single lights:/ }).click()
  await page.getByRole('option', { name: /^frosted globe/ }).click()
  await expect(page.getByTestId('lit-answer')).toHaveText(/0\.060 A at 24 V/)
})

test(
  'runs of single lights hang on a splitter of the plan, and are told when it is full',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    for (const name of ['left', 'right', 'roof']) {
      await page.keyboard.type(`${name} string 3 @ 60`)
      await page.keyboard.press('Enter')
    }
    const card = page.getByRole('region', { name: 'Single lights' })
    for (const number of [1, 2, 3]) {
      await line(page, number).click()
      await card.getByRole('button', { name: /^Single lights:/ }).click()
      await page.getByRole('option', { name: /^pre-wired 12 V grain/ }).click()
      await expect(page.getByTestId('lit-answer')).toContainText('0.045 A')
    }
    await page.getByRole('link', { name: /^Feed/ }).click()
    await page.getByRole('radio', { name: 'Supplies and use' }).click()
    await expect(page.getByRole('region', { name: 'Supplies' })).toContainText('left right roof')
    const junctions = page.getByRole('region', { name: 'Junctions' })
    await junctions.getByRole('button', { name: 'Junction' }).click()
    await junctions.getByLabel('Kind of junction').selectOption('splitter')
    await junctions.getByLabel('Ways of the splitter').selectOption('2 ways')
    await junctions.getByRole('button', { name: 'feed all from it' }).click()
    const tree = page.getByRole('group', { name: 'Tree of the feed' })
    await expect(tree).toContainText('1 plug short')
    await expect(tree).toContainText('135 mA')
    await verdict(page, 'ports-short').getByRole('button', { name: 'a splitter of 3' }).click()
    await expect(tree).toContainText('full')
    await expect(junctions.getByLabel('Ways of the splitter')).toHaveValue('3')

    await page.getByRole('radio', { name: 'Tapes' }).click()
    const leads = page.getByRole('region', { name: 'Leads to single lights' })
    await leads.getByRole('button', { name: 'its lead' }).nth(2).click()
    const lead = page.getByRole('group', { name: 'Lead of roof' })
    await lead.getByLabel('Length, measured').fill('1.5 m')
    await lead.getByLabel('Length, measured').press('Enter')
    await lead.getByLabel('From').selectOption('its supply')
    await expect(leads).toContainText('3 lights · 1500 mm of 0.045 A')
    await noBarriers(page)
    await lead.getByRole('button', { name: 'Remove this feed' }).click()
    await expect(lead).toHaveCount(0)
    await page.getByRole('radio', { name: 'Supplies and use' }).click()
    await expect(tree).toContainText('1 free')
  },
)

test('cables of wires home follow the house rule', { tag: '@long' }, async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('ceiling scatter 20 drop 40 cm')
  const cables = page.locator('[data-figure^="cables."]')
  await expect(cables).toContainText('cables of up to 8')
  await expect(cables).toContainText('3')
  await page.getByRole('button', { name: 'House rules' }).click()
  await page.getByLabel('Wires home come in cables of').fill('4')
  await page.getByLabel('Wires home come in cables of').press('Enter')
  await page.keyboard.press('Escape')
  await expect(cables).toContainText('cables of up to 4')
  await expect(cables).toContainText('7')
})

test(
  'a matrix worked out by itself goes onto a pad, LEDs and all',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.getByRole('link', { name: 'Sums' }).click()
    await page.getByRole('link', { name: /^Scanned matrix/ }).click()
    await page.getByLabel('Rows', { exact: true }).fill('3')
    await page.getByRole('button', { name: /onto its pad, red LEDs/ }).click()
    await expect(page.getByText(/has it\. Ctrl\+Z/)).toBeVisible()
    await page.goBack()
    await page.goBack()
    await expect(line(page, 2)).toHaveValue('matrix grid 3 x 6 @ 20')
    await line(page, 2).click()
    await expect(
      page.getByRole('region', { name: 'Single lights' }).getByLabel('Driven by'),
    ).toHaveValue('matrix')
  },
)

test('in a narrow window dialogs stay within it', { tag: '@long' }, async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  for (const [plan, button] of [
    ['Toy harbour', 'splitters and plugs'],
    ['Wall of jars', 'its nodes'],
    ['Firefly jar', 'which pins'],
  ] as const) {
    await openExample(page, plan)
    await line(page, 1).click()
    await page.getByRole('button', { name: button }).click()
    const close = page.getByRole('dialog').getByRole('button', { name: 'Close' })
    const box = (await close.boundingBox())!
    expect(box.x + box.width).toBeLessThan(390)
    await close.click()
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
  // How something is mounted, too.
  for (const [plan, button] of [
    ['Bay-window nook', 'how it is mounted'],
    ['Firefly jar', 'how they are mounted'],
  ] as const) {
    await openExample(page, plan)
    await line(page, 1).click()
    await page.getByRole('button', { name: button }).click()
    const box = (await page.getByLabel('Light goes').boundingBox())!
    expect(box.x).toBeGreaterThan(0)
    expect(box.x + box.width).toBeLessThan(390)
    expect(box.y).toBeGreaterThan(0)
  }
})

test(
  'LEDs of several colours: a resistor and a pin for each, mixed by hand, and one of one’s own',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('drops string 3 @ 120')
    const card = page.getByRole('region', { name: 'Single lights' })
    await card.getByRole('button', { name: /^Single lights:/ }).click()
    await page
      .getByRole('option', { name: /^red, green and blue LED, four legs, common minus/ })
      .click()
    await expect(card).toContainText('All colours are lit together')
    await expect(card.getByLabel('In series')).toHaveCount(0)
    await card.getByLabel('Driven by').selectOption({ label: 'each on a pin' })
    // (5 − 2), (5 − 3) and (5 − 3.1) V ÷ 20 mA.
    await expect(page.getByTestId('lit-answer')).toHaveText(
      /3 × 150 Ω red · 20 mA each · 3 × 100 Ω green · 20 mA each · 3 × 100 Ω blue · 19 mA each · 0\.18 A/,
    )
    await expect(roll(page)).toContainText('3 × (20 mA + 20 mA + 19 mA)')
    await card.getByRole('button', { name: 'Light red + green', exact: true }).click()
    await expect(card.getByRole('slider', { name: 'blue' })).toHaveValue('0')
    await card.getByRole('slider', { name: 'green' }).fill('25')
    await expect(card.getByRole('img', { name: /^They look like #ff[6-9a]/ })).toBeVisible()
    await page.keyboard.press('Control+z')
    await expect(card.getByRole('slider', { name: 'green' })).toHaveValue('100')

    await card.getByRole('button', { name: 'add your own' }).click()
    const form = page.getByRole('dialog')
    await form.getByLabel('Name').fill('two whites from the drawer')
    await form.getByLabel('Its colours').selectOption('two-white')
    await form.getByLabel('Leg in common').selectOption('plus')
    await form.getByLabel('Forward volts, warm white').fill('2.9')
    await form.getByRole('button', { name: 'Add the light' }).click()
    await expect(page.getByTestId('lit-answer')).toHaveText(
      /3 × 110 Ω warm white .* 3 × 100 Ω white/,
    )
    await exportAndImport(page)
  },
)

test(
  'pixel nodes farther apart than their wire get wire in between, and what one strip counts',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('border string 5 @ 800')
    const card = page.getByRole('region', { name: 'Single lights' })
    await card.getByRole('button', { name: /^Single lights:/ }).click()
    await page.getByRole('option', { name: /^12 V pixel nodes/ }).click()
    await verdict(page, 'nodes-apart')
      .getByRole('button', { name: 'solder wire in at 4 places' })
      .click()
    await expect(verdict(page, 'nodes-apart')).toHaveCount(0)
    await expect(page.getByTestId('lit-answer')).toContainText('5 lengths · 5 px on a lane')
    await card.getByRole('button', { name: 'more in each light' }).click()
    const nodes = page.getByRole('dialog', { name: 'Nodes of border' })
    await nodes.getByLabel('Pixels in each').fill('3')
    await nodes.getByLabel('Pixels in each').press('Enter')
    await nodes.getByLabel('Put something into each node').selectOption('proximity pair')
    await nodes.getByLabel('proximity pair: draws').selectOption('scanned')
    await expect(nodes.getByTestId('node-sums')).toContainText('0.020 A all the time')
    await nodes.getByRole('button', { name: 'Close' }).click()
    await expect(page.getByTestId('lit-answer')).toContainText('5 lengths · 15 px on a lane')

    await card.getByRole('button', { name: 'how they are mounted' }).click()
    await expect(card).toContainText('each is seen, 800 mm apart')
    await card.getByRole('combobox', { name: /^Cover/ }).selectOption('opal')
    await card.getByLabel('From the lights to it').fill('900 mm')
    await card.getByLabel('From the lights to it').press('Tab')
    await expect(card.getByText(/ripple:/)).toContainText('even line')
    await card.getByLabel('Each held by').selectOption('clips')
    await expect(card.getByLabel('Each held by')).toHaveValue('clips')
    await page.keyboard.press('Escape')

    await line(page, 1).press('Enter')
    await page.keyboard.type('ridge 30 px')
    await page.getByRole('button', { name: /^Light:/ }).click()
    await page.getByRole('option', { name: /144/ }).first().click()
    await expect(page.getByTestId('notice')).toContainText('ridge, 30 px: 3000 mm is now 208 mm')
    await page.getByTestId('notice').getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByTestId('notice')).toHaveCount(0)
  },
)
