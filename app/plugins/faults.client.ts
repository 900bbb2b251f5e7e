import { defineNuxtPlugin } from '#app'
import { reason } from '~/db/storage-error-text'
import { useNotices } from '~/stores/notices'

/** What nobody caught is told: a fault that is seen can be mended. */
export default defineNuxtPlugin((app) => {
  const tell = (error: unknown): void => {
    console.error(error)
    useNotices().fault('Something went wrong', `${reason(error)}\nWhat you made is kept. If it stays so, reload the page.`)
  }
  app.vueApp.config.errorHandler = tell
  window.addEventListener('unhandledrejection', (event) => {
    event.preventDefault()
    tell(event.reason)
  })
  window.addEventListener('error', (event) => {
    // A browser's own remark about sizes that settle a frame later; nothing is wrong.
    if (event.message.startsWith('ResizeObserver loop')) return
    tell(event.error ?? event.message)
  })
})
