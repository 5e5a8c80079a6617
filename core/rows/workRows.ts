import { DEVICE_NAMES, FAMILY_NAMES, KIND_NAMES, COMMON_PRACTICE } from '../catalogue/kinds'
import { MAKE_UP, takeOffWords } from '../catalogue/consultation/makeUp'
import { MIXES } from '../catalogue/products/mixes'
import { ORDER_RULES } from '../catalogue/rules/orderRules'
import { PAIRS } from '../catalogue/rules/pairs'
import { LADDER, SKIN_NOW, SLIP, STAYS_LONGER } from '../catalogue/rules/byHand'
import { PAD_RULE } from '../catalogue/rules/pads'
import { COURSE_RULE } from '../catalogue/rules/rednessCourse'
import { WATER_ROWS } from '../catalogue/rules/waterAdditions'
import { POINTS } from '../catalogue/schools/camps'
import { REMOVAL_LINEN, TRAY_RULES, WARM_UPS } from '../catalogue/techniques/linen'
import { TOOLS } from '../catalogue/techniques/tools'
import { REGION_NAMES } from '../face/regions'
import { REMOVAL_WAYS, WAYS_OFF } from '../catalogue/techniques/removalWays'
import type { LoadRule } from '../catalogue/techniques/technique'
import { SPOTS } from '../catalogue/techniques/residue'
import { OUTSIDE_ORBIT } from '../catalogue/techniques/reach'
import { FLOOR_STAGES } from '../catalogue/techniques/stages'
import { ORDERS } from '../catalogue/techniques/directions'
import { MANNERS, type MannerId } from '../catalogue/techniques/strokes'
import {
  TECHNIQUES,
  techniquesWhere,
  type Technique,
  type TechniqueId,
} from '../catalogue/techniques/techniques'
import { fromHundredths } from '../units'
import { rowsOf, type Row } from './row'

const names = (ids: readonly TechniqueId[]) => ids.map((id) => TECHNIQUES[id].name).join(', ')

/** How its load grows, in words. */
const LOAD_WORDS: Readonly<Record<LoadRule['per'], string>> = {
  handsMinute: 'for each minute under the hand',
  dwellRoot: 'times the root of its minutes on the skin',
  freeAcidRoot: 'for each per cent of free acid, times the root of its minutes on the skin',
  pass: 'for each pass',
  setting: 'for each step of its setting',
  once: 'once',
}

/** Minutes, window, setting, passes and load of a technique in words. */
function numbersOf(technique: Technique): string {
  const { minutes, dwell, setting, passes, load, heatFactor, connects } = technique
  const parts = [`${minutes.least}–${minutes.most} min on the hands`]
  if (dwell)
    parts.push(
      `rests ${dwell.earliest}–${dwell.latest} min (sensitive skin to ${dwell.sensitive.latest})`,
    )
  if (setting)
    parts.push(
      `${setting.label.toLowerCase()} ${setting.least}–${setting.most} ${setting.unit}`.trim(),
    )
  if (passes) parts.push(`${passes.usual} pass, never more than ${passes.limit}`)
  if (load) parts.push(`skin load ${fromHundredths(load.hundredths)} ${LOAD_WORDS[load.per]}`)
  if (heatFactor !== undefined) parts.push(`what follows bears ${heatFactor} %`)
  if (connects) parts.push(`connects in ${connects.minutes} min`)
  return `${parts.join('; ')}. `
}

const asksFirst = ({ confirm }: Technique) => confirm !== undefined

/** What is done, in what order, with what laid out. */
export const workRows = (): Row[] => [
  ...rowsOf('Techniques', Object.values(TECHNIQUES), (own) => ({
    id: own.id,
    title: own.name,
    sentence: [
      `${own.hand} ${numbersOf(own)}Done when: ${own.cue}`,
      ...(own.restCue ? [`Off when: ${own.restCue}`] : []),
    ].join(' '),
    reason: own.reason,
    source: own.source,
  })),
  ...rowsOf('Where work is never done', [OUTSIDE_ORBIT], (own) => ({
    id: own.rule,
    title: own.regions.map((region) => REGION_NAMES[region]).join(', '),
    sentence: `${own.families.map((family) => FAMILY_NAMES[family]).join(', ')}: ${own.sentence}`,
    source: own.source,
  })),
  ...rowsOf('What is seen to first', Object.values(TECHNIQUES).filter(asksFirst), (own) => ({
    id: `technique-${own.id}`,
    title: own.name,
    sentence: (own.confirm ?? []).join('. '),
    source: own.source,
  })),
  ...rowsOf('What every visit has', FLOOR_STAGES, (own) => ({
    id: own.rule.replace('must-', 'floor-'),
    title: own.stage,
    sentence: `${TECHNIQUES[own.first].name}, where it is missing`,
    source: COMMON_PRACTICE,
  })),
  ...rowsOf('Rules of the plan', [...ORDER_RULES.values()], (own) => ({
    id: own.id,
    title: own.strength,
    sentence: own.sentence,
    reason: own.locked ? 'locked' : '',
    source: own.source,
  })),
  ...rowsOf('What never shares a visit', PAIRS, (own) => ({
    id: own.id,
    title: `${FAMILY_NAMES[own.a]}, ${FAMILY_NAMES[own.b]}`,
    sentence: own.sentence,
    reason:
      own.unless === undefined ? '' : 'the practice may allow it for trained hands, resilient skin',
    source: own.source,
  })),
  ...POINTS.flatMap((point) =>
    rowsOf('Where schools differ', point.camps, (camp) => ({
      id: `${point.id}-${camp.id}`,
      title: point.title,
      sentence: camp.sentence,
      reason: camp.reason,
      source: COMMON_PRACTICE,
    })),
  ),
  ...handRows(),
  ...trayRows(),
  ...roomRows(),
]

