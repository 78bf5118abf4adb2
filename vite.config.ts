import tailwind from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue(), tailwind()],
  worker: { format: 'es' },
  // Inlined assets would need data: in the content security policy.
  build: { target: 'es2023', assetsInlineLimit: 0, manifest: true },
})
