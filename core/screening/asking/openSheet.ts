import { OPEN_SHEET, type OpenSheetRow } from '../../catalogue/consultation/openSheet'
import type { FindingId } from '../../catalogue/consultation/findings'
import { REGION_IDS } from '../../face/zones'

/** What several open questions together stop, over what each of them stops by itself: a bar. */
export function openSheetBars(
  open: readonly FindingId[],
  unsure: readonly FindingId[],
  row: OpenSheetRow = OPEN_SHEET,
) {
  if (open.length + unsure.length < row.least) return []
  const { rule, families, sentence, reason, source } = row
  const ask = unsure.length > 0 ? ('unsure' as const) : ('unanswered' as const)
  const stops = { does: 'prevents', lifts: 'therapist', regions: REGION_IDS } as const
  return [{ ...stops, rule, families, sentence, reason, source, ask }]
}
