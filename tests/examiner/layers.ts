import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { WORK } from './deeds'
import { does, LAYS_MASK, stays, WASHES, WEIGHT, type Step } from './named'
import type { Complaint, Steps } from './visit'

/** Thinnest first, on each zone; what cleanses or masks begins anew. */
export function layerComplaints(steps: Steps): Complaint[] {
  const heaviest = new Map<string, number>()
  return steps.flatMap((step): Complaint[] => {
    const weight = WEIGHT[step.technique]
    if (weight === undefined) {
      const { film } = TECHNIQUES[step.technique].leaves
      if (film !== undefined && film !== 'leaveOn')
        for (const region of step.regions) heaviest.set(region, 0)
      return []
    }
    const under = Math.max(0, ...step.regions.map((region) => heaviest.get(region) ?? 0))
    for (const region of step.regions)
      heaviest.set(region, Math.max(weight, heaviest.get(region) ?? 0))
    return weight < under
      ? [{ key: step.key, says: `${TECHNIQUES[step.technique].name} over a heavier layer` }]
      : []
  })
}

/** What stays on goes to the skin when the washing is over, or something is done over it at least. */
export function wastedComplaints(steps: Steps): Complaint[] {
  const over = (step: Step) => does(...WORK)(step) || LAYS_MASK(step)
  return steps.flatMap((step, i): Complaint[] => {
    if (!stays(step)) return []
    const next = steps
      .slice(i + 1)
      .filter(({ regions }) => regions.some((region) => step.regions.includes(region)))
      .find((later) => WASHES(later) || over(later))
    return next && WASHES(next)
      ? [{ key: step.key, says: `${TECHNIQUES[step.technique].name} is washed off again` }]
      : []
  })
}
