/**
 * How many random cases a property tries: so many in the tests, `PROVE` times as many in `npm run prove`, fewer where `npm run check` asks
 * for a quick look.
 */
export const runs = (usual: number): number =>
  Math.max(1, Math.ceil(usual * Number(process.env.PROVE ?? 1)))
