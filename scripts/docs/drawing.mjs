import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT, run } from '../say.mjs'

const BEGIN = '<!-- drawn from the imports: npm run formats -->'
const END = '<!-- end of the drawing -->'
const PLACES = ['core', 'contracts', 'db', 'server', 'app']
/** Kept apart from the rooms: tests, and the wiring that a framework finds by its place. */
const LEFT_OUT = /\.test\.ts$|^core\/testing\/|^server\/(plugins|middleware)\/|^app\/plugins\//

/** The room a file stands in: `core/planning/search`, `server/services`, `db`. */
function roomOf(file) {
  const [place, room, floor] = file.replace(/\.(ts|vue)$/, '').split('/')
  if (!PLACES.includes(place) || LEFT_OUT.test(file)) return null
  if (place === 'contracts' || place === 'db') return place
  if (place === 'core' && room === 'planning') return `core/planning/${floor}`
  return `${place}/${room}`
}

/** What the import checker finds in the sources, as its JSON. */
async function cruised() {
  const checker = join(ROOT, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs')
  const config = ['--config', '.dependency-cruiser.cjs', '--output-type', 'json']
  const { output } = await run(process.execPath, [checker, ...config, ...PLACES])
  return output.slice(output.indexOf('{'))
}

/** Who imports whom, room by room, as the import checker reads the sources or has read them already. */
async function arrows(readAlready) {
  const { modules } = JSON.parse(readAlready ? readFileSync(readAlready, 'utf8') : await cruised())
  const below = new Map()
  for (const { source, dependencies } of modules) {
    const room = roomOf(source)
    if (!room) continue
    const known = below.get(room) ?? new Set()
    below.set(room, known)
    for (const { resolved } of dependencies) {
      const other = roomOf(resolved)
      if (other && other !== room) known.add(other)
    }
  }
  return below
}

/** All rooms below one, over any number of steps, but not by way of those seen already. */
function reached(below, from, seen = new Set()) {
  for (const next of below.get(from) ?? []) {
    if (seen.has(next)) continue
    seen.add(next)
    reached(below, next, seen)
  }
  return seen
}

/** An arrow that a longer way tells already is left out: what remains is the stair. */
function stair(below) {
  const lines = []
  for (const [room, direct] of [...below].sort(([one], [other]) => one.localeCompare(other)))
    for (const target of [...direct].sort()) {
      const told = [...direct].some(
        (other) => other !== target && reached(below, other, new Set([room])).has(target),
      )
      if (!told) lines.push([target, room])
    }
  return lines
}

const id = (room) => room.replaceAll('/', '_')
const label = (room) => room.replace(/^core\/(planning\/)?/, '')

/**
 * Puts the drawing of the rooms between its two marks.
 * @param page the page of the architecture, as Markdown
 * @param readAlready file with what the import checker found, where it has run already
 * @throws Error where the marks are missing
 */
export async function withDrawing(page, readAlready) {
  const from = page.indexOf(BEGIN)
  const to = page.indexOf(END)
  if (from < 0 || to < from)
    throw new Error('docs/architecture.md has lost the marks of its drawing')
  const below = await arrows(readAlready)
  const inside = (prefix) => [...below.keys()].filter((room) => room.startsWith(prefix)).sort()
  const boxes = (rooms) => rooms.map((room) => `${id(room)}["${label(room)}"]`)
  const planning = inside('core/planning/')
  const core = inside('core/').filter((room) => !planning.includes(room))
  const drawing = [
    '```mermaid',
    'flowchart TD',
    'subgraph core [core: pure, the same in page, worker, server and test]',
    ...boxes(core),
    'subgraph planning',
    ...boxes(planning),
    'end',
    'end',
    ...boxes([...below.keys()].filter((room) => !room.startsWith('core/')).sort()),
    ...stair(below).map(([lower, upper]) => `${id(lower)} --> ${id(upper)}`),
    '```',
  ].join('\n')
  return `${page.slice(0, from)}${BEGIN}\n\n${drawing}\n\n${page.slice(to)}`
}
