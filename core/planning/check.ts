import { orderRule } from '../catalogue/orderRules'
import type { Strength } from '../catalogue/kinds'
import type { PlanStep, Why } from '../catalogue/step'
import { TECHNIQUES } from '../catalogue/techniques'
import type { TechniqueId } from '../catalogue/technique'
import { GROUPS, nameRegions } from '../face/regions'
import { REGION_IDS, type RegionId } from '../face/zones'
import { rimOf, type Rim } from '../load/rim'
import type { Surface } from '../surface/surface'
import { describeUnmet } from '../surface/words'
import { allBars, allowance, productTrouble, type Allowance } from './allowed'
import { isResilient } from './compile'
import type { Edit } from './edit'
import { connect, CONNECTOR_WANTS } from './mend'
import type { PlanInput } from './input'
import { trace, type Trace } from './trace'

export interface Mend { label: string, minutes: number, edits: readonly Edit[] }
export interface PlanFinding {
  rule: string
  strength: Strength
  locked: boolean
  key?: string
  regions: readonly RegionId[]
  text: string
  source: string
  mends: readonly Mend[]
}
export interface Check { trace: Trace, rims: Readonly<Record<RegionId, Rim>>, findings: readonly PlanFinding[] }

/** Everything that stands against a plan, with one-tap mends. A plan is fit when no finding is a stop. */
export function checkPlan(input: PlanInput, steps: readonly PlanStep[]): Check {
  const walked = trace(input, steps)
  const rims = Object.fromEntries(REGION_IDS.map((r) => [r, rimOf(input.profile, r, input.verdict.limit.rimPercent)])) as Record<RegionId, Rim>
  const bars = allBars(input)
  const known = new Map<TechniqueId, Allowance>()
  const allow = (id: TechniqueId) => { const a = known.get(id) ?? allowance(id, input, bars); known.set(id, a); return a }
  const findings: PlanFinding[] = [
    ...floorFindings(input, steps),
    ...steps.flatMap((step, i) => [...permitFindings(step, allow(step.technique)), ...productFindings(step, input, allow(step.technique)), ...calmFindings(step, input, allow(step.technique), walked.states[i]?.before), ...surfaceFindings(step, i, walked, allow)]),
    ...loadFindings(input, steps, walked, rims), ...clockFindings(input, steps, walked), ...layerFindings(input, steps),
  ]
  return { trace: walked, rims, findings }
}

export const isFit = (check: Check) => check.findings.every((f) => f.strength !== 'stop')

function finding(rule: string, text: string, parts: { key?: string, regions?: readonly RegionId[], mends?: readonly Mend[], why?: Why }): PlanFinding {
  const r = orderRule(rule)
  return { rule: parts.why?.rule ?? rule, strength: r.strength, locked: r.locked, regions: parts.regions ?? [], text, source: r.source, mends: parts.mends ?? [], ...(parts.key === undefined ? {} : { key: parts.key }) }
}
const remove = (step: PlanStep): Mend => ({ label: `Take out ${TECHNIQUES[step.technique].name.toLowerCase()}`, minutes: -step.minutes, edits: [{ do: 'remove', key: step.key }] })

const FLOOR: readonly { rule: string, any: readonly TechniqueId[], first: TechniqueId, when?: (i: PlanInput) => boolean, before?: readonly TechniqueId[] }[] = [
  { rule: 'must-settle', any: ['settle'], first: 'settle' },
  { rule: 'must-eyes', any: ['eyesOff'], first: 'eyesOff', when: (i) => i.madeUp },
  { rule: 'must-surface', any: ['milk'], first: 'milk' },
  { rule: 'must-read', any: ['secondReading'], first: 'secondReading' },
  { rule: 'must-deep', any: ['secondCleanse', 'oilCleanse'], first: 'secondCleanse' },
  { rule: 'must-moisturise', any: ['moisturiser'], first: 'moisturiser' },
  { rule: 'must-sun', any: ['sunProtection'], first: 'sunProtection', when: (i) => i.daylight },
  { rule: 'must-close', any: ['close'], first: 'close' },
]
const FLOOR_ORDER: readonly TechniqueId[] = ['settle', 'eyesOff', 'milk', 'secondReading', 'secondCleanse', 'oilCleanse', 'tone', 'steam', 'grain', 'enzyme', 'tip', 'highFrequency', 'cold', 'massage', 'clay', 'hydratingMask', 'serum', 'eyeProduct', 'moisturiser', 'facialOil', 'sunProtection', 'close']

