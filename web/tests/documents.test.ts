// Paths, the schema that labels the fields, undo and redo, and the drawing's layout.
import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import type { Car, Setup } from "@/api/client";
import { accepted, countUnconfirmed, given, isConfirmed, isUnconfirmed } from "@/documents/marks";
import { valueAt, withValue } from "@/documents/paths";
import { remedyFor } from "@/documents/remedies";
import { fieldAt, fieldsOf, learnSchema } from "@/documents/schema";
import { layOut, ringSector } from "@/places/chain/layout";
import { emptyTimeline, recorded, redone, undone, type Bench } from "@/workbench/history";

beforeAll(() => learnSchema(JSON.parse(readFileSync("../docs/setup-file.schema.json", "utf-8"))));

describe("paths", () => {
  const document = { front: { caliper: { pistons: [1, 2] } }, rear: { bore: 3 } };

  it("change a copy and leave what is not on the way as it is", () => {
    const changed = withValue(document, "front.caliper.pistons.1", 5);
    expect(changed.front.caliper.pistons).toEqual([1, 5]);
    expect(document.front.caliper.pistons).toEqual([1, 2]);
    expect(changed.rear).toBe(document.rear);
    expect(valueAt(changed, "front.caliper.pistons.1")).toBe(5);
    expect(valueAt(changed, "front.nothing.here")).toBeUndefined();
  });
});

describe("marks of what nobody has given", () => {
  const bench = {
    car: { unconfirmed: ["mass"], mass: 1150, confirmed: [] },
    setup: {
      unconfirmed: [],
      front: { caliper: { unconfirmed: ["pistons", "mounting"], pistons: [0.054], confirmed: [] } },
    },
  };

  it("go with the value that is given, and only with it", () => {
    expect(isUnconfirmed(bench, "car.mass")).toBe(true);
    const heavier = given(bench, "car.mass", 1180);
    expect(heavier.car).toEqual({ unconfirmed: [], mass: 1180, confirmed: [] });
    const typed = given(bench, "setup.front.caliper.pistons.0", 0.048);
    expect(typed.setup.front.caliper.unconfirmed).toEqual(["mounting"]);
    expect(bench.setup.front.caliper.unconfirmed).toEqual(["pistons", "mounting"]);
  });

  it("go when a value is accepted as it stands; an assumption of ours is accepted by name", () => {
    const right = accepted(bench, "setup.front.caliper.pistons");
    expect(right.setup.front.caliper).toMatchObject({
      pistons: [0.054],
      unconfirmed: ["mounting"],
      confirmed: [],
    });
    expect(accepted(bench, "car.air_density").car.confirmed).toEqual(["air_density"]);
    expect(isConfirmed(accepted(bench, "car.air_density"), "car.air_density")).toBe(true);
  });

  it("are counted anywhere in a document", () => {
    expect(countUnconfirmed(bench.setup)).toBe(2);
    expect(countUnconfirmed({ unconfirmed: [], rear: { unconfirmed: [] } })).toBe(0);
  });
});

describe("a choice that another part stands in the way of", () => {
  const boosted = { setup: { split: "tandem", booster: { fitted: true } } };
  it("is offered with what makes room for it", () => {
    expect(remedyFor(boosted, "setup.split", "bar")?.values).toEqual({
      "setup.booster.fitted": false,
      "setup.split": "bar",
    });
    expect(remedyFor(boosted, "setup.split", "tandem")).toBeNull();
  });
});

describe("the schema", () => {
  it("labels a field with unit, usual range and help", () => {
    const field = fieldAt("car.front_tyre.loaded_radius");
    expect(field).toMatchObject({
      title: "Loaded radius",
      dimension: "length",
      usual: [0.22, 0.36],
      optional: false,
    });
    expect(field.help).toContain("Hub centre to the ground");
  });

  it("knows lists, choices, assumptions and what may stay empty", () => {
    expect(fieldAt("car.states.2.speed").dimension).toBe("speed");
    expect(fieldAt("setup.front.caliper.pistons")).toMatchObject({ many: true, dimension: "piston" });
    expect(fieldAt("setup.rear.disc.material").choices).toMatchObject({ carbon_carbon: "carbon-carbon" });
    expect(fieldAt("setup.radius_method").title).toBe("Effective radius by");
    expect(fieldAt("car.slip_share").assumption).toContain("6 %");
    expect(fieldAt("car.mass").assumption).toBeNull();
    expect(fieldAt("setup.front.disc.weighed_mass").optional).toBe(true);
  });

  it("lists the fields of a part", () => {
    expect(fieldsOf("setup.booster")).toEqual(
      ["fitted", "gain", "run_out"].map((name) => `setup.booster.${name}`),
    );
    expect(fieldsOf("setup.front.pad")).not.toContain("setup.front.pad.confirmed");
    expect(fieldsOf("setup.front.pad")).not.toContain("setup.front.pad.friction_curve");
  });
});

