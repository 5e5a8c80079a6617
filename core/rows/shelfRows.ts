import { COMMON_PRACTICE, KIND_NAMES } from '../catalogue/kinds'
import { ESSENTIAL_OILS } from '../catalogue/products/essentialOils'
import { KITCHEN, KITCHEN_HARM_ROWS, KITCHEN_LIFE_ROWS } from '../catalogue/products/kitchen'
import { KITCHEN_RECIPES, RECIPE_MIXED } from '../catalogue/products/recipes'
import { COST_NAMES } from '../catalogue/rules/costs'
import { LEARNED } from '../catalogue/rules/dosing'
import { OPENED_ROWS } from '../catalogue/rules/opened'
import { STOCK } from '../catalogue/rules/stock'
import { saidPart } from '../dosing/saidPart'
import { rowsOf, type Row } from './row'

/** What stands on the shelf, how it is mixed, how long it is good, and what it costs. */
export const shelfRows = (): Row[] => [...mixedRows(), ...keptRows()]

/** What is mixed, and what of it is minded. */
const mixedRows = (): Row[] => [
  ...rowsOf('Essential oils at most', ESSENTIAL_OILS, (own) => ({
    id: `oil-${own.id}`,
    title: own.name,
    sentence: `${own.percentMost} % of the whole mix at most`,
    source: own.source,
  })),
  ...rowsOf('Recipes of the kitchen', KITCHEN_RECIPES, (own) => ({
    id: `recipe-${own.id}`,
    title: own.name,
    sentence:
      `${saidPart(own.parts)} parts of the powder to ` +
      own.others.map(({ name, parts }) => `${saidPart(parts)} of ${name}`).join(', ') +
      `, by ${own.by}; ${RECIPE_MIXED.words}. Workable ${own.workingMinutes} min.`,
    reason: KIND_NAMES[own.kind],
    source: own.source,
  })),
  ...rowsOf('Things of the kitchen', KITCHEN, (own) => ({
    id: `kitchen-${own.id}`,
    title: own.name,
    sentence: [
      ...own.harms.map((harm) => KITCHEN_HARM_ROWS[harm].sentence),
      KITCHEN_LIFE_ROWS[own.life].words,
    ].join('; '),
    reason: own.milder ? `milder: ${own.milder}` : '',
    source: own.source,
  })),
  ...rowsOf('What of a kitchen stops', Object.values(KITCHEN_HARM_ROWS), (own) => ({
    id: `harm-${own.id}`,
    title: own.id,
    sentence: own.sentence,
    reason: own.patch ? `${own.patch}, new to a client: tried on the arm first` : '',
    source: own.source,
  })),
]

/** How long it is good, how much is laid out and ordered, what it costs. */
const keptRows = (): Row[] => [
  ...rowsOf('How long what is opened is good', Object.values(OPENED_ROWS), (own) => ({
    id: `opened-${own.id}`,
    title: own.name,
    sentence: own.sentence,
    source: own.source,
  })),
  ...rowsOf('Amounts and orders', [LEARNED], (own) => ({
    id: own.id,
    title: 'what earlier visits teach',
    sentence:
      `${own.sentence} ${own.least} to ${own.most} % of the usual; what begins low ` +
      `${own.lowMost} % at most. Said from ${own.saidFrom} % off.`,
    source: own.source,
  })),
  ...rowsOf('Amounts and orders', [STOCK], (own) => ({
    id: own.id,
    title: 'what to order',
    sentence: own.sentence,
    source: own.source,
  })),
  ...rowsOf('What a visit costs beside its products', Object.entries(COST_NAMES), ([id, name]) => ({
    id: `cost-${id}`,
    title: name,
    sentence: 'as the practice has entered it; nothing where it has not',
    source: COMMON_PRACTICE,
  })),
]
