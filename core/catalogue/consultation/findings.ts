/**
 * What is asked before a visit. The order is that of a conversation; `topic` folds the list on the
 * screen.
 */
export const FINDING_IDS = [
  'fever',
  'infection',
  'eyeInfection',
  'unexplainedSpot',
  'pregnancy',
  'implantedDevice',
  'heartPressure',
  'epilepsy',
  'metal',
  'piercings',
  'asthma',
  'slowHealing',
  'bloodThinner',
  'isotretinoin',
  'steroids',
  'lightMedicine',
  'allergy',
  'closedSpaces',
  'lenses',
  'lashExtensions',
  'coldSoreHistory',
  'keloid',
  'darkMarks',
  'visibleVessels',
  'inflamedAcne',
  'eczema',
  'sunburn',
  'wound',
  'toxin',
  'filler',
  'recentTreatment',
  'retinoid',
  'homeAcid',
  'shaveWax',
  'sunPlanned',
  'faceNerve',
  'nodes',
  'cancer',
  'lightDisease',
  'clots',
  'thyroid',
  'eyeSurgery',
  'melasma',
  'threads',
  'dentalWork',
  'homeScrub',
  'eventSoon',
] as const
export type FindingId = (typeof FINDING_IDS)[number]
export const TOPIC_IDS = ['today', 'health', 'skin', 'lately'] as const
export type TopicId = (typeof TOPIC_IDS)[number]
export const TOPIC_NAMES: Readonly<Record<TopicId, string>> = {
  today: 'How are you today',
  health: 'Health and medicines',
  skin: 'Your skin',
  lately: 'Lately, and soon',
}

export interface Finding {
  id: FindingId
  topic: TopicId
  question: string
  short: string
  /**
   * What a "yes" must add: the day it happened, the day it will be, the zones, a substance, what
   * was done elsewhere, how often in a week.
   */
  asks: readonly ('date' | 'hour' | 'ahead' | 'zones' | 'substances' | 'work' | 'perWeek')[]
  /** Can have changed since last time, so it is asked again at each visit. */
  changes: boolean
  /** What a label on the client's file says; empty when it is not an alert. */
  alert?: string
}

const finding = (
  id: FindingId,
  topic: TopicId,
  short: string,
  question: string,
  asks: Finding['asks'] = [],
  changes = true,
  alert?: string,
): Finding => ({
  id,
  topic,
  question,
  short,
  asks,
  changes,
  ...(alert === undefined ? {} : { alert }),
})

