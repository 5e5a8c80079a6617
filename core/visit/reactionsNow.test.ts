import { describe, expect, it } from 'vitest'
import { visitBundle } from '../testing/bundle'
import { toPlanInput } from './planInput'
import { reactionsNow } from './reactionsNow'

const bundle = visitBundle()
const [burned] = bundle.shelf
if (!burned) throw new Error('an empty shelf')
const tapped = (suspected: string | null) => ({
  id: 'e1',
  at: 5000,
  deviceId: 'device',
  seq: 0,
  planVersion: 1,
  body: { kind: 'contraAction' as const, what: 'burning', where: [], done: '', suspected },
})

describe('a bottle that burned a minute ago', () => {
  it('is suspected from the tap on, before the house has heard of it', () => {
    const now = { ...bundle, events: [tapped(burned.product.id)] }
    expect(toPlanInput(now).suspected[burned.product.id]).toMatch(/suspected/)
    expect(toPlanInput(bundle).suspected[burned.product.id]).toBeUndefined()
  })
  it('is one reaction, heard of or not; none where no bottle is suspected', () => {
    const events = [tapped(burned.product.id)]
    const [one] = reactionsNow({ ...bundle, events })
    if (!one) throw new Error('nothing')
    expect(reactionsNow({ ...bundle, events, reactions: [one] })).toEqual([one])
    expect(reactionsNow({ ...bundle, events: [tapped(null)] })).toEqual(bundle.reactions)
    expect(reactionsNow({ ...bundle, events: [tapped('gone')] })).toEqual(bundle.reactions)
  })
})
