import fc from 'fast-check'

/*
 * `./test` meets the same random people every time, so that it is red when something has been changed
 * and not when the dice fall badly; `./test full` throws anew, and says the seed of what it finds.
 * OAK_SEED tries another seed.
 */
const SEED = 20_261_128
/** In haste a property is looked at for no longer than this: what it has seen by then counts. */
const HASTE_MS = 800
if (!process.env.OAK_FULL)
  fc.configureGlobal({
    seed: Number(process.env.OAK_SEED ?? SEED),
    ...(process.env.OAK_HASTE ? { interruptAfterTimeLimit: HASTE_MS } : {}),
  })
