export const quantile = (list, q) => { const s = [...list].sort((a, b) => a - b); return s[Math.min(s.length - 1, Math.floor(q * s.length))] ?? 0 }
export const ms = (n) => `${n.toFixed(n < 10 ? 2 : 1)} ms`
export const times = (n) => `${n.toFixed(2)} ×`
export const FRAME_MS = 1000 / 60
