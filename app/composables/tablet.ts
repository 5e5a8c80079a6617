import { useLocalStorage } from '@vueuse/core'

/** What belongs to this tablet and not to a person: its name, its foot switch, its sounds. */
export const SOUNDS = ['soft', 'silent'] as const
export type Sound = (typeof SOUNDS)[number]

const options = { initOnMounted: true } as const
export function useTablet() {
  return {
    name: useLocalStorage('oak-basin-tablet-name', '', options),
    /** The key that the foot switch sends; '' while none was learnt. */
    pedal: useLocalStorage('oak-basin-pedal', '', options),
    sound: useLocalStorage<Sound>('oak-basin-sound', 'soft', options),
  }
}
