import type { DayPage } from '#contracts/replies/day'
import { dayOfMoment } from '#core/screening/asking/told'
import { DAY_MINUTES } from '#core/timing/places'
import type { DayLayout } from '~/composables/dayLayout'

/**
 * The minute of now on the day shown: 0 before it, the end of the day once it is over; and whether the
 * day runs.
 */
export function useNow(
  page: Ref<DayPage | null | undefined>,
  layout: Ref<DayLayout | null | undefined>,
) {
  const now = computed(() => {
    if (!page.value || !layout.value) return 0
    const { day, now: at, timeZone } = page.value
    const today = dayOfMoment(at, timeZone)
    if (day > today) return 0
    return day < today ? DAY_MINUTES : layout.value.minuteOf(at)
  })
  const running = computed(() => now.value > 0 && now.value < DAY_MINUTES)
  return { now, running }
}
