import { playWhole, toEnd } from '../core/glow/play'
import { showsOf } from '../core/glow/usual-show'
import type { Plan, Show } from '../core/plan/plan'
import { showVerdicts } from '../core/verdict/judge-show'
import { worked } from '../core/worked'
import { csv } from '../formats/csv'
import { framesTable } from '../formats/csv-frames'
import { numberOption } from './options'
import { BadInput, json } from './output'

/** The show of that name, or the plan's first. */
export function showOf(plan: Plan, name: string | undefined): Show {
  const shows = showsOf(plan)
  const found =
    name === undefined ? shows[0] : shows.find((show) => [show.name, show.id].includes(name))
  if (found === undefined)
    throw new BadInput(
      `there is no show “${name ?? ''}”; there ${shows.length === 1 ? 'is' : 'are'} ${shows.map((show) => show.name).join(', ')}`,
    )
  return found
}

export interface PlayArguments {
  readonly show?: string
  readonly seconds?: string
  readonly fps?: string
  readonly frames?: boolean
}

/** Frames a second where nobody says. */
export const usualFps = 50

/** The most that a call plays, so that it ends. */
const [mostFps, mostSeconds] = [400, 3_600]

/** What a show of a plan comes to, as the contract has it, or its frames as CSV. */
export function playText(plan: Plan, options: PlayArguments): string {
  const show = showOf(plan, options.show)
  const framesPerSecond = numberOption('fps', options.fps, mostFps) ?? usualFps
  const seconds = numberOption('seconds', options.seconds, mostSeconds)
  const given = worked(plan)
  const run = { seconds, framesPerSecond }
  if (options.frames === true) return csv(framesTable(given, show, run))
  const whole = playWhole(given, show, run)
  const { played, flashingAsPlayed: flashing } = whole
  const { supplies, problems, limited = null, framesPerSecond: fps, ...figures } = played
  const { seconds: length, meanA, peakA, peakAtS, whPerHour, unsolved } = figures
  const verdicts = toEnd(showVerdicts(given, show, { whole, run, workOut: worked }))
  return json({
    show: show.name,
    seconds: length,
    fps,
    meanA,
    peakA,
    peakAtS,
    whPerHour,
    flashesPerSecond: flashing.perSecond,
    flashing: flashing.worst ?? null,
    supplies,
    limited,
    verdicts: verdicts.map(({ remedies, ...verdict }) => ({
      ...verdict,
      remedies: remedies.map(({ label }) => label),
    })),
    unsolved,
    problems,
  })
}
