import type { ToolsPage } from '#contracts/replies/tools'
import type { cleaningPost, toolPut } from '#contracts/tools'
import { and, asc, desc, eq, gt, isNull, ne, or, sql, type SQL } from 'drizzle-orm'
import { DateTime } from 'luxon'
import type { z } from 'zod'
import { FIRST_PIECES, LOG_LINES, LOOK_BACK_DAYS } from '#core/catalogue/rules/cleaning'
import { TECHNIQUES, TECHNIQUE_IDS } from '#core/catalogue/techniques/techniques'
import { needsBath, TOOL_IDS, TOOLS, type ToolId } from '#core/catalogue/techniques/tools'
import { isHeld, possible, standingOf, type ToolLife, type Wear } from '#core/hygiene/tools'
import { cleanings, staff, tools, toolUses } from '#db/schema'
import { refused } from '../../problem/problem'
import type { Visit } from '../access'
import { database, type Transaction } from '../database'
import { dayIn } from '../dates'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'
import { bathIsOver } from './halves'

const LOCK = 7_310_227
type Reading = Pick<Transaction, 'select'>

/** A tool's life, and how worn its part is. */
interface Life extends ToolLife {
  wear?: Wear
}

/**
 * What has become of every tool of the house.
 * @param except a visit whose own use does not count: what is in hand is in hand
 */
async function livesOf(db: Reading, except?: string): Promise<Life[]> {
  const from = DateTime.now().minus({ days: LOOK_BACK_DAYS }).toJSDate()
  const used = except === undefined ? undefined : ne(toolUses.visitId, except)
  const [own, worn, uses, done] = await Promise.all([
    db.select().from(tools),
    sinceChanged(db),
    db
      .select()
      .from(toolUses)
      .where(and(gt(toolUses.at, from), used)),
    db.select().from(cleanings).where(gt(cleanings.at, from)).orderBy(asc(cleanings.at)),
  ])
  return TOOL_IDS.map((tool) => {
    const row = own.find((one) => one.tool === tool)
    return {
      tool,
      ...wearOf(tool, worn.get(tool) ?? 0, row?.changeAfter),
      pieces: row?.pieces ?? TOOLS[tool].usual ?? FIRST_PIECES,
      contactMinutes: row?.contactMinutes ?? TOOLS[tool].contactMinutes,
      uses: uses.filter((one) => one.tool === tool).map(({ at }) => at.getTime()),
      cleanings: done
        .filter((one) => one.tool === tool)
        .map(({ step, pieces, at }) => ({ step, pieces, at: at.getTime() })),
    }
  })
}

function wearOf(tool: ToolId, uses: number, own: number | null = null): Pick<Life, 'wear'> {
  const { wears } = TOOLS[tool]
  return wears ? { wear: { part: wears.part, uses, after: own ?? wears.after } } : {}
}

/** Visits at which each tool was used since its worn part was changed. */
async function sinceChanged(db: Reading): Promise<Map<ToolId, number>> {
  const changed = db
    .select({ tool: cleanings.tool, at: sql<Date>`max(${cleanings.at})`.as('changed_at') })
    .from(cleanings)
    .where(eq(cleanings.step, 'changed'))
    .groupBy(cleanings.tool)
    .as('changed')
  const rows = await db
    .select({ tool: toolUses.tool, uses: sql<number>`count(*)::int` })
    .from(toolUses)
    .leftJoin(changed, eq(changed.tool, toolUses.tool))
    .where(or(isNull(changed.at), gt(toolUses.at, changed.at)))
    .groupBy(toolUses.tool)
  return new Map(rows.map(({ tool, uses }) => [tool, uses]))
}

/** Where every piece is now, and what was done last. */
export async function readTools(): Promise<ToolsPage> {
  const db = database()
  const [lives, log] = await Promise.all([
    livesOf(db),
    db
      .select({ own: cleanings, by: staff.name })
      .from(cleanings)
      .innerJoin(staff, eq(staff.id, cleanings.by))
      .orderBy(desc(cleanings.at), desc(cleanings.enteredAt))
      .limit(LOG_LINES),
  ])
  return {
    now: Date.now(),
    tools: lives.map((life) => {
      const { tool, pieces, contactMinutes, wear = null } = life
      const { soaking, ...now } = standingOf(life)
      return { tool, pieces, contactMinutes, ...now, soaking: [...soaking], wear }
    }),
    log: log.map(({ own: { id, tool, step, pieces, at, enteredAt }, by }) => ({
      ...{ id, tool, step, pieces, by },
      at: at.getTime(),
      enteredAt: enteredAt.getTime(),
    })),
  }
}

