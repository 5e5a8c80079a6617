/** The most of an essential oil on the skin, per cent of the whole mix. */
export interface EssentialOil {
  id: string
  name: string
  /** How it is called on a label or a card. */
  said: RegExp
  percentMost: number
  source: string
}
const SOURCE = 'Tisserand & Young, Essential Oil Safety, 2nd ed. 2014 (value from memory)'
const oil = (id: string, name: string, said: RegExp, percentMost: number): EssentialOil => ({
  ...{ id, name, said, percentMost },
  source: SOURCE,
})

export const ESSENTIAL_OILS: readonly EssentialOil[] = [
  oil('cinnamonBark', 'cinnamon bark oil', /cinnamon bark|cinnamomum.*bark/i, 0.07),
  oil('cinnamonLeaf', 'cinnamon leaf oil', /cinnamon leaf|cinnamomum.*leaf/i, 0.6),
  oil('cloveBud', 'clove bud oil', /clove|eugenia caryophyll|syzygium aromaticum/i, 0.5),
  oil('lemongrass', 'lemongrass oil', /lemongrass|cymbopogon/i, 0.7),
  oil('lemon', 'lemon oil', /lemon oil|citrus limon/i, 2),
  oil('bergamot', 'bergamot oil', /bergamot|citrus aurantium bergamia/i, 0.4),
  oil('teaTree', 'tea tree oil', /tea tree|melaleuca alternifolia/i, 15),
]
