import { FILLERS, STAY } from '../../catalogue/techniques/roles'
import { thenOf } from '../../catalogue/products/families'
import type { PlanStep } from '../../catalogue/techniques/step'
import { doneAs, rowFor, type DoneAs } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { hasPlace } from '../../catalogue/techniques/traits'
import { removalMinutes, removalOf, takesOff } from '../../timing/removal'
import { minutes } from '../../units'
import { checkPlan, freshStep, placeFor } from '../checks/check'
import type { PlanInput } from '../input'
import { isChosen } from '../today/named'
import { applyEdits, type Edit } from '../steps/edit'
import { isLink } from '../steps/link'
import { connected } from './connected'
import { editsTo } from './putInOrder'

type NewStep = Omit<PlanStep, 'key'>
const BY_HAND = [{ rule: 'by-hand', text: 'added by hand' }]

/**
 * A technique added by hand with all that belongs to it, as one block: what is mixed or made ready
 * before it, its rest with something for the hands, its way off, what follows straight after it. It goes
 * to the nearest place where the least speaks against it, and what connects is put in anew.
 * @returns the edits; the technique is put in even where it is barred, and the checker then says why
 */
export function addByHand(
  input: PlanInput,
  steps: readonly PlanStep[],
  way: TechniqueId | DoneAs,
): Edit[] {
  const id = typeof way === 'string' ? way : way.technique
  if (TECHNIQUES[id].removes) return [wayOff(input, steps, id)]
  const block = blockOf(way, input)
  const own = steps.filter((step) => !isLink(step))
  const usual = placeFor(id, own)
  const at = usual === null ? own.length : own.findIndex(({ key }) => key === usual)
  const places = placesIn(own)
  const near = [...places].sort((one, other) => Math.abs(one - at) - Math.abs(other - at))
  let best: { edits: Edit[]; stops: number; all: number } | undefined
  for (const place of near) {
    const edits = editsAt(input, steps, block, own[place]?.key ?? null)
    const { findings } = checkPlan(input, applyEdits(steps, edits))
    const stops = findings.filter(({ strength }) => strength === 'stop').length
    const all = findings.length
    // One stop is worse than any number of warnings.
    if (!best || stops < best.stops || (stops === best.stops && all < best.all))
      best = { edits, stops, all }
    if (all === 0) break
  }
  return best?.edits ?? block.map((step) => ({ do: 'insert', before: null, step }))
}

/** A way off goes to the last thing that rests and that nothing takes off, once the hands are free. */
function wayOff(input: PlanInput, steps: readonly PlanStep[], id: TechniqueId): Edit {
  const at = steps.findLastIndex(
    ({ technique }, i) =>
      TECHNIQUES[technique].dwell !== undefined &&
      takesOff(id, technique) &&
      !steps.slice(i).some((later) => takesOff(later.technique, technique)),
  )
  const mask = steps[at]
  if (!mask) return { do: 'insert', before: placeFor(id, steps), step: stepOf(id, input) }
  const next = steps
    .slice(at + 1)
    .find(({ technique }) => TECHNIQUES[technique].fillsFrom === undefined)
  return {
    do: 'insert',
    before: next?.key ?? null,
    step: {
      ...stepOf(id, input),
      regions: mask.regions,
      minutes: removalMinutes(mask.technique, mask.regions),
    },
  }
}

/** Where a block may go in: before every step that nothing rests over, and at the end. */
function placesIn(steps: readonly PlanStep[]): number[] {
  let resting = 0
  const places: number[] = []
  steps.forEach(({ technique }, i) => {
    const follows = !hasPlace(technique) && TECHNIQUES[technique].part === 'follows'
    if (resting === 0 && !follows) places.push(i)
    if (TECHNIQUES[technique].dwell) resting += 1
    else if (TECHNIQUES[technique].removes) resting = Math.max(0, resting - 1)
  })
  return [...places, steps.length]
}

/** Puts a block in before a step, and what connects anew around it. */
function editsAt(
  input: PlanInput,
  steps: readonly PlanStep[],
  block: readonly NewStep[],
  before: string | null,
): Edit[] {
  const inserts = block.map((step): Edit => ({ do: 'insert', before, step }))
  const withBlock = applyEdits(steps, inserts)
  const ordered = connected(
    input,
    withBlock.filter((step) => !isLink(step)),
  )
  return [...inserts, ...editsTo(withBlock, ordered)]
}

/** A technique with what belongs to it, in order. */
function blockOf(way: TechniqueId | DoneAs, input: PlanInput): NewStep[] {
  const technique = rowFor(way, input)
  const { id, dwell, after } = technique
  const step = stepOf(way, input)
  const around = (other: TechniqueId | undefined) =>
    other ? [{ ...stepOf(other, input), regions: step.regions }] : []
  const rest = dwell
    ? [
        fillerFor(dwell.earliest, input),
        {
          technique: removalOf(id),
          regions: step.regions,
          minutes: removalMinutes(id, step.regions),
          why: [{ rule: 'by-hand', text: `takes off what ${technique.name.toLowerCase()} laid` }],
        },
      ]
    : []
  return [...around(after), step, ...rest, ...around(thenOf(step, input.shelf))]
}

/** As it would be added by hand; with nothing filled in where it is barred. */
function stepOf(way: TechniqueId | DoneAs, input: PlanInput): NewStep {
  const row = rowFor(way, input)
  return (
    freshStep(way, input) ?? {
      ...doneAs(row),
      regions: [],
      minutes: row.minutes.choices[0] ?? row.minutes.least,
      why: BY_HAND,
    }
  )
}

/** What the hands do for as long as something has to rest. */
function fillerFor(rest: number, input: PlanInput): NewStep {
  const id = FILLERS.find(
    (own) =>
      (TECHNIQUES[own].fillsFrom ?? 0) <= rest &&
      isChosen(TECHNIQUES[own], input) &&
      freshStep(own, input) !== undefined,
  )
  return { ...stepOf(id ?? STAY, input), minutes: minutes(rest) }
}
