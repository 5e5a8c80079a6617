import { describe, expect, it } from 'vitest'
import { DEVICE_KINDS } from '../catalogue/kinds'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId, techniquesWhere } from '../catalogue/techniques/techniques'
import { TRAY_RULES, WARM_UPS, warmUpOf } from '../catalogue/techniques/linen'
import { GROUPS } from '../face/regions'
import { planInput, readAll, RESILIENT } from '../testing/fixtures'
import { propose } from '../planning/answer/propose'
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
  Object.fromEntries(trayFor(of, steps, rules).linen.map((l) => [l.name, l.count]))

describe('the tray', () => {
  it('lists amounts, devices before they are needed, and what is missing', () => {
    const { steps } = propose(input)
    const tray = trayFor(input, steps)
    expect(tray.missing).toEqual([])
    expect(tray.products.every((p) => p.amount.count > 0)).toBe(true)
    for (const d of tray.devices) expect(d.switchOnMinute).toBeLessThan(d.neededMinute)
    expect(trayFor({ ...input, shelf: [] }, steps).missing.length).toBeGreaterThan(3)
  })
  for (const r of TRAY_RULES)
    it(`${r.id}: laid out for its work, not for other work, and missed when switched off`, () => {
      const laying = techniquesWhere((t) => t.lays?.includes(r.id) ?? false)
      expect(laying.length).toBeGreaterThan(0)
      const of = (own: Record<string, number>) => own[r.item[0]] ?? own[r.item[1]]
      for (const t of laying) expect(of(linen([step(t)]))).toBe(r.count)
      expect(of(linen([step('moisturiser')]))).toBeUndefined()
      expect(
        of(
          linen(
            laying.map((t) => step(t)),
            TRAY_RULES.filter((x) => x !== r),
          ),
        ),
      ).toBeUndefined()
      const two = laying.flatMap((t) => [step(t, `${t}-1`), step(t, `${t}-2`)])
      expect(of(linen(two))).toBe(r.per === 'visit' ? r.count : r.count * two.length)
    })
  for (const w of WARM_UPS)
    it(`${w.device} is switched on in time, and too late with its row switched off`, () => {
      const t = Object.values(TECHNIQUES).find((x) => x.device === w.device)
      const own = t && trayFor(input, [step('settle'), step(t.id)]).devices[0]
      expect(own && own.neededMinute - own.switchOnMinute).toBe(w.minutes)
      expect(
        warmUpOf(
          w.device,
          WARM_UPS.filter((x) => x !== w),
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
    expect(tray.devices.map((d) => d.kind)).toEqual([
      'towelCabinet',
      'ultrasonicSpatula',
      'highFrequencyWand',
    ])
    expect(tray.linen.map((l) => l.name)).toContain('tissue with a breathing slit')
  })
  it('knows every device', () => {
    expect(WARM_UPS.map((w) => w.device).sort()).toEqual([...DEVICE_KINDS].sort())
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
