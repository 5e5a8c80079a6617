/** Devices of the treatment room as stand-ins: what each is set in, and between which ends. */
export const DEVICES = {
  tipMachine: { unit: 'kPa', least: 0, most: 40, level: 8 },
  crystalMachine: { unit: 'kPa', least: 0, most: 40, level: 8 },
  steamer: { unit: '%', least: 0, most: 100, level: 50 },
  lamp: { unit: 'mW/cm²', least: 0, most: 120, level: 30 },
  highFrequencyWand: { unit: '', least: 0, most: 10, level: 1 },
  microcurrentWand: { unit: 'µA', least: 0, most: 500, level: 40 },
  towelCabinet: { unit: '°C', least: 20, most: 80, level: 70 },
}
export const DEVICE_FAULTS = [
  'unplugged',
  'late',
  'garbage',
  'nonsense',
  'wrongUnit',
  'lies',
  'sticks',
  'notReady',
]
/** A device that does not do as it is told stands this much higher. */
const STICKS_BY = 6

/** @param {keyof typeof DEVICES} kind */
export function newDevice(kind, bench) {
  const { unit, least, most, level } = DEVICES[kind]
  const state = { level, running: false }
  const fault = () => bench.faults.get(kind)
  const now = () => ({
    ready: fault() !== 'notReady',
    running: state.running,
    level: fault() === 'nonsense' ? 'warm' : state.level,
    unit: fault() === 'wrongUnit' ? 'bar' : unit,
  })
  /** Takes the level it is given, as far as it can go; one that sticks goes where it likes. */
  function turn(to) {
    const wanted = Math.min(most, Math.max(least, to))
    state.level = fault() === 'sticks' ? wanted + STICKS_BY : wanted
  }
  return {
    state,
    hello: () => ({
      device: fault() === 'lies' ? 'kettle' : kind,
      serial: `ROOM-${kind.slice(0, 3).toUpperCase()}-01`,
      unit,
      least,
      most,
    }),
    answer(asked, line) {
      if (fault() === 'unplugged') return line.socket.destroy()
      if (fault() === 'garbage') return line.socket.write('\u0000\u0001 not a line\n')
      if (typeof asked.level === 'number') turn(asked.level)
      else if (typeof asked.run === 'boolean') state.running = asked.run && fault() !== 'notReady'
      else if (asked.status !== true) return line.say({ error: 'syntax' })
      if (fault() === 'late') return setTimeout(() => line.say(now()), bench.lateMs).unref()
      return line.say(now())
    },
  }
}
