import { changedMains } from '#core/planning/answer/compare'
import { protocolFor } from '#core/planning/question/protocol'
import { usePlan } from '~/stores/plan'
import { useVisit } from '~/stores/visit'

/** The length of the visit, set on Plan: the plan is made anew, and what it gives up is said. */
export function useLength() {
  const visit = useVisit()
  const plan = usePlan()
  const given = ref('')
  let going: number | undefined

  /** The protocol that the plan follows goes on, by the one of its pair that is for this length. */
  const followed = (minutes: number) => {
    const { protocol } = plan
    return protocol
      ? (protocolFor(visit.bundle?.protocols ?? [], protocol.id, minutes) ?? null)
      : null
  }

  async function setLength(minutes: number): Promise<void> {
    // The field tells a choice once more when it is left; one that failed may be told again.
    if (minutes === going) return
    going = minutes
    const before = [...plan.steps]
    try {
      await visit.change({ minutes })
    } finally {
      going = undefined
    }
    await plan.propose(followed(minutes))
    const gone = changedMains(before, plan.steps).filter((change) => change.is === null)
    const names = gone.map((change) => change.name.toLowerCase()).join(', ')
    given.value = names && !plan.failed ? `${minutes} min: given up ${names}.` : ''
  }
  return { given, setLength }
}
