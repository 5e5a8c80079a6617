import type { Setting } from '../../catalogue/techniques/technique'
import type { Technique } from '../../catalogue/techniques/techniques'
import { tookWell } from '../../load/had'
import type { PlanInput } from '../input'

/** Where a device may stand for this client and these hands, in its own unit. */
export interface Range {
  least: number
  start: number
  most: number
}

/** Before the skin and the answers narrow it; undefined where there is no setting. */
export const rangeOf = (technique: Technique, input: PlanInput): Range | undefined =>
  technique.setting && {
    least: technique.setting.least,
    start: startOf(technique, technique.setting, input),
    most: mostFor(technique.setting, input),
  }

/**
 * Where a device begins: where it ended last time, if that was taken well; at the least for whoever
 * never had here, or did not take well, what is felt.
 */
const startOf = (
  { id }: Technique,
  { start, least, felt }: Setting,
  { lastSettings, past }: PlanInput,
): number => lastSettings?.[id] ?? (felt && !tookWell(past, id) ? least : start)

const mostFor = (setting: Setting, input: PlanInput): number =>
  setting.more && input.licences.includes(setting.more.licence) ? setting.more.most : setting.most
