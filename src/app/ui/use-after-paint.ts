import { useRafFn } from '@vueuse/core'
import { ref, type Ref } from 'vue'

/** False for the first frame of a page, then true: what stands farther down can wait for what is above it. */
export function useAfterPaint(): Ref<boolean> {
  const isPainted = ref(false)
  const { pause } = useRafFn(() => {
    isPainted.value = true
    pause()
  })
  return isPainted
}
