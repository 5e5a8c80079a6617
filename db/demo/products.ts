import type { Dispenser, Product } from '#core/catalogue/products'
import type { ProductKind } from '#core/catalogue/kinds'

/** The shelf of the invented practice: house lines that exist nowhere else. */
const LINES = { M: 'Millrace', B: 'Birch & Brine', Q: 'Quiet Kiln', U: 'Undertow' } as const
const DISPENSERS: Record<string, Dispenser> = {
  p1: { kind: 'pump', millilitres: 1 }, p8: { kind: 'pump', millilitres: 0.8 }, p2: { kind: 'pump', millilitres: 0.2 }, drop: { kind: 'drop', millilitres: 0.05 }, oil: { kind: 'drop', millilitres: 0.035 },
  pour: { kind: 'pour', millilitres: 1 }, spatula: { kind: 'spatula', millilitres: 2.5 }, small: { kind: 'riceGrain', millilitres: 0.05 }, spray: { kind: 'spray', millilitres: 0.12 },
}
type Suit = Product['suits'][number]
const p = (id: string, line: keyof typeof LINES, name: string, kind: ProductKind, inci: string, dispenser: string, suits: Suit[], ml: number, cents: number, months: number, more: Partial<Product> = {}): Product => ({
  id, name: `${LINES[line]} ${name}`, line: LINES[line], kind, inci: inci.split(', '), density: 1, dispenser: DISPENSERS[dispenser] ?? { kind: 'pour', millilitres: 1 }, suits, calming: false,
  packMillilitres: ml, priceCents: cents, openMonths: months, ...more,
})

