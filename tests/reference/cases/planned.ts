import { CONCERN_NAMES } from '#core/catalogue/kinds'
import { SCHOOLS } from '#core/catalogue/schools/schools'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { isMain, placeOf } from '#core/catalogue/techniques/traits'
import { propose } from '#core/planning/answer/propose'
import type { Case } from './expectations'

/** A written case with the plan that is made of it, in words. */
export function casePlan({ input }: Case) {
  const { steps, minutes } = propose(input)
  return {
    school: SCHOOLS[input.school].name,
    slot: input.slotMinutes,
    aims: input.aims.map((aim) => CONCERN_NAMES[aim]),
    minutes,
    main: steps.filter((step) => isMain(step.technique)).length,
    steps: steps.map((step) => {
      const { name } = TECHNIQUES[step.technique]
      const where = placeOf(step)
      const passes = step.passes === undefined ? '' : `, ${step.passes}×`
      const why = step.why[0]?.text ?? ''
      return `**${name}** ${step.minutes} min${where ? `, ${where}` : ''}${passes}: ${why}`
    }),
  }
}
