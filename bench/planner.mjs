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
    'core/planning/published/network.ts',
    'core/planning/question/compile.ts',
    'tests/solver/cases.ts',
    'tests/solver/mip.ts',
  ])
  const cases = Array.from({ length: CASES }, (_, i) => question(i + 1)).map((asked) => {
    const shelf = DEMO_PRODUCTS.map((product) => ({ product, lots: [lot(product.id)] }))
    const input = { ...asked.input, shelf }
    return { c: compile(input), slotTicks: asked.slotTicks, input }
  })
  for (let i = 0; i < 5; i++) for (const one of cases) solve(one.c, one.slotTicks)
  await byFlow(network(cases[0].c, cases[0].slotTicks), 60)
  const beside = await besideOutside(cases, { solve, network, byFlow })
  for (let i = 0; i < 5; i++) for (const one of cases) propose(one.input)
  const whole = cases.map((one) => best(() => propose(one.input)))
  return [
    `${CASES} realistic cases, 12 regions, ${DEMO_PRODUCTS.length} products, ` +
      `${Math.round(beside.states / CASES)} states and ${Math.round(beside.arcs / CASES)} ways ` +
      'each on average; every one solved to the end by both',
    ...besideLines(beside),
    `a whole re-plan, compiled, solved and written out: ${spread(whole)} of one frame ` +
      "(aim: at most 1 ×); the machine's own unrest: p95 of the same small work " +
      `${times(unrest())} its median`,
    ...growthLines(cases.slice(0, DOUBLES), { solve, propose }),
  ]
}

/** Median, p95, and how much of a frame the p95 is. */
const spread = (list) =>
  `median ${ms(quantile(list, 0.5))}, p95 ${ms(quantile(list, 0.95))} = ` +
  times(quantile(list, 0.95) / FRAME_MS)

async function besideOutside(cases, { solve, network, byFlow }) {
  const own = []
  const outside = []
  let arcs = 0
  let states = 0
  for (const { c: planCase, slotTicks } of cases) {
    own.push(best(() => solve(planCase, slotTicks)))
    const net = network(planCase, slotTicks)
    arcs += net.stages.reduce((sum, stage) => sum + stage.arcs.length, 0)
    states += net.states.reduce((sum, count) => sum + count, 0)
    const began = performance.now()
    await byFlow(net, 120)
    outside.push(performance.now() - began)
  }
  return { own, outside, arcs, states }
}

function besideLines({ own, outside }) {
  const ratios = own.map((took, i) => outside[i] / took)
  return [
    `ours: ${spread(own)} of one frame`,
    `outside solver, all tiers: median ${ms(quantile(outside, 0.5))}, p95 ` +
      `${ms(quantile(outside, 0.95))}; slower by a median of ${times(quantile(ratios, 0.5))}, ` +
      `at least ${times(Math.min(...ratios))} (aim: at least 50 ×)`,
  ]
}

function growthLines(cases, { solve, propose }) {
  const ratio = (more, less) => {
    more()
    less()
    return best(more) / Math.max(0.01, best(less))
  }
  const replans = ['products', 'regions'].map((what) => {
    const all = cases.map(({ input }) => {
      const [less, more] = wider(input, what)
      return ratio(
        () => propose(more),
        () => propose(less),
      )
    })
    return `with twice the ${what}: ${times(quantile(all, 0.5))} the time of a whole re-plan`
  })
  const solves = ['stages', 'options', 'slot'].map((what) => {
    const all = cases.map((one) => {
      const twice = doubled(one, what)
      return ratio(
        () => solve(twice.c, twice.slotTicks),
        () => solve(one.c, one.slotTicks),
      )
    })
    return `with twice the ${what}: ${times(quantile(all, 0.5))} the time`
  })
  return [...replans, ...solves]
}

function best(work) {
  const all = []
  for (let i = 0; i < 7; i++) {
    const began = performance.now()
    work()
    all.push(performance.now() - began)
  }
  return quantile(all, 0.5)
}

/**
 * A case with a second helping: every optional stage once more, every option once more under
 * another name and a little dearer, or twice the minutes.
 */
function doubled({ c: planCase, slotTicks }, what) {
  if (what === 'slot') return { c: planCase, slotTicks: Math.min(180, slotTicks * 2) }
  if (what === 'options')
    return {
      slotTicks,
      c: {
        ...planCase,
        stages: planCase.stages.map((stage) => ({
          ...stage,
          options: [
            ...stage.options,
            ...stage.options.map((option) => ({
              ...option,
              id: `${option.id}~`,
              costCents: option.costCents + 1,
              taste: option.taste - 1,
            })),
          ],
        })),
      },
    }
  return {
    slotTicks,
    c: {
      ...planCase,
      stages: planCase.stages.flatMap((stage) =>
        stage.must
          ? [stage]
          : [
              stage,
              {
                ...stage,
                id: `${stage.id}~`,
                options: stage.options.map((option) => ({ ...option, id: `${option.id}~` })),
              },
            ],
      ),
    },
  }
}

/** All that the bar of the bench leaves out. */
const FAMILIES = [
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
          ...input.shelf.map((item) => ({
            product: { ...item.product, id: `${item.product.id}-b` },
            lots: item.lots.map((lot) => ({
              ...lot,
              id: `${lot.id}-b`,
              productId: `${item.product.id}-b`,
            })),
          })),
        ],
      },
    ]
  const half = ['forehead', 'nose', 'chin', 'cheekL', 'cheekR', 'mouth']
  const others = Object.keys(input.profile.regions).filter((region) => !half.includes(region))
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
            families: FAMILIES,
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
