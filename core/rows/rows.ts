import { ADAPTATIONS } from '../catalogue/skin/adaptations'
import { AFTERCARE, AFTERCARE_TITLES } from '../catalogue/rules/aftercare'
import { CONDITION_WORDS } from '../catalogue/skin/conditions'
import { CONTRAINDICATIONS } from '../catalogue/consultation/contraindications'
import { FINDINGS } from '../catalogue/consultation/findings'
import { HOME_POURINGS } from '../catalogue/consultation/home'
import { INGREDIENT_IDS, INGREDIENTS } from '../catalogue/products/ingredients'
import { COMMON_PRACTICE, DEVICE_NAMES, FAMILY_NAMES, KIND_NAMES } from '../catalogue/kinds'
import { PAIRS } from '../catalogue/rules/pairs'
import { POINTS } from '../catalogue/schools/camps'
import { PRODUCT_RULES } from '../catalogue/products/productRules'
import { MANNERS } from '../catalogue/techniques/strokes'
import { MIXES } from '../catalogue/products/mixes'
import { ORDER_RULES } from '../catalogue/rules/orderRules'
import { REST_INTERVALS } from '../catalogue/rules/restIntervals'
import {
  AGE_FACTORS,
  REDNESS_FACTORS,
  SENSITIVITY_FACTORS,
  UNREAD_FACTOR,
  WATER_FACTORS,
} from '../catalogue/rules/tolerance'
import { TRAY_RULES, WARM_UPS } from '../catalogue/techniques/linen'
import { RETESTS } from '../catalogue/consultation/retests'
import { STOP_RULES } from '../catalogue/rules/stopRules'
import { TECHNIQUES, type Technique } from '../catalogue/techniques/techniques'
import { SKIN_LIMIT_ROWS, SKIN_ROWS } from '../screening/skin'
import { OBSERVATIONS } from '../skin/observations'

/** One row that the house computes with, in words. */
function boundWords(set: { exactly?: number; least?: number; most?: number }): string {
  if (set.exactly !== undefined) return `is ${set.exactly}`
  return set.least !== undefined ? `at least ${set.least}` : `at most ${set.most ?? ''}`
}

export interface Row {
  group: string
  id: string
  title: string
  sentence: string
  reason: string
  source: string
}
const stops = (families: readonly (keyof typeof FAMILY_NAMES)[]) =>
  families.length > 0 ? ` Stops: ${families.map((f) => FAMILY_NAMES[f]).join(', ')}.` : ''
const until = (c: (typeof CONTRAINDICATIONS)[number]) =>
  c.days !== undefined
    ? ` For ${c.days} days.`
    : c.ahead !== undefined
      ? ` ${c.ahead} days ahead.`
      : ''

/** Minutes, window and setting of a technique in words. */
function numbers(t: Technique): string {
  const parts = [`${t.minutes.least}–${t.minutes.most} min on the hands`]
  if (t.dwell)
    parts.push(
      `rests ${t.dwell.earliest}–${t.dwell.latest} min (sensitive skin to ${t.dwell.sensitive.latest})`,
    )
  if (t.setting)
    parts.push(
      `${t.setting.label.toLowerCase()} ${t.setting.least}–${t.setting.most} ${t.setting.unit}`.trim(),
    )
  if (t.passes) parts.push(`${t.passes.usual} pass, never more than ${t.passes.limit}`)
  return `${parts.join('; ')}. `
}

/**
 * Every row, by group, in the order it is worked with: the Method page and the generated page of
 * the documents show the same.
 */