describe("undo and redo", () => {
  const bench = (name: string): Bench => ({ car: {} as Car, setup: { name } as Setup });

  it("go back and forth step by step, and a new change drops what was undone", () => {
    let timeline = emptyTimeline();
    let now = bench("0");
    for (let n = 1; n <= 500; n += 1) {
      timeline = recorded(timeline, now);
      now = bench(String(n));
    }
    for (let n = 499; n >= 0; n -= 1) {
      const back = undone(timeline, now)!;
      ({ bench: now, timeline } = back);
      expect(now.setup.name).toBe(String(n));
    }
    expect(undone(timeline, now)).toBeNull();
    for (let n = 1; n <= 500; n += 1) {
      ({ bench: now, timeline } = redone(timeline, now)!);
      expect(now.setup.name).toBe(String(n));
    }
    expect(redone(timeline, now)).toBeNull();
    ({ bench: now, timeline } = undone(timeline, now)!);
    expect(redone(timeline, now)).not.toBeNull();
    timeline = recorded(timeline, now);
    expect(redone(timeline, bench("other"))).toBeNull();
  });
});

describe("the drawing", () => {
  const end = (diameter: number, pistons: number[]) => ({
    disc: { outer_diameter: diameter },
    pad: { height: 0.05, length: 0.11 },
    caliper: { pistons },
    master_cylinder: { bore: 0.019 },
  });
  const setup = (ratio = 5, disc = 0.284): Setup =>
    ({
      pedal: { ratio },
      balance_bar: { length: 0.064 },
      tandem: { bore: 0.0238 },
      front: end(disc, [0.0381, 0.0413]),
      rear: end(0.26, [0.036]),
    }) as unknown as Setup;
  const car = (radius: number): Car =>
    ({ front_tyre: { loaded_radius: radius }, rear_tyre: { loaded_radius: 0.295 } }) as unknown as Car;

  it.each([
    [1180, 350],
    [920, 330],
    [1800, 700],
  ])("stands inside %i by %i for small and large wheels and long and short pedals", (width, height) => {
    for (const radius of [0.2, 0.283, 0.45]) {
      for (const ratio of [1.5, 5, 12]) {
        const layout = layOut(width, height, setup(ratio, radius > 0.4 ? 0.42 : 0.284), car(radius), ratio);
        for (const lane of [layout.front, layout.rear]) {
          const disc = (Math.max(0.42, 0.284) / 2) * layout.wheelScale;
          expect(lane.ground).toBeLessThan(height);
          expect(lane.hub).toBeGreaterThan(lane.top - 1);
          expect(
            lane.hub - Math.min(disc, (radius > 0.4 ? 0.21 : 0.142) * layout.wheelScale),
          ).toBeGreaterThan(lane.top);
        }
        expect(layout.pedal.pad).toBeGreaterThanOrEqual(30);
        expect(layout.pedal.pivot).toBeLessThanOrEqual(height - 20);
      }
    }
  });

  it("draws the lever at its true ratio", () => {
    const { pedal } = layOut(1180, 350, setup(6.25), car(0.283), 6.25);
    expect((pedal.pivot - pedal.pad) / (pedal.pivot - pedal.rod)).toBeCloseTo(6.25, 9);
  });

  it("a ring's sector goes out along one edge and back along the other", () => {
    const path = ringSector(0, 0, 10, 20, 0, Math.PI / 2);
    expect(path).toMatch(/^M 20 0 A 20 20 0 0 1 .* 20 L .* 10 A 10 10 0 0 0 10 0 Z$/);
  });
});
