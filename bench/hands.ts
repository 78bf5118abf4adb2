import { dragFrames, openLines, withBrowser } from './browser'
import { median, shelfLines } from './plans'

const told = (name: string, frames: readonly number[]): void => {
  const sorted = frames.toSorted((a, b) => a - b)
  const p95 = sorted[Math.floor(sorted.length * 0.95)] ?? NaN
  console.log(
    `${name}: ${(1000 / median(frames)).toFixed(0)} frames a second (median), 95 of 100 within ${p95.toFixed(0)} ms, ${String(frames.length)} frames`,
  )
}

/** Frames while a flag is dragged along 3,000 pixels, and while a drawing of 300 runs and 20,000 pixels is panned. */
export async function handsBench(): Promise<void> {
  await withBrowser(async (newPage) => {
    const feed = await newPage()
    await openLines(
      feed,
      Array.from({ length: 10 }, (_, n) => `shelf-${String(n)} 5000`),
    )
    await feed.keyboard.press('Alt+3')
    const flag = feed.locator('[data-flag]').first()
    await flag.waitFor()
    await feed.waitForTimeout(1_000)
    const box = await flag.boundingBox()
    if (box === null) throw new Error('there is no flag')
    told(
      'flag dragged along one of ten runs, 3,000 pixels',
      await dragFrames(feed, { x: box.x + 7, y: box.y + 5 }, { x: 6, y: 0 }, 160),
    )
    await feed.close()

    const bench = await newPage()
    await openLines(
      bench,
      shelfLines(300).map((line) => line.replace(/ \d+$/, ' 1120')),
    )
    const drawing = await bench.getByRole('region', { name: 'Drawing' }).boundingBox()
    if (drawing === null) throw new Error('there is no drawing')
    told(
      'drawing of 300 runs, 20,000 pixels, panned',
      await dragFrames(bench, { x: drawing.x + 8, y: drawing.y + 8 }, { x: 3, y: 2 }, 160),
    )
    await bench.close()
  })
}
