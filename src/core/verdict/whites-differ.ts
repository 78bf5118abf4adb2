import type { CutStripRun } from '../cut/cut'
import { fewNames } from '../quantity/few-names'
import type { Judge } from './verdict'

/** From this difference on two whites side by side look like two colours, in mired (a million by K). *Typical.* */
const seenMired = 25

/** The white of a run that has one white alone, K; `undefined` where it has colours, two whites to mix, or does not say. */
const whiteOfRun = ({ strip: { light } }: CutStripRun): number | undefined =>
  light.kind === 'plain' && light.channels.length === 1 ? light.channels[0]?.kelvin : undefined

/** Runs whose whites are seen to differ. */
export const whitesDiffer: Judge = ({ cutRuns }) => {
  const byWhite = new Map<number, CutStripRun[]>()
  for (const entry of cutRuns) {
    const kelvin = entry.groups > 0 ? whiteOfRun(entry) : undefined
    if (kelvin !== undefined) byWhite.set(kelvin, [...(byWhite.get(kelvin) ?? []), entry])
  }
  const [warm, ...cooler] = [...byWhite].toSorted(([a], [b]) => a - b)
  const cool = cooler.at(-1)
  if (warm === undefined || cool === undefined) return []
  const [[warmK, warmRuns], [coolK, coolRuns]] = [warm, cool]
  if (1e6 / warmK - 1e6 / coolK < seenMired) return []
  const all = [...byWhite.values()].flat()
  // The white that most runs have, where it goes on the volts of the others.
  const [most = []] = [...byWhite.values()].toSorted((a, b) => b.length - a.length)
  const strip = most[0]?.strip
  const others = all.filter((entry) => whiteOfRun(entry) !== (most[0] && whiteOfRun(most[0])))
  const isAlike = strip !== undefined && others.every((entry) => entry.strip.volts === strip.volts)
  return [
    {
      id: 'whites-differ',
      code: 'whites-differ',
      grade: 'note',
      about: all.map(({ run }) => run.id),
      text: `Two whites: ${fewNames(warmRuns.map(({ run }) => run.name))} ${String(warmK)} K, ${fewNames(coolRuns.map(({ run }) => run.name))} ${String(coolK)} K`,
      why: 'Side by side the one looks yellow, the other blue. On purpose it can be fine; by accident it is seen for good.',
      remedies: isAlike
        ? [
            {
              label: `take ${strip.name} for ${others.length === 1 ? (others[0]?.run.name ?? '') : 'all'}`,
              commands: others.map(({ run }) => ({
                do: 'set-strip' as const,
                line: run.id,
                strip: strip.id,
              })),
            },
          ]
        : [],
    },
  ]
}
