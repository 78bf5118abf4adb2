<script setup lang="ts">
import { computed, ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { plural } from '../../core/quantity/format'
import { issueText, messageOf } from '../../core/quantity/message-of'
import { readPlanLink } from '../../formats/plan-link'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'

usePlanStore().close()
const [route, router] = [useRoute(), useRouter()]
const { shelf } = useShelf()
const notices = useNotices()

const read = computed(() => readPlanLink(route.hash.slice(1)))
const isAdding = ref(false)

async function add(): Promise<void> {
  if (!read.value.ok) return
  isAdding.value = true
  try {
    const id = await shelf.add(read.value.plan)
    await router.replace({ name: 'measure', params: { id } })
  } catch (error) {
    notices.show({
      kind: 'problem',
      text: 'This browser could not keep the plan. The link still holds it.',
      details: [messageOf(error)],
    })
  } finally {
    isAdding.value = false
  }
}
</script>

<template>
  <main class="grid place-items-center overflow-y-auto p-6">
    <div class="max-w-md rounded-xl border border-bench-line bg-bench-raised p-6">
      <template v-if="read.ok">
        <h1 class="text-lg font-bold">A plan for you: {{ read.plan.name }}</h1>
        <p class="mt-2 text-bench-soft">
          {{ plural(read.plan.lines.filter(({ text }) => text !== '').length, 'line') }} on its pad.
          The link holds the plan itself: nothing was sent to a server, and what you change stays
          with you.
        </p>
        <ul v-if="read.adjusted.length > 0" class="mt-2 text-[13px] text-warning">
          <li v-for="issue in read.adjusted" :key="issue.path">{{ issueText(issue) }}</li>
        </ul>
        <p class="mt-4 flex flex-wrap gap-2">
          <button type="button" class="button-main min-h-11" :disabled="isAdding" @click="add">
            Open as a copy
          </button>
          <RouterLink class="button-quiet min-h-11" :to="{ name: 'plans' }">Not now</RouterLink>
        </p>
      </template>
      <template v-else>
        <h1 class="text-lg font-bold">This link cannot be read</h1>
        <ul class="mt-2 text-bench-soft">
          <li v-for="issue in read.issues" :key="issue.path">{{ issueText(issue) }}.</li>
        </ul>
        <p class="mt-4">
          <RouterLink class="button-quiet min-h-11" :to="{ name: 'plans' }">All plans</RouterLink>
        </p>
      </template>
    </div>
  </main>
</template>
