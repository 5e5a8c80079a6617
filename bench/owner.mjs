/** Signs the owner of a demo house in. @returns the cookie that their requests carry */
export async function ownerCookie({ address, accounts }) {
  const owner = accounts.find((account) => account.role === 'owner')
  const reply = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { origin: address, 'content-type': 'application/json' },
    body: JSON.stringify({ email: owner.email, password: owner.password }),
  })
  return (reply.headers.getSetCookie().at(-1) ?? '').split(';')[0]
}

/** Reads a house's routes as its owner does. */
export async function ownerGets(house) {
  const cookie = await ownerCookie(house)
  return async (path) => {
    const answer = await fetch(`${house.address}${path}`, { headers: { cookie } })
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
    return answer.json()
  }
}
