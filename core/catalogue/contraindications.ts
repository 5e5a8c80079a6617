import { COMMON_PRACTICE, type FamilyId } from './kinds'
import type { FindingId } from './findings'
import type { WorkElsewhereId } from './elsewhere'
import type { RegionId } from '../face/zones'

/** Whose word lifts a row: a date passing, the therapist looking again, a doctor's word, or nobody. */
export type Lifter = 'date' | 'therapist' | 'doctor' | 'nobody'

export interface Limit {
  /** Steam minutes at most. */
  steamMost?: number
  /** Device passes at most. */
  passesMost?: number
  /** Rim multiplied by this, per cent. */
  rimPercent?: number
}

export interface Contraindication {
  id: string
  finding: FindingId
  does: 'prevents' | 'restricts' | 'local' | 'later'
  /** Families stopped; empty with `visit` stops everything. */
  families: readonly FamilyId[]
  visit?: true
  /** Where: the whole face, the zones the client named, or fixed regions. */
  where: 'whole' | 'answered' | readonly RegionId[]
  limit?: Limit
  /** Days after the answered date until it lifts by itself. */
  days?: number
  /** Days ahead of the answered date in which it stands: for what is still to come. */
  ahead?: number
  /** Holds only after this work elsewhere; where none is named it may have been any. */
  work?: WorkElsewhereId
  /** Products of these allergen families are stopped; `answered` means what the client named. */
  substances?: 'answered' | readonly string[]
  sentence: string
  reason: string
  lifts: Lifter
  source: string
}

type Row = Omit<Contraindication, 'source' | 'where' | 'families'> & Partial<Pick<Contraindication, 'source' | 'where' | 'families'>>
const row = (r: Row): Contraindication => ({ source: COMMON_PRACTICE, where: 'whole', families: [], ...r })
const WORK: readonly FamilyId[] = ['friction', 'enzyme', 'acid', 'abrasion', 'vacuum', 'needling', 'blade', 'heat', 'extraction', 'ultrasound', 'retinoid']
const EXFOLIATION: readonly FamilyId[] = ['friction', 'enzyme', 'acid', 'abrasion', 'needling', 'blade', 'vacuum']