const ROWS: Finding[] = [
  finding('fever', 'today', 'fever or feeling ill', 'Fever, or do you feel ill today?'),
  finding(
    'infection',
    'today',
    'cold sore or skin infection now',
    'A cold sore, ringworm, impetigo or other catching skin trouble now?',
  ),
  finding('eyeInfection', 'today', 'eye infection', 'Red, sticky or infected eyes?'),
  finding('sunburn', 'today', 'sunburn or windburn', 'Sunburned or windburned?', ['zones']),
  finding('wound', 'today', 'open skin', 'Any broken skin, graze or healing cut?', ['zones']),
  finding('shaveWax', 'today', 'shaved or waxed', 'Shaved, waxed or threaded in the last day?', [
    'date',
    'hour',
    'zones',
  ]),
  finding(
    'nodes',
    'today',
    'swollen or tender nodes',
    'Swollen or tender glands at jaw or neck, or fever lately?',
  ),
  finding('lenses', 'today', 'contact lenses in', 'Are contact lenses in?'),
  finding('lashExtensions', 'today', 'lash extensions', 'Lash extensions?'),
  finding('piercings', 'today', 'facial piercings in', 'Facial piercings that are in now?', [
    'zones',
  ]),
  finding(
    'pregnancy',
    'health',
    'pregnant or breastfeeding',
    'Pregnant or breastfeeding?',
    [],
    true,
    'pregnant or breastfeeding',
  ),
  finding(
    'implantedDevice',
    'health',
    'implanted electrical device',
    'A pacemaker or other implanted electrical device?',
    [],
    true,
    'implanted electrical device',
  ),
  finding(
    'heartPressure',
    'health',
    'heart disease or high blood pressure',
    'Heart disease or high blood pressure?',
    [],
    true,
    'heart or blood pressure',
  ),
  finding('epilepsy', 'health', 'epilepsy', 'Epilepsy or seizures?', [], true, 'epilepsy'),
  finding(
    'metal',
    'health',
    'metal in face or neck',
    'Metal plates, pins or braces in face, jaw or neck?',
    ['zones'],
    true,
    'metal in face or neck',
  ),
  finding('asthma', 'health', 'asthma', 'Asthma or trouble with vapours?', [], true, 'asthma'),
  finding(
    'slowHealing',
    'health',
    'diabetes, weak immune system, slow healing',
    'Diabetes, a weakened immune system, or slow healing?',
    [],
    true,
    'heals slowly',
  ),
  finding(
    'bloodThinner',
    'health',
    'blood thinner or bleeding disorder',
    'Blood thinners or a bleeding disorder?',
    [],
    true,
    'blood thinner',
  ),
  finding(
    'isotretinoin',
    'health',
    'oral isotretinoin',
    'Isotretinoin by mouth, now or in the last six months?',
    ['date'],
    true,
    'isotretinoin',
  ),
  finding(
    'steroids',
    'health',
    'steroids',
    'Steroid tablets, or steroid cream on the face?',
    [],
    true,
    'steroids',
  ),
  finding(
    'cancer',
    'health',
    'cancer treatment',
    'Cancer treatment now or in the last six months?',
    ['date'],
    true,
    'cancer treatment',
  ),
  finding(
    'clots',
    'health',
    'clots, stroke or carotid disease',
    'Blood clots, a stroke, or disease of the neck arteries?',
    [],
    true,
    'clots or stroke',
  ),
  finding('thyroid', 'health', 'thyroid illness', 'A thyroid illness?', [], true, 'thyroid'),
  finding(
    'eyeSurgery',
    'health',
    'glaucoma or recent eye surgery',
    'Glaucoma, or eye surgery lately?',
    [],
    true,
    'eyes: nothing near them',
  ),
  finding(
    'lightDisease',
    'health',
    'lupus, porphyria or other light disease',
    'Lupus, porphyria or another illness that light makes worse?',
    [],
    true,
    'light disease',
  ),
  finding(
    'lightMedicine',
    'health',
    'light-sensitive medicine',
    'A medicine that makes you sensitive to light?',
    [],
    true,
    'light-sensitive medicine',
  ),
  finding(
    'faceNerve',
    'health',
    'facial palsy or nerve pain',
    'Facial palsy or nerve pain in the face?',
    [],
    true,
    'facial palsy or nerve pain',
  ),
  finding(
    'closedSpaces',
    'health',
    'uneasy in closed spaces',
    'Uneasy with covered eyes or a covered face?',
    [],
    false,
  ),
  finding(
    'allergy',
    'skin',
    'allergy',
    'Allergies: bee products, nuts, fragrance, latex, others?',
    ['substances'],
    true,
    'allergy',
  ),
  finding('coldSoreHistory', 'skin', 'cold sores at times', 'Do you get cold sores?', [], false),
  finding('keloid', 'skin', 'raised scars', 'Do scars grow raised?', [], false, 'raised scars'),
  finding(
    'darkMarks',
    'skin',
    'marks easily',
    'Do spots and scratches leave dark marks on you?',
    [],
    false,
    'marks easily',
  ),
  finding(
    'melasma',
    'skin',
    'melasma',
    'Brown patches that came with hormones or sun?',
    [],
    true,
    'melasma',
  ),
  finding(
    'visibleVessels',
    'skin',
    'visible vessels',
    'Visible vessels, couperose or rosacea?',
    ['zones'],
    true,
    'visible vessels',
  ),
  finding('inflamedAcne', 'skin', 'inflamed spots', 'Inflamed spots or cysts?', ['zones']),
  finding('eczema', 'skin', 'eczema or psoriasis now', 'Eczema, dermatitis or psoriasis now?', [
    'zones',
  ]),
  finding(
    'unexplainedSpot',
    'skin',
    'lump, changing mole, sore',
    'A lump, a changing mole, a sore that does not heal?',
    ['zones'],
    true,
    'unexplained spot: doctor first',
  ),
  finding('toxin', 'lately', 'botulinum toxin', 'Botulinum toxin in the last two weeks?', [
    'date',
    'zones',
  ]),
  finding('filler', 'lately', 'filler', 'Filler in the last four weeks?', ['date', 'zones']),
  finding('threads', 'lately', 'lifting threads', 'Lifting threads in the last twelve weeks?', [
    'date',
    'zones',
  ]),
  finding('dentalWork', 'lately', 'dental work', 'Dental work in the last week?', ['date']),
  finding(
    'recentTreatment',
    'lately',
    'peel, laser or machine elsewhere',
    'A peel, laser, needling or microdermabrasion elsewhere?',
    ['date', 'zones', 'work'],
  ),
  finding('retinoid', 'lately', 'retinoid on the skin', 'A retinoid cream in the last week?', [
    'date',
    'hour',
    'perWeek',
  ]),
  finding(
    'homeAcid',
    'lately',
    'acid or benzoyl peroxide at home',
    'An acid, enzyme or benzoyl peroxide at home in the last three days?',
    ['date', 'hour', 'perWeek'],
  ),
  finding(
    'homeScrub',
    'lately',
    'scrub or brush at home',
    'A scrub, brush, rough cloth, roll-off or drying mask at home in the last three days?',
    ['date', 'hour', 'perWeek'],
  ),
  finding('eventSoon', 'lately', 'event ahead', 'A wedding, a stage, photographs coming up?', [
    'ahead',
  ]),
  finding(
    'sunPlanned',
    'lately',
    'sun within two days',
    'Strong sun planned in the next two days?',
  ),
]

export const FINDINGS = Object.freeze(
  Object.fromEntries(ROWS.map((row) => [row.id, row])),
) as Readonly<Record<FindingId, Finding>>
/** In the order they are asked. */
export const FINDING_ORDER: readonly FindingId[] = ROWS.map((row) => row.id)
