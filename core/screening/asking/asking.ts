import {
  FINDING_ORDER,
  FINDINGS,
  type FindingId,
  type TopicId,
} from '../../catalogue/consultation/findings'
import type { Answers } from './answers'

/** Topics whose answers are taken over from last time; today and lately are asked anew. */
const CARRIED: readonly TopicId[] = ['health', 'skin']

/** The questions of a topic, in the order they are asked. */
export const questionsOf = (topic: TopicId): FindingId[] =>
  FINDING_ORDER.filter((finding) => FINDINGS[finding].topic === topic)

/** How many questions of a topic are still open. */
export const openIn = (topic: TopicId, answers: Answers): number =>
  questionsOf(topic).filter((finding) => !answers[finding]).length

/** What was a yes or unsure last time is asked by itself, never swept into a no. */
export const sweepable = (topic: TopicId, answers: Answers, before: Answers | null): FindingId[] =>
  questionsOf(topic).filter(
    (finding) => !answers[finding] && (before?.[finding]?.say ?? 'no') === 'no',
  )

/** The answers with the rest of a topic answered no, as far as it may be swept. */
export const noToTheRest = (topic: TopicId, answers: Answers, before: Answers | null): Answers => ({
  ...answers,
  ...Object.fromEntries(
    sweepable(topic, answers, before).map((finding) => [finding, { say: 'no' as const }]),
  ),
})

/** What can be taken over from last time and is not answered yet. */
export const carriable = (answers: Answers, before: Answers | null): FindingId[] =>
  CARRIED.flatMap(questionsOf).filter((finding) => before?.[finding] && !answers[finding])

/** Last time's answers taken over, where nothing was said yet today. */
export const carriedOver = (answers: Answers, before: Answers | null): Answers => ({
  ...Object.fromEntries(carriable(answers, before).map((finding) => [finding, before?.[finding]])),
  ...answers,
})
