import { z } from 'zod'
import { REGION_IDS } from '#core/face/zones'

/**
 * The compiled question of one plan. Published as `docs/formats/plan-case.schema.json`; made by
 * `core/planning/search/network.ts`.
 */
const whole = z.int().min(0)
const arc = z.strictObject({
  from: whole,
  to: whole,
  option: z.string().max(200),
  ticks: whole.max(400),
  loads: z.array(whole).max(REGION_IDS.length),
  effects: z.array(whole).max(5),
  taste: z.int(),
  cost: whole,
  idle: whole,
  exfoliates: z.union([z.literal(0), z.literal(1)]),
  marks: z.array(z.string().max(40)).max(8),
})
export const planCaseDocument = z.strictObject({
  format: z.literal('oak-basin/plan-case'),
  formatVersion: z.literal(2),
  slotTicks: whole.max(400),
  weights: z.array(whole).max(5),
  returns: z
    .array(z.strictObject({ upTo: whole.nullable(), slope: z.int().min(1) }))
    .min(1)
    .max(5),
  regions: z.array(z.enum(REGION_IDS)).length(REGION_IDS.length),
  headroom: z.array(whole).length(REGION_IDS.length),
  maxExfoliations: z.int(),
  never: z.array(z.tuple([z.string().max(40), z.string().max(40)])).max(40),
  states: z.array(z.int().min(0)).min(2).max(40),
  stages: z
    .array(z.strictObject({ id: z.string().max(60), arcs: z.array(arc).max(20_000) }))
    .min(1)
    .max(39),
})
