/** Chance that falls the same way each time: a multiplicative congruential generator (Lehmer). */
export function seeded(seed: number) {
  let state = seed
  const next = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647
  return {
    chance: (share: number) => next() < share,
    oneOf: <Item>(items: readonly Item[]): Item | undefined =>
      items[Math.floor(next() * items.length)],
  }
}
export type Seeded = ReturnType<typeof seeded>
