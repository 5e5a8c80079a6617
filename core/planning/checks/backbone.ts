import {
  AFTER_SUN,
  BACKBONE,
  COVERS,
  FIRST_OF_ALL,
  LAST_OF_ALL,
  LAST_ON_SKIN,
} from '../../catalogue/rules/backbone'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { GROUPS, nameRegions } from '../../face/regions'
import { leftBare } from '../../face/sides'
import { finding, remove, type Checking, type Mend, type PlanFinding } from './finding'

const nameOf = (step: PlanStep) => techniqueOf(step).name.toLowerCase()
const moveBefore = (step: PlanStep, other: PlanStep): Mend => ({
  label: `Move before ${nameOf(other)}`,
  minutes: 0,
  edits: [{ do: 'move', key: step.key, before: other.key }],
})

/** Each step of the backbone stands before what comes after it, where both are there. */
export function backboneFindings({ steps, rules }: Checking): PlanFinding[] {
  return BACKBONE.flatMap(({ rule, first, then }) => {
    const early = steps.find((step) => then.includes(step.technique))
    const late = steps.findLast((step) => first.includes(step.technique))
    if (!early || !late || steps.indexOf(late) < steps.indexOf(early)) return []
    return finding(rules, rule, undefined, { key: late.key, mends: [moveBefore(late, early)] })
  })
}

/** Hands are washed before the first touch, and after sitting up nothing is done any more. */
export function endFindings({ steps, rules }: Checking): PlanFinding[] {
  const [opening] = steps
  const washed = steps.find(({ technique }) => technique === FIRST_OF_ALL)
  const first =
    opening && washed && washed !== opening
      ? finding(rules, 'hands-first', undefined, {
          key: washed.key,
          mends: [moveBefore(washed, opening)],
        })
      : []
  const at = steps.findIndex(({ technique }) => technique === LAST_OF_ALL)
  const up = steps[at]
  if (!up) return first
  const late = steps.slice(at + 1).flatMap((step) =>
    finding(rules, 'close-last', `${techniqueOf(step).name} after sitting up`, {
      key: step.key,
      mends: [step.technique === LAST_OF_ALL ? remove(step) : moveBefore(step, up)],
    }),
  )
  return [...first, ...late]
}

/** Sun protection is the last that touches the skin. */
export function afterSunFindings({ steps, rules }: Checking): PlanFinding[] {
  const at = steps.findIndex((step) => step.technique === LAST_ON_SKIN)
  const sun = steps[at]
  if (!sun) return []
  return steps.slice(at + 1).flatMap((step) =>
    AFTER_SUN.includes(step.technique) || !touchesFace(step)
      ? []
      : finding(
          rules,
          'sun-last',
          `${techniqueOf(step).name} after ${TECHNIQUES[LAST_ON_SKIN].name.toLowerCase()}`,
          {
            key: step.key,
            mends: [moveBefore(step, sun), remove(step)],
          },
        ),
  )
}

/** Lips have no zone of their own, and are of the face all the same. */
const touchesFace = ({ technique, regions }: PlanStep): boolean =>
  regions.length > 0 || TECHNIQUES[technique].families.includes('lips')

/** Each must covers every zone that this client may have it on. */
export function coverFindings({ input, steps, rules, allow }: Checking): PlanFinding[] {
  return COVERS.flatMap(({ rule, technique, byDay }) => {
    const own = steps.filter((step) => step.technique === technique)
    const last = own[own.length - 1]
    if (!last || (byDay && !input.daylight)) return []
    const { barred } = allow(technique)
    const wanted = GROUPS.faceNeckDecollete.filter((region) => !barred.has(region))
    const bare = leftBare(wanted, own)
    if (bare.length === 0) return []
    const regions = wanted.filter(
      (region) => last.regions.includes(region) || bare.includes(region),
    )
    return finding(rules, rule, `${TECHNIQUES[technique].name} leaves out ${nameRegions(bare)}`, {
      key: last.key,
      regions: bare,
      mends: [
        {
          label: `Add ${nameRegions(bare)}`,
          minutes: 0,
          edits: [{ do: 'set', key: last.key, patch: { regions, half: undefined } }],
        },
      ],
    })
  })
}
