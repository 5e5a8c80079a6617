import { COMMON_PRACTICE, type FamilyId } from '../kinds'
import type { ConditionId } from '../skin/conditions'

/** What may be seen or felt at home after work of some families: from when, until when, what to do. */
export interface ForecastRow {
  id: string
  /** Work of these families, or a visit that was stopped. */
  after: readonly FamilyId[] | 'stopped'
  fromHours: number
  untilHours: number
  sentence: string
  advice: string
  /** Skin that shows it longer. */
  longer?: readonly ConditionId[]
  source: string
}
const row = (
  id: string,
  after: ForecastRow['after'],
  [fromHours, untilHours]: readonly [number, number],
  sentence: string,
  advice: string,
  longer: readonly ConditionId[] = [],
): ForecastRow => ({
  ...{ id, after, fromHours, untilHours, sentence, advice, longer },
  source: COMMON_PRACTICE,
})
const RED: readonly ConditionId[] = ['sensitive', 'reactive']

export const FORECASTS: readonly ForecastRow[] = [
  row(
    'pink-strong',
    ['abrasion', 'needling', 'blade', 'peel'],
    [0, 24],
    'Pink, warm and tight, like a light sunburn.',
    'Cool water and your plain cream; it is gone by tomorrow.',
    RED,
  ),
  row(
    'pink',
    ['acid', 'enzyme', 'friction', 'heat', 'vacuum', 'ultrasound', 'massage'],
    [0, 3],
    'A little pink and warm.',
    'Leave it alone; it fades within hours.',
    RED,
  ),
  row(
    'dots-taken-out',
    ['extraction'],
    [0, 24],
    'Small red dots where pores were cleared.',
    'Do not press or cover them.',
    RED,
  ),
  row(
    'flaking',
    ['abrasion', 'peel', 'acid'],
    [48, 120],
    'Dry, and flaking a little.',
    'Cream more often; never rub or pick it off.',
  ),
  row(
    'flaking-needling',
    ['needling'],
    [24, 72],
    'Dry and rough to the touch.',
    'Cream more often; no scrub.',
  ),
  row(
    'few-spots',
    ['extraction', 'enzyme', 'acid', 'abrasion', 'peel'],
    [24, 336],
    'A few small spots where you usually get them.',
    'Leave them; they go within a week or two. Itching, burning or spots in new places are different: call.',
  ),
  row(
    'suction-dots',
    ['vacuum'],
    [0, 168],
    'Small bruise dots from the suction.',
    'They fade within a week; no massage there.',
  ),
  row(
    'reacted',
    'stopped',
    [0, 72],
    'Redness that fades slowly after today’s reaction.',
    'Cool water, your plainest cream. It must get less each day: if not, call.',
  ),
]
/** How much longer it lasts on skin that shows it longer, per cent. House value. */
export const LONGER_PERCENT = 200

/** Days after a visit on which the client is asked: always, and after strong work as well. */
export const ASKED_DAYS = { always: [1, 3], strong: [1, 3, 7] } as const
/** The hour from which the question of a day may go out, by the clock of the house. House value. */
export const ASKED_FROM_HOUR = 9
