<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, defineAsyncComponent, useTemplateRef, watchEffect } from 'vue'
import { RouterView, useRoute, useRouter } from 'vue-router'
import AppHeader from './shell/AppHeader.vue'
import { stages } from './shell/stages'
import { useNotices } from './stores/notices'
import { overlay } from './stores/overlay'
import { usePlanStore } from './stores/plan'
import { useShelf } from './stores/shelf'

// A moment after what is drawn and typed.
const DropTarget = defineAsyncComponent(() => import('./shell/DropTarget.vue'))
const PaperHead = defineAsyncComponent(() => import('./shell/PaperHead.vue'))
const VerdictVoice = defineAsyncComponent(() => import('./shell/VerdictVoice.vue'))
// Only where it is asked for.
const OverlayHost = defineAsyncComponent(() => import('./shell/OverlayHost.vue'))
// Only where something is to be told, or is wrong.
const NoticeBar = defineAsyncComponent(() => import('./shell/NoticeBar.vue'))
const StorageTrouble = defineAsyncComponent(() => import('./shell/StorageTrouble.vue'))

const pageTitles: Readonly<Record<string, string>> = {
  plans: 'Plans',
  sums: 'Sums',
  trouble: 'What is wrong?',
  shared: 'A shared plan',
}

const route = useRoute()
const router = useRouter()
const store = usePlanStore()
const shelf = useShelf()
const notices = useNotices()
const isInPlan = computed(() => route.params.id !== undefined)

/** Stages by Alt and their number: plain numbers belong to the pad. */
useEventListener('keydown', (event: KeyboardEvent) => {
  const stage = /^Digit[1-9]$/.test(event.code)
    ? stages[Number(event.code.slice(-1)) - 1]
    : undefined
  if (!event.altKey || event.ctrlKey || event.metaKey || !isInPlan.value || stage === undefined)
    return
  event.preventDefault()
  void router.push({ name: stage.name, params: { id: route.params.id } })
})

/** From part to part of a page; a dialog keeps the focus. */
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.key !== 'F6' || document.querySelector('[role="dialog"]') !== null) return
  event.preventDefault()
  const by = event.shiftKey ? -1 : 1
  void import('./shell/page-parts').then(({ toNextPart }) => {
    toNextPart(by)
  })
})

/** The search, and the help where no field takes the sign. */
useEventListener('keydown', (event: KeyboardEvent) => {
  const { ctrlKey, metaKey, key, target } = event
  const isSearch = (ctrlKey || metaKey) && key.toLowerCase() === 'k'
  const isTyped = target instanceof Element && target.closest('input, textarea, select') !== null
  if (!isSearch && (key !== '?' || isTyped)) return
  event.preventDefault()
  overlay.value = isSearch ? 'search' : 'help'
})

/** Undo belongs to the plan everywhere but in a dialog, where a field's own is wanted. */
useEventListener('keydown', (event: KeyboardEvent) => {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || !isInPlan.value) return
  if (event.target instanceof Element && event.target.closest('[role="dialog"]')) return
  const key = event.key.toLowerCase()
  const isUndo = key === 'z' && !event.shiftKey
  const isRedo = key === 'y' || (key === 'z' && event.shiftKey)
  if (!isUndo && !isRedo) return
  event.preventDefault()
  const label = isUndo ? store.undo() : store.redo()
  if (label !== undefined)
    notices.show({ kind: 'done', text: `${isUndo ? 'Undone' : 'Done again'}: ${label}` })
})

/** A tab is called by the plan, the page and the app. */
const title = computed(() => {
  const name = String(route.name)
  const page = stages.find((one) => one.name === name)?.label ?? pageTitles[name]
  const plan = isInPlan.value ? store.plan?.name : undefined
  return [plan, page, 'Glow Tally'].filter(Boolean).join(' · ')
})
watchEffect(() => {
  document.title = title.value
})

const page = useTemplateRef<{ $el: unknown }>('page')
function skipToPage(): void {
  if (page.value?.$el instanceof HTMLElement) page.value.$el.focus()
}
</script>

<template>
  <div class="flex h-full flex-col">
    <button
      type="button"
      class="button-main absolute top-1.5 left-2 z-50 not-focus:sr-only"
      @click="skipToPage"
    >
      Skip to the page
    </button>
    <PaperHead :title="title" />
    <AppHeader />
    <StorageTrouble v-if="shelf.problem || shelf.isInMemory" />
    <RouterView v-slot="{ Component }">
      <component :is="Component" ref="page" class="min-h-0 flex-1 outline-none" tabindex="-1" />
    </RouterView>
    <div
      class="pointer-events-none fixed inset-x-0 top-[58px] z-50 flex justify-center px-4 max-xl:top-[102px]"
      aria-live="polite"
    >
      <NoticeBar v-if="notices.current" :notice="notices.current" />
    </div>
    <DropTarget />
    <VerdictVoice v-if="isInPlan" />
    <OverlayHost v-if="overlay" />
  </div>
</template>
