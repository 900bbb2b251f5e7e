import { computed, onMounted, reactive, ref } from 'vue'

const MB = 1024 * 1024

/** What the browser says of the storage that it gives this app: how much is used, and whether it may clear it away. */
export function useStorageQuota() {
  const use = ref<{ readonly used: number; readonly most: number } | null>(null)
  /** Null where the browser does not say. */
  const kept = ref<boolean | null>(null)

  async function look(): Promise<void> {
    // Not there without a secure address; then there is nothing to say.
    if (!navigator.storage) return
    const { usage, quota } = await navigator.storage.estimate()
    if (usage !== undefined && quota) use.value = { used: usage, most: quota }
    kept.value = await navigator.storage.persisted()
  }

  /** Asks the browser not to clear the storage away when space is short. */
  async function keep(): Promise<void> {
    if (!navigator.storage) return
    kept.value = await navigator.storage.persist()
    await look()
  }

  const size = (bytes: number): string =>
    bytes < 10 * MB
      ? `${(bytes / MB).toFixed(1)} MB`
      : bytes < 1024 * MB
        ? `${Math.round(bytes / MB)} MB`
        : `${(bytes / MB / 1024).toFixed(1)} GB`
  const says = computed(
    () =>
      use.value &&
      `${size(use.value.used)} of ${size(use.value.most)} used in this browser. ${kept.value === null ? '' : kept.value ? 'The browser keeps it.' : 'The browser may clear it when space is short: export what you would miss.'}`,
  )
  onMounted(look)
  return reactive({ says, kept, keep })
}
