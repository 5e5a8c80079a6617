import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { AIM_OF, DIRECTIONS, ORDERS } from '../../catalogue/techniques/directions'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { usualStep } from '../../testing/steps'
import { confirmationsFor } from '../../screening/consent/confirm'
import { toTicks } from '../../units'
import { zoneCountOf } from '../step/counting'
import { promptAt, promptsOf } from '../step/prompts'
import { emptyRoom } from './roomState'
import {
  aimOf,
  directionsOf,
  drainTrouble,
  otherSideAt,
  orderWords,
  sequenceOf,
  shareWords,
} from '../step/sequence'

const all = TECHNIQUE_IDS.map((id) => TECHNIQUES[id])

describe('every technique', () => {
  it.each(all)('$id: its cue, what the button says, and what to do while it is not yet', (own) => {
    expect(own.cue.length).toBeGreaterThan(4)
    // As the big button says it: two or three words, no full stop.
    expect(own.seen.split(' ').length).toBeLessThanOrEqual(3)
    expect(own.seen).not.toMatch(/[.!]$/)
    expect(own.notYet).toMatch(/[.]$/)
    expect(own.notYet).not.toBe(own.cue)
  })
  it('that ends on bare skin after a mask never tells to go on dry', () => {
    for (const own of all.filter(({ removes, id }) => removes && id !== 'lampOff'))
      expect(own.notYet, own.id).toMatch(/wet|water|oil|fingers/i)
  })
})

/** What is counted, by technique, from the trade and not from the row. Common practice. */
const COUNTED: Partial<Record<TechniqueId, readonly [string, number, number]>> = {
  tip: ['pass', 1, 2],
  crystals: ['pass', 1, 2],
  vacuumGlide: ['stroke', 3, 4],
  spatula: ['stroke', 1, 3],
  needling: ['direction', 2, 3],
  extraction: ['try', 0, 2],
  stones: ['stroke', 3, 5],
  microcurrent: ['glide', 3, 3],
  massage: ['stroke', 3, 6],
  toningMassage: ['stroke', 3, 6],
  mist: ['round', 1, 3],
  blade: ['stroke', 1, 2],
  salonPeel: ['coat', 1, 1],
  vacuumDry: ['stroke', 3, 4],
  stonesOnOil: ['stroke', 3, 5],
  ridge: ['stroke', 1, 3],
  drainDown: ['stroke', 1, 2],
  ballTool: ['stroke', 2, 5],
  microcurrentGel: ['glide', 3, 3],
}
const FOR_THE_WHOLE: Partial<Record<TechniqueId, string>> = {
  eyesOff: 'pad',
  eyesByCleanser: 'pad',
  milk: 'pad',
  micellar: 'pad',
  wipes: 'pad',
  creamCleanse: 'pad',
  secondCleanse: 'pad',
  tone: 'pad',
  oilCleanse: 'water',
}

describe('what is counted', () => {
  it.each(all)('in $id', ({ id, counter }) => {
    const zones = zoneCountOf(emptyRoom(), usualStep(id))
    expect(zones && [zones.what, zones.least, zones.most]).toEqual(COUNTED[id])
    const whole = FOR_THE_WHOLE[id]
    if (whole !== undefined) expect(counter).toEqual({ what: whole })
    else if (COUNTED[id] === undefined) expect(counter).toBe('none')
  })
})

