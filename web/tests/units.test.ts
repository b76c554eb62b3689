// Reading and showing numbers in the user's units, against the server's own table.
import { beforeEach, describe, expect, inject, it } from "vitest";
import {
  DASH,
  otherUnit,
  parse,
  parseSizes,
  show,
  showError,
  showNumber,
  showPhrase,
  showSizes,
  units,
  type UnitSystem,
} from "@/units/units";

const table = inject("table");

const within = (system: UnitSystem): void => {
  units.table = table;
  units.system = system;
};

beforeEach(() => within("mixed"));

describe("what is typed", () => {
  it.each([
    ["7/8in", 0.022225],
    ["7/8", 0.022225],
    ["1 1/8 in", 0.028575],
    ["1-1/8in", 0.028575],
    ["0.7 in", 0.01778],
    ['3/4"', 0.01905],
    ["19.05 mm", 0.01905],
    ["19,05mm", 0.01905],
    [" 19.05MM ", 0.01905],
    ["1.905e1 mm", 0.01905],
  ])("bore %s", (text, metres) => {
    expect(parse(text, "bore")).toBeCloseTo(metres, 9);
  });

  it.each([
    ["3/4 inches", "bore", 0.01905],
    ["¾ in", "bore", 0.01905],
    ["1⅛ in", "bore", 0.028575],
    ["2 cm", "bore", 0.02],
    ["25.7 cm", "length", 0.257],
    ["1 180", "mass", 1180],
    ["1\u202f180 kg", "mass", 1180],
    ["12 345 678 N", "force", 12345678],
    [".42", "friction", 0.42],
    [".42 in", "bore", 0.010668],
    ["1.05 g", "grip", 1.05],
    ["150 PS", "power", 110324.8],
  ])("%s, as people write it, is a %s", (text, dimension, si) => {
    expect(parse(text, dimension)).toBeCloseTo(si, si > 1e4 ? 0 : 6);
  });

  it("without a unit is in the one shown", () => {
    expect(parse("0.75", "bore")).toBeCloseTo(0.01905, 9);
    within("metric");
    expect(parse("19.05", "bore")).toBeCloseTo(0.01905, 9);
  });

  it.each([
    ["75 lbf", "force", 333.6166],
    ["75lb", "force", 333.6166],
    ["40 kg", "force", 392.266],
    ["300 psi", "pressure", 2068427.2],
    ["2 MPa", "pressure", 2e6],
    ["140 mph", "speed", 62.5856],
    ["200 kph", "speed", 55.5556],
    ["10 lbft", "torque", 13.558],
    ["10 ft·lb", "torque", 13.558],
    ["45", "share", 0.45],
    ["−3", "length", -0.003],
    ["-3", "length", -0.003],
    ["5 :1", "ratio", 5],
  ])("%s as a %s", (text, dimension, si) => {
    expect(parse(text, dimension)).toBeCloseTo(si, si > 1e4 ? 0 : 3);
  });

  it.each([
    ["", "Type a number"],
    ["heavy", "Type a number"],
    ["NaN", "Type a number"],
    ["1/0 in", "not a finite number"],
    ["1e999", "not a finite number"],
    ["2 0.5 in", "Type one number"],
    ["3 furlongs", "“furlongs” is not a unit for this. Use mm, in, cm."],
  ])("%s is refused in plain words", (text, words) => {
    expect(parse(text, "bore")).toContain(words);
  });

  it("several pistons share the unit after the last", () => {
    expect(parseSizes("38.1 + 41.3 mm", "piston")).toEqual([
      expect.closeTo(0.0381, 9),
      expect.closeTo(0.0413, 9),
    ]);
    expect(parseSizes("1.5in + 41.3mm", "piston")).toEqual([
      expect.closeTo(0.0381, 9),
      expect.closeTo(0.0413, 9),
    ]);
    expect(parseSizes("57", "piston")).toEqual([expect.closeTo(0.057, 9)]);
    expect(parseSizes("36 + many", "piston")).toContain("“many” is not a unit");
    expect(parseSizes(" + ", "piston")).toContain("at least one");
  });
});