export const CONTRAINDICATIONS: readonly Contraindication[] = [
  row({ id: 'fever-visit', finding: 'fever', does: 'prevents', visit: true, sentence: 'Not today: come back well.', reason: 'illness first, skin later', lifts: 'therapist' }),
  row({ id: 'infection-visit', finding: 'infection', does: 'prevents', visit: true, sentence: 'Not today: something catching on the skin.', reason: 'it spreads on the face and in the room; a pharmacist or doctor can look', lifts: 'doctor' }),
  row({ id: 'eye-infection-visit', finding: 'eyeInfection', does: 'prevents', visit: true, sentence: 'Not today: the eyes need a doctor or pharmacist.', reason: 'it spreads by hand and cloth', lifts: 'doctor' }),
  row({ id: 'nodes-local', finding: 'nodes', does: 'local', families: ['massage'], where: ['neck', 'jawL', 'jawR'], sentence: 'No massage or drainage at jaw and neck.', reason: 'find out why first', lifts: 'doctor' }),
  row({ id: 'unexplained-local', finding: 'unexplainedSpot', does: 'local', families: [...WORK, 'massage', 'highFrequency', 'microcurrent', 'lamp', 'clay', 'covering', 'cold'], where: 'answered', sentence: 'Nothing on or around it: show it to a doctor.', reason: 'not ours to judge', lifts: 'doctor' }),
  row({ id: 'pregnancy-current', finding: 'pregnancy', does: 'prevents', families: ['highFrequency', 'microcurrent', 'needling', 'retinoid'], substances: ['retinoid'], sentence: 'No high frequency, microcurrent, needling or retinoid.', reason: 'cautious default in pregnancy and while breastfeeding', lifts: 'therapist' }),
  row({ id: 'pregnancy-heat', finding: 'pregnancy', does: 'restricts', limit: { steamMost: 3 }, sentence: 'Heat kept short: steam 3 min at most.', reason: 'circulation reacts faster', lifts: 'therapist' }),
  row({ id: 'implant-current', finding: 'implantedDevice', does: 'prevents', families: ['highFrequency', 'microcurrent', 'ultrasound'], sentence: 'No high frequency, microcurrent or ultrasonic spatula, and none near the client.', reason: 'currents can disturb the device', lifts: 'doctor' }),
  row({ id: 'heart-current', finding: 'heartPressure', does: 'prevents', families: ['highFrequency'], sentence: 'No high frequency.', reason: 'cautious default with heart disease or high pressure', lifts: 'doctor' }),
  row({ id: 'heart-heat', finding: 'heartPressure', does: 'restricts', limit: { steamMost: 3 }, sentence: 'Steam 3 min at most.', reason: 'heat lowers and lifts the pressure', lifts: 'doctor' }),
  row({ id: 'epilepsy-current', finding: 'epilepsy', does: 'prevents', families: ['lamp', 'highFrequency', 'microcurrent'], sentence: 'No flashing lamp, high frequency or microcurrent.', reason: 'may set off a seizure', lifts: 'doctor' }),
  row({ id: 'metal-current', finding: 'metal', does: 'local', families: ['highFrequency', 'microcurrent'], where: 'answered', sentence: 'No current over the metal.', reason: 'metal gathers current', lifts: 'nobody' }),
  row({ id: 'piercing-current', finding: 'piercings', does: 'restricts', families: ['highFrequency', 'microcurrent'], sentence: 'Take piercings out before any current.', reason: 'metal gathers current', lifts: 'therapist' }),
  row({ id: 'asthma-vapour', finding: 'asthma', does: 'restricts', limit: { steamMost: 3 }, sentence: 'Steam 3 min at most, no strong vapours.', reason: 'vapour can tighten the airway', lifts: 'therapist' }),
  row({ id: 'slow-healing', finding: 'slowHealing', does: 'prevents', families: ['needling', 'extraction', 'blade'], sentence: 'No needling, blade or extraction without a doctor\'s word.', reason: 'small wounds close slowly', lifts: 'doctor' }),
  row({ id: 'thinner-needling', finding: 'bloodThinner', does: 'prevents', families: ['needling', 'extraction', 'vacuum', 'blade'], sentence: 'No needling, vacuum, blade or extraction.', reason: 'bruises and bleeds easily', lifts: 'doctor' }),
  row({ id: 'isotretinoin', finding: 'isotretinoin', does: 'later', families: ['abrasion', 'needling', 'acid', 'blade'], days: 183, sentence: 'No tip, needling, acid, blade or wax for six months after the last dose.', reason: 'skin is thin and heals badly; the prescriber decides', lifts: 'doctor' }),
  row({ id: 'steroids-thin', finding: 'steroids', does: 'prevents', families: ['abrasion', 'needling'], limit: { rimPercent: 50 }, sentence: 'No abrasion or needling; the rim halves.', reason: 'steroids thin the skin', lifts: 'doctor' }),
  row({ id: 'cancer-gentle', finding: 'cancer', does: 'later', families: [...WORK, 'highFrequency', 'microcurrent', 'clay'], days: 183, limit: { rimPercent: 37 }, sentence: 'Gentle care only, with the doctor\'s word.', reason: 'treatment leaves skin and defences weak', lifts: 'doctor' }),
  row({ id: 'clots-neck', finding: 'clots', does: 'local', families: ['massage'], where: ['neck'], sentence: 'No neck massage or drainage without a doctor\'s word.', reason: 'pressure on the neck may loosen a clot', lifts: 'doctor' }),
  row({ id: 'thyroid-seaweed', finding: 'thyroid', does: 'prevents', substances: ['seaweed'], sentence: 'No seaweed.', reason: 'it carries iodine', lifts: 'doctor' }),
  row({ id: 'eyes-local', finding: 'eyeSurgery', does: 'local', families: ['eyeWork', 'massage'], where: ['eyes'], limit: { steamMost: 3 }, sentence: 'Nothing near the eye, no pressure; steam 3 min at most.', reason: 'pressure and warmth reach the eye', lifts: 'doctor' }),
  row({ id: 'light-disease', finding: 'lightDisease', does: 'prevents', families: ['lamp', 'acid'], limit: { steamMost: 3 }, sentence: 'No lamp and no acid; steam 3 min at most; doctor\'s word.', reason: 'light and heat can wake the illness', lifts: 'doctor' }),
  row({ id: 'light-lamp', finding: 'lightMedicine', does: 'prevents', families: ['lamp'], sentence: 'No lamp; sun advice stressed.', reason: 'skin burns at a lower dose', lifts: 'doctor' }),
  row({ id: 'nerve-face', finding: 'faceNerve', does: 'prevents', families: ['massage', 'microcurrent', 'highFrequency', 'cold'], sentence: 'No face massage, current or cold without a doctor\'s word.', reason: 'nerves may answer with pain', lifts: 'doctor' }),
  row({ id: 'closed-covering', finding: 'closedSpaces', does: 'prevents', families: ['covering'], sentence: 'No hardening or sheet mask, no covered eyes.', reason: 'a covered face may frighten', lifts: 'therapist' }),
  row({ id: 'allergy-products', finding: 'allergy', does: 'prevents', substances: 'answered', sentence: 'No product with a named allergen.', reason: 'matched against every ingredient', lifts: 'nobody' }),
  row({ id: 'lenses-out', finding: 'lenses', does: 'restricts', families: ['heat', 'lamp', 'eyeWork'], sentence: 'Lenses out first.', reason: 'vapour and product creep under the lens', lifts: 'therapist' }),
  row({ id: 'lash-steam', finding: 'lashExtensions', does: 'prevents', families: ['heat'], sentence: 'No steam; no oil near the lashes.', reason: 'warmth and oil loosen the glue', lifts: 'nobody' }),
  row({ id: 'cold-sore-mouth', finding: 'coldSoreHistory', does: 'local', families: ['acid', 'abrasion', 'needling'], where: ['mouth'], sentence: 'No acid, tip or needling near the mouth.', reason: 'irritation may wake it; a doctor can prevent it first', lifts: 'doctor' }),
  row({ id: 'keloid-needling', finding: 'keloid', does: 'prevents', families: ['needling'], limit: { passesMost: 1 }, sentence: 'No needling; tip one pass only.', reason: 'scars may grow', lifts: 'doctor' }),
  row({ id: 'marks-gentle', finding: 'darkMarks', does: 'restricts', limit: { rimPercent: 75, passesMost: 1, steamMost: 5 }, sentence: 'Abrasion and heat at low load.', reason: 'irritation itself leaves marks', lifts: 'therapist' }),
  row({ id: 'melasma-gentle', finding: 'melasma', does: 'restricts', limit: { rimPercent: 75, passesMost: 1, steamMost: 3 }, sentence: 'Heat, abrasion and acid at low load; sun protection stressed.', reason: 'heat and irritation darken the patches', lifts: 'therapist' }),
  row({ id: 'vessels-local', finding: 'visibleVessels', does: 'local', families: ['friction', 'abrasion', 'vacuum', 'heat'], where: 'answered', sentence: 'No grain, tip, vacuum or heat there.', reason: 'vessels widen and stay', lifts: 'therapist' }),
  row({ id: 'inflamed-local', finding: 'inflamedAcne', does: 'local', families: ['friction', 'abrasion', 'vacuum', 'needling', 'blade', 'massage'], where: 'answered', sentence: 'No grain, tip, vacuum or massage over them.', reason: 'spreads and opens inflamed spots; refer if severe', lifts: 'therapist' }),
  row({ id: 'eczema-local', finding: 'eczema', does: 'local', families: [...WORK, 'clay', 'covering'], where: 'answered', sentence: 'Nothing but gentle care there.', reason: 'the barrier is open', lifts: 'doctor' }),
  row({ id: 'sunburn-local', finding: 'sunburn', does: 'local', families: WORK, where: 'answered', sentence: 'No exfoliation or heat on the burn.', reason: 'the rim is at zero there', lifts: 'therapist' }),
  row({ id: 'wound-local', finding: 'wound', does: 'local', families: [...WORK, 'massage', 'clay', 'covering', 'highFrequency', 'microcurrent', 'lamp', 'cold'], where: 'answered', sentence: 'Nothing on open skin.', reason: 'it must close first', lifts: 'therapist' }),
  row({ id: 'toxin-later', finding: 'toxin', does: 'later', families: ['massage', 'heat', 'vacuum', 'highFrequency', 'microcurrent', 'needling'], where: 'answered', days: 14, sentence: 'No massage, heat, vacuum or current there for two weeks.', reason: 'it may wander', lifts: 'date' }),
  row({ id: 'filler-later', finding: 'filler', does: 'later', families: ['massage', 'heat', 'vacuum', 'highFrequency', 'microcurrent', 'needling'], where: 'answered', days: 28, sentence: 'No massage, heat, vacuum or current there for four weeks.', reason: 'it may shift before it settles', lifts: 'date' }),
  row({ id: 'threads-later', finding: 'threads', does: 'later', families: ['massage', 'heat', 'vacuum', 'highFrequency', 'microcurrent', 'needling'], where: 'answered', days: 84, sentence: 'No massage, heat, vacuum or current there for twelve weeks.', reason: 'threads must hold first', lifts: 'date' }),
  row({ id: 'dental-later', finding: 'dentalWork', does: 'later', families: ['massage', 'vacuum', 'highFrequency', 'microcurrent'], where: ['mouth', 'chin', 'cheekL', 'cheekR', 'jawL', 'jawR'], days: 7, sentence: 'No pressure, vacuum or current around the mouth for a week.', reason: 'tender and healing', lifts: 'date' }),
  row({ id: 'elsewhere-later', finding: 'recentTreatment', does: 'later', families: EXFOLIATION, days: 28, sentence: 'No exfoliation for four weeks after it.', reason: 'the skin is still recovering', lifts: 'date' }),
  row({ id: 'elsewhere-peel', finding: 'recentTreatment', work: 'peel', does: 'later', families: ['heat', 'vapour', 'retinoid', 'leaveOnActive'], where: 'answered', days: 14, sentence: 'Peel elsewhere: no heat and no actives there for two weeks.', reason: 'new skin burns and stings easily', lifts: 'date' }),
  row({ id: 'elsewhere-laser', finding: 'recentTreatment', work: 'laser', does: 'later', families: ['heat', 'lamp', 'highFrequency', 'retinoid', 'leaveOnActive'], where: 'answered', days: 28, sentence: 'Laser elsewhere: no heat, lamp, current or actives there for four weeks.', reason: 'the skin below is still healing', lifts: 'date' }),
  row({ id: 'elsewhere-needling', finding: 'recentTreatment', work: 'needling', does: 'later', families: ['massage', 'heat', 'retinoid', 'leaveOnActive'], where: 'answered', days: 7, sentence: 'Needling elsewhere: no massage, heat or actives there for a week.', reason: 'the channels have only just closed', lifts: 'date' }),
  row({ id: 'elsewhere-surgery', finding: 'recentTreatment', work: 'surgery', does: 'prevents', families: [...EXFOLIATION, 'massage', 'heat', 'extraction', 'highFrequency', 'microcurrent'], where: 'answered', sentence: 'Surgery: no pressure, heat, current or exfoliation there without the surgeon\'s word.', reason: 'scars and swelling are the surgeon\'s to judge', lifts: 'doctor' }),
  row({ id: 'home-scrub', finding: 'homeScrub', does: 'later', families: ['friction', 'acid', 'abrasion', 'needling'], days: 3, sentence: 'No grain, acid, tip or needling for three days.', reason: 'it is already exfoliated', lifts: 'date' }),
  row({ id: 'event-week', finding: 'eventSoon', does: 'later', families: ['acid', 'abrasion', 'needling', 'extraction'], ahead: 7, sentence: 'Seven days before it: nothing new, no tip, acid, needling or extraction.', reason: 'it must have settled by then', lifts: 'date' }),
  row({ id: 'event-blade', finding: 'eventSoon', does: 'later', families: ['blade'], ahead: 0, sentence: 'No blade on the day itself.', reason: 'nicks, redness and dryness need a night', lifts: 'date' }),
  row({ id: 'retinoid-rim', finding: 'retinoid', does: 'later', families: ['needling'], limit: { rimPercent: 50 }, days: 7, sentence: 'No needling; the rim halves for a week.', reason: 'retinoids thin the horny layer', lifts: 'date' }),
  row({ id: 'home-acid', finding: 'homeAcid', does: 'later', families: ['acid', 'abrasion', 'needling'], days: 3, sentence: 'No acid, tip or needling for three days.', reason: 'it is already exfoliated', lifts: 'date' }),
  row({ id: 'shave-day', finding: 'shaveWax', does: 'later', families: ['friction', 'acid', 'abrasion', 'needling', 'heat'], where: 'answered', days: 1, sentence: 'No grain, tip, acid or heat there for a day.', reason: 'the blade or wax has already exfoliated', lifts: 'date' }),
  row({ id: 'sun-planned', finding: 'sunPlanned', does: 'prevents', families: ['abrasion', 'acid', 'needling'], sentence: 'No abrasion, acid or needling before strong sun.', reason: 'fresh skin burns and marks', lifts: 'therapist' }),
]
