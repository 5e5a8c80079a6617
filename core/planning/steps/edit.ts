import { doneAs, techniqueOf, type DoneAs } from '../../catalogue/techniques/ownWay'
import type { PlanStep } from '../../catalogue/techniques/step'
import type { TechniqueId } from '../../catalogue/techniques/techniques'

/**
 * One change to a plan. Edits are data, so that they can be offered, shown, undone and sent.
 * `before: null` is the end.
 */
export type Edit =
  | { do: 'insert'; before: string | null; step: Omit<PlanStep, 'key'> }
  | { do: 'remove'; key: string }
  | { do: 'set'; key: string; patch: Partial<Omit<PlanStep, 'key' | 'technique'>> }
  | { do: 'move'; key: string; before: string | null }

/** The smallest unused key of a technique: `tone-2`. */
export function freshKey(steps: readonly PlanStep[], technique: TechniqueId): string {
  for (let number = 1; ; number++) {
    const key = `${technique}-${number}`
    if (!steps.some((step) => step.key === key)) return key
  }
}

/** @throws RangeError when an edit names a step that is not there. */
function applyEdit(steps: readonly PlanStep[], edit: Edit): PlanStep[] {
  const at = (key: string) => {
    const i = steps.findIndex((step) => step.key === key)
    if (i < 0) throw new RangeError(`no step ${key}`)
    return i
  }
  switch (edit.do) {
    case 'insert': {
      const i = edit.before === null ? steps.length : at(edit.before)
      return [
        ...steps.slice(0, i),
        { ...edit.step, key: freshKey(steps, edit.step.technique) },
        ...steps.slice(i),
      ]
    }
    case 'remove': {
      const i = at(edit.key)
      return steps.filter((_, j) => j !== i)
    }
    case 'set': {
      const i = at(edit.key)
      return steps.map((step, j) => (j === i ? { ...step, ...edit.patch } : step))
    }
    case 'move': {
      const i = at(edit.key)
      const step = steps[i]
      const rest = steps.filter((_, j) => j !== i)
      if (edit.before === edit.key || !step) return [...steps]
      const to =
        edit.before === null ? rest.length : rest.findIndex((step) => step.key === edit.before)
      if (to < 0) throw new RangeError(`no step ${edit.before ?? ''}`)
      return [...rest.slice(0, to), step, ...rest.slice(to)]
    }
  }
}

/**
 * A plan after some edits, in their order.
 * @returns a new list; the old one stays
 */
export function applyEdits(steps: readonly PlanStep[], edits: readonly Edit[]): PlanStep[] {
  return edits.reduce<PlanStep[]>((sum, edit) => applyEdit(sum, edit), [...steps])
}

export interface StepChange extends DoneAs {
  key: string
  change: 'added' | 'removed' | 'changed'
  text: string
}

/** What differs between two versions, in the order of the later one; removed steps last. */
export function diffPlans(before: readonly PlanStep[], after: readonly PlanStep[]): StepChange[] {
  const out: StepChange[] = []
  const unmatched = [...before]
  for (const step of after) {
    const i = unmatched.findIndex(
      (earlier) => earlier.key === step.key && earlier.technique === step.technique,
    )
    const old = i >= 0 ? unmatched.splice(i, 1)[0] : undefined
    if (!old) {
      out.push({
        key: step.key,
        ...doneAs(techniqueOf(step)),
        change: 'added',
        text: `${step.minutes} min`,
      })
      continue
    }
    const parts = changesOf(old, step)
    if (parts.length > 0)
      out.push({
        key: step.key,
        ...doneAs(techniqueOf(step)),
        change: 'changed',
        text: parts.join(', '),
      })
  }
  for (const step of unmatched)
    out.push({
      key: step.key,
      ...doneAs(techniqueOf(step)),
      change: 'removed',
      text: `${step.minutes} min`,
    })
  return out
}

/** What of a step is another, in words. */
function changesOf(old: PlanStep, step: PlanStep): string[] {
  const parts: string[] = []
  if (old.minutes !== step.minutes) parts.push(`${old.minutes} → ${step.minutes} min`)
  if ((old.passes ?? 0) !== (step.passes ?? 0))
    parts.push(`${old.passes ?? 0} → ${step.passes ?? 0} passes`)
  if (old.regions.join() !== step.regions.join() || old.half !== step.half)
    parts.push('other zones')
  if (old.productId !== step.productId) parts.push('other product')
  if (old.own?.id !== step.own?.id) parts.push(`as ${techniqueOf(step).name.toLowerCase()}`)
  return parts
}