export const DEMO_PRODUCTS: readonly Product[] = [
  p('eye-lift', 'M', 'Eye Water', 'eyeRemover', 'Aqua, Polysorbate 20, Panthenol, Sodium Chloride', 'pour', ['all'], 200, 1450, 6),
  p('eye-two', 'U', 'Two-Phase', 'eyeRemover', 'Aqua, Isododecane, Sodium Chloride, Parfum', 'pour', ['all'], 150, 1600, 6),
  p('milk-oat', 'B', 'Oat Milk', 'milk', 'Aqua, Avena Sativa Kernel Extract, Glycerin, Cetearyl Alcohol', 'p8', ['dry', 'sensitive'], 500, 2900, 12, { calming: true }),
  p('milk-plain', 'Q', 'Plain Milk', 'milk', 'Aqua, Glycerin, Squalane, Xanthan Gum', 'p8', ['all', 'sensitive'], 500, 2700, 12, { calming: true }),
  p('milk-honey', 'M', 'Honey Milk', 'milk', 'Aqua, Mel, Glycerin, Cera Alba, Parfum', 'p8', ['dry'], 500, 3100, 12),
  p('gel-brine', 'B', 'Brine Gel', 'gelCleanser', 'Aqua, Coco-Glucoside, Sea Salt, Menthol', 'p8', ['oily', 'congested'], 500, 2800, 12),
  p('gel-soft', 'Q', 'Soft Gel', 'gelCleanser', 'Aqua, Decyl Glucoside, Glycerin, Panthenol', 'p8', ['all', 'sensitive', 'dry'], 500, 2600, 12, { calming: true }),
  p('oil-cleanse', 'U', 'Cleansing Oil', 'cleansingOil', 'Helianthus Annuus Seed Oil, Squalane, Tocopherol', 'p1', ['dry', 'all'], 400, 3400, 9, { density: 0.92 }),
  p('oil-almond', 'M', 'Almond Cleansing Oil', 'cleansingOil', 'Prunus Amygdalus Dulcis Oil, Tocopherol, Parfum', 'p1', ['dry'], 400, 3200, 9, { density: 0.92 }),
  p('toner-birch', 'B', 'Birch Water', 'toner', 'Aqua, Betula Alba Juice, Glycerin, Lactic Acid', 'pour', ['all', 'oily'], 500, 1900, 12, { pH: 4.8 }),
  p('toner-calm', 'Q', 'Calm Water', 'toner', 'Aqua, Glycerin, Panthenol, Allantoin', 'pour', ['sensitive', 'dry'], 500, 2000, 12, { pH: 5, calming: true }),
  p('mist-lake', 'U', 'Lake Mist', 'mist', 'Aqua, Sodium Hyaluronate, Glycerin', 'spray', ['all'], 200, 1700, 6, { calming: true }),
  p('grain-rice', 'Q', 'Rice Grain', 'grainScrub', 'Aqua, Oryza Sativa Bran, Glycerin, Kaolin', 'spatula', ['all'], 250, 2300, 9, { density: 1.1 }),
  p('grain-walnut', 'M', 'Shell Grain', 'grainScrub', 'Aqua, Juglans Regia Shell Powder, Glycerin', 'spatula', ['oily'], 250, 2100, 9, { density: 1.1 }),
  p('enzyme-paw', 'M', 'Orchard Enzyme', 'enzymeMask', 'Aqua, Papain, Glycerin, Kaolin', 'spatula', ['all', 'congested'], 200, 3600, 6, { density: 1.05, pH: 5.5 }),
  p('enzyme-fig', 'Q', 'Quiet Enzyme', 'enzymeMask', 'Aqua, Subtilisin, Glycerin, Panthenol', 'spatula', ['sensitive'], 200, 3900, 6, { density: 1.05, pH: 6 }),
  p('clay-kiln', 'Q', 'Kiln Clay', 'settingClay', 'Kaolin, Aqua, Glycerin, Zinc Oxide', 'spatula', ['oily', 'congested', 'all'], 500, 2700, 9, { density: 1.35 }),
  p('clay-tide', 'B', 'Tide Clay', 'settingClay', 'Kaolin, Aqua, Fucus Vesiculosus Extract, Maris Sal', 'spatula', ['oily'], 500, 3000, 9, { density: 1.35 }),
  p('mask-dew', 'U', 'Dew Mask', 'hydratingMask', 'Aqua, Glycerin, Sodium Hyaluronate, Betaine', 'spatula', ['all', 'dry'], 400, 3800, 6, { density: 1.02, calming: true }),
  p('mask-honey', 'M', 'Propolis Mask', 'hydratingMask', 'Aqua, Propolis Extract, Mel, Glycerin', 'spatula', ['dry', 'mature'], 400, 4100, 6, { density: 1.05 }),
  p('mask-hush', 'Q', 'Hush Mask', 'hydratingMask', 'Aqua, Glycerin, Colloidal Bisabolol, Panthenol, Allantoin', 'spatula', ['sensitive'], 400, 4000, 6, { density: 1.02, calming: true }),
  p('massage-sun', 'U', 'Massage Oil', 'massageOil', 'Helianthus Annuus Seed Oil, Simmondsia Chinensis Seed Oil, Tocopherol', 'oil', ['all', 'sensitive'], 250, 2600, 9, { density: 0.92 }),
  p('serum-tide', 'U', 'Water Serum', 'serum', 'Aqua, Sodium Hyaluronate, Glycerin, Betaine', 'p2', ['dry', 'all'], 50, 4900, 6, { calming: true }),
  p('serum-nia', 'B', 'Balance Serum', 'serum', 'Aqua, Niacinamide, Glycerin, Zinc PCA', 'p2', ['oily', 'congested'], 50, 4700, 6),
  p('serum-hush', 'Q', 'Hush Serum', 'serum', 'Aqua, Panthenol, Allantoin, Glycerin', 'p2', ['sensitive'], 50, 4600, 6, { calming: true }),
  p('serum-ret', 'M', 'Night Serum', 'serum', 'Aqua, Retinol, Squalane, Tocopherol', 'p2', ['mature'], 30, 6200, 3),
  p('eye-gel', 'U', 'Eye Gel', 'eyeProduct', 'Aqua, Sodium Hyaluronate, Caffeine', 'small', ['all'], 30, 3900, 6),
  p('eye-cream', 'Q', 'Eye Cream', 'eyeProduct', 'Aqua, Squalane, Glycerin, Ceramide NP', 'small', ['dry', 'mature', 'sensitive'], 30, 4300, 6, { calming: true }),
  p('cream-light', 'U', 'Light Cream', 'moisturiser', 'Aqua, Glycerin, Squalane, Dimethicone', 'p8', ['oily', 'all'], 200, 4200, 9),
  p('cream-barrier', 'Q', 'Barrier Cream', 'moisturiser', 'Aqua, Glycerin, Ceramide NP, Squalane, Panthenol', 'p8', ['dry', 'sensitive', 'mature'], 200, 4800, 9, { calming: true }),
  p('cream-shea', 'M', 'Shea Cream', 'moisturiser', 'Aqua, Butyrospermum Parkii Butter, Cera Alba, Parfum', 'spatula', ['dry'], 200, 4400, 9),
  p('oil-night', 'U', 'Night Oil', 'facialOil', 'Simmondsia Chinensis Seed Oil, Squalane, Tocopherol', 'oil', ['all', 'dry'], 50, 3600, 9, { density: 0.9 }),
  p('oil-rosehip', 'B', 'Rosehip Oil', 'facialOil', 'Rosa Canina Fruit Oil, Tocopherol', 'oil', ['mature', 'dry'], 50, 3800, 6, { density: 0.92 }),
  p('sun-50', 'B', 'Snow Light 50', 'sunProtection', 'Aqua, Zinc Oxide, Glycerin, Squalane', 'p8', ['all', 'sensitive'], 200, 3300, 9, { density: 1.05, calming: true }),
  p('sun-30', 'U', 'Shore Light 30', 'sunProtection', 'Aqua, Ethylhexyl Triazone, Glycerin, Parfum', 'p8', ['oily'], 200, 2900, 9, { density: 1.02 }),
  p('lip-balm', 'Q', 'Lip Balm', 'lipCare', 'Ricinus Communis Seed Oil, Candelilla Cera, Tocopherol', 'small', ['all'], 30, 1500, 12, { density: 0.95 }),
]
