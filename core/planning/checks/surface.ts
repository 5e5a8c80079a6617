import { HANDS_ELSEWHERE, NOT_ON_WORKED, REWARM_MINUTES } from '../../catalogue/rules/backbone'
import { connectorWants } from '../../catalogue/techniques/roles'
import { thenOf } from '../../catalogue/products/families'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { common, whereOf } from '../../face/sides'
import { describeUnmet } from '../../surface/words'
import type { Edit } from '../steps/edit'
import { isLink } from '../steps/link'
import { freshStep } from '../today/fresh'
import { connect, wantsWords, unavailableLinks } from '../steps/mend'
import { finding, remove, type Checking, type Mend, type PlanFinding } from './finding'

/**
 * Whether a step can stand on what the last one left, with the connecting steps that put it right.
 */
export function surfaceFindings(step: PlanStep, i: number, checking: Checking): PlanFinding[] {
  const { walked, rules } = checking
  const state = walked.states[i]
  const first = state?.unmet[0]
  if (!state || !first) return []
  const row = techniqueOf(step)
  const worked = state.unmet.find((unmet) => unmet.part === 'skin')
  if (worked && row.families.some((family) => NOT_ON_WORKED.includes(family)))
    return finding(rules, 'machine-no-massage', undefined, {
      key: step.key,
      regions: worked.regions,
      mends: [elsewhere(step), remove(step)],
    })
  const cold = state.unmet.length === 1 && first.part === 'warmth'
  if (cold)
    return finding(rules, 'wear-off', `${row.name} wants softened skin`, {
      key: step.key,
      regions: first.regions,
      mends: [...warming(step, checking), remove(step)],
    })
  const chain = connect(state.lacking, row, step.regions, unavailableLinks(checking.allow))
  const bottle = (id: TechniqueId) => {
    const best = checking.allow(id).products[0]
    return best ? { productId: best.product.id } : {}
  }
  const mends: Mend[] = chain
    ? [
        {
          label: [...new Set(chain.steps.map(({ technique }) => TECHNIQUES[technique].name))].join(
            ', then ',
          ),
          minutes: chain.minutes,
          edits: chain.steps.map((connecting): Edit => ({
            do: 'insert',
            before: step.key,
            step: {
              technique: connecting.technique,
              minutes: connecting.minutes,
              regions: connecting.regions,
              ...bottle(connecting.technique),
              why: [
                {
                  rule: 'surface',
                  text: wantsWords(row, connectorWants(connecting.technique)),
                },
              ],
            },
          })),
        },
      ]
    : [remove(step)]
  return finding(rules, 'surface', `${row.name} ${state.unmet.map(describeUnmet).join('; ')}`, {
    key: step.key,
    regions: first.regions,
    mends,
  })
}

/** Hands go elsewhere instead: shoulders and scalp for the same minutes. */
const elsewhere = (step: PlanStep): Mend => ({
  label: `${TECHNIQUES[HANDS_ELSEWHERE].name}, ${step.minutes} min`,
  minutes: 0,
  edits: [
    {
      do: 'insert',
      before: step.key,
      step: {
        technique: HANDS_ELSEWHERE,
        regions: [],
        minutes: step.minutes,
        why: [{ rule: 'machine-no-massage', text: 'not on skin just worked' }],
      },
    },
    { do: 'remove', key: step.key },
  ],
})

function warming(step: PlanStep, { input }: Checking): Mend[] {
  const by = techniqueOf(step).warmedBy
  const towel = by && freshStep(by, input)
  return towel && step.regions.every((region) => towel.regions.includes(region))
    ? [
        {
          label: `${techniqueOf(towel).name}, ${REWARM_MINUTES} min`,
          minutes: REWARM_MINUTES,
          edits: [
            {
              do: 'insert',
              before: step.key,
              step: {
                ...towel,
                regions: step.regions,
                minutes: REWARM_MINUTES,
                why: [{ rule: 'wear-off', text: 'softens again' }],
              },
            },
          ],
        },
      ]
    : []
}

/** Whether what must stand straight before a step does. */
export function beforeFindings(
  step: PlanStep,
  i: number,
  { input, steps, rules }: Checking,
): PlanFinding[] {
  const technique = techniqueOf(step)
  if (!technique.after) return []
  const last = steps[i - 1]
  if (last?.technique === technique.after && common(step, last).length === step.regions.length)
    return []
  const fresh = freshStep(technique.after, input)
  const name = TECHNIQUES[technique.after].name
  return finding(
    rules,
    'straight-before',
    `${name} straight before ${technique.name.toLowerCase()}`,
    {
      key: step.key,
      mends: fresh
        ? [
            {
              label: name,
              minutes: fresh.minutes,
              edits: [{ do: 'insert', before: step.key, step: { ...fresh, ...whereOf(step) } }],
            },
          ]
        : [remove(step)],
    },
  )
}

/** What has to come straight after a step. */
export function afterFindings(
  step: PlanStep,
  i: number,
  { input, steps, rules }: Checking,
): PlanFinding[] {
  const { name } = techniqueOf(step)
  const then = thenOf(step, input.shelf)
  const following = steps.slice(i + 1)
  if (!then || following.find((own) => own.technique === then || !isLink(own))?.technique === then)
    return []
  const fresh = freshStep(then, input)
  const off = TECHNIQUES[then].name
  const next = steps[i + 1]?.key ?? null
  return finding(rules, 'straight-after', `${off} straight after ${name.toLowerCase()}`, {
    key: step.key,
    mends: fresh
      ? [
          {
            label: off,
            minutes: fresh.minutes,
            edits: [{ do: 'insert', before: next, step: { ...fresh, ...whereOf(step) } }],
          },
        ]
      : [remove(step)],
  })
}

/** Whether what a step works with was laid before it. */
export function followFindings(
  step: PlanStep,
  i: number,
  { steps, rules }: Checking,
): PlanFinding[] {
  const { straightAfter, name } = techniqueOf(step)
  if (!straightAfter) return []
  const isHost = ({ technique }: PlanStep) => straightAfter.includes(technique)
  if (steps.slice(0, i).some(isHost)) return []
  const host = steps.findLast(isHost)
  const next = host && steps[steps.indexOf(host) + 1]
  return finding(rules, 'goes-after', `${name}: nothing that it goes with comes before it`, {
    key: step.key,
    mends: [
      ...(host
        ? [
            {
              label: `Move after ${techniqueOf(host).name.toLowerCase()}`,
              minutes: 0,
              edits: [{ do: 'move' as const, key: step.key, before: next?.key ?? null }],
            },
          ]
        : []),
      remove(step),
    ],
  })
}
