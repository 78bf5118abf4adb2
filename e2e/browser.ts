import { strFromU8, unzipSync } from 'fflate'
import { existsSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { isZip } from '../src/formats/plan-zip'
import {
  test as base,
  expect,
  type Download,
  type Locator,
  type Page,
  type PlaywrightTestConfig,
} from '@playwright/test'

const withoutWindow = '/usr/bin/chromium-headless-shell'
/** Debian's Chromium, kept from calling anywhere by itself. */
export const chromiumOptions = {
  browserName: 'chromium' as const,
  viewport: { width: 1280, height: 800 },
  launchOptions: {
    executablePath:
      process.env.CHROMIUM_PATH ??
      (existsSync(withoutWindow) ? withoutWindow : '/usr/bin/chromium'),
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

/** The app as it is deployed: a first visit finds an empty pad and no examples. */
export const deployed = 'http://localhost:4186'

/** Opens an empty plan: that of a first visit if no page is open yet, otherwise a new one. */
export async function openEmptyPlan(page: Page): Promise<void> {
  if (page.url() === 'about:blank') await page.goto(deployed)
  else {
    await page.goto(new URL('/plans', page.url()).href)
    await page.getByRole('button', { name: 'New plan', exact: true }).click()
  }
  await expect(line(page, 1)).toBeFocused()
}

/** Opens an example. The bay-window nook is the one that a first visit begins with. */
export async function openExample(page: Page, name: string): Promise<void> {
  if (page.url() === 'about:blank' && name === 'Bay-window nook') await page.goto('/')
  else {
    await page.goto('/plans')
    await page.getByRole('link', { name, exact: true }).click()
  }
  await expect(page.getByTitle('Rename the plan')).toHaveText(name)
}

/** Scrolls through a long list, until all of its rows are there. */
export const scrollThrough = (list: Locator): Promise<void> =>
  expect(async () => {
    const rest = list.locator('[data-list-rest]')
    await rest.evaluateAll(([place]) => place?.scrollIntoView({ block: 'nearest' }))
    expect(await rest.count()).toBe(0)
  }).toPass({ intervals: [50] })

/** Pastes lines into the field that has the focus. */
export const pasteLines = (page: Page, lines: readonly string[]): Promise<void> =>
  page.evaluate((text) => {
    const data = new DataTransfer()
    data.setData('text/plain', text)
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    )
  }, lines.join('\n'))

/** The text of an exported plan: from its zip where the build has photos. */
export async function exportedPlan(download: Promise<Download> | Download): Promise<string> {
  const bytes = await readFile(await (await download).path())
  return isZip(bytes)
    ? strFromU8(unzipSync(bytes)['plan.json'] ?? new Uint8Array())
    : bytes.toString()
}

/** Exports the open plan and imports it again: what hands have made can be read. */
export async function exportAndImport(page: Page): Promise<void> {
  const name = await page.getByTitle('Rename the plan').innerText()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Export to a file' }).click()
  const file = await (await download).path()
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Import from a file' }).click()
  await (await chooser).setFiles(file)
  await expect(page.getByTestId('notice')).toHaveText(new RegExp(`“${name}” is on the shelf`))
}
