import type { ProductKind } from '../kinds'
import { KIND_NAMES } from '../kinds'
import type { Dispenser, Product } from './products'

/**
 * A plain shelf to begin with: one product a kind, without a line or a maker, each to be renamed or
 * thrown out. Sizes, dispensers and months open are common practice for treatment-room packs; the
 * labels name only what makes such a product what it is, and are to be replaced by the real one.
 */
interface Starter {
  kind: ProductKind
  name: string
  inci: string
  dispenser: Dispenser
  packMillilitres: number
  openMonths: number
  more?: Partial<Pick<Product, 'acid' | 'pH' | 'calming' | 'suits' | 'density'>>
}

const PUMP: Dispenser = { kind: 'pump', millilitres: 1 }
/** Of an airless pack. */
const SMALL_PUMP: Dispenser = { kind: 'pump', millilitres: 0.5 }
const DROP: Dispenser = { kind: 'drop', millilitres: 0.05 }
const OIL_DROP: Dispenser = { kind: 'drop', millilitres: 0.035 }
const POUR: Dispenser = { kind: 'pour', millilitres: 1 }
const SPATULA: Dispenser = { kind: 'spatula', millilitres: 2.5 }
const SCOOP: Dispenser = { kind: 'scoop', millilitres: 10 }
const RICE: Dispenser = { kind: 'riceGrain', millilitres: 0.05 }
const SPRAY: Dispenser = { kind: 'spray', millilitres: 0.12 }
const SHEET: Dispenser = { kind: 'piece', millilitres: 20 }
const WIPE: Dispenser = { kind: 'piece', millilitres: 5 }
const VIAL: Dispenser = { kind: 'piece', millilitres: 2 }

const row = (
  kind: ProductKind,
  name: string,
  inci: string,
  dispenser: Dispenser,
  packMillilitres: number,
  openMonths: number,
  more: Starter['more'] = {},
): Starter => ({ kind, name, inci, dispenser, packMillilitres, openMonths, more })

