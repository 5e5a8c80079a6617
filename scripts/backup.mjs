import { createCipheriv, createDecipheriv, randomBytes, scryptSync } from 'node:crypto'
import {
  closeSync,
  createReadStream,
  createWriteStream,
  fstatSync,
  openSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Trouble } from './say.mjs'

/**
 * A backup file: one line of JSON that says how it is locked, then everything else under AES-256-GCM
 * (the line is authenticated with it), then the sixteen bytes that prove it whole. Inside: four
 * bytes of length, the manifest as JSON, and PostgreSQL's own custom dump. docs/formats/backup.md.
 */
const FORMAT = 'oak-basin-backup/1'
const TAG_BYTES = 16
const KEY_BYTES = 32
const IV_BYTES = 12
const HEADER_MOST = 2000
/** RFC 7914 names these for interactive use; the memory they take is what makes guessing dear. */
const SCRYPT = { N: 32_768, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }
export const LEAST_PASSPHRASE = 12

const keyOf = (passphrase, salt) =>
  scryptSync(passphrase.normalize('NFKC'), salt, KEY_BYTES, SCRYPT)

/**
 * Locks a dump and its manifest into one file; it appears under its name only when it is whole.
 * @param dump a readable stream
 */
export async function lockBackup(file, passphrase, manifest, dump) {
  const salt = randomBytes(16)
  const iv = randomBytes(IV_BYTES)
  const { N, r, p } = SCRYPT
  const lock = { kdf: 'scrypt', N, r, p, salt: salt.toString('base64') }
  const seal = { cipher: 'aes-256-gcm', iv: iv.toString('base64') }
  const header = Buffer.from(`${JSON.stringify({ format: FORMAT, ...lock, ...seal })}\n`)
  const cipher = createCipheriv('aes-256-gcm', keyOf(passphrase, salt), iv)
  cipher.setAAD(header)
  const beside = `${file}.new`
  try {
    const out = createWriteStream(beside, { mode: 0o600 })
    out.write(header)
    const inside = Buffer.from(JSON.stringify(manifest))
    const length = Buffer.alloc(4)
    length.writeUInt32BE(inside.length)
    let begun = false
    const body = new Transform({
      transform(chunk, _, done) {
        if (!begun) this.push(cipher.update(Buffer.concat([length, inside])))
        begun = true
        done(null, cipher.update(chunk))
      },
      flush(done) {
        this.push(cipher.final())
        this.push(cipher.getAuthTag())
        done()
      },
    })
    await pipeline(dump, body, out)
    renameSync(beside, file)
  } catch (error) {
    rmSync(beside, { force: true })
    throw error
  }
  return statSync(file).size
}

function readHeader(file) {
  let handle
  try {
    handle = openSync(file, 'r')
  } catch {
    throw new Trouble(`There is no backup at ${file}.`)
  }
  try {
    const { size } = fstatSync(handle)
    const first = Buffer.alloc(Math.min(HEADER_MOST, size))
    readSync(handle, first, 0, first.length, 0)
    const end = first.indexOf('\n')
    const header = JSON.parse(first.subarray(0, end).toString())
    if (header.format !== FORMAT) throw new Error('another format')
    const tag = Buffer.alloc(TAG_BYTES)
    readSync(handle, tag, 0, TAG_BYTES, size - TAG_BYTES)
    return { header, line: first.subarray(0, end + 1), tag, size }
  } catch {
    throw new Trouble(`${file} is no backup of a house, or its first line is damaged.`)
  } finally {
    closeSync(handle)
  }
}

/**
 * Opens a backup. The dump is written to a file of its own, and is to be used only because this
 * returned: until the last byte was proved nothing of it is true.
 * @param to where the dump is put
 * @param far is told how many bytes of how many are read
 * @returns the manifest
 * @throws Trouble for a wrong passphrase and a cut or changed file alike
 */
export async function unlockBackup(file, passphrase, to, far = () => {}) {
  const { header, line, tag, size } = readHeader(file)
  const key = keyOf(passphrase, Buffer.from(header.salt, 'base64'))
  const decipher = createDecipheriv('aes-256-gcm', key, Buffer.from(header.iv, 'base64'))
  decipher.setAAD(line)
  decipher.setAuthTag(tag)
  let head = Buffer.alloc(0)
  let manifest
  let read = 0
  const split = (chunk) => {
    if (manifest !== undefined) return chunk
    head = Buffer.concat([head, chunk])
    if (head.length < 4) return Buffer.alloc(0)
    const length = head.readUInt32BE(0)
    if (head.length < 4 + length) return Buffer.alloc(0)
    manifest = head.subarray(4, 4 + length).toString()
    return head.subarray(4 + length)
  }
  const open = new Transform({
    transform(chunk, _, done) {
      read += chunk.length
      far(read, size)
      done(null, split(decipher.update(chunk)))
    },
    flush(done) {
      try {
        const rest = decipher.final()
        done(null, split(rest))
      } catch (error) {
        done(error)
      }
    },
  })
  try {
    const body = createReadStream(file, { start: line.length, end: size - TAG_BYTES - 1 })
    await pipeline(body, open, createWriteStream(to, { mode: 0o600 }))
    return JSON.parse(manifest)
  } catch {
    rmSync(to, { force: true })
    throw new Trouble(
      `${file} does not open: the passphrase is another one, or the file was cut or changed. ` +
        'Nothing was restored.',
    )
  }
}
