import {
  CONTRAINDICATIONS,
  familiesTold,
  type Contraindication,
} from '../catalogue/consultation/contraindications'
import { FINDINGS } from '../catalogue/consultation/findings'
import { BOTTLE_FAMILIES } from '../catalogue/kinds'
import { DEED_IDS, DEEDS, type DeedId } from '../catalogue/rules/deeds'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { canPin } from '../catalogue/techniques/traits'
import { nameRegions } from '../face/regions'
import { meets } from '../planning/today/bars'

/** What one answer stops, by what is done to the skin, by technique and by what is in a bottle. */
export interface Reach {
  id: string
  /** What was told. */
  told: string
  sentence: string
  where: string
  /** Everything: the visit itself does not take place. */
  all: boolean
  deeds: readonly DeedId[]
  stops: readonly string[]
  /** What a bottle may not hold, in whatever step it is used. */
  bottles: readonly string[]
  /** What may still be done there, where that is little enough to be said. */
  leaves: readonly string[]
}

/** The matrix of every answer that stops something: what it reaches, and what it leaves. */
export const reachOfBars = (): Reach[] =>
  CONTRAINDICATIONS.filter(
    ({ families, visit, does }) => does !== 'restricts' && (families.length > 0 || visit === true),
  ).map((row) => {
    const barred = familiesTold(row)
    const own = Object.values(TECHNIQUES).filter(({ id, idle }) => canPin(id) && !idle)
    const stopped = own.filter(
      (technique) => row.visit === true || meets({ families: barred }, technique),
    )
    const left = own.filter((technique) => !stopped.includes(technique))
    return {
      id: row.id,
      told: FINDINGS[row.finding].short,
      sentence: row.sentence,
      where: whereOf(row),
      all: row.visit === true,
      deeds: DEED_IDS.filter((deed) =>
        DEEDS[deed].families.some((family) => barred.includes(family)),
      ),
      stops: stopped.map(({ name }) => name),
      bottles: Object.entries(BOTTLE_FAMILIES).flatMap(([family, words]) =>
        barred.some((own) => own === family) ? [words.replace(/^holds /, '')] : [],
      ),
      leaves: left.length <= own.length - stopped.length ? left.map(({ name }) => name) : [],
    }
  })

function whereOf({ where, visit }: Contraindication): string {
  if (visit) return 'the whole visit'
  if (where === 'whole') return 'everywhere'
  return where === 'answered' ? 'on the zones named' : nameRegions(where)
}
