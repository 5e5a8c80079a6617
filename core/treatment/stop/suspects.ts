import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { shortName } from '../../catalogue/techniques/traits'
import { productUsed } from '../order/atHand'
import { onSkin } from '../fold/clocks'
import type { SuspectedWork } from '../taps/events'
import type { FoldContext, RoomState } from '../fold/fold'

/**
 * The bottles to suspect when something goes wrong, the likeliest first: what lies on the skin, the
 * latest before the earlier, then whatever else was used in this visit.
 */
export function suspectBottles(state: RoomState, context: FoldContext): string[] {
  const steps = Object.values(context.plans).flat()
  const used = state.done
    .filter(({ skipped }) => skipped === undefined)
    .flatMap(({ key }) => steps.find((step) => step.key === key) ?? [])
  const latestFirst = [...onSkin(state, context), ...used].sort(
    (one, other) => putOnAt(state, other) - putOnAt(state, one),
  )
  const lying = onSkin(state, context).map(({ key }) => key)
  const ordered = [
    ...latestFirst.filter(({ key }) => lying.includes(key)),
    ...latestFirst.filter(({ key }) => !lying.includes(key)),
  ]
  return [...new Set(ordered.flatMap((step) => productUsed(state, step) ?? []))]
}
/** When a step's product went on; what is at hand is the latest of all. */
const putOnAt = (state: RoomState, step: PlanStep): number =>
  state.done.find(({ key }) => key === step.key)?.endedAt ?? Number.MAX_SAFE_INTEGER

/**
 * What else than a bottle may be to blame, the latest first: each tool that was used, the level it
 * stood at, and what warmed the skin.
 */
export function suspectWork(state: RoomState, context: FoldContext): SuspectedWork[] {
  const steps = Object.values(context.plans).flat()
  const used = [...state.done]
    .reverse()
    .filter(({ skipped }) => skipped === undefined)
    .flatMap(({ key }) => steps.find((step) => step.key === key) ?? [])
  const all = used.flatMap((step): SuspectedWork[] => {
    const { device, setting, leaves } = techniqueOf(step)
    const { technique } = step
    const level = setting ? (state.settings[step.key] ?? step.setting ?? setting.start) : null
    return [
      ...(device ? [{ technique, what: 'tool' as const, level }] : []),
      ...(level === null ? [] : [{ technique, what: 'level' as const, level }]),
      ...(leaves.warmth === 'warm' ? [{ technique, what: 'warmth' as const, level: null }] : []),
    ]
  })
  const names = all.map(suspectedWords)
  return all.filter((own, i) => names.indexOf(suspectedWords(own)) === i)
}

/** "Diamond tip", "Diamond tip: vacuum 12 kPa", "Steam: warmth". */
export function suspectedWords({ technique, what, level }: SuspectedWork): string {
  const name = shortName(technique)
  const { setting } = TECHNIQUES[technique]
  if (what === 'warmth') return `${name}: warmth`
  if (what === 'level' && setting && level !== null)
    return `${name}: ${setting.label.toLowerCase()} ${level} ${setting.unit}`
  return name
}
