import { createGlobalState } from '@vueuse/core'
import { ref, shallowRef } from 'vue'
import { Workbox } from 'workbox-window'
import { useNotices } from '../stores/notices'

/** How far the app is kept for use without network; `insecure` where the browser allows it on https alone. */
export type Kept = 'insecure' | 'not offered' | 'being kept' | 'kept' | 'failed'

/** The app on this device: whether it opens without network, and whether a newer version waits. */
export const useOffline = createGlobalState(() => {
  const kept = ref<Kept>(
    !isSecureContext ? 'insecure' : 'serviceWorker' in navigator ? 'being kept' : 'not offered',
  )
  /** Goes over to the newer version; `undefined` as long as there is none. */
  const update = shallowRef<() => void>()

  async function start(): Promise<void> {
    if (kept.value !== 'being kept') return
    const workbox = new Workbox('/sw.js')
    // An update waits until it is asked for: it reloads the page, and other tabs go on with what they have.
    workbox.addEventListener('waiting', () => {
      update.value = () => {
        workbox.addEventListener('controlling', () => {
          location.reload()
        })
        workbox.messageSkipWaiting()
      }
      useNotices().show({
        kind: 'offer',
        text: 'A newer version of Glow Tally is ready. The page is loaded again for it; your plans stay as they are.',
        actions: [{ label: 'Update', run: update.value }],
      })
    })
    try {
      await workbox.register()
      await navigator.serviceWorker.ready
      kept.value = 'kept'
    } catch {
      // Without network at the first visit, or in a private window that keeps nothing.
      kept.value = 'failed'
    }
  }
  return { kept, update, start }
})
