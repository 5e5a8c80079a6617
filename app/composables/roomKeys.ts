import { useEventListener } from '@vueuse/core'
import { useTablet } from './tablet'

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
  const { pedal } = useTablet()
  useEventListener('keydown', (event: KeyboardEvent) => {
    if (pedal.value !== '' && event.key === pedal.value) {
      event.preventDefault()
      if (!event.repeat) pressNext()
      return
    }
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

/** What the foot switch does: the one thing that comes next, in whatever is open. */
function pressNext(): void {
  const open = [...document.querySelectorAll<HTMLElement>('.v-overlay--active [data-next]')].at(-1)
  const next = open ?? document.querySelector<HTMLElement>('[data-next]')
  next?.click()
}
