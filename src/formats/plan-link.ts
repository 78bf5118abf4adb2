import { deflateSync, Inflate, strFromU8, strToU8 } from 'fflate'
import type { Plan } from '../core/plan/plan'
import { photosOf } from './plan-zip'
import { readPlanFile, type PlanFileResult } from './plan-file'

/** Longer ones are cut off by mail and chat programs. */
export const longestLink = 12_000
/** More than any plan that fits a link comes to, bytes. */
const largestBytes = 4_000_000

export type PlanLink =
  | {
      readonly ok: true
      /** What comes after `#` in the address. */
      readonly fragment: string
      /** Photos of the build, which a link cannot carry. */
      readonly photosLeftOut: number
      /** Whether the photo behind the drawing stays here too. */
      readonly isBackgroundLeftOut: boolean
    }
  | { readonly ok: false; readonly length: number }

/**
 * A whole plan as the fragment of an address: JSON, deflated, base64url. No server ever sees a fragment. Photos are left out.
 *
 * @returns `ok: false` with its length in characters where it is longer than {@link longestLink}
 */
export function planLink(plan: Plan): PlanLink {
  const { photo, ...bench } = plan.bench
  const text = JSON.stringify({
    ...plan,
    bench,
    build: { ...plan.build, log: plan.build.log.map((entry) => ({ ...entry, photos: [] })) },
  })
  const fragment = toBase64Url(deflateSync(strToU8(text), { level: 9 }))
  return fragment.length > longestLink
    ? { ok: false, length: fragment.length }
    : {
        ok: true,
        fragment,
        photosLeftOut: photosOf(plan).length,
        isBackgroundLeftOut: photo !== undefined,
      }
}

const refused = (message: string): PlanFileResult => ({
  ok: false,
  issues: [{ path: '', message }],
})

/** Reads what {@link planLink} has written; a fragment that was cut off or changed is refused. */
export function readPlanLink(fragment: string): PlanFileResult {
  if (fragment === '') return refused('The link carries no plan: ask for it again, or for the file')
  const text = /^[\w-]+$/.test(fragment) ? inflated(fromBase64Url(fragment)) : undefined
  return text === undefined
    ? refused('The link is damaged, most likely cut off: ask for it again, or for the file')
    : readPlanFile(text)
}

/** A few bytes can unpack to a flood: it is stopped as soon as it is more than a plan. */
function inflated(bytes: Uint8Array): string | undefined {
  const chunks: Uint8Array[] = []
  let size = 0
  const inflate = new Inflate((chunk) => {
    size += chunk.length
    if (size > largestBytes) throw new Error('too large')
    chunks.push(chunk)
  })
  try {
    // In small pieces, so that each can be stopped; it throws where the last one does not end it.
    for (let at = 0; at < bytes.length; at += 1024)
      inflate.push(bytes.subarray(at, at + 1024), at + 1024 >= bytes.length)
  } catch {
    return undefined
  }
  const whole = new Uint8Array(size)
  let at = 0
  for (const chunk of chunks) {
    whole.set(chunk, at)
    at += chunk.length
  }
  return strFromU8(whole)
}

function toBase64Url(bytes: Uint8Array): string {
  let binary = ''
  for (const byte of bytes) binary += String.fromCharCode(byte)
  return btoa(binary).replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '')
}

function fromBase64Url(text: string): Uint8Array {
  try {
    return Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (letter) =>
      letter.charCodeAt(0),
    )
  } catch {
    return new Uint8Array()
  }
}
