const parts = [
  'nav',
  'main section',
  'main aside',
  'main div[role="group"]',
  'main [role="radiogroup"]',
]
  .map((part) => `${part}[aria-label]`)
  .join()
const focusable =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex="0"]'

const isSeen = (element: Element): boolean => element.getClientRects().length > 0

/** Moves the focus to the next part of the page, or the one before: its pages, the pad, the drawing, each card, the tally; round at the end. */
export function toNextPart(by: 1 | -1): void {
  const stops: { readonly part: Element; readonly first: HTMLElement }[] = []
  for (const part of document.querySelectorAll(parts)) {
    const first = [...part.querySelectorAll<HTMLElement>(focusable)].find(isSeen)
    if (first !== undefined && stops.at(-1)?.first !== first) stops.push({ part, first })
  }
  // The innermost part that has the focus is where it stands.
  const at = stops.findLastIndex(({ part }) => part.contains(document.activeElement))
  // From nowhere it goes into the page itself.
  const start = by > 0 ? stops.findIndex(({ part }) => part.closest('main') !== null) : -1
  const next = at < 0 ? start : at + by
  stops.at(next % stops.length)?.first.focus()
}