function floorFindings(input: PlanInput, steps: readonly PlanStep[]): PlanFinding[] {
  return FLOOR.flatMap((f) => {
    if ((f.when && !f.when(input)) || steps.some((s) => f.any.includes(s.technique))) return []
    const step = freshStep(f.first, input)
    return [finding(f.rule, orderRule(f.rule).sentence, { mends: step ? [{ label: `Add ${TECHNIQUES[f.first].name.toLowerCase()}`, minutes: step.minutes, edits: [{ do: 'insert', before: placeFor(f.first, steps), step }] }] : [] })]
  })
}

/** Where a technique usually stands: before the first step that comes later in the usual order. */
export function placeFor(technique: TechniqueId, steps: readonly PlanStep[]): string | null {
  const rank = FLOOR_ORDER.indexOf(technique)
  return steps.find((s) => FLOOR_ORDER.indexOf(s.technique) > rank)?.key ?? null
}

/** A step as it would be added by hand: the usual minutes, the widest zones allowed, the best suited product. Undefined when it is barred everywhere. */
export function freshStep(id: TechniqueId, input: PlanInput): Omit<PlanStep, 'key'> | undefined {
  const a = allowance(id, input)
  if (a.never.length > 0) return undefined
  const t = a.technique
  const regions = widest(a)
  const minutes = [...t.minutes.choices].reverse().find((m) => m <= a.minutesMost) ?? a.minutesMost
  return {
    technique: id, regions, minutes, ...(t.passes ? { passes: Math.min(t.passes.usual, a.passesMost) } : {}), ...(t.setting ? { setting: t.setting.start } : {}),
    ...(a.products[0] ? { productId: a.products[0].product.id } : {}), why: [{ rule: 'by-hand', text: 'added by hand' }, ...a.adapted],
  }
}

function permitFindings(step: PlanStep, a: Allowance): PlanFinding[] {
  const out: PlanFinding[] = []
  const t = a.technique
  for (const w of a.never) out.push(finding(w.rule === 'scope' || w.rule === 'no-device' || w.rule === 'no-product' ? w.rule : 'barred', `${t.name}: ${w.text}`, { key: step.key, regions: step.regions, mends: [remove(step)], why: w }))
  const hit = step.regions.filter((r) => a.barred.has(r))
  if (hit.length > 0 && a.never.length === 0) {
    const why = a.barred.get(hit[0] ?? 'forehead')?.[0]
    const left = step.regions.filter((r) => !a.barred.has(r))
    out.push(finding('barred', `${t.name} on ${nameRegions(hit)}: ${why?.text ?? ''}`, { key: step.key, regions: hit, ...(why ? { why } : {}),
      mends: [left.length > 0 ? { label: `Leave out ${nameRegions(hit)}`, minutes: 0, edits: [{ do: 'set', key: step.key, patch: { regions: left } }] } : remove(step)] }))
  }
  const shorten = (to: number): Mend => ({ label: `${to} min`, minutes: to - step.minutes, edits: [{ do: 'set', key: step.key, patch: { minutes: to } }] })
  if (step.minutes > a.minutesMost && a.never.length === 0) out.push(finding(t.families.includes('heat') ? 'heat-limit' : 'minutes-range', `${t.name}: ${a.minutesMost} min at most${a.adapted[0] ? `, ${a.adapted[0].text}` : ''}`, { key: step.key, mends: [shorten(a.minutesMost)] }))
  else if (step.minutes < t.minutes.least) out.push(finding('minutes-range', `${t.name} wants at least ${t.minutes.least} min`, { key: step.key, mends: [shorten(t.minutes.least)] }))
  if (t.passes && (step.passes ?? 1) > a.passesMost && a.never.length === 0) {
    out.push(finding('pass-limit', a.passesMost < t.passes.limit ? `One pass only: ${a.adapted.find((w) => w.rule.includes('tip') || w.rule.includes('marks'))?.text ?? 'this skin'}` : orderRule('pass-limit').sentence, { key: step.key, mends: [{ label: `${a.passesMost} ${a.passesMost === 1 ? 'pass' : 'passes'}`, minutes: 0, edits: [{ do: 'set', key: step.key, patch: { passes: a.passesMost } }] }] }))
  }
  if (t.setting && step.setting !== undefined && (step.setting < t.setting.least || step.setting > t.setting.most)) {
    const to = Math.min(t.setting.most, Math.max(t.setting.least, step.setting))
    out.push(finding('setting-range', `${t.setting.label} ${step.setting} ${t.setting.unit}: allowed ${t.setting.least}–${t.setting.most}`, { key: step.key, mends: [{ label: `${to} ${t.setting.unit}`, minutes: 0, edits: [{ do: 'set', key: step.key, patch: { setting: to } }] }] }))
  }
  return out
}

