import { useApi } from './useApi'
import { useVisit } from '~/stores/visit'
import { useAttempt } from './attempt'

/** Ticks of the tray: kept in the house at each tap, so that a reload or another tablet has them. */
export function useLaid() {
  const api = useApi()
  const visit = useVisit()
  const { trouble, attempt } = useAttempt()
  /** Taps that are under way, over what the house had last. */
  const tapped = ref<Record<string, boolean>>({})
  const isLaid = (key: string): boolean =>
    tapped.value[key] ?? visit.bundle?.laid.includes(key) ?? false
  async function lay(key: string, laid: boolean): Promise<void> {
    const id = visit.bundle?.visit.id
    if (id === undefined) return
    tapped.value = { ...tapped.value, [key]: laid }
    const kept = await attempt(() =>
      api(`/api/visits/${id}/laid`, { method: 'PUT', body: { key, laid } }),
    )
    if (!kept) tapped.value = { ...tapped.value, [key]: !laid }
  }
  return { isLaid, lay, trouble }
}
