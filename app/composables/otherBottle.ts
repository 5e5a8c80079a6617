import { accepts } from '#core/visit/accepts'
import { usePlan } from '~/stores/plan'
import { useVisit } from '~/stores/visit'

/** Another bottle for a step, from the trolley: the plan is changed, looked through and saved. */
export function useOtherBottle() {
  const visit = useVisit()
  const plan = usePlan()
  const changing = ref(false)
  const trouble = ref('')
  const mayChange = computed(
    () => visit.bundle?.may.write === true && accepts(visit.bundle.visit.status, 'plan'),
  )
  async function instead(key: string, productId: string): Promise<void> {
    changing.value = true
    trouble.value = ''
    try {
      await plan.open()
      plan.edit([{ do: 'set', key, patch: { productId } }])
      await plan.save()
      trouble.value = plan.trouble
      await visit.reload()
    } finally {
      changing.value = false
    }
  }
  return { changing, mayChange, trouble, instead }
}
