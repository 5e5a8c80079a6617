import { dropDraft, readDraft, writeDraft } from '~/composables/keep'

/**
 * Keeps on this device what is being typed until the house has it. Called while a page is set up;
 * once it is mounted an earlier draft is put back.
 * Listening begins before the earlier draft is read: what is typed in that moment is kept, and
 * wins.
 * @param options.key looked up anew at each write; empty while there is nothing to keep under
 * @param options.open false once nothing may be changed any more
 */
export function useDraft<T>(options: {
  key: () => string
  value: () => T
  restore: (draft: T) => void
  changed?: () => void
  open?: () => boolean
}) {
  const open = () => options.key() !== '' && (options.open?.() ?? true)
  async function start() {
    let typed = false
    watch(
      options.value,
      (value) => {
        typed = true
        options.changed?.()
        if (open()) void writeDraft(options.key(), value).catch(() => {})
      },
      { deep: true },
    )
    const draft = options.key() === '' ? undefined : await readDraft<T>(options.key())
    if (draft !== undefined && !typed && open()) options.restore(draft)
  }
  return { start, drop: () => dropDraft(options.key()) }
}
