import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import type { SkinState, Soil } from '#core/catalogue/techniques/technique'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { plannedGrade } from '#core/skin/profile'
import { deedsOf, ELSEWHERE, handDeeds, TAKES_OFF } from './deeds'
import type { Complaint, Steps, Visit } from './visit'

/** Uncovered water is gone after so many minutes, warmth after so many (common practice). */
const DRIES_AFTER = 2.5
const COOLS_AFTER = 10

/** One zone as it lies under the hand. */
interface Zone {
  soil: Soil
  wetAt: number | undefined
  /** More than damp: water stands on it. */
  dripping: boolean
  film: string
  /** The step that laid what rests here. */
  laidBy: string | undefined
  settledAt: number
  warmAt: number | undefined
  cool: boolean
  skin: SkinState
}
export interface Moment {
  start: number
  end: number
  before: Readonly<Record<RegionId, Zone>>
}
export interface Rest {
  key: string
  technique: Steps[number]['technique']
  region: RegionId | undefined
  start: number
  end: number | undefined
  by: Steps[number]['technique'] | undefined
}

const shut = ({ film }: Zone) => film === 'mask' || film === 'oil'
const isWet = (zone: Zone, now: number) =>
  zone.wetAt !== undefined && (shut(zone) || now - zone.wetAt < DRIES_AFTER)
const isWarm = ({ warmAt }: Zone, now: number) => warmAt !== undefined && now - warmAt < COOLS_AFTER

/** What a step wants of a zone and does not find there. */
function misses(step: Steps[number], zone: Zone, now: number): string | undefined {
  const { soil, film, moisture, skin, warmth, settled } = TECHNIQUES[step.technique].needs
  if (soil && !soil.includes(zone.soil)) return `on ${zone.soil} skin`
  if (film && !film.some((own) => own === zone.film)) return `over ${zone.film}`
  if (skin && !skin.includes(zone.skin)) return `on ${zone.skin} skin`
  if (moisture) {
    const dry = !isWet(zone, now)
    if (dry !== moisture.includes('dry')) return dry ? 'on dry skin' : 'on wet skin'
    if (!dry && zone.dripping && !moisture.includes('wet')) return 'on dripping skin'
  }
  if (warmth && !isWarm(zone, now)) return 'on skin that nothing has softened'
  return settled && zone.settledAt > now ? 'before the last layer has settled' : undefined
}

function leave(step: Steps[number], zone: Zone, end: number): Zone {
  const { leaves, dwell } = TECHNIQUES[step.technique]
  const next = { ...zone }
  if (leaves.soil) next.soil = leaves.soil
  if (leaves.film) next.film = leaves.film
  if (leaves.film && leaves.film !== 'mask') next.laidBy = undefined
  if (dwell && leaves.film === 'mask') next.laidBy = step.key
  if (leaves.moisture) {
    next.wetAt = leaves.moisture === 'dry' ? undefined : end
    next.dripping = leaves.moisture === 'wet'
  }
  if (leaves.skin) next.skin = leaves.skin
  if (leaves.warmth) {
    next.warmAt = leaves.warmth === 'warm' ? end : undefined
    next.cool = leaves.warmth === 'cool'
  }
  if (leaves.settleMinutes !== undefined) next.settledAt = end + leaves.settleMinutes
  return next
}

/**
 * A plan done on paper, zone by zone: what lies where, since when, how wet and how warm it still is.
 */
export function replay(visit: Visit, steps: Steps) {
  const worn = visit.makeUp.length > 0
  const zones = Object.fromEntries(
    REGION_IDS.map((region): [RegionId, Zone] => [
      region,
      {
        soil: worn && region !== 'neck' && region !== 'decollete' ? 'madeUp' : 'soiled',
        wetAt: undefined,
        dripping: false,
        film: 'none',
        laidBy: undefined,
        settledAt: 0,
        warmAt: undefined,
        cool: false,
        skin: 'intact',
      },
    ]),
  ) as Record<RegionId, Zone>
  const moments: Moment[] = []
  const complaints: Complaint[] = []
  let clock = 0
  for (const step of steps) {
    const row = TECHNIQUES[step.technique]
    const looked = step.regions.length > 0 ? step.regions : REGION_IDS
    for (const region of looked) {
      const says = misses(step, zones[region], clock)
      if (says === undefined) continue
      complaints.push({ key: step.key, says: `${row.name} ${says}` })
      break
    }
    moments.push({ start: clock, end: clock + step.minutes, before: { ...zones } })
    clock += step.minutes
    // Water that stood open too long before the step began is gone, whatever covers it now.
    for (const region of REGION_IDS)
      if (!isWet(zones[region], clock)) zones[region] = { ...zones[region], wetAt: undefined }
    for (const region of step.regions) zones[region] = leave(step, zones[region], clock)
  }
  return { moments, complaints, total: clock }
}

/** What takes off what another laid: its own way, and for what lies on the skin water at need. */
const endsRest = (by: Steps[number]['technique'], what: Steps[number]['technique']): boolean =>
  by === (TECHNIQUES[what].removedBy ?? 'maskOff') ||
  (by === 'rinse' && TECHNIQUES[what].leaves.film === 'mask')