export function allRows(): Row[] {
  return [
    ...Object.values(TECHNIQUES).map((t): Row => ({
      group: 'Techniques',
      id: t.id,
      title: t.name,
      sentence: `${t.hand} ${numbers(t)}Done when: ${t.cue}`,
      reason: t.reason,
      source: t.source,
    })),
    ...CONTRAINDICATIONS.map((c): Row => ({
      group: 'Contraindications',
      id: c.id,
      title: FINDINGS[c.finding].short,
      sentence: `${c.sentence}${stops(c.families)}${until(c)}`,
      reason: c.reason,
      source: c.source,
    })),
    ...SKIN_ROWS.map((r): Row => ({
      group: 'What was read',
      id: r.rule,
      title: `${r.reading} ${r.from} or more`,
      sentence: `${r.sentence}${stops(r.families)}`,
      reason: r.reason,
      source: r.source,
    })),
    ...SKIN_LIMIT_ROWS.map((r): Row => ({
      group: 'What was read',
      id: r.rule,
      title: CONDITION_WORDS[r.condition],
      sentence: r.sentence,
      reason: `as ${r.as}`,
      source: r.source,
    })),
    ...OBSERVATIONS.map((o): Row => ({
      group: 'One-tap observations',
      id: `noticed-${o.id}`,
      title: o.words,
      sentence: o.sets.map((s) => `${s.reading} ${boundWords(s)}`).join(', '),
      reason: '',
      source: o.source,
    })),
    ...ADAPTATIONS.map((a): Row => ({
      group: 'Adaptations',
      id: a.id,
      title: a.techniques.map((t) => TECHNIQUES[t].name).join(', '),
      sentence: a.sentence,
      reason: '',
      source: a.source,
    })),
    ...[...ORDER_RULES.values()].map((r): Row => ({
      group: 'Rules of the plan',
      id: r.id,
      title: r.strength,
      sentence: r.sentence,
      reason: r.locked ? 'locked' : '',
      source: r.source,
    })),
    ...PAIRS.map((p): Row => ({
      group: 'What never shares a visit',
      id: p.id,
      title: `${FAMILY_NAMES[p.a]}, ${FAMILY_NAMES[p.b]}`,
      sentence: p.sentence,
      reason:
        p.unless === undefined ? '' : 'the house may allow it for trained hands on resilient skin',
      source: p.source,
    })),
    ...PRODUCT_RULES.map((p): Row => ({
      group: 'What a bottle must keep to',
      id: p.id,
      title: p.acids ? p.acids.join(', ') : 'by day',
      sentence: p.sentence,
      reason: '',
      source: p.source,
    })),
    ...POINTS.flatMap((p) =>
      p.camps.map((c): Row => ({
        group: 'Where schools differ',
        id: `${p.id}-${c.id}`,
        title: p.title,
        sentence: c.sentence,
        reason: c.reason,
        source: 'common practice',
      })),
    ),
    ...Object.values(MANNERS).map((m): Row => ({
      group: 'How the hand goes',
      id: `manner-${m.id}`,
      title: m.name,
      sentence: m.order,
      reason: '',
      source: m.source,
    })),
    ...MIXES.map((m): Row => ({
      group: 'What is mixed fresh',
      id: `mix-${m.kind}`,
      title: KIND_NAMES[m.kind],
      sentence: `1 part powder to ${m.liquidParts} of liquid; ${m.words}. Workable ${m.workingMinutes} min.`,
      reason: '',
      source: m.source,
    })),
    ...TRAY_RULES.map((t): Row => ({
      group: 'What lies on the tray',
      id: `tray-${t.id}`,
      title: t.techniques.map((x) => TECHNIQUES[x].name).join(', '),
      sentence: `${t.count} ${t.item[t.count === 1 ? 0 : 1]}${t.per === 'step' ? ' each time' : ''}`,
      reason: t.reason,
      source: t.source,
    })),
    ...WARM_UPS.map((w): Row => ({
      group: 'What warms up',
      id: `warm-${w.device}`,
      title: DEVICE_NAMES[w.device],
      sentence: `${w.minutes} min before it is wanted`,
      reason: '',
      source: w.source,
    })),
    ...INGREDIENT_IDS.flatMap((i): Row[] => {
      const { patch, name } = INGREDIENTS[i]
      return patch === undefined
        ? []
        : [
            {
              group: 'What asks for a patch test',
              id: `patch-${i}`,
              title: name,
              sentence: `${patch}, new to sensitive or reactive skin`,
              reason: '',
              source: COMMON_PRACTICE,
            },
          ]
    }),
    ...RETESTS.map((r): Row => ({
      group: 'What asks for a patch test',
      id: r.id,
      title: 'repeated',
      sentence: r.why,
      reason: '',
      source: r.source,
    })),
    ...REST_INTERVALS.map((r): Row => ({
      group: 'Rest intervals',
      id: r.id,
      title: `${r.days} days`,
      sentence: r.sentence,
      reason: '',
      source: r.source,
    })),
    ...[
      ...SENSITIVITY_FACTORS,
      ...REDNESS_FACTORS,
      ...WATER_FACTORS,
      ...AGE_FACTORS,
      UNREAD_FACTOR,
    ].map((f): Row => ({
      group: 'What lowers the tolerance',
      id: f.id,
      title: `${f.percent} % kept`,
      sentence: f.sentence,
      reason: '',
      source: f.source,
    })),
    ...HOME_POURINGS.map((h): Row => ({
      group: 'What is poured in at home',
      id: `home-${h.finding}`,
      title: h.label,
      sentence: `${h.hundredths} hundredths an evening on ${h.regions.length} regions`,
      reason: '',
      source: h.source,
    })),
    ...Object.values(STOP_RULES).map((r): Row => ({
      group: 'Stop rules',
      id: r.id,
      title: 'in the room',
      sentence: r.sentence,
      reason: '',
      source: r.source,
    })),
    ...AFTERCARE.map((a): Row => ({
      group: 'Aftercare',
      id: a.id,
      title: AFTERCARE_TITLES[a.topic],
      sentence: `${a.sentence} ${a.hours} h.`,
      reason: a.why,
      source: a.source,
    })),
  ]
}

/** The same rows as one page of the documents. */
export function rowsPage(): string {
  const rows = allRows()
  const cell = (s: string) => s.replaceAll('|', '\\|')
  const groups = [...new Set(rows.map((r) => r.group))].map((g) => {
    const own = rows.filter((r) => r.group === g)
    const line = (r: Row) =>
      `| \`${r.id}\` | ${[r.title, r.sentence, r.reason, r.source].map(cell).join(' | ')} |`
    const head = ['| id | what | says | why | source |', '|---|---|---|---|---|']
    return `${[`## ${g} (${own.length})`, '', ...head, ...own.map(line)].join('\n')}\n`
  })
  return (
    `# Every row the house computes with\n\nWritten by \`npm run formats\` from ` +
    `\`core/\`; do not edit. ${rows.length} rows.\n\n${groups.join('\n')}`
  )
}
