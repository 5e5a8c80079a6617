import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { toPlanInput } from '#core/visit/planInput'
import { signedIn, testUrl, type Caller } from '../support/http'
import {
  STAFF,
  book,
  bundleOf,
  countersigned,
  prepared,
  someone,
  throughTheRoom,
} from '../support/visit'
import { visitWrites } from '../support/visitWrites'

const base = testUrl()
const db = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 2 })
let owner: Caller
let trainee: Caller
let post: ReturnType<typeof visitWrites>['post']
let read: ReturnType<typeof visitWrites>['read']
let answer: ReturnType<typeof visitWrites>['answer']
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  trainee = await signedIn(base, 'trainee')
  ;({ post, read, answer } = visitWrites(owner))
})
afterAll(() => db.end())
const newOne = (born?: string) => someone(owner, 'Care Test', born)
const visitOf = (client: string) => book(owner, 'owner', client)

describe('a row set aside', () => {
  it('leaves the verdict, keeps its mark through to the record, and takes the countersign off', async () => {
    const id = await prepared(owner, 'trainee', 'other-26')
    await answer(id, { pregnancy: { say: 'yes' } })
    await countersigned(owner, id)
    expect((await bundleOf(owner, id)).plans[0]?.countersignedBy).not.toBeNull()
    const rules = async () =>
      toPlanInput(await bundleOf(owner, id)).verdict.bars.map((bar) => bar.rule)
    expect(await rules()).toContain('pregnancy-heat')
    expect(
      (
        await post(
          id,
          'lifts',
          {
            id: randomUUID(),
            rule: 'pregnancy-heat',
            word: '',
            reason: 'her midwife has no objection',
          },
          'POST',
          trainee,
        )
      ).status,
    ).toBe(403)
    expect(
      (
        await post(id, 'lifts', {
          id: randomUUID(),
          rule: 'pregnancy-heat',
          word: '',
          reason: 'her midwife has no objection',
        })
      ).status,
    ).toBe(200)
    expect(await rules()).not.toContain('pregnancy-heat')
    expect(await rules()).toContain('pregnancy-current')
    const bundle = await bundleOf(owner, id)
    expect(bundle.plans[0]?.countersignedBy).toBeNull()
    expect(bundle.lifts[0]).toMatchObject({
      rule: 'pregnancy-heat',
      reason: 'her midwife has no objection',
      by: 'Ilse Varga',
    })
    await countersigned(owner, id)
    expect((await post(id, 'start', {})).status).toBe(200)
    expect(
      (
        await post(id, 'lifts', {
          id: randomUUID(),
          rule: 'pregnancy-current',
          word: '',
          reason: 'x y z',
        })
      ).status,
    ).toBe(422)
    await throughTheRoom(owner, id)
    expect((await post(id, 'seal', { text: 'Fine.' })).status).toBe(200)
    expect(
      JSON.stringify(
        (await bundleOf(owner, id)).record.find((part) => part.name === 'consultation')?.content,
      ),
    ).toContain('her midwife has no objection')
  })
  it("needs the doctor's word where a doctor lifts it, and is refused where a date does", async () => {
    const id = await visitOf(await newOne())
    expect(
      (
        await post(id, 'lifts', {
          id: randomUUID(),
          rule: 'heart-heat',
          word: '',
          reason: 'well controlled',
        })
      ).text,
    ).toContain('which doctor')
    expect(
      (
        await post(id, 'lifts', {
          id: randomUUID(),
          rule: 'heart-heat',
          word: 'Dr Lake, 2 March',
          reason: 'well controlled',
        })
      ).status,
    ).toBe(200)
    expect(
      (
        await post(id, 'lifts', {
          id: randomUUID(),
          rule: 'filler-later',
          word: 'Dr Lake',
          reason: 'in a hurry',
        })
      ).text,
    ).toContain('date')
  })
})

describe('the house and its people', () => {
  it('works a row more strictly from then on, and no rule loosens one', async () => {
    const id = await visitOf(await newOne())
    const start = new Date((await bundleOf(owner, id)).visit.startsAt)
    const ago = new Date(start.getTime() - 35 * 86_400_000).toISOString().slice(0, 10)
    await answer(id, { filler: { say: 'yes', date: ago, zones: ['chin'] } })
    const bars = async () =>
      toPlanInput(await bundleOf(owner, id)).verdict.bars.map((bar) => bar.rule)
    expect(await bars()).toEqual([])
    const loose = await owner('/api/house-rules', {
      method: 'POST',
      body: { id: randomUUID(), rule: 'filler-later', change: { days: 20 }, reason: 'x' },
    })
    expect(loose.status).toBe(422)
    expect(loose.text).toContain('not fewer than 28 days')
    const rule = randomUUID()
    expect(
      (
        await owner('/api/house-rules', {
          method: 'POST',
          body: {
            id: rule,
            rule: 'filler-later',
            change: { days: 42 },
            reason: 'our insurer asks for six weeks',
          },
        })
      ).status,
    ).toBe(200)
    expect(await bars()).toEqual(['filler-later'])
    expect((await owner(`/api/house-rules/${rule}/end`, { method: 'POST' })).status).toBe(200)
    expect(await bars()).toEqual([])
    expect((await owner(`/api/house-rules/${rule}/end`, { method: 'POST' })).status).toBe(404)
  })
  it('nobody plans outside their scope: a licence that has run out or that the place does not allow counts no more', async () => {
    const id = await book(owner, 'therapist', 'other-27')
    const held = async () => (await bundleOf(owner, id)).staff.licences
    const set = (staffId: string | null, licences: string[], until = {}) =>
      owner('/api/scope', { method: 'PUT', body: { staffId, licences, until } })
    const ALL = ['basic', 'machine', 'current', 'needling025', 'needling05']
    try {
      expect(await held()).toEqual(['basic', 'machine', 'current'])
      await set(STAFF.therapist, ['basic', 'machine', 'current'], { machine: '2020-01-01' })
      expect(await held()).toEqual(['basic', 'current'])
      expect(
        (await bundleOf(owner, id)).staff.scope.find((scopeLine) => scopeLine.licence === 'machine')
          ?.text,
      ).toContain('ran out')
      await set(null, ['basic'])
      expect(await held()).toEqual(['basic'])
      await answer(id)
      await read(id)
      const step = {
        key: 'highFrequency-1',
        technique: 'highFrequency',
        regions: ['forehead'],
        minutes: 3,
        why: [],
      }
      const reply = await post(id, 'plan', { steps: [step] }, 'PUT')
      expect(reply.status).toBe(422)
      expect(reply.text).toContain('licence')
    } finally {
      await set(null, ALL)
      await set(STAFF.therapist, ['basic', 'machine', 'current'])
    }
  })
})
