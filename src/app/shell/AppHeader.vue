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

/** Before it is known which page is shown, what would move once it is there is left out. */
const isPageKnown = computed(() => route.matched.length > 0)
const isInPlan = computed(
  () =>
    route.params.id !== undefined && (store.plan !== undefined || store.state.kind === 'opening'),
)
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
    class="flex min-h-[52px] shrink-0 flex-wrap items-center gap-x-2 border-b border-bench-line px-3 sm:gap-x-3 sm:px-[18px]"
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

    <!-- As wide as ever, whatever the plan is called and however it stands: what comes after it must not move. -->
    <div
      v-if="isInPlan"
      class="flex min-w-0 flex-col items-start justify-center leading-tight max-md:flex-1 md:h-9 max-md:basis-0 md:w-72 xl:w-36 2xl:w-72"
    >
      <template v-if="store.plan">
        <RenameField v-if="isRenaming" class="w-full" :name="store.plan.name" @end="rename" />
        <button
          v-else
          class="max-w-full truncate rounded px-1 font-semibold hover:bg-bench-high"
          title="Rename the plan"
          @click="isRenaming = true"
        >
          {{ store.plan.name }}
        </button>
        <span
          v-if="!isRenaming"
          class="hidden px-1 text-[12px] whitespace-nowrap md:block"
          :class="
            store.saving === 'failed' || store.access !== 'mine' ? 'text-stop' : 'text-bench-soft'
          "
          data-testid="saved"
          >{{ savedText }}</span
        >
      </template>
    </div>

    <div v-if="isPageKnown" class="flex items-center gap-1">
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
      <div class="min-h-7 min-w-[59px]"><PlanMenu :is-in-plan="isInPlan" /></div>
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

    <!--
      Where there is no room beside the plan's name, all stages stand in a row of their own: on a phone from edge to edge. Each has its
      width whatever its state is; where that is too little for words, its state is a shape.
    -->
    <nav
      v-if="isPageKnown"
      class="flex h-11 items-stretch max-sm:-mx-3 max-sm:w-screen max-sm:px-1 sm:w-full sm:gap-1 min-[930px]:gap-2 xl:ml-auto xl:h-[51px] xl:w-auto"
      :class="!isInPlan && 'max-xl:ml-auto max-xl:w-auto'"
      aria-label="Stages"
    >
      <template v-if="isInPlan">
        <RouterLink
          v-for="stage in stageLinks"
          :key="stage.name"
          :to="{ name: stage.name, params: { id: route.params.id } }"
          class="flex flex-col justify-center border-t-2 border-b-2 border-transparent leading-tight max-sm:min-w-fit max-sm:text-[13px] max-xl:flex-1 max-xl:basis-0 max-[819px]:items-center min-[820px]:px-0.5 xl:w-[4.625rem]"
          :class="stage.name === 'build' && 'max-xl:grow-[1.25] xl:w-[5.625rem]'"
          active-class="border-b-glow!"
          :title="`${stage.label} (Alt+${stage.key})`"
        >
          <span>{{ stage.label }}</span>
          <span
            class="mt-0.5 size-1.5 bg-current min-[820px]:hidden"
            :class="[
              tones[stage.state.grade],
              stage.state.grade === 'warning' && 'rounded-full',
              stage.state.grade !== 'stop' && stage.state.grade !== 'warning' && 'invisible',
            ]"
            aria-hidden="true"
          ></span>
          <span
            class="-mr-2 truncate text-[12px] max-[819px]:sr-only"
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
