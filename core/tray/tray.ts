import { FINGERTIP_KINDS, JARS, MILK } from '../catalogue/rules/dosing'
import { KIND_NAMES } from '../catalogue/kinds'
import type { Product } from '../catalogue/products/products'
import type { PlanStep } from '../catalogue/techniques/step'
import type { DeviceKey } from '../catalogue/techniques/ownShapes'
import { deviceOf, techniqueOf } from '../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { TOOLS, type ToolId } from '../catalogue/techniques/tools'
import { TRAY_RULES, warmUpOf, type TrayRule } from '../catalogue/techniques/linen'
import { fingertipUnits, type Amount } from '../dosing/amount'
import { heldWords } from '../hygiene/tools'
import { doseOf } from '../dosing/layers'
import { learnedWords } from '../dosing/learned'
import { mixFor, type Mix, type Mixed } from '../dosing/mixing'
import { schedule } from '../timing/schedule'
import { confirmationsFor } from '../screening/consent/confirm'
import { alongside } from '../planning/today/alongside'
import { bottleInHand, productTrouble, standIns } from '../planning/today/bottles'
import type { PlanInput, ShelfItem } from '../planning/input'
import { linenFor, type Linen } from './linen'

export interface TrayProduct {
  key: string
  /** The step it is for, and its name. */
  stepKey: string
  step: string
  productId: string
  name: string
  amount: Amount
  extra: string | null
  lot: string | null
  /** It is the other half of an opened piece: good until then, milliseconds since 1970. */
  half: number | null
  trouble: string | null
  /** Too little is left of it. */
  short: boolean
  /** What else may be taken for the step instead, where something is wrong with it. */
  instead: readonly { id: string; name: string }[]
}
interface TrayDevice {
  kind: DeviceKey
  name: string
  switchOnMinute: number
  neededMinute: number
  ready: boolean
  /** How it is made clean after the visit, where the house has said so of a kind of its own. */
  cleaning?: string
}
interface TrayMix {
  key: string
  name: string
  /** Minute at which it is mixed, from the start of the first step. */ atMinute: number
  mix: Mix
}
export interface Tray {
  mixes: readonly TrayMix[]
  products: readonly TrayProduct[]
  devices: readonly TrayDevice[]
  linen: readonly Linen[]
  /** What touches the skin and is used again, in its order; not clean: it is on no tray. */
  tools: readonly { tool: ToolId; name: string; say: string; clean: boolean }[]
  /** What to see to before which steps, and how the client lies. */
  confirms: readonly { say: string; steps: readonly string[] }[]
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
  const startOf = (place: number) => times[place]?.start ?? 0
  const devices = devicesFor(input, steps, startOf)
  const laid = steps.flatMap((step, place) => [
    productFor(step, startOf(place), input),
    ...alongsideFor(step, input),
  ])
  const products = laid.flatMap((one) => one.product ?? [])
  const jars = products.filter(({ amount }) => JARS.includes(amount.measure)).length
  return {
    mixes: laid.flatMap((one) => one.mix ?? []),
    products,
    devices,
    linen: linenFor(input, steps, jars, rules),
    tools: toolsFor(input, steps),
    confirms: confirmsIn(input, steps),
    missing: [
      ...laid.flatMap((one) => one.missing),
      ...toolsFor(input, steps).flatMap(({ tool, clean }) => (clean ? [] : [heldWords(tool)])),
      ...devices.filter((device) => !device.ready).map((device) => `${device.name}: not ready`),
    ],
  }
}

const toolsFor = ({ held = [] }: PlanInput, steps: readonly PlanStep[]): Tray['tools'] =>
  [...new Set(steps.flatMap(({ technique }) => TECHNIQUES[technique].tools ?? []))].map((tool) => ({
    tool,
    name: laidName(tool),
    say: TOOLS[tool].laid?.say ?? '',
    clean: !held.includes(tool),
  }))

function laidName(tool: ToolId): string {
  const { name, laid } = TOOLS[tool]
  return laid?.count === undefined ? name : `${laid.count} × ${name}`
}

/** Each thing to see to, once, with the steps that wait for it; throughout hold for the whole. */
function confirmsIn({ verdict }: PlanInput, steps: readonly PlanStep[]) {
  const waiting = new Map<string, Set<string>>()
  for (const { say } of verdict.throughout) waiting.set(say, new Set())
  for (const step of steps) {
    const technique = techniqueOf(step)
    for (const { say } of confirmationsFor(technique, verdict))
      waiting.set(say, (waiting.get(say) ?? new Set()).add(technique.name))
  }
  return [...waiting].map(([say, names]) => ({ say, steps: [...names] }))
}

