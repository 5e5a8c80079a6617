import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { KEPT_RULES } from '#core/catalogue/rules/adherence'
import { AFTERCARE } from '#core/catalogue/rules/aftercare'
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { REST_INTERVALS } from '#core/catalogue/rules/restIntervals'
import {
  AGE_FACTORS,
  REDNESS_FACTORS,
  SENSITIVITY_FACTORS,
  WATER_FACTORS,
} from '#core/catalogue/rules/tolerance'
import { WATER_ROWS } from '#core/catalogue/rules/waterAdditions'
import { ADAPTATIONS } from '#core/catalogue/skin/adaptations'
import { TECHNIQUE_IDS, TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { MEASURES } from './measured'

/**
 * What the rows of the catalogue lead to, measured on a few people and written down in `effects.json`.
 * Nothing of a row is restated there: a number that is changed shows by what it moves, and only there.
 * `npm run effects` writes the file anew once a change is meant; the difference is what it does.
 */
const FILE = 'tests/reference/effects/effects.json'
const asKept = (value: unknown): unknown => JSON.parse(JSON.stringify(value ?? null))
const names = Object.keys(MEASURES)
if (process.env.OAK_WRITE_EFFECTS)
  writeFileSync(
    FILE,
    `{\n${names
      .map((name) => `${JSON.stringify(name)}: ${JSON.stringify(asKept(MEASURES[name]?.()))}`)
      .join(',\n')}\n}\n`,
  )
const kept = (existsSync(FILE) ? JSON.parse(readFileSync(FILE, 'utf8')) : {}) as Record<
  string,
  unknown
>

describe('what follows from the rows of the catalogue', () => {
  it.each(names)('%s', (name) => {
    expect(asKept(MEASURES[name]?.())).toEqual(kept[name])
  })
  it('nothing is kept that is not measured any more', () => {
    expect(Object.keys(kept).filter((name) => !names.includes(name))).toEqual([])
  })
})

/** A number in a row, by the way to it, and where what it moves is measured. */
interface Leaf {
  name: string
  holder: Record<string, unknown>
  key: string
  measure: string
}
function leavesOf(row: object, measure: string): Leaf[] {
  const out: Leaf[] = []
  const walk = (holder: Record<string, unknown>, path: string) => {
    for (const [key, value] of Object.entries(holder))
      if (typeof value === 'number') out.push({ name: `${path}.${key}`, holder, key, measure })
      else if (value !== null && typeof value === 'object' && !Object.isFrozen(value))
        walk(value as Record<string, unknown>, `${path}.${key}`)
  }
  walk(row as Record<string, unknown>, measure)
  return out
}
const LEAVES: readonly Leaf[] = [
  ...TECHNIQUE_IDS.flatMap((id) => leavesOf(TECHNIQUES[id], `technique ${id}`)),
  ...CONTRAINDICATIONS.flatMap((row) => leavesOf(row, `answer ${row.id}`)),
  ...ADAPTATIONS.flatMap((row) => leavesOf(row, `adaptation ${row.id}`)),
  ...AFTERCARE.flatMap((row) => leavesOf(row, `card ${row.id}`)),
  ...REST_INTERVALS.flatMap((row) => leavesOf(row, `rest after ${row.after[0] ?? ''}`)),
  ...leavesOf(KEPT_RULES.evenings, 'is it kept: evenings'),
  ...leavesOf(KEPT_RULES, 'is it kept: packs').filter(({ key }) => key === 'packOff'),
  ...leavesOf(KEPT_RULES.skin, 'is it kept: skin'),
  ...WATER_ROWS.flatMap((row) => leavesOf(row, 'how many waters')),
  ...[...SENSITIVITY_FACTORS, ...REDNESS_FACTORS, ...WATER_FACTORS, ...AGE_FACTORS].flatMap((row) =>
    leavesOf(row, 'what a skin bears'),
  ),
]
/** Read once, when the code is loaded: a change of the file shows, one made here does not. */
const READ_WHEN_LOADED = /\.connects\.minutes$/

describe('a number that is changed is noticed', () => {
  const moved = (leaf: Leaf, by: number): boolean => {
    const before = leaf.holder[leaf.key] as number
    leaf.holder[leaf.key] = before + by
    try {
      return (
        JSON.stringify(asKept(MEASURES[leaf.measure]?.())) !== JSON.stringify(kept[leaf.measure])
      )
    } finally {
      leaf.holder[leaf.key] = before
    }
  }
  /** By one or by ten, up or down: a bound that is not reached by one is reached by more. */
  const isNoticed = (leaf: Leaf): boolean =>
    [1, -1, 0.5, 10, -10].some((by) => {
      try {
        return moved(leaf, by)
      } catch {
        return true
      }
    })
  const asked = LEAVES.filter(({ name }) => !READ_WHEN_LOADED.test(name))
  it('whichever row it stands in', () => {
    expect(asked.length).toBeGreaterThan(600)
    if (process.env.OAK_FULL) {
      const missed = asked.filter((leaf) => !isNoticed(leaf)).map(({ name }) => name)
      expect(missed).toEqual([])
    } else
      fc.assert(
        fc.property(fc.constantFrom(...asked), (leaf) => {
          expect(isNoticed(leaf), leaf.name).toBe(true)
        }),
        { numRuns: 40 },
      )
  })
})
