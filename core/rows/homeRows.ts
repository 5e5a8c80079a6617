import { HOME_STEPS, LAYER_WAITS } from '../catalogue/home/homeSteps'
import { NIGHTS } from '../catalogue/home/nightRows'
import { KEPT_RULES } from '../catalogue/rules/adherence'
import { FORECASTS } from '../catalogue/rules/forecast'
import { OUTCOMES, SIGNS } from '../catalogue/rules/grading'
import { CLAIMS } from '../catalogue/rules/claims'
import { DAY_HOURS } from '../units'
import { rowsOf, type Row } from './row'

/** Home, and what comes after: the routine's steps and evenings, what may come, answers from home. */
export const homeRows = (): Row[] => [
  ...rowsOf('Steps at home', Object.values(HOME_STEPS), (own) => ({
    id: `home-${own.id}`,
    title: own.name,
    sentence: `${own.times.join(' and ')}: ${own.amount}. ${own.how}`,
    reason: own.why,
    source: own.source,
  })),
  ...rowsOf('Evenings at home', Object.values(NIGHTS), (own) => ({
    id: `night-${own.id}`,
    title: own.name,
    sentence: [
      `at most ${own.mostAWeek} evenings a week`,
      `${own.gap} nights from one to the next`,
      `off ${own.offBefore} nights before the next visit`,
    ].join(', '),
    reason: own.why,
    source: own.source,
  })),
  ...rowsOf('Pauses between layers', LAYER_WAITS, (own) => ({
    id: own.id,
    title: `${own.minutes} min`,
    sentence: own.sentence,
    source: own.source,
  })),
  ...rowsOf('What may come', FORECASTS, (own) => ({
    id: `may-come-${own.id}`,
    title: own.sentence,
    sentence: `${hoursWords(own.fromHours)} to ${hoursWords(own.untilHours)} after it. ${own.advice}`,
    source: own.source,
  })),
  ...rowsOf('Is the routine kept?', keptSentences(), ([id, title, sentence]) => ({
    id: `kept-${id}`,
    title,
    sentence,
    source: KEPT_RULES.source,
  })),
  ...rowsOf('Answers from home', SIGNS, (own) => ({
    id: `sign-${own.id}`,
    title: own.asks,
    sentence: own.choices
      .map(({ word, expected, after }) =>
        expected === after
          ? `${word}: ${OUTCOMES[after].word}`
          : `${word}: ${OUTCOMES[expected].word} while foreseen, then ${OUTCOMES[after].word}`,
      )
      .join('; '),
    source: own.source,
  })),
  ...rowsOf('Claims in words for clients', CLAIMS, (own) => ({
    id: `claim-${own.id}`,
    title: own.words.join(', ').replaceAll('*', '…'),
    sentence: `${own.grade}: say “${own.instead}”`,
    reason: own.why,
    source: own.source,
  })),
]
/** Each sign with what speaks for it and against it. */
function keptSentences(): [string, string, string][] {
  const { evenings, packOff, skin } = KEPT_RULES
  const readings = Object.keys(skin.better).join(', ')
  return [
    [
      'evenings',
      'Evenings as written',
      `from ${evenings.keptFrom} % of them: for; below ${evenings.notBelow} %: against`,
    ],
    ['pack', 'What is left of a pack', `${packOff} % more left than expected: against; else: for`],
    [
      'skin',
      'The skin itself',
      `${readings} by ${skin.grades} grades in ${skin.zones} zones: better for, worse against`,
    ],
  ]
}
const hoursWords = (hours: number): string =>
  hours >= 2 * DAY_HOURS ? `day ${hours / DAY_HOURS}` : `${hours} h`
