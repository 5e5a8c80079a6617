import type { PeopleOrder } from '#contracts/people'
import type { FileLine, PeoplePage, PersonLine } from '#contracts/replies/people'
import { fieldDay } from './dates'
import type { useApi } from './useApi'

type Api = ReturnType<typeof useApi>

/** What a list is put in order by, and whether the last comes first. */
export interface Order {
  by: PeopleOrder
  down: boolean
}
const BY_NAME: Order = { by: 'name', down: false }

/** A page of the people in one's care, as the server finds and cuts them. */
export function peoplePage(
  api: Api,
  words: string,
  page = 1,
  { by, down }: Order = BY_NAME,
  tag = '',
): Promise<PeoplePage> {
  const asked = new URLSearchParams({
    q: words.trim().slice(0, 60),
    tag,
    page: String(page),
    order: by,
    down: String(down),
  })
  return api<PeoplePage>(`/api/people?${asked}`)
}

/** Tags that are in use. */
export async function findPeoplesTags(api: Api): Promise<string[]> {
  return (await peoplePage(api, '')).tags
}

/** The first people that fit, for choosing one. */
export async function findPeople(api: Api, words: string): Promise<PersonLine[]> {
  return (await peoplePage(api, words)).people
}

/** What tells two people of one name apart: "born 3 Feb 1988"; empty where the name is enough. */
export function apartWords({
  alike,
  born,
  phone,
  work,
}: Pick<PersonLine, 'alike' | 'born' | 'phone' | 'work'>): string {
  if (!alike) return ''
  if (born) return `born ${fieldDay(born)}`
  return phone ?? work ?? 'no birthday or phone on file'
}

/** What tells a file from another of the same name. */
export const aboutFile = ({ born, phone, email, work }: FileLine): string =>
  [born && `born ${fieldDay(born)}`, phone, email, work].filter(Boolean).join(', ') ||
  'no birthday or phone on file'
