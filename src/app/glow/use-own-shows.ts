import { computed, type ComputedRef } from 'vue'
import { usualShow } from '../../core/glow/usual-show'
import type { Show } from '../../core/plan/plan'
import { useAddress } from '../shell/address'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { freeId, showIn } from './layer-words'

export interface OwnShows {
  /** The one that is open: the usual show where the plan has none of its own. */
  readonly show: ComputedRef<Show | undefined>
  /** Whether the plan has shows of its own. */
  readonly isOwn: ComputedRef<boolean>
  readonly open: (id: string) => void
  /** Keeps a show as it is now, and opens it. */
  readonly put: (show: Show, label: string) => void
  readonly add: () => void
  readonly copy: () => void
  readonly remove: () => void
  readonly rename: (name: string) => void
}

/** The shows of the open plan. Which one is open stands in the address. */
export function useOwnShows(): OwnShows {
  const store = usePlanStore()
  const notices = useNotices()
  const shownId = useAddress<string | undefined>('show', undefined)
  const show = computed(() =>
    store.plan === undefined ? undefined : (showIn(store.plan.shows, shownId.value) ?? usualShow),
  )
  function put(next: Show, label: string): void {
    store.commit([{ do: 'put-show', show: next }], { label })
    shownId.value = next.id
  }
  const newId = (): string => freeId('show', store.plan?.shows ?? [])
  return {
    show,
    isOwn: computed(() => (store.plan?.shows.length ?? 0) > 0),
    open: (id) => {
      shownId.value = id
    },
    put,
    add: () => {
      const number = (store.plan?.shows.length ?? 0) + 1
      put({ ...usualShow, id: newId(), name: `Show ${String(number)}` }, 'a new show')
    },
    copy: () => {
      const { value } = show
      if (value !== undefined)
        put({ ...value, id: newId(), name: `${value.name} copy` }, 'copy the show')
    },
    remove: () => {
      const { value } = show
      if (value === undefined) return
      store.commit([{ do: 'remove-show', show: value.id }], { label: `remove ${value.name}` })
      notices.done(`Removed: ${value.name}.`, store.undo)
    },
    rename: (name) => {
      if (show.value !== undefined) put({ ...show.value, name }, 'rename the show')
    },
  }
}
