import type { Locator, Page } from '@playwright/test'
import { noBarriers } from './barriers'
import { expect, exportAndImport, openEmptyPlan, openExample, test } from './browser'

const status = (page: Page): Locator => page.getByTestId('link-status')
const strip = (page: Page): Locator => page.getByTestId('link-strip')
const lit = (page: Page): Locator => strip(page).locator('[data-lit]')
const fault = (page: Page): Locator => page.getByRole('region', { name: 'The simulated board' })
const openLink = async (page: Page): Promise<void> => {
  await openExample(page, 'Bay-window nook')
  await page.waitForURL(/measure/)
  await page.goto(page.url().replace(/measure.*/, 'build?view=link'))
  await expect(status(page)).toContainText('No board is connected')
}
const simulate = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Use a simulated board' }).click()
  await expect(status(page)).toContainText('Connected to the simulated board. 3 lanes, 2 inputs')
}

test(
  'pixels are lit, counted and found dead on a simulated board',
  { tag: '@long' },
  async ({ page }) => {
    await openLink(page)
    await page.getByRole('radio', { name: 'Order' }).click()
    await page.getByRole('button', { name: 'test Light alcove up to B2' }).click()
    await page.getByRole('button', { name: 'Light the last pixel of B2' }).click()
    await simulate(page)
    await expect(page.getByTestId('link-place')).toHaveText(/of 113 · piece B2.*number 94/)
    await page.getByRole('button', { name: 'Light it' }).click()
    await expect(lit(page)).toHaveCount(1)
    await expect(lit(page)).toHaveAttribute('data-at', '94')
    // What is chosen is followed at once.
    await page.getByRole('spinbutton', { name: 'Pixel', exact: true }).press('ArrowDown')
    await expect(lit(page)).toHaveAttribute('data-at', '93')
    await page.getByRole('radio', { name: 'Up to it' }).click()
    await expect(lit(page)).toHaveCount(94)
    await page.getByRole('radio', { name: 'Green' }).click()
    await expect(lit(page).first()).toHaveAttribute('data-lit', '#00ff00')
    await page.getByRole('button', { name: 'All off' }).click()
    await expect(lit(page)).toHaveCount(0)
    // The view scrolls by itself: the page round it never does.
    const over = await page.evaluate(
      () => document.documentElement.scrollHeight - document.documentElement.clientHeight,
    )
    expect(over).toBe(0)
    await page.getByRole('radio', { name: 'Chase' }).click()
    await page.getByRole('button', { name: 'Light it' }).click()
    await expect(lit(page)).toHaveCount(1)

    // A strip that ends early and has a dead pixel: both are found, and looked for in Mend.
    await fault(page).getByLabel('Lane').selectOption('Niche')
    await fault(page).getByLabel('Deaf from pixel').fill('300')
    await fault(page).getByLabel('Deaf from pixel').press('Enter')
    await expect(fault(page).getByRole('alert')).toContainText('“300”: from 1 to 204')
    await fault(page).getByLabel('Deaf from pixel').fill('111')
    await fault(page).getByLabel('Deaf from pixel').press('Enter')
    await page.getByRole('button', { name: 'Count them' }).click()
    for (let question = 0; question < 12; question += 1) {
      const asked = await page.getByText(/The first \d+ are lit/).textContent({ timeout: 2_000 })
      const count = Number(/\d+/.exec(asked ?? '')?.[0])
      await expect(lit(page)).toHaveCount(Math.min(count, 110))
      await page
        .getByRole('button', { name: count < 110 ? 'Yes, some' : 'No, lit to the end' })
        .click()
      if (await page.getByTestId('count-found').isVisible()) break
    }
    await expect(page.getByTestId('count-found')).toContainText('110 pixels; the plan has 113')
    await page.getByRole('spinbutton', { name: 'Pixel', exact: true }).fill('12')
    await page.getByRole('spinbutton', { name: 'Pixel', exact: true }).press('Enter')
    await page.getByRole('button', { name: 'Pixel 12 stays dark' }).click()
    const found = page.getByTestId('link-found')
    await expect(found).toHaveText('alcove: 110 pixels counted, 113 planned; dark: pixel 12.')

    // The plug is pulled: it says so, and what was found stays.
    await page.getByRole('button', { name: 'Pull its plug' }).click()
    await expect(page.getByRole('alert')).toContainText('The board is gone')
    await page.reload()
    await page.getByTestId('link-run').selectOption({ label: 'alcove · Niche' })
    await expect(found).toHaveText('alcove: 110 pixels counted, 113 planned; dark: pixel 12.')
    await page.getByRole('button', { name: 'Note it on the run' }).click()
    await expect(page.getByText('Noted on alcove.')).toBeVisible()
    await page.getByRole('button', { name: 'Look for the cause' }).click()
    await expect(page).toHaveURL(/\/mend/)
    await expect(page.getByRole('region', { name: 'Suspects' })).toContainText(/pixel/i)
    await page.getByRole('link', { name: 'Light single pixels' }).click()
    await expect(page).toHaveURL(/build\?view=link/)
  },
)

