import { COMMON_PRACTICE, type FamilyId } from '../kinds'

/**
 * Kinds of work that never share one visit. `unless` names the camp of the house that lets trained
 * hands do both on resilient skin, load counted in full.
 */
export interface Pair {
  id: string
  a: FamilyId
  b: FamilyId
  sentence: string
  unless?: 'peelWithMachine'
  source: string
}
const row = (
  id: string,
  one: FamilyId,
  other: FamilyId,
  sentence: string,
  unless?: Pair['unless'],
): Pair => ({
  id,
  a: one,
  b: other,
  sentence,
  ...(unless === undefined ? {} : { unless }),
  source: COMMON_PRACTICE,
})

export const PAIRS: readonly Pair[] = [
  row('pair-needling-tip', 'needling', 'abrasion', 'Needling and tip never share a visit.'),
  row('pair-needling-acid', 'needling', 'acid', 'No acid on the day of needling.'),
  row('pair-needling-enzyme', 'needling', 'enzyme', 'No enzyme on the day of needling.'),
  row('pair-needling-grain', 'needling', 'friction', 'No grains on the day of needling.'),
  row(
    'pair-needling-extraction',
    'needling',
    'extraction',
    'No extraction on the day of needling.',
  ),
  row('pair-blade-tip', 'blade', 'abrasion', 'Blade and tip never share a visit.'),
  row('pair-blade-acid', 'blade', 'acid', 'Blade and acid never share a visit.'),
  row('pair-blade-needling', 'blade', 'needling', 'Blade and needling never share a visit.'),
  row('pair-tip-acid', 'abrasion', 'acid', 'No acid with the tip on one day.', 'peelWithMachine'),
  row(
    'pair-acid-active',
    'acid',
    'leaveOnActive',
    'Acid, then a retinoid or vitamin C left on: one of them a day.',
  ),
  row('pair-peel-cold', 'peel', 'cold', 'No globes and no cold on a fresh peel.'),
  row('pair-peel-massage', 'peel', 'massage', 'No massage and no stones on a fresh peel.'),
  row('pair-peel-lips', 'peel', 'lips', 'No balm beside a peel: it carries what still works.'),
  row(
    'pair-alcohol-wand',
    'alcohol',
    'highFrequency',
    'No alcohol under the wand: a spark lights it.',
  ),
  row('pair-wand-current', 'highFrequency', 'microcurrent', 'One current a visit.'),
]
