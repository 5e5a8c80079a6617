import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { AUDIT_ACTIONS } from '../../contracts/auditActions'

const routes = readdirSync('server/api', { recursive: true, encoding: 'utf8' }).filter((file) =>
  /\.(post|put|patch|delete)\.ts$/.test(file),
)
const source = (file: string) => readFileSync(join('server/api', file), 'utf8')

describe('the audit', () => {
  it('has a line for every route that writes, or the reason why it has none', () => {
    expect(routes.length).toBeGreaterThan(60)
    const silent = routes.filter((file) => !/\b(does|quiet): /.test(source(file)))
    expect(silent).toEqual([])
    const quiet = routes.filter((file) => /\bquiet: /.test(source(file)))
    // Each of them is known here: a new one is looked at by somebody.
    expect(quiet.map((file) => file.replaceAll('\\', '/')).sort()).toEqual([
      'card/open.post.ts',
      'clients/check.post.ts',
      'form/open.post.ts',
      'form/submit.post.ts',
      'how/open.post.ts',
      'how/submit.post.ts',
      'join/open.post.ts',
      'people/files/read.post.ts',
      'session.post.ts',
      'setup/open.post.ts',
      'visits/[id]/device.post.ts',
      'visits/[id]/events.post.ts',
      'visits/[id]/laid.put.ts',
    ])
  })
  it('has words for each, so that no line shows a name of the code', () => {
    for (const [action, words] of Object.entries(AUDIT_ACTIONS))
      expect(words.length, action).toBeGreaterThan(4)
  })
  it('writes its lines after the deed: no route writes one by itself', () => {
    const own = routes.filter((file) => /writeAudit\(/.test(source(file)))
    expect(own).toEqual([])
  })
})
