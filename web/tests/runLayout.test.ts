import { describe, expect, it } from "vitest";
import type { PieceFlow } from "@/api/client";
import { layOut, pressureAlong } from "@/places/air/runLayout";

const piece = (metres: number, angle = 0, loss = 10): PieceFlow =>
  ({
    name: "x",
    place: 0,
    bore: 0.063,
    metres,
    angle,
    hoses: 1,
    flow: 0.07,
    speed: 20,
    coefficient: 1,
    loss,
    after: 0,
    headline: "",
  }) as PieceFlow;
const bend = (): PieceFlow => piece((Math.PI / 2) * 0.0945, Math.PI / 2);

describe("the drawing of a duct", () => {
  it("lays hoses out at their length, end to end", () => {
    const { segments, end, box } = layOut([piece(0), piece(0.5), piece(0.7)]);
    expect(segments.map((one) => one.to.x)).toEqual([0, 0.5, 1.2]);
    expect(end).toEqual({ x: 1.2, y: 0 });
    expect(box.right - box.left).toBeCloseTo(1.2);
    expect(box.bottom - box.top).toBeCloseTo(0.063);
  });

  it("draws a bend as long as it is, and back to where the run was at the next one", () => {
    const { segments, end } = layOut([piece(0.5), bend(), piece(0.7), bend()]);
    const down = segments[1]!;
    // Two quarter turns of half the angle each: chords of 2 r sin(θ/2).
    expect(down.to.x - down.from.x).toBeCloseTo(2 * 0.0945 * Math.sin(Math.PI / 4));
    expect(down.to.y).toBeGreaterThan(0);
    expect(end.y).toBeCloseTo(0);
    expect(down.d.match(/A/g)).toHaveLength(2);
  });

  it("gives every piece its place under the pressure, and what has no length a little", () => {
    const parts = pressureAlong(700, [piece(0), piece(0.9), piece(0.3)], 400, 30);
    expect(parts[0]!.to).toBe(30);
    expect(parts.at(-1)!.to).toBeCloseTo(400);
    expect(parts[1]!.to - parts[1]!.at).toBeGreaterThan(parts[2]!.to - parts[2]!.at);
    expect(parts[0]!.before).toBe(700);
  });
});