const NOT_YET: Readonly<Record<z.infer<typeof cleaningPost>['step'], string>> = {
  washed: 'No such piece waits to be washed.',
  soaking: 'Only a piece that is washed goes into the disinfectant.',
  ready: 'Nothing may come out yet: it must stay wet for its whole time.',
  changed: 'There is no such tool here.',
}

/** What was done to some pieces. The same id twice is once. @throws ProblemError 422 out of turn */
export async function clean(me: Staff, body: z.infer<typeof cleaningPost>): Promise<void> {
  const { id, tool, step, pieces } = body
  const at = body.at === undefined ? new Date() : new Date(body.at)
  if (at.getTime() > Date.now()) throw refused('That moment is still to come.')
  await database().transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${LOCK})`)
    const [again] = await tx
      .select({ id: cleanings.id })
      .from(cleanings)
      .where(eq(cleanings.id, id))
    if (again) return
    if (step === 'soaking' && needsBath(TOOLS[tool]) && (await bathIsOver(tx, at)))
      throw refused('The disinfectant bath is over its time: mix a new one first, under Open now.')
    const life = (await livesOf(tx)).find((one) => one.tool === tool)
    if (!life || possible(standingOf(until(life, at)), step, at.getTime()) < pieces)
      throw refused(NOT_YET[step], [
        { field: 'pieces', given: String(pieces), allowed: 'as many as wait for it' },
      ])
    await tx.insert(cleanings).values({ id, tool, step, pieces, by: me.id, at })
  })
}
/** What had become of it by a moment: what is entered afterwards stands at its own time. */
const until = (life: ToolLife, at: Date): ToolLife => ({
  ...life,
  uses: life.uses.filter((use) => use <= at.getTime()),
  cleanings: life.cleanings.filter((deed) => deed.at <= at.getTime()),
})

/** How many of a tool the house has, and its disinfectant's minutes. */
export async function keepTool({ tool, ...set }: z.infer<typeof toolPut>): Promise<void> {
  await database().transaction(async (tx) => {
    const kept = () => tx.update(tools).set(set).where(eq(tools.tool, tool)).returning()
    if ((await kept()).length > 0) return
    await tx
      .insert(tools)
      .values({ tool, ...set })
      .onConflictDoNothing()
    await kept()
  })
}

/** Tools of which nothing is clean for a visit of today; a visit of another day is still to come. */
export async function heldFor(visit: Visit, today: string): Promise<ToolId[]> {
  const { timeZone } = await thePractice()
  if (!['booked', 'treating'].includes(visit.status) || today !== dayIn(timeZone, Date.now()))
    return []
  const lives = await livesOf(database(), visit.id)
  return lives.filter((life) => isHeld(standingOf(life), life.wear)).map(({ tool }) => tool)
}

const TOOLS_OF = JSON.stringify(
  TECHNIQUE_IDS.flatMap((technique) =>
    (TECHNIQUES[technique].tools ?? []).map((tool) => ({ technique, tool })),
  ),
)

/**
 * Notes that the tools of some steps have touched skin: from now on they wait to be cleaned.
 * @param keys of steps of any version of the plan
 * @returns the statement, to be run alone or as a part of another
 */
export const usedUp = (visit: Pick<Visit, 'id'>, keys: readonly string[], at: Date): SQL => sql`
  insert into tool_uses (visit_id, tool, at)
  select distinct plans.visit_id, of.tool, ${at.toISOString()}::timestamptz
  from plans, jsonb_array_elements(plans.steps) step,
    jsonb_to_recordset(${TOOLS_OF}::jsonb) as of (technique text, tool text)
  where plans.visit_id = ${visit.id} and plans.version > 0
    and of.technique = step->>'technique'
    and step->>'key' in (select jsonb_array_elements_text(${JSON.stringify(keys)}::jsonb))
  on conflict do nothing`
