<script setup lang="ts">
import { X } from '@lucide/vue'
import { useTimeoutFn } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { watch } from 'vue'
import { useNotices } from '../stores/notices'

const notices = useNotices()
const { current } = storeToRefs(notices)

/** What was done goes by itself; a problem stays until it is closed. */
const closing = useTimeoutFn(notices.close, 7_000, { immediate: false })
watch(current, (notice) => {
  closing.stop()
  if (notice?.kind === 'done') closing.start()
})

function act(run: () => void): void {
  notices.close()
  run()
}
</script>

<template>
  <div
    class="pointer-events-none fixed inset-x-0 top-[58px] z-50 flex justify-center px-4"
    aria-live="polite"
  >
    <div
      v-if="current"
      class="pointer-events-auto flex max-w-xl items-start gap-3 rounded-lg border bg-bench-high px-4 py-2.5 shadow-xl shadow-black/50"
      :class="current.kind === 'problem' ? 'border-stop' : 'border-bench-line'"
      data-testid="notice"
    >
      <div class="min-w-0 py-0.5">
        <p>{{ current.text }}</p>
        <ul v-if="current.details?.length" class="mt-1 font-mono text-xs text-bench-soft">
          <li v-for="detail in current.details.slice(0, 6)" :key="detail" class="break-words">
            {{ detail }}
          </li>
          <li v-if="current.details.length > 6">and {{ current.details.length - 6 }} more</li>
        </ul>
      </div>
      <button
        v-for="action in current.actions"
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
  </div>
</template>
