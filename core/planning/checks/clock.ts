import { STAY } from '../../catalogue/techniques/roles'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { shortName } from '../../catalogue/techniques/traits'
import type { PlanStep } from '../../catalogue/techniques/step'
import type { Resting } from '../../timing/schedule'
import { WORKING } from '../../catalogue/kinds'
import { common } from '../../face/sides'
import type { RegionId } from '../../face/zones'
import { removalMinutes, removalOf, takesOff } from '../../timing/removal'
import { finding, remove, type Checking, type Mend, type PlanFinding } from './finding'
import { minutes, SHORTEST_STEP } from '../../units'

/**
 * Whether what rests comes off, in its window, watched and in quiet where it must be; and whether
 * the whole fits the visit.
 */
export function clockFindings(checking: Checking): PlanFinding[] {
  const { input, walked, rules } = checking
  const out = walked.schedule.resting.flatMap((rest) =>
    rest.removed
      ? [
          ...windowFindings(rest, checking),
          ...meanwhileFindings(rest, checking),
          ...onWorking(rest, checking),
          ...wayOff(rest, checking),
        ]
      : leftOn(rest, checking),
  )
  out.push(...offNothing(checking))
  if (walked.schedule.total > input.slotMinutes)
    out.push(
      ...finding(
        rules,
        'over-slot',
        `${walked.schedule.total} min planned, ${input.slotMinutes} min booked`,
        {},
      ),
    )
  return out
}

/** What only takes off needs something that it ends. */
function offNothing({ steps, walked, rules }: Checking): PlanFinding[] {
  const { resting, steps: times } = walked.schedule
  return steps.flatMap((step, i) => {
    if (techniqueOf(step).removes !== true) return []
    const ends = resting.some(({ removed, end }) => removed && end === times[i]?.start)
    return ends
      ? []
      : finding(rules, 'off-nothing', undefined, { key: step.key, mends: [remove(step)] })
  })
}

const nameOf = (rest: Resting) => shortName(rest)

function leftOn(rest: Resting, { steps, rules }: Checking): PlanFinding[] {
  const removal = TECHNIQUES[removalOf(rest.technique)]
  const took = removalMinutes(rest.technique, rest.regions)
  return finding(rules, 'left-on', `${nameOf(rest)} is never taken off`, {
    key: rest.key,
    regions: rest.regions,
    mends: [
      {
        label: `Add ${removal.name.toLowerCase()}`,
        minutes: took,
        edits: [
          {
            do: 'insert',
            before: nextAfter(steps, rest.key, rest.earliest),
            step: {
              technique: removal.id,
              regions: rest.regions,
              minutes: took,
              why: [{ rule: 'left-on', text: 'what was put on comes off' }],
            },
          },
        ],
      },
    ],
  })
}

/** Steps that run wholly while something rests. */
function during(rest: Resting, { steps, walked }: Checking): PlanStep[] {
  return steps.filter((_, i) => {
    const steps = walked.schedule.steps[i]
    return steps !== undefined && steps.start >= rest.start && steps.end <= rest.end
  })
}

function windowFindings(rest: Resting, checking: Checking): PlanFinding[] {
  const { steps, walked, rules } = checking
  const dwell = rest.end - rest.start
  const inside = during(rest, checking).find((step) => techniqueOf(step).besideResting === true)
  const last = (to: number): Mend | undefined =>
    inside && to >= SHORTEST_STEP
      ? {
          label: `${techniqueOf(inside).name} ${to} min`,
          minutes: to - inside.minutes,
          edits: [{ do: 'set', key: inside.key, patch: { minutes: minutes(to) } }],
        }
      : undefined
  if (dwell < rest.earliest) {
    const missing = rest.earliest - dwell
    const lift = steps.find((_, i) => (walked.schedule.steps[i]?.start ?? -1) >= rest.end)
    const stay: Mend = {
      label: `Stay ${missing} min`,
      minutes: missing,
      edits: [
        {
          do: 'insert',
          before: lift?.key ?? null,
          step: {
            technique: STAY,
            regions: [],
            minutes: minutes(missing),
            why: [{ rule: 'dwell-early', text: 'the mask needs its time' }],
          },
        },
      ],
    }
    return finding(
      rules,
      'dwell-early',
      `${nameOf(rest)} rests ${dwell} min, wants ${rest.earliest}`,
      { key: rest.key, mends: [last((inside?.minutes ?? 0) + missing) ?? stay] },
    )
  }
  if (dwell <= rest.latest) return []
  const shorter = last((inside?.minutes ?? 0) - (dwell - rest.latest))
  return finding(
    rules,
    'dwell-late',
    `${nameOf(rest)} would rest ${dwell} min, off by ${rest.latest}`,
    { key: rest.key, regions: rest.regions, mends: shorter ? [shorter] : [] },
  )
}

