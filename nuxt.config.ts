import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import vuetify, { transformAssetUrls } from 'vite-plugin-vuetify'
import { buildServiceWorker } from './scripts/lib/serviceWorker.mjs'
import { buildWorkers } from './scripts/lib/workers.mjs'
import { templateOptions } from './templateOptions'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  telemetry: false,
  devtools: { enabled: false },
  // One signed-in tool, no public pages to index: the browser renders, the server answers data
  // (docs/decisions/house/0001).
  ssr: false,
  modules: ['@pinia/nuxt', 'nuxt-security', '@nuxt/eslint'],
  alias: { '#core': at('./core') },
  components: false,
  imports: { scan: false },
  pinia: { storesDirs: [] },
  css: [
    '@fontsource-variable/bricolage-grotesque/wght.css',
    '@fontsource-variable/figtree/wght.css',
    '~/theme/main.css',
    '~/theme/vuetify.css',
  ],
  app: {
    head: {
      title: 'Gentle Arch',
      htmlAttrs: { lang: 'en' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  build: { transpile: ['vuetify'] },

  vite: {
    plugins: [vuetify({ autoImport: true })],
    vue: { template: { transformAssetUrls, compilerOptions: templateOptions } },
    worker: { format: 'es' },
    optimizeDeps: { include: ['@mdi/js', 'comlink', 'three', 'zod', 'idb'] },
  },
  hooks: {
    // Once all files that a browser asks for are there, and before the server is told which.
    'nitro:build:public-assets': (nitro) => buildServiceWorker(nitro.options.output.publicDir),
  },
  postcss: { plugins: { cssnano: false } },
  nitro: {
    preset: 'node-server',
    compressPublicAssets: { gzip: true, brotli: true },
    hooks: {
      // The server's threads have a bundle of their own, beside it.
      compiled: async (nitro) => {
        await buildWorkers(join(nitro.options.output.serverDir, 'workers'))
      },
    },
  },
  // Files are larger than other requests; these routes know and check their own limits.
  routeRules: {
    '/api/fittings/*/scans': {
      security: {
        requestSizeLimiter: {
          maxRequestSizeInBytes: 125_000_000,
          maxUploadFileRequestInBytes: 125_000_000,
        },
      },
    },
    '/api/fittings/*/photos': {
      security: {
        requestSizeLimiter: {
          maxRequestSizeInBytes: 12_500_000,
          maxUploadFileRequestInBytes: 12_500_000,
        },
      },
    },
    '/api/models': {
      security: {
        requestSizeLimiter: {
          maxRequestSizeInBytes: 25_000_000,
          maxUploadFileRequestInBytes: 25_000_000,
        },
      },
    },
    '/api/records': {
      security: {
        requestSizeLimiter: {
          maxRequestSizeInBytes: 12_500_000,
          maxUploadFileRequestInBytes: 12_500_000,
        },
      },
    },
  },
  experimental: { appManifest: false },
  typescript: { strict: true },
  security: {
    nonce: true,
    sri: true,
    rateLimiter: false,
    // Bodies are checked by contract in every route; this filter would reject or alter honest text.
    xssValidator: false,
    corsHandler: false,
    requestSizeLimiter: {
      maxRequestSizeInBytes: 2_000_000,
      maxUploadFileRequestInBytes: 2_000_000,
    },
    headers: {
      crossOriginEmbedderPolicy: false,
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'base-uri': ["'none'"],
        'object-src': ["'none'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'worker-src': ["'self'", 'blob:'],
        'style-src': ["'self'", "'nonce-{{nonce}}'"],
        'style-src-attr': ["'unsafe-inline'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'strict-dynamic'"],
        'script-src-attr': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
        'upgrade-insecure-requests': false,
      },
      strictTransportSecurity: false,
    },
  },
})
