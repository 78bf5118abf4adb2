import { readLine, type Reading } from '../core/measure/jot'
import { runNamer } from '../core/measure/measure'

/** Pixels on lines by themselves, which have no strip: 60 to the metre. */
const jottedPixelMm = 1000 / 60

/** What was understood of each line, and how many were not. */
export function jotted(text: string): {
  readonly lines: readonly object[]
  readonly refused: number
} {
  const lines = text.split(/\r?\n/)
  if (lines.at(-1) === '') lines.pop()
  const namer = runNamer()
  const readings = lines.map((line) => readLine(line, { pixelMm: jottedPixelMm }))
  return {
    lines: readings.map((reading, index) => ({
      line: lines[index],
      ...understood(reading, namer),
    })),
    refused: readings.filter(({ kind }) => kind === 'error').length,
  }
}

function understood(reading: Reading, namer: ReturnType<typeof runNamer>): object {
  switch (reading.kind) {
    case 'nothing':
      return { skipped: true }
    case 'error':
      return { error: { message: reading.message, at: reading.at } }
    case 'run': {
      const { shape, segments, lights } = reading
      const measures =
        lights.length > 0
          ? { lights: lights.length }
          : { segmentsMm: segments.map((segment) => segment.lengthMm) }
      return { name: namer(reading), shape, ...measures }
    }
  }
}
