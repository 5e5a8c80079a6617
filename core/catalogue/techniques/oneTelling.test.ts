import { describe, expect, it } from 'vitest'
import { GROUPS } from '../../face/regions'
import type { RegionId } from '../../face/zones'
import { usualStep } from '../../testing/steps'
import { orderWords, otherSideAt, sequenceOf } from '../../treatment/step/sequence'
import { ORDERS } from './directions'
import { MANNERS } from './strokes'
import { TECHNIQUES, TECHNIQUE_IDS, type Technique } from './techniques'

/** What a technique's hand text, dial, arrows, cue, button and prompts say is one telling. */
const all = TECHNIQUE_IDS.map((id) => TECHNIQUES[id])
const stroked = all.filter(({ manner }) => manner !== 'none')
const promptWords = ({ prompts = [] }: Technique) => prompts.map(({ say }) => say).join(' ')
const content = (text: string) =>
  new Set(
    text
      .toLowerCase()
      .split(/[^a-z]+/)
      .filter((word) => word.length > 2)
      // "fades" and "fade" are one word here.
      .map((word) => word.slice(0, 4)),
  )

describe('the telling of a technique', () => {
  it.each(stroked)('$id: its hand text leaves the order to the one sequence', ({ hand }) => {
    expect(hand).not.toMatch(/\b(first|last|outside|outwards|upwards|inside out)\b/)
    expect(hand).not.toMatch(/\bfrom the (neck|chin|forehead|middle|nose)\b|\bup and out\b/)
    expect(hand).not.toMatch(/open the nodes|collarbone/)
  })
  it.each(all)('$id: the button says the cue in short', ({ cue, seen }) => {
    const shared = [...content(seen)].filter((word) => content(cue).has(word))
    expect(shared, `${seen} | ${cue}`).not.toEqual([])
  })
  it.each(all)('$id: how it rests is told apart from how it goes on', ({ dwell, cue, restCue }) => {
    expect(restCue !== undefined).toBe(dwell !== undefined)
    if (dwell) expect(cue).not.toMatch(/absorb|crack|tingle|puff|dull|fades|dose|dry|neutralise/i)
  })
  it.each(all)('$id: goes by sides where it speaks of the other side, and only there', (own) => {
    const said = `${own.cue} ${own.seen} ${promptWords(own)}`
    const speaks = /\b(side|sides|other)\b/.test(said)
    if (speaks) expect(own.bySides).toBe(true)
    if (own.bySides) {
      const at = otherSideAt(usualStep(own.id)) ?? 0
      const { minutes } = usualStep(own.id)
      expect(at).toBeGreaterThan(minutes * 0.3)
      expect(at).toBeLessThanOrEqual(minutes * 0.6)
    }
  })
  it.each(all)('$id: says the other side at the moment at which the hand comes to it', (own) => {
    for (const { at, say } of own.prompts ?? [])
      if (/\bother\b/.test(say)) expect(at).toBe('otherSide')
  })
  it.each(all)('$id: a pad that is graded is in its cue, and no other', ({ counter, cue }) => {
    if (counter !== 'none' && counter.what === 'pad')
      expect(cue).toMatch(/pad|cloth|wipe|water|off/i)
    if (/\bpad\b/i.test(cue)) expect(counter).toEqual({ what: 'pad' })
  })
  it.each(all)('$id: names no zone that it never reaches', (own) => {
    const reach = new Set<RegionId>(own.groups.flatMap((group) => [...GROUPS[group]]))
    if (reach.size === 0) return
    const NAMED: readonly (readonly [RegExp, RegionId])[] = [
      [/\bneck\b/, 'neck'],
      [/\bdécolleté\b/, 'decollete'],
      [/\bnose\b|\bnostrils?\b/, 'nose'],
      [/\bchin\b/, 'chin'],
      [/\bjaw\b/, 'jawL'],
      [/\bcheeks?\b/, 'cheekL'],
    ]
    const told = `${own.hand} ${own.cue} ${own.notYet}`.replace(/under-chin|cheekbone/g, '')
    // The nostrils are kept free whatever is laid, and the jaw drops by itself.
    for (const [word, region] of NAMED)
      if (word.test(told)) expect(reach.has(region), `${own.id}: ${String(word)}`).toBe(true)
  })
})

describe('where the hand begins', () => {
  it.each(stroked)('$id: the words are the sequence that the dial follows', (own) => {
    const step = usualStep(own.id)
    const zones = sequenceOf(step).flatMap(({ place }) => ('region' in place ? [place.region] : []))
    const words = orderWords(step)
    const [from, to] = [zones[0], zones.at(-1)]
    if (from && to && from !== to) expect(words.toLowerCase()).toMatch(/from .* to /)
    if (own.bySides) expect(words.toLowerCase()).toContain('one side, then the other')
  })
  it('is said of no zone that the step leaves out', () => {
    const faceOnly = { ...usualStep('moisturiser'), regions: GROUPS.tZone }
    expect(orderWords(faceOnly)).not.toMatch(/neck|cheek/)
    expect(orderWords(faceOnly)).toMatch(/^From chin to nose/)
    // One zone has no way from one to another.
    expect(orderWords({ ...faceOnly, regions: ['chin'] })).not.toMatch(/\bfrom\b/i)
  })
  it('is outside first and the nose last with a tip, each side by itself', () => {
    const zones = sequenceOf(usualStep('tip')).flatMap(({ place }) =>
      'region' in place ? [place] : [],
    )
    expect(zones.at(-1)).toEqual({ region: 'nose' })
    const left = zones.findIndex(({ region }) => region === 'cheekL')
    const right = zones.findIndex(({ region }) => region === 'jawR')
    expect(left).toBeLessThan(right)
  })
  it('is the open node for drainage, and what leads down ends there and opens none', () => {
    const up = sequenceOf(usualStep('massage')).map(({ say }) => say)
    expect(up.slice(0, 2)).toEqual(['Open the collarbone', 'Open the front of the ear'])
    const down = sequenceOf({ ...usualStep('drainDown'), minutes: usualStep('massage').minutes })
    const zones = down.flatMap(({ place }) => ('region' in place ? [place.region] : []))
    expect(zones[0]).toBe('forehead')
    expect(zones.at(-1)).toBe('neck')
    expect(down.at(-1)?.say).toBe('End at the collarbone')
    expect(down[0]?.say).not.toContain('Open')
  })
  it('has every zone in each order, and strokes only on those', () => {
    for (const { id, strokes } of Object.values(MANNERS))
      for (const region of Object.keys(strokes) as RegionId[]) expect(ORDERS[id]).toContain(region)
  })
})
