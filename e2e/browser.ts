import {
  test as base,
  expect,
  type Locator,
  type Page,
  type PlaywrightTestConfig,
} from '@playwright/test'

/** Debian's Chromium, kept from calling anywhere by itself. */
export const chromiumOptions = {
  browserName: 'chromium' as const,
  viewport: { width: 1280, height: 800 },
  launchOptions: {
    executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  },
} satisfies PlaywrightTestConfig['use']

/** Every test fails on an error in the browser's console. */
export const test = base.extend<{ consoleErrors: string[] }>({
  consoleErrors: [
    async ({ context }, use) => {
      const errors: string[] = []
      context.on('console', (message) => {
        if (message.type() === 'error') errors.push(message.text())
      })
      context.on('weberror', (error) => errors.push(error.error().message))
      await use(errors)
      expect(errors).toEqual([])
    },
    { auto: true },
  ],
})
export { expect }

export const line = (page: Page, number: number): Locator =>
  page.getByLabel(`Line ${String(number)}`, { exact: true })

export const roll = (page: Page): Locator => page.getByRole('complementary', { name: 'Tally' })

export const figure = (page: Page, id: string): Locator =>
  roll(page).locator(`[data-figure="${id}"] dd`)

export const verdict = (page: Page, code: string): Locator =>
  roll(page).locator(`[data-verdict="${code}"]`)

/** The verdict on how one run fades. */
export const fadeOf = (page: Page, run: string): Locator =>
  verdict(page, 'fade').filter({ hasText: run })

/** Opens a plan of its own with nothing on its pad. */
export async function openEmptyPlan(page: Page): Promise<void> {
  await page.goto('/plans')
  await page.getByRole('button', { name: 'New plan', exact: true }).click()
  await expect(line(page, 1)).toBeFocused()
}

/** Pastes lines into the field that has the focus. */
export const pasteLines = (page: Page, lines: readonly string[]): Promise<void> =>
  page.evaluate((text) => {
    const data = new DataTransfer()
    data.setData('text/plain', text)
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    )
  }, lines.join('\n'))
