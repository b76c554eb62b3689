// The car's body in fine line: of every kind, for odd sizes, to scale, and wings only where there is downforce.
import { describe, expect, inject, it } from "vitest";
import type { Car } from "@/api/client";
import { bodyOf } from "@/drawings/bodyOutline";

const wren = inject("answers")[0]!.car;
const KINDS: Car["kind"][] = ["saloon", "coupe", "two_seater", "single_seater", "pickup", "buggy"];
const SCALE = 100;
const GROUND = 300;
const at = (behind: number, up: number) => ({ x: behind * SCALE, y: GROUND - up * SCALE });
const of = (kind: Car["kind"], change: Partial<Car> = {}): Car => ({ ...wren, kind, ...change });
const drawn = (car: Car) => bodyOf(car).paths(at);
/** Every number of the paths; the radii and flags of arcs are no coordinates. */
const points = (line: string): [number, number][] =>
  [...line.replace(/A[^LMZ]*? (-?[\d.]+ -?[\d.]+)(?=[LMZ])/g, "L$1").matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(
    ([, x, y]) => [Number(x), Number(y)],
  );

describe.each(KINDS)("a %s", (kind) => {
  it.each([
    { wheelbase: 1.5, cg_height: 0.25 },
    { wheelbase: 2.55, cg_height: 0.5 },
    { wheelbase: 3.6, cg_height: 0.9 },
  ])("of $wheelbase m stands on the ground and stays within what it says it reaches", (change) => {
    const car = of(kind, { ...change, front_lift_area: 0, rear_lift_area: 0 });
    const body = bodyOf(car);
    const all = drawn(car).flatMap(({ line }) => points(line));
    expect(all.length).toBeGreaterThan(8);
    for (const [x, y] of all) {
      expect(x).toBeGreaterThanOrEqual(-body.ahead * SCALE - 1);
      expect(x).toBeLessThanOrEqual((car.wheelbase + body.after) * SCALE + 1);
      expect(y).toBeLessThanOrEqual(GROUND);
      expect(y).toBeGreaterThanOrEqual(GROUND - body.height * SCALE - 1);
    }
  });

  it("has a wing behind and a lip in front only where there is downforce", () => {
    const without = drawn(of(kind, { front_lift_area: 0, rear_lift_area: 0 })).length;
    expect(drawn(of(kind, { front_lift_area: 0, rear_lift_area: 0.8 }))).toHaveLength(without + 1);
    expect(drawn(of(kind, { front_lift_area: 0.5, rear_lift_area: 0.8 }))).toHaveLength(without + 2);
  });

  it("stands higher with its weight", () => {
    const height = (cg_height: number) => bodyOf(of(kind, { cg_height, rear_lift_area: 0 })).height;
    expect(height(0.7)).toBeGreaterThan(height(0.4));
  });
});

describe("a covered wheel", () => {
  it("has an arch round it, wider than the tyre", () => {
    const outline = drawn(of("saloon"))[0]!.line;
    const radii = [...outline.matchAll(/A([\d.]+)/g)].map(([, radius]) => Number(radius) / SCALE);
    expect(radii).toHaveLength(2);
    expect(radii[0]).toBeCloseTo(wren.rear_tyre.loaded_radius + 0.05, 3);
    expect(radii[1]).toBeCloseTo(wren.front_tyre.loaded_radius + 0.05, 3);
    expect(drawn(of("single_seater"))[0]!.line).not.toContain("A");
  });
});
