import { defineNuxtPlugin, useRuntimeConfig } from '#app'
import { servedAt } from '~/utils/address'

export default defineNuxtPlugin({
  name: 'address',
  enforce: 'pre',
  setup: () => servedAt(useRuntimeConfig().app.baseURL),
})
