import { homeMeasured } from './homeMeasured'
import { AFTERCARE } from '#core/catalogue/rules/aftercare'
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { ADAPTATIONS } from '#core/catalogue/skin/adaptations'
import { MAKE_UP_IDS, takeOff } from '#core/catalogue/consultation/makeUp'
import { CONCERN_IDS, FAMILY_IDS, PRODUCT_KINDS, type ConcernId } from '#core/catalogue/kinds'
import { SCHOOL_IDS } from '#core/catalogue/schools/schools'
import { warmUpOf, TRAY_RULES } from '#core/catalogue/techniques/linen'
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { aftercareCard } from '#core/aftercare/card'
import { amountFor } from '#core/dosing/amount'
import { mixFor } from '#core/dosing/mixing'
import { GROUPS } from '#core/face/regions'
import { pouredAtHome } from '#core/load/home'
import { bottleRateOf } from '#core/dosing/bottleRate'
import { loadOn } from '#core/load/loads'
import { restBars } from '#core/load/rest'
import { propose } from '#core/planning/answer/propose'
import { checkPlan } from '#core/planning/checks/check'
import { Effects } from '#core/planning/question/effects'
import { lengthsOf } from '#core/planning/question/lengths'
import { freshStep } from '#core/planning/today/fresh'
import { dialOf } from '#core/treatment/order/atHand'
import { emptyRoom } from '#core/treatment/fold/roomState'
import { compile } from '#core/planning/question/compile'
import { allowance } from '#core/planning/today/allowed'
import { screen } from '#core/screening/verdict/verdict'
import { addDays } from '#core/screening/asking/days'
import { applyTechnique, passTime, startSurface } from '#core/surface/surface'
import { allNo, product, TODAY } from '#core/testing/fixtures'
import { dwellWindow } from '#core/timing/schedule'
import { removalMinutes } from '#core/timing/removal'
import { judge } from '#core/treatment/stop/stop'
import { promptsOf } from '#core/treatment/step/prompts'
import { waterForecast } from '#core/treatment/step/water'
import { linenFor } from '#core/tray/linen'
import { minutes } from '#core/units'
import { HOUR_MS, rounded, type Measure } from './measure'
import { OF_THE_SKIN } from './ofTheSkin'
import { cameFor, hadBefore, peopleRound, person, yesTo } from './people'

/** What today leaves of a technique, in numbers. */
const left = (id: TechniqueId, input: ReturnType<typeof person>) => {
  const own = allowance(id, input)
  return [
    own.never.map(({ rule }) => rule).join(),
    own.barred.size,
    own.minutesLeast,
    own.minutesMost,
    own.passesMost,
    own.setting ? Object.values(own.setting).join('/') : '',
    own.favour,
    Object.values(own.favourLayout).join('/'),
  ].join(' ')
}

/** Every way in which a technique may be planned for somebody who came for it: a line each. */
function ways(id: TechniqueId): string[] {
  const { stages } = compile(cameFor(id))
  return stages.flatMap(({ options }) =>
    options
      .filter(({ main, moves }) => main.includes(id) || moves.some((own) => own.technique === id))
      .slice(0, 6)
      .map((own) =>
        [own.id, own.effects.join('/'), own.taste, own.idleTicks, own.costCents].join(' '),
      ),
  )
}

