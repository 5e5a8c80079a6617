import type { PlanInput } from '#core/planning/input'
import { lot } from '#core/testing/fixtures'
import type { Proposal } from '#core/planning/answer/propose'
import { DEMO_PRODUCTS } from '#db/demo/products'
import { DEEP } from '#db/demo/clients'
import { question } from '../tests/solver/cases'
import { demoInput } from '../tests/support/demoClients'

/**
 * Runs in the page: the seeded cases with the demo's shelf, asked of the planner's own worker as
 * the page asks it. Times from asking to having the answer, ms.
 */
export interface Timed {
  who: string
  first: number
  edits: { what: string; ms: number; again: number[] }[]
  again: number[]
}

const worker = new Worker('/worker.js', { type: 'module' })
let waiting: ((proposal: Proposal) => void) | undefined
let id = 0
let sent = 0
worker.onmessage = (messageEvent: MessageEvent<{ answer: Proposal }>) =>
  waiting?.(messageEvent.data.answer)

async function asked(input: PlanInput): Promise<[number, Proposal]> {
  const began = performance.now()
  const answer = await new Promise<Proposal>((resolve) => {
    waiting = resolve
    const { shelf, ...rest } = input
    worker.postMessage(
      JSON.stringify({
        id: id++,
        ask: 'propose',
        input: rest,
        steps: [],
        ...(sent++ === 0 ? { shelf } : {}),
      }),
    )
  })
  return [performance.now() - began, answer]
}

/** What a therapist changes between two plans of one client. */
function edits(input: PlanInput, plan: Proposal): [string, PlanInput][] {
  const cheek = input.profile.regions.cheekL
  const pinned = plan.steps
    .filter((step) =>
      ['massage', 'clay', 'hydratingMask', 'serum', 'enzyme', 'steam'].includes(step.technique),
    )
    .slice(0, 1)
  return [
    ['ten minutes less', { ...input, slotMinutes: Math.max(30, input.slotMinutes - 10) }],
    ['ten minutes more', { ...input, slotMinutes: input.slotMinutes + 10 }],
    [
      'a cheek read as more sensitive',
      {
        ...input,
        profile: {
          ...input.profile,
          regions: {
            ...input.profile.regions,
            cheekL: {
              ...cheek,
              sensitivity: Math.min(4, (cheek.sensitivity ?? 0) + 1) as typeof cheek.sensitivity,
            },
          },
        },
      },
    ],
    [
      'another aim first',
      {
        ...input,
        aims: [
          ...input.aims.slice(1),
          ...input.aims.slice(0, 1),
          ...(input.aims.length === 1
            ? (['rest'] as const).filter((aim) => aim !== input.aims[0])
            : []),
        ],
      },
    ],
    ...(pinned.length > 0
      ? [
          [
            'a step pinned',
            { ...input, pins: pinned.map((step) => ({ ...step, pinned: true as const })) },
          ] satisfies [string, PlanInput],
        ]
      : []),
  ]
}

const inputOf = (seed: number): PlanInput => ({
  ...question(seed).input,
  shelf: DEMO_PRODUCTS.map((product) => ({ product, lots: [lot(product.id)] })),
})

Object.assign(globalThis, {
  /**
   * The same small work over and over, ms each: what the machine itself adds to a time now and
   * then.
   */
  unrest(times: number): number[] {
    const out: number[] = []
    for (let run = 0; run < times; run++) {
      const began = performance.now()
      let x = 1
      for (let i = 0; i < 2_500_000; i++) x = (x * 31 + i) | 0
      out.push(performance.now() - began + (x === 0 ? 1 : 0))
    }
    return out
  },
  replans: (from: number, to: number, rounds: number): Promise<Timed[]> =>
    measured(
      Array.from({ length: to - from + 1 }, (_, i) => [`${from + i}`, inputOf(from + i)]),
      rounds,
    ),
  demo: (rounds: number): Promise<Timed[]> =>
    measured(
      DEEP.map(({ key }) => [key, demoInput(key)]),
      rounds,
    ),
})

async function measured(all: [string, PlanInput][], rounds: number): Promise<Timed[]> {
  const out: Timed[] = []
  for (const [who, input] of all) {
    const [first, plan] = await asked(input)
    const own: Timed = { who, first, edits: [], again: [] }
    for (const [what, changed] of edits(input, plan)) {
      const [ms] = await asked(changed)
      const more: number[] = []
      for (let i = 0; i < rounds; i++) more.push((await asked(changed))[0])
      own.edits.push({ what, ms, again: more })
    }
    for (let i = 0; i < rounds; i++) {
      const [ms] = await asked(input)
      own.again.push(ms)
    }
    out.push(own)
  }
  return out
}
