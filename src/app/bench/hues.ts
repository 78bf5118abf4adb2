const hues = ['#ffd27a', '#8ec5ff', '#ffae8c', '#b6e3a8', '#d9b8ff', '#ffe9c9'] as const

/** The colour in which a run is drawn, by its place on the pad. */
export const hueAt = (index: number): string => hues[index % hues.length] ?? hues[0]
