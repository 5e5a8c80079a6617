import { performance } from 'node:perf_hooks'
import { bundled } from './bundled.mjs'
import { FRAME_MS, ms, quantile, times } from './numbers.mjs'

const TODAY = '2026-03-02'
const day = (ago) =>
  new Date(Date.parse(`${TODAY}T00:00:00Z`) - ago * 86_400_000).toISOString().slice(0, 10)

const WORDS = [
  'Aqua',
  'Glycerin',
  'Squalane',
  'Cera Alba',
  'Parfum',
  'Panthenol',
  'Lactic Acid',
  'Prunus Amygdalus Dulcis Oil',
  'Tocopherol',
  'Xanthan Gum',
]

/** A third yes, a third no, a third unsure. */
const answersTo = (findings) =>
  Object.fromEntries(
    findings.map((finding, i) => [
      finding,
      {
        say: ['yes', 'no', 'unsure'][i % 3],
        date: day(i),
        zones: ['nose', 'cheekL'],
        substances: ['honey', 'nuts'],
      },
    ]),
  )

/**
 * What may be done today: many rows of findings, a large shelf, years of visits; and how it grows
 * when all of them double.
 */
export default async function verdict() {
  const { screen, productBars, restBars, CONTRAINDICATIONS, FINDING_IDS, product } = await bundled([
    'core/screening/verdict/verdict.ts',
    'core/screening/products/products.ts',
    'core/load/rest.ts',
    'core/catalogue/consultation/contraindications.ts',
    'core/catalogue/consultation/findings.ts',
    'core/testing/fixtures.ts',
  ])
  const answers = answersTo(FINDING_IDS)
  const once = (findings, products, visits) => {
    const rows = Array.from({ length: findings }, (_, i) => ({
      ...CONTRAINDICATIONS[i % CONTRAINDICATIONS.length],
      id: `row-${i}`,
    }))
    const shelf = Array.from({ length: products }, (_, i) =>
      product('serum', `p${i}`, {
        inci: WORDS.map((word, at) => (at === i % 10 ? `${word} ${i}` : word)),
      }),
    )
    const past = Array.from({ length: visits }, (_, i) => ({
      day: day(7 * i + 3),
      families: ['abrasion', 'enzyme'],
      regions: ['nose', 'cheekL', 'cheekR', 'forehead'],
    }))
    const took = []
    for (let i = 0; i < 60; i++) {
      const began = performance.now()
      const screened = screen(answers, TODAY, rows)
      for (const item of shelf) productBars(item, screened, answers)
      restBars(past, TODAY)
      if (i >= 10) took.push(performance.now() - began)
    }
    return took
  }
  const sizes = [
    [150, 250, 130],
    [300, 500, 260],
    [600, 1000, 520],
  ].map((size) => [size, once(...size)])
  const [small, full, large] = sizes.map(([, took]) => quantile(took, 0.5))
  return [
    ...sizes.map(
      ([[key, item, other], took]) =>
        `${key} findings, ${item} products, ${other} weekly visits: median ` +
        `${ms(quantile(took, 0.5))}, p95 ${ms(quantile(took, 0.95))} = ` +
        `${times(quantile(took, 0.95) / FRAME_MS)} of one frame`,
    ),
    `growth when all double: ${times(full / small)}, then ${times(large / full)}`,
  ]
}
