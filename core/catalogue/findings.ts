/** What is asked before a visit. The order is that of a conversation; `topic` folds the list on the screen. */
export const FINDING_IDS = [
  'fever', 'infection', 'eyeInfection', 'unexplainedSpot', 'pregnancy', 'implantedDevice', 'heartPressure', 'epilepsy', 'metal', 'piercings', 'asthma', 'slowHealing',
  'bloodThinner', 'isotretinoin', 'steroids', 'lightMedicine', 'allergy', 'closedSpaces', 'lenses', 'lashExtensions', 'coldSoreHistory', 'keloid', 'darkMarks', 'visibleVessels',
  'inflamedAcne', 'eczema', 'sunburn', 'wound', 'toxin', 'filler', 'recentTreatment', 'retinoid', 'homeAcid', 'shaveWax', 'sunPlanned', 'faceNerve',
  'nodes', 'cancer', 'lightDisease', 'clots', 'thyroid', 'eyeSurgery', 'melasma', 'threads', 'dentalWork', 'homeScrub', 'eventSoon',
] as const
export type FindingId = (typeof FINDING_IDS)[number]
export const TOPIC_IDS = ['today', 'health', 'skin', 'lately'] as const
export type TopicId = (typeof TOPIC_IDS)[number]
export const TOPIC_NAMES: Readonly<Record<TopicId, string>> = {
  today: 'How are you today', health: 'Health and medicines', skin: 'Your skin', lately: 'Lately, and soon',
}

export interface Finding {
  id: FindingId
  topic: TopicId
  question: string
  short: string
  /** What a "yes" must add: the day it happened, the day it will be, the zones, a substance, what was done elsewhere, how often in a week. */
  asks: readonly ('date' | 'ahead' | 'zones' | 'substances' | 'work' | 'perWeek')[]
  /** Can have changed since last time, so it is asked again at each visit. */
  changes: boolean
  /** What a label on the client's file says; empty when it is not an alert. */
  alert?: string
}

const f = (id: FindingId, topic: TopicId, short: string, question: string, asks: Finding['asks'] = [], changes = true, alert?: string): Finding =>
  ({ id, topic, question, short, asks, changes, ...(alert === undefined ? {} : { alert }) })