function productFindings(step: PlanStep, input: PlanInput, a: Allowance): PlanFinding[] {
  const wanted = a.technique.product
  if (!wanted) return []
  const best = a.products[0]
  const swap: Mend[] = best && best.product.id !== step.productId ? [{ label: `Use ${best.product.name}`, minutes: 0, edits: [{ do: 'set', key: step.key, patch: { productId: best.product.id } }] }] : []
  if (step.productId === undefined) return a.never.length > 0 ? [] : [finding('no-product', `${a.technique.name}: no product chosen`, { key: step.key, mends: swap })]
  const item = input.shelf.find((s) => s.product.id === step.productId)
  if (!item || item.product.kind !== wanted) return [finding('no-product', `${a.technique.name}: that product is not on the shelf`, { key: step.key, mends: swap.length > 0 ? swap : [remove(step)] })]
  const trouble = productTrouble(item.product, item.lots, input)[0]
  return trouble ? [finding('product-barred', `${item.product.name}: ${trouble.text}`, { key: step.key, mends: swap.length > 0 ? swap : [remove(step)], why: trouble })] : []
}

/** What is put on skin that has just been abraded or punctured must be of the calming range. A connecting mist for which none is on the shelf is let pass. */
function calmFindings(step: PlanStep, input: PlanInput, a: Allowance, before: Surface | undefined): PlanFinding[] {
  const item = input.shelf.find((s) => s.product.id === step.productId)
  const worked = before ? step.regions.filter((r) => before[r].skin !== 'intact') : []
  if (!a.technique.product || !item || item.product.calming || worked.length === 0) return []
  const calm = a.products.find((p) => p.product.calming)?.product
  if (!calm && step.technique in CONNECTOR_WANTS) return []
  return [finding('calm-only', `${item.product.name} on ${nameRegions(worked)}: only calming products after this work`, { key: step.key, regions: worked, mends: [calm ? { label: `Use ${calm.name}`, minutes: 0, edits: [{ do: 'set', key: step.key, patch: { productId: calm.id } }] } : remove(step)] })]
}

function surfaceFindings(step: PlanStep, i: number, walked: Trace, allow: (id: TechniqueId) => Allowance): PlanFinding[] {
  const state = walked.states[i]
  const first = state?.unmet[0]
  if (!state || !first) return []
  const t = TECHNIQUES[step.technique]
  const chain = connect(state.before, t, step.regions)
  const bottle = (id: TechniqueId) => { const best = allow(id).products[0]; return best ? { productId: best.product.id } : {} }
  const mends: Mend[] = chain ? [{
    label: chain.steps.map((s) => TECHNIQUES[s.technique].name).join(', then '), minutes: chain.minutes,
    edits: chain.steps.map((s): Edit => ({ do: 'insert', before: step.key, step: { technique: s.technique, minutes: s.minutes, regions: s.regions, ...bottle(s.technique), why: [{ rule: 'surface', text: `${t.name.toLowerCase().replace(/ on$|,.*$/, '')} ${CONNECTOR_WANTS[s.technique] ?? 'wants it so'}` }] } })),
  }] : [remove(step)]
  return [finding('surface', `${t.name} ${state.unmet.map(describeUnmet).join('; ')}`, { key: step.key, regions: first.regions, mends })]
}

function loadFindings(input: PlanInput, steps: readonly PlanStep[], walked: Trace, rims: Readonly<Record<RegionId, Rim>>): PlanFinding[] {
  const out: PlanFinding[] = []
  const over = REGION_IDS.filter((r) => walked.totals[r] > rims[r].hundredths && walked.totals[r] > input.residual[r])
  if (over.length > 0) {
    const heaviest = steps.map((s, i) => ({ s, load: Math.max(...over.map((r) => walked.states[i]?.loads[r] ?? 0)) })).sort((a, b) => b.load - a.load)[0]?.s
    const r = over[0] ?? 'forehead'
    const left = heaviest?.regions.filter((x) => !over.includes(x)) ?? []
    out.push(finding('over-rim', `${nameRegions(over)}: ${(walked.totals[r] / 100).toFixed(1)} asked, ${(rims[r].hundredths / 100).toFixed(1)} can be borne`, {
      regions: over, ...(heaviest ? { key: heaviest.key } : {}),
      mends: heaviest ? [...(left.length > 0 ? [{ label: `Leave out ${nameRegions(over)}`, minutes: 0, edits: [{ do: 'set' as const, key: heaviest.key, patch: { regions: left } }] }] : []), remove(heaviest)] : [],
    }))
  }
  const most = isResilient(input.profile) ? 2 : 1
  const extra = walked.exfoliations.slice(most)
  for (const key of extra) {
    const step = steps.find((s) => s.key === key)
    if (step) out.push(finding('one-exfoliation', orderRule('one-exfoliation').sentence, { key, mends: [remove(step)] }))
  }
  return out
}

