import { randomUUID } from 'node:crypto'
import { expect, it } from 'vitest'
import type { ToolsPage } from '#contracts/replies/tools'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { TOOL_IDS, type ToolId } from '#core/catalogue/techniques/tools'
import { CLEANING_STEPS, type CleaningStep } from '#core/hygiene/tools'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { Caller } from '../../support/http'
import { must } from './smallHouse'

/** A month of visits is lived in minutes: many pieces, and a disinfectant that is quick. */
const PIECES = 100
const CONTACT_MINUTES = 1

/** Who washes up every evening, and knows what has been through their hands. */
export class WashingUp {
  readonly uses = new Map<ToolId, Set<string>>()
  constructor(private readonly call: Caller) {}

  async begin(): Promise<void> {
    for (const tool of TOOL_IDS)
      await must(this.call, 'PUT', '/api/tools', {
        ...{ tool, pieces: PIECES, contactMinutes: CONTACT_MINUTES },
      })
  }
  /** What a visit has used, by what was done at it. */
  note(visitId: string, done: readonly Pick<PlanStep, 'technique'>[]): void {
    for (const tool of done.flatMap(({ technique }) => TECHNIQUES[technique].tools ?? []))
      this.uses.set(tool, (this.uses.get(tool) ?? new Set()).add(visitId))
  }
  /** All that waits goes one step on: what is wet comes out, what is washed goes in, the rest is washed. */
  async evening(): Promise<void> {
    const { tools, now } = await this.page()
    for (const { tool, used, washed, soaking } of tools) {
      const out = soaking
        .filter(({ until }) => until <= now)
        .reduce((sum, { pieces }) => sum + pieces, 0)
      await this.put(tool, 'ready', out)
      await this.put(tool, 'soaking', washed)
      await this.put(tool, 'washed', used)
    }
  }
  private async put(tool: ToolId, step: CleaningStep, pieces: number): Promise<void> {
    if (pieces > 0)
      await must(this.call, 'POST', '/api/cleanings', { id: randomUUID(), tool, step, pieces })
  }
  async page(): Promise<ToolsPage> {
    return (await must(this.call, 'GET', '/api/tools')) as ToolsPage
  }
}

export function saysOfCleaning(washing: () => WashingUp): void {
  it('every use of a tool is in the log or waits, and every piece is somewhere', async () => {
    const { tools, log } = await washing().page()
    for (const { tool, pieces, clean, used, washed, soaking } of tools) {
      const wet = soaking.reduce((sum, batch) => sum + batch.pieces, 0)
      expect(clean + used + washed + wet, tool).toBe(pieces)
      const uses = washing().uses.get(tool)?.size ?? 0
      const through = (step: CleaningStep) =>
        log
          .filter((line) => line.tool === tool && line.step === step)
          .reduce((sum, line) => sum + line.pieces, 0)
      expect(through('washed') + used, `${tool} washed`).toBe(uses)
      expect(through('soaking') + washed + used, `${tool} in`).toBe(uses)
      expect(through('ready') + wet + washed + used, `${tool} out`).toBe(uses)
    }
    expect(Math.max(...[...washing().uses.values()].map(({ size }) => size))).toBeGreaterThan(20)
    expect(CLEANING_STEPS.every((step) => log.some((line) => line.step === step))).toBe(true)
  })
}
