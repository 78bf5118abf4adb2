<script setup lang="ts">
import { Redo2, Undo2 } from '@lucide/vue'
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import { stages, stageState } from './stages'

// Comes a moment after what is drawn and typed.
const PlanMenu = defineAsyncComponent(() => import('./PlanMenu.vue'))

const store = usePlanStore()
const shelf = useShelf()
const route = useRoute()

const isInPlan = computed(() => route.params.id !== undefined && store.plan !== undefined)
const canUndo = computed(() => store.access === 'mine' && store.history.done > 0)
const canRedo = computed(
  () => store.access === 'mine' && store.history.done < store.history.steps.length,
)
const savedText = computed(() => {
  if (store.access === 'deleted') return 'deleted in another tab'
  if (store.access !== 'mine') return 'open in another tab'
  if (shelf.isInMemory) return 'not kept'
  return { saved: 'saved on this device', saving: 'saving', failed: 'not saved' }[store.saving]
})

const tones = {
  stop: 'text-stop',
  warning: 'text-warning',
  note: 'text-bench-soft',
  ok: 'text-ok',
  none: 'text-bench-soft',
} as const
const stageLinks = computed(() =>
  stages.map((stage, index) => ({
    ...stage,
    key: String(index + 1),
    state: stageState(stage.name, store.tally),
  })),
)

/** In a narrow window the page that is open comes into view. */
const nav = useTemplateRef<HTMLElement>('nav')
watch(
  () => [route.name, store.tally === undefined],
  async () => {
    await nextTick()
    nav.value
      ?.querySelector('[aria-current]')
      ?.scrollIntoView({ inline: 'center', block: 'nearest' })
  },
  { immediate: true },
)

const isRenaming = ref(false)
const draft = ref('')
function startRenaming(): void {
  draft.value = store.plan?.name ?? ''
  isRenaming.value = true
}
function finishRenaming(): void {
  const name = draft.value.trim()
  isRenaming.value = false
  if (name !== '' && name !== store.plan?.name)
    store.commit([{ do: 'rename', name: name.slice(0, 120) }], { label: 'rename the plan' })
}
const selectAll = (event: FocusEvent): void => {
  if (event.target instanceof HTMLInputElement) event.target.select()
}
const focusOnMount = {
  mounted: (element: HTMLElement) => {
    element.focus()
  },
}
const vFocusOnMount = focusOnMount
</script>

<template>
  <header
    class="flex h-[52px] shrink-0 items-center gap-x-2 sm:gap-x-4 border-b border-bench-line px-3 sm:px-[18px]"
  >
    <RouterLink
      :to="{ name: 'plans' }"
      class="shrink-0 font-bold tracking-wide"
      aria-label="Glow Tally: all plans"
    >
      g<span class="max-sm:hidden">low</span><span class="text-glow">|</span>t<span
        class="max-sm:hidden"
        >ally</span
      >
    </RouterLink>

    <div v-if="isInPlan && store.plan" class="flex min-w-0 items-center gap-2">
      <input
        v-if="isRenaming"
        v-model="draft"
        v-focus-on-mount
        class="field w-52 py-0.5 font-semibold"
        aria-label="Name of the plan"
        maxlength="120"
        @focus="selectAll"
        @keydown.enter="finishRenaming"
        @keydown.esc="isRenaming = false"
        @blur="finishRenaming"
      />
      <button
        v-else
        class="truncate rounded px-1 font-semibold hover:bg-bench-high"
        title="Rename the plan"
        @click="startRenaming"
      >
        {{ store.plan.name }}
      </button>
      <span
        class="hidden w-[9.75rem] text-[13px] whitespace-nowrap md:inline-block"
        :class="
          store.saving === 'failed' || store.access !== 'mine' ? 'text-stop' : 'text-bench-soft'
        "
        data-testid="saved"
        >· {{ savedText }}</span
      >
    </div>

    <div class="flex items-center gap-1">
      <template v-if="isInPlan">
        <button
          class="rounded p-1.5 hover:bg-bench-high disabled:opacity-35"
          aria-label="Undo"
          title="Undo (Ctrl+Z)"
          :disabled="!canUndo"
          @click="store.undo()"
        >
          <Undo2 :size="17" />
        </button>
        <button
          class="rounded p-1.5 hover:bg-bench-high disabled:opacity-35"
          aria-label="Redo"
          title="Redo (Ctrl+Shift+Z)"
          :disabled="!canRedo"
          @click="store.redo()"
        >
          <Redo2 :size="17" />
        </button>
      </template>
      <PlanMenu :is-in-plan="isInPlan" />
    </div>

    <nav
      ref="nav"
      class="ml-auto flex h-full min-w-0 items-stretch gap-3 overflow-x-auto overflow-y-hidden [scrollbar-width:none] lg:gap-6"
      aria-label="Stages"
    >
      <template v-if="isInPlan">
        <RouterLink
          v-for="stage in stageLinks"
          :key="stage.name"
          :to="{ name: stage.name, params: { id: route.params.id } }"
          class="flex flex-col justify-center border-t-2 border-b-2 border-transparent px-1 leading-tight"
          active-class="border-b-glow!"
          :title="`${stage.label} (Alt+${stage.key})`"
        >
          <span>{{ stage.label }}</span>
          <span
            class="text-[11px] whitespace-nowrap"
            :class="tones[stage.state.grade]"
            :data-testid="`${stage.name}-state`"
          >
            {{ stage.state.text }}
          </span>
        </RouterLink>
      </template>
      <RouterLink
        :to="{ name: 'sums' }"
        class="items-center border-t-2 border-b-2 border-transparent px-1 text-bench-soft"
        :class="isInPlan ? 'hidden sm:flex' : 'flex'"
        active-class="border-b-glow! text-bench-ink!"
      >
        Sums
      </RouterLink>
      <RouterLink
        :to="{ name: 'plans' }"
        class="hidden items-center border-t-2 border-b-2 border-transparent px-1 text-bench-soft sm:flex"
        active-class="border-b-glow! text-bench-ink!"
      >
        Plans
      </RouterLink>
    </nav>
  </header>
</template>
