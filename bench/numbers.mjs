export const quantile = (list, q) => {
  const s = [...list].sort((a, b) => a - b)
  return s[Math.min(s.length - 1, Math.floor(q * s.length))] ?? 0
}
export const ms = (n) => `${n.toFixed(n < 10 ? 2 : 1)} ms`
export const times = (n) => `${n.toFixed(2)} ×`
export const FRAME_MS = 1000 / 60

/**
 * The same small work over and over: how much longer than its median it takes now and then, which
 * is the machine and not the code.
 */
export function unrest(times = 300) {
  const all = []
  for (let k = 0; k < times; k++) {
    const began = performance.now()
    let x = 1
    for (let i = 0; i < 2_500_000; i++) x = (x * 31 + i) | 0
    all.push(performance.now() - began + (x === 0 ? 1 : 0))
  }
  return quantile(all, 0.95) / quantile(all, 0.5)
}
