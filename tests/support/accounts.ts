/** The demo scenario's sign-ins. */
export const ACCOUNTS = {
  owner: {
    email: 'ilse@oakbasin.example',
    password: 'lake-wind-and-oak',
    code: '2604',
    name: 'Ilse Varga',
  },
  therapist: {
    email: 'tomas@oakbasin.example',
    password: 'stove-wood-in-march',
    code: '1187',
    name: 'Tomas Rehn',
  },
  trainee: {
    email: 'amara@oakbasin.example',
    password: 'snow-light-on-linen',
    code: '3391',
    name: 'Amara Oduya',
  },
} as const
export type Who = keyof typeof ACCOUNTS

/** What is asked for again before an account is opened, closed or made an owner's. */
export const AGAIN = (who: Who) => ({ password: ACCOUNTS[who].password })
