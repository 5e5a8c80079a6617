import type { Ref } from 'vue'
import Sortable from 'sortablejs'

/**
 * A list whose lines can be dragged. The list is drawn from its data alone: the element is put back
 * and the move is told, so that data and page never part.
 * @param may whether it may be dragged now
 */
export function useDragging(
  list: Ref<HTMLElement | null>,
  may: () => boolean,
  moved: (from: number, to: number) => void,
): void {
  let sortable: Sortable | undefined
  const end = () => {
    sortable?.destroy()
    sortable = undefined
  }
  watch(
    [list, may],
    () => {
      end()
      if (!list.value || !may()) return
      sortable = Sortable.create(list.value, {
        animation: 120,
        delay: 120,
        delayOnTouchOnly: true,
        filter: 'button',
        preventOnFilter: false,
        onEnd: ({ item, from, oldIndex, newIndex }) => {
          if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return
          const place = oldIndex < newIndex ? oldIndex : oldIndex + 1
          from.insertBefore(item, from.children[place] ?? null)
          moved(oldIndex, newIndex)
        },
      })
    },
    { immediate: true, flush: 'post' },
  )
  onBeforeUnmount(end)
}
