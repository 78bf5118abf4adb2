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
    void nextTick(() => {
      // What the dialog itself gives the focus back to goes first.
      requestAnimationFrame(() => {
        if (document.activeElement !== document.body) return
        recent.find(canTakeFocus)?.focus()
      })
    })
  })
}
