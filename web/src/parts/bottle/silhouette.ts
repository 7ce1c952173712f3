import type { ContainerId } from '@hollow-bell/core/record';

/** Half of a bottle's section, from the floor up: heights and radii in cm, and where the mead stands when it is filled. */
interface Profile {
  points: readonly (readonly [heightCm: number, radiusCm: number])[];
  filledToCm: number;
}

const LONG: Profile = {
  points: [
    [0, 3.5],
    [0.4, 3.7],
    [18, 3.7],
    [20.5, 3.1],
    [23, 1.6],
    [29, 1.45],
    [30, 1.5],
  ],
  filledToCm: 26,
};
const STOUT: Profile = {
  points: [
    [0, 3.1],
    [0.4, 3.3],
    [14, 3.3],
    [17, 2.5],
    [20, 1.5],
    [23.4, 1.3],
    [24, 1.4],
  ],
  filledToCm: 21,
};
const PROFILES: Record<ContainerId, Profile> = {
  wine: LONG,
  other: LONG,
  'used beer': STOUT,
  'new beer': { ...STOUT, points: STOUT.points.map(([h, r]) => [h, r * 1.04]) },
  sparkling: {
    points: [
      [0, 4.1],
      [0.5, 4.4],
      [13, 4.4],
      [18, 3.6],
      [24, 1.8],
      [29, 1.5],
      [30, 1.65],
    ],
    filledToCm: 25,
  },
  'swing-top': {
    points: [
      [0, 3.4],
      [0.4, 3.6],
      [14.5, 3.6],
      [17.5, 2.9],
      [19.5, 1.6],
      [24, 1.35],
      [24.6, 1.5],
    ],
    filledToCm: 21,
  },
  plastic: {
    points: [
      [0, 2.9],
      [1.2, 3.5],
      [14, 3.5],
      [19, 2.2],
      [21, 1.35],
      [22.5, 1.35],
    ],
    filledToCm: 19.5,
  },
  keg: {
    points: [
      [0, 10.5],
      [2, 11],
      [50, 11],
      [56, 9],
      [58, 9.4],
    ],
    filledToCm: 50,
  },
};

/** Milliliters below a height, by rings. */
function belowMl({ points }: Profile, heightCm: number): number {
  return points.slice(1).reduce((sum, [h1, r1], i) => {
    const [h0 = 0, r0 = 0] = points[i] ?? [];
    if (heightCm <= h0) return sum;
    const top = Math.min(heightCm, h1);
    const rTop = r0 + ((r1 - r0) * (top - h0)) / (h1 - h0);
    return sum + ((Math.PI * (top - h0)) / 3) * (r0 * r0 + r0 * rTop + rTop * rTop);
  }, 0);
}

export interface Silhouette {
  heightCm: number;
  widthCm: number;
  /** Half-sections, scaled so that it holds its milliliters up to the fill line. */
  points: [heightCm: number, radiusCm: number][];
  /** Where so much of it stands. */
  levelCm: (ml: number) => number;
}

/** A bottle as it stands, to its true milliliters. */
export function silhouetteOf(kind: ContainerId | undefined, sizeMl: number): Silhouette {
  const profile = PROFILES[kind ?? 'other'];
  const scale = Math.cbrt(sizeMl / belowMl(profile, profile.filledToCm));
  const points = profile.points.map(([h, r]): [number, number] => [h * scale, r * scale]);
  const scaled: Profile = { points, filledToCm: profile.filledToCm * scale };
  const levelCm = (ml: number): number => {
    let [low, high] = [0, points.at(-1)?.[0] ?? 0];
    for (let i = 0; i < 30; i += 1) {
      const middle = (low + high) / 2;
      if (belowMl(scaled, middle) < ml) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  };
  return { heightCm: points.at(-1)?.[0] ?? 0, widthCm: 2 * Math.max(...points.map(([, r]) => r)), points, levelCm };
}

/** The outline up to a height, as an SVG path: the axis at x, the floor at y. */
export function outline({ points }: Silhouette, scale: number, x: number, y: number, toCm = Number.POSITIVE_INFINITY): string {
  const side: [number, number][] = [];
  for (const [i, [h, r]] of points.entries()) {
    if (h <= toCm) side.push([h, r]);
    else {
      const [h0 = 0, r0 = 0] = points[i - 1] ?? [];
      side.push([toCm, r0 + ((r - r0) * (toCm - h0)) / (h - h0)]);
      break;
    }
  }
  const at = (h: number, r: number): string => `${(x + r * scale).toFixed(1)} ${(y - h * scale).toFixed(1)}`;
  return `M${side.map(([h, r]) => at(h, -r)).join('L')}L${side
    .toReversed()
    .map(([h, r]) => at(h, r))
    .join('L')}Z`;
}
