<script setup lang="ts">
import { computed } from 'vue'
import { goOnInMemory } from '../storage/memory'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import { savePlanFile } from './save-plan-file'

const shelf = useShelf()
const store = usePlanStore()

const texts = {
  refused: {
    title: 'This browser does not let plans be kept',
    text: 'A private window, storage that is switched off, or a full disk are the usual reasons. You can go on without saving: plans then last as long as this page, and leave it as files.',
  },
  blocked: {
    title: 'An older tab of this app is in the way',
    text: 'Your plans have to be brought up to date, and another tab still holds them. Close the other tabs of this app; this one goes on by itself.',
  },
  outdated: {
    title: 'A newer version of this app is open in another tab',
    text: 'Your plans were brought up to date there. Reload this tab to go on; what is on the screen can be exported first.',
  },
} as const
const shown = computed(() => shelf.problem && texts[shelf.problem.kind])
const reload = (): void => {
  location.reload()
}
</script>

<template>
  <div
    v-if="shown"
    role="alert"
    class="border-b border-stop bg-bench-high px-[18px] py-3"
    data-testid="storage-trouble"
  >
    <p class="font-semibold text-stop">{{ shown.title }}</p>
    <p class="mt-0.5 max-w-3xl">{{ shown.text }}</p>
    <p v-if="shelf.problem?.detail" class="mt-0.5 font-mono text-[12px] text-bench-soft">
      {{ shelf.problem.detail }}
    </p>
    <div class="mt-2 flex flex-wrap gap-2">
      <button class="button-main" @click="reload">
        {{ shelf.problem?.kind === 'outdated' ? 'Reload' : 'Try again' }}
      </button>
      <button v-if="store.plan" class="button-quiet" @click="savePlanFile(store.plan, shelf.shelf)">
        Export what is on the screen
      </button>
      <button v-if="shelf.problem?.kind === 'refused'" class="button-quiet" @click="goOnInMemory">
        Go on without saving
      </button>
    </div>
  </div>
  <p
    v-else-if="shelf.isInMemory"
    class="border-b border-warning bg-bench-high px-[18px] py-1.5 text-[13px]"
    role="status"
  >
    <b class="text-warning">Nothing is saved.</b> Plans last as long as this page: export them to
    files before you leave it.
  </p>
</template>