const handRows = (): Row[] => [
  ...rowsOf('How the hand goes', Object.values(MANNERS), (own) => ({
    id: `manner-${own.id}`,
    title: own.name,
    sentence: wayOver(own.id),
    source: own.source,
  })),
]

/** Where the hand begins and ends on a face, neck and décolleté, and what it minds. */
const wayOver = (id: MannerId): string => {
  const zones = ORDERS[id].filter((region) => MANNERS[id].strokes[region] !== undefined)
  const [from, to] = [zones[0], zones.at(-1)]
  const way = from && to && from !== to ? [`From ${REGION_NAMES[from]} to ${REGION_NAMES[to]}`] : []
  return [...way, ...(MANNERS[id].minds ? [MANNERS[id].minds] : [])].join('; ')
}

const trayRows = (): Row[] => [
  ...rowsOf('What is mixed fresh', MIXES, (own) => ({
    id: `mix-${own.kind}`,
    title: KIND_NAMES[own.kind],
    sentence:
      `1 part powder to ${own.liquidParts} of liquid; ${own.words}. ` +
      `Mixed ${own.beforeMinutes} min before, workable ${own.workingMinutes} min.`,
    source: own.source,
  })),
  ...rowsOf('What is worn, and how it comes off', Object.values(MAKE_UP), (own) => ({
    id: `worn-${own.id}`,
    title: own.name,
    sentence: `${own.sentence}. ${takeOffWords([own.id])}`,
    source: own.source,
  })),
  ...rowsOf('What lies on the tray', TRAY_RULES, (own) => ({
    id: `tray-${own.id}`,
    title: names(techniquesWhere((technique) => technique.lays?.includes(own.id) ?? false)),
    sentence: `${own.count} ${own.item[own.count === 1 ? 0 : 1]}${own.per === 'step' ? ' each time' : ''}`,
    reason: own.reason,
    source: own.source,
  })),
  ...rowsOf(
    'What lies on the tray',
    [REMOVAL_LINEN],
    ({ cloths, mitts, sponges, pads, tissues }) => ({
      id: 'tray-removal',
      title: 'by what the practice takes off with',
      sentence:
        `A cloth folded in four serves for ${cloths.faces} wipes, each with a clean face; ` +
        `${sponges.each} sponges for the visit, or ${pads.perCloth} pads for one cloth. ` +
        `Where the skin has spots, ${pads.perSpot} pad for each such zone, used once. ` +
        `A mitt serves as a cloth does, with ${mitts.closing} cooler one to close. ` +
        `What is wiped off dry takes ${tissues.each} tissues.`,
      source: COMMON_PRACTICE,
    }),
  ),
  ...rowsOf('How a tool is made clean', Object.values(TOOLS), (own) => ({
    id: `tool-${own.id}`,
    title: own.name,
    sentence:
      `Washed: ${own.wash}. Then disinfected: ${own.disinfect}, wet for ` +
      `${own.contactMinutes} min or as the label says. Until it is dried it is never laid out.` +
      (own.wears
        ? ` Its ${own.wears.part} is changed after ${own.wears.after} visits, or as its maker says.`
        : '') +
      (own.laid ? ` On the tray: ${own.laid.count ?? 1}, ${own.laid.say}.` : ''),
    source: own.source,
  })),
  ...rowsOf('What warms up', WARM_UPS, (own) => ({
    id: `warm-${own.device}`,
    title: DEVICE_NAMES[own.device],
    sentence: `${own.minutes} min before it is wanted`,
    source: own.source,
  })),
]

const ROOM_TITLES: Readonly<Record<string, string>> = {
  [PAD_RULE.id]: 'the pad',
  [COURSE_RULE.id]: 'redness',
  [SLIP.id]: 'the medium',
  ...Object.fromEntries(STAYS_LONGER.map(({ id, title }) => [id, title])),
  [SKIN_NOW.id]: 'the skin now',
  [LADDER.id]: 'a device',
}

/** What the room counts, looks for and watches. */
const roomRows = (): Row[] => [
  ...rowsOf(
    'What the room goes by',
    [PAD_RULE, COURSE_RULE, SLIP, SKIN_NOW, ...STAYS_LONGER, LADDER],
    (own) => ({
      id: own.id,
      title: ROOM_TITLES[own.id] ?? own.id,
      sentence: own.sentence,
      source: own.source,
    }),
  ),
  ...rowsOf('Water additions', WATER_ROWS, (own) => ({
    id: own.id,
    title: `from visit ${own.fromVisit}`,
    sentence: `${own.least} to ${own.most} expected, home care ${own.kept ? 'done' : 'not known'}`,
    source: own.source,
  })),
  ...rowsOf('How a mask comes off', REMOVAL_WAYS, (own) => ({
    id: `off-${own.kind}`,
    title: KIND_NAMES[own.kind],
    sentence: `${own.first}; ${own.water} water, ${own.wipes.join(' to ')} wipes`,
    source: own.source,
  })),
  ...rowsOf('How a mask comes off', Object.values(WAYS_OFF), (own) => ({
    id: `way-${own.id}`,
    title: own.name,
    sentence: own.say || 'by the way of its kind',
    reason: own.kinds.map((kind) => KIND_NAMES[kind]).join(', '),
    source: own.source,
  })),
  ...rowsOf('Where product stays behind', Object.values(SPOTS), (own) => ({
    id: `spot-${own.id}`,
    title: own.name,
    sentence: `after ${own.kinds.map((kind) => KIND_NAMES[kind]).join(', ')}`,
    source: own.source,
  })),
]
