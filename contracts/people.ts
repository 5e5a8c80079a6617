import { z } from 'zod'
import { day, id, line, said } from './common'

const email = z.union([z.literal(''), z.email('an e-mail address')])
const millimetres = (least: number, most: number) =>
  z.int('whole millimetres').min(least, `at least ${least} mm`).max(most, `at most ${most} mm`)
const fields = {
  name: said(120),
  born: z.union([
    z.literal(''),
    day.refine(
      (d) => d >= '1900-01-01' && d <= new Date().toISOString().slice(0, 10),
      'a birthday from 1900 to today',
    ),
  ]),
  phone: line(40).refine(
    (p) => p === '' || /^[+0-9 ()/-]{4,40}$/.test(p),
    'digits, spaces, + ( ) / -',
  ),
  email,
  work: line(120),
  medicines: line(2000),
  notes: line(4000),
  faceHeightMm: millimetres(100, 300),
  faceWidthMm: millimetres(80, 250),
}
export const clientCreate = z.strictObject({ id, ...fields })
export const clientPatch = z.strictObject({ version: z.int(), ...fields })
export type ClientFields = Omit<z.infer<typeof clientCreate>, 'id'>

export const signIn = z.strictObject({
  email: z.email('an e-mail address'),
  password: z.string().min(1, 'must not be empty').max(200),
})
export const unlock = z.strictObject({
  code: z.string().regex(/^\d{4,8}$/, 'four to eight digits'),
})
export const setCode = z.strictObject({
  code: z.string().regex(/^\d{4,8}$/, 'four to eight digits'),
  password: z.string().min(1).max(200),
})
