export const quantile = (list, share) => {
  const sorted = [...list].sort((one, other) => one - other)
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0
}
export const ms = (amount) => `${amount.toFixed(amount < 10 ? 2 : 1)} ms`
export const times = (amount) => `${amount.toFixed(2)} ×`
export const FRAME_MS = 1000 / 60

/**
 * The same small work over and over: how much longer than its median it takes now and then, which
 * is the machine and not the code.
 */
export function unrest(times = 300) {
  const all = []
  for (let run = 0; run < times; run++) {
    const began = performance.now()
    let x = 1
    for (let i = 0; i < 2_500_000; i++) x = (x * 31 + i) | 0
    all.push(performance.now() - began + (x === 0 ? 1 : 0))
  }
  return quantile(all, 0.95) / quantile(all, 0.5)
}
