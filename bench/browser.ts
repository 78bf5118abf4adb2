import { spawn } from 'node:child_process'
import { chromium, type Page } from '@playwright/test'
import { chromiumOptions, pasteLines } from '../e2e/browser'

const port = 4189
const address = `http://localhost:${String(port)}`

/** Serves the build, opens a browser on it, and ends both afterwards. */
export async function withBrowser(
  work: (newPage: () => Promise<Page>) => Promise<void>,
  { firstVisit = 'empty' }: { readonly firstVisit?: 'empty' | 'examples' } = {},
): Promise<void> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'src/server/main.ts'], {
    env: { ...process.env, PORT: String(port), FIRST_VISIT: firstVisit },
    stdio: 'ignore',
  })
  const browser = await chromium.launch(chromiumOptions.launchOptions)
  try {
    await waitForServer()
    await work(async () => {
      const page = await browser.newPage({ viewport: chromiumOptions.viewport })
      // What is compiled here and runs there calls a helper that the page does not have.
      await page.addInitScript('globalThis.__name = (own) => own')
      return page
    })
  } finally {
    await browser.close()
    server.kill()
  }
}

async function waitForServer(): Promise<void> {
  for (let attempt = 0; attempt < 100; attempt += 1) {
    try {
      if ((await fetch(`${address}/health`)).ok) return
    } catch {
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
  }
  throw new Error('The server did not start: run npm run build first')
}

/** Opens the address of the app as a first visit does. */
export const openFirst = async (page: Page): Promise<void> => {
  await page.goto(address)
}

export const openShelf = async (page: Page): Promise<void> => {
  await page.goto(`${address}/plans`)
  await page.getByRole('listitem').first().waitFor()
}

interface TraceEvent {
  readonly name: string
  readonly ts: number
  readonly pid: number
  readonly tid: number
  /** Time that the processor spent on it, µs. */
  readonly tdur?: number
  readonly args?: { readonly name?: string }
}

/** What happens on a page while something is done, as the browser's own trace tells it. */
async function traced(
  page: Page,
  categories: string[],
  act: () => Promise<unknown>,
): Promise<readonly TraceEvent[]> {
  const browser = page.context().browser()
  if (browser === null) throw new Error('the page has no browser')
  await browser.startTracing(page, { categories })
  await act()
  const trace = await browser.stopTracing()
  return (JSON.parse(trace.toString()) as { traceEvents: TraceEvent[] }).traceEvents
}

/**
 * How long a page stands still at most while something is done, ms of its own thread's processor time: what other programs take of the
 * machine meanwhile does not count.
 */
export async function longestTask(page: Page, act: () => Promise<unknown>): Promise<number> {
  const events = await traced(page, ['devtools.timeline', 'toplevel', '__metadata'], act)
  const threadOf = ({ pid, tid }: TraceEvent): string => `${String(pid)} ${String(tid)}`
  const own = new Set(
    events
      .filter(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain')
      .map(threadOf),
  )
  const longest = events
    .filter((event) => event.name.endsWith('RunTask') && own.has(threadOf(event)))
    .reduce((most, { tdur = 0 }) => Math.max(most, tdur), 0)
  return longest / 1000
}

/** A new plan whose pad holds these lines. */
export async function openLines(page: Page, lines: readonly string[]): Promise<void> {
  await page.goto(`${address}/plans`)
  await page.getByRole('button', { name: 'New plan', exact: true }).click()
  await page.getByLabel('Line 1', { exact: true }).waitFor()
  await pasteLines(page, lines)
  await page.getByLabel(`Line ${String(lines.length)}`, { exact: true }).waitFor()
  // Until what is worked out of them is there, too.
  await page.waitForTimeout(2_000 + 3 * lines.length)
}

/**
 * Frames while the pointer drags, ms from one to the next, as the browser's own trace tells them.
 *
 * @param by how far each of the moves goes, px
 */
export async function dragFrames(
  page: Page,
  from: { readonly x: number; readonly y: number },
  by: { readonly x: number; readonly y: number },
  moves: number,
): Promise<number[]> {
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  const frames = ['disabled-by-default-devtools.timeline.frame', 'devtools.timeline.frame']
  // The page moves the pointer itself, once a frame: sent from here the moves would be slower than the frames. As text, since what is
  // compiled here would call a helper that the page does not have.
  const moved = (): Promise<unknown> =>
    page.evaluate(`new Promise((resolve) => {
    let move = 0
    requestAnimationFrame(function step() {
      move += 1
      // There and back again, so that it stays on the page.
      const at = move <= ${String(moves / 2)} ? move : ${String(moves)} - move
      window.dispatchEvent(new PointerEvent('pointermove', {
        pointerId: 1,
        clientX: ${String(from.x)} + ${String(by.x)} * at,
        clientY: ${String(from.y)} + ${String(by.y)} * at,
      }))
      if (move < ${String(moves)}) requestAnimationFrame(step)
      else resolve()
    })
  })`)
  const events = await traced(page, frames, moved)
  await page.mouse.up()
  const drawn = events
    .filter(({ name }) => name === 'DrawFrame')
    .map(({ ts }) => ts / 1000)
    .toSorted((a, b) => a - b)
  return drawn.slice(1).map((ms, index) => ms - (drawn[index] ?? ms))
}
