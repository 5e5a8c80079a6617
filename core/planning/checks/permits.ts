import { howMany } from '../../words'
import type { FamilyId } from '../../catalogue/kinds'
import { familiesInPairs } from '../../catalogue/products/families'
import { productIn } from '../../catalogue/products/products'
import { PAIRS, type Pair } from '../../catalogue/rules/pairs'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { nameRegions } from '../../face/regions'
import type { PlanInput } from '../input'
import { minutesMostOn, type Allowance } from '../today/allowance'
import { thatAsk } from '../today/need'
import { pairWaived } from '../today/limits'
import { finding, remove, type Checking, type Mend, type PlanFinding, type Rules } from './finding'
import { minutes, ROUNDING } from '../../units'

const OWN_RULE: readonly string[] = ['scope', 'no-device', 'no-product']

/** Whether a step may be done at all, there, so long, so often and so strongly. */
export function permitFindings(step: PlanStep, { allow, input, rules }: Checking): PlanFinding[] {
  const allowance = allow(step)
  const technique = allowance.technique
  if (allowance.never.length > 0)
    return allowance.never.flatMap((reason) =>
      finding(
        rules,
        OWN_RULE.includes(reason.rule) ? reason.rule : 'barred',
        `${technique.name}: ${reason.text}`,
        {
          key: step.key,
          regions: step.regions,
          mends: [remove(step)],
          why: reason,
        },
      ),
    )
  return [
    ...zoneFindings(step, allowance, rules),
    ...needFindings(step, allowance, input, rules),
    ...minuteFindings(step, allowance, rules),
    ...passFindings(step, allowance, rules),
    ...settingFindings(step, allowance, rules),
  ]
}

const set = (step: PlanStep, label: string, patch: Partial<PlanStep>, minutes = 0): Mend => ({
  label,
  minutes,
  edits: [{ do: 'set', key: step.key, patch }],
})

function zoneFindings(step: PlanStep, allowance: Allowance, rules: Rules): PlanFinding[] {
  const hit = step.regions.filter((region) => allowance.barred.has(region))
  const first = hit[0]
  if (first === undefined) return []
  const why = allowance.barred.get(first)?.[0]
  const left = step.regions.filter((region) => !allowance.barred.has(region))
  return finding(
    rules,
    'barred',
    `${allowance.technique.name} on ${nameRegions(hit)}: ${why?.text ?? ''}`,
    {
      key: step.key,
      regions: hit,
      ...(why ? { why } : {}),
      mends: [
        left.length > 0
          ? set(step, `Leave out ${nameRegions(hit)}`, { regions: left })
          : remove(step),
      ],
    },
  )
}

/** Zones that could bear it and need nothing of it; what is pinned was meant. */
function needFindings(
  step: PlanStep,
  { technique }: Allowance,
  input: PlanInput,
  rules: Rules,
): PlanFinding[] {
  if (step.pinned) return []
  const ask = thatAsk(technique, step.regions, input)
  const idle = step.regions.filter((region) => !ask.includes(region))
  if (idle.length === 0) return []
  const where = nameRegions(idle)
  return finding(rules, 'no-need', `${technique.name}: not needed on ${where}`, {
    key: step.key,
    regions: idle,
    mends: [ask.length > 0 ? set(step, `Leave out ${where}`, { regions: [...ask] }) : remove(step)],
  })
}

function minuteFindings(step: PlanStep, allowance: Allowance, rules: Rules): PlanFinding[] {
  const technique = allowance.technique
  const to = (least: number) =>
    set(step, `${least} min`, { minutes: minutes(least) }, least - step.minutes)
  const minutesMost = minutesMostOn(allowance, step.regions)
  if (step.minutes > minutesMost)
    return finding(
      rules,
      technique.families.includes('heat') ? 'heat-limit' : 'minutes-range',
      `${technique.name}: ${minutesMost} min at most${allowance.adapted[0] ? `, ${allowance.adapted[0].text}` : ''}`,
      { key: step.key, mends: [to(minutesMost)] },
    )
  const { minutesLeast, longerWhy: why } = allowance
  return step.minutes < minutesLeast
    ? finding(
        rules,
        'minutes-range',
        `${technique.name} wants at least ${minutesLeast} min${why ? `, ${why.text}` : ''}`,
        { key: step.key, mends: [to(minutesLeast)] },
      )
    : []
}

function passFindings(step: PlanStep, allowance: Allowance, rules: Rules): PlanFinding[] {
  const { passes } = allowance.technique
  if (!passes || (step.passes ?? 1) <= allowance.passesMost) return []
  const cause = allowance.passesWhy?.text ?? 'this skin'
  return finding(
    rules,
    'pass-limit',
    allowance.passesMost < passes.limit ? `One pass only: ${cause}` : undefined,
    {
      key: step.key,
      mends: [
        set(step, howMany(allowance.passesMost, 'pass'), {
          passes: allowance.passesMost,
        }),
      ],
    },
  )
}

function settingFindings(step: PlanStep, allowance: Allowance, rules: Rules): PlanFinding[] {
  const own = allowance.technique.setting
  if (!own || !allowance.setting || step.setting === undefined) return []
  const { least, most } = allowance.setting
  const { setting } = step
  if (setting < least || setting > most) {
    const to = Math.min(most, Math.max(least, setting))
    return finding(
      rules,
      'setting-range',
      `${own.label} ${setting} ${own.unit}: allowed ${least === most ? most : `${least}–${most}`}`,
      { key: step.key, mends: [set(step, `${to} ${own.unit}`, { setting: to })] },
    )
  }
  const thin = step.regions.filter((region) => own.thin?.includes(region))
  const half = Math.floor((least + most) / 2 / own.step + ROUNDING) * own.step
  return thin.length > 0 && setting > half + ROUNDING
    ? finding(
        rules,
        'thin-zones',
        `${nameRegions(thin)}: thin, at most ${half.toFixed(2)} ${own.unit}`,
        {
          key: step.key,
          regions: thin,
          mends: [
            set(step, `${half.toFixed(2)} ${own.unit}`, { setting: Number(half.toFixed(2)) }),
          ],
        },
      )
    : []
}

/** Kinds of work that may not share this visit. */
export function pairFindings(
  { input, steps, rules }: Checking,
  pairs: readonly Pair[] = PAIRS,
): PlanFinding[] {
  const kinds = steps.map((step): readonly FamilyId[] => {
    const bottle = productIn(input.shelf, step.productId)
    return [...techniqueOf(step).families, ...(bottle ? familiesInPairs(bottle) : [])]
  })
  const of = (family: Pair['a']) => steps.filter((_, i) => kinds[i]?.includes(family))
  return pairs.flatMap((pair) => {
    if (pairWaived(pair, input)) return []
    const one = of(pair.a)[0]
    const other = of(pair.b).find((step) => step.key !== one?.key)
    if (!one || !other) return []
    const later = steps.indexOf(one) > steps.indexOf(other) ? one : other
    return finding(
      rules,
      'pair',
      `${techniqueOf(one).name} and ${techniqueOf(other).name.toLowerCase()}: ${pair.sentence}`,
      {
        key: later.key,
        regions: later.regions,
        mends: [remove(later), remove(later === one ? other : one)],
        why: { rule: pair.id, text: pair.sentence },
      },
    )
  })
}
