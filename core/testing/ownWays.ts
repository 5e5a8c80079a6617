import fc from 'fast-check'
import { DEVICE_KINDS, PRODUCT_KINDS } from '../catalogue/kinds'
import type { OwnKind } from '../catalogue/techniques/ownShapes'
import { NEAREST, ownTrouble } from '../catalogue/techniques/ownTrouble'
import { ALSO_FAMILIES } from '../catalogue/techniques/ownWay'
import { TECHNIQUES, type OwnWay, type TechniqueId } from '../catalogue/techniques/techniques'
import { REGION_IDS } from '../face/zones'
import type { PlanInput } from '../planning/input'

/** Ways and kinds of device that a house might make up; nothing here is a fact of the trade. */
const half = (most: number) => fc.integer({ min: 1, max: most * 2 }).map((ticks) => ticks / 2)
export const ownKind: fc.Arbitrary<OwnKind> = fc
  .record({
    from: fc.constantFrom(...DEVICE_KINDS),
    also: fc.subarray([...ALSO_FAMILIES], { maxLength: 2 }),
    loadPercent: fc.integer({ min: 100, max: 300 }),
    levels: fc.option(
      fc.record({
        least: fc.integer({ min: 0, max: 20 }),
        more: fc.integer({ min: 0, max: 20 }),
        step: fc.integer({ min: 1, max: 4 }),
      }),
      { nil: undefined },
    ),
    medium: fc.option(fc.constantFrom(...PRODUCT_KINDS), { nil: undefined, freq: 8 }),
  })
  .map(({ levels, medium, ...own }) => ({
    id: 'own-1',
    name: 'Amber device',
    ...own,
    ...(levels
      ? { levels: { least: levels.least, most: levels.least + levels.more, step: levels.step } }
      : {}),
    ...(medium ? { medium } : {}),
    cleaning: 'Wiped, then disinfected.',
  }))

/** Any numbers at all; with a device of the technique's own kind or another. */
export const wildWay: fc.Arbitrary<OwnWay> = fc
  .record({
    from: fc.constantFrom(...NEAREST),
    device: fc.option(ownKind, { nil: undefined }),
    usual: fc.boolean(),
    minutesLeast: fc.option(half(60), { nil: undefined }),
    minutesMost: fc.option(half(60), { nil: undefined }),
    restMost: fc.option(half(60), { nil: undefined }),
    passesMost: fc.option(fc.integer({ min: 1, max: 5 }), { nil: undefined }),
    never: fc.subarray([...REGION_IDS], { maxLength: 3 }),
  })
  .map((own) => ({ id: 'way-1', name: 'Amber work', confirm: 'Asked about amber', ...own }))

/** One that a house may keep, of a technique that the test is about, planned instead of it. */
export const keptWay = (from: TechniqueId): fc.Arbitrary<OwnWay> =>
  wildWay
    .map(({ device, ...way }): OwnWay => {
      const like = TECHNIQUES[from].device
      return {
        ...way,
        ...{ from, usual: true },
        ...(device && like ? { device: { ...device, from: like } } : {}),
      }
    })
    .filter((way) => ownTrouble(way).length === 0)

/** A house that also has a device of each kind of its own. */
export const withWay = (input: PlanInput, own: OwnWay): PlanInput => ({
  ...input,
  ways: [own],
  devices: [...input.devices, ...(own.device ? [own.device.id] : [])],
})
