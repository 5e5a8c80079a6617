import { describe, expect, it } from 'vitest'
import { ABROAD } from './abroad'
import { INGREDIENT_IDS, ingredientsIn, ingredientsNamed } from './ingredients'

describe('names of ingredients in other languages', () => {
  it('are found on a label and in what a client says', () => {
    for (const id of INGREDIENT_IDS)
      for (const word of ABROAD[id] ?? []) {
        expect(ingredientsIn([`Aqua, ${word}, Glycerin`]), word).toContain(id)
        expect(ingredientsNamed(word), word).toContain(id)
      }
  })

  it('keep pollen and bees apart, and preservatives by their kind', () => {
    expect(ingredientsNamed('birch pollen')).toEqual(['pollen'])
    expect(ingredientsNamed('honey')).not.toContain('pollen')
    expect(ingredientsIn(['Betula Alba Juice'])).toEqual(['pollen'])
    expect(ingredientsIn(['Methylisothiazolinone'])).toEqual(['isothiazolinone'])
    expect(ingredientsIn(['DMDM Hydantoin'])).toEqual(['formaldehyde'])
    expect(ingredientsNamed('preservatives')).toEqual(['isothiazolinone', 'formaldehyde'])
    expect(ingredientsIn(['Glyceryl Rosinate'])).toEqual(['colophony'])
  })

  it('find nothing in water, glycerin and the common gums', () => {
    for (const name of [
      'Aqua',
      'Glycerin',
      'Xanthan Gum',
      'Niacinamide',
      'Squalane',
      'Lactic Acid',
    ])
      expect(ingredientsIn([name]), name).toEqual([])
  })
})
