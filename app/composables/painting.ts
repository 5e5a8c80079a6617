import { ZONE_IDS, ZONES, type ZoneId } from '#core/face/zones'
import { carriedOver, type WholeReading } from '#core/skin/notes'
import { observe, OBSERVATIONS, type ObservationId } from '#core/skin/observations'
import {
  GRADE_WORDS,
  READING_NAMES,
  type AnyReadingId,
  type Grade,
  type Readings,
} from '#core/skin/readings'
import { gradeColour } from '~/composables/grades'
import type { VisitBundle } from '#core/visit/bundle'

/** Zones that count in planning: those that are painted. */
export const PAINTED = ZONE_IDS.filter((zone) => ZONES[zone].regions.length > 0)

/**
 * A face that is read by painting: a grade or a word in the hand, and the zones it is put on.
 * @param start what is read already
 * @param may whether it may be changed
 */
export function usePainting(start: { zones: Readings; whole: WholeReading }, may: () => boolean) {
  const zones = ref<Readings>({ ...start.zones })
  const whole = ref<WholeReading>({ ...start.whole })
  const reading = ref<AnyReadingId>('oil')
  const brush = ref<Grade>(2)
  /** A word in the hand instead of a grade: the next zones tapped get it. */
  const noticing = ref<ObservationId | null>(null)
  watch(reading, () => {
    noticing.value = null
  })
  const gradeOf = (zone: ZoneId) => zones.value[zone]?.[reading.value]

  function setGrade(zone: ZoneId, id: AnyReadingId, grade: Grade | undefined) {
    zones.value = { ...zones.value, [zone]: { ...zones.value[zone], [id]: grade } }
  }
  function paint(zone: ZoneId, grade: Grade = brush.value) {
    if (may()) setGrade(zone, reading.value, grade)
  }
  function tap(zone: ZoneId) {
    const word = noticing.value
    if (!word || !may()) {
      paint(zone)
      return
    }
    const observed = whole.value.observed ?? []
    if (observed.some((one) => one.zone === zone && one.id === word)) return
    zones.value = { ...zones.value, [zone]: observe(zones.value[zone], word) }
    whole.value = { ...whole.value, observed: [...observed, { zone, id: word }] }
  }
  function paintAll() {
    for (const zone of PAINTED) if (gradeOf(zone) === undefined) paint(zone)
  }
  function fromLast(last: VisitBundle['previousReading']) {
    zones.value = { ...last?.zones, ...zones.value }
    whole.value = { ...carriedOver(last?.whole), ...whole.value }
  }
  const change = (patch: Partial<WholeReading>) => {
    whole.value = { ...whole.value, ...patch }
  }

  const painted = <Shown>(show: (grade: Grade) => Shown) =>
    Object.fromEntries(
      ZONE_IDS.flatMap((zone) => {
        const grade = gradeOf(zone)
        return grade === undefined ? [] : [[zone, show(grade)]]
      }),
    )
  const fill = computed(() => painted((grade) => gradeColour(reading.value, grade)))
  const marks = computed(() => painted(String))
  const noticed = (zone: ZoneId) =>
    (whole.value.observed ?? [])
      .filter((one) => one.zone === zone)
      .map((one) => OBSERVATIONS.find((own) => own.id === one.id)?.words ?? '')
  const words = (zone: ZoneId) => {
    const grade = gradeOf(zone)
    const name = READING_NAMES[reading.value]
    const read =
      grade === undefined
        ? `${name} not read`
        : `${name} ${grade}, ${GRADE_WORDS[reading.value][grade]}`
    return [read, ...noticed(zone)].join(', ')
  }
  /** Zones that are not read yet. */
  const unread = (id: AnyReadingId) =>
    PAINTED.filter((zone) => zones.value[zone]?.[id] === undefined).length

  return {
    zones,
    whole,
    reading,
    brush,
    noticing,
    setGrade,
    paint,
    tap,
    paintAll,
    fromLast,
    change,
    fill,
    marks,
    words,
    unread,
  }
}