/**
 * Under a peel the hands stay; under a hardening mask nobody talks and nothing is done to the face.
 */
function meanwhileFindings(rest: Resting, checking: Checking): PlanFinding[] {
  const row = techniqueOf(rest)
  if (!row.attended && !row.quiet) return []
  const wrong = during(rest, checking).find((step) =>
    row.attended
      ? !techniqueOf(step).idle && techniqueOf(step).besideResting === true
      : techniqueOf(step).besideResting !== true && !techniqueOf(step).removes,
  )
  if (!wrong) return []
  const stay: Mend = {
    label: `Stay ${wrong.minutes} min`,
    minutes: 0,
    edits: [
      {
        do: 'insert',
        before: wrong.key,
        step: {
          technique: STAY,
          regions: [],
          minutes: wrong.minutes,
          why: [{ rule: 'attended', text: 'watched by the second' }],
        },
      },
      { do: 'remove', key: wrong.key },
    ],
  }
  return finding(checking.rules, row.attended ? 'attended' : 'quiet', undefined, {
    key: wrong.key,
    mends: [row.attended ? stay : remove(wrong)],
  })
}

/** Steps that begin while something rests, taking off and waiting not counted. */
const begunDuring = (rest: Resting, { steps, walked }: Checking): PlanStep[] =>
  steps.filter((step, i) => {
    const time = walked.schedule.steps[i]
    const { removes, idle } = techniqueOf(step)
    return (
      time !== undefined && time.start >= rest.start && time.start < rest.end && !removes && !idle
    )
  })

/** Nothing lies on an acid or enzyme while it works there: no balm, globe, stone or cold. */
function onWorking(rest: Resting, checking: Checking): PlanFinding[] {
  const { families } = techniqueOf(rest)
  if (!families.some((family) => WORKING.includes(family))) return []
  return begunDuring(rest, checking).flatMap((step) => {
    const there = common({ ...step, regions: touched(step) }, rest)
    if (there.length === 0) return []
    const words = `${techniqueOf(step).name} on the ${nameOf(rest).toLowerCase()} that works there`
    return finding(checking.rules, 'on-working', words, {
      key: step.key,
      regions: there,
      mends: [remove(step)],
    })
  })
}

/** Where a step lies; balm on the lips lies beside the mouth as well. */
const touched = ({ technique, regions }: PlanStep): readonly RegionId[] =>
  TECHNIQUES[technique].families.includes('lips') ? [...regions, 'mouth'] : regions

/** What must be neutralised is not only rinsed. */
function wayOff(rest: Resting, { steps, walked, rules }: Checking): PlanFinding[] {
  const { removedBy, leaves } = techniqueOf(rest)
  if (removedBy === undefined || leaves.film !== 'mask') return []
  const at = walked.schedule.steps.findIndex(({ start }) => start === rest.end)
  const off = steps
    .slice(Math.max(0, at))
    .find(({ technique }) => takesOff(technique, rest.technique))
  if (!off || off.technique === removedBy) return []
  const name = TECHNIQUES[removedBy].name
  return finding(
    rules,
    'own-way-off',
    `${nameOf(rest)}: ${name.toLowerCase()}, not only ${techniqueOf(off).name.toLowerCase()}`,
    {
      key: off.key,
      regions: rest.regions,
      mends: [
        {
          label: name,
          minutes: removalMinutes(rest.technique, rest.regions),
          edits: [
            {
              do: 'insert',
              before: off.key,
              step: {
                technique: removedBy,
                regions: rest.regions,
                minutes: removalMinutes(rest.technique, rest.regions),
                why: [{ rule: 'own-way-off', text: 'as its maker says' }],
              },
            },
          ],
        },
      ],
    },
  )
}

function nextAfter(steps: readonly PlanStep[], key: string, minutes: number): string | null {
  let sum = 0
  for (const step of steps.slice(steps.findIndex((step) => step.key === key) + 1)) {
    if (sum >= minutes || techniqueOf(step).besideResting !== true) return step.key
    sum += step.minutes
  }
  return null
}
