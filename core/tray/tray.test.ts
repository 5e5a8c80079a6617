import { describe, expect, it } from 'vitest'
import { DEVICE_KINDS } from '../catalogue/kinds'
import type { Lot } from '../catalogue/products/products'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId, techniquesWhere } from '../catalogue/techniques/techniques'
import { TRAY_RULES, WARM_UPS, warmUpOf } from '../catalogue/techniques/linen'
import { GROUPS } from '../face/regions'
import { lot, planInput, product, readAll, RESILIENT, TODAY } from '../testing/fixtures'
import { propose } from '../planning/answer/propose'
import { bottleInHand } from '../planning/today/bottles'
import { setFrom } from './ready'
import { trayFor } from './tray'
import { minutes } from '../units'

const input = planInput({ school: 'warmCloth' })
const step = (technique: TechniqueId, key: string = technique): PlanStep => ({
  key,
  technique,
  regions: GROUPS[TECHNIQUES[technique].groups[0] ?? 'body'],
  minutes: minutes(1),
  why: [],
})
const linen = (steps: readonly PlanStep[], rules = TRAY_RULES, of = input) =>
  Object.fromEntries(trayFor(of, steps, rules).linen.map((linen) => [linen.name, linen.count]))

describe('the tray', () => {
  it('hands out the bottle that is fit: in date, an open one first, never a recalled one', () => {
    const of = (...bottles: Partial<Lot>[]) => {
      const lots = bottles.map((more, i) => lot('milk', { id: `${i}`, code: `${i}`, ...more }))
      const shelf = [{ product: product('milk'), lots }]
      const own = { ...step('milk'), productId: 'milk' }
      return trayFor(planInput({ shelf }), [own]).products[0]?.lot
    }
    const open = { openedOn: TODAY, expires: '2028-01-01' }
    expect(of({ expires: '2026-01-01' }, { expires: '2027-01-01' })).toBe('1')
    expect(of({ expires: '2026-12-01' }, open)).toBe('1')
    expect(of({ recalled: true, ...open }, { expires: '2027-05-01' })).toBe('1')
    expect(of({ expires: '2027-05-01' }, { expires: '2027-02-01' })).toBe('1')
    expect(of({ remainingMillilitres: 0, ...open }, {})).toBe('1')
    expect(of({ openedOn: '2024-01-01' }, {})).toBe('1')
    expect(of({ recalled: true })).toBeNull()
  })
  it('lists amounts, devices before they are needed, and what is missing', () => {
    const { steps } = propose(input)
    const tray = trayFor(input, steps)
    expect(tray.missing).toEqual([])
    expect(tray.products.every((product) => product.amount.count > 0)).toBe(true)
    for (const device of tray.devices)
      expect(device.switchOnMinute).toBeLessThan(device.neededMinute)
    expect(trayFor({ ...input, shelf: [] }, steps).missing.length).toBeGreaterThan(3)
  })
  for (const trayRule of TRAY_RULES)
    it(`${trayRule.id}: laid out for its work, not for other work, and missed when switched off`, () => {
      const laying = techniquesWhere((technique) => technique.lays?.includes(trayRule.id) ?? false)
      expect(laying.length).toBeGreaterThan(0)
      const of = (own: Record<string, number>) => own[trayRule.item[0]] ?? own[trayRule.item[1]]
      for (const technique of laying) expect(of(linen([step(technique)]))).toBe(trayRule.count)
      expect(of(linen([step('moisturiser')]))).toBeUndefined()
      expect(
        of(
          linen(
            laying.map((technique) => step(technique)),
            TRAY_RULES.filter((other) => other !== trayRule),
          ),
        ),
      ).toBeUndefined()
      const two = laying.flatMap((technique) => [
        step(technique, `${technique}-1`),
        step(technique, `${technique}-2`),
      ])
      expect(of(linen(two))).toBe(
        trayRule.per === 'visit' ? trayRule.count : trayRule.count * two.length,
      )
    })
  for (const warmUp of WARM_UPS)
    it(`${warmUp.device} is switched on in time, and too late with its row switched off`, () => {
      const technique = Object.values(TECHNIQUES).find((other) => other.device === warmUp.device)
      const own = technique && trayFor(input, [step('settle'), step(technique.id)]).devices[0]
      expect(own && own.neededMinute - own.switchOnMinute).toBe(warmUp.minutes)
      expect(
        warmUpOf(
          warmUp.device,
          WARM_UPS.filter((other) => other !== warmUp),
        ),
      ).toBe(0)
    })
  it('is switched on in the order of its minutes, and counts one as one', () => {
    const tray = trayFor(input, [
      step('spatula'),
      step('highFrequency'),
      step('warmTowel'),
      step('blot'),
    ])
    expect(tray.devices.map((device) => device.kind)).toEqual([
      'towelCabinet',
      'ultrasonicSpatula',
      'highFrequencyWand',
    ])
    expect(tray.linen.map((linen) => linen.name)).toContain('tissue with a breathing slit')
  })
  it('knows every device', () => {
    expect(WARM_UPS.map((warmUp) => warmUp.device).sort()).toEqual([...DEVICE_KINDS].sort())
  })
  it("counts cloths and pads by technique, and takes the house's own way of taking off", () => {
    expect(linen([step('milk'), step('maskOff'), step('tone')])).toMatchObject({
      'fresh cloths': 2,
      'cotton pads': 2,
    })
    const spotted = planInput({
      school: 'warmCloth',
      readings: readAll({ ...RESILIENT, spots: 1 } as never),
    })
    expect(linen([step('milk'), step('maskOff'), step('tone')], TRAY_RULES, spotted)).toEqual({
      'cotton pads': 8,
    })
  })
})

