import { beforeAll, describe, expect, it } from 'vitest'
import type { ClientFile } from '#contracts/replies/clientFile'
import type { PeoplePage } from '#contracts/replies/people'
import { signedIn, testUrl, type Caller } from '../support/http'
import { book, someone, treating } from '../support/visit'

let owner: Caller
beforeAll(async () => {
  owner = await signedIn(testUrl(), 'owner')
})
const rowOf = async (id: string) =>
  ((await owner('/api/people?q=Aalto%20Listed')).body as PeoplePage).people.find(
    (person) => person.id === id,
  )

describe('the list of people', () => {
  it('counts a visit as the last one once it has begun, not when it is only booked', async () => {
    const client = await someone(owner, 'Aalto Listed')
    expect(await rowOf(client)).toMatchObject({ last: null, next: null })
    await book(owner, 'owner', client)
    expect(await rowOf(client)).toMatchObject({
      last: null,
      next: expect.stringMatching(/^\d{4}-\d\d-\d\d$/) as string,
    })
    await treating(owner, 'owner', client)
    expect((await rowOf(client))?.last).toMatch(/^\d{4}-\d\d-\d\d$/)
  })
})

describe('a long list', () => {
  const page = async (query: string) => (await owner(`/api/people?${query}`)).body as PeoplePage
  it('shows everyone once, page by page', async () => {
    for (let ownNumber = 0; ownNumber < 7; ownNumber++)
      await someone(owner, `Paged ${'abcdefg'[ownNumber]} Person`)
    const pages = [1, 2, 3].map((other) => page(`q=Paged&size=3&page=${other}`))
    const [first, second, third] = await Promise.all(pages)
    expect([first?.people.length, second?.people.length, third?.people.length]).toEqual([3, 3, 1])
    expect(first).toMatchObject({ total: 7, pages: 3 })
    const all = [first, second, third].flatMap((found) => found?.people ?? [])
    expect(all.map((person) => person.name)).toEqual(
      [...'abcdefg'].map((other) => `Paged ${other} Person`),
    )
  })
  it('finds by work as well, whatever the case, and takes a wildcard as a letter', async () => {
    expect((await page('q=ROWER')).people.length).toBeGreaterThan(0)
    expect((await page('q=%25')).total).toBe(0)
  })
  it('is put in order by every column, either way round, whoever has nothing there last', async () => {
    const ids = []
    for (const name of ['Sorted a', 'Sorted B', 'Sorted c']) ids.push(await someone(owner, name))
    await book(owner, 'owner', ids[1])
    await treating(owner, 'owner', ids[2])
    const names = async (query: string) =>
      (await page(`q=Sorted&${query}`)).people.map(({ name }) => name.slice(-1))
    expect(await names('')).toEqual(['a', 'B', 'c'])
    expect(await names('order=name&down=true')).toEqual(['c', 'B', 'a'])
    for (const down of [true, false]) {
      expect((await names(`order=next&down=${down}`))[0]).toBe('B')
      expect((await names(`order=last&down=${down}`))[0]).toBe('c')
    }
    expect((await owner('/api/people?order=born')).status).toBe(400)
  })
  it('says of whom there is another of the same name', async () => {
    await someone(owner, 'Twice Named')
    await someone(owner, 'TWICE named')
    await someone(owner, 'Twice Named Else')
    const { people } = await page('q=Twice Named')
    expect(people.map(({ alike }) => alike)).toEqual([true, true, false])
  })
  it('is cut to a tag of the house, which the desk neither sees nor gives', async () => {
    const [one, other] = [await someone(owner, 'Tagged One'), await someone(owner, 'Tagged Two')]
    const put = async (id: string, tags: string[]) => {
      const { client } = (await owner(`/api/people/${id}`)).body as ClientFile
      const { version, name, born } = client
      const rest = { phone: '', email: '', work: '', medicines: '', notes: '' }
      const body = { version, name, born, ...rest, faceHeightMm: 190, faceWidthMm: 140, tags }
      return owner(`/api/people/${id}`, { method: 'PATCH', body })
    }
    expect((await put(one, ['gift card', 'mornings'])).status).toBe(200)
    expect((await put(other, ['mornings', 'mornings'])).status).toBe(200)
    expect((await put(other, ['x'.repeat(31)])).status).toBe(400)
    const named = async (tag: string) =>
      (await page(`q=Tagged&tag=${encodeURIComponent(tag)}`)).people.map(({ name }) => name)
    expect(await named('gift card')).toEqual(['Tagged One'])
    expect(await named('mornings')).toEqual(['Tagged One', 'Tagged Two'])
    expect(await named('morning')).toEqual([])
    expect(await named("'] or 1=1")).toEqual([])
    const { tags } = await page('q=Tagged')
    expect(tags).toEqual(expect.arrayContaining(['gift card', 'mornings']))
    expect((await page('q=Tagged Two')).people[0]?.tags).toEqual(['mornings'])
  })
  it('says which field is wrong', async () => {
    const reply = await owner('/api/people?page=0')
    expect(reply.status).toBe(400)
    expect(reply.body).toMatchObject({ fields: [{ field: 'page' }] })
    expect((await owner('/api/people?q=a%00b')).status).toBe(400)
  })
})
