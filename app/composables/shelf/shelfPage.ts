import type { ShelfPage } from '#contracts/replies/shelf'
import { refDebounced } from '@vueuse/core'
import type { ShelfQuery } from '#contracts/shelf'
import { useApi } from '~/composables/useApi'

const TYPING_MS = 200

/** A page of the shelf as it is sought and sorted, from the house. */
export async function useShelfPage() {
  const api = useApi()
  const search = ref('')
  const sought = refDebounced(search, TYPING_MS)
  const sort = ref<ShelfQuery['sort']>('kind')
  const page = ref(1)
  const also = reactive({ retired: false, empty: false, low: useRoute().query.low === 'yes' })
  watch([sought, sort, also], () => {
    page.value = 1
  })
  const query = computed(() => {
    const wanted = new URLSearchParams({ page: String(page.value), sort: sort.value })
    if (sought.value) wanted.set('q', sought.value)
    for (const [key, on] of Object.entries(also)) if (on) wanted.set(key, 'yes')
    return wanted.toString()
  })
  const { data, refresh, error } = await useAsyncData(
    'shelf',
    () => api<ShelfPage>(`/api/shelf?${query.value}`),
    { watch: [query] },
  )
  return { data, refresh, error, search, sought, sort, page, also }
}

/** Every product of the shelf, page after page. */
export async function wholeShelf(api: ReturnType<typeof useApi>, more = '') {
  const items: ShelfPage['items'] = []
  for (let page = 1, pages = 1; page <= pages; page++) {
    const one = await api<ShelfPage>(`/api/shelf?size=500&page=${page}${more}`)
    items.push(...one.items)
    pages = one.pages
  }
  return items
}
