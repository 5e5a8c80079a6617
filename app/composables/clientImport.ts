import type { Double } from '#contracts/replies/clientFile'
import { guessMapping, type ImportField, type Mapping } from '#contracts/addressBook/columns'
import { readCsv, type ReadFile } from '#contracts/addressBook/csv'
import type { DayOrder } from '#contracts/addressBook/days'
import { dayOrderOf, saidIn, toClient, twiceIn } from '#contracts/addressBook/rows'
import { encodingOf, textOf, type Encoding } from '#contracts/addressBook/text'
import { readVcards } from '#contracts/addressBook/vcards'
import { useApi } from './useApi'

/** How the fields of a client are called. */
export const IMPORT_WORDS: Readonly<Record<ImportField, string>> = {
  name: 'Name',
  first: 'First name',
  last: 'Surname',
  born: 'Born',
  phone: 'Phone',
  email: 'E-mail',
  work: 'Work',
  medicines: 'Medicines',
  notes: 'Notes',
}

const readText = (text: string): ReadFile | undefined => {
  try {
    return /^\s*BEGIN:VCARD/i.test(text) ? readVcards(text) : readCsv(text)
  } catch {
    return undefined
  }
}

/** How the bytes and days of a file are read, which column is what, what was mended by hand. */
function useReadFile() {
  let bytes = new Uint8Array()
  const encoding = ref<Encoding>('utf-8')
  const file = shallowRef<ReadFile | null>(null)
  const mapping = ref<Mapping>({})
  const order = ref<DayOrder | undefined>()
  const mended = ref(new Map<number, Partial<Record<ImportField, string>>>())
  const shownOrder = computed(() => file.value && dayOrderOf(file.value, mapping.value))
  const rows = computed(() =>
    (file.value?.rows ?? []).map((row, at) =>
      toClient(
        { ...saidIn(row, mapping.value), ...mended.value.get(at) },
        order.value ?? shownOrder.value ?? undefined,
      ),
    ),
  )
  function read() {
    file.value = readText(textOf(bytes, encoding.value)) ?? null
    mapping.value = guessMapping(file.value?.headers ?? [])
    mended.value = new Map()
    order.value = undefined
  }
  return {
    encoding,
    file,
    mapping,
    order,
    rows,
    asksOrder: computed(() => shownOrder.value === undefined),
    open: async (chosen: File) => {
      bytes = new Uint8Array(await chosen.arrayBuffer())
      encoding.value = encodingOf(bytes)
      read()
    },
    recode: (to: Encoding) => {
      encoding.value = to
      read()
    },
    mend: (at: number, field: ImportField, text: string) => {
      mended.value = new Map(mended.value).set(at, { ...mended.value.get(at), [field]: text })
    },
  }
}

/** A file of clients on its way in: how it is read, who is here already, and what is left out. */
export function useClientImport() {
  const api = useApi()
  const reading = useReadFile()
  const { file, mapping, rows } = reading
  const doubles = ref<Double[]>([])
  /** Rows that are left out: doubles to begin with, and whatever is ticked off. */
  const left = ref<Set<number>>(new Set())
  const twice = computed(() => twiceIn(rows.value))
  const good = computed(() =>
    rows.value.flatMap((row, at) => (row.wrong.length === 0 && !left.value.has(at) ? [row] : [])),
  )
  /** Who is here already, or stands in the file twice, is left out until somebody ticks the row. */
  async function look() {
    const asked = rows.value.map(({ fields: { name, born, phone } }) => ({
      name: name.slice(0, 200),
      born,
      phone: phone.slice(0, 60),
    }))
    doubles.value = await api('/api/clients/check', { method: 'POST', body: { rows: asked } })
    left.value = new Set([
      ...doubles.value.filter(({ why }) => why !== 'name alone').map(({ row }) => row),
      ...twice.value.keys(),
    ])
  }
  return {
    ...reading,
    twice,
    good,
    bad: computed(() => rows.value.filter((row) => row.wrong.length > 0).length),
    doubles,
    left,
    /** @returns whether there is anything in it */
    choose: async (chosen: File) => {
      await reading.open(chosen)
      if (file.value) await look()
      return file.value !== null
    },
    recode: async (to: Encoding) => {
      reading.recode(to)
      if (file.value) await look()
    },
    remap: (to: Mapping) => {
      mapping.value = to
      return look()
    },
    leave: (at: number) => {
      const next = new Set(left.value)
      if (!next.delete(at)) next.add(at)
      left.value = next
    },
    forget: () => (file.value = null),
  }
}
