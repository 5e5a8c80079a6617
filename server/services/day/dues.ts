import { DAY_MS, HOUR_MS, fromHundredths } from '#core/units'
import { and, eq, gt, isNotNull, isNull, lt, lte, ne, sql } from 'drizzle-orm'
import type { DueLine } from '#contracts/replies/day'
import { LICENCE_IDS, LICENCE_NAMES } from '#core/catalogue/kinds'
import { endsSoon } from '#core/catalogue/products/products'
import { BACKUP_SAID_DAYS, LICENCE_SAID_DAYS, SERVICE_SAID_DAYS } from '#core/catalogue/rules/dues'
import { addDays, dayInWords, daysBetween } from '#core/screening/asking/days'
import { PATCH_HOURS } from '#core/catalogue/rules/screening'
import {
  clients,
  deviceParts,
  devices,
  lots,
  openedThings,
  patchReads,
  patchTests,
  products,
  staff,
} from '#db/schema'
import { database } from '../database'
import { dayBounds, dayIn } from '../dates'
import { inCare } from '../access'
import { answersDue } from './answers'
import { unfinished } from './unfinished'
import { isOwnHouse, lastBackupAt } from '../backups'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'

/** What a day asks for beside its visits: patches to read, licences, devices and bottles that end. */
export async function duesOn(me: Staff, day: string): Promise<DueLine[]> {
  const lines = await Promise.all([
    answersDue(me, day),
    unfinished(me, day),
    patchesToRead(me, day),
    licencesEnding(me, day),
    servicesDue(day),
    bottlesEnding(day),
    runningLow(day),
    partsLow(),
    overTheirTime(day),
    backupMissing(me),
  ])
  return lines.flat()
}

/** Patch tests of clients in one's care that can be read from today on and were not. */
async function patchesToRead(me: Staff, day: string): Promise<DueLine[]> {
  const { timeZone } = await thePractice()
  const placedBy = new Date(dayBounds(timeZone, day).to.getTime() - PATCH_HOURS.first * HOUR_MS)
  const rows = await database()
    .select({ id: clients.id, client: clients.name, product: products.name })
    .from(patchTests)
    .innerJoin(clients, eq(clients.id, patchTests.clientId))
    .innerJoin(products, eq(products.id, patchTests.productId))
    .leftJoin(patchReads, eq(patchReads.testId, patchTests.id))
    .where(
      and(
        isNull(patchReads.id),
        isNull(clients.erasedAt),
        lte(patchTests.at, placedBy),
        gt(patchTests.at, new Date(placedBy.getTime() - PATCH_HOURS.late * HOUR_MS)),
        inCare(me),
      ),
    )
    .orderBy(patchTests.at)
  return rows.map(({ id, client, product }) => ({
    kind: 'patch',
    title: `Read the patch test of ${client}`,
    text: product,
    to: `/people/${id}`,
  }))
}

/** One's own licences that end within two months, the owner everybody's. */
async function licencesEnding(me: Staff, day: string): Promise<DueLine[]> {
  const people = await database()
    .select({ id: staff.id, name: staff.name, until: staff.licenceUntil, has: staff.licences })
    .from(staff)
    .where(and(eq(staff.active, true), me.role === 'owner' ? undefined : eq(staff.id, me.id)))
  return people.flatMap(({ id, name, until, has }) =>
    LICENCE_IDS.flatMap((licence): DueLine[] => {
      const last = until?.[licence]
      if (!last || !has.includes(licence)) return []
      const left = daysBetween(day, last)
      if (left > LICENCE_SAID_DAYS.first) return []
      const whose = id === me.id ? 'Your licence' : `The licence of ${name}`
      const when =
        left < 0
          ? `ended on ${dayInWords(last)}`
          : left === 0
            ? 'ends today'
            : `ends in ${left} days`
      return [
        {
          kind: left <= LICENCE_SAID_DAYS.pressing ? 'stop' : 'watch',
          title: `${whose} for ${LICENCE_NAMES[licence]}`,
          text: when,
          to: me.role === 'owner' ? '/practice' : null,
        },
      ]
    }),
  )
}

