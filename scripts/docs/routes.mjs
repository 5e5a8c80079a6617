/** All routes of the server: where each stands, what it says of itself, and who may come in. */
import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { ROOT } from '../say.mjs'

const API = join(ROOT, 'server', 'api')

const filesUnder = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name)
    return entry.isDirectory() ? filesUnder(path) : [path]
  })

/** @returns {{ method: string, path: string }} what a route's file name says */
function placeOf(file) {
  const parts = relative(API, file).replace(/\.ts$/, '').split('.')
  const method = parts.pop().toUpperCase()
  const path = `/api/${parts.join('.')}`.replace(/\/index$/, '')
  return { method, path }
}

/** Who may: what the route asks of the person before anything else. */
function whoMay(text) {
  if (/who: 'anyone'/.test(text)) return 'anyone'
  const visit = /visitFor\(me, id, '(\w+)'/.exec(text)
  if (visit) return `who may ${visit[1]} this visit`
  if (/clientFor\(/.test(text)) return 'who cares for this client'
  if (/ownerOnly\(/.test(text)) return 'the owner'
  if (/keepsShelf\(/.test(text)) return 'who keeps the shelf'
  if (/notTrainee\(/.test(text)) return 'owner and therapists'
  return /who: 'locked'/.test(text) ? 'staff, also locked' : 'staff'
}

/**
 * @param load reads a module of the tree by its path
 * @returns {Promise<{ method: string, path: string, who: string, spec: object }[]>} by path
 */
export async function allRoutes(load) {
  const routes = []
  for (const file of filesUnder(API).sort()) {
    const { default: handler } = await load(relative(ROOT, file))
    routes.push({ ...placeOf(file), who: whoMay(readFileSync(file, 'utf8')), spec: handler.spec })
  }
  return routes
}
