import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { filesUnder } from '../support/tradeGate'

it('colours stand in the theme only', () => {
  const files = filesUnder('app').filter((file) => !file.startsWith('app/theme/'))
  const styles = readdirSync('app/assets').map((name) => join('app/assets', name))
  const withHex = [...files, ...styles.filter((name) => name.endsWith('.css'))].filter((file) =>
    /#[0-9a-f]{6}\b|#[0-9a-f]{3}\b(?=[;,\s)])/i.test(readFileSync(file, 'utf8')),
  )
  expect(withHex).toEqual([])
})