describe("a bare number that is impossible in the field's own unit", () => {
  const bore = { bounds: [0.004, 0.06], usual: [0.0158, 0.0286] } as const;
  const wheelbase = { bounds: [0.5, 6], usual: [1.5, 3.1] } as const;
  const share = { bounds: [0, 1], usual: [0.33, 0.65] } as const;
  const pistons = { bounds: [0.005, 0.12], usual: [0.025, 0.06] } as const;

  it("is offered in the one in which it is usual", () => {
    expect(otherUnit("19.05", "bore", bore)).toEqual({
      value: expect.closeTo(0.01905, 9),
      words: "19.05\u00a0mm",
    });
    expect(otherUnit("2.57", "length", wheelbase)).toEqual({ value: 2.57, words: "2.57\u00a0m" });
    expect(otherUnit("0.54", "share", share)).toEqual({ value: 0.54, words: "54\u00a0%" });
    within("metric");
    expect(otherUnit("13/16", "bore", bore)).toEqual({
      value: expect.closeTo(0.0206375, 9),
      words: "13/16\u00a0in",
    });
    within("imperial");
    expect(otherUnit("38.1 + 41.3", "piston", pistons)?.value).toEqual([
      expect.closeTo(0.0381, 9),
      expect.closeTo(0.0413, 9),
    ]);
  });

  it("is thousands where a comma as a decimal point makes no sense", () => {
    within("metric");
    const mass = { bounds: [100, 10_000], usual: [300, 2500] } as const;
    expect(otherUnit("1,180", "mass", mass)).toEqual({ value: 1180, words: "1180\u00a0kg" });
    expect(otherUnit("2,570", "length", wheelbase)?.value).toBeCloseTo(2.57);
    expect(otherUnit("1,18", "mass", mass)).toBeNull();
    expect(otherUnit("640,5", "mass", mass)).toBeNull();
  });

  it("is not where it is possible, has a unit, or is usual in none", () => {
    expect(otherUnit("0.75", "bore", bore)).toBeNull();
    expect(otherUnit("2570", "length", wheelbase)).toBeNull();
    expect(otherUnit("54", "share", share)).toBeNull();
    expect(otherUnit("19.05 in", "bore", bore)).toBeNull();
    expect(otherUnit("900", "bore", bore)).toBeNull();
    expect(otherUnit("nonsense", "bore", bore)).toBeNull();
    expect(otherUnit("19.05", "bore", { bounds: bore.bounds, usual: null })).toBeNull();
  });
});

describe("what is shown", () => {
  it("a bore in inches is a sixteenth where it is one", () => {
    const number = [15.875, 17.78, 19.05, 20.6375, 22.225, 23.8125, 25.4, 28.575, 20.2].map((size) =>
      showNumber(size / 1000, "bore"),
    );
    expect(number).toEqual(["5/8", "0.700", "3/4", "13/16", "7/8", "15/16", "1", "1 1/8", "0.795"]);
  });

  it("what is shown can be typed back", () => {
    for (const system of ["metric", "imperial", "mixed"] as const) {
      within(system);
      for (const [dimension, { units: known }] of Object.entries(table) as [
        string,
        { units: { factor: number }[] },
      ][]) {
        const value = 123.456 * (known[0]?.factor ?? 1);
        const back = parse(show(value, dimension).replace(/\u202f/g, ""), dimension);
        const of = table[dimension]!;
        const unit = of.units[of[system]]!;
        expect(typeof back, `${dimension} ${show(value, dimension)}`).toBe("number");
        expect(Math.abs((back as number) - value)).toBeLessThanOrEqual(
          0.51 * 10 ** -unit.digits * unit.factor + 1e-12,
        );
      }
    }
  });

  it("unknown is a dash, never a zero; a small negative is no minus zero", () => {
    expect(show(null, "force")).toBe(DASH);
    expect(show(undefined, "pressure")).toBe(DASH);
    expect(show(Infinity, "force")).toBe(DASH);
    expect(showNumber(-1e-9, "force")).toBe("0");
  });

  it("differences carry their sign and large numbers a thin space", () => {
    expect(show(796.2, "force", true)).toBe("+796\u00a0N");
    expect(show(-796.2, "force", true)).toBe("−796\u00a0N");
    expect(show(12539, "force")).toBe("12\u202f539\u00a0N");
    expect(show(9488, "force")).toBe("9488\u00a0N");
    expect(showNumber(0.001, "bore", true)).toBe("+0.039");
  });

  it("sizes, phrases and limits are in the user's units", () => {
    expect(showSizes([0.0381, 0.0413], "piston")).toBe("38.1 + 41.3\u00a0mm");
    const phrase = {
      text: "foot {push:+}, at {rear} or {none}",
      values: {
        push: { value: -42.3, dimension: "force" },
        rear: { value: 9.80665, dimension: "deceleration" },
      },
    };
    expect(showPhrase(phrase)).toBe("foot −42\u00a0N, at 1.00\u00a0g or –");
    within("imperial");
    expect(showPhrase(phrase)).toBe("foot −10\u00a0lbf, at 1.00\u00a0g or –");
    const limit = { value: 50, dimension: "mass" };
    expect(showError({ path: "car.mass", message: "Must be more than {limit}.", limit })).toBe(
      "Must be more than 110\u00a0lb.",
    );
  });
});
