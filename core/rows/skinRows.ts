import {
  CONTRAINDICATIONS,
  type Contraindication,
} from '../catalogue/consultation/contraindications'
import { FINDINGS } from '../catalogue/consultation/findings'
import { HOME_POURINGS } from '../catalogue/consultation/home'
import { COMMON_PRACTICE } from '../catalogue/kinds'
import {
  AGE_FACTORS,
  REDNESS_FACTORS,
  RESILIENT_TOLERANCE,
  SENSITIVITY_FACTORS,
  THICKNESS,
  UNREAD_FACTOR,
  WATER_FACTORS,
} from '../catalogue/rules/tolerance'
import { ADAPTATIONS, type Adaptation } from '../catalogue/skin/adaptations'
import { CONDITION_WORDS } from '../catalogue/skin/conditions'
import {
  CONDITION_ROWS,
  MARKED_FROM,
  MATURE_FROM,
  RESILIENT,
  SHORT_DWELL_REDNESS,
  SPOTTED_FROM,
  TYPE_LIMITS,
} from '../catalogue/skin/thresholds'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { REGION_NAMES } from '../face/regions'
import { REGION_IDS } from '../face/zones'
import { BREAKOUT_ROWS } from '../catalogue/skin/breakout'
import { STEP_DOWN_ROWS } from '../catalogue/skin/stepDown'
import { OPEN_SHEET } from '../catalogue/consultation/openSheet'
import { SKIN_LIMIT_ROWS, SKIN_ROWS } from '../catalogue/skin/readRows'
import { limitWords } from '../screening/verdict/limits'
import { OBSERVATIONS } from '../skin/observations'
import { boundWords, rowsOf, stopsWords, type Row } from './row'
import { fromHundredths } from '../units'

/** What is told and read, and what it changes. */
/** What a row stops, or what it wants seen to before which work. */
const about = ({ does, confirm, families }: Contraindication) =>
  does === 'restricts' && confirm !== undefined
    ? ` Seen to first: ${confirm.toLowerCase()}.`
    : stopsWords(families)

/** Rows of the catalogue about skin and answers, as the page of all rows shows them. */
export const skinRows = (): Row[] => [
  ...rowsOf('Contraindications', CONTRAINDICATIONS, (own) => ({
    id: own.id,
    title: FINDINGS[own.finding].short,
    sentence: `${own.sentence}${about(own)}${whenWords(own)}${limitedTo(own)}`,
    reason: own.reason,
    source: own.source,
  })),
  ...rowsOf('What was read', SKIN_ROWS, (own) => ({
    id: own.rule,
    title: `${own.reading} ${own.from} or more`,
    sentence: `${own.sentence}${stopsWords(own.families)}`,
    reason: own.reason,
    source: own.source,
  })),
  ...rowsOf('What was read', BREAKOUT_ROWS, (own) => ({
    id: own.rule,
    title: `spots ${own.from} or more in ${own.regions} regions`,
    sentence: `${own.sentence}${stopsWords(own.families)} Comes back ${own.days} days after it was last read.`,
    reason: 'an inflamed face heals faster when it is left alone',
    source: own.source,
  })),
  ...carefulRows(),
  ...rowsOf('What was read', SKIN_LIMIT_ROWS, (own) => ({
    id: own.rule,
    title: CONDITION_WORDS[own.condition],
    sentence: own.sentence,
    reason: `as ${own.as}`,
    source: own.source,
  })),
  ...conditionRows(),
  ...rowsOf('One-tap observations', OBSERVATIONS, (own) => ({
    id: `noticed-${own.id}`,
    title: own.words,
    sentence: own.sets
      .map(({ reading, exactly, least, most }) =>
        [reading, boundWords({ exactly, atLeast: least, atMost: most })].join(' '),
      )
      .join(', '),
    source: own.source,
  })),
  ...rowsOf('Adaptations', ADAPTATIONS, (own) => ({
    id: own.id,
    title: own.techniques.map((id) => TECHNIQUES[id].name).join(', '),
    sentence: `${own.sentence}${changesWords(own)}`,
    source: own.source,
  })),
  ...toleranceRows(),
]

function whenWords({ days, ahead }: Contraindication): string {
  if (days !== undefined) return ` For ${days} days.`
  return ahead === undefined ? '' : ` ${ahead} days ahead.`
}

