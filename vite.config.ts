import tailwind from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compression } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { workerLicences } from './worker-licences'

const licences = workerLicences()

export default defineConfig({
  plugins: [
    vue({ features: { optionsAPI: false } }),
    tailwind(),
    licences.listing,
    // The server hands them out as they are: to compress each answer anew took it longer than all else.
    compression({ algorithms: ['gzip'], include: /\.(?:js|css|svg|ttf)$/ }),
    VitePWA({
      // Registered by the app itself, which offers an update and never forces it.
      injectRegister: false,
      registerType: 'prompt',
      manifest: {
        name: 'Glow Tally',
        short_name: 'Glow Tally',
        description: 'Plans LED strip and pixel installations on USB and low voltage.',
        start_url: '/',
        display: 'standalone',
        background_color: '#15161c',
        theme_color: '#15161c',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-full-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
      workbox: {
        // Every part, those too that a stage asks for later.
        globPatterns: ['**/*.{js,css,html,svg,png,jpg,woff2,ttf}'],
        dontCacheBustURLsMatching: /^assets\//,
        maximumFileSizeToCacheInBytes: 8_000_000,
        // The first visit, too, is served from what is kept as soon as all of it is.
        clientsClaim: true,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/health/],
        inlineWorkboxRuntime: true,
      },
    }),
  ],
  worker: { format: 'es', plugins: () => [licences.noting()] },
  // Inlined assets would need data: in the content security policy.
  build: {
    target: 'es2023',
    // Where `light-dark()` is known: put into other words it would hold for the whole page, not for a part of it.
    cssTarget: ['chrome123', 'firefox120', 'safari17.5'],
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
              priority: 2,
            },
            {
              // What each page asks for a moment later, in one file, too: seventy small ones cost as much as all else. Not what is large and
              // seldom needed: forms with their checks, dialogs, charts.
              name: 'soon',
              test: new RegExp(
                [
                  'src/app/ui/(?!Form|LineChart|MoreFields|typed-schema|use-checked-form)',
                  String.raw`src/app/measure/(?!\w+Dialog)`,
                  'src/app/bench/',
                  'src/app/shell/(?:DropTarget|Example|Explained|Plan|Roll|Verdict|keys)',
                  'node_modules/@headlessui/',
                ].join('|'),
              ),
              priority: 1,
            },
          ],
        },
      },
    },
  },
})