export const STARTER_SHELF: readonly Starter[] = [
  row('eyeRemover', 'Eye make-up remover', 'Aqua, Poloxamer 184', POUR, 200, 6),
  row('milk', 'Cream cleanser', 'Aqua, Glycerin, Caprylic/Capric Triglyceride', PUMP, 400, 12),
  row('micellarWater', 'Micellar water', 'Aqua, Poloxamer 184, Glycerin', POUR, 400, 6),
  row('wipe', 'Cleansing wipes', 'Aqua, Glycerin, Coco-Glucoside', WIPE, 125, 3),
  row(
    'creamCleanser',
    'Rich cleanser',
    'Aqua, Glycerin, Squalane, Cetearyl Glucoside',
    PUMP,
    400,
    12,
  ),
  row('gelCleanser', 'Gel cleanser', 'Aqua, Coco-Glucoside, Glycerin', PUMP, 400, 12),
  row('cleansingOil', 'Cleansing oil', 'Helianthus Annuus Seed Oil', PUMP, 400, 12),
  row('emulsifier', 'Emulsifier', 'Aqua, Polyglyceryl-4 Oleate', PUMP, 200, 12),
  row('toner', 'Plain toner', 'Aqua, Glycerin, Panthenol', POUR, 400, 12),
  row('mist', 'Water mist', 'Aqua, Glycerin', SPRAY, 200, 6),
  row('grainScrub', 'Fine grain', 'Aqua, Glycerin, Oryza Sativa Powder', SPATULA, 200, 12),
  row('rollOffPeel', 'Roll-off peel', 'Aqua, Cellulose Gum, Carbomer', SPATULA, 200, 12),
  row('enzymeMask', 'Enzyme mask', 'Kaolin, Glycerin, Papain', SPATULA, 150, 6),
  row('acidMask', 'Mild acid mask', 'Aqua, Lactic Acid, Glycerin', SPATULA, 150, 6, {
    acid: { name: 'lactic', percent: 10 },
    pH: 3.8,
  }),
  row('settingClay', 'Clay mask', 'Kaolin, Aqua, Glycerin', SPATULA, 250, 12, {
    suits: ['oily', 'congested'],
    density: 1.2,
  }),
  row('hydratingMask', 'Hydrating mask', 'Aqua, Glycerin, Panthenol', SPATULA, 250, 12, {
    calming: true,
  }),
  row('creamMask', 'Cream mask', 'Aqua, Butyrospermum Parkii Butter', SPATULA, 250, 12, {
    suits: ['dry', 'mature'],
  }),
  row('sheetMask', 'Sheet mask', 'Aqua, Glycerin, Sodium Hyaluronate', SHEET, 200, 12, {
    calming: true,
  }),
  row('powderMask', 'Mask powder', 'Kaolin, Avena Sativa Kernel Flour', SCOOP, 500, 12),
  row('massageOil', 'Massage oil', 'Helianthus Annuus Seed Oil', OIL_DROP, 100, 12),
  row('waterGel', 'Watery gel', 'Aqua, Glycerin, Xanthan Gum', PUMP, 250, 6),
  row('conductiveGel', 'Conductive gel', 'Aqua, Glycerin, Carbomer', SPATULA, 250, 6),
  row('currentGel', 'Leave-on gel', 'Aqua, Glycerin, Sodium Hyaluronate', SPATULA, 150, 6),
  row('skinDisinfectant', 'Skin disinfectant', 'Aqua, Chlorhexidine Digluconate', POUR, 250, 12),
  row('needlingSerum', 'Sterile serum', 'Aqua, Sodium Hyaluronate', VIAL, 20, 1, { calming: true }),
  row('ampoule', 'Ampoule', 'Aqua, Sodium Hyaluronate, Panthenol', VIAL, 20, 1, {
    calming: true,
  }),
  row('serum', 'Hydrating serum', 'Aqua, Glycerin, Sodium Hyaluronate', DROP, 30, 6, {
    calming: true,
  }),
  row('eyeProduct', 'Eye cream', 'Aqua, Glycerin, Squalane', RICE, 15, 6),
  row('eyeMask', 'Eye mask', 'Aqua, Glycerin, Panthenol', SPATULA, 50, 6),
  row('moisturiser', 'Light cream', 'Aqua, Glycerin, Squalane', SMALL_PUMP, 50, 12, {
    calming: true,
  }),
  row('facialOil', 'Facial oil', 'Squalane', OIL_DROP, 30, 12),
  row('sunProtection', 'Sun protection', 'Aqua, Zinc Oxide, Glycerin', SMALL_PUMP, 50, 12, {
    calming: true,
  }),
  row('lipSerum', 'Lip serum', 'Aqua, Glycerin, Sodium Hyaluronate', DROP, 15, 6),
  row('sleepMask', 'Overnight mask', 'Aqua, Glycerin, Squalane', SPATULA, 100, 12, {
    calming: true,
  }),
  row('bodyCare', 'Arm and hand cream', 'Aqua, Glycerin, Cetearyl Alcohol', PUMP, 250, 12),
  row('lipCare', 'Lip balm', 'Butyrospermum Parkii Butter, Squalane', RICE, 15, 12),
]

/** The code of a starter bottle, until the real one was copied from it. */
export const NOT_COPIED = 'batch number missing'
/** Days that a starter bottle is taken to be good for until its date was copied. */
export const STARTER_DAYS = 90

/**
 * The starter shelf as products.
 * @param newId an id of its own for each
 */
export const starterProducts = (newId: () => string): Product[] =>
  STARTER_SHELF.map(({ kind, name, inci, dispenser, packMillilitres, openMonths, more }) => ({
    id: newId(),
    name,
    line: '',
    kind,
    inci: inci.split(', '),
    density: 1,
    dispenser,
    suits: ['all'],
    calming: false,
    packMillilitres,
    priceCents: 0,
    openMonths,
    ...more,
  }))

/** Kinds of which the starter shelf has none, as words. */
export const notStarted = (kinds: readonly ProductKind[]): string[] =>
  kinds
    .filter((kind) => !STARTER_SHELF.some((starter) => starter.kind === kind))
    .map((kind) => KIND_NAMES[kind])
