import { z } from 'zod'
import { TOOL_IDS } from '#core/catalogue/techniques/tools'
import { CLEANING_STEPS } from '#core/hygiene/tools'
import { at, count, id, text } from './common'

export const toolsPage = z.strictObject({
  now: at,
  tools: z.array(
    z.strictObject({
      tool: z.enum(TOOL_IDS),
      pieces: count,
      contactMinutes: count,
      clean: count,
      used: count,
      washed: count,
      soaking: z.array(z.strictObject({ pieces: count, until: at })),
      /** A part that is worn by use: visits since it was changed, and after how many it is due. */
      wear: z.strictObject({ part: text, uses: count, after: count }).nullable(),
    }),
  ),
  /** The latest first. */
  log: z.array(
    z.strictObject({
      id,
      tool: z.enum(TOOL_IDS),
      step: z.enum(CLEANING_STEPS),
      pieces: count,
      at,
      /** Later than `at` by minutes: it was entered afterwards. */
      enteredAt: at,
      by: text,
    }),
  ),
})
export type ToolsPage = z.infer<typeof toolsPage>