/** Everything that is laid to rest, by zone, until what takes it off begins there. */
export function restsOf(steps: Steps, moments: readonly Moment[]): Rest[] {
  return steps.flatMap((step, i) => {
    if (!TECHNIQUES[step.technique].dwell) return []
    const zones: readonly (RegionId | undefined)[] =
      step.regions.length > 0 ? step.regions : [undefined]
    return zones.map((region): Rest => {
      const off = steps.findIndex(
        (later, j) =>
          j > i &&
          endsRest(later.technique, step.technique) &&
          (region === undefined || later.regions.includes(region)),
      )
      return {
        key: step.key,
        technique: step.technique,
        region,
        start: moments[i]?.end ?? 0,
        end: moments[off]?.start,
        by: steps[off]?.technique,
      }
    })
  })
}

/** Something was taken off at home this very day. */
export const takenOffAtHome = ({ answers, today }: Visit): boolean =>
  ['homeScrub', 'homeAcid', 'shaveWax'].some((told) => {
    const answer = answers[told]
    return answer?.say === 'yes' && answer.date === today
  })

/** Skin whose masks come off at the short end. */
function shortEnd(visit: Visit, steps: Steps, step: Steps[number]): boolean {
  const bottleOf = (id: string | undefined) =>
    visit.shelf.find(({ product }) => product.id === id)?.product
  const takesOff = (own: Steps[number]) =>
    handDeeds(own.technique).includes('ultrasound') ||
    deedsOf(own.technique, bottleOf(own.productId)).some((deed) => TAKES_OFF.includes(deed))
  const before = steps.slice(0, steps.indexOf(step)).some(takesOff)
  const isNew = step.productId !== undefined && !visit.usedBefore.includes(step.productId)
  const tender = step.regions.some(
    (region) =>
      plannedGrade(visit.profile, region, 'sensitivity') >= 2 ||
      plannedGrade(visit.profile, region, 'redness') >= 2,
  )
  const own = handDeeds(step.technique).some((deed) => TAKES_OFF.includes(deed))
  return isNew || takenOffAtHome(visit) || tender || (before && !own)
}

/**
 * The minutes of the bottle's label, as far as this skin bears them: never longer than either says, and
 * as long as the label wants where the skin bears that. At the short end it is the first third of what the
 * label says, in half minutes.
 */
function byLabel(
  { earliest, latest }: { earliest: number; latest: number },
  label: { from: number; to: number } | undefined,
  short: boolean,
): { earliest: number; latest: number } {
  if (!label) return { earliest, latest }
  const third = Math.floor(((label.to - label.from) / 3) * 2) / 2
  const most = Math.min(latest, short ? label.from + third : label.to)
  return { earliest: Math.min(most, Math.max(earliest, label.from)), latest: most }
}

/** Whether all that rests comes off, in time, in its own way, and what is done meanwhile. */
export function restComplaints(
  visit: Visit,
  steps: Steps,
  moments: readonly Moment[],
): Complaint[] {
  return restsOf(steps, moments).flatMap((rest): Complaint[] => {
    const step = steps.find(({ key }) => key === rest.key)
    const { dwell, removedBy, leaves, name, attended, quiet } = TECHNIQUES[rest.technique]
    if (!step || !dwell) return []
    const say = (says: string) => [{ key: rest.key, says: `${name}: ${says}` }]
    if (rest.end === undefined) return say('never comes off')
    const label = visit.shelf.find(({ product }) => product.id === step.productId)?.product.rests
    const short = shortEnd(visit, steps, step)
    const window = byLabel(short ? dwell.sensitive : dwell, label, short)
    const minutes = rest.end - rest.start
    const { start, end } = rest
    const meanwhile = steps.filter((_, i) => {
      const moment = moments[i]
      return moment !== undefined && moment.start >= start && moment.end <= end
    })
    const begun = steps.filter((_, i) => {
      const moment = moments[i]
      return moment !== undefined && moment.start >= start && moment.start < end
    })
    const works = ['acid', 'enzyme', 'peel'].some((deed) =>
      handDeeds(rest.technique).some((own) => own === deed),
    )
    return [
      ...(minutes < window.earliest ? say('off before it has worked') : []),
      ...(minutes > window.latest ? say('on past its time') : []),
      ...(attended &&
      meanwhile.some(({ technique }) => technique === 'handsArms' || technique === 'shouldersScalp')
        ? say('left unwatched')
        : []),
      ...(quiet && meanwhile.some(({ technique }) => !restful(technique))
        ? say('disturbed under the hard mask')
        : []),
      ...(works &&
      begun.some(
        (own) =>
          !TECHNIQUES[own.technique].removes &&
          own.technique !== 'rinse' &&
          own.technique !== 'wait' &&
          (own.regions.some((region) => region === rest.region) ||
            (handDeeds(own.technique).includes('lips') && rest.region === 'mouth')),
      )
        ? say('something is put on what works there')
        : []),
      ...(removedBy !== undefined && leaves.film === 'mask' && rest.by !== removedBy
        ? say('only rinsed')
        : []),
    ]
  })
}
const restful = (technique: Steps[number]['technique']): boolean =>
  ELSEWHERE.includes(technique) || TECHNIQUES[technique].removes === true
