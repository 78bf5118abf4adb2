/** What strips of the first version did not say yet; *typical* (handbook 4). */
export const usualStripFacts = {
  flatRadiusMm: 15,
  edgeRadiusMm: null,
  spliceMm: 500,
  prewired: [],
} as const

/** A strip with all that is known of strips; those of the user's own that were kept by version 1 say less. */
export const withStripFacts = (strip: unknown): unknown =>
  typeof strip === 'object' && strip !== null && !Array.isArray(strip)
    ? { ...usualStripFacts, ...strip }
    : strip
