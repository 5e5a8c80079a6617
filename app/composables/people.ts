import type { PeoplePage, PersonLine } from '#contracts/replies/people'
import type { useApi } from './useApi'

type Api = ReturnType<typeof useApi>

/** A page of the people in one's care, as the server finds and cuts them. */
export function peoplePage(api: Api, words: string, page = 1): Promise<PeoplePage> {
  const asked = new URLSearchParams({ q: words.trim().slice(0, 60), page: String(page) })
  return api<PeoplePage>(`/api/people?${asked}`)
}

/** The first people that fit, for choosing one. */
export async function findPeople(api: Api, words: string): Promise<PersonLine[]> {
  return (await peoplePage(api, words)).people
}
