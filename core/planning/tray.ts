import { DEVICE_NAMES, type DeviceKind } from '../catalogue/kinds'
import type { PlanStep } from '../catalogue/step'
import { TECHNIQUES } from '../catalogue/techniques'
import { methodOf } from '../catalogue/schools'
import { amountFor, fingertipUnits, type Amount } from '../dosing/amount'
import { mixFor, type Mix } from '../dosing/mixing'
import { schedule } from '../timing/schedule'
import { spotRegions } from './adapt'
import { productTrouble } from './allowed'
import type { PlanInput } from './input'

export interface TrayProduct { key: string, step: string, productId: string, name: string, amount: Amount, extra: string | null, lot: string | null, trouble: string | null }
export interface TrayDevice { kind: DeviceKind, name: string, switchOnMinute: number, neededMinute: number, ready: boolean }
export interface TrayMix { key: string, name: string, /** Minute at which it is mixed, from the start of the first step. */ atMinute: number, mix: Mix }
export interface Tray { mixes: readonly TrayMix[], products: readonly TrayProduct[], devices: readonly TrayDevice[], linen: readonly { name: string, count: number }[], missing: readonly string[] }

/** Minutes a device takes until it is ready. Common practice: a steamer five to eight minutes, the cautious end. */
const WARM_UP: Readonly<Record<DeviceKind, number>> = { steamer: 8, towelCabinet: 20, tipMachine: 1, highFrequencyWand: 1, crystalMachine: 1, ultrasonicSpatula: 1, needlingPen: 1, lamp: 2, microcurrentWand: 1 }
const CLOTHS: Partial<Record<PlanStep['technique'], number>> = { milk: 1, secondCleanse: 1, oilCleanse: 2, rinse: 1, maskOff: 1, grain: 1, rollOffRub: 1, neutralise: 2, hardeningOff: 2, warmTowel: 1 }
const PADS: Partial<Record<PlanStep['technique'], number>> = { eyesOff: 3, tone: 2, lipScrub: 1 }

/** What to lay out, in the order it is used; when to switch on what; what is missing. Minutes count from the start of the first step, so a warm-up may be negative. */
export function trayFor(input: PlanInput, steps: readonly PlanStep[]): Tray {
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
      devices.set(t.device, { kind: t.device, name: DEVICE_NAMES[t.device], switchOnMinute: at - WARM_UP[t.device], neededMinute: at, ready: input.devices.includes(t.device) })
    }
    if (!t.product) return
    const item = input.shelf.find((x) => x.product.id === s.productId)
    if (!item) { missing.push(`${t.name}: no product`); return }
    const trouble = productTrouble(item.product, item.lots, input)[0]?.text ?? null
    if (trouble) missing.push(`${item.product.name}: ${trouble}`)
    const amount = amountFor(item.product, s.regions, input.faceSize)
    const lot = item.lots.find((l) => !l.recalled)
    if (lot && lot.remainingMillilitres < amount.millilitres) missing.push(`${item.product.name}: ${lot.remainingMillilitres.toFixed(1)} mL left, ${amount.millilitres.toFixed(1)} needed`)
    const mix = mixFor(item.product.kind, amount.millilitres, item.product.dispenser.millilitres, input.profile.type, milk)
    if (mix) mixes.push({ key: s.key, name: item.product.name, atMinute: (times[i]?.start ?? 0) - mix.rule.beforeMinutes, mix })
    products.push({ key: s.key, step: t.name, productId: item.product.id, name: item.product.name, amount, extra: t.id === 'sunProtection' ? `${fingertipUnits(amount.grams)} fingertip units` : null, lot: lot?.code ?? null, trouble })
  })
  for (const d of devices.values()) if (!d.ready) missing.push(`${d.name}: not ready`)
  const count = (table: Partial<Record<PlanStep['technique'], number>>) => steps.reduce((n, s) => n + (table[s.technique] ?? 0), 0)
  // A house that takes off with pads or sponges lays those out instead of cloths; spots get pads, used once.
  const { linen: way } = methodOf(input.school, input.policy).camps.removal
  const off = count(CLOTHS)
  const spotted = spotRegions(input.profile).length > 0
  const single = way === 'pads' || spotted
  const linen = [{ name: 'fresh cloths', count: way === 'cloths' && !spotted ? off : 0 }, { name: 'sponges and a bowl of cool water', count: way === 'sponges' && !spotted ? 2 : 0 }, { name: 'cotton pads', count: count(PADS) + (single ? off * 3 : 0) },
    { name: 'pairs of gloves', count: steps.some((s) => s.technique === 'extraction' || s.technique === 'needling') ? 2 : 0 }, { name: 'sterile cartridge', count: steps.some((s) => s.technique === 'needling') ? 1 : 0 }, { name: 'pairs of goggles', count: steps.some((s) => TECHNIQUES[s.technique].device === 'lamp') ? 2 : 0 }, { name: 'tissues with a breathing slit', count: steps.filter((s) => s.technique === 'blot').length },
    { name: 'clean dry spatulas', count: products.filter((p) => p.amount.measure === 'spatula' || p.amount.measure === 'scoop').length }].filter((l) => l.count > 0)
  return { mixes, products, devices: [...devices.values()], linen, missing }
}
