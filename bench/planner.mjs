import { performance } from 'node:perf_hooks'
import { bundled } from './bundled.mjs'
import { FRAME_MS, ms, quantile, times, unrest } from './numbers.mjs'

const CASES = 20
const DOUBLES = 6

/**
 * The planner beside a general mixed-integer solver on the same compiled cases, in one run: gap
 * zero, full tuples, loading not counted. And how both grow.
 */
export default async function planner() {
  const { solve, network, question, compile, byFlow, propose, DEMO_PRODUCTS, lot } = await bundled([
    'core/planning/answer/propose.ts',
    'db/demo/products.ts',
    'core/testing/fixtures.ts',
    'core/planning/search/solve.ts',
    'core/planning/search/network.ts',
    'core/planning/question/compile.ts',
    'tests/solver/cases.ts',
    'tests/solver/mip.ts',
  ])
  const cases = Array.from({ length: CASES }, (_, i) => question(i + 1))
    .map((q) => ({
      ...q,
      input: {
        ...q.input,
        shelf: DEMO_PRODUCTS.map((product) => ({ product, lots: [lot(product.id)] })),
      },
    }))
    .map((q) => ({ c: compile(q.input), slotTicks: q.slotTicks, input: q.input }))
  for (let i = 0; i < 5; i++) for (const q of cases) solve(q.c, q.slotTicks)
  await byFlow(network(cases[0].c, cases[0].slotTicks), 60)
  const own = []
  const outside = []
  let arcs = 0
  let states = 0
  for (const q of cases) {
    own.push(best(() => solve(q.c, q.slotTicks)))
    const n = network(q.c, q.slotTicks)
    arcs += n.stages.reduce((a, s) => a + s.arcs.length, 0)
    states += n.states.reduce((a, b) => a + b, 0)
    const began = performance.now()
    await byFlow(n, 120)
    outside.push(performance.now() - began)
  }
  const ratios = own.map((t, i) => outside[i] / t)
  for (let i = 0; i < 5; i++) for (const q of cases) propose(q.input)
  const whole = cases.map((q) => best(() => propose(q.input)))
  const restless = unrest()
  return [
    `${CASES} realistic cases, 12 regions, ${DEMO_PRODUCTS.length} products, ` +
      `${Math.round(states / CASES)} states and ${Math.round(arcs / CASES)} ways each on ` +
      `average; every one solved to the end by both`,
    `ours: median ${ms(quantile(own, 0.5))}, p95 ${ms(quantile(own, 0.95))} = ${times(quantile(own, 0.95) / FRAME_MS)} of one frame`,
    `outside solver, all tiers: median ${ms(quantile(outside, 0.5))}, p95 ` +
      `${ms(quantile(outside, 0.95))}; slower by a median of ` +
      `${times(quantile(ratios, 0.5))}, at least ${times(Math.min(...ratios))} (aim: at ` +
      `least 50 ×)`,
    `a whole re-plan, compiled, solved and written out: median ` +
      `${ms(quantile(whole, 0.5))}, p95 ${ms(quantile(whole, 0.95))} = ` +
      `${times(quantile(whole, 0.95) / FRAME_MS)} of one frame (aim: at most 1 ×); the ` +
      `machine's own unrest: p95 of the same small work ${times(restless)} its median`,
    ...['products', 'regions'].map(
      (what) =>
        `with twice the ${what}: ${times(
          quantile(
            cases.slice(0, DOUBLES).map((q) => {
              const [less, more] = wider(q.input, what)
              propose(less)
              propose(more)
              return (
                best(() => propose(more)) /
                Math.max(
                  0.01,
                  best(() => propose(less)),
                )
              )
            }),
            0.5,
          ),
        )} the time of a whole re-plan`,
    ),
    ...['stages', 'options', 'slot'].map(
      (what) =>
        `with twice the ${what}: ${times(
          quantile(
            cases.slice(0, DOUBLES).map((q) => {
              const d = doubled(q, what)
              solve(d.c, d.slotTicks)
              return (
                best(() => solve(d.c, d.slotTicks)) /
                Math.max(
                  0.01,
                  best(() => solve(q.c, q.slotTicks)),
                )
              )
            }),
            0.5,
          ),
        )} the time`,
    ),
  ]
}

function best(work) {
  const all = []
  for (let i = 0; i < 7; i++) {
    const t = performance.now()
    work()
    all.push(performance.now() - t)
  }
  return quantile(all, 0.5)
}

/**
 * A case with a second helping: every optional stage once more, every option once more under
 * another name and a little dearer, or twice the minutes.
 */
function doubled({ c, slotTicks }, what) {
  if (what === 'slot') return { c, slotTicks: Math.min(180, slotTicks * 2) }
  if (what === 'options')
    return {
      slotTicks,
      c: {
        ...c,
        stages: c.stages.map((s) => ({
          ...s,
          options: [
            ...s.options,
            ...s.options.map((o) => ({
              ...o,
              id: `${o.id}~`,
              costCents: o.costCents + 1,
              taste: o.taste - 1,
            })),
          ],
        })),
      },
    }
  return {
    slotTicks,
    c: {
      ...c,
      stages: c.stages.flatMap((s) =>
        s.must
          ? [s]
          : [
              s,
              { ...s, id: `${s.id}~`, options: s.options.map((o) => ({ ...o, id: `${o.id}~` })) },
            ],
      ),
    },
  }
}

/**
 * The same client with half and with all: six regions or twelve, the shelf or the shelf twice over.
 */
function wider(input, what) {
  if (what === 'products')
    return [
      input,
      {
        ...input,
        shelf: [
          ...input.shelf,
          ...input.shelf.map((s) => ({
            product: { ...s.product, id: `${s.product.id}-b` },
            lots: s.lots.map((l) => ({ ...l, id: `${l.id}-b`, productId: `${s.product.id}-b` })),
          })),
        ],
      },
    ]
  const half = ['forehead', 'nose', 'chin', 'cheekL', 'cheekR', 'mouth']
  const others = Object.keys(input.profile.regions).filter((r) => !half.includes(r))
  const families = [
    'friction',
    'enzyme',
    'acid',
    'abrasion',
    'vacuum',
    'needling',
    'blade',
    'heat',
    'highFrequency',
    'microcurrent',
    'ultrasound',
    'lamp',
    'massage',
    'extraction',
    'clay',
    'covering',
    'cold',
    'eyeWork',
  ]
  return [
    {
      ...input,
      verdict: {
        ...input.verdict,
        bars: [
          ...input.verdict.bars,
          {
            rule: 'bench',
            does: 'local',
            families,
            regions: others,
            sentence: 'left out',
            reason: 'bench',
            lifts: 'nobody',
            source: 'bench',
          },
        ],
      },
    },
    input,
  ]
}
