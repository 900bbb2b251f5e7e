import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import { build } from 'esbuild'
import { fingerprints } from './scripts/fingerprints.mjs'
import { HEADERS } from './server/security-headers'

/** Under which path the app is served, with a slash at both ends; said when it is built. */
const base = process.env.NUXT_APP_BASE_URL ?? '/'
if (!/^\/(?:[\w.-]+\/)*$/.test(base)) throw new Error(`NUXT_APP_BASE_URL has a slash at both ends, as /bench/: “${base}”`)

const core = fileURLToPath(new URL('./core', import.meta.url))

export default defineNuxtConfig({
  modules: ['@pinia/nuxt', '@nuxt/eslint', '@vite-pwa/nuxt'],
  $development: {
    // Nuxt 4.4.5 in development looks for a server entry even without server rendering, and stops when there is none.
    vite: { environments: { ssr: { build: { rollupOptions: { input: { server: 'nuxt/dist/app/entry' } } } } } },
  },
  ssr: false,
  components: [{ path: '~/components', pathPrefix: false }],
  imports: { autoImport: false },
  devtools: { enabled: false },
  // A page is fetched and read when a hand goes for its link, not all of them as soon as one is opened: the service worker has them anyway.
  experimental: { defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } } },
  app: {
    head: {
      title: 'Ruddy Bramble',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'A maker’s bench for wreaths, swags and garlands.' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: `${base}icon.svg` },
        { rel: 'manifest', href: `${base}manifest.webmanifest` },
      ],
    },
  },
  css: ['~/assets/main.css'],
  runtimeConfig: { public: { demo: false, made: fingerprints() } },
  alias: { '#core': core },
  compatibilityDate: '2026-01-01',
  nitro: {
    errorHandler: '~~/server/error',
    serverAssets: [{ baseName: 'demo', dir: '../demo' }],
    compressPublicAssets: true,
    // The solver runs in threads, whose script is made beside the server's; it reads its WebAssembly beside its own file.
    externals: { traceInclude: ['node_modules/highs/build/highs.mjs', 'node_modules/highs/build/highs.wasm'] },
    hooks: {
      async compiled({ options }) {
        await build({
          entryPoints: [fileURLToPath(new URL('./server/basket/worker.ts', import.meta.url))],
          outfile: join(
            options.dev ? options.buildDir : options.output.serverDir,
            options.dev ? 'dev/basket-worker.mjs' : 'basket-worker.mjs',
          ),
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          external: ['highs'],
          logLevel: 'warning',
        })
      },
    },
    routeRules: { '/**': { headers: { ...HEADERS } } },
  },
  vite: {
    plugins: [tailwindcss()],
    // What the PDF writer brings along for pictures of pages, which nobody here asks for.
    resolve: {
      alias: Object.fromEntries(
        ['html2canvas', 'dompurify', 'canvg'].map((name) => [name, fileURLToPath(new URL('./app/print/left-out.ts', import.meta.url))]),
      ),
    },
    worker: { format: 'es' },
    build: {
      target: 'es2022',
      // No module of the core does anything by being read, so a page takes along only what it uses of a room.
      rollupOptions: { treeshake: { moduleSideEffects: (id: string) => !id.startsWith(core) } },
    },
  },
  typescript: { strict: true },
  telemetry: false,
  // How lines are broken is the formatter's business.
  eslint: { config: { stylistic: false } },
  // After one visit every page opens without the server; a new version waits until it is asked for.
  pwa: {
    registerType: 'prompt',
    manifest: {
      name: 'Ruddy Bramble',
      short_name: 'Ruddy Bramble',
      description: 'A maker’s bench for wreaths, swags and garlands.',
      lang: 'en',
      start_url: base,
      display: 'standalone',
      background_color: '#EDF2EE',
      theme_color: '#EDF2EE',
      icons: [192, 512].map((size) => ({
        src: `${base}icon-${size}.png`,
        sizes: `${size}x${size}`,
        type: 'image/png',
        purpose: 'any maskable' as const,
      })),
    },
    workbox: {
      globPatterns: ['**/*.{js,css,woff2,svg,png}'],
      maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
      // The page is made by the server; every address is the same page.
      additionalManifestEntries: [{ url: base, revision: String(Date.now()) }],
      navigateFallback: base,
      navigateFallbackDenylist: [new RegExp(`^${base.replaceAll('.', '\\.')}api/`)],
      cleanupOutdatedCaches: true,
    },
    client: { registerPlugin: true },
  },
})
