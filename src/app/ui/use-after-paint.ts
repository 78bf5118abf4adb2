import { useRafFn, useTimeoutFn } from '@vueuse/core'
import { ref, type Ref } from 'vue'

/**
 * False for the first frame of a page, then true: what stands farther down can wait for what is above it. It turns true in a task of its
 * own, so that the work that follows does not add to that of a frame.
 */
export function useAfterPaint(): Ref<boolean> {
  const isPainted = ref(false)
  const { start } = useTimeoutFn(
    () => {
      isPainted.value = true
    },
    0,
    { immediate: false },
  )
  const { pause } = useRafFn(() => {
    pause()
    start()
  })
  return isPainted
}