/** Rows that take a rung away from everything. */
const carefulRows = (): Row[] => [
  ...rowsOf('One rung down', STEP_DOWN_ROWS, (own) => ({
    id: own.rule,
    title: own.regions === undefined ? 'last visit too much' : `${own.regions} regions or more`,
    sentence: `${own.sentence}${stopsWords(own.families)}${limitedTo(own)}`,
    reason: 'skin that had too much wants less',
    source: own.source,
  })),
  ...rowsOf('Contraindications', [OPEN_SHEET], (own) => ({
    id: own.rule,
    title: `${own.least} questions or more unanswered or unsure`,
    sentence: `${own.sentence}${stopsWords(own.families)}`,
    reason: own.reason,
    source: own.source,
  })),
]

const limitedTo = ({ limit }: Pick<Contraindication, 'limit'>): string =>
  limit ? ` (${limitWords(limit).join(', ')})` : ''

/** The numbers an adaptation changes a technique by. */
function changesWords(own: Adaptation): string {
  const parts = [
    own.minutesMost === undefined ? '' : `${own.minutesMost} min at most`,
    own.minutesLeast === undefined ? '' : `${own.minutesLeast} min at least`,
    own.passesMost === undefined ? '' : `${own.passesMost} passes at most`,
    own.settingMost === undefined ? '' : `setting ${own.settingMost} at most`,
    own.settingLeast === undefined ? '' : `setting ${own.settingLeast} at least`,
    own.favour === undefined ? '' : `liked by ${own.favour > 0 ? '+' : ''}${own.favour}`,
  ].filter(Boolean)
  return parts.length > 0 ? ` (${parts.join(', ')})` : ''
}

const conditionRows = (): Row[] => [
  ...rowsOf('What a skin is', CONDITION_ROWS, (own) => ({
    id: `is-${own.id}`,
    title: CONDITION_WORDS[own.id],
    sentence: `${own.reading} ${boundWords(own)}`,
    source: own.source,
  })),
  ...rowsOf(
    'What a skin is',
    [
      ['combination', `T-zone oil ${TYPE_LIMITS.combination} grades above the cheeks`],
      ['oily', `oil ${TYPE_LIMITS.oily} or more on average`],
      ['dry', `oil ${TYPE_LIMITS.dry} or less on average`],
      ['mature', `from ${MATURE_FROM} years on`],
      ['marks-easily', `pigment ${MARKED_FROM} or more, or by phototype`],
      [
        'resilient',
        `all read, sensitivity ${RESILIENT.sensitivityMost} at most, redness ` +
          `${RESILIENT.rednessMost}, under ${RESILIENT.underAge} years where an age is known`,
      ],
      ['short-dwell', `redness ${SHORT_DWELL_REDNESS} or more: masks off at the short end`],
      ['spotted', `spots ${SPOTTED_FROM} or more`],
    ] as const,
    ([id, sentence]) => ({ id: `is-${id}`, title: id, sentence, source: TYPE_LIMITS.source }),
  ),
]

const toleranceRows = (): Row[] => [
  ...rowsOf(
    'What lowers the tolerance',
    [...SENSITIVITY_FACTORS, ...REDNESS_FACTORS, ...WATER_FACTORS, ...AGE_FACTORS, UNREAD_FACTOR],
    (own) => ({
      id: own.id,
      title: `${own.percent} % kept`,
      sentence: own.sentence,
      source: own.source,
    }),
  ),
  ...rowsOf('What lowers the tolerance', REGION_IDS, (region) => ({
    id: `thickness-${region}`,
    title: REGION_NAMES[region],
    sentence: `the same work counts ${THICKNESS[region]} %`,
    source: `${COMMON_PRACTICE}; house scale`,
  })),
  ...rowsOf('What lowers the tolerance', [RESILIENT_TOLERANCE], (hundredths) => ({
    id: 'tolerance-resilient',
    title: 'resilient skin',
    sentence: `bears a skin load of ${fromHundredths(hundredths)}`,
    source: `${COMMON_PRACTICE}; house scale`,
  })),
  ...rowsOf('What is poured in at home', HOME_POURINGS, (own) => ({
    id: `home-${own.finding}`,
    title: own.label,
    sentence: `skin load ${fromHundredths(own.hundredths)} an evening on ${own.regions.length} regions`,
    source: own.source,
  })),
]
