/** What `npm run prove` multiplies by where it is not told. */
const usualTimes = 250

/**
 * How many random cases a property tries: so many in the tests, `PROVE` times as many in `npm run prove`, fewer where `npm run check` asks
 * for a quick look.
 *
 * @param proved how many a whole `npm run prove` tries, where that is not `usualTimes` as many
 */
export function runs(usual: number, proved = usual * usualTimes): number {
  const times = Number(process.env.PROVE ?? 1)
  return Math.max(1, Math.ceil(times > 1 ? (proved * times) / usualTimes : usual * times))
}
