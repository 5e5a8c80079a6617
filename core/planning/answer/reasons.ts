import { connectorWants } from '../../catalogue/techniques/roles'
import { CONTRAINDICATIONS } from '../../catalogue/consultation/contraindications'
import { takeOff } from '../../catalogue/consultation/makeUp'
import { FINDINGS } from '../../catalogue/consultation/findings'
import { ADAPTATIONS } from '../../catalogue/skin/adaptations'
import { CONCERN_NAMES } from '../../catalogue/kinds'
import { productIn } from '../../catalogue/products/products'
import { CALM_WORDS } from '../../catalogue/rules/intentions'
import type { Why } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { GROUPS, listRegions } from '../../face/regions'
import type { RegionId } from '../../face/zones'
import type { Profile } from '../../skin/profile'
import { dwellOf } from '../../timing/dwell'
import { regionsMeeting } from '../today/adapt'
import { whereShown } from '../today/whereShown'
import type { Allowance } from '../today/allowance'
import { intentionsOf, type Intended } from '../agenda/intentions'
import type { PlanInput } from '../input'
import { wantsWords } from '../steps/mend'
import type { PlacedMove } from '../search/moves'

/** Why a step is in the plan and as it is; the first line is the one that fits beside it. */
export function reasonsFor(
  move: PlacedMove,
  next: PlacedMove | undefined,
  allowance: Allowance,
  input: PlanInput,
): Why[] {
  const technique = techniqueOf(move)
  if (move.mend) {
    const wants = next ? techniqueOf(next) : undefined
    return [
      {
        rule: 'surface',
        text: wants ? wantsWords(wants, connectorWants(move.technique)) : technique.reason,
      },
    ]
  }
  const out: Why[] = []
  if (move.calm === 'only') out.push({ rule: 'calm-only', text: 'calming: skin just worked' })
  out.push(...purposeOf(move, allowance, input))
  if (technique.stage === 'deepCleanse' && takeOff(input.makeUp).cleanses > 1)
    out.push({ rule: 'cleanse-layers', text: 'heavy layers: two cleanses after the milk' })
  out.push(...adaptedTo(move, allowance, input))
  out.push(...leftOutRegions(move.regions, allowance))
  out.push(...restWords(move, input))
  out.push({ rule: `technique-${technique.id}`, text: technique.reason })
  return out
}

/** How long it rests, by what its label says, and why it comes off at the short end. */
function restWords(move: PlacedMove, input: PlanInput): Why[] {
  const { dwell, productId } = move
  if (dwell === undefined) return []
  const { rests } = productIn(input.shelf, productId) ?? {}
  const label = rests ? `, ${rests.from} to ${rests.to} by its label` : ''
  const window = dwellOf(techniqueOf(move))
  const narrows = window && window.sensitive.latest < window.latest
  const isNew = productId !== undefined && !input.usedBefore.includes(productId)
  return [
    ...(isNew && (rests ?? narrows)
      ? [{ rule: 'first-use', text: 'new to this client: off at the short end' }]
      : []),
    { rule: 'dwell', text: `rests ${dwell} min${label}` },
  ]
}

/**
 * How a step is as this client is: what a row of the skin changes, where it holds among the zones that
 * are worked, and what an answer shortens.
 */
function adaptedTo(move: PlacedMove, allowance: Allowance, input: PlanInput): Why[] {
  const { technique, adapted, shortened } = allowance
  const { choices, most } = technique.minutes
  const longest = choices[choices.length - 1] ?? most
  return adapted.flatMap((why): Why[] => {
    const row = ADAPTATIONS.find(({ id }) => id === why.rule)
    const where = row && regionsMeeting(row, input, technique)
    const here = where?.filter((region) => move.regions.includes(region)) ?? []
    // What speaks against a step is no reason for it.
    if (row && (here.length === 0 || (row.favour ?? 0) < 0)) return []
    const zones = row && 'reading' in row.when ? ` (${listRegions(here)})` : ''
    const text =
      shortened.includes(why.rule) && move.minutes < longest
        ? `${longest} → ${move.minutes} min: ${shortCause(why)}`
        : why.text
    return [{ rule: why.rule, text: text + zones }]
  })
}

/** What a step is for: its intention of this visit, the one it does most for where it is care. */
function purposeOf(move: PlacedMove, { technique, work }: Allowance, input: PlanInput): Why[] {
  const all = intentionsOf(input)
  const most = Math.max(0, ...all.map(({ id }) => technique.effects[id] ?? 0))
  const intended = work
    ? all.find(({ id }) => id === work.intention)
    : all.find(({ id }) => most > 0 && technique.effects[id] === most)
  if (work?.helps) return [{ rule: 'helps', text: work.helps }]
  const text = intended && aimWords(intended, move.regions, input.profile)
  return text ? [{ rule: `aim-${intended.id}`, text }] : []
}

/** What asks for a step, of this client: the zones that show it most, or their own word. */
function aimWords(
  { id: aim, by }: Intended,
  regions: readonly RegionId[],
  profile: Profile,
): string | undefined {
  const said = {
    client: `asked for: ${CONCERN_NAMES[aim]}`,
    nobody: CALM_WORDS,
    reading: undefined,
  }
  return whereShown(aim, profile, regions) || said[by]
}

/**
 * The cause of a shortening in two or three words: the finding's own where an answer asks for it.
 */
function shortCause(why: Why): string {
  const row = CONTRAINDICATIONS.find((contraindication) => contraindication.id === why.rule)
  return row ? FINDINGS[row.finding].short : (why.text.split(':')[0] ?? why.text)
}

function leftOutRegions(regions: readonly RegionId[], allowance: Allowance): Why[] {
  const reach = new Set(allowance.technique.groups.flatMap((group) => GROUPS[group]))
  const byRule = new Map<string, { why: Why; regions: RegionId[] }>()
  for (const [region, whys] of allowance.barred) {
    const why = whys[0]
    if (!why || !reach.has(region) || regions.includes(region)) continue
    const entry = byRule.get(why.rule) ?? { why, regions: [] }
    entry.regions.push(region)
    byRule.set(why.rule, entry)
  }
  return [...byRule.values()].map(({ why, regions: rs }) => ({
    rule: why.rule,
    text: `not on ${listRegions(rs)}: ${why.text.replace(/\.$/, '').toLowerCase()}`,
  }))
}
