import { describe, expect, it } from 'vitest'
import { CONTRAINDICATIONS } from '../catalogue/consultation/contraindications'
import { FAMILY_IDS } from '../catalogue/kinds'
import { DEED_IDS, DEEDS } from '../catalogue/rules/deeds'
import { reachOfBars } from './reachRows'

const of = (id: string) => {
  const row = reachOfBars().find((own) => own.id === id)
  if (!row) throw new Error(`no ${id}`)
  return row
}

describe('what an answer stops, as it is read under Method', () => {
  it('nothing touches open skin or an unexplained mark', () => {
    for (const id of ['wound-local', 'unexplained-local']) {
      expect(of(id).deeds).toContain('touches')
      expect(of(id).where).toBe('on the zones named')
      // What is left touches no zone of the face.
      for (const name of ['Moisturiser', 'Milk, face only', 'Cold globes', 'Tone', 'Serum'])
        expect(of(id).leaves).not.toContain(name)
    }
  })

  it('eczema bears a bland cleanse and a bland cream', () => {
    const { deeds, leaves, bottles } = of('eczema-local')
    expect(deeds).toEqual(DEED_IDS.filter((deed) => !['touches', 'oils'].includes(deed)))
    expect(leaves).toContain('Moisturiser')
    for (const name of ['Serum', 'Tone', 'Hydrating mask on', 'Facial oil'])
      expect(leaves).not.toContain(name)
    expect(bottles).toEqual(['an acid', 'an enzyme', 'a retinoid', 'an active', 'alcohol'])
  })

  it('holds each row that stops something, and every kind of work belongs to a deed', () => {
    const stopping = CONTRAINDICATIONS.filter(
      ({ does, families, visit }) => does !== 'restricts' && (families.length > 0 || visit),
    )
    expect(reachOfBars().map(({ id }) => id)).toEqual(stopping.map(({ id }) => id))
    const known = DEED_IDS.flatMap((id) => [...DEEDS[id].families])
    const placed: readonly string[] = [...known, 'eyeWork', 'lips']
    expect(FAMILY_IDS.filter((family) => !placed.includes(family))).toEqual([])
  })
})
