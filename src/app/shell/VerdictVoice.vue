<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ref, watch } from 'vue'
import { usePlanStore } from '../stores/plan'

const store = usePlanStore()
const said = ref('')

/** After the last stroke, so that nothing is said of a line that is half typed. */
const pauseMs = 1_200

let [plan, before] = ['', new Set<string>()]
const say = useDebounceFn(() => {
  const grave = (store.tally?.verdicts ?? []).filter(({ grade }) => grade !== 'note')
  const fresh = grave.filter(({ id }) => !before.has(id))
  const isOther = plan !== store.id
  plan = store.id ?? ''
  before = new Set(grave.map(({ id }) => id))
  // What a plan has when it is opened is on its page.
  if (isOther || fresh.length === 0) return
  const [first] = fresh
  const more = fresh.length > 1 ? `, and ${String(fresh.length - 1)} more` : ''
  said.value = first === undefined ? '' : `New ${first.grade}: ${first.text}${more}`
}, pauseMs)
watch(() => store.tally?.verdicts, say)
</script>

<template>
  <p class="sr-only" role="status">{{ said }}</p>
</template>