describe('when to begin', () => {
  it('is the earlier of laying out and of the first device that warms up', () => {
    const on = (...minutes: number[]) => ({
      devices: minutes.map((switchOnMinute) => ({ switchOnMinute })),
    })
    expect(setFrom(on(), 10)).toBe(-10)
    expect(setFrom(on(-5, -2), 10)).toBe(-10)
    expect(setFrom(on(-5, -15), 10)).toBe(-15)
  })
})

describe('the right bottle, and what goes with it', () => {
  const bottle = (code: string, more: Partial<Lot>): Lot => ({ ...lot(code), code, ...more })
  it('is an open one in date with enough in it, before one that runs dry', () => {
    const milk = product('milk', 'milk')
    const lots = [
      bottle('dregs', { openedOn: '2026-03-01', remainingMillilitres: 0.2 }),
      bottle('old', { openedOn: '2026-03-01', expires: '2026-03-01' }),
      bottle('new', {}),
      bottle('open', { openedOn: '2026-03-02', remainingMillilitres: 20 }),
    ]
    expect(bottleInHand(milk, lots, TODAY, 3)?.code).toBe('open')
    expect(bottleInHand(milk, lots.slice(0, 3), TODAY, 3)?.code).toBe('new')
    expect(bottleInHand(milk, lots.slice(0, 2), TODAY, 3)?.code).toBe('dregs')
  })
  it('emulsifier, activator, oil for taking off, bowl, globes and towel are on it', () => {
    const wanted = ['oilCleanse', 'warmTowel', 'hardeningMask', 'cold'] as const
    const input = planInput({ aims: ['firmness', 'rest'], wanted, slotMinutes: 90 })
    const { steps } = propose(input)
    const tray = trayFor(input, steps)
    const names = [...tray.linen, ...tray.tools].map((thing) => thing.name)
    const laid = tray.products.map(({ productId }) => productId)
    for (const id of wanted) expect(steps.map((step) => step.technique)).toContain(id)
    for (const id of ['emulsifier', 'activator', 'cleansingOil']) expect(laid).toContain(id)
    for (const word of ['bowl', 'globes', 'cabinet'])
      expect(
        names.some((name) => name.includes(word)),
        word,
      ).toBe(true)
  })
})
