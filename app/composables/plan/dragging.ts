import type { Ref } from 'vue'
import type Sortable from 'sortablejs'

/** Where a list of the strip begins in the plan: each part of the visit is a list of its own. */
const firstOf = (list: HTMLElement): number => Number(list.dataset.first ?? 0)

/**
 * A list whose lines can be dragged, within it and into the lists beside it. It is drawn from its data
 * alone: the element is put back and the move is told, so that data and page never part.
 * @param may whether it may be dragged now
 */
export function useDragging(
  list: Ref<HTMLElement | null>,
  may: () => boolean,
  moved: (from: number, to: number) => void,
): void {
  let sortable: Sortable | undefined
  let turn = 0
  const end = () => {
    turn++
    sortable?.destroy()
    sortable = undefined
  }
  watch(
    [list, may],
    async () => {
      end()
      if (!list.value || !may()) return
      const own = turn
      const { default: library } = await import('sortablejs')
      // Meanwhile the list may have gone, or come once more.
      if (own !== turn || !list.value) return
      sortable = library.create(list.value, {
        group: 'steps',
        animation: 120,
        delay: 120,
        delayOnTouchOnly: true,
        filter: 'button',
        preventOnFilter: false,
        onEnd: ({ item, from, to, oldIndex, newIndex }) => {
          if (oldIndex === undefined || newIndex === undefined) return
          const was = firstOf(from) + oldIndex
          const further = firstOf(to) > firstOf(from)
          const is = firstOf(to) + newIndex - (further ? 1 : 0)
          to.removeChild(item)
          from.insertBefore(item, from.children[oldIndex] ?? null)
          if (was !== is) moved(was, is)
        },
      })
    },
    { immediate: true, flush: 'post' },
  )
  onBeforeUnmount(end)
}
