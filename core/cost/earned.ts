/** One sealed visit as it was billed and as it cost, in cents. */
export interface BilledVisit {
  price: string | null
  protocol: string | null
  takenCents: number | null
  costCents: number
}
/** Visits together: how many, what was taken for them, what they cost, what is left. */
export interface EarnedSum {
  name: string
  visits: number
  taken: number
  cost: number
  earned: number
}
export const UNBILLED = 'not billed'

const added = (name: string, visits: readonly BilledVisit[]): EarnedSum => {
  const taken = visits.reduce((sum, { takenCents }) => sum + (takenCents ?? 0), 0)
  const cost = visits.reduce((sum, { costCents }) => sum + costCents, 0)
  return { name, visits: visits.length, taken, cost, earned: taken - cost }
}

/** Visits by what they were billed as and the protocol they followed, the most frequent first. */
export function earnedBy(visits: readonly BilledVisit[]): EarnedSum[] {
  const by = new Map<string, BilledVisit[]>()
  for (const visit of visits) {
    const name = [visit.price ?? UNBILLED, visit.protocol].filter(Boolean).join(' · ')
    by.set(name, [...(by.get(name) ?? []), visit])
  }
  return [...by]
    .map(([name, own]) => added(name, own))
    .sort((one, other) => other.visits - one.visits)
}
/** All of them together. */
export const earnedIn = (name: string, visits: readonly BilledVisit[]): EarnedSum =>
  added(name, visits)
