import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', '@nuxt/eslint'],
  imports: { autoImport: false },
  components: [{ path: '~/components', pathPrefix: false }],
  css: ['~/assets/main.css'],
  alias: { '#core': fileURLToPath(new URL('./core', import.meta.url)) },
  runtimeConfig: { public: { demo: false } },
  nitro: { serverAssets: [{ baseName: 'demo', dir: '../demo' }] },
  vite: {
    // Nuxt 4.4.5 in development looks for a server entry even without server rendering, and stops when there is none.
    environments: { ssr: { build: { rollupOptions: { input: { server: 'nuxt/dist/app/entry' } } } } },
    plugins: [tailwindcss()],
    worker: { format: 'es' },
    build: { target: 'es2022' },
  },
  app: {
    head: {
      title: 'Ruddy Bramble',
      htmlAttrs: { lang: 'en' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }, { name: 'description', content: 'A maker’s bench for wreaths, swags and garlands.' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  eslint: { config: { stylistic: { quotes: 'single', semi: false } } },
  typescript: { strict: true },
})
