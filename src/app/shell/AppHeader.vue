<script setup lang="ts">
import { CircleQuestionMark, Redo2, Undo2 } from '@lucide/vue'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { overlay } from '../stores/overlay'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import { stages, stageState } from './stages'

// Comes a moment after what is drawn and typed.
const PlanMenu = defineAsyncComponent(() => import('./PlanMenu.vue'))
const RenameField = defineAsyncComponent(() => import('../ui/RenameField.vue'))

const store = usePlanStore()
const shelf = useShelf()
const route = useRoute()

// How far the build is, is only worked out once something of it is noted.
const isBegun = computed(
  () =>
    store.plan !== undefined &&
    (store.plan.build.log.length > 0 || store.plan.wiring.ticks.length > 0),
)
watch(
  isBegun,
  (begun, _before, onCleanup) => {
    if (begun) onCleanup(store.want('howFar'))
  },
  { immediate: true },
)

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
    state: stageState(stage.name, store.tally, store.plan?.shows.length, store.plan?.mends.length),
  })),
)

const isRenaming = ref(false)
function rename(name?: string): void {
  isRenaming.value = false
  if (name !== undefined) store.commit([{ do: 'rename', name }], { label: 'rename the plan' })
}
</script>

<template>
  <header
    class="flex min-h-[52px] shrink-0 flex-wrap items-center gap-x-2 border-b border-bench-line px-3 sm:gap-x-4 sm:px-[18px]"
  >
    <RouterLink
      :to="{ name: 'plans' }"
      class="finger shrink-0 font-bold tracking-wide"
      aria-label="Glow Tally: all plans"
    >
      g<span class="max-sm:hidden">low</span><span class="text-glow">|</span>t<span
        class="max-sm:hidden"
        >ally</span
      >
    </RouterLink>

    <div
      v-if="isInPlan && store.plan"
      class="flex min-w-0 items-center gap-2 max-sm:flex-1 max-sm:basis-0"
    >
      <RenameField v-if="isRenaming" class="w-52" :name="store.plan.name" @end="rename" />
      <button
        v-else
        class="truncate rounded px-1 font-semibold hover:bg-bench-high"
        title="Rename the plan"
        @click="isRenaming = true"
      >
        {{ store.plan.name }}
      </button>
      <span
        class="hidden min-w-[8.25rem] text-[13px] whitespace-nowrap md:inline-block"
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
      <button
        class="rounded p-1.5 text-bench-soft hover:bg-bench-high hover:text-bench-ink"
        aria-label="Help"
        title="Help (?)"
        data-guide="help"
        @click="overlay = 'help'"
      >
        <CircleQuestionMark :size="17" />
      </button>
    </div>

    <!-- Where there is no room beside the plan's name, all stages stand in a row of their own: on a phone from edge to edge. -->
    <nav
      class="flex h-11 items-stretch max-sm:-mx-3 max-sm:w-screen max-sm:px-1 sm:w-full sm:gap-4 xl:ml-auto xl:h-[51px] xl:w-auto xl:gap-2"
      :class="!isInPlan && 'max-xl:ml-auto max-xl:w-auto'"
      aria-label="Stages"
    >
      <template v-if="isInPlan">
        <RouterLink
          v-for="stage in stageLinks"
          :key="stage.name"
          :to="{ name: stage.name, params: { id: route.params.id } }"
          class="flex flex-col justify-center border-t-2 border-b-2 border-transparent leading-tight max-sm:min-w-fit max-sm:flex-1 max-sm:items-center max-sm:text-[13px] sm:px-0.5"
          active-class="border-b-glow!"
          :title="`${stage.label} (Alt+${stage.key})`"
        >
          <span>{{ stage.label }}</span>
          <span
            v-if="stage.state.grade === 'stop' || stage.state.grade === 'warning'"
            class="mt-0.5 size-1.5 bg-current sm:hidden"
            :class="[tones[stage.state.grade], stage.state.grade === 'warning' && 'rounded-full']"
            aria-hidden="true"
          ></span>
          <span
            class="text-[12px] whitespace-nowrap max-sm:sr-only"
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