/** Words that a client needs at that step, and when: nobody is surprised. Common practice. */
const SAID: Partial<Record<TechniqueId, readonly [RegExp, number | 'otherSide']>> = {
  settle: [/touch your forehead/, 0],
  eyesOff: [/jaw drop/, 0],
  eyesByCleanser: [/jaw drop/, 0],
  lashRoots: [/eyes closed/, 0],
  dampPads: [/eyes closed/, 0],
  milk: [/beside your mouth/, 0.5],
  micellar: [/beside your mouth/, 0.5],
  wipes: [/beside your mouth/, 0.5],
  creamCleanse: [/along your jaw/, 0.5],
  sonicBrush: [/hums/, 0],
  vacuumDry: [/pull/, 0],
  coldCloth: [/cold cloth/, 0],
  stonesOnOil: [/Cold now/, 0],
  ridge: [/ridges/, 0],
  microcurrentGel: [/gel stays/, 1],
  lipSerum: [/your lips/, 0],
  browTidy: [/still/, 0],
  oilCleanse: [/little water/, 0.6],
  resurfacingMask: [/prickle at first/, 0],
  toningMassage: [/how they differ/, 'otherSide'],
  blot: [/breathe/, 0],
  steam: [/goes away/, 1],
  warmTowel: [/towel now/, 0],
  enzyme: [/burning no/, 0],
  acidMask: [/burning no/, 0],
  salonPeel: [/burns/, 0],
  tip: [/now the other/, 'otherSide'],
  crystals: [/fine sand/, 0],
  spatula: [/hiss/, 0],
  vacuumGlide: [/pull/, 0],
  needling: [/prickle/, 0],
  extraction: [/pressure/, 0],
  highFrequency: [/finger is on the glass/, 0],
  cold: [/Cold now/, 0],
  stones: [/Cold now/, 0],
  blueLamp: [/Close your eyes/, 0],
  redLamp: [/Close your eyes/, 0],
  microcurrent: [/feel nothing/, 0],
  hardeningMask: [/without a word/, 0],
  lipScrub: [/beside your mouth/, 0],
  lipCare: [/beside your mouth/, 0],
  blade: [/still/, 0],
}

/** What may come of it, as the hand ends. */
const SAID_LAST: typeof SAID = {
  vacuumGlide: [/Small dots may show/, 1],
  vacuumDry: [/Small dots may show/, 1],
  extraction: [/small spots may come/, 1],
}

describe('what is said', () => {
  it.each([...Object.entries(SAID), ...Object.entries(SAID_LAST)])(
    'at %s, at its moment and not before',
    (id, [words, when]) => {
      const step = usualStep(id as TechniqueId)
      const share = when === 'otherSide' ? (otherSideAt(step) ?? 0) / step.minutes : when
      if (when === 'otherSide') expect(share).toBeGreaterThan(0.3)
      const said = promptsOf(step).filter(({ say }) => words.test(say))
      expect(said).toHaveLength(1)
      expect(said[0]?.at).toBeCloseTo(share * step.minutes)
      const at = promptsOf(step)
        .filter((own) => own.at <= share * step.minutes)
        .at(-1)
      expect(promptAt(step, share * step.minutes)).toContain(at?.say)
      if (share > 0) expect(promptAt(step, 0) ?? '').not.toMatch(words)
    },
  )
  it('names the noise of what makes one, before it makes it', () => {
    const LOUD: readonly TechniqueId[] = [
      'tip',
      'crystals',
      'vacuumGlide',
      'spatula',
      'needling',
      'highFrequency',
      'steam',
    ]
    for (const id of LOUD)
      expect(promptAt(usualStep(id), 0) ?? '', id).toMatch(/loud|hum|hiss|buzz|crackle/i)
  })
  it('is said by no other technique unawares: every one with words has its case', () => {
    const speaking = all.filter(({ id }) => promptsOf(usualStep(id)).length > 0).map(({ id }) => id)
    const without = speaking.filter((id) => SAID[id] === undefined)
    expect(without).toEqual([])
  })
})

