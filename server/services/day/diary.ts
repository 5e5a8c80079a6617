import type { DayPage, DayVisit } from '#contracts/replies/day'
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { needsGuardian, standing } from '#core/screening/consent/consent'
import { withMedicines } from '#core/screening/asking/medicines'
import { tightened } from '#core/screening/verdict/houseRules'
import { lifted } from '#core/screening/verdict/lifts'
import { screen } from '#core/screening/verdict/verdict'
import { stripParts } from '#core/timing/dayStrip'
import { deviceTimes, diaryConflicts } from '#core/timing/diary'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { LAY_MINUTES } from '#core/catalogue/rules/visit'
import { warmUpOf } from '#core/catalogue/techniques/linen'
import { setFrom } from '#core/tray/ready'
import { toMilliseconds } from '#core/units'
import { openInAsk } from '#core/visit/openPoints'
import { treats } from '#core/visit/roles'
import { wasTreated } from '#core/visit/status'
import { callsDue } from './calls'
import { ageOn, dayBounds, dayIn } from '../dates'
import { duesOn } from './dues'
import { dayRows, type DayRows } from './dayRows'
import { readHours, shutThatDay } from '../house/hours'
import { offeredOn } from './openings'
import type { Staff } from '../session/session'
import { thePractice } from '../practice'

type Booked = DayRows['booked'][number]

/** The day's visits by room with the state of each stop, and everything taken twice. */
export async function readDay(me: Staff, day: string): Promise<DayPage> {
  const house = await thePractice()
  const { timeZone, cleaningMinutes } = house
  const { from, to } = dayBounds(timeZone, day)
  const atDesk = !treats(me.role)
  const isPast = day < dayIn(timeZone, Date.now())
  const [rows, calls, dues, hours] = await Promise.all([
    dayRows(from, to),
    isPast || atDesk ? [] : callsDue(day),
    isPast || atDesk ? [] : duesOn(me, day),
    readHours(day),
  ])
  const stepsOf = (row: Booked) => rows.planned.find((plan) => plan.id === row.v.id)?.steps ?? []
  const bookings = rows.booked.map((row) => ({
    id: row.v.id,
    roomId: row.v.roomId,
    staffId: row.v.staffId,
    clientId: row.v.clientId,
    start: row.v.startsAt.getTime(),
    minutes: row.v.minutes,
    cleaningMinutes,
    devices: deviceTimes(stepsOf(row)),
  }))
  return {
    day,
    now: Date.now(),
    timeZone,
    cleaningMinutes,
    rooms: rows.roomRows.map(({ id, name }) => ({ id, name })),
    visits: rows.booked
      .map((row) => visitOf(row, rows, day, timeZone))
      .map((visit) => (atDesk ? { ...visit, ...NOTHING_OF_HEALTH } : visit)),
    fallen: rows.fallen.map(({ startsAt, as, because, ...own }) => ({
      ...own,
      startsAt: startsAt.getTime(),
      as: as ?? 'calledOff',
      because: because ?? '',
    })),
    open: offeredOn(hours, day),
    shut: shutThatDay(hours, null, day) ?? null,
    away: rows.people.flatMap(({ id, name }) => {
      const word = shutThatDay(hours, id, day)
      return word === undefined ? [] : [{ staff: name, word }]
    }),
    conflicts: diaryConflicts(bookings, rows.deviceRows),
    calls,
    dues,
  }
}

/** What the desk sees of a visit beside its name and its time: nothing. */
const NOTHING_OF_HEALTH: Pick<DayVisit, 'aims' | 'strip' | 'basins' | 'devices' | 'setAt'> = {
  aims: [],
  strip: [],
  basins: null,
  devices: [],
  setAt: null,
}

/** One visit of the day, as its band shows it. */
function visitOf(row: Booked, rows: DayRows, day: string, timeZone: string): DayVisit {
  const plan = rows.planned.find((own) => own.id === row.v.id)
  const steps = plan?.steps ?? []
  return {
    id: row.v.id,
    clientId: row.v.clientId,
    client: row.client.name,
    born: rows.booked.some((other) => sameName(row, other)) ? row.client.born : null,
    staffId: row.v.staffId,
    staff: row.staff,
    roomId: row.v.roomId,
    startsAt: row.v.startsAt.getTime(),
    minutes: row.v.minutes,
    status: row.v.status,
    version: row.v.version,
    aims: row.v.aims,
    lateMinutes: row.v.lateMinutes,
    allowedBecause: row.v.allowedBecause,
    strip: stripParts(steps),
    basins: plan?.basins ?? null,
    devices: deviceTimes(steps).map(({ kind, name, from, to }) => ({ kind, name, from, to })),
    setAt: steps.length > 0 && row.v.status === 'booked' ? setAtOf(row, steps) : null,
    stops: {
      ask: askIsReady(row, rows, day, timeZone),
      read: rows.read.some((reading) => reading.id === row.v.id),
      plan: steps.length > 0,
      treat: wasTreated(row.v.status),
      close: row.v.status === 'sealed',
    },
  }
}

const sameName = ({ client: one }: Booked, { client: other }: Booked): boolean =>
  one.id !== other.id && one.name.toLowerCase() === other.name.toLowerCase()

const setAtOf = ({ v }: Booked, steps: readonly PlanStep[]): number => {
  const devices = deviceTimes(steps).map(({ like, from }) => ({
    switchOnMinute: from - warmUpOf(like),
  }))
  return v.startsAt.getTime() + toMilliseconds(setFrom({ devices }, LAY_MINUTES))
}

/** By the same rule as on the visit's own page. */
function askIsReady(
  { v: visit, client }: Booked,
  rows: DayRows,
  day: string,
  timeZone: string,
): boolean {
  const answers = rows.told.find((told) => told.visitId === visit.id && told.answers)?.answers
  if (!answers) return false
  const aside = rows.aside
    .filter((lift) => lift.visitId === visit.id)
    .map((lift) => ({
      rule: lift.rule,
      word: lift.word ?? '',
      reason: lift.reason ?? '',
      by: '',
      at: lift.at.getTime(),
    }))
  const signatures = rows.signed
    .filter((row) => row.clientId === visit.clientId)
    .map((row) => ({
      kinds: row.kinds,
      day: dayIn(timeZone, row.at),
      guardian: row.guardian,
      at: row.at.getTime(),
    }))
  const back = rows.back
    .filter((row) => row.clientId === visit.clientId)
    .map((row) => ({ kinds: row.kinds, at: row.at.getTime() }))
  const age = ageOn(client.born, day)
  const verdict = screen(
    withMedicines(answers, client.medicines),
    day,
    lifted(tightened(CONTRAINDICATIONS, rows.rules), aside),
    visit.startsAt.getTime(),
  )
  const steps = rows.planned.find((plan) => plan.id === visit.id)?.steps ?? []
  return (
    openInAsk({
      verdict,
      steps,
      consented: standing(signatures, back, day, needsGuardian(age)).map((one) => one.kind),
      signed: signatures.length > 0,
      age,
    }).length === 0
  )
}
