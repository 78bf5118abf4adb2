import type { CutStripRun } from '../cut/cut'
import { mounted } from '../parts/mounted'
import { profileOf, sawKerfMm } from '../parts/profiles'
import type { Profile } from '../plan/parts'
import type { Plan } from '../plan/plan'
import { cutProfiles } from './profile-cut'

/** A length of profile as it is sawn, for one part of a run. */
export interface BarPiece {
  readonly run: string
  /** As it is written on it: the run's letters and a number. */
  readonly name: string
  readonly lengthMm: number
  /** Its cover; `none` without one. */
  readonly cover: string
}

/** A bar as it is bought, with what is sawn from it. */
export interface Bar {
  readonly lengthMm: number
  readonly price: number
  readonly pieces: readonly BarPiece[]
  readonly leftoverMm: number
}

/** All bars of one profile. */
export interface ProfileBars {
  readonly profile: Profile
  readonly bars: readonly Bar[]
  readonly price: number
  readonly boundPrice: number
  readonly isProved: boolean
}

/** Saws the profiles of all runs from bars as they are sold, profile by profile. */
export function barsOf({ own }: Pick<Plan, 'own'>, cutRuns: readonly CutStripRun[]): ProfileBars[] {
  const byProfile = new Map<Profile, BarPiece[]>()
  for (const entry of cutRuns) {
    const { profile: id, cover } = mounted(own, entry.run.line.mount)
    const profile = profileOf(own, id)
    if (profile === undefined || entry.parts.length === 0) continue
    const longest = Math.max(...profile.bars.map(({ lengthMm }) => lengthMm))
    const pieces = byProfile.get(profile) ?? []
    byProfile.set(profile, pieces)
    let number = 0
    for (const { lengthMm } of entry.parts) {
      // A part that is longer than every bar is made of equal lengths.
      const count = Math.max(1, Math.ceil(lengthMm / longest - 1e-9))
      for (let index = 0; index < count; index += 1) {
        number += 1
        pieces.push({
          run: entry.run.id,
          name: `${entry.run.line.tag ?? entry.run.name} profile ${String(number)}`,
          lengthMm: lengthMm / count,
          // A bar takes no cover.
          cover: profile.shape === 'bar' ? 'none' : cover,
        })
      }
    }
  }
  return [...byProfile].map(([profile, pieces]) => profileBars(profile, pieces))
}

function profileBars(profile: Profile, pieces: readonly BarPiece[]): ProfileBars {
  const stock = profile.bars.map(({ lengthMm, price }) => ({ length: lengthMm, price }))
  const result = cutProfiles(
    pieces.map(({ lengthMm }) => lengthMm),
    stock,
    sawKerfMm,
  )
  if (!result.ok) throw new RangeError(`a piece of ${profile.name} is longer than every bar`)
  const { bins, price, boundPrice, isProved } = result.packing
  // The packer tells lengths; each is one of the pieces that are that long.
  const left = pieces.toSorted((a, b) => b.lengthMm - a.lengthMm)
  const bars = bins.map((bin): Bar => {
    const own = bin.pieces.flatMap((mm): BarPiece[] => {
      const at = left.findIndex(({ lengthMm }) => Math.abs(lengthMm - mm) < 1e-6)
      return left.splice(at, at < 0 ? 0 : 1)
    })
    const used = own.reduce((sum, { lengthMm }) => sum + lengthMm, 0)
    const sawnMm = sawKerfMm * Math.max(0, own.length - 1)
    const rest = bin.length - used - sawnMm
    return {
      lengthMm: bin.length,
      price: bin.price,
      pieces: own,
      // The last cut takes its kerf from what is left.
      leftoverMm: Math.max(0, rest - (rest > 0 ? sawKerfMm : 0)),
    }
  })
  return { profile, bars, price, boundPrice, isProved }
}
