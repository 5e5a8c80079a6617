import { methodOf } from '#core/catalogue/schools/schools'
import { ingredientsIn } from '#core/catalogue/products/ingredients'
import { takeOff } from '#core/catalogue/consultation/makeUp'
import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { GROUPS } from '#core/face/regions'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { plannedGrade } from '#core/skin/profile'
import { forbidden } from './bars'
import { chainComplaints } from './chains'
import { deedsOf, handDeeds, TAKES_OFF, WORK, type Deed } from './deeds'
import { layerComplaints, wastedComplaints } from './layers'
import {
  CLEANSES,
  EYES_OFF,
  LAMP,
  LAYS_MASK,
  MASSAGES,
  SURFACE,
  WEIGHT,
  does,
  isOneOf,
  stays,
  type Step,
} from './named'
import { takenOffAtHome, type Moment } from './replay'
import type { Complaint, Steps, Visit } from './visit'

/** What every visit has, whoever the client is. */
const FLOOR: readonly (readonly [readonly TechniqueId[], string])[] = [
  [['settle'], 'hands are not washed'],
  [['milk', 'micellar', 'wipes'], 'no surface cleanse'],
  [['secondReading'], 'the bare skin is not read'],
  [['secondCleanse', 'oilCleanse', 'creamCleanse'], 'no second cleanse'],
  [['moisturiser'], 'the skin is not moisturised'], // oil gives no water
  [['close'], 'the client is not seen off'],
]

/** All that is done to a face besides cleansing it, and what stays on it. */
const isWork = (step: Step): boolean =>
  does(...WORK)(step) || LAYS_MASK(step) || WEIGHT[step.technique] !== undefined

/** What stands before what, where both are there. */
const BEFORE: readonly (readonly [(step: Step) => boolean, (step: Step) => boolean, string])[] = [
  [EYES_OFF, (step) => SURFACE(step) || CLEANSES(step), 'eyes come first'],
  [SURFACE, isOneOf('secondReading'), 'read before it is bare'],
  [
    isOneOf('secondReading'),
    (step) => CLEANSES(step) || isWork(step),
    'worked on before it was read',
  ],
  [LAMP, stays, 'a lamp over layers'],
  [MASSAGES, LAMP, 'a lamp before the massage'],
  [
    (step) => does('heats', 'extracts')(step) || isOneOf('massage', 'toningMassage')(step),
    isOneOf('cold', 'coldCloth'),
    'cold before warm work',
  ],
]

/** Never in one visit. */
const NEVER_TOGETHER: readonly (readonly [Deed, Deed])[] = [
  ['needles', 'abrades'],
  ['needles', 'acid'],
  ['needles', 'enzyme'],
  ['needles', 'rubs'],
  ['needles', 'extracts'],
  ['cuts', 'abrades'],
  ['cuts', 'acid'],
  ['cuts', 'needles'],
  ['abrades', 'acid'],
  ['acid', 'active'],
  ['peel', 'cools'],
  ['peel', 'presses'],
  ['peel', 'lips'],
  ['alcohol', 'spark'],
  ['spark', 'current'],
]

export function orderComplaints(
  visit: Visit,
  steps: Steps,
  moments: readonly Moment[],
): Complaint[] {
  return [
    ...floorComplaints(visit, steps),
    ...beforeComplaints(steps),
    ...togetherComplaints(visit, steps),
    ...exfoliationComplaints(visit, steps),
    ...chainComplaints(visit, steps),
    ...endComplaints(visit, steps),
    ...layerComplaints(steps),
    ...wastedComplaints(steps),
    ...offNothing(steps, moments),
  ]
}

function floorComplaints(visit: Visit, steps: Steps): Complaint[] {
  const { daylight, makeUp } = visit
  const cleanses = steps.filter(CLEANSES).length
  // Of all that is worn, sun cream alone is not at eyes and lips.
  const eyes = makeUp.some((worn) => worn !== 'sunCream') && mayTouch(visit, 'eyes')
  return [
    ...FLOOR.flatMap(([ids, says]) => (steps.some(isOneOf(...ids)) ? [] : [{ says }])),
    ...(daylight && !steps.some(isOneOf('sunProtection')) ? [{ says: 'no sun protection' }] : []),
    ...(eyes && !steps.some(isOneOf('eyesOff', 'eyesByCleanser'))
      ? [{ says: 'eyes left made up' }]
      : []),
    ...(cleanses > 0 && cleanses < takeOff(makeUp).cleanses
      ? [{ says: 'heavy layers want another cleanse' }]
      : []),
  ]
}

/** A zone that nothing may touch is left as it is. */
const mayTouch = (visit: Visit, region: RegionId): boolean =>
  !forbidden(visit).bars.some(({ deeds, where }) => deeds === 'touch' && where.includes(region))

const beforeComplaints = (steps: Steps): Complaint[] =>
  BEFORE.flatMap(([first, then, says]) => {
    const early = steps.findIndex(then)
    const late = steps.findLastIndex(first)
    return early >= 0 && late > early ? [{ key: steps[late]?.key ?? '', says }] : []
  })

