import { ingredientsIn, INGREDIENTS } from '#core/catalogue/products/ingredients'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { GROUPS } from '#core/face/regions'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { restBars } from '#core/load/rest'
import { loadOn, heatOf } from '#core/load/loads'
import { toleranceOf } from '#core/load/tolerance'
import { freeAcidOf } from '#core/dosing/freeAcid'
import { bottleRateOf } from '#core/dosing/bottleRate'
import { plannedGrade } from '#core/skin/profile'
import { forbidden, type Forbidden, type Limits } from './bars'
import { BLAND, CURRENTS, deedsOf, ELSEWHERE, handDeeds, WHOLE_FACE, type Deed } from './deeds'
import { orderComplaints } from './order'
import { replay, restComplaints, restsOf, type Moment } from './replay'
import { strayComplaints } from './stray'
import type { Complaint, Steps, Visit } from './visit'

type Step = Steps[number]
/** Soaked so long before it is wiped, not rubbed (common practice). */
const WATERPROOF_MINUTES = 4
const nameOf = ({ technique }: Step) => TECHNIQUES[technique].name
export const bottleOf = (visit: Visit, { productId }: Step) =>
  visit.shelf.find(({ product }) => product.id === productId)
export const deedsIn = (visit: Visit, step: Step): readonly Deed[] =>
  deedsOf(step.technique, bottleOf(visit, step)?.product)

/**
 * Everything that somebody who knows the trade, and nothing of how plans are made here, would strike
 * out of a plan. Written from the trade's own rules (common practice).
 */
export function examine(visit: Visit, steps: Steps): Complaint[] {
  const { bars, limits } = forbidden(visit)
  const walked = replay(visit, steps)
  return [
    ...walked.complaints,
    ...restComplaints(visit, steps, walked.moments),
    ...steps.flatMap((step, i) => [
      ...barComplaints(visit, step, bars),
      ...houseComplaints(visit, step),
      ...amountComplaints(visit, step, limits),
      ...bottleComplaints(visit, step, walked.moments[i]),
    ]),
    ...sumComplaints(visit, steps, walked.moments, limits),
    ...orderComplaints(visit, steps, walked.moments),
    ...(walked.total > visit.slotMinutes ? [{ says: 'longer than the visit' }] : []),
  ]
}

/** Zones that a step meets: steam and lamps meet the whole face. */
const meets = ({ technique, regions }: Step): readonly RegionId[] =>
  WHOLE_FACE.includes(technique) ? [...new Set([...regions, ...GROUPS.face])] : regions

function barComplaints(visit: Visit, step: Step, bars: readonly Forbidden[]): Complaint[] {
  const resting = restBars(visit.past, visit.today)
  const here = meets(step)
  // What forbids a blade forbids a small one.
  const hands = handDeeds(step.technique).flatMap((deed): Deed[] =>
    deed === 'trims' ? ['trims', 'cuts'] : [deed],
  )
  const families: readonly string[] = [
    ...TECHNIQUES[step.technique].families,
    ...(hands.includes('trims') ? ['blade'] : []),
  ]
  const inside = deedsIn(visit, step).filter((deed) => !hands.includes(deed))
  const say = (says: string): Complaint => ({ key: step.key, says: `${nameOf(step)}: ${says}` })
  const { product } = TECHNIQUES[step.technique]
  const touches = !ELSEWHERE.includes(step.technique) && step.technique !== 'wait'
  return [
    ...bars.flatMap(({ deeds, bland, where, says }) => {
      const met =
        where.length === REGION_IDS.length || here.some((region) => where.includes(region))
      if (deeds === 'touch') return touches && met ? [say(says)] : []
      if (bland && product && !BLAND.includes(product) && here.some((zone) => where.includes(zone)))
        return [say(says)]
      // What a bottle holds counts wherever it goes.
      return (met && hands.some((deed) => deeds.includes(deed))) ||
        inside.some((deed) => deeds.includes(deed))
        ? [say(says)]
        : []
    }),
    ...resting.flatMap((bar) =>
      bar.families.some((family) => families.includes(family)) &&
      here.some((region) => bar.regions.includes(region))
        ? [say('still resting from last time')]
        : [],
    ),
    ...strayComplaints(visit, step),
  ]
}

