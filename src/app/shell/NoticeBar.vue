<script setup lang="ts">
import { X } from '@lucide/vue'
import { useTimeoutFn } from '@vueuse/core'
import { watch } from 'vue'
import { useNotices, type Notice } from '../stores/notices'

const { notice } = defineProps<{ notice: Notice }>()

const notices = useNotices()

const closing = useTimeoutFn(notices.close, 7_000, { immediate: false })
watch(
  () => notice,
  ({ kind }) => {
    closing.stop()
    if (kind === 'done') closing.start()
  },
  { immediate: true },
)

function act(run: () => void): void {
  notices.close()
  run()
}
</script>

<template>
  <div
    class="pointer-events-auto flex max-w-xl items-start gap-3 rounded-lg border bg-bench-high px-4 py-2.5 shadow-xl shadow-black/50"
    :class="notice.kind === 'problem' ? 'border-stop' : 'border-bench-line'"
    data-testid="notice"
  >
    <div class="min-w-0 py-0.5">
      <p>{{ notice.text }}</p>
      <ul v-if="notice.details?.length" class="mt-1 font-mono text-xs text-bench-soft">
        <li v-for="detail in notice.details.slice(0, 6)" :key="detail" class="break-words">
          {{ detail }}
        </li>
        <li v-if="notice.details.length > 6">and {{ notice.details.length - 6 }} more</li>
      </ul>
    </div>
    <button
      v-for="action in notice.actions"
      :key="action.label"
      class="button-quiet shrink-0"
      @click="act(action.run)"
    >
      {{ action.label }}
    </button>
    <button
      class="shrink-0 rounded p-1 text-bench-soft hover:text-bench-ink"
      aria-label="Close this notice"
      @click="notices.close"
    >
      <X :size="16" />
    </button>
  </div>
</template>
