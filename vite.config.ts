import tailwind from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue(), tailwind()],
  worker: { format: 'es' },
  // Inlined assets would need data: in the content security policy.
  build: {
    target: 'es2023',
    assetsInlineLimit: 0,
    manifest: true,
    // Third-party notices: what is bundled, with its licences.
    license: { fileName: 'licenses.md' },
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            {
              // What the first view cannot do without, in one file: it compresses better than in many.
              name: 'first',
              test: /src\/app\/(?:main\.ts|router\.ts|App\.vue|measure\/MeasurePage\.vue)/,
            },
          ],
        },
      },
    },
  },
})
