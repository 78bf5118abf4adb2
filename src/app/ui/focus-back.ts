import { nextTick, onScopeDispose } from 'vue'

/** What was focused last, newest first. */
let recent: HTMLElement[] = []
const mostRecent = 12

document.addEventListener(
  'focusin',
  ({ target }) => {
    if (!(target instanceof HTMLElement)) return
    recent = [target, ...recent.filter((one) => one !== target)].slice(0, mostRecent)
  },
  { capture: true },
)

const canTakeFocus = (element: HTMLElement): boolean =>
  element.isConnected &&
  element.closest('[role="dialog"], [role="listbox"], [role="menu"]') === null &&
  element.getClientRects().length > 0

/**
 * When a dialog goes, the focus goes back to where it came from; where that is gone too (an option of a list that has closed), to what was
 * focused before it.
 */
export function useFocusBack(): void {
  onScopeDispose(() => {
    keepFocus(() => recent.find(canTakeFocus))
  })
}

/**
 * Gives the focus to what `finds` says, where it is lost within half a second: while a dialog closes or a page comes, what is there cannot
 * take it yet.
 */
export function keepFocus(finds: () => HTMLElement | null | undefined): void {
  let frames = 0
  const giveBack = (): void => {
    frames += 1
    // What the dialog itself gives the focus back to goes first.
    const isLost = document.activeElement === null || document.activeElement === document.body
    if (isLost) finds()?.focus()
    if (frames < mostFrames && (isLost || !canTakeFocus(document.activeElement as HTMLElement)))
      requestAnimationFrame(giveBack)
  }
  void nextTick(() => requestAnimationFrame(giveBack))
}

/** Half a second. */
const mostFrames = 30
