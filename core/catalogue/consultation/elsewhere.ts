/** Work that a client may have had done in another place: what is asked, in their words. */
export const WORK_ELSEWHERE_IDS = ['peel', 'laser', 'needling', 'machine', 'surgery'] as const
export type WorkElsewhereId = (typeof WORK_ELSEWHERE_IDS)[number]
export const WORK_ELSEWHERE_NAMES: Readonly<Record<WorkElsewhereId, string>> = {
  peel: 'a peel',
  laser: 'laser or strong light',
  needling: 'needling',
  machine: 'microdermabrasion',
  surgery: 'surgery',
}
