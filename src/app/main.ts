import '@fontsource-variable/figtree/wght.css'
import '@fontsource-variable/source-code-pro/wght.css'
import './style.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import './ui/focus-back'
import { createAppRouter } from './router'
import { vShown } from './ui/shown'

createApp(App).use(createPinia()).use(createAppRouter()).directive('shown', vShown).mount('#app')
