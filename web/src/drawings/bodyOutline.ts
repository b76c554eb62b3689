// A body's outline in fine line, from kind, wheelbase, tyres and the height of the centre of gravity; no real car.
import type { Car } from "@/api/client";

/** Behind the front hubs and above the ground, m. */
type Point = readonly [behind: number, up: number];

export interface Body {
  /** How far it reaches before the front hubs and behind the rear ones, and how high, m. */
  ahead: number;
  after: number;
  height: number;
  /** Lines to be drawn, as SVG paths in px. */
  paths: (at: (behind: number, up: number) => { x: number; y: number }) => { line: string; fine: boolean }[];
}

interface Profile {
  ahead: number;
  after: number;
  roof: number;
  /** Usual height of the centre of gravity: a car with a higher one stands higher. */
  cg: number;
  sill: number;
  arches: boolean;
  /** From the nose over the roof to the tail; x in wheelbases from 0 to 1, before and after in overhangs, y in roofs. */
  top: readonly Point[];
  /** What is seen inside the outline. */
  inside: readonly (readonly Point[])[];
}

const PROFILES: Record<Car["kind"], Profile> = {
  saloon: {
    ahead: 0.78,
    after: 0.72,
    roof: 1.4,
    cg: 0.52,
    sill: 0.22,
    arches: true,
    top: [
      [-1, 0.3],
      [-0.98, 0.5],
      [-0.5, 0.6],
      [0.26, 0.68],
      [0.47, 1],
      [0.86, 0.98],
      [1.4, 0.7],
      [1.95, 0.68],
      [2, 0.32],
    ],
    inside: [
      [
        [0.31, 0.69],
        [0.49, 0.94],
        [0.84, 0.93],
        [1.2, 0.71],
        [0.31, 0.69],
      ],
    ],
  },
  coupe: {
    ahead: 0.85,
    after: 0.75,
    roof: 1.24,
    cg: 0.46,
    sill: 0.18,
    arches: true,
    top: [
      [-1, 0.24],
      [-0.96, 0.46],
      [-0.4, 0.6],
      [0.33, 0.68],
      [0.54, 1],
      [0.76, 0.99],
      [1.5, 0.7],
      [1.97, 0.68],
      [2, 0.34],
    ],
    inside: [
      [
        [0.38, 0.69],
        [0.56, 0.93],
        [0.75, 0.93],
        [1.05, 0.72],
        [0.38, 0.69],
      ],
    ],
  },
  two_seater: {
    ahead: 0.75,
    after: 0.6,
    roof: 1,
    cg: 0.36,
    sill: 0.12,
    arches: true,
    top: [
      [-1, 0.18],
      [-0.9, 0.34],
      [-0.1, 0.68],
      [0.28, 0.66],
      [0.36, 0.78],
      [0.4, 0.62],
      [0.62, 0.62],
      [0.64, 1],
      [0.69, 1],
      [0.76, 0.72],
      [1.4, 0.7],
      [2, 0.6],
      [2, 0.26],
    ],
    inside: [],
  },
  single_seater: {
    ahead: 0.85,
    after: 0.45,
    roof: 0.95,
    cg: 0.31,
    sill: 0.1,
    arches: false,
    top: [
      [-1, 0.16],
      [-0.9, 0.26],
      [0.3, 0.58],
      [0.42, 0.6],
      [0.44, 0.54],
      [0.56, 0.56],
      [0.58, 1],
      [0.63, 0.98],
      [0.8, 0.62],
      [1.4, 0.46],
      [1.6, 0.3],
    ],
    inside: [],
  },
  pickup: {
    ahead: 0.8,
    after: 0.9,
    roof: 1.62,
    cg: 0.54,
    sill: 0.3,
    arches: true,
    top: [
      [-1, 0.3],
      [-0.98, 0.56],
      [-0.3, 0.62],
      [0.22, 0.64],
      [0.36, 1],
      [0.58, 0.99],
      [0.62, 0.64],
      [1.98, 0.63],
      [2, 0.32],
    ],
    inside: [
      [
        [0.26, 0.66],
        [0.38, 0.93],
        [0.56, 0.93],
        [0.58, 0.66],
        [0.26, 0.66],
      ],
    ],
  },
  buggy: {
    ahead: 0.55,
    after: 0.5,
    roof: 1.4,
    cg: 0.5,
    sill: 0.32,
    arches: false,
    top: [
      [-0.9, 0.32],
      [-1, 0.42],
      [0.2, 0.6],
      [0.36, 1],
      [0.68, 1],
      [1.6, 0.56],
      [1.9, 0.34],
    ],
    inside: [
      [
        [0.2, 0.6],
        [0.68, 1],
      ],
      [
        [0.68, 1],
        [0.66, 0.24],
      ],
      [
        [0.2, 0.6],
        [0.3, 0.24],
        [0.68, 1],
      ],
    ],
  },
};