function technique(id: TechniqueId): unknown {
  const row = TECHNIQUES[id]
  const step = { key: `${id}-1`, technique: id, regions: GROUPS.face, minutes: row.minutes.least }
  const work = (more: object) => ({ handsMinutes: 4, dwellMinutes: 9, passes: 2, ...more })
  const after = applyTechnique(startSurface(true), row, ['nose'], 1).nose
  return {
    today: [left(id, cameFor(id)), left(id, hadBefore(id))],
    ways: ways(id),
    serves: new Effects(cameFor(id).profile, Object.keys(row.effects) as ConcernId[]).of(
      row,
      GROUPS.face,
      1,
    ),
    lengths: [30, 60].flatMap((slot) =>
      [true, false].map((unhurried) =>
        lengthsOf(row, allowance(id, person({}, { named: [id] })), slot, { unhurried }).join('/'),
      ),
    ),
    listed: freshStep(id, cameFor(id))?.minutes ?? '',
    dial: Object.values(dialOf(emptyRoom(), { ...step, why: [] }, cameFor(id)) ?? {}).join('/'),
    loads: (['nose', 'neck'] as const).map((zone) =>
      loadOn(zone, row, work({ freeAcid: 5, setting: 7 }), 125),
    ),
    leaves: Object.values(after).join('/'),
    rests: [true, false].map((short) =>
      Object.values(dwellWindow({ ...step, why: [] }, () => short) ?? {}).join('/'),
    ),
    off: [removalMinutes(id, ['nose']), removalMinutes(id, GROUPS.faceNeckDecollete)],
    prompts: promptsOf({ ...step, minutes: minutes(10), why: [] }).map(({ at }) => rounded(at)),
    linen: linenFor(person(), [{ ...step, why: [] }], 0, TRAY_RULES).map(
      ({ name, count }) => `${count} ${name}`,
    ),
    numbers: [row.heatFactor ?? '', row.fillsFrom ?? '', row.rung ?? ''].join('/'),
    counts: row.counter === 'none' ? '' : Object.values(row.counter).join('/'),
    device: row.device ? warmUpOf(row.device) : '',
    hard: checkPlan(cameFor(id), [
      { ...step, minutes: minutes(row.minutes.most + 5), passes: 9, setting: 9999, why: [] },
    ])
      .findings.filter(({ key }) => key === step.key)
      .map(({ text }) => text),
  }
}

const answerRow = (row: (typeof CONTRAINDICATIONS)[number]) => {
  const answers = allNo({ [row.finding]: yesTo(row) })
  const verdict = screen(answers, TODAY)
  const own = [...verdict.bars, ...verdict.prevented].find(({ rule }) => rule === row.id)
  return {
    bar: own && [own.does, own.families.join('/'), own.regions.length, own.until, own.untilAt],
    limit: Object.values(verdict.limit).join('/'),
    ahead: [0, 1, 2, 3, 4, 7, 14, 30, 60, 200].map((days) => {
      const answer = { ...yesTo(row), date: addDays(TODAY, days) }
      const bar = screen(allNo({ [row.finding]: answer }), TODAY).bars.find(
        ({ rule }) => rule === row.id,
      )
      return bar ? (bar.unlessTakenWell ? 'unless taken well' : 'barred') : ''
    }),
  }
}

/** A few people whose whole plan is written out: minutes, main steps and what it is worth. */
const PLANS: Record<string, () => ReturnType<typeof person>> = Object.fromEntries(
  SCHOOL_IDS.flatMap((school) =>
    [45, 75].map((slotMinutes) => [
      `${school} ${slotMinutes}`,
      () =>
        person(
          { congestion: 3, water: 1, texture: 2 },
          { school, slotMinutes, aims: ['congestion', 'dehydration', 'dullness'] },
        ),
    ]),
  ),
)
const planOf = (input: ReturnType<typeof person>) => {
  const { steps, minutes: took, value } = propose(input)
  return [took, value, ...steps.map((step) => `${step.technique} ${step.minutes}`)]
}

