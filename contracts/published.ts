import { z } from 'zod'
import { visitDocument } from './exchange'

/** The open formats as JSON Schema 2020-12, by the file they are published in under `docs/formats`. */
export function publishedSchemas(): Record<string, object> {
  return {
    'visit.schema.json': { $id: 'urn:oak-basin:format:visit:1', title: 'A sealed visit', description: 'One sealed visit with its parts, their salted commitments and its later amendments.', ...z.toJSONSchema(visitDocument, { target: 'draft-2020-12' }) },
  }
}
