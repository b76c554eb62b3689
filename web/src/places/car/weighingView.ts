// The layout of the weighing drawing: the car on its scales, tilted by the lift.
import type { Car, Measurements } from "@/api/client";
import { behindFrontAxle } from "@/drawings/sideView";

const SIDE = 78;
const FOOT = 46;

export interface WeighingLayout {
  ground: number;
  scale: number;
  front: { x: number; y: number; radius: number };
  rear: { x: number; y: number; radius: number; floor: number };
  cg: { x: number; y: number } | null;
}

/** In a box of this size, px; `raised` as the readings say, or on the level. */
export function layOutWeighing(
  car: Car,
  weighing: Measurements["weighing"] | null,
  raised: boolean,
  width: number,
  height: number,
): WeighingLayout {
  const { wheelbase: length } = car;
  const radii = [car.front_tyre.loaded_radius, car.rear_tyre.loaded_radius] as const;
  // A lift beyond the wheelbase is refused at its field; the picture stays one that can be drawn.
  const lift = raised ? Math.min(car.measured.weighing.lift ?? 0, 0.9 * length) : 0;
  const rise = Math.min(0.95, (radii[1] - radii[0] + lift) / length);
  const run = Math.sqrt(1 - rise * rise);
  const scale = Math.min(
    (width - 2 * SIDE) / (length * run + radii[0] + radii[1]),
    (height - FOOT - 14) / (lift + Math.max(2 * radii[0], 2 * radii[1]) + 0.05),
  );
  const ground = height - FOOT;
  const x = (width - (length * run + radii[0] - radii[1]) * scale) / 2;
  const front = { x, y: ground - radii[0] * scale, radius: radii[0] * scale };
  const rear = {
    x: x + length * run * scale,
    y: front.y - length * rise * scale,
    radius: radii[1] * scale,
    floor: ground - lift * scale,
  };
  const share = weighing?.front_share ?? car.front_share;
  const height_ = weighing?.cg_height ?? null;
  const over = height_ === null || !weighing?.hub_height ? null : height_ - weighing.hub_height;
  const along = behindFrontAxle(share, length);
  // Up from the hub line, at a right angle to it: the car leans forward as its rear goes up.
  const cg =
    over === null
      ? null
      : {
          x: x + (along * run - over * rise) * scale,
          y: front.y - (along * rise + over * run) * scale,
        };
  return { ground, scale, front, rear, cg };
}
