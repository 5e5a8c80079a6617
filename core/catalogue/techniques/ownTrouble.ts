import type { OwnKind } from './ownShapes'
import { techniquesWhere, TECHNIQUES, type OwnWay, type Technique } from './techniques'

/** What is wrong with a way of a house's own: which field, and what may stand in it. */
export interface OwnTrouble {
  field: string
  allowed: string
}

/**
 * Techniques that a house may do in a way of its own: steps for themselves, not those that every visit
 * has, nor those that come with another step.
 */
export const NEAREST = techniquesWhere(
  ({ part, connects, removes, idle, tick }) =>
    part === undefined && connects === undefined && !removes && !idle && !tick,
)

/** Everything in which a way would be looser than its technique, or could not be done at all. */
export function ownTrouble(own: OwnWay): OwnTrouble[] {
  const from = TECHNIQUES[own.from]
  return [
    ...(NEAREST.includes(own.from)
      ? []
      : [{ field: 'from', allowed: 'a technique that is a step of its own' }]),
    ...within('minutesLeast', own.minutesLeast, from.minutes, from, 'min'),
    ...within('minutesMost', own.minutesMost, from.minutes, from, 'min'),
    ...((own.minutesLeast ?? from.minutes.least) > (own.minutesMost ?? from.minutes.most)
      ? [{ field: 'minutesMost', allowed: 'not less than the shortest time' }]
      : []),
    ...restTrouble(own, from),
    ...passTrouble(own, from),
    ...deviceTrouble(own.device, from),
  ]
}

const lower = ({ name }: Technique): string => name.toLowerCase()

function within(
  field: string,
  given: number | undefined,
  { least, most }: { least: number; most: number },
  from: Technique,
  unit: string,
): OwnTrouble[] {
  if (given === undefined || (given >= least && given <= most)) return []
  return [{ field, allowed: `${least} to ${most} ${unit}, as ${lower(from)} has` }]
}

const restTrouble = ({ restMost }: OwnWay, from: Technique): OwnTrouble[] =>
  restMost !== undefined && !from.dwell
    ? [{ field: 'restMost', allowed: `empty: ${lower(from)} does not rest on the skin` }]
    : within(
        'restMost',
        restMost,
        { least: from.dwell?.earliest ?? 0, most: from.dwell?.latest ?? 0 },
        from,
        'min',
      )

const passTrouble = ({ passesMost }: OwnWay, from: Technique): OwnTrouble[] =>
  passesMost !== undefined && !from.passes
    ? [{ field: 'passesMost', allowed: `empty: ${lower(from)} counts no passes` }]
    : within('passesMost', passesMost, { least: 1, most: from.passes?.limit ?? 1 }, from, 'passes')

/** A device of the kind that the technique works with, with a level on its dial. */
function deviceTrouble(device: OwnKind | undefined, from: Technique): OwnTrouble[] {
  if (!device) return []
  if (device.from !== from.device)
    return [{ field: 'device', allowed: `one that works like what ${lower(from)} is done with` }]
  const { levels } = device
  const { setting } = from
  if (!levels || !setting) return []
  const meets = levels.least <= setting.most && levels.most >= setting.least
  return meets
    ? []
    : [
        {
          field: 'device',
          allowed: `one with a level from ${setting.least} to ${setting.most} ${setting.unit}`,
        },
      ]
}
