import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../../catalogue/techniques/step'
import { GROUPS } from '../../face/regions'
import { dwellWindow } from '../../timing/schedule'
import { minutes } from '../../units'
import { unconfirmed } from './confirm'
import type { EventBody, TreatmentEvent } from '../taps/events'
import { fold, type FoldContext } from './fold'

const STEPS = (['milk', 'grain'] as const).map((technique): PlanStep => ({
  key: `${technique}-1`,
  technique,
  minutes: minutes(2),
  regions: GROUPS.face,
  why: [],
}))
const ev = (minute: number, body: EventBody): TreatmentEvent => ({
  id: `${minute} ${JSON.stringify(body)}`,
  at: 1_800_000_000_000 + minute * 60_000,
  deviceId: 'a',
  seq: minute,
  planVersion: 1,
  body,
})
const done = (minute: number, key: string) => ev(minute, { kind: 'stepDone', key, cue: true })

describe('what has to be seen to first', () => {
  const waiting: FoldContext = {
    plans: { 1: STEPS },
    dwellOf: (one) => dwellWindow(one, () => false),
    baseline: {},
    confirmsOf: ({ technique }) => (technique === 'grain' ? ['lenses', 'metal'] : []),
  }
  const grain = STEPS.find((one) => one.key === 'grain-1')
  if (!grain) throw new Error('no grain among the steps')
  const confirmed = (minute: number, ...rules: string[]) =>
    ev(minute, { kind: 'confirmed', key: 'grain-1', rules })
  it('is waited for, one by one, and only at its own step', () => {
    const after = (...events: TreatmentEvent[]) =>
      unconfirmed(fold(events, waiting), waiting, grain)
    expect(after()).toEqual(['lenses', 'metal'])
    expect(after(confirmed(1, 'metal'))).toEqual(['lenses'])
    expect(after(confirmed(1, 'metal'), confirmed(2, 'lenses'))).toEqual([])
    expect(after(ev(1, { kind: 'confirmed', key: 'milk-1', rules: ['lenses'] }))).toHaveLength(2)
    expect(unconfirmed(fold([], waiting), {}, grain)).toEqual([])
  })
  it('is kept as left out where the step was ended without it; a skipped step waits for nothing', () => {
    const start = ev(0, { kind: 'started' })
    const leftOut = (...events: TreatmentEvent[]) => fold([start, ...events], waiting).unconfirmed
    expect(leftOut(done(5, 'grain-1'))).toEqual(['grain-1'])
    expect(leftOut(confirmed(4, 'lenses', 'metal'), done(5, 'grain-1'))).toEqual([])
    expect(leftOut(done(5, 'grain-1'), confirmed(6, 'lenses', 'metal'))).toEqual(['grain-1'])
    expect(leftOut(done(5, 'milk-1'))).toEqual([])
    expect(leftOut(ev(5, { kind: 'stepSkipped', key: 'grain-1', reason: 'no' }))).toEqual([])
  })
})
