import type { VisitPatch } from '#contracts/visit'
import type { VisitBundle } from '#core/visit/bundle'
import { useApi } from '~/composables/useApi'

/** What a change shows on the page before the house has it. */
const SHOWN = ['aims', 'named', 'makeUp', 'evening', 'school', 'lateMinutes'] as const

/**
 * Changes of one visit, one after the other: each is shown at once, so that a second tap builds on the
 * first, and sent when the one before has been answered, with the version that came of it.
 */
export function useVisitChanges(
  bundle: Readonly<Ref<VisitBundle | null>>,
  renew: (parts: Partial<VisitBundle>) => void,
  reload: () => Promise<void>,
) {
  const api = useApi()
  let line: Promise<unknown> = Promise.resolve()
  let waiting = 0

  function show(patch: Partial<VisitPatch>): void {
    const visit = bundle.value?.visit
    if (!visit) return
    const told = SHOWN.filter((key) => patch[key] !== undefined).map((key) => [key, patch[key]])
    renew({ visit: { ...visit, ...Object.fromEntries(told) } })
  }

  async function put(id: string, patch: Partial<VisitPatch>): Promise<void> {
    const held = bundle.value?.visit
    if (held?.id !== id) return
    const body = { version: held.version, ...patch }
    const { version } = await api<{ version: number }>(`/api/visits/${id}`, {
      method: 'PATCH',
      body,
    })
    const now = bundle.value?.visit
    if (now?.id === id) renew({ visit: { ...now, version } })
  }

  /** @throws ApiProblem where the house refuses: the page then shows what the house has. */
  async function change(patch: Partial<VisitPatch>): Promise<void> {
    const id = bundle.value?.visit.id
    if (id === undefined) return
    show(patch)
    waiting++
    const before = line
    const own = (async () => {
      // One that was refused keeps no later one back.
      await before.catch(() => {})
      await put(id, patch)
    })()
    line = own
    try {
      await own
    } catch (error) {
      waiting--
      await reload()
      throw error
    }
    waiting--
    if (waiting === 0) await reload()
  }
  return { change }
}
