import { z } from 'zod'
import { homeRoutine } from './replies/home'

export const ROUTINE_FORMAT = { format: 'oak-basin/routine', formatVersion: 1 } as const
/** A routine for home as another house reads it: no name and no answer of the client is in it. */
export const routineDocument = z.strictObject({
  format: z.literal(ROUTINE_FORMAT.format),
  formatVersion: z.literal(ROUTINE_FORMAT.formatVersion),
  practice: z.string(),
  writtenAt: z.iso.datetime(),
  routine: homeRoutine,
})
export type RoutineDocument = z.infer<typeof routineDocument>