const ROWS: Finding[] = [
  f('fever', 'today', 'fever or feeling ill', 'Fever, or do you feel ill today?'),
  f('infection', 'today', 'cold sore or skin infection now', 'A cold sore, ringworm, impetigo or other catching skin trouble now?'),
  f('eyeInfection', 'today', 'eye infection', 'Red, sticky or infected eyes?'),
  f('sunburn', 'today', 'sunburn or windburn', 'Sunburned or windburned?', ['zones']),
  f('wound', 'today', 'open skin', 'Any broken skin, graze or healing cut?', ['zones']),
  f('shaveWax', 'today', 'shaved or waxed', 'Shaved, waxed or threaded in the last day?', ['date', 'zones']),
  f('nodes', 'today', 'swollen or tender nodes', 'Swollen or tender glands at jaw or neck, or fever lately?'),
  f('lenses', 'today', 'contact lenses in', 'Are contact lenses in?'),
  f('lashExtensions', 'today', 'lash extensions', 'Lash extensions?'),
  f('piercings', 'today', 'facial piercings in', 'Facial piercings that are in now?', ['zones']),
  f('pregnancy', 'health', 'pregnant or breastfeeding', 'Pregnant or breastfeeding?', [], true, 'pregnant or breastfeeding'),
  f('implantedDevice', 'health', 'implanted electrical device', 'A pacemaker or other implanted electrical device?', [], true, 'implanted electrical device'),
  f('heartPressure', 'health', 'heart disease or high blood pressure', 'Heart disease or high blood pressure?', [], true, 'heart or blood pressure'),
  f('epilepsy', 'health', 'epilepsy', 'Epilepsy or seizures?', [], true, 'epilepsy'),
  f('metal', 'health', 'metal in face or neck', 'Metal plates, pins or braces in face, jaw or neck?', ['zones'], true, 'metal in face or neck'),
  f('asthma', 'health', 'asthma', 'Asthma or trouble with vapours?', [], true, 'asthma'),
  f('slowHealing', 'health', 'diabetes, weak immune system, slow healing', 'Diabetes, a weakened immune system, or slow healing?', [], true, 'heals slowly'),
  f('bloodThinner', 'health', 'blood thinner or bleeding disorder', 'Blood thinners or a bleeding disorder?', [], true, 'blood thinner'),
  f('isotretinoin', 'health', 'oral isotretinoin', 'Isotretinoin by mouth, now or in the last six months?', ['date'], true, 'isotretinoin'),
  f('steroids', 'health', 'steroids', 'Steroid tablets, or steroid cream on the face?', [], true, 'steroids'),
  f('cancer', 'health', 'cancer treatment', 'Cancer treatment now or in the last six months?', ['date'], true, 'cancer treatment'),
  f('clots', 'health', 'clots, stroke or carotid disease', 'Blood clots, a stroke, or disease of the neck arteries?', [], true, 'clots or stroke'),
  f('thyroid', 'health', 'thyroid illness', 'A thyroid illness?', [], true, 'thyroid'),
  f('eyeSurgery', 'health', 'glaucoma or recent eye surgery', 'Glaucoma, or eye surgery lately?', [], true, 'eyes: nothing near them'),
  f('lightDisease', 'health', 'lupus, porphyria or other light disease', 'Lupus, porphyria or another illness that light makes worse?', [], true, 'light disease'),
  f('lightMedicine', 'health', 'light-sensitive medicine', 'A medicine that makes you sensitive to light?', [], true, 'light-sensitive medicine'),
  f('faceNerve', 'health', 'facial palsy or nerve pain', 'Facial palsy or nerve pain in the face?', [], true, 'facial palsy or nerve pain'),
  f('closedSpaces', 'health', 'uneasy in closed spaces', 'Uneasy with covered eyes or a covered face?', [], false),
  f('allergy', 'skin', 'allergy', 'Allergies: bee products, nuts, fragrance, latex, others?', ['substances'], true, 'allergy'),
  f('coldSoreHistory', 'skin', 'cold sores at times', 'Do you get cold sores?', [], false),
  f('keloid', 'skin', 'raised scars', 'Do scars grow raised?', [], false, 'raised scars'),
  f('darkMarks', 'skin', 'marks easily', 'Do spots and scratches leave dark marks on you?', [], false, 'marks easily'),
  f('melasma', 'skin', 'melasma', 'Brown patches that came with hormones or sun?', [], true, 'melasma'),
  f('visibleVessels', 'skin', 'visible vessels', 'Visible vessels, couperose or rosacea?', ['zones'], true, 'visible vessels'),
  f('inflamedAcne', 'skin', 'inflamed spots', 'Inflamed spots or cysts?', ['zones']),
  f('eczema', 'skin', 'eczema or psoriasis now', 'Eczema, dermatitis or psoriasis now?', ['zones']),
  f('unexplainedSpot', 'skin', 'lump, changing mole, sore', 'A lump, a changing mole, a sore that does not heal?', ['zones'], true, 'unexplained spot: doctor first'),
  f('toxin', 'lately', 'botulinum toxin', 'Botulinum toxin in the last two weeks?', ['date', 'zones']),
  f('filler', 'lately', 'filler', 'Filler in the last four weeks?', ['date', 'zones']),
  f('threads', 'lately', 'lifting threads', 'Lifting threads in the last twelve weeks?', ['date', 'zones']),
  f('dentalWork', 'lately', 'dental work', 'Dental work in the last week?', ['date']),
  f('recentTreatment', 'lately', 'peel, laser or machine elsewhere', 'A peel, laser, needling or microdermabrasion elsewhere?', ['date', 'zones', 'work']),
  f('retinoid', 'lately', 'retinoid on the skin', 'A retinoid cream in the last week?', ['date', 'perWeek']),
  f('homeAcid', 'lately', 'acid or benzoyl peroxide at home', 'An acid or benzoyl peroxide at home in the last three days?', ['date', 'perWeek']),
  f('homeScrub', 'lately', 'scrub or brush at home', 'A scrub, brush or roll-off at home in the last three days?', ['date', 'perWeek']),
  f('eventSoon', 'lately', 'event ahead', 'A wedding, a stage, photographs coming up?', ['ahead']),
  f('sunPlanned', 'lately', 'sun within two days', 'Strong sun planned in the next two days?'),
]

export const FINDINGS = Object.freeze(Object.fromEntries(ROWS.map((r) => [r.id, r]))) as Readonly<Record<FindingId, Finding>>
/** In the order they are asked. */
export const FINDING_ORDER: readonly FindingId[] = ROWS.map((r) => r.id)
