import { EXFOLIATING } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/step'
import { TECHNIQUES } from '../../catalogue/techniques'
import { finding, remove, type Checking, type Mend, type PlanFinding } from './finding'

const before = (step: PlanStep, other: PlanStep): Mend => ({ label: `Move before ${TECHNIQUES[other.technique].name.toLowerCase()}`, minutes: 0, edits: [{ do: 'move', key: step.key, before: other.key }] })
const exfoliates = (s: PlanStep) => TECHNIQUES[s.technique].families.some((f) => EXFOLIATING.includes(f))

/** Exfoliation comes before massage and mask: what was given is not rubbed off again. */
export function exfoliationFindings({ steps, rules }: Checking): PlanFinding[] {
  return steps.flatMap((step, i) => {
    if (!exfoliates(step) || TECHNIQUES[step.technique].stage === 'mask') return []
    const given = steps.slice(0, i).find((s) => ['massage', 'mask'].includes(TECHNIQUES[s.technique].stage) && s.regions.some((r) => step.regions.includes(r)) && !TECHNIQUES[s.technique].lifts && s.technique !== 'maskOff')
    return given ? finding(rules, 'exfoliate-before', `${TECHNIQUES[step.technique].name} after ${TECHNIQUES[given.technique].name.toLowerCase().replace(/ on$/, '')}`, { key: step.key, mends: [before(step, given)] }) : []
  })
}

/** Leave-on layers go on thinnest first; no oil under sun protection. */
export function layerFindings({ input, steps, rules }: Checking): PlanFinding[] {
  const out: PlanFinding[] = []
  let heaviest = 0
  for (const step of steps) {
    const t = TECHNIQUES[step.technique]
    const { layer } = t.leaves
    if (layer === undefined) { if (['mask', 'oil', 'none'].includes(t.leaves.film ?? '')) heaviest = 0; continue }
    if (step.technique === 'facialOil' && input.daylight && steps.some((s) => s.technique === 'sunProtection')) out.push(...finding(rules, 'oil-under-sun', undefined, { key: step.key, mends: [remove(step)] }))
    if (layer < heaviest) {
      const heavier = steps.find((s) => (TECHNIQUES[s.technique].leaves.layer ?? 0) > layer)
      out.push(...finding(rules, 'thin-to-thick', `${t.name} after a heavier layer`, { key: step.key, mends: heavier ? [before(step, heavier)] : [] }))
    }
    heaviest = Math.max(heaviest, layer)
  }
  return out
}