function houseComplaints(visit: Visit, step: Step): Complaint[] {
  const { device, licence } = TECHNIQUES[step.technique]
  const say = (says: string): Complaint => ({ key: step.key, says: `${nameOf(step)}: ${says}` })
  return [
    ...(device && !visit.devices.includes(device) ? [say('no such device in the house')] : []),
    ...(visit.licences.includes(licence) ? [] : [say('outside the licence')]),
    ...(visit.policy?.without.includes(step.technique) ? [say('not offered here')] : []),
  ]
}

/** Minutes, passes and settings: within the card, and shorter on skin that asks for it. */
function amountComplaints({ profile, makeUp }: Visit, step: Step, limits: Limits): Complaint[] {
  const { minutes, passes, setting } = TECHNIQUES[step.technique]
  const at = (reading: 'sensitivity' | 'redness' | 'oil', least: number) =>
    meets(step).some((region) => plannedGrade(profile, region, reading) >= least)
  const dry = step.regions.some((region) => plannedGrade(profile, region, 'oil') === 0)
  const age = profile.age ?? 0
  const own = step.technique
  const most = Math.min(
    minutes.most,
    handDeeds(own).includes('heats') ? limits.steamMinutes : Infinity,
    own === 'steam' && (at('sensitivity', 2) || age >= 60) ? 5 : Infinity,
    own === 'steam' && at('redness', 1) ? 3 : Infinity,
    own === 'warmTowel' && at('sensitivity', 2) ? 1 : Infinity,
    own === 'grain' && (at('redness', 1) || dry) ? 1 : Infinity,
    own === 'grain' && age >= 60 ? 0.5 : Infinity,
    ['massage', 'creamCleanse'].includes(own) && at('sensitivity', 3) ? 5 : Infinity,
    own === 'oilCleanse' && at('sensitivity', 3) ? 5 : Infinity,
    ['massage', 'toningMassage'].includes(own) && age >= 70 ? 10 : Infinity,
  )
  const passMost = Math.min(
    passes?.limit ?? Infinity,
    limits.passes,
    at('sensitivity', 2) || age >= 60 ? 1 : Infinity,
  )
  const least =
    ['eyesOff', 'eyesByCleanser'].includes(own) && makeUp.includes('waterproof')
      ? WATERPROOF_MINUTES
      : minutes.least
  const level = step.setting
  const say = (says: string): Complaint => ({ key: step.key, says: `${nameOf(step)}: ${says}` })
  return [
    ...(step.minutes > most || step.minutes < Math.min(least, most)
      ? [say(`${step.minutes} min`)]
      : []),
    ...(passes && (step.passes ?? 1) > passMost ? [say('a pass too many')] : []),
    ...(setting && level !== undefined && level < setting.least ? [say('below its range')] : []),
    ...(own === 'steam' && level !== undefined && level < 40 && at('sensitivity', 2)
      ? [say('too near on sensitive skin')]
      : []),
    ...(setting && level !== undefined && level > Math.max(setting.most, setting.more?.most ?? 0)
      ? [say('above its range')]
      : []),
  ]
}

