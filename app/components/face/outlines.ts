import type { ZoneId } from '#core/face/zones'

/**
 * Half of the face in points: x from the midline outward, y down. A zone at the midline is drawn
 * across it, any other once for each side.
 */
type Points = readonly (readonly [number, number])[]
interface Outline {
  mid?: true
  points: Points
}

const OUTLINES: Record<string, Outline> = {
  hairline: {
    mid: true,
    points: [
      [0, 40],
      [44, 43],
      [80, 56],
      [99, 78],
      [89, 80],
      [72, 66],
      [40, 58],
      [0, 56],
    ],
  },
  forehead: {
    mid: true,
    points: [
      [0, 58],
      [40, 60],
      [72, 68],
      [89, 82],
      [94, 110],
      [91, 127],
      [62, 117],
      [38, 119],
      [18, 128],
      [0, 127],
    ],
  },
  glabella: {
    mid: true,
    points: [
      [0, 130],
      [16, 132],
      [16, 152],
      [13, 168],
      [0, 170],
    ],
  },
  temple: {
    points: [
      [96, 112],
      [92, 84],
      [102, 80],
      [116, 104],
      [122, 144],
      [124, 184],
      [101, 182],
      [97, 156],
      [93, 130],
    ],
  },
  eye: {
    points: [
      [20, 134],
      [40, 125],
      [62, 123],
      [88, 133],
      [95, 156],
      [97, 180],
      [78, 196],
      [52, 199],
      [28, 190],
      [18, 168],
    ],
  },
  nose: {
    mid: true,
    points: [
      [0, 174],
      [12, 174],
      [15, 206],
      [20, 232],
      [25, 250],
      [20, 264],
      [0, 270],
    ],
  },
  crease: {
    points: [
      [24, 230],
      [31, 238],
      [36, 256],
      [31, 269],
      [24, 266],
      [28, 252],
    ],
  },
  cheek: {
    points: [
      [30, 196],
      [52, 204],
      [80, 200],
      [100, 188],
      [113, 196],
      [113, 232],
      [108, 262],
      [94, 290],
      [74, 302],
      [62, 292],
      [52, 272],
      [40, 258],
      [34, 236],
      [24, 214],
      [20, 198],
    ],
  },
  ear: {
    points: [
      [117, 190],
      [125, 188],
      [124, 226],
      [119, 258],
      [112, 272],
      [117, 230],
    ],
  },
  fold: {
    points: [
      [38, 262],
      [48, 272],
      [58, 292],
      [60, 308],
      [52, 314],
      [46, 298],
      [36, 278],
      [34, 268],
    ],
  },
  upperLip: {
    mid: true,
    points: [
      [0, 274],
      [20, 270],
      [32, 276],
      [42, 296],
      [40, 302],
      [22, 294],
      [8, 292],
      [0, 296],
    ],
  },
  lips: {
    mid: true,
    points: [
      [0, 300],
      [8, 296],
      [22, 298],
      [42, 308],
      [28, 322],
      [12, 328],
      [0, 329],
    ],
  },
  chin: {
    mid: true,
    points: [
      [0, 333],
      [14, 332],
      [32, 325],
      [48, 314],
      [56, 320],
      [56, 344],
      [44, 368],
      [24, 382],
      [0, 386],
    ],
  },
  jaw: {
    points: [
      [62, 312],
      [66, 304],
      [78, 306],
      [98, 294],
      [110, 276],
      [104, 306],
      [88, 340],
      [66, 366],
      [46, 380],
      [58, 348],
      [60, 326],
    ],
  },
  underChin: {
    mid: true,
    points: [
      [0, 390],
      [24, 386],
      [46, 384],
      [64, 372],
      [62, 394],
      [44, 408],
      [0, 414],
    ],
  },
  neckFront: {
    mid: true,
    points: [
      [0, 418],
      [40, 412],
      [46, 440],
      [50, 470],
      [0, 480],
    ],
  },
  neckSide: {
    points: [
      [46, 410],
      [66, 396],
      [72, 430],
      [86, 462],
      [54, 470],
      [50, 440],
    ],
  },
  decollete: {
    mid: true,
    points: [
      [0, 484],
      [52, 474],
      [90, 466],
      [134, 482],
      [158, 520],
      [118, 540],
      [0, 546],
    ],
  },
}

export const MIDDLE = 170

/** A closed smooth curve through points (Catmull–Rom as cubic Béziers). */
export function smooth(points: Points, tension: number): string {
  const length = points.length
  const at = (i: number) => points[(i + length) % length] ?? [0, 0]
  let path = `M${at(0)[0].toFixed(1)},${at(0)[1].toFixed(1)}`
  for (let i = 0; i < length; i++) {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)]
    const control = (
      one: readonly [number, number],
      other: readonly [number, number],
      from: readonly [number, number],
      sign: number,
    ) => {
      const along = (axis: 0 | 1) =>
        (from[axis] + (sign * (other[axis] - one[axis]) * tension) / 3).toFixed(1)
      return `${along(0)},${along(1)}`
    }
    path += `C${control(p0, p2, p1, 1)} ${control(p1, p3, p2, -1)} ${p2[0].toFixed(1)},${p2[1].toFixed(1)}`
  }
  return `${path}Z`
}

const across = (points: Points): Points => {
  const right = points.filter((point) => point[0] > 0)
  const top = points[0] ?? [0, 0]
  const bottom = points[points.length - 1] ?? [0, 0]
  return [
    [MIDDLE, top[1]],
    ...right.map((point): [number, number] => [MIDDLE + point[0], point[1]]),
    [MIDDLE, bottom[1]],
    ...[...right].reverse().map((point): [number, number] => [MIDDLE - point[0], point[1]]),
  ]
}

export interface ZoneShape {
  zone: ZoneId
  d: string
  centre: readonly [number, number]
}

/** The client's left is on the viewer's right: the face looks at us. */
export const SHAPES: readonly ZoneShape[] = Object.entries(OUTLINES).flatMap(([name, value]) => {
  const middle = (points: Points): readonly [number, number] => [
    points.reduce((sum, point) => sum + point[0], 0) / points.length,
    points.reduce((sum, point) => sum + point[1], 0) / points.length,
  ]
  if (value.mid) {
    const points = across(value.points)
    return [{ zone: name as ZoneId, d: smooth(points, 0.8), centre: middle(points) }]
  }
  return (
    [
      ['L', 1],
      ['R', -1],
    ] as const
  ).map(([side, sign]) => {
    const points = value.points.map((point): [number, number] => [
      MIDDLE + sign * point[0],
      point[1],
    ])
    return { zone: `${name}${side}` as ZoneId, d: smooth(points, 0.7), centre: middle(points) }
  })
})

const mirrored = (points: Points): Points => [
  ...points.map((point): [number, number] => [MIDDLE + point[0], point[1]]),
  ...points
    .slice(1, -1)
    .reverse()
    .map((point): [number, number] => [MIDDLE - point[0], point[1]]),
]
export const SILHOUETTE = smooth(
  mirrored([
    [0, 30],
    [60, 34],
    [104, 68],
    [122, 120],
    [127, 180],
    [124, 232],
    [114, 278],
    [92, 338],
    [66, 372],
    [30, 390],
    [0, 392],
  ]),
  0.9,
)
export const SHOULDERS = smooth(
  mirrored([
    [0, 376],
    [66, 366],
    [72, 430],
    [94, 462],
    [140, 482],
    [160, 522],
    [118, 544],
    [0, 550],
  ]),
  0.8,
)
