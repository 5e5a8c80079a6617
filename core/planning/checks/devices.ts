import { deviceTimes } from '../../timing/diary'
import { clashesOf, freeAfter } from '../../timing/sharedDevices'
import { finding, remove, type Checking, type PlanFinding } from './finding'

/** A device that another room uses just then is not planned: when this plan would have it is said. */
export function deviceFindings({ input, steps, rules }: Checking): PlanFinding[] {
  const inUse = input.inUse ?? []
  const wanted = deviceTimes(steps)
  const later = Math.ceil(freeAfter(wanted, inUse))
  return clashesOf(wanted, inUse).flatMap(({ wanted: { key, name }, by }) => {
    const step = steps.find((own) => own.key === key)
    return finding(
      rules,
      'device-taken',
      `The ${name} is ${by.words}: free for this plan if the visit begins ${later} min later`,
      { key, mends: step ? [remove(step)] : [] },
    )
  })
}
