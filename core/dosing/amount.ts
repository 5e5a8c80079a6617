import {
  FINGERTIP_GRAMS,
  HALF_PIECE,
  HALVED,
  MEASURE_PARTS,
  ROUNDING_MATTERS,
  ROUNDING_SAID_FROM,
  SMALL,
  WATER_DROP_ML,
} from '../catalogue/rules/dosing'
import { ALL_PERCENT, GRAM_MILLIGRAMS, ROUNDING } from '../units'
import { FILMS, type Dispenser, type Product } from '../catalogue/products/products'
import { powderFor } from './mixing'
import { saidPart } from './saidPart'
import { areaOf, type FaceSize } from '../face/regions'
import type { RegionId } from '../face/zones'
import { grams, millilitres, type Grams, type Millilitres } from '../units'

export interface Amount {
  grams: Grams
  millilitres: Millilitres
  /** Whole measures as the hand takes them from this bottle. */
  count: number
  measure: Dispenser['kind']
  words: string
  /** What rounding to the hand does, in per cent of the exact amount. */
  roundingPercent: number
  /** Whether it is worth saying: a drop more of a cream is not. */
  roundingMatters: boolean
  costCents: number
}

const MEASURE_WORDS: Record<Dispenser['kind'], readonly [string, string]> = {
  pump: ['pump', 'pumps'],
  spray: ['spray', 'sprays'],
  riceGrain: ['rice grain', 'rice grains'],
  drop: ['drop', 'drops'],
  scoop: ['scoop', 'scoops'],
  spatula: ['spatula tip', 'spatula tips'],
  pour: ['mL', 'mL'],
  piece: ['piece', 'pieces'],
}

/**
 * Amount of a product for some regions: area × film → grams → millilitres → whole measures.
 * Of what is mixed it is the powder that makes so much paste. Rounds to the nearest measure, at
 * least one; where the film has a floor (sun protection) and where paste must reach, never below.
 * @param layers how often it goes over the whole of it, on the mean
 */
export function amountFor(
  product: Product,
  regions: readonly RegionId[],
  size?: FaceSize,
  layers = 1,
): Amount {
  const film = FILMS[product.kind]
  const exactGrams = (areaOf(regions, size) * film.milligrams * layers) / GRAM_MILLIGRAMS
  const onSkinMl = exactGrams / product.density
  const powderMl = powderFor(product, onSkinMl)
  const exactMl = powderMl ?? onSkinMl
  const neverBelow = film.floor === true || powderMl !== undefined
  const { count } = toMeasures(exactMl, product.dispenser, neverBelow, partOf(product))
  return amountOfMeasures(product, product.dispenser, count, exactMl)
}

/**
 * So many measures of a product.
 * @param dispenser what it is measured with: its own, or the scoop of the powder it is stirred into
 * @param exactMl what was reckoned before it was rounded to the hand
 */
export function amountOfMeasures(
  product: Product,
  dispenser: Dispenser,
  count: number,
  exactMl = count * dispenser.millilitres,
): Amount {
  const ml = count * dispenser.millilitres
  const rounding = exactMl === 0 ? 0 : Math.round((ml / exactMl - 1) * ALL_PERCENT)
  return {
    grams: grams(ml * product.density),
    millilitres: millilitres(ml),
    count,
    measure: dispenser.kind,
    words: describeMeasures(count, dispenser.kind),
    roundingPercent: rounding,
    roundingMatters:
      ROUNDING_MATTERS.includes(product.kind) && Math.abs(rounding) >= ROUNDING_SAID_FROM,
    costCents: pouredCents(product, openedFor(product, ml)),
  }
}

const servesTwice = ({ kind, dispenser }: Pick<Product, 'kind' | 'dispenser'>): boolean =>
  HALVED.includes(kind) && dispenser.kind === 'piece'
/** The smallest part of its measure that is taken of a product. */
export const partOf = (product: Pick<Product, 'kind' | 'dispenser'>): number =>
  servesTwice(product) ? HALF_PIECE : MEASURE_PARTS[product.dispenser.kind]

/** What is gone from the shelf for so many millilitres: of a piece that is opened, all of it. */
export function openedFor(product: Pick<Product, 'kind' | 'dispenser'>, ml: number): number {
  const piece = product.dispenser.millilitres
  return servesTwice(product) ? Math.ceil(ml / piece - ROUNDING) * piece : ml
}

/** The part of a measure that is taken: a quarter where even one would be much more than is wanted. */
const partFor = (ml: number, { kind, millilitres }: Dispenser, part: number): number =>
  SMALL.of.some((own) => own === kind) && ml < SMALL.below * millilitres
    ? Math.min(part, SMALL.part)
    : part

/**
 * Millilitres → what the hand can do: whole pumps and drops, half spatula tips, quarter scoops,
 * half millilitres.
 */
export function toMeasures(
  ml: number,
  dispenser: Dispenser,
  neverBelow: boolean,
  part = MEASURE_PARTS[dispenser.kind],
): { count: number; ml: number } {
  const fine = partFor(ml, dispenser, part)
  const exact = ml / (dispenser.millilitres * fine)
  const whole = Math.max(1, neverBelow ? Math.ceil(exact - ROUNDING) : Math.round(exact))
  return { count: whole * fine, ml: whole * fine * dispenser.millilitres }
}

/** What so much of a bottle costs, in whole cents. */
export const pouredCents = (
  { packMillilitres, priceCents }: Pick<Product, 'packMillilitres' | 'priceCents'>,
  millilitres: number,
): number => Math.round((millilitres / packMillilitres) * priceCents)

/** "1½ pumps": a count of measures of a dispenser, in words. */
export function describeMeasures(count: number, kind: Dispenser['kind']): string {
  const [one, many] = MEASURE_WORDS[kind]
  return `${saidPart(count)} ${count <= 1 ? one : many}`
}

/** Grams as fingertip units, to the nearest half (Long and Finlay 1991). */
export function fingertipUnits(weight: number): number {
  return Math.round((weight / FINGERTIP_GRAMS.usual) * 2) / 2
}

/** Drops as millilitres, by the size of a drop in millilitres. */
export function dropsToMillilitres(drops: number, dropMl = WATER_DROP_ML): Millilitres {
  return millilitres(drops * dropMl)
}

/** "8 % more than reckoned": what rounding to whole measures does, where it is worth saying. */
export const roundingWords = ({
  roundingPercent,
  roundingMatters,
}: Pick<Amount, 'roundingPercent' | 'roundingMatters'>): string =>
  roundingMatters
    ? `${Math.abs(roundingPercent)} % ${roundingPercent > 0 ? 'more' : 'less'} than reckoned`
    : ''

/** The weight as a scale in the room shows it: hundredths of a gram below one, tenths above. */
export const gramsWords = ({ grams }: Pick<Amount, 'grams'>): string =>
  `${grams.toFixed(grams < 1 ? 2 : 1)} g`
