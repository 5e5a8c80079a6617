import type { IngredientId } from './ingredientIds'

/**
 * Names of ingredients as they are printed on bottles of other lands beside, or instead of, their INCI
 * names: German, French, Swedish, Spanish (common practice, from memory).
 */
export const ABROAD: Readonly<Partial<Record<IngredientId, readonly string[]>>> = {
  bee: ['honig', 'bienenwachs', 'miel', "cire d'abeille", 'honung', 'bivax', 'cera de abeja'],
  pollen: ['birke', 'bouleau', 'björk', 'abedul', 'gräserpollen'],
  nuts: [
    'mandel',
    'amande',
    'almendra',
    'haselnuss',
    'noisette',
    'hasselnöt',
    'avellana',
    'walnuss',
    'noix',
    'valnöt',
    'nuez',
    'karité',
  ],
  peanut: ['erdnuss', 'arachide', 'cacahuète', 'jordnöt', 'cacahuete'],
  fragrance: ['duftstoff', 'fragancia', 'perfume', 'doft'],
  lanolin: ['wollwachs', 'wollfett', 'lanoline', 'ullfett', 'lanolina'],
  milk: ['milch', 'molke', 'lait', 'mjölk', 'vassle', 'leche', 'suero de leche'],
  gluten: ['weizen', 'gerste', 'roggen', 'hafer', 'blé', 'avoine', 'vete', 'havre', 'trigo'],
  egg: ['eiweiß', 'eigelb', 'oeuf', 'œuf', 'ägg', 'huevo'],
  soy: ['soja'],
  sesame: ['sesam', 'sésame', 'sésamo'],
  celery: ['sellerie', 'céleri', 'selleri', 'apio'],
  mustard: ['senf', 'moutarde', 'senap', 'mostaza'],
  salicylate: ['weidenrinde', 'saule', 'sälg', 'sauce blanco'],
  seaweed: ['alge', 'algue', 'tång', 'sjögräs'],
  papaya: ['papaye', 'ananas', 'piña'],
  daisy: ['kamille', 'ringelblume', 'camomille', 'souci', 'kamomill', 'ringblomma', 'manzanilla'],
  colophony: ['kolophonium', 'hartsharz', 'colophane', 'kolofonium', 'colofonia'],
  fish: ['fisch', 'poisson', 'fisk', 'pescado'],
}
