import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'

export default defineNuxtConfig({
  modules: ['@pinia/nuxt', '@nuxt/eslint'],
  $development: {
    // Nuxt 4.4.5 in development looks for a server entry even without server rendering, and stops when there is none.
    vite: { environments: { ssr: { build: { rollupOptions: { input: { server: 'nuxt/dist/app/entry' } } } } } },
  },
  ssr: false,
  components: [{ path: '~/components', pathPrefix: false }],
  imports: { autoImport: false },
  devtools: { enabled: false },
  app: {
    head: {
      title: 'Ruddy Bramble',
      htmlAttrs: { lang: 'en' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }, { name: 'description', content: 'A maker’s bench for wreaths, swags and garlands.' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  css: ['~/assets/main.css'],
  runtimeConfig: { public: { demo: false } },
  alias: { '#core': fileURLToPath(new URL('./core', import.meta.url)) },
  compatibilityDate: '2026-01-01',
  nitro: { serverAssets: [{ baseName: 'demo', dir: '../demo' }] },
  vite: {
    plugins: [tailwindcss()],
    worker: { format: 'es' },
    build: { target: 'es2022' },
  },
  typescript: { strict: true },
  telemetry: false,
  eslint: { config: { stylistic: { quotes: 'single', semi: false } } },
})
