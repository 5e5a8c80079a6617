import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { standIns } from '#core/planning/today/bottles'
import { absorbedOf } from '#core/treatment/step/absorption'
import { isStopping, productUsed, restingNow } from '#core/treatment/order/atHand'
import { minutesLeft, minutesShort } from '#core/treatment/order/pace'
import { courses, looksDue } from '#core/treatment/stop/rednessCourse'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** What the room shows now, read off the taps. */
export function useRoomView() {
  const visit = useVisit()
  const room = useRoom()
  const slot = computed(() => visit.bundle?.visit)
  const resting = computed(() =>
    room.state ? restingNow(room.state, room.everyStep, room.now, room.bottleOf) : [],
  )
  /** A mask that sets hard is waited for in silence, unless the step is looked at or it comes off. */
  const shown = ref('')
  const silent = computed(() =>
    resting.value.find(
      ({ quiet, key, comesOffFirst }) => quiet && !comesOffFirst && shown.value !== key,
    ),
  )
  const late = computed(() => resting.value.some(({ word }) => word === 'late'))
  const due = computed(() => late.value || resting.value.some(({ word }) => word === 'due'))
  const left = computed(() =>
    room.state && slot.value ? minutesLeft(room.state, slot.value, room.now) : 0,
  )
  const short = computed(() =>
    room.state && slot.value ? minutesShort(room.state, room.steps, slot.value, room.now) : 0,
  )
  const stopping = computed(() => room.state !== null && isStopping(room.state))
  const finished = computed(() => room.state?.finishedAt !== undefined)
  const sentWords = computed(() =>
    room.line === 'sent'
      ? 'Every tap is saved on the server.'
      : 'Some taps are still on this device; they are being sent.',
  )
  /** What the zones may be asked about now: it is off again, or worked in. */
  const watered = computed(() => room.state && absorbedOf(room.state, room.steps))
  /** Zones on which redness is to be looked at again. */
  const looks = computed(() => {
    if (!room.state) return []
    const all = courses(room.state, room.everyStep, room.context?.baseline ?? {}, room.now)
    return looksDue(all, room.now)
  })
  /** Products that may stand in at this step. */
  const swaps = computed(() => {
    if (!room.current || !room.state || !room.input) return []
    const kind = techniqueOf(room.current).product
    const products = standIns(kind, productUsed(room.state, room.current), room.input)
    return products.map(({ id, name }) => ({ value: id, word: name }))
  })
  return {
    resting,
    due,
    late,
    left,
    short,
    stopping,
    finished,
    sentWords,
    watered,
    looks,
    swaps,
    silent,
    shown,
  }
}