/** What follows from the rows of the catalogue, under a name each; worked out when it is asked for. */
export const MEASURES: Readonly<Record<string, Measure>> = {
  ...Object.fromEntries(TECHNIQUE_IDS.map((id) => [`technique ${id}`, () => technique(id)])),
  ...Object.fromEntries(CONTRAINDICATIONS.map((row) => [`answer ${row.id}`, () => answerRow(row)])),
  ...Object.fromEntries(
    ADAPTATIONS.map((row) => [
      `adaptation ${row.id}`,
      () =>
        peopleRound(row).map((input) =>
          row.techniques.slice(0, 4).map((id) => left(id, { ...input, named: [id] })),
        ),
    ]),
  ),
  ...Object.fromEntries(
    FAMILY_IDS.map((family) => [
      `rest after ${family}`,
      () =>
        restBars([{ day: TODAY, families: [family], regions: ['nose'] }], TODAY).map(
          ({ rule, until, families }) => `${rule} ${until ?? ''} ${families.join('/')}`,
        ),
    ]),
  ),
  ...Object.fromEntries(
    AFTERCARE.map((row) => [
      `card ${row.id}`,
      () => {
        const { after } = row
        const families = typeof after === 'string' ? [] : after
        const left = after === 'halfLeft'
        const card = aftercareCard(
          [after === 'overnight' ? 'sleepMask' : 'milk'],
          after === 'stopped',
          0,
          {
            held: families,
            halfLeft: left,
            marks: row.marks === true,
            lightReactive: after === 'lightReactive',
          },
          [row],
        )
        return card.map(({ until }) => until / HOUR_MS)
      },
    ]),
  ),
  ...homeMeasured(),
  ...Object.fromEntries(
    PRODUCT_KINDS.map((kind) => [
      `dose ${kind}`,
      () => {
        const { grams, millilitres, count } = amountFor(product(kind), GROUPS.face)
        const mix = mixFor(product(kind), count, 'oily', true)
        return [rounded(grams), rounded(millilitres), count, mix ? Object.values(mix) : '']
      },
    ]),
  ),
  ...Object.fromEntries(
    CONCERN_IDS.map((aim) => [
      `aim ${aim}`,
      () => planOf(person({ congestion: 3, lines: 2, pigment: 2 }, { aims: [aim, 'rest'] })),
    ]),
  ),
  ...Object.fromEntries(
    Object.entries(PLANS).map(([name, of]) => [`plan ${name}`, () => planOf(of())]),
  ),
  ...Object.fromEntries(
    SCHOOL_IDS.map((school) => [
      `school ${school}`,
      () =>
        compile(person({}, { school })).stages.flatMap(({ options }) =>
          options.slice(0, 3).map(({ id, taste }) => `${id} ${taste}`),
        ),
    ]),
  ),
  ...Object.fromEntries(
    MAKE_UP_IDS.map((worn) => [`worn ${worn}`, () => Object.values(takeOff([worn])).join('/')]),
  ),
  ...OF_THE_SKIN,
  'what is used at home': () =>
    pouredAtHome(
      allNo({
        homeAcid: { say: 'yes', perWeek: 3 },
        retinoid: { say: 'yes' },
        homeScrub: { say: 'yes' },
      }),
      TODAY,
      'UTC',
    ).map(({ at, loads }) => [at, loads.nose]),
  'what is felt': () =>
    Array.from({ length: 11 }, (_, grade) =>
      judge(
        { kind: 'sensation', grade, region: 'nose', key: 'x' },
        { baseline: 0, readBare: true, lying: ['acidMask'] },
      ),
    ).map((own) => own?.rule.id ?? ''),
  'what is seen': () =>
    ([0, 1, 2] as const).flatMap((baseline) =>
      ([0, 1, 2, 3, 4] as const).map(
        (grade) =>
          judge(
            { kind: 'redness', grade, region: 'nose', key: 'x' },
            { baseline, readBare: true, lying: ['grain'] },
          )?.rule.id ?? '',
      ),
    ),
  'what a bottle pours': () =>
    (['Papain', 'Retinol', 'Glycolic Acid', 'Glycerin'] as const).map((name) => {
      const acid = name === 'Glycolic Acid' ? { name: 'glycolic' as const, percent: 5 } : undefined
      const more = { inci: [name], pH: 3.8, ...(acid ? { acid } : {}) }
      const bottleRate = bottleRateOf(product('gelCleanser', name, more))
      const work = { handsMinutes: 2, dwellMinutes: 0, passes: 0, bottleRate }
      return (['tone', 'serum'] as const).map((id) => loadOn('nose', TECHNIQUES[id], work))
    }),
  'how it dries and cools': () => {
    const wet = applyTechnique(startSurface(false), TECHNIQUES.steam, ['nose'], 10)
    const said = Array.from({ length: 30 }, (_, ticks) => {
      const { moisture, warmth } = passTime(wet, ticks).nose
      return `${moisture} ${warmth}`
    })
    return said.filter((one, i) => one !== said[i - 1]).map((one) => `${one} ${said.indexOf(one)}`)
  },
  'how many waters': () =>
    [1, 2, 3, 5, 6, 9].flatMap((visit) =>
      [true, false].map((kept) => Object.values(waterForecast(visit, kept)).join('/')),
    ),
}
