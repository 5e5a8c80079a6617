import { KIND_NAMES } from '#core/catalogue/kinds'
import { byMeasures, measuresWords } from '#core/dosing/byHand'
import { doseOf } from '#core/dosing/layers'
import { besideAmount } from '#core/dosing/portions'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { alongside } from '#core/planning/today/alongside'
import { bottleInHand } from '#core/planning/today/bottles'
import { stirred } from '#core/tray/tray'
import { productUsed } from '#core/treatment/order/atHand'
import { millilitres } from '#core/units'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** With what a step is done and how much of it: as planned, until something else is tapped. */
export function useAmount(step: () => PlanStep) {
  const room = useRoom()
  const visit = useVisit()
  const item = computed(() => {
    if (!room.state) return undefined
    const used = productUsed(room.state, step())
    return visit.bundle?.shelf.find((one) => one.product.id === used)
  })
  const planned = computed(() =>
    item.value && room.input ? doseOf(step(), item.value.product, room.input) : undefined,
  )
  const taken = computed(() => room.state?.taken[step().key])
  const now = computed(() => taken.value?.millilitres ?? planned.value?.millilitres ?? 0)
  const words = computed(() => {
    if (!item.value || !planned.value) return ''
    return taken.value ? measuresWords(item.value.product, now.value) : planned.value.words
  })
  const beside = computed(() =>
    item.value && room.input && planned.value
      ? besideAmount(step(), item.value.product, now.value, room.input)
      : [],
  )

  const along = computed(() => {
    if (!room.input) return []
    const productId = item.value?.product.id
    const used = productId === undefined ? step() : { ...step(), productId }
    // What is stirred in stands on the mixing card already.
    return alongside(used, room.input).flatMap(({ kind, from }) =>
      from && !mix.value?.parts.some(({ name }) => name === KIND_NAMES[kind]) ? from : [],
    )
  })

  /** The mixing card: what is stirred into the powder that is taken. */
  const mix = computed(() =>
    item.value && room.input && now.value > 0
      ? stirred(
          item.value.product,
          now.value / item.value.product.dispenser.millilitres,
          room.input,
        )
      : undefined,
  )

  async function take(amount: number): Promise<void> {
    if (!item.value || !visit.bundle) return
    const { product, lots } = item.value
    const bottle = bottleInHand(product, lots, visit.bundle.today, amount)
    const lotId = bottle?.code ?? taken.value?.lotId ?? lots[0]?.code
    if (lotId === undefined) return
    await room.tap({
      kind: 'amountTaken',
      key: step().key,
      productId: product.id,
      lotId,
      millilitres: amount,
      ...(bottle?.half ? { half: true as const } : {}),
    })
  }
  const turn = (by: 1 | -1) =>
    item.value ? take(byMeasures(item.value.product, now.value, by)) : undefined
  const add = (more: number) => take(now.value + more)
  return {
    item,
    planned,
    taken,
    now: computed(() => millilitres(now.value)),
    words,
    beside,
    along,
    mix,
    turn,
    add,
  }
}
