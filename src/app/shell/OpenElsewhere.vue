<script setup lang="ts">
import { RouterLink, useRouter } from 'vue-router'
import { usePlanStore } from '../stores/plan'

const store = usePlanStore()
const router = useRouter()

async function keepCopy(): Promise<void> {
  const id = await store.keepCopy()
  if (id !== undefined) await router.push({ name: 'measure', params: { id } })
}
</script>

<template>
  <div
    role="alert"
    class="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-warning bg-bench-high px-[18px] py-2.5"
  >
    <p v-if="store.access === 'deleted'">
      <b class="text-warning">Deleted in another tab.</b> What is on the screen is no longer saved.
    </p>
    <p v-else>
      <b class="text-warning">Open in another tab.</b>
      {{
        store.access === 'taken'
          ? 'It was taken over there; changes here are no longer saved.'
          : 'Only one tab at a time changes a plan, so that none overwrites the other.'
      }}
    </p>
    <div class="ml-auto flex gap-2">
      <button v-if="store.access === 'deleted'" class="button-main" @click="store.bringBack()">
        Bring it back
      </button>
      <button v-else class="button-main" @click="store.takeOver()">Take over here</button>
      <button class="button-quiet" @click="keepCopy">Keep a copy</button>
      <RouterLink v-if="store.access === 'deleted'" class="button-quiet" :to="{ name: 'plans' }"
        >To the shelf of plans</RouterLink
      >
    </div>
  </div>
</template>
