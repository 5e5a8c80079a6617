import {
  NOT_WELL_FROM,
  OUTCOME_IDS,
  SIGN_PAIRS,
  SIGNS,
  type OutcomeId,
  type SignId,
} from '../catalogue/rules/grading'

/** What the client tapped; what is left out is not there. */
export type SignAnswers = Partial<Record<SignId, string>>

const worse = (one: OutcomeId, other: OutcomeId): OutcomeId =>
  OUTCOME_IDS.indexOf(one) >= OUTCOME_IDS.indexOf(other) ? one : other
/** Place of an answer among its choices, the mildest first; unknown words count as the mildest. */
const placeOf = (id: SignId, answers: SignAnswers): number =>
  Math.max(
    0,
    SIGNS.find((sign) => sign.id === id)?.choices.findIndex(({ value }) => value === answers[id]) ??
      0,
  )

/**
 * What an answer from home means: the gravest of its signs. A worse sign never grades milder, and
 * neither does the same sign once the forecast no longer allows for it.
 * @param allowed rows of the forecast that are on at the moment of the answer
 */
export function outcomeOf(answers: SignAnswers, allowed: readonly string[]): OutcomeId {
  const bySign = SIGNS.map((sign): OutcomeId => {
    const choice = sign.choices[placeOf(sign.id, answers)]
    const expected = sign.allows.some((rule) => allowed.includes(rule))
    return (expected ? choice?.expected : choice?.after) ?? 'expected'
  })
  const byPair = SIGN_PAIRS.filter(
    ({ one, other }) => placeOf(one, answers) > 0 && placeOf(other, answers) > 0,
  ).map(({ outcome }) => outcome)
  return [...bySign, ...byPair].reduce(worse)
}

/** Signs that are still to be answered; where spots are is asked of whoever has some. */
export const unanswered = (answers: SignAnswers): SignId[] =>
  SIGNS.filter(
    ({ id, askedWith }) =>
      answers[id] === undefined && (askedWith === undefined || placeOf(askedWith, answers) > 0),
  ).map(({ id }) => id)

/** What was answered beside the mildest, in the words of the question, for whoever calls back. */
export const signWords = (answers: SignAnswers): string[] =>
  SIGNS.flatMap(({ id, asks, choices }) => {
    const choice = choices[placeOf(id, answers)]
    return choice && choice !== choices[0] ? [`${asks.replace('?', '')}: ${choice.word}`] : []
  })

/** Whether an answer says that the visit was not taken well. */
export const saysNotWell = (outcome: OutcomeId): boolean =>
  OUTCOME_IDS.indexOf(outcome) >= OUTCOME_IDS.indexOf(NOT_WELL_FROM)