function clockFindings(input: PlanInput, steps: readonly PlanStep[], walked: Trace): PlanFinding[] {
  const out: PlanFinding[] = []
  for (const rest of walked.schedule.resting) {
    const name = TECHNIQUES[rest.technique].name.replace(/ on$/, '')
    const dwell = rest.end - rest.start
    if (!rest.lifted) {
      out.push(finding('left-on', `${name} is never taken off`, { key: rest.key, regions: rest.regions, mends: [{ label: 'Add mask off', minutes: 2, edits: [{ do: 'insert', before: nextAfter(steps, rest.key, rest.earliest), step: { technique: 'maskOff', regions: rest.regions, minutes: 2, why: [{ rule: 'left-on', text: 'what was put on comes off' }] } }] }] }))
      continue
    }
    const inside = steps.find((s, i) => { const t = walked.schedule.steps[i]; return t !== undefined && t.start >= rest.start && t.end <= rest.end && TECHNIQUES[s.technique].besideResting === true })
    if (dwell < rest.earliest) {
      const missing = rest.earliest - dwell
      const lift = steps.find((s, i) => (walked.schedule.steps[i]?.start ?? -1) >= rest.end)
      out.push(finding('dwell-early', `${name} rests ${dwell} min, wants ${rest.earliest}`, { key: rest.key, mends: inside
        ? [{ label: `${TECHNIQUES[inside.technique].name} ${inside.minutes + missing} min`, minutes: missing, edits: [{ do: 'set', key: inside.key, patch: { minutes: inside.minutes + missing } }] }]
        : [{ label: `Stay ${missing} min`, minutes: missing, edits: [{ do: 'insert', before: lift?.key ?? null, step: { technique: 'stay', regions: [], minutes: missing, why: [{ rule: 'dwell-early', text: 'the mask needs its time' }] } }] }] }))
    } else if (dwell > rest.latest) {
      const excess = dwell - rest.latest
      const mend: Mend[] = inside && inside.minutes - excess >= 0.5 ? [{ label: `${TECHNIQUES[inside.technique].name} ${inside.minutes - excess} min`, minutes: -excess, edits: [{ do: 'set', key: inside.key, patch: { minutes: inside.minutes - excess } }] }] : []
      out.push(finding('dwell-late', `${name} would rest ${dwell} min, off by ${rest.latest}`, { key: rest.key, regions: rest.regions, mends: mend }))
    }
  }
  if (walked.schedule.total > input.slotMinutes) out.push(finding('over-slot', `${walked.schedule.total} min planned, ${input.slotMinutes} min booked`, {}))
  return out
}

function nextAfter(steps: readonly PlanStep[], key: string, minutes: number): string | null {
  let sum = 0
  for (const s of steps.slice(steps.findIndex((x) => x.key === key) + 1)) {
    if (sum >= minutes || TECHNIQUES[s.technique].besideResting !== true) return s.key
    sum += s.minutes
  }
  return null
}

function layerFindings(input: PlanInput, steps: readonly PlanStep[]): PlanFinding[] {
  const out: PlanFinding[] = []
  let heaviest = 0
  for (const step of steps) {
    const layer = TECHNIQUES[step.technique].leaves.layer
    if (layer === undefined) { if (['mask', 'oil', 'none'].includes(TECHNIQUES[step.technique].leaves.film ?? '')) heaviest = 0; continue }
    if (step.technique === 'facialOil' && input.daylight && steps.some((s) => s.technique === 'sunProtection')) out.push(finding('oil-under-sun', orderRule('oil-under-sun').sentence, { key: step.key, mends: [remove(step)] }))
    if (layer < heaviest) {
      const heavier = steps.find((s) => (TECHNIQUES[s.technique].leaves.layer ?? 0) > layer)
      out.push(finding('thin-to-thick', `${TECHNIQUES[step.technique].name} after a heavier layer`, { key: step.key, mends: heavier ? [{ label: `Move before ${TECHNIQUES[heavier.technique].name.toLowerCase()}`, minutes: 0, edits: [{ do: 'move', key: step.key, before: heavier.key }] }] : [] }))
    }
    heaviest = Math.max(heaviest, layer)
  }
  return out
}

function widest(a: Allowance): RegionId[] {
  const reach = new Set(a.technique.groups.slice(0, 1).flatMap((g) => GROUPS[g]))
  return REGION_IDS.filter((r) => reach.has(r) && !a.barred.has(r))
}