/** To the owner of a house of one's own: days without a backup. */
async function backupMissing(me: Staff): Promise<DueLine[]> {
  if (me.role !== 'owner' || !(await isOwnHouse())) return []
  const last = await lastBackupAt()
  const days = last === null ? undefined : Math.floor((Date.now() - last) / DAY_MS)
  if (days !== undefined && days < BACKUP_SAID_DAYS) return []
  const text = days === undefined ? 'never made: ./house passphrase' : `the last ${days} days ago`
  return [{ kind: 'watch', title: 'Backup', text, to: '/practice' }]
}

async function servicesDue(day: string): Promise<DueLine[]> {
  const rows = await database()
    .select()
    .from(devices)
    .where(
      and(isNotNull(devices.serviceDue), lte(devices.serviceDue, addDays(day, SERVICE_SAID_DAYS))),
    )
  return rows.map(({ name, serviceDue }) => {
    const over = (serviceDue ?? '') < day
    const said = dayInWords(serviceDue ?? '')
    return {
      kind: over ? 'stop' : 'watch',
      title: `Service of the ${name}`,
      text: over ? `was due on ${said}` : `due on ${said}`,
      to: '/practice/house',
    } as const
  })
}

/** Products of which less is left, in bottles that can be used, than what they are ordered anew at. */
async function runningLow(day: string): Promise<DueLine[]> {
  const left = sql<number>`coalesce(
    sum(${lots.remainingHundredths})
      filter (where not ${lots.recalled} and ${lots.expires} >= ${day}), 0)`
  const rows = await database()
    .select({ product: products.name, left, at: products.reorderMillilitres })
    .from(products)
    .leftJoin(lots, and(eq(lots.productId, products.id), gt(lots.remainingHundredths, 0)))
    .where(and(isNotNull(products.reorderMillilitres), eq(products.retired, false)))
    .groupBy(products.id)
    .having(sql`${left} < ${products.reorderMillilitres} * 100`)
    .orderBy(products.name)
  return rows.map(({ product, left: hundredths, at }) => ({
    kind: 'watch',
    title: product,
    text: `${Math.round(fromHundredths(Number(hundredths)))} mL left: order (below ${at} mL)`,
    to: '/shelf?low=yes',
  }))
}

/** Heads, tips and electrodes of which fewer are there than they are ordered anew at. */
async function partsLow(): Promise<DueLine[]> {
  const rows = await database()
    .select({ part: deviceParts.name, device: devices.name, pieces: deviceParts.pieces })
    .from(deviceParts)
    .innerJoin(devices, eq(devices.id, deviceParts.deviceId))
    .where(lt(deviceParts.pieces, deviceParts.reorderPieces))
    .orderBy(devices.name, deviceParts.name)
  return rows.map(({ part, device, pieces }) => ({
    kind: 'watch',
    title: `${part}, ${device}`,
    text: pieces === 0 ? 'none left: order' : `${pieces} left: order`,
    to: '/practice/house',
  }))
}

/** What is opened, mixed or warmed and over its time: thrown out, and never used. */
async function overTheirTime(day: string): Promise<DueLine[]> {
  const { timeZone } = await thePractice()
  if (day !== dayIn(timeZone, Date.now())) return []
  const rows = await database()
    .select({ name: openedThings.name })
    .from(openedThings)
    .where(and(isNull(openedThings.endedAt), lte(openedThings.until, new Date())))
    .orderBy(openedThings.until)
  return rows.map(({ name }) => ({
    kind: 'watch',
    title: name,
    text: 'over its time: throw it out',
    to: '/shelf/open',
  }))
}

/** Bottles with something in them that end soon, and recalled ones, by product. */
async function bottlesEnding(day: string): Promise<DueLine[]> {
  const rows = await database()
    .select({
      product: products.name,
      expires: sql<string>`min(${lots.expires})`,
      recalled: sql<boolean>`bool_or(${lots.recalled})`,
    })
    .from(lots)
    .innerJoin(products, eq(products.id, lots.productId))
    .where(and(gt(lots.remainingHundredths, 0), ne(products.retired, true)))
    .groupBy(products.id, products.name)
  return rows.flatMap(({ product, expires, recalled }): DueLine[] => {
    const left = daysBetween(day, expires)
    if (recalled)
      return [{ kind: 'stop', title: product, text: 'recalled: put it away', to: '/shelf' }]
    if (!endsSoon(left)) return []
    const text = left < 0 ? 'over its day: put it away' : `a bottle ends in ${left} days`
    return [{ kind: left < 0 ? 'stop' : 'watch', title: product, text, to: '/shelf' }]
  })
}
