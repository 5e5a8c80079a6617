import { DEVICE_NAMES, type DeviceKind } from '../catalogue/kinds'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { methodOf } from '../catalogue/schools/schools'
import { TRAY_RULES, warmUpOf, type Thing, type TrayRule } from '../catalogue/techniques/linen'
import { amountFor, fingertipUnits, type Amount } from '../dosing/amount'
import { mixFor, type Mix } from '../dosing/mixing'
import { schedule } from '../timing/schedule'
import { spotRegions } from '../planning/today/adapt'
import { productTrouble } from '../planning/today/bottles'
import type { PlanInput } from '../planning/input'

export interface TrayProduct {
  key: string
  step: string
  productId: string
  name: string
  amount: Amount
  extra: string | null
  lot: string | null
  trouble: string | null
}
export interface TrayDevice {
  kind: DeviceKind
  name: string
  switchOnMinute: number
  neededMinute: number
  ready: boolean
}
export interface TrayMix {
  key: string
  name: string
  /** Minute at which it is mixed, from the start of the first step. */ atMinute: number
  mix: Mix
}
export interface Tray {
  mixes: readonly TrayMix[]
  products: readonly TrayProduct[]
  devices: readonly TrayDevice[]
  linen: readonly { name: string; count: number }[]
  missing: readonly string[]
}

/**
 * What to lay out, in the order it is used; when to switch on what; what is missing. Minutes count
 * from the start of the first step, so a warm-up may be negative.
 */
export function trayFor(
  input: PlanInput,
  steps: readonly PlanStep[],
  rules: readonly TrayRule[] = TRAY_RULES,
): Tray {
  const times = schedule(steps, () => undefined).steps
  const products: TrayProduct[] = []
  const devices = new Map<DeviceKind, TrayDevice>()
  const missing: string[] = []
  const mixes: TrayMix[] = []
  const milk = !input.verdict.substances.some((x) => x.family === 'milk')
  steps.forEach((s, i) => {
    const t = TECHNIQUES[s.technique]
    if (t.device && !devices.has(t.device)) {
      const at = times[i]?.start ?? 0
      devices.set(t.device, {
        kind: t.device,
        name: DEVICE_NAMES[t.device],
        switchOnMinute: at - warmUpOf(t.device),
        neededMinute: at,
        ready: input.devices.includes(t.device),
      })
    }
    if (!t.product) return
    const item = input.shelf.find((x) => x.product.id === s.productId)
    if (!item) {
      missing.push(`${t.name}: no product`)
      return
    }
    const trouble = productTrouble(item.product, item.lots, input)[0]?.text ?? null
    if (trouble) missing.push(`${item.product.name}: ${trouble}`)
    const amount = amountFor(item.product, s.regions, input.faceSize)
    const lot = item.lots.find((l) => !l.recalled)
    if (lot && lot.remainingMillilitres < amount.millilitres)
      missing.push(
        `${item.product.name}: ${lot.remainingMillilitres.toFixed(1)} mL left, ${amount.millilitres.toFixed(1)} needed`,
      )
    const mix = mixFor(
      item.product.kind,
      amount.millilitres,
      item.product.dispenser.millilitres,
      input.profile.type,
      milk,
    )
    if (mix)
      mixes.push({
        key: s.key,
        name: item.product.name,
        atMinute: (times[i]?.start ?? 0) - mix.rule.beforeMinutes,
        mix,
      })
    products.push({
      key: s.key,
      step: t.name,
      productId: item.product.id,
      name: item.product.name,
      amount,
      extra: t.id === 'sunProtection' ? `${fingertipUnits(amount.grams)} fingertip units` : null,
      lot: lot?.code ?? null,
      trouble,
    })
  })
  for (const d of devices.values()) if (!d.ready) missing.push(`${d.name}: not ready`)
  // In the order they are switched on: what takes long may be wanted last.
  return {
    mixes,
    products,
    devices: [...devices.values()].sort((a, b) => a.switchOnMinute - b.switchOnMinute),
    linen: linenFor(input, steps, products, rules),
    missing,
  }
}

/**
 * A house that takes off with pads or sponges lays those out instead of cloths; spots get pads,
 * used once.
 */
function linenFor(
  input: PlanInput,
  steps: readonly PlanStep[],
  products: readonly TrayProduct[],
  rules: readonly TrayRule[],
): Tray['linen'] {
  const off = steps.reduce((n, s) => n + (TECHNIQUES[s.technique].linen?.cloths ?? 0), 0)
  const pads = steps.reduce((n, s) => n + (TECHNIQUES[s.technique].linen?.pads ?? 0), 0)
  const { linen: way } = methodOf(input.school, input.policy).camps.removal
  const spotted = spotRegions(input.profile).length > 0
  const single = way === 'pads' || spotted
  const count = (r: TrayRule) => {
    const n = steps.filter((s) => r.techniques.includes(s.technique)).length
    return n === 0 ? 0 : r.per === 'visit' ? r.count : r.count * n
  }
  const things: [Thing, number][] = [
    [['fresh cloth', 'fresh cloths'], way === 'cloths' && !spotted ? off : 0],
    [
      ['sponge and a bowl of cool water', 'sponges and a bowl of cool water'],
      way === 'sponges' && !spotted ? 2 : 0,
    ],
    [['cotton pad', 'cotton pads'], pads + (single ? off * 3 : 0)],
    ...rules.map((r): [Thing, number] => [r.item, count(r)]),
    [
      ['clean dry spatula', 'clean dry spatulas'],
      products.filter((p) => p.amount.measure === 'spatula' || p.amount.measure === 'scoop').length,
    ],
  ]
  return things.flatMap(([[one, several], n]) =>
    n > 0 ? [{ name: n === 1 ? one : several, count: n }] : [],
  )
}
