import '@fontsource-variable/figtree/wght.css'
import '@fontsource-variable/source-code-pro/wght.css'
import './style.css'
import './engine/as-written-here'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import './ui/focus-back'
import { createAppRouter } from './router'
import { isInMemory, keepInMemory } from './storage/memory'
import { tellMissingPart } from './stores/missing-part'
import { useNotices } from './stores/notices'
import { applyTheme, keptTheme } from './stores/kept-theme'
import { vShown } from './ui/shown'

async function start(): Promise<void> {
  applyTheme(keptTheme())
  if (isInMemory()) await keepInMemory()
  const pinia = createPinia()
  const router = createAppRouter()
  // Old parts are gone after an update; without network a part may not come. Either is told, and nothing else breaks.
  const told = new WeakSet<Error>()
  addEventListener('vite:preloadError', ({ payload }) => {
    told.add(payload)
    tellMissingPart()
  })
  router.onError((error: unknown) => {
    if (!(error instanceof Error) || told.has(error)) return
    useNotices().show({
      kind: 'problem',
      text: `This page could not be opened: ${error.message}. Your plans are as they were.`,
    })
  })
  createApp(App).use(pinia).use(router).directive('shown', vShown).mount('#app')
  // Once the first view stands: keeping the app for use without network can wait.
  setTimeout(() => {
    void import('./shell/print').then(
      ({ watchPrinting }) => {
        watchPrinting()
      },
      () => undefined,
    )
    void import('./shell/offline').then(
      ({ useOffline }) => useOffline().start(),
      () => undefined,
    )
  }, 2_000)
}

void start()
