/** Forms in which moments are read. */
const FORMS = {
  clock: { hour: '2-digit', minute: '2-digit' },
  year: { year: 'numeric' },
  day: { weekday: 'short', day: 'numeric', month: 'short' },
  dayOfYear: { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' },
  dayAndClock: {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  },
  fullDay: { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
  month: { month: 'long', year: 'numeric' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>

const LANGUAGE = 'en-GB'
const made = new Map<string, Map<keyof typeof FORMS, Intl.DateTimeFormat>>()

/** A formatter is dear to make, and one page asks for hundreds: each is made once for its zone. */
function formatter(form: keyof typeof FORMS, timeZone: string): Intl.DateTimeFormat {
  let ofZone = made.get(timeZone)
  if (!ofZone) {
    ofZone = new Map()
    made.set(timeZone, ofZone)
  }
  let found = ofZone.get(form)
  if (!found) {
    found = new Intl.DateTimeFormat(LANGUAGE, { ...FORMS[form], timeZone })
    ofZone.set(form, found)
  }
  return found
}

/**
 * A moment as it is read by the clock of a zone: 'Sat, 28 Nov 2026', '14:30'.
 * @param at milliseconds since 1970
 * @param timeZone IANA, as 'Europe/Helsinki'
 * @throws RangeError for a zone that there is none of
 */
export const asRead = (form: keyof typeof FORMS, at: number | Date, timeZone: string): string =>
  formatter(form, timeZone).format(at)
