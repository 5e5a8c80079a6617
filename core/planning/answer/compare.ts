import { SCHOOL_IDS, SCHOOLS } from '../../catalogue/schools/schools'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { shortName, tellsApart } from '../../catalogue/techniques/traits'
import type { PlanStep } from '../../catalogue/techniques/step'
import { dwellWindow, schedule } from '../../timing/schedule'
import type { PlanInput } from '../input'
import { propose } from './propose'

/**
 * What a plan would be under other terms, in its main steps. `value` compares only within one
 * school.
 */
export interface Alternative {
  name: string
  minutes: number
  value: number
  failed?: string
  mains: readonly { technique: TechniqueId; name: string; minutes: number }[]
}
export interface Comparison {
  curve: readonly { slot: number; value: number | null }[]
  lengths: readonly Alternative[]
  schools: readonly Alternative[]
}

export const LENGTHS = [
  { name: 'Express', slot: 30 },
  { name: 'Standard', slot: 60 },
  { name: 'Full', slot: 90 },
] as const
const CURVE = { from: 30, to: 90, step: 10 } as const

function under(input: PlanInput, name: string): Alternative {
  const p = propose(input)
  const skin = onSkin(p.steps)
  return {
    name,
    minutes: p.minutes,
    value: p.value,
    ...(p.failed ? { failed: p.failed.text } : {}),
    mains: p.steps
      .filter((s) => tellsApart(s.technique))
      .map((s) => ({
        technique: s.technique,
        name: shortName(s.technique),
        minutes: skin.get(s.key) ?? s.minutes,
      })),
  }
}

/** Minutes on the skin of what rests, by key. */
const onSkin = (steps: readonly PlanStep[]): Map<string, number> =>
  new Map(
    schedule(steps, (s) => dwellWindow(s, () => false)).resting.map((r) => [
      r.key,
      r.end - r.start,
    ]),
  )

export interface MainChange {
  technique: TechniqueId
  name: string
  was: number | null
  is: number | null
}
/**
 * Two plans side by side in their main steps: minutes then and now, null where a plan has none of
 * it. In the order of the later plan; what is gone comes last.
 */
export function changedMains(before: readonly PlanStep[], now: readonly PlanStep[]): MainChange[] {
  const sum = (steps: readonly PlanStep[]) => {
    const skin = onSkin(steps)
    const m = new Map<TechniqueId, number>()
    for (const s of steps)
      if (tellsApart(s.technique))
        m.set(s.technique, (m.get(s.technique) ?? 0) + (skin.get(s.key) ?? s.minutes))
    return m
  }
  const was = sum(before)
  const is = sum(now)
  return [...new Set([...is.keys(), ...was.keys()])].map((technique) => ({
    technique,
    name: shortName(technique),
    was: was.get(technique) ?? null,
    is: is.get(technique) ?? null,
  }))
}

/**
 * The same client and day at three lengths and in the four schools, and what more minutes would
 * bring.
 * Each is a full plan of its own: exact, not scaled from another.
 */
export function compare(input: PlanInput): Comparison {
  const curve: { slot: number; value: number | null }[] = []
  for (let slot = CURVE.from; slot <= CURVE.to; slot += CURVE.step) {
    const p = propose({ ...input, slotMinutes: slot })
    curve.push({ slot, value: p.failed ? null : p.value })
  }
  return {
    curve,
    lengths: LENGTHS.map((l) => under({ ...input, slotMinutes: l.slot }, l.name)),
    schools: SCHOOL_IDS.map((school) => under({ ...input, school }, SCHOOLS[school].name)),
  }
}
