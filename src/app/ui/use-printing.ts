import { useEventListener } from '@vueuse/core'
import { ref, type Ref } from 'vue'

/** Whether the page is being printed: what only paper shows need not stand there before. */
export function usePrinting(): Ref<boolean> {
  const isPrinting = ref(false)
  useEventListener(window, 'beforeprint', () => {
    isPrinting.value = true
  })
  useEventListener(window, 'afterprint', () => {
    isPrinting.value = false
  })
  return isPrinting
}