/** Each device once, in the order they are switched on: what takes long may be wanted last. */
function devicesFor(
  input: PlanInput,
  steps: readonly PlanStep[],
  startOf: (place: number) => number,
): TrayDevice[] {
  const devices = new Map<DeviceKey, TrayDevice>()
  steps.forEach((step, place) => {
    const device = deviceOf(techniqueOf(step))
    if (!device || devices.has(device.kind)) return
    const neededMinute = startOf(place)
    const { kind, name, like } = device
    devices.set(kind, {
      kind,
      name,
      switchOnMinute: neededMinute - warmUpOf(like),
      neededMinute,
      ready: input.devices.includes(kind),
      ...(step.own?.device ? { cleaning: step.own.device.cleaning } : {}),
    })
  })
  return [...devices.values()].sort((one, other) => one.switchOnMinute - other.switchOnMinute)
}

interface Laid {
  product?: TrayProduct
  mix?: TrayMix
  missing: readonly string[]
}

/** The bottle of one step, how much of it, and what it lacks. */
function productFor(step: PlanStep, start: number, input: PlanInput): Laid {
  const technique = techniqueOf(step)
  if (!technique.product) return { missing: [] }
  const item = input.shelf.find((one) => one.product.id === step.productId)
  if (!item) return { missing: [`${technique.name}: no product`] }
  const { product, lots } = item
  const trouble = productTrouble(product, lots, input)[0]?.text ?? null
  const amount = doseOf(step, product, input)
  const mix = mixOf(step, item, amount, start, input)
  return { ...layOut({ step, product, lots, amount, trouble }, input), ...(mix ? { mix } : {}) }
}

interface Taken extends ShelfItem {
  step: PlanStep
  amount: Amount
  trouble: string | null
}
/** One bottle on the tray, and what it lacks. */
function layOut({ step, product, lots, amount, trouble }: Taken, input: PlanInput): Laid {
  const lot = bottleInHand(product, lots, input.today, amount.millilitres)
  const short = lot && lot.remainingMillilitres < amount.millilitres
  return {
    product: {
      key: `${step.key}-${product.kind}`,
      stepKey: step.key,
      step: techniqueOf(step).name,
      productId: product.id,
      name: product.name,
      amount,
      extra: extraWords(product, amount, input),
      lot: lot?.code ?? null,
      half: lot?.half?.until ?? null,
      trouble,
      short: short === true,
      instead: trouble || short ? insteadOf(step, product.id, input) : [],
    },
    missing: [
      ...(trouble ? [`${product.name}: ${trouble}`] : []),
      ...(short ? [shortWords(product.name, lot.remainingMillilitres, amount.millilitres)] : []),
    ],
  }
}

/** Other bottles that the step may be done with; what comes along is chosen anew by itself. */
function insteadOf(step: PlanStep, productId: string, input: PlanInput): TrayProduct['instead'] {
  const { product: kind } = techniqueOf(step)
  if (step.productId !== productId) return []
  return standIns(kind, productId, input).map(({ id, name }) => ({ id, name }))
}

/** What is said beside an amount: in fingertip units, and how it differs from the usual. */
function extraWords(product: Product, { grams }: Amount, input: PlanInput): string | null {
  const units = FINGERTIP_KINDS.includes(product.kind)
    ? `${fingertipUnits(grams)} fingertip units`
    : ''
  return [units, learnedWords(product, input)].filter(Boolean).join('; ') || null
}

/** What a step takes beside its own product: bottles like others, and missed like others. */
const alongsideFor = (step: PlanStep, input: PlanInput): Laid[] =>
  alongside(step, input).map(({ kind, from }) =>
    from
      ? layOut(
          { step, product: from.product, lots: from.lots, amount: from.amount, trouble: null },
          input,
        )
      : { missing: [`${techniqueOf(step).name}: no ${KIND_NAMES[kind]}`] },
  )

const shortWords = (name: string, left: number, needed: number) =>
  `${name}: ${left.toFixed(1)} mL left, ${needed.toFixed(1)} needed`

function mixOf(
  step: PlanStep,
  { product }: ShelfItem,
  amount: Amount,
  start: number,
  input: PlanInput,
): TrayMix | undefined {
  const mix = stirred(product, amount.count, input)
  return mix && { key: step.key, name: product.name, atMinute: start - mix.beforeMinutes, mix }
}

/**
 * What is stirred into so much powder for this client; undefined for what comes ready.
 * @param powder measures of it, as its dose says or as was taken
 */
export const stirred = (
  product: Mixed,
  powder: number,
  { verdict, profile }: Pick<PlanInput, 'verdict' | 'profile'>,
): Mix | undefined =>
  mixFor(
    product,
    powder,
    profile.type,
    !verdict.substances.some((substance) => substance.family === MILK),
  )
