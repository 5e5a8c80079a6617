import { fromHundredths } from '../../units'
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
    (region) =>
      walked.totals[region] > tolerances[region].hundredths &&
      walked.totals[region] > input.residual[region],
  )
  const worst = over[0]
  if (worst !== undefined) {
    const heaviest = steps
      .map((step, i) => ({
        s: step,
        load: Math.max(...over.map((item) => walked.states[i]?.loads[item] ?? 0)),
      }))
      .sort((one, other) => other.load - one.load)[0]?.s
    const left = heaviest?.regions.filter((region) => !over.includes(region)) ?? []
    const asked = fromHundredths(walked.totals[worst]).toFixed(1)
    const borne = fromHundredths(tolerances[worst].hundredths).toFixed(1)
    out.push(
      ...finding(
        rules,
        'over-tolerance',
        `${nameRegions(over)}: ${asked} asked, ${borne} can be borne`,
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
    const step = steps.find((step) => step.key === key)
    if (step)
      out.push(...finding(rules, 'one-exfoliation', undefined, { key, mends: [remove(step)] }))
  }
  return out
}
