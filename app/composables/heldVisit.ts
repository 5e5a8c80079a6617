import type { VisitBundle } from '#core/visit/bundle'

/** Parts are replaced, and so is what is in them. */
type Held = {
  readonly [Part in keyof VisitBundle]: VisitBundle[Part] extends readonly unknown[]
    ? VisitBundle[Part]
    : Readonly<VisitBundle[Part]>
}

/**
 * The visit that a page works on. Replaced, never changed inside, and never wrapped: planning and
 * checking read it ten thousand times, and each read through Vue's own watching costs many times the
 * reading.
 */
export function useHeld() {
  /** As it came: a page that was drawn by the house takes it over by this name. */
  const held = shallowRef<Held | null>(null)
  const bundle = computed<Held | null>({
    get: () => toRaw(held.value),
    set: (next) => {
      held.value = next
    },
  })
  /** Puts parts of it in the place of others. */
  function put(parts: Partial<VisitBundle>): void {
    if (bundle.value) bundle.value = { ...bundle.value, ...parts }
  }
  return { held, bundle, put }
}
