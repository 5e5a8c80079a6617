import { PAIRS, type Pair } from '../../catalogue/rules/pairs'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { nameRegions } from '../../face/regions'
import type { Allowance } from '../today/allowed'
import { pairWaived } from '../today/limits'
import { finding, remove, type Checking, type Mend, type PlanFinding, type Rules } from './finding'
import { minutes } from '../../units'

const OWN_RULE: readonly string[] = ['scope', 'no-device', 'no-product']

/** Whether a step may be done at all, there, so long, so often and so strongly. */
export function permitFindings(step: PlanStep, { allow, rules }: Checking): PlanFinding[] {
  const a = allow(step.technique)
  const t = a.technique
  if (a.never.length > 0)
    return a.never.flatMap((w) =>
      finding(rules, OWN_RULE.includes(w.rule) ? w.rule : 'barred', `${t.name}: ${w.text}`, {
        key: step.key,
        regions: step.regions,
        mends: [remove(step)],
        why: w,
      }),
    )
  return [
    ...zoneFindings(step, a, rules),
    ...minuteFindings(step, a, rules),
    ...passFindings(step, a, rules),
    ...settingFindings(step, a, rules),
  ]
}

const set = (step: PlanStep, label: string, patch: Partial<PlanStep>, minutes = 0): Mend => ({
  label,
  minutes,
  edits: [{ do: 'set', key: step.key, patch }],
})

function zoneFindings(step: PlanStep, a: Allowance, rules: Rules): PlanFinding[] {
  const hit = step.regions.filter((r) => a.barred.has(r))
  const first = hit[0]
  if (first === undefined) return []
  const why = a.barred.get(first)?.[0]
  const left = step.regions.filter((r) => !a.barred.has(r))
  return finding(
    rules,
    'barred',
    `${a.technique.name} on ${nameRegions(hit)}: ${why?.text ?? ''}`,
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

function minuteFindings(step: PlanStep, a: Allowance, rules: Rules): PlanFinding[] {
  const t = a.technique
  const to = (least: number) =>
    set(step, `${least} min`, { minutes: minutes(least) }, least - step.minutes)
  if (step.minutes > a.minutesMost)
    return finding(
      rules,
      t.families.includes('heat') ? 'heat-limit' : 'minutes-range',
      `${t.name}: ${a.minutesMost} min at most${a.adapted[0] ? `, ${a.adapted[0].text}` : ''}`,
      { key: step.key, mends: [to(a.minutesMost)] },
    )
  return step.minutes < t.minutes.least
    ? finding(rules, 'minutes-range', `${t.name} wants at least ${t.minutes.least} min`, {
        key: step.key,
        mends: [to(t.minutes.least)],
      })
    : []
}

function passFindings(step: PlanStep, a: Allowance, rules: Rules): PlanFinding[] {
  const { passes } = a.technique
  if (!passes || (step.passes ?? 1) <= a.passesMost) return []
  const cause =
    a.adapted.find((w) => w.rule.includes('tip') || w.rule.includes('marks'))?.text ?? 'this skin'
  return finding(
    rules,
    'pass-limit',
    a.passesMost < passes.limit ? `One pass only: ${cause}` : undefined,
    {
      key: step.key,
      mends: [
        set(step, `${a.passesMost} ${a.passesMost === 1 ? 'pass' : 'passes'}`, {
          passes: a.passesMost,
        }),
      ],
    },
  )
}

function settingFindings(step: PlanStep, a: Allowance, rules: Rules): PlanFinding[] {
  const own = a.technique.setting
  if (!own || !a.setting || step.setting === undefined) return []
  const { least, most } = a.setting
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
  const thin = step.regions.filter((r) => own.thin?.includes(r))
  const half = Math.floor((least + most) / 2 / own.step + 1e-9) * own.step
  return thin.length > 0 && setting > half + 1e-9
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
  const of = (f: Pair['a']) => steps.filter((s) => TECHNIQUES[s.technique].families.includes(f))
  return pairs.flatMap((p) => {
    if (pairWaived(p, input)) return []
    const one = of(p.a)[0]
    const other = of(p.b).find((s) => s.key !== one?.key)
    if (!one || !other) return []
    const later = steps.indexOf(one) > steps.indexOf(other) ? one : other
    return finding(
      rules,
      'pair',
      `${TECHNIQUES[one.technique].name} and ${TECHNIQUES[other.technique].name.toLowerCase()}: ${p.sentence}`,
      {
        key: later.key,
        regions: later.regions,
        mends: [remove(later), remove(later === one ? other : one)],
        why: { rule: p.id, text: p.sentence },
      },
    )
  })
}
