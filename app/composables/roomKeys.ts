import { useEventListener } from '@vueuse/core'

/**
 * The room's keys, for a keyboard and a foot switch alike. A key typed into a field, on a zone of
 * the face or with a modifier is left alone; a space on a button is the button's own.
 * @param keys what each key does, by its small letter
 * @param escape what Escape does
 * @param listening whether keys count now
 */
export function useRoomKeys(
  keys: Readonly<Record<string, () => unknown>>,
  escape: () => void,
  listening: (key: string) => boolean,
): void {
  useEventListener('keydown', (event: KeyboardEvent) => {
    if (event.key === 'Escape') {
      escape()
      return
    }
    const target = event.target as Element
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (target.closest('input,textarea,select,[data-zone]')) return
    if (event.key === ' ' && target.closest('button')) return
    const run = keys[event.key.toLowerCase()]
    if (!run || !listening(event.key)) return
    event.preventDefault()
    void run()
  })
}
