import { randomBytes } from 'node:crypto'
import {
  closeSync,
  existsSync,
  fsyncSync,
  openSync,
  readFileSync,
  renameSync,
  writeSync,
} from 'node:fs'
import { Trouble } from './say.mjs'

const WORDS = ['superuser', 'owner', 'app', 'session']

/** New passwords for a cluster's roles and the key that seals sessions. */
export function freshSecrets(port) {
  const word = (bytes) => randomBytes(bytes).toString('base64url')
  return { port, superuser: word(24), owner: word(24), app: word(24), session: word(48) }
}

/** Written beside its place and moved there when whole: a cut-off write leaves the old file. */
export function writeSecrets(file, secrets) {
  const beside = `${file}.new`
  const handle = openSync(beside, 'w', 0o600)
  writeSync(handle, JSON.stringify(secrets, null, 2))
  fsyncSync(handle)
  closeSync(handle)
  renameSync(beside, file)
}

/**
 * The secrets of a cluster. A cluster without its secrets cannot be opened, but it is never taken
 * for rubbish either.
 * @param file where they are kept
 * @param data the cluster's folder, where there is one
 * @returns undefined where there are neither secrets nor a cluster
 * @throws Trouble that names the file and says how to go on
 */
export function readSecrets(file, data) {
  const goOn =
    `${data ? `The data in ${data} is untouched. ` : ''}Nothing was changed.\n` +
    `Put ${file} back from a backup and start again. To give the data up for good instead: ` +
    './start --reset.'
  if (!existsSync(file)) {
    if (data) throw new Trouble(`The secrets file ${file} is missing. ${goOn}`)
    return undefined
  }
  let secrets
  try {
    secrets = JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    throw new Trouble(`The secrets file ${file} is broken: it is not JSON. ${goOn}`)
  }
  const wrong = WORDS.find((word) => typeof secrets?.[word] !== 'string' || secrets[word] === '')
  if (wrong !== undefined)
    throw new Trouble(`The secrets file ${file} is broken: it holds no "${wrong}". ${goOn}`)
  if (!Number.isInteger(secrets.port))
    throw new Trouble(`The secrets file ${file} is broken: it holds no "port". ${goOn}`)
  return secrets
}
