import { methodOf } from '#core/catalogue/schools/schools'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { handDeeds, SHOWS, STRONG, TAKES_OFF, type Deed } from './deeds'
import type { Complaint, Steps, Visit } from './visit'

type Step = Steps[number]

/** Inside a week before an event nothing new; on a first visit nothing strong; under 18 neither. */
export function strayComplaints(visit: Visit, step: Step): Complaint[] {
  const own = handDeeds(step.technique)
  const say = (says: string): Complaint => ({
    key: step.key,
    says: `${TECHNIQUES[step.technique].name}: ${says}`,
  })
  const { eventSoon } = visit.answers
  const soon = eventSoon === undefined || eventSoon.say !== 'no'
  const had = visit.past.some(({ techniques = [] }) => techniques.includes(step.technique))
  const strong = own.some((deed) => STRONG.includes(deed) || deed === 'peel')
  const young = (visit.profile.age ?? 18) < 18
  return [
    ...(soon && near(visit) && !had && own.some((deed) => SHOWS.includes(deed))
      ? [say('new in the week before an event')]
      : []),
    ...(visit.firstVisit && !methodOf(visit.school, visit.policy).boldFirst && strong
      ? [say('strong on a first visit')]
      : []),
    ...(young && strong ? [say('strong on young skin')] : []),
    ...todayComplaints(visit, step).map(say),
  ]
}

/** What an evening ahead, a bad last visit and skin dried out by actives leave out. */
function todayComplaints(visit: Visit, { technique }: Step): string[] {
  const own = handDeeds(technique)
  const does = (deeds: readonly Deed[]) => own.some((deed) => deeds.includes(deed))
  const told = ['retinoid', 'homeAcid'].some((id) => visit.answers[id]?.say === 'yes')
  return [
    ...(visit.aims.includes('tonight') && technique !== 'rollOff' && does(PINKS)
      ? ['pink on the evening itself']
      : []),
    ...(visit.lastTime === 'tooMuch' && does([...STRONG, 'acid', 'peel', 'trims'])
      ? ['after a visit that was too much']
      : []),
    ...(told &&
    visit.profile.conditions.includes('dehydrated') &&
    does([...TAKES_OFF, 'ultrasound'])
      ? ['dried out by actives: stop the lot']
      : []),
  ]
}
/** Leaves skin pink for hours; an enzyme and a roll-off done well do not. */
const PINKS: readonly Deed[] = [
  ...TAKES_OFF.filter((deed) => deed !== 'enzyme'),
  'extracts',
  'sucks',
  'spark',
]
const near = ({ answers, today }: Visit): boolean => {
  const date = answers.eventSoon?.date
  if (date === undefined) return true
  const days = (Date.parse(date) - Date.parse(today)) / 86_400_000
  return days >= 0 && days <= 7
}
