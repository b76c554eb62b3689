// The layout of the side view: one scale for lengths, one for forces, both the same at both axles.
import type { Bench } from "@/workbench/history";
import type { StateAnswer } from "@/api/client";
import { bodyOf } from "./bodyOutline";

export const BAR = 22;
const GAP = 5;
const HEAD = 34;
/** The words over the drawing. */
const WORDS = 20;
/** Room beside the car for the numbers of its axles. */
const SIDE = 160;

export interface AxleView {
  axle: "front" | "rear";
  x: number;
  radius: number;
  bars: { name: string; x: number; length: number }[];
  /** Arrow of the downforce, px, minus for lift. */
  down: number;
  /** Arrow of the brake force at the limit, px. */
  brake: number;
}

export interface SideLayout {
  ground: number;
  axles: [AxleView, AxleView];
  cg: { x: number; y: number };
  /** Where the car as weighed has it, if that is elsewhere. */
  weighed: { x: number; y: number } | null;
  drag: { y: number; length: number };
  items: Item[];
  body: { line: string; fine: boolean }[];
}

export interface Item {
  name: string;
  x: number;
  y: number;
  size: number;
  aboard: number;
  /** A driver as a seated figure; none for anything else. */
  figure: string;
}

/** How far the centre of gravity lies behind the front axle, m. */
export const behindFrontAxle = (frontShare: number, wheelbase: number): number =>
  (1 - frontShare) * wheelbase;

/** The side view in a box of this size, px. */
export function layOutSide(bench: Bench, current: StateAnswer, width: number, height: number): SideLayout {
  const { car } = bench;
  const radii = [car.front_tyre.loaded_radius, car.rear_tyre.loaded_radius] as const;
  const largest = Math.max(...radii);
  const load = car.loading.states.find((one) => one.name === current.state.load);
  const shares = car.loading.items.map((item, index) => load?.shares[index] ?? item.on_scales);
  const body = bodyOf(car);
  const tallest = Math.max(
    2 * largest,
    body.height,
    current.car.cg_height,
    ...car.loading.items.map((item) => item.height),
  );
  const reach = car.loading.items.flatMap((item) => [
    -item.behind_front_axle,
    item.behind_front_axle - car.wheelbase,
  ]);
  const beside = Math.max(largest, body.ahead, body.after, ...reach);
  const scale = Math.min((width - 2 * SIDE) / (car.wheelbase + 2 * beside), (0.6 * height - HEAD) / tallest);
  const ground = HEAD + tallest * scale + 4;
  const front = (width - car.wheelbase * scale) / 2;
  const rear = front + car.wheelbase * scale;
  const ends = [current.front, current.rear] as const;
  const heaviest = Math.max(...ends.flatMap((end) => [end.limit_load, end.load, end.standing_load]));
  const perNewton = (height - ground - 12) / heaviest;
  // One scale for all arrows, so that each has room: downforce over the tyres, drag before the nose, brakes at the road.
  const room = [
    ...ends.map(
      (end, index) => (ground - WORDS - 2 * (radii[index] ?? 0) * scale - 8) / Math.abs(end.downforce),
    ),
    (front - Math.max(radii[0], body.ahead) * scale - 18) / current.air.drag,
    (width - rear - 12) / current.rear.needs.brake_force,
    (rear - radii[1] * scale - front - 8) / current.front.needs.brake_force,
  ];
  const arrow = Math.min(perNewton, ...room.filter((one) => Number.isFinite(one) && one > 0));
  const at = (behind: number, up: number) => ({ x: front + behind * scale, y: ground - up * scale });
  const axle = (index: 0 | 1): AxleView => {
    const end = ends[index];
    const x = index === 0 ? front : rear;
    const numbers = { standing: end.standing_load, "at speed": end.load, braking: end.limit_load };
    return {
      axle: index === 0 ? "front" : "rear",
      x,
      radius: radii[index] * scale,
      bars: Object.entries(numbers).map(([name, newtons], place) => ({
        name,
        x: x + (place - 1.5) * (BAR + GAP) + GAP / 2,
        length: Math.max(0, newtons * perNewton),
      })),
      down: end.downforce * arrow,
      brake: end.needs.brake_force * arrow,
    };
  };
  const cg = at(behindFrontAxle(current.car.front_share, car.wheelbase), current.car.cg_height);
  const weighed = at(behindFrontAxle(car.front_share, car.wheelbase), car.cg_height);
  const moved = Math.hypot(cg.x - weighed.x, cg.y - weighed.y) > 1;
  return {
    ground,
    axles: [axle(0), axle(1)],
    cg,
    weighed: moved ? weighed : null,
    drag: { y: at(0, current.air.drag_height).y, length: current.air.drag * arrow },
    items: car.loading.items.map((item, index) => ({
      name: item.name,
      ...at(item.behind_front_axle, item.height),
      size: Math.max(7, Math.min(26, 1.6 * Math.sqrt(item.mass))),
      aboard: shares[index] ?? 0,
      figure: /driver|passenger/i.test(item.name)
        ? seated(at(item.behind_front_axle, item.height), scale)
        : "",
    })),
    body: body.paths(at),
  };
}

/** A seated figure whose weight is at the hips: head, back, legs and arms. */
function seated({ x, y }: { x: number; y: number }, scale: number): string {
  const to = (ahead: number, up: number) => `${x - ahead * scale} ${y - up * scale}`;
  const head = 0.11 * scale;
  return (
    `M${x + 0.2 * scale - head} ${y - 0.62 * scale}a${head} ${head} 0 1 0 ${2 * head} 0a${head} ${head} 0 1 0 ${-2 * head} 0` +
    `M${to(-0.18, 0.48)}L${to(-0.04, -0.06)}L${to(0.42, 0.1)}L${to(0.78, -0.12)}M${to(-0.14, 0.38)}L${to(0.34, 0.26)}`
  );
}
