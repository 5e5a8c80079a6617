import { z } from 'zod'
import { ABSORBED_GRADES } from '../../catalogue/products/watering'
import { FEELS } from '../../catalogue/rules/feel'
import { PAD_GRADES } from '../../catalogue/rules/pads'
import { SIGN_IDS, STOP_STEPS } from '../../catalogue/rules/stopRules'
import { SPOT_IDS } from '../../catalogue/techniques/residue'
import { FITTING_IDS } from '../../catalogue/techniques/technique'
import { TECHNIQUE_IDS } from '../../catalogue/techniques/techniques'
import { id, line, regionId, regions, said } from '../../shapes'
import { grade, readings } from '../../skin/readingShapes'

const note = said(500)
const key = said(40)
const spots = z.array(z.enum(SPOT_IDS)).max(SPOT_IDS.length, 'each spot once').readonly()
const level = z.number().min(0).max(1000)
/** Work that is suspected of a reaction: the tool itself, its level, or the warmth of it. */
export const suspectedWork = z.strictObject({
  technique: z.enum(TECHNIQUE_IDS),
  what: z.enum(['tool', 'level', 'warmth']),
  /** Where the device stood, in its own unit. */
  level: level.nullable(),
})
/** What a tap says. */
export const eventBody = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('started') }),
  z.strictObject({
    kind: z.literal('stepDone'),
    key,
    /** Whether its cue was seen; without it, `because` says why it ended all the same. */
    cue: z.boolean(),
    because: note.optional(),
    /** Ticks inside this main step that ended with it. */
    with: z.array(key).max(12, 'at most 12 ticks').readonly().optional(),
    /** Where what lay on the skin was looked for and is gone. */
    swept: spots.optional(),
  }),
  /** The end of a step is taken back: it is at hand again. */
  z.strictObject({ kind: z.literal('takenBack'), key }),
  z.strictObject({ kind: z.literal('notYet'), key }),
  z.strictObject({ kind: z.literal('padGraded'), key, grade: z.literal([...PAD_GRADES]) }),
  /** One more, or one taken back; a zone, or none where it is counted for the whole step. */
  z.strictObject({
    kind: z.literal('counted'),
    key,
    region: regionId.nullable(),
    by: z.literal([1, -1]),
  }),
  z.strictObject({ kind: z.literal('swept'), key, spots }),
  /** Half against half: the hand is on this side now, or on none. */
  z.strictObject({ kind: z.literal('side'), key, side: z.enum(['L', 'R']).nullable() }),
  /** The zone was looked at and asked at this level, and is calm. */
  z.strictObject({ kind: z.literal('calm'), key, setting: level }),
  /** What the device itself said: the level that is, or what is wrong with it. */
  z.strictObject({
    kind: z.literal('deviceSaid'),
    key,
    level: level.nullable(),
    fault: note.nullable(),
  }),
  z.strictObject({ kind: z.literal('stepSkipped'), key, reason: note }),
  /** What rests there is not for this client any more: it comes off before anything else. */
  z.strictObject({ kind: z.literal('offNow'), key, because: note }),
  z.strictObject({ kind: z.literal('passDone'), key, region: regionId }),
  z.strictObject({ kind: z.literal('held') }),
  z.strictObject({ kind: z.literal('resumed') }),
  z.strictObject({ kind: z.literal('reading'), zones: readings }),
  z.strictObject({ kind: z.literal('redness'), region: regionId, grade, key: key.nullable() }),
  z.strictObject({
    kind: z.literal('sensation'),
    grade: z.int().min(0, 'from 0').max(10, 'to 10'),
    region: regionId.nullable(),
    key: key.nullable(),
  }),
  z.strictObject({
    kind: z.literal('sign'),
    sign: z.enum(SIGN_IDS),
    region: regionId.nullable(),
    key: key.nullable(),
  }),
  z.strictObject({ kind: z.literal('stopped'), reason: note }),
  z.strictObject({ kind: z.literal('stopStep'), step: z.enum(STOP_STEPS) }),
  z.strictObject({
    kind: z.literal('contraAction'),
    what: note,
    where: regions.readonly(),
    done: note,
    /** The id of a product. */
    suspected: line(120).nullable(),
    suspectedWork: suspectedWork.optional(),
  }),
  z.strictObject({
    kind: z.literal('absorbed'),
    key,
    region: regionId,
    grade: z.literal([...ABSORBED_GRADES]),
  }),
  /** Another head or electrode is on. */
  z.strictObject({ kind: z.literal('fitted'), key, fitting: z.enum(FITTING_IDS) }),
  /** How the skin feels, as the client says. */
  z.strictObject({ kind: z.literal('felt'), key, feel: z.enum(FEELS) }),
  z.strictObject({ kind: z.literal('settingChanged'), key, setting: level }),
  z.strictObject({ kind: z.literal('productSwapped'), key, productId: said(60), reason: note }),
  z.strictObject({
    kind: z.literal('amountTaken'),
    key,
    productId: said(60),
    lotId: said(60),
    millilitres: z.number().min(0).max(200, 'at most 200 mL'),
    /** Taken from the other half of a piece that an earlier visit opened. */
    half: z.literal(true).optional(),
  }),
  z.strictObject({ kind: z.literal('replanned'), version: z.int().min(2).max(99), reason: note }),
  z.strictObject({
    kind: z.literal('confirmed'),
    key,
    rules: z.array(line(60)).max(12).readonly(),
  }),
  z.strictObject({ kind: z.literal('note'), text: note }),
  /** Why a step went otherwise than planned, said once the record is read. */
  z.strictObject({ kind: z.literal('reasonGiven'), key, reason: note }),
  z.strictObject({ kind: z.literal('finished') }),
])
/** Milliseconds since 1970. */
export const instant = z
  .int('whole milliseconds')
  .min(1_600_000_000_000, 'after 2020')
  .max(4_000_000_000_000, 'before 2096')
/** One tap. The id and the time are the device's own; a tap is never changed afterwards. */
export const treatmentEvent = z.strictObject({
  id,
  /** By the device's clock, corrected for its offset to the house. */
  at: instant,
  deviceId: z.string().regex(/^[0-9a-f-]{8,36}$/, 'a device id'),
  /** Counts up on each device, so that two taps in one millisecond keep their order. */
  seq: z.int().min(0).max(1_000_000),
  planVersion: z.int().min(1).max(99),
  body: eventBody,
})
