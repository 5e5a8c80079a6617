import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { expect, it } from 'vitest'
import type { ToolsPage } from '#contracts/replies/tools'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { TOOL_IDS, type ToolId } from '#core/catalogue/techniques/tools'
import { toMilliseconds } from '#core/units'
import { CLEANING_STEPS, type CleaningStep } from '#core/hygiene/tools'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { Caller } from '../../support/http'
import { must } from './smallHouse'

/** A day of visits is lived in seconds: a piece for each, and a disinfectant that is quick. */
const PIECES = 20
const CONTACT_MINUTES = 1
/** So few visits that parts are worn through within the month. */
const WORN_AFTER = 6

/** Who washes up every evening, and knows what has been through their hands. */
export class WashingUp {
  readonly uses = new Map<ToolId, Set<string>>()
  constructor(private readonly call: Caller) {}

  async begin(): Promise<void> {
    for (const tool of TOOL_IDS)
      await must(this.call, 'PUT', '/api/tools', {
        ...{ tool, pieces: PIECES, contactMinutes: CONTACT_MINUTES, changeAfter: WORN_AFTER },
      })
  }
  /** What a visit has used, by what was done at it. */
  note(visitId: string, done: readonly Pick<PlanStep, 'technique'>[]): void {
    for (const tool of done.flatMap(({ technique }) => TECHNIQUES[technique].tools ?? []))
      this.uses.set(tool, (this.uses.get(tool) ?? new Set()).add(visitId))
  }
  /** What was used that day is washed, wet for its time and dried: entered in the evening. */
  async evening(): Promise<void> {
    const { tools, now } = await this.page()
    const before = (minutes: number) => new Date(now - toMilliseconds(minutes)).toISOString()
    for (const { tool, used, wear } of tools) {
      if (wear && wear.uses >= wear.after) await this.put(tool, 'changed', 1, before(0))
      if (used === 0) continue
      await this.put(tool, 'washed', used, before(CONTACT_MINUTES * 3))
      await this.put(tool, 'soaking', used, before(CONTACT_MINUTES * 2))
      await this.put(tool, 'ready', used, before(0))
    }
  }
  private put(tool: ToolId, step: CleaningStep, pieces: number, at: string): Promise<unknown> {
    const body = { id: randomUUID(), tool, step, pieces, at }
    return must(this.call, 'POST', '/api/cleanings', body)
  }
  async page(): Promise<ToolsPage> {
    return (await must(this.call, 'GET', '/api/tools')) as ToolsPage
  }
}

export function saysOfCleaning(washing: () => WashingUp, ownerUrl: () => string): void {
  it('every visit that used a tool is told, every piece is somewhere, and the log adds up', async () => {
    const { tools, log } = await washing().page()
    const db = postgres(ownerUrl(), { max: 1, onnotice: () => {} })
    const told = await db<{ tool: ToolId; visit_id: string }[]>`
      select tool, visit_id from tool_uses`
    await db.end()
    for (const [tool, visits] of washing().uses) {
      const there = told.filter((use) => use.tool === tool).map((use) => use.visit_id)
      expect(new Set(there).size, tool).toBe(there.length)
      expect(there, tool).toEqual(expect.arrayContaining([...visits]))
    }
    expect(told.length).toBeGreaterThan(100)
    for (const { tool, pieces, clean, used, washed, soaking, wear } of tools) {
      // A worn part holds its tool: nobody is treated with it beyond its visits.
      if (wear) expect(wear.uses, tool).toBeLessThanOrEqual(wear.after)
      const wet = soaking.reduce((sum, batch) => sum + batch.pieces, 0)
      expect(clean + used + washed + wet, tool).toBe(pieces)
      const through = (step: CleaningStep) =>
        log
          .filter((line) => line.tool === tool && line.step === step)
          .reduce((sum, line) => sum + line.pieces, 0)
      expect(through('washed'), tool).toBe(through('soaking') + washed)
      expect(through('soaking'), tool).toBe(through('ready') + wet)
    }
    // A part is changed only where it was worn through.
    const wornThrough = tools.some(
      ({ tool, wear }) => wear && told.filter((use) => use.tool === tool).length > wear.after,
    )
    for (const step of CLEANING_STEPS)
      expect(
        log.some((line) => line.step === step),
        step,
      ).toBe(step !== 'changed' || wornThrough)
  })
}