describe('which way the hand goes', () => {
  const stroked = all.filter(({ manner }) => manner !== 'none')
  it.each(stroked)('in $id: every zone it works has its arrow', ({ id }) => {
    const step = usualStep(id)
    expect(Object.keys(directionsOf(step)).sort()).toEqual([...step.regions].sort())
  })
  it('is never down the cheek, the jaw or the forehead; only drainage runs down the neck', () => {
    for (const own of stroked) {
      const way = directionsOf(usualStep(own.id))
      for (const region of ['cheekL', 'cheekR', 'jawL', 'jawR', 'forehead'] as const)
        expect((way[region]?.up ?? 0) + (way[region]?.out ?? 1), own.id).toBeGreaterThan(0.5)
      if (AIM_OF[own.manner as keyof typeof AIM_OF] !== 'drain')
        expect(way.neck?.up ?? 0, own.id).toBeGreaterThanOrEqual(0)
    }
    expect(DIRECTIONS.drain.neck?.up).toBeLessThan(0)
  })
  it.each(stroked)(
    'in $id: the sequence takes each zone once and no more time than there is',
    ({ id }) => {
      const step = usualStep(id)
      const sequence = sequenceOf(step)
      // A zone that has two halves comes once on each side, where sides are taken one after the other.
      const zones = sequence.flatMap(({ place }) =>
        'region' in place && place.side !== 'R' ? [place.region] : [],
      )
      expect([...zones].sort()).toEqual([...step.regions].sort())
      const ticks = sequence.reduce((sum, own) => sum + toTicks(own.minutes as never), 0)
      expect(ticks).toBe(toTicks(step.minutes))
    },
  )
  it('stays longer where the hand found tension, in a massage alone, and in no more time', () => {
    const step = usualStep('massage')
    const timeOf = (sequence: ReturnType<typeof sequenceOf>, region: RegionId) =>
      sequence.find(({ place }) => 'region' in place && place.region === region)?.minutes ?? 0
    fc.assert(
      fc.property(
        fc.constantFrom(...step.regions),
        fc.integer({ min: 0, max: 3 }),
        fc.dictionary(fc.constantFrom(...step.regions), fc.integer({ min: 0, max: 4 })),
        (region, grade, others) => {
          const less = sequenceOf(step, { ...others, [region]: grade })
          const more = sequenceOf(step, { ...others, [region]: grade + 1 })
          expect(timeOf(more, region)).toBeGreaterThanOrEqual(timeOf(less, region))
          const all = more.reduce((sum, own) => sum + own.minutes, 0)
          expect(all).toBe(step.minutes)
        },
      ),
    )
    const tense = sequenceOf(step, { jawL: 3, jawR: 3 })
    expect(timeOf(tense, 'jawL')).toBeGreaterThan(timeOf(sequenceOf(step), 'jawL'))
    expect(tense.find(({ say }) => say.startsWith('left jaw'))?.say).toContain('tense')
    expect(shareWords(step, { jawL: 3, jawR: 3 })).toMatch(/jaw.* min each/)
    const mask = usualStep('clay')
    expect(sequenceOf(mask, { chin: 4 })).toEqual(sequenceOf(mask))
    expect(shareWords(mask, { chin: 4 })).toBe('')
  })
  it('drains from the nodes outward: opened first, ended there, and a missing neck is said', () => {
    const step = usualStep('massage')
    const sequence = sequenceOf(step)
    const says = sequence.map(({ say }) => say)
    expect(says[0]).toBe('Open the collarbone')
    expect(says.at(-1)).toBe('End at the collarbone')
    expect(orderWords(step)).toMatch(/^Open the collarbone.*; end at the collarbone/)
    expect(drainTrouble(step, sequence)).toBeUndefined()
    expect(drainTrouble(step, sequence.slice(2))).toContain('Open the collarbone first')
    expect(drainTrouble(step, sequence.slice(0, -2))).toContain('End downwards')
    const without = { ...step, regions: step.regions.filter((region) => region !== 'neck') }
    expect(drainTrouble(without, sequenceOf(without))).toContain('The neck is left out')
  })
  it('has a place for every region in both orders', () => {
    for (const order of Object.values(ORDERS))
      expect([...order].sort()).toEqual([...REGION_IDS].sort())
    for (const { id } of stroked) expect(aimOf(usualStep(id))).toBeDefined()
  })
})

/** What is seen to before it is begun. Common practice; device check lists. */
const FIRST: Partial<Record<TechniqueId, RegExp>> = {
  tip: /never over the eye/,
  crystals: /never over the eye/,
  vacuumGlide: /never over the eye/,
  needling: /sterile/,
  highFrequency: /jewellery/,
  microcurrent: /jewellery/,
  microcurrentGel: /jewellery/,
  vacuumDry: /tried on the hand/,
  hardeningMask: /Hand signals agreed/,
}
describe('what is seen to first', () => {
  it.each(all)('before $id', (own) => {
    const first = confirmationsFor(own, { confirms: [] }).map(({ say }) => say)
    const wanted = FIRST[own.id]
    if (wanted) expect(first.join('. ')).toMatch(wanted)
    else expect(first).toEqual([])
  })
})