const BESIDE_ACID: readonly string[] = ['retinoid', 'vitaminC']
function togetherComplaints(visit: Visit, steps: Steps): Complaint[] {
  const deeds = steps.map(({ technique, productId }) => {
    const bottle = visit.shelf.find(({ product }) => product.id === productId)?.product
    const all = deedsOf(technique, bottle)
    // An acid that stays on is an acid, and an active only with something else in it.
    const more = bottle && ingredientsIn(bottle.inci).some((id) => BESIDE_ACID.includes(id))
    return bottle?.acid && !more ? all.filter((deed) => deed !== 'active') : all
  })
  return NEVER_TOGETHER.flatMap(([one, other]) => {
    const at = deeds.findIndex((own) => own.includes(one))
    return at >= 0 && deeds.some((own, i) => i !== at && own.includes(other))
      ? [{ says: `${one} and ${other} in one visit` }]
      : []
  })
}

/** One exfoliation a visit; a second only on skin that bears it. */
function exfoliationComplaints(visit: Visit, steps: Steps): Complaint[] {
  const own = steps.filter(({ technique, productId }) => {
    const bottle = visit.shelf.find(({ product }) => product.id === productId)?.product
    const hands = handDeeds(technique)
    const wash = isWash(technique)
    return (
      hands.some((deed) => TAKES_OFF.includes(deed) || deed === 'ultrasound') ||
      (wash && deedsOf(technique, bottle).some((deed) => deed === 'acid' || deed === 'enzyme'))
    )
  })
  const { profile, firstVisit, school, policy } = visit
  const { boldFirst, exfoliationLimit } = methodOf(school, policy)
  const tough =
    visit.lastTime !== 'tooMuch' &&
    profile.unread.length === 0 &&
    (profile.age ?? 40) < 60 &&
    !profile.conditions.includes('marksEasily') &&
    forbidden(visit).limits.tolerancePercent === 100 &&
    REGION_IDS.every(
      (region) =>
        plannedGrade(profile, region, 'sensitivity') <= 1 &&
        plannedGrade(profile, region, 'redness') === 0,
    )
  const most = tough && (!firstVisit || boldFirst) ? exfoliationLimit : 1
  return own.length > most - (takenOffAtHome(visit) ? 1 : 0)
    ? [{ says: 'one exfoliation too many' }]
    : []
}
const isWash = (id: TechniqueId) =>
  [
    'milk',
    'micellar',
    'wipes',
    'secondCleanse',
    'oilCleanse',
    'creamCleanse',
    'sonicBrush',
    'tone',
  ].includes(id)

/** Exfoliate before what gives; warm to open and cool to end; sun protection last of all. */
function endComplaints(visit: Visit, steps: Steps): Complaint[] {
  const { daylight } = visit
  const gives = (step: Step) => LAYS_MASK(step) || MASSAGES(step)
  const finish = (step: Step) =>
    LAYS_MASK(step) ||
    isOneOf('cold', 'coldCloth', 'serum', 'ampoule', 'eyeProduct', 'facialOil', 'sleepMask')(step)
  const sun = steps.findIndex(isOneOf('sunProtection'))
  return steps.flatMap((step, i): Complaint[] => {
    const earlier = steps.slice(0, i)
    const say = (says: string): Complaint[] => [
      { key: step.key, says: `${TECHNIQUES[step.technique].name} ${says}` },
    ]
    return [
      ...(does(...TAKES_OFF)(step) &&
      earlier.some(
        (own) => gives(own) && own.regions.some((region) => step.regions.includes(region)),
      )
        ? say('rubs off what was given')
        : []),
      ...(does('heats')(step) && earlier.some(finish) ? say('warms what was finished') : []),
      ...(sun >= 0 &&
      i > sun &&
      !isOneOf('sunProtection', 'wait')(step) &&
      (step.regions.length > 0 || does('lips')(step))
        ? say('after sun protection')
        : []),
      ...(isOneOf('facialOil')(step) && daylight && sun >= 0 ? say('under sun protection') : []),
      ...(isOneOf('sunProtection')(step) && daylight && bareIn(visit, steps)
        ? say('leaves zones bare')
        : []),
      ...(earlier.some(isOneOf('close')) ? say('after the client was seen off') : []),
      ...(isOneOf('settle')(step) && i > 0 && !earlier.some(isOneOf('settle'))
        ? say('after hands were on the skin')
        : []),
    ]
  })
}
/** By day every zone is covered that may be touched at all. */
const bareIn = (visit: Visit, steps: Steps): boolean => {
  const worn = new Set(steps.filter(isOneOf('sunProtection')).flatMap(({ regions }) => regions))
  return GROUPS.faceNeckDecollete.some((region) => !worn.has(region) && mayTouch(visit, region))
}

/** What takes off needs something that lies there. */
function offNothing(steps: Steps, moments: readonly Moment[]): Complaint[] {
  return steps.flatMap((step, i): Complaint[] => {
    const before = moments[i]?.before
    const says = `${TECHNIQUES[step.technique].name}: nothing lies there`
    if (step.technique === 'lampOff')
      return steps.slice(0, i).filter(LAMP).length >
        steps.slice(0, i).filter(isOneOf('lampOff')).length
        ? []
        : [{ key: step.key, says }]
    if (step.technique !== 'maskOff' || !before) return []
    return step.regions.every((region) => before[region].laidBy !== undefined)
      ? []
      : [{ key: step.key, says }]
  })
}
