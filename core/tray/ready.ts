import type { Tray } from './tray'

/** One thing to do before the client comes in, by the key under which its tick is kept. */
export interface Chore {
  key: string
  what: 'switchOn' | 'lay' | 'linen'
  name: string
  /** How it is laid: cold, in warm water. */
  beside?: string
}

/** Everything that is ticked before the client comes in, in the order of doing. */
export const choresOf = ({ devices, products, linen, tools }: Tray): Chore[] => [
  ...devices.map(({ kind, name }) => ({ key: `device-${kind}`, what: 'switchOn' as const, name })),
  ...products.map(({ key, name }) => ({ key: `product-${key}`, what: 'lay' as const, name })),
  ...tools.map(({ tool, name, say }) => ({
    key: `tool-${tool}`,
    what: 'linen' as const,
    name,
    ...(say ? { beside: say } : {}),
  })),
  ...linen.map(({ name, count }) => ({
    key: `linen-${name}`,
    what: 'linen' as const,
    name: `${count} ${name}`,
  })),
]

/** How far it is: ready once all is ticked and nothing is missing. */
export function readiness(
  tray: Tray,
  laid: (key: string) => boolean,
): { done: number; all: number; ready: boolean } {
  const chores = choresOf(tray)
  const done = chores.filter(({ key }) => laid(key)).length
  return {
    done,
    all: chores.length,
    ready: chores.length > 0 && done === chores.length && tray.missing.length === 0,
  }
}

/**
 * When the first hand is needed, in minutes from the start: the first device that warms up, or what
 * it takes to lay out.
 */
export const setFrom = (
  { devices }: { devices: readonly Pick<Tray['devices'][number], 'switchOnMinute'>[] },
  layMinutes: number,
): number => Math.min(-layMinutes, ...devices.map(({ switchOnMinute }) => switchOnMinute))
