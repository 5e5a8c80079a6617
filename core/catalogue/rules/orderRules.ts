import { COMMON_PRACTICE, type Strength } from '../kinds'

/**
 * Rules of a protocol that the surface, the load and the clock do not already answer. Code in
 * planning reads them by id.
 */
export interface OrderRule {
  id: string
  sentence: string
  strength: Strength
  locked: boolean
  source: string
}

const rule = (id: string, strength: Strength, sentence: string, locked = false): OrderRule => ({
  id,
  strength,
  sentence,
  locked,
  source: COMMON_PRACTICE,
})

const ROWS = [
  rule('must-settle', 'adapt', 'A visit opens with settling and clean hands.'),
  rule(
    'must-eyes',
    'adapt',
    'Eye and lip make-up comes off before anything is spread on the face.',
  ),
  rule('must-surface', 'adapt', 'The surface cleanse comes before the reading.'),
  rule('must-read', 'adapt', 'The bare skin is read once more before it is worked on.'),
  rule(
    'must-deep',
    'adapt',
    'The second cleanse is the cleanse: a surface pass is not the last one.',
  ),
  rule('cleanse-layers', 'adapt', 'Heavy layers take three cleanses: milk, then two more.'),
  rule('must-moisturise', 'adapt', 'A visit ends with the skin sealed.'),
  rule('must-sun', 'stop', 'By day the skin leaves with sun protection.', true),
  rule('sun-covers', 'stop', 'Sun protection covers every zone that is bare to daylight.', true),
  rule('cream-covers', 'advise', 'The cream seals every zone, the neck too.'),
  rule('eyes-first', 'adapt', 'Eye make-up comes off before the face is cleansed.'),
  rule('read-bare', 'adapt', 'The reading is of bare skin: after the surface cleanse.'),
  rule('read-before-work', 'adapt', 'The skin is read before it is worked on.'),
  rule('lamp-before-layers', 'adapt', 'A lamp shines on bare skin, before the layers.'),
  rule(
    'lamp-after-massage',
    'adapt',
    'A lamp shines after the massage, when the skin has settled.',
  ),
  rule(
    'cold-after-warm',
    'adapt',
    'Warm first, cold after all work; never cold between two warm steps.',
  ),
  rule('sun-last', 'stop', 'Nothing touches the skin after sun protection.'),
  rule('hands-first', 'adapt', 'Hands are washed before they touch the face.'),
  rule('close-last', 'adapt', 'Once the client has sat up, the work is over.'),
  rule('off-nothing', 'adapt', 'There is nothing there to take off.'),
  rule('must-close', 'adapt', 'The client sits up slowly and hears what to do tonight.'),
  rule(
    'oil-under-sun',
    'adapt',
    'No finishing oil under sun protection: it thins and rolls the film.',
  ),
  rule('lighter-cream', 'advise', 'After three or more products a lighter moisturiser.'),
  rule(
    'vitamin-c-first',
    'advise',
    'Vitamin C goes first among what stays on the skin; a matter of school.',
  ),
  rule('sum-heat', 'stop', 'Heat adds up over the visit.'),
  rule('sum-vacuum', 'stop', 'Vacuum adds up over the visit.'),
  rule('sum-current', 'stop', 'Current adds up over the visit.'),
  rule('sum-lamp', 'stop', 'Light adds up over the visit.'),
  rule('straight-after', 'adapt', 'What was strewn is taken off at once.'),
  rule('goes-after', 'adapt', 'It works with what another step has laid: it comes after that.'),
  rule('no-need', 'advise', 'Work goes where its reason is; the rest is left alone.'),
  rule('cool-to-end', 'adapt', 'Warm for opening work, cool to end.'),
  rule('thin-to-thick', 'adapt', 'Layers go on thinnest first.'),
  rule('washed-off', 'adapt', 'What stays on the skin goes on when the washing is over.'),
  rule('silicone-under', 'adapt', 'Nothing wet sinks through a layer of silicone: it rolls up.'),
  rule(
    'one-exfoliation',
    'stop',
    'One exfoliation a visit; a second only on resilient skin.',
    true,
  ),
  rule('pass-limit', 'stop', 'Never a third pass.', true),
  rule('pair', 'stop', 'These two never share a visit.', true),
  rule('straight-before', 'stop', 'Something else must come straight before it.', true),
  rule('thin-zones', 'stop', 'On thin zones the lower half of the range.', true),
  rule('wear-off', 'stop', 'Warmth has faded: soften again first.'),
  rule(
    'machine-no-massage',
    'stop',
    'No facial massage on skin just worked: shoulders, arms or hands instead.',
    true,
  ),
  rule('exfoliate-before', 'adapt', 'Exfoliate before massage and mask, not after.'),
  rule('quiet', 'adapt', 'No talking and no work on the face under a hardening mask.'),
  rule('barred', 'stop', 'Not today on this skin.', true),
  rule('over-tolerance', 'stop', 'More than this skin can bear today.', true),
  rule('heat-limit', 'stop', 'Longer warmth than this client may have.', true),
  rule('scope', 'stop', "Outside this person's licence.", true),
  rule('no-device', 'stop', 'The device is not here or not ready.'),
  rule('no-product', 'stop', 'Nothing on the shelf that this client may have.'),
  rule(
    'calm-only',
    'stop',
    'After abrasion or needling only calming products touch that skin.',
    true,
  ),
  rule('product-barred', 'stop', 'This product is not for this client, or not fit for use.', true),
  rule('surface', 'stop', 'This step does not work on what the last one left.'),
  rule('dwell-early', 'adapt', 'It would come off before it has done its work.'),
  rule('dwell-late', 'stop', 'It would stay on past its latest.', true),
  rule('on-working', 'stop', 'Nothing lies on an acid, enzyme or peel while it works.', true),
  rule(
    'own-way-off',
    'stop',
    'It comes off as its maker says: neutralised, not only rinsed.',
    true,
  ),
  rule('left-on', 'stop', 'It is never taken off.', true),
  rule('attended', 'stop', 'Nobody is left alone under steam, a peel or a lamp.', true),
  rule('over-slot', 'adapt', 'Longer than the visit.'),
  rule('device-taken', 'stop', 'One device serves one room at a time.', true),
  rule('minutes-range', 'adapt', 'Outside the usual minutes.'),
  rule('setting-range', 'stop', 'Outside the safe range of the setting.', true),
] as const

export const ORDER_RULES: ReadonlyMap<string, OrderRule> = new Map(ROWS.map((row) => [row.id, row]))
/**
 * A rule of the order by its id.
 * @throws RangeError where there is none
 */
export function orderRule(id: string): OrderRule {
  const found = ORDER_RULES.get(id)
  if (!found) throw new RangeError(`no such rule: ${id}`)
  return found
}
