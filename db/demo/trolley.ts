import type { HouseCosts } from '#core/cost/visitCost'
import { TOOL_IDS, TOOLS, type ToolId } from '#core/catalogue/techniques/tools'
import { addDays } from '#core/screening/asking/days'
import { DateTime } from 'luxon'
import * as tables from '../schema'
import type { Database } from '../owner'
import { ZONE } from './house'
import { demoId } from './ids'

/** How many the invented house has of each tool; a house for trying things out may have more. */
const PIECES: Readonly<Record<ToolId, number>> = {
  diamondTip: 3,
  crystalHead: 1,
  vacuumCup: 2,
  spatulaBlade: 2,
  electrode: 2,
  currentProbes: 2,
  needlingHandle: 1,
  stones: 2,
  globes: 3,
  goggles: 4,
  bowl: 5,
  brushHead: 2,
  ballTool: 1,
}
export const COSTS: HouseCosts = {
  roomHour: 1400,
  personHour: 2600,
  deviceUse: 120,
  wash: 45,
  pad: 4,
  tissue: 2,
  gloves: 24,
}
const PRICES = [
  ['hour', 'Facial, 60 minutes', 7800],
  ['long', 'Long facial, 90 minutes', 11200],
  ['machine', 'Facial with the tip, 75 minutes', 12800],
] as const
/** What the visits of the invented past were billed as. */
export const PAST_PRICE = { id: demoId('price-hour'), cents: PRICES[0][2] }

/** Tools, costs and the price list. */
export async function seedTrolley(db: Database): Promise<void> {
  const more = Number(process.env.OAK_DEMO_PIECES ?? 0)
  await db.insert(tables.tools).values(
    TOOL_IDS.map((tool) => ({
      tool,
      pieces: more || PIECES[tool],
      contactMinutes: TOOLS[tool].contactMinutes,
    })),
  )
  await db.insert(tables.houseCosts).values({ cents: COSTS })
  await db
    .insert(tables.prices)
    .values(PRICES.map(([key, name, cents]) => ({ id: demoId(`price-${key}`), name, cents })))
}

/** What was used at the latest visits and cleaned, or not yet, the evening before today. */
export async function seedCleaning(db: Database, today: string): Promise<void> {
  const at = (hour: number, minute: number) =>
    DateTime.fromISO(addDays(today, -1), { zone: ZONE }).set({ hour, minute }).toJSDate()
  const visits = await db.select({ id: tables.visits.id }).from(tables.visits).limit(2)
  const [first, second] = visits.map(({ id }) => id)
  if (first === undefined || second === undefined) return
  await db.insert(tables.toolUses).values([
    { visitId: first, tool: 'globes', at: at(16, 40) },
    { visitId: second, tool: 'electrode', at: at(18, 10) },
  ])
  const done = (key: string, tool: ToolId, step: 'washed' | 'soaking' | 'ready', moment: Date) => ({
    id: demoId(`cleaning-${key}`),
    tool,
    step,
    pieces: 1,
    by: demoId('tomas'),
    at: moment,
    enteredAt: moment,
  })
  await db
    .insert(tables.cleanings)
    .values([
      done('globes-washed', 'globes', 'washed', at(16, 52)),
      done('globes-soaking', 'globes', 'soaking', at(16, 54)),
      done('globes-ready', 'globes', 'ready', at(17, 6)),
      done('electrode-washed', 'electrode', 'washed', at(18, 20)),
    ])
}
