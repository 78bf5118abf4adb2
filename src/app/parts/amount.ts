import { z } from '../../core/quantity/z'

/** A number of a form, with the errors that name it. @param least that it may be; without it anything above 0 */
export const amount = (what: string, most: number, least?: number) => {
  const number = z.number({ error: `${what}?` }).max(most, `${what}: at most ${String(most)}`)
  return least === undefined
    ? number.positive(`${what}: more than 0`)
    : number.min(least, `${what}: at least ${String(least)}`)
}
