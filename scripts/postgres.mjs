import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { debian, isRoot, Trouble } from './say.mjs'

const LIB = '/usr/lib/postgresql'

/** The newest server's folder of programs, if a server is installed. */
function findPrograms() {
  if (!existsSync(LIB)) return undefined
  const version = readdirSync(LIB)
    .filter(
      (value) =>
        existsSync(join(LIB, value, 'bin', 'initdb')) &&
        existsSync(join(LIB, value, 'bin', 'postgres')),
    )
    .sort((one, other) => Number(other) - Number(one))[0]
  return version && join(LIB, version, 'bin')
}

export async function ensurePostgres() {
  const found = findPrograms()
  if (found) return found
  if (isRoot() && !existsSync('/etc/postgresql-common/createcluster.conf')) {
    // Debian would otherwise make and start a cluster of its own that nobody here needs.
    mkdirSync('/etc/postgresql-common', { recursive: true })
    writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n')
  }
  await debian(['postgresql'], 'PostgreSQL')
  const now = findPrograms()
  if (!now)
    throw new Trouble(
      'PostgreSQL was installed but its programs are not under /usr/lib/postgresql.',
    )
  return now
}
