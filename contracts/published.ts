import { z } from 'zod'
import { clientDocument, visitDocument } from './exchange'
import { planCaseDocument } from './planCase'
import { routineDocument } from './routineFile'

/**
 * The open formats as JSON Schema 2020-12, by the file they are published in under `docs/formats`.
 */
export function publishedSchemas(): Record<string, object> {
  return {
    'visit.schema.json': {
      $id: 'urn:oak-basin:format:visit:1',
      title: 'A sealed visit',
      description:
        'One sealed visit with its parts, their salted commitments and its later amendments.',
      ...z.toJSONSchema(visitDocument, { target: 'draft-2020-12' }),
    },
    'client.schema.json': {
      $id: 'urn:oak-basin:format:client:1',
      title: 'A whole client',
      description:
        'Everything a practice holds of one client, as it is stored. What another practice needs ' +
        'to import it is described here; everything else in the file is kept.',
      ...z.toJSONSchema(clientDocument, { target: 'draft-2020-12', io: 'input' }),
    },
    'routine.schema.json': {
      $id: 'urn:oak-basin:format:routine:1',
      title: 'A routine for home',
      description:
        'Mornings and evenings in layering order, what each night until the next visit is for, ' +
        'what did not fit and why.',
      ...z.toJSONSchema(routineDocument, { target: 'draft-2020-12' }),
    },
    'plan-case.schema.json': {
      $id: 'urn:oak-basin:format:plan-case:1',
      title: 'A planning case',
      description:
        'The question of one plan in whole numbers: stages, states of the skin between them, ' +
        'and every way from one to the next. Time in ticks of 30 s, load in hundredths, money ' +
        'in cents. Sought: one way through, of greatest value, then least cost, then least ' +
        'idle ticks, then smallest option ids.',
      ...z.toJSONSchema(planCaseDocument, { target: 'draft-2020-12' }),
    },
  }
}