const ROUND = 7;
/** Round a wheel, past its radius, m. */
const ARCH = 0.05;
const WING_FROM = 0.05;

/** The outline of a car's body. */
export function bodyOf(car: Car): Body {
  const profile = PROFILES[car.kind];
  const { ahead, after, sill } = profile;
  const roof = profile.roof * (0.5 + (0.5 * car.cg_height) / profile.cg);
  const wing = car.rear_lift_area > WING_FROM ? 0.35 + 0.18 * Math.sqrt(car.rear_lift_area) : 0;
  const wingUp = roof * (profile.arches ? 1.02 : 0.9);
  const real = ([x, y]: Point): Point => [
    x < 0 ? x * ahead : x > 1 ? car.wheelbase + (x - 1) * after : x * car.wheelbase,
    y * roof,
  ];

  return {
    ahead: ahead + (car.front_lift_area > WING_FROM ? 0.12 : 0),
    after,
    height: Math.max(roof, wing ? wingUp + 0.05 : 0),
    paths: (at) => {
      const px = (point: Point) => at(...point);
      const top = profile.top.map(real);
      const wheels = [
        [car.wheelbase, car.rear_tyre.loaded_radius],
        [0, car.front_tyre.loaded_radius],
      ] as const;
      let line = rounded(top.map(px));
      if (profile.arches) {
        for (const [hub, radius] of wheels) {
          const reach = Math.sqrt(Math.max(0.01, (radius + ARCH) ** 2 - (radius - sill) ** 2));
          const from = at(hub + reach, sill);
          const to = at(hub - reach, sill);
          const round = ((radius + ARCH) * (from.x - to.x)) / (2 * reach);
          line += `L${from.x} ${from.y}A${round} ${round} 0 ${radius > sill ? 1 : 0} 0 ${to.x} ${to.y}`;
        }
      } else {
        const [back, nose] = [at(car.wheelbase + 0.3 * after, sill), at(-0.6 * ahead, sill)];
        line += `L${back.x} ${back.y}L${nose.x} ${nose.y}`;
      }
      const drawn = [{ line: `${line}Z`, fine: false }];
      for (const inner of profile.inside) drawn.push({ line: rounded(inner.map(real).map(px)), fine: true });
      if (wing) {
        const tail = car.wheelbase + after;
        const [lead, trail, foot] = [
          at(tail - wing, wingUp),
          at(tail, wingUp + 0.05),
          at(tail - wing / 2, 0.66 * roof),
        ];
        drawn.push({
          line: `M${lead.x} ${lead.y}L${trail.x} ${trail.y}M${(lead.x + trail.x) / 2} ${(lead.y + trail.y) / 2}L${foot.x} ${foot.y}`,
          fine: false,
        });
      }
      if (car.front_lift_area > WING_FROM) {
        const [lip, back] = [at(-ahead - 0.12, 0.12), at(-ahead + 0.25, 0.14)];
        drawn.push({ line: `M${lip.x} ${lip.y}L${back.x} ${back.y}`, fine: false });
      }
      return drawn;
    },
  };
}

/** Lines through the points, their corners rounded off. */
function rounded(points: readonly { x: number; y: number }[]): string {
  return points
    .map((point, place) => {
      if (place === 0) return `M${point.x} ${point.y}`;
      const before = points[place - 1]!;
      const next = points[place + 1];
      if (!next) return `L${point.x} ${point.y}`;
      const short = (other: { x: number; y: number }) => {
        const far = Math.hypot(other.x - point.x, other.y - point.y);
        const part = Math.min(ROUND, far / 2.2) / (far || 1);
        return `${point.x + (other.x - point.x) * part} ${point.y + (other.y - point.y) * part}`;
      };
      return `L${short(before)}Q${point.x} ${point.y} ${short(next)}`;
    })
    .join("");
}
