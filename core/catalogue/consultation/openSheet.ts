import { COMMON_PRACTICE, type FamilyId } from '../kinds'

/**
 * What waits while questions of the sheet are open. One open question stops what a yes to it would;
 * several say that this client is not known well enough for deeper work of any kind.
 */
export interface OpenSheetRow {
  rule: string
  /** Open or unsure questions from which it holds. */
  least: number
  families: readonly FamilyId[]
  sentence: string
  reason: string
  source: string
}

export const OPEN_SHEET: OpenSheetRow = {
  rule: 'open-sheet',
  least: 2,
  families: ['abrasion', 'needling', 'blade', 'peel', 'acid', 'vacuum', 'extraction'],
  sentence: 'More than one question is open: gentle work until they are answered.',
  reason: 'who does not know the client does not go deep',
  source: COMMON_PRACTICE,
}