test(
  'the colour order is found by three looks and taken into the plan',
  { tag: '@long' },
  async ({ page }) => {
    await openLink(page)
    await simulate(page)
    await fault(page).getByLabel('Colour order').selectOption('BRG')
    await fault(page).getByText('noise on the wire').click()
    await page.getByRole('button', { name: 'Find it' }).click()
    const names: Readonly<Record<string, string>> = {
      '#ff0000': 'Red',
      '#00ff00': 'Green',
      '#0000ff': 'Blue',
    }
    const finds = page.getByRole('region', { name: 'What is found at seat front' })
    for (let look = 1; look <= 3; look += 1) {
      await expect(finds).toContainText(`${String(look)} of 3`)
      await expect(lit(page)).toHaveCount(128)
      const colour = (await lit(page).first().getAttribute('data-lit')) ?? ''
      await finds.getByRole('button', { name: names[colour] ?? colour }).click()
    }
    await expect(page.getByTestId('order-found')).toContainText('BRG; the plan says GRB')
    await page.getByRole('button', { name: 'Take it into the plan' }).click()
    await expect(finds).toContainText('The plan says BRG')
    await exportAndImport(page)
    await page.getByRole('link', { name: /^Measure/ }).click()
    await expect(page.getByText(/order BRG/).first()).toBeVisible()

    // Inputs are read.
    await page.goto(page.url().replace(/measure.*/, 'build?view=link'))
    await simulate(page)
    await fault(page).getByLabel('brightness knob').fill('40000')
    await page.getByRole('button', { name: 'Read them' }).click()
    await expect(page.getByTestId(/^input-/).nth(1)).toHaveText('61 %')
  },
)

/** A board on a serial port, as the browser hands one out: it answers what the page of the test says. */
function putSerialPort(): void {
  const asked: string[] = []
  Object.assign(window, { asked, mark: '00000000' })
  let put: ReadableStreamDefaultController<Uint8Array> | undefined
  const answer = (line: string): void => {
    const [number = '', ...words] = line.split(' ')
    if (words.length === 0) return
    asked.push(words.join(' '))
    const { mark } = window as unknown as { mark: string }
    const text = words[0] === 'hello' ? `hello 1 1 0 ${mark}` : words.join(' ')
    put?.enqueue(new TextEncoder().encode(`starting up\n${number} ok ${text}\r\n`))
  }
  const port = {
    open: () => {
      if (port.readable !== undefined)
        return Promise.reject(new DOMException('The port is already open.', 'InvalidStateError'))
      port.readable = new ReadableStream({
        start: (controller) => {
          put = controller
        },
      })
      port.writable = new WritableStream({
        write: (bytes: Uint8Array) => {
          for (const line of new TextDecoder().decode(bytes).split('\n')) answer(line)
        },
      })
      return Promise.resolve()
    },
    close: () => {
      port.readable = undefined
      return Promise.resolve()
    },
    readable: undefined as ReadableStream<Uint8Array> | undefined,
    writable: undefined as WritableStream<Uint8Array> | undefined,
  }
  Object.assign(window, {
    pull: () => {
      put?.close()
    },
  })
  Object.defineProperty(navigator, 'serial', {
    configurable: true,
    value: { requestPort: () => Promise.resolve(port) },
  })
}

test(
  'a board on a serial port is spoken to, and noticed when it goes',
  { tag: '@long' },
  async ({ page }) => {
    await page.addInitScript(putSerialPort)
    await openEmptyPlan(page)
    await page.getByLabel('Line 1', { exact: true }).fill('shelf 500')
    await page.getByRole('link', { name: /^Build/ }).click()
    await page.getByRole('radio', { name: 'Bench link' }).click()
    await page.getByRole('button', { name: 'Connect a board' }).click()
    await expect(status(page)).toContainText('Connected to the board on the serial port')
    // Its program was made from another plan, and it prints more than answers.
    await expect(page.getByRole('alert')).toContainText('another state of this plan')
    await page.getByText('The board also said').click()
    await expect(page.getByText('starting up').first()).toBeVisible()
    await page.getByRole('button', { name: 'Last pixel' }).click()
    await expect(lit(page)).toHaveCount(1)
    const asked = (): Promise<string[]> =>
      page.evaluate(() => (window as unknown as { asked: string[] }).asked)
    expect((await asked()).at(-1)).toBe('light 0 29 333333')
    // From one thing that moves to another: what is shown begins anew.
    await page.getByRole('radio', { name: 'Chase' }).click()
    await expect.poll(async () => (await asked()).at(-1)).toBe('chase 0 60 333333')
    await expect(lit(page)).toHaveCount(1)
    await page.getByRole('radio', { name: 'Count up' }).click()
    await expect.poll(async () => (await asked()).at(-1)).toBe('count 0 60 333333')
    await page.getByRole('radio', { name: 'Chase' }).click()
    await expect(lit(page)).toHaveCount(1)
    const pixels = await strip(page).locator('[data-at]').count()
    expect(pixels).toBe(30)
    await noBarriers(page)
    await page.evaluate(() => {
      ;(window as unknown as { pull: () => void }).pull()
    })
    await expect(page.getByRole('alert')).toContainText('The board is gone')
    await page.getByRole('button', { name: 'Connect a board' }).click()
    await expect(status(page)).toContainText('Connected')
    await page.getByRole('button', { name: 'Disconnect' }).click()
    await expect(status(page)).toContainText('No board is connected')
    expect((await asked()).at(-1)).toBe('off')
  },
)

test(
  'a browser without a serial port says so, and offers the simulated board',
  { tag: '@long' },
  async ({ page }) => {
    await page.addInitScript(() => {
      Reflect.deleteProperty(Navigator.prototype, 'serial')
    })
    await openLink(page)
    await expect(page.getByRole('button', { name: 'Connect a board' })).toBeDisabled()
    await expect(page.getByText('cannot speak to a serial port')).toBeVisible()
    await simulate(page)
  },
)
