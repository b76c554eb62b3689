// The layout of the drawing. Two scales, each the same all over the sheet: one for bores, pistons, pads and the
// bar, one for discs and tyres.
import type { Car, Setup } from "@/api/client";

const COLUMNS = {
  pedal: 0,
  bar: 0.13,
  cylinder: 0.21,
  line: 0.345,
  caliper: 0.425,
  wheel: 0.555,
  words: 0.752,
};
const LABEL_HEIGHT = 44;
/** A cylinder is drawn this long, px; only its bore is to scale. */
export const cylinderLength = 88;
const SHAPE_HEIGHT = 64;
/** Under the ground stands the load of the axle, px. */
const GROUND = 22;
/** Beside the disc stands its size, px. */
const DISC_WORDS = 50;

export interface Lane {
  top: number;
  /** The hydraulic line runs at this height. */
  middle: number;
  ground: number;
  hub: number;
}

export interface Layout {
  width: number;
  height: number;
  x: typeof COLUMNS;
  /** Pixels for a metre of bore, piston, pad and bar. */
  partScale: number;
  /** Pixels for a metre of disc and tyre. */
  wheelScale: number;
  front: Lane;
  rear: Lane;
  pedal: { x: number; pivot: number; pad: number; rod: number; hung: boolean };
}

/** `ratio` is the pedal's that counts, typed or measured. */
export function layOut(width: number, height: number, setup: Setup, car: Car, ratio: number): Layout {
  const x = Object.fromEntries(
    Object.entries(COLUMNS).map(([name, share]) => [name, Math.round(share * width)]),
  ) as typeof COLUMNS;
  const ends = [setup.front, setup.rear];
  const tallest = Math.max(
    ...ends.flatMap((end) => [end.pad.height, end.master_cylinder.bore, ...end.caliper.pistons]),
    setup.tandem.bore,
  );
  const longest = Math.max(...ends.map((end) => end.pad.length));
  const lane = height / 2;
  const partScale = Math.min(
    SHAPE_HEIGHT / tallest,
    (x.wheel - x.caliper - 30) / longest,
    (0.55 * height) / setup.balance_bar.length,
  );
  const disc = Math.max(...ends.map((end) => end.disc.outer_diameter)) / 2;
  const tyre = Math.max(car.front_tyre.loaded_radius, car.rear_tyre.loaded_radius);
  const wheelScale = Math.min(
    (lane - 34) / (disc + tyre),
    (x.words - x.wheel - 14) / 2 / tyre,
    (x.words - x.wheel - DISC_WORDS) / (disc + tyre),
  );
  const laneAt = (top: number, radius: number): Lane => ({
    top,
    middle: top + LABEL_HEIGHT + SHAPE_HEIGHT / 2,
    ground: top + lane - GROUND,
    hub: top + lane - GROUND - radius * wheelScale,
  });
  const front = laneAt(0, car.front_tyre.loaded_radius);
  const rear = laneAt(lane, car.rear_tyre.loaded_radius);
  const rod = (front.middle + rear.middle) / 2;
  return {
    width,
    height,
    x,
    partScale,
    wheelScale,
    front,
    rear,
    pedal: { x: x.pedal + 30, rod, ...leverAtRatio(setup, ratio, rod, height, wheelScale) },
  };
}

/** Pivot and foot pad above or below the rod, at the true ratio; to the scale of the wheels where it was measured. */
function leverAtRatio(setup: Setup, ratio: number, rod: number, height: number, wheelScale: number) {
  const hung = setup.pedal.mounting === "hung";
  const measured = (setup.pedal.rod_length && setup.pedal.pad_length) ?? Infinity;
  const room = hung ? height - rod - 36 : rod - 40;
  const behind = hung ? rod - 16 : height - rod - 30;
  const length = Math.min(room / (1 - 1 / ratio), behind * ratio, measured * wheelScale);
  const toward = hung ? -1 : 1;
  const pivot = rod + (toward * length) / ratio;
  return { pivot, pad: pivot - toward * length, hung };
}

/** Where the rear line's valve stands, px. */
export const valveAt = ({ x }: Layout): number => Math.round(x.line - 34);

/** Outline of a part of a ring, angles in radians from the horizontal, as an SVG path. */
export function ringSector(
  x: number,
  y: number,
  inner: number,
  outer: number,
  from: number,
  to: number,
): string {
  const at = (radius: number, angle: number) =>
    `${x + radius * Math.cos(angle)} ${y + radius * Math.sin(angle)}`;
  const large = to - from > Math.PI ? 1 : 0;
  return [
    `M ${at(outer, from)} A ${outer} ${outer} 0 ${large} 1 ${at(outer, to)}`,
    `L ${at(inner, to)} A ${inner} ${inner} 0 ${large} 0 ${at(inner, from)} Z`,
  ].join(" ");
}
