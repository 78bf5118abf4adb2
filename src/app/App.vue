<script setup lang="ts">
import { computed, defineAsyncComponent, useTemplateRef, watchEffect } from 'vue'
import { RouterView, useRoute, useRouter } from 'vue-router'
import AppHeader from './shell/AppHeader.vue'
import { stages } from './shell/stages'
import { useNotices } from './stores/notices'
import { overlay } from './stores/overlay'
import { usePlanStore } from './stores/plan'
import { useShelf } from './stores/shelf'
import { keepFocus } from './ui/focus-back'

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

// What a view begins with is seen before a key is pressed.
void import('./shell/keys').then(({ watchKeys }) => {
  watchKeys(router)
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
const pageElement = (): HTMLElement | undefined =>
  page.value?.$el instanceof HTMLElement ? page.value.$el : undefined

/** What had the focus on the page before is gone with it, where keys or the search led to this one. */
router.afterEach((to, from) => {
  if (to.name !== from.name) keepFocus(pageElement)
})
</script>

<template>
  <div class="flex h-full flex-col">
    <button
      type="button"
      class="button-main absolute top-1.5 left-2 z-50 not-focus:sr-only"
      @click="pageElement()?.focus()"
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
