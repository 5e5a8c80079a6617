import { nameRegions } from '../../face/regions'
import { REGION_IDS } from '../../face/zones'
import { mostExfoliations } from '../today/limits'
import { finding, remove, type Checking, type PlanFinding } from './finding'

/**
 * Whether the basins hold what the plan asks, and whether it exfoliates more often than this skin
 * may have.
 */
export function loadFindings({ input, steps, walked, tolerances, rules }: Checking): PlanFinding[] {
  const out: PlanFinding[] = []
  const over = REGION_IDS.filter(
    (r) => walked.totals[r] > tolerances[r].hundredths && walked.totals[r] > input.residual[r],
  )
  const r = over[0]
  if (r !== undefined) {
    const heaviest = steps
      .map((s, i) => ({ s, load: Math.max(...over.map((x) => walked.states[i]?.loads[x] ?? 0)) }))
      .sort((a, b) => b.load - a.load)[0]?.s
    const left = heaviest?.regions.filter((x) => !over.includes(x)) ?? []
    out.push(
      ...finding(
        rules,
        'over-tolerance',
        `${nameRegions(over)}: ${(walked.totals[r] / 100).toFixed(1)} asked, ${(tolerances[r].hundredths / 100).toFixed(1)} can be borne`,
        {
          regions: over,
          ...(heaviest ? { key: heaviest.key } : {}),
          mends: heaviest
            ? [
                ...(left.length > 0
                  ? [
                      {
                        label: `Leave out ${nameRegions(over)}`,
                        minutes: 0,
                        edits: [
                          { do: 'set' as const, key: heaviest.key, patch: { regions: left } },
                        ],
                      },
                    ]
                  : []),
                remove(heaviest),
              ]
            : [],
        },
      ),
    )
  }
  for (const key of walked.exfoliations.slice(mostExfoliations(input))) {
    const step = steps.find((s) => s.key === key)
    if (step)
      out.push(...finding(rules, 'one-exfoliation', undefined, { key, mends: [remove(step)] }))
  }
  return out
}
