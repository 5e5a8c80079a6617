import { RETESTS } from '../catalogue/consultation/retests'
import { COMMON_PRACTICE, KIND_NAMES, PRODUCT_KINDS } from '../catalogue/kinds'
import { INGREDIENT_IDS, INGREDIENTS } from '../catalogue/products/ingredients'
import { PRODUCT_RULES } from '../catalogue/products/productRules'
import { FILMS } from '../catalogue/products/products'
import { SUIT_IDS, SUITS } from '../catalogue/products/suits'
import { AFTERCARE, AFTERCARE_TITLES } from '../catalogue/rules/aftercare'
import { REST_INTERVALS } from '../catalogue/rules/restIntervals'
import { STOP_RULES } from '../catalogue/rules/stopRules'
import { homeRows } from './homeRows'
import { rowsOf, type Row } from './row'

const patched = INGREDIENT_IDS.filter((id) => INGREDIENTS[id].patch !== undefined)

/** Bottles, tests, the room's stop rules, rest and care afterwards. */
export const careRows = (): Row[] => [
  ...rowsOf('What a bottle must keep to', PRODUCT_RULES, (own) => ({
    id: own.id,
    title: own.acids ? own.acids.join(', ') : 'by day',
    sentence: own.sentence,
    source: own.source,
  })),
  ...rowsOf('Film on the skin', PRODUCT_KINDS, (kind) => ({
    id: `film-${kind}`,
    title: KIND_NAMES[kind],
    sentence: `${FILMS[kind].milligrams} mg/cm² (${FILMS[kind].range.join('–')})`,
    source: FILMS[kind].floor ? 'ISO 24444' : COMMON_PRACTICE,
  })),
  ...rowsOf('Whom a product suits', SUIT_IDS, (id) => ({
    id: `suits-${id}`,
    title: id,
    sentence: `counts ${SUITS[id].weight} where the skin is so`,
    source: SUITS[id].source,
  })),
  ...rowsOf('What asks for a patch test', patched, (id) => ({
    id: `patch-${id}`,
    title: INGREDIENTS[id].name,
    sentence: `${INGREDIENTS[id].patch ?? ''}, new to sensitive or reactive skin`,
    source: COMMON_PRACTICE,
  })),
  ...rowsOf('What asks for a patch test', RETESTS, (own) => ({
    id: own.id,
    title: 'repeated',
    sentence: own.why,
    source: own.source,
  })),
  ...rowsOf('Rest intervals', REST_INTERVALS, (own) => ({
    id: own.id,
    title: `${own.days} days`,
    sentence: own.sentence,
    source: own.source,
  })),
  ...rowsOf('Stop rules', Object.values(STOP_RULES), (own) => ({
    id: own.id,
    title: 'in the room',
    sentence: own.sentence,
    source: own.source,
  })),
  ...rowsOf('Aftercare', AFTERCARE, (own) => ({
    id: own.id,
    title: AFTERCARE_TITLES[own.topic],
    sentence: `${own.sentence} ${own.hours} h.`,
    reason: own.why,
    source: own.source,
  })),
  ...homeRows(),
]
