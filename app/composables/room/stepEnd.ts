import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { confirmationsFor } from '#core/screening/consent/confirm'
import { wantsReading } from '#core/treatment/order/atHand'
import { attendedNow, beforeHold } from '#core/treatment/fold/attended'
import { askedBeforeDone } from '#core/treatment/order/beforeDone'
import { unconfirmed } from '#core/treatment/fold/confirm'
import { lastEnded } from '#core/treatment/order/moments'
import { leavesOn, spotsDue, sweepWith, type Sweep } from '#core/treatment/step/sweep'
import { useRoom } from '~/stores/room'

const PAD_NOT_CLEAN = 'the pad was not clean'
const TWICE = 'Tap again to end it anyway.'

/**
 * What the big button says and does: it confirms what the step waits for, asks once where
 * something is early, uneven or left out, and ends the step with its ticks in one tap.
 * @param openReading opens the second reading; true while that is open
 * @param isReading whether the reading is open
 */
export function useStepEnd(openReading: () => void, isReading: () => boolean, shut: () => void) {
  const room = useRoom()
  const warn = ref('')
  /** What was asked once already, so that the second tap goes through. */
  let asked = ''
  const step = computed(() => room.current)
  const last = computed(() => room.place === room.moments.length - 1)
  /** What this step waits for before it may go on. */
  const waits = computed(() => {
    if (!step.value || !room.state || !room.context || !room.input) return []
    const rules = unconfirmed(room.state, room.context, step.value)
    return confirmationsFor(techniqueOf(step.value), room.input.verdict).filter(({ rule }) =>
      rules.includes(rule),
    )
  })
  const reads = computed(() =>
    room.state && step.value ? wantsReading(room.state, step.value) : false,
  )
  const sweep = computed<Sweep>(() =>
    room.state && step.value
      ? sweepWith(room.state, room.everyStep, step.value, room.next)
      : { spots: [], ticked: [] },
  )
  /** The big button says of these that they are clear. */
  const unticked = computed(() =>
    sweep.value.spots.filter((spot) => !sweep.value.ticked.includes(spot)),
  )
  /** Nothing stays on before the spots were looked at. */
  const sweepFirst = computed(
    () =>
      room.state !== null &&
      step.value !== undefined &&
      leavesOn(step.value) &&
      spotsDue(room.state, room.everyStep).length > 0,
  )
  /** The last pad was not clean: the button does not say that it was. */
  const soiled = computed(() => {
    const pads = step.value ? (room.state?.pads[step.value.key] ?? []) : []
    return (pads.at(-1) ?? 0) > 0
  })
  const word = computed(() => {
    if (!step.value) return ''
    if (waits.value.length > 0) return 'Seen to: begin'
    if (reads.value) return 'Read the bare skin'
    if (sweepFirst.value) return 'Spots clear: begin'
    if (soiled.value) return `Not clean, ${last.value ? 'finish' : 'next'} anyway`
    const { seen } = room.cue ?? techniqueOf(step.value)
    const spots = unticked.value.length > 0 ? `Spots clear, ${seen.toLowerCase()}` : seen
    return `${spots}, ${last.value ? 'finish' : 'next'}`
  })

  /** Something to see to first; true where this tap was for that. */
  async function seenTo(key: string): Promise<boolean> {
    if (waits.value.length > 0) {
      const rules = [...new Set(waits.value.map(({ rule }) => rule))]
      await room.tap({ kind: 'confirmed', key, rules })
      return true
    }
    if (reads.value && !isReading()) {
      openReading()
      return true
    }
    if (sweepFirst.value) {
      await room.tap({ kind: 'swept', key, spots: unticked.value })
      return true
    }
    return false
  }
  async function done(because?: string): Promise<void> {
    warn.value = ''
    if (!step.value || !room.state) return
    const { key } = step.value
    if (await seenTo(key)) return
    const asks = askedBeforeDone(room.state, room.everyStep, step.value, room.now)
    if (asks.length > 0 && asked !== key && because === undefined) {
      asked = key
      warn.value = [...asks, TWICE].join(' ')
      return
    }
    const ending = last.value
    const why = because ?? (soiled.value ? PAD_NOT_CLEAN : undefined)
    const inside = room.open.filter((own) => own.key !== key).map((own) => own.key)
    await room.tap({
      kind: 'stepDone',
      key,
      cue: why === undefined,
      ...(why === undefined ? {} : { because: why }),
      ...(inside.length > 0 ? { with: inside } : {}),
      ...(sweep.value.spots.length > 0 ? { swept: [...sweep.value.spots] } : {}),
    })
    shut()
    if (ending) await finish()
  }
  async function finish(): Promise<void> {
    await room.tap({ kind: 'finished' })
    await room.flush()
  }
  /** A slip of the hand: the step before is at hand again. */
  const before = computed(() => room.state && lastEnded(room.state, room.everyStep))
  async function back(): Promise<void> {
    if (!before.value) return
    warn.value = ''
    asked = ''
    await room.tap({ kind: 'takenBack', key: before.value.key })
  }
  /** Hands away for a moment; not before what is never left alone is turned away. */
  async function hold(): Promise<void> {
    warn.value = ''
    if (!room.state) return
    if (room.state.heldSince !== undefined) return room.tap({ kind: 'resumed' })
    const first = beforeHold(attendedNow(room.state, room.everyStep, step.value))
    const own = `hold ${step.value?.key}`
    if (first && asked !== own) {
      asked = own
      warn.value = first
      return
    }
    await room.tap({ kind: 'held' })
  }
  watch(step, () => {
    warn.value = ''
  })
  return { step, waits, sweep, word, warn, done, finish, before, back, hold }
}
