import type { Router } from 'vue-router'
import { useNotices } from '../stores/notices'
import { overlay } from '../stores/overlay'
import { usePlanStore } from '../stores/plan'
import { toNextPart } from './page-parts'
import { stages } from './stages'

/** Follows the keys that work on every page, as long as the app is open. */
export function watchKeys(router: Router): void {
  const store = usePlanStore()
  const notices = useNotices()
  const planId = () => router.currentRoute.value.params.id

  /** Stages by Alt and their number: plain numbers belong to the pad. */
  function toStage(event: KeyboardEvent): void {
    const stage = /^Digit[1-9]$/.test(event.code)
      ? stages[Number(event.code.slice(-1)) - 1]
      : undefined
    const { altKey, ctrlKey, metaKey } = event
    if (!altKey || ctrlKey || metaKey || planId() === undefined || stage === undefined) return
    event.preventDefault()
    void router.push({ name: stage.name, params: { id: planId() } })
  }

  /** From part to part of a page; a dialog keeps the focus. */
  function toPart(event: KeyboardEvent): void {
    if (event.key !== 'F6' || document.querySelector('[role="dialog"]') !== null) return
    event.preventDefault()
    toNextPart(event.shiftKey ? -1 : 1)
  }

  /** The search, and the help where no field takes the sign. */
  function toOverlay(event: KeyboardEvent): void {
    const { ctrlKey, metaKey, key, target } = event
    const isSearch = (ctrlKey || metaKey) && key.toLowerCase() === 'k'
    const isTyped = target instanceof Element && target.closest('input, textarea, select') !== null
    if (!isSearch && (key !== '?' || isTyped)) return
    event.preventDefault()
    overlay.value = isSearch ? 'search' : 'help'
  }

  /** Undo belongs to the plan everywhere but in a dialog, where a field's own is wanted. */
  function undoOrRedo(event: KeyboardEvent): void {
    if (!(event.ctrlKey || event.metaKey) || event.altKey || planId() === undefined) return
    if (event.target instanceof Element && event.target.closest('[role="dialog"]')) return
    const key = event.key.toLowerCase()
    const isUndo = key === 'z' && !event.shiftKey
    const isRedo = key === 'y' || (key === 'z' && event.shiftKey)
    if (!isUndo && !isRedo) return
    event.preventDefault()
    const label = isUndo ? store.undo() : store.redo()
    if (label !== undefined)
      notices.show({ kind: 'done', text: `${isUndo ? 'Undone' : 'Done again'}: ${label}` })
  }

  for (const follow of [toStage, toPart, toOverlay, undoOrRedo]) addEventListener('keydown', follow)
}
