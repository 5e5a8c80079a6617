import type { ComputedRef } from 'vue'
import { useTablet } from '~/composables/tablet'

/** Soft tones made in the page: hertz one after the other, and how loud of 1. */
const TONES = {
  due: { notes: [523, 659], loud: 0.06 },
  late: { notes: [659, 523, 659], loud: 0.09 },
  stop: { notes: [330, 262], loud: 0.14 },
} as const
export type ToneId = keyof typeof TONES
const NOTE_SECONDS = 0.34
const FADE_SECONDS = 0.28

let context: AudioContext | undefined
/** A note swells and fades; nothing clicks, nothing startles. */
export function playTone(id: ToneId): void {
  try {
    context ??= new AudioContext()
  } catch {
    return // no sound on this device: the edge still breathes
  }
  const { notes, loud } = TONES[id]
  const { currentTime, destination } = context
  notes.forEach((hertz, place) => {
    if (!context) return
    const from = currentTime + place * NOTE_SECONDS
    const oscillator = context.createOscillator()
    const gain = context.createGain()
    oscillator.frequency.value = hertz
    gain.gain.setValueAtTime(0, from)
    gain.gain.linearRampToValueAtTime(loud, from + NOTE_SECONDS - FADE_SECONDS)
    gain.gain.linearRampToValueAtTime(0, from + NOTE_SECONDS)
    oscillator.connect(gain).connect(destination)
    oscillator.start(from)
    oscillator.stop(from + NOTE_SECONDS)
  })
}

/** Speaks when something becomes due, late or is stopped; a silent tablet keeps still. */
export function useRoomSounds(asked: Readonly<Record<ToneId, ComputedRef<boolean>>>): void {
  const { sound } = useTablet()
  for (const id of ['due', 'late', 'stop'] as const)
    watch(asked[id], (now, before) => {
      if (now && !before && sound.value === 'soft') playTone(id)
    })
}
