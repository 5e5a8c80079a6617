import { CONTRAINDICATIONS } from '../../catalogue/consultation/contraindications'
import { FINDINGS } from '../../catalogue/consultation/findings'
import { CONCERN_NAMES } from '../../catalogue/kinds'
import type { Why } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { GROUPS, nameRegions } from '../../face/regions'
import type { RegionId } from '../../face/zones'
import type { Allowance } from '../today/allowed'
import type { PlanInput } from '../input'
import { CONNECTOR_WANTS, wantsWords } from '../steps/mend'
import type { PlacedMove } from '../search/transitions'

/** Why a step is in the plan and as it is; the first line is the one that fits beside it. */
export function reasonsFor(
  move: PlacedMove,
  next: PlacedMove | undefined,
  a: Allowance,
  input: PlanInput,
): Why[] {
  const t = TECHNIQUES[move.technique]
  if (move.mend) {
    const wants = next ? TECHNIQUES[next.technique] : undefined
    return [
      {
        rule: 'surface',
        text: wants ? wantsWords(wants, CONNECTOR_WANTS[move.technique]) : t.reason,
      },
    ]
  }
  const out: Why[] = []
  if (move.calm === 'only') out.push({ rule: 'calm-only', text: 'calming: skin just worked' })
  const longest = t.minutes.choices[t.minutes.choices.length - 1] ?? t.minutes.most
  for (const w of a.adapted) {
    const shortened = a.shortened.includes(w.rule) && move.minutes < longest
    out.push(
      shortened ? { rule: w.rule, text: `${longest} → ${move.minutes} min: ${shortCause(w)}` } : w,
    )
  }
  out.push(...leftOutRegions(move.regions, a))
  const aim =
    input.aims.find((x) => (t.effects[x] ?? 0) >= 2) ??
    input.aims.find((x) => (t.effects[x] ?? 0) >= 1)
  if (aim) out.push({ rule: `aim-${aim}`, text: `for ${CONCERN_NAMES[aim]}` })
  if (move.dwell !== undefined) out.push({ rule: 'dwell', text: `rests ${move.dwell} min` })
  out.push({ rule: `technique-${t.id}`, text: t.reason })
  return out
}

/**
 * The cause of a shortening in two or three words: the finding's own where an answer asks for it.
 */
function shortCause(w: Why): string {
  const row = CONTRAINDICATIONS.find((c) => c.id === w.rule)
  return row ? FINDINGS[row.finding].short : (w.text.split(':')[0] ?? w.text)
}

function leftOutRegions(regions: readonly RegionId[], a: Allowance): Why[] {
  const reach = new Set(a.technique.groups.flatMap((g) => GROUPS[g]))
  const byRule = new Map<string, { why: Why; regions: RegionId[] }>()
  for (const [region, whys] of a.barred) {
    const why = whys[0]
    if (!why || !reach.has(region) || regions.includes(region)) continue
    const entry = byRule.get(why.rule) ?? { why, regions: [] }
    entry.regions.push(region)
    byRule.set(why.rule, entry)
  }
  return [...byRule.values()].map(({ why, regions: rs }) => ({
    rule: why.rule,
    text: `not on ${nameRegions(rs)}: ${why.text.replace(/\.$/, '').toLowerCase()}`,
  }))
}
