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