/** The bottle in the hand: there, in date, of the right kind, and nothing in it that was told. */
function bottleComplaints(visit: Visit, step: Step, moment: Moment | undefined): Complaint[] {
  const { product: kind } = TECHNIQUES[step.technique]
  if (!kind) return []
  const say = (says: string): Complaint => ({ key: step.key, says: `${nameOf(step)}: ${says}` })
  const item = bottleOf(visit, step)
  if (!item) return [say('no bottle')]
  const { product, lots } = item
  const fresh = lots.some(
    (lot) => !lot.recalled && lot.expires >= visit.today && lot.remainingMillilitres > 0,
  )
  const told = visit.answers.allergy
  const words = (told?.substances ?? []).map((word) => word.toLowerCase())
  const inside = ingredientsIn(product.inci)
  const allergen =
    told?.say === 'yes' &&
    (inside.some(
      (id) => words.includes(INGREDIENTS[id].name.toLowerCase()) || words.includes(id),
    ) ||
      product.inci.some((line) => words.some((word) => line.toLowerCase().includes(word))))
  const worked =
    moment !== undefined &&
    step.regions.some((region) => moment.before[region].skin !== 'intact') &&
    !product.calming
  const tender = REGION_IDS.some(
    (region) => plannedGrade(visit.profile, region, 'sensitivity') >= 2,
  )
  return [
    ...(product.kind === kind ? [] : [say('the wrong kind of bottle')]),
    ...(fresh ? [] : [say('no bottle in date')]),
    ...(allergen ? [say('holds what was told')] : []),
    ...(tender && inside.includes('fragrance') ? [say('scented, on sensitive skin')] : []),
    ...(worked ? [say('not of the calming range, on worked skin')] : []),
    ...(visit.suspected[product.id] === undefined ? [] : [say('suspected')]),
    ...(visit.patch[product.id] === undefined ? [] : [say('waits for its patch test')]),
    ...(visit.daylight && inside.includes('retinoid') ? [say('a retinoid by day')] : []),
  ]
}

/** What adds up over the visit: exfoliations, heat, current, light, and what the skin bears. */
function sumComplaints(
  visit: Visit,
  steps: Steps,
  moments: readonly Moment[],
  limits: Limits,
): Complaint[] {
  const does = (deeds: readonly Deed[]) =>
    steps.filter((step) => handDeeds(step.technique).some((deed) => deeds.includes(deed)))
  const rests = restsOf(steps, moments)
  const restOf = (step: Step) =>
    Math.max(
      0,
      ...rests
        .filter(({ key }) => key === step.key)
        .map(({ start, end }) => (end ?? start) - start),
    )
  const minutesOf = (own: Steps) =>
    own.reduce((sum, step) => sum + (restOf(step) || step.minutes), 0)
  const most = (deeds: readonly Deed[], minutes: number, says: string): Complaint[] => {
    const own = does(deeds)
    return own.length > 1 && minutesOf(own) > minutes ? [{ says }] : []
  }
  const out: Complaint[] = [
    ...most(['heats'], Math.min(12, limits.steamMinutes + 2), 'too much heat in all'),
    ...most(['sucks'], 15, 'too much suction in all'),
    ...most(CURRENTS, 20, 'too much current in all'),
    ...most(['shines'], 21, 'too much light in all'),
  ]
  return [...out, ...loadComplaints(visit, steps, moments, limits)]
}

function loadComplaints(
  visit: Visit,
  steps: Steps,
  moments: readonly Moment[],
  { tolerancePercent }: Limits,
): Complaint[] {
  const rests = restsOf(steps, moments)
  const poured = (region: RegionId) =>
    steps.reduce((sum, step, i) => {
      const moment = moments[i]
      if (!moment || !step.regions.includes(region)) return sum
      const rest = rests.find((own) => own.key === step.key && own.region === region)
      const row = TECHNIQUES[step.technique]
      const bottle = bottleOf(visit, step)?.product
      const { warmAt } = moment.before[region]
      const warm = warmAt !== undefined && moment.start - warmAt < 10
      return (
        sum +
        loadOn(
          region,
          row,
          {
            handsMinutes: step.minutes,
            dwellMinutes: rest
              ? Math.max(0, (rest.end ?? moments.at(-1)?.end ?? 0) - rest.start)
              : 0,
            passes: step.passes ?? 0,
            freeAcid: bottle ? freeAcidOf(bottle) : 0,
            bottleRate: bottle ? bottleRateOf(bottle) : 0,
            setting: step.setting ?? row.setting?.start ?? 0,
          },
          heatOf(warm ? 'warm' : 'neutral'),
        )
      )
    }, 0)
  const over = REGION_IDS.filter((region) => {
    const more = poured(region)
    const bears = toleranceOf(visit.profile, region, tolerancePercent).hundredths
    return more > 0 && visit.residual[region] + more > bears
  })
  return over.length > 0 ? [{ says: `more than ${over.join(', ')} can bear` }] : []
}
