<script setup lang="ts">
import { Info, OctagonX, TriangleAlert } from '@lucide/vue'
import { computed } from 'vue'
import type { Verdict } from '../../core/verdict/verdict'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import { useFixes } from '../stores/use-fixes'
import ExplainedText from './ExplainedText.vue'

const { verdict, fixes: given } = defineProps<{
  verdict: Verdict
  /** Remedies that are known to work; without them the plan's own are taken. */
  fixes?: Verdict['remedies']
}>()

const store = usePlanStore()
const notices = useNotices()
const spotlight = useSpotlight()

const looks = {
  stop: { icon: OctagonX, tone: 'border-stop-paper text-stop-paper' },
  warning: { icon: TriangleAlert, tone: 'border-warning-paper text-warning-paper' },
  note: { icon: Info, tone: 'border-note-paper text-note-paper' },
} as const
const look = computed(() => looks[verdict.grade])
/** Remedies that need not be looked for. */
const known = computed(() => given ?? (verdict.remedies.length === 0 ? [] : undefined))
const fixes = useFixes(() => (known.value === undefined ? [verdict.id] : []))
/** Remedies that work; `undefined` while they are being tried. */
const found = computed(() => known.value ?? fixes.value[verdict.id])
/** While fixes are looked for a button holds their place: Tab reaches it, and the focus stays. */
const offered = computed(() => found.value ?? [{ label: 'Looking for fixes …', commands: [] }])

function apply(remedy: Verdict['remedies'][number]): void {
  if (found.value === undefined) return
  store.commit(remedy.commands, { label: remedy.label })
  notices.done(`Done: ${remedy.label}.`, store.undo)
}
</script>

<template>
  <div
    class="mt-1.5 rounded-[4px] border px-2 py-1.5 leading-[17px]"
    :class="look.tone"
    :data-verdict="verdict.code"
    :data-verdict-id="verdict.id"
    @pointerenter="spotlight.light(verdict.about)"
    @pointerleave="spotlight.dim"
  >
    <p>
      <component :is="look.icon" :size="13" class="-mt-0.5 mr-1 inline" aria-hidden="true" /><b>{{
        verdict.grade.toUpperCase()
      }}</b>
      {{ ' ' }}<ExplainedText :text="verdict.text" />
    </p>
    <p class="mt-0.5 text-[12px] text-paper-soft"><ExplainedText :text="verdict.why" /></p>
    <p v-if="offered.length > 0" class="mt-1 flex flex-wrap gap-x-3 gap-y-0.5">
      <button
        v-for="(remedy, at) in offered"
        :key="at"
        class="min-h-6 text-left"
        :class="
          found
            ? 'underline decoration-dotted underline-offset-3 hover:decoration-solid'
            : 'text-[12px] text-paper-soft'
        "
        :aria-disabled="!found"
        @click="apply(remedy)"
      >
        {{ remedy.label }}
      </button>
    </p>
  </div>
</template>
