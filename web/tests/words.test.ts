// What changed, in words; and a key for each joint.
import { beforeEach, describe, expect, inject, it } from "vitest";
import { KEYS, WORDS } from "@/help/words";
import { jointOf } from "@/places/chain/jointKeys";
import { changeWords } from "@/shell/historyWords";
import { units } from "@/units/units";

const answers = inject("answers");

beforeEach(() => {
  units.table = inject("table");
  units.system = "mixed";
});

describe("a change", () => {
  it.each([
    [
      { title: "Cylinder bore, rear", dimension: "bore", before: 0.0206375, after: 0.022225 },
      "13/16 → 7/8\u00a0in",
    ],
    [{ title: "Mass", dimension: "mass", before: 640, after: 655 }, "640 → 655\u00a0kg"],
    [
      {
        title: "Pistons, one side, front",
        dimension: "piston",
        before: [0.0381, 0.0413],
        after: [0.0413, 0.0445],
      },
      "38.1 + 41.3 → 41.3 + 44.5\u00a0mm",
    ],
    [
      { title: "Circuits split by", dimension: null, before: "balance bar", after: "tandem cylinder" },
      "balance bar → tandem cylinder",
    ],
    [{ title: "Booster fitted", dimension: null, before: false, after: true }, "no → yes"],
    [{ title: "States", dimension: null, before: null, after: "Damp" }, "– → Damp"],
    [{ title: "Power at the wheels", dimension: "power", before: null, after: 110_000 }, "– → 110\u00a0kW"],
    [
      { title: "Positions", dimension: null, before: [{ a: 1 }], after: [{ a: 2 }] },
      "another list → another list",
    ],
  ])("%o is one line", (change, words) => {
    expect(changeWords(change)).toBe(`${change.title} ${words}`);
  });

  it("is shown in the user's units", () => {
    const change = { title: "Mass", dimension: "mass", before: 640, after: 655 };
    units.system = "imperial";
    expect(changeWords(change)).toBe("Mass 1411 → 1444\u00a0lb");
  });
});

describe("a key", () => {
  it.each([
    ["m", "front.master_cylinder"],
    ["M", "rear.master_cylinder"],
    ["c", "front.caliper"],
    ["D", "rear.disc"],
    ["L", "rear.pad"],
    ["p", "pedal"],
    ["a", "balance_bar"],
    ["t", "tandem"],
    ["v", "valve"],
    ["z", null],
    ["Meta", null],
    ["P", null],
  ])("%s goes to %s", (key, joint) => {
    expect(jointOf(key)).toBe(joint);
  });

  it("goes to every joint that any car has", () => {
    const reached = new Set([..."mcdlMCDLpaotv"].map(jointOf));
    const joints = new Set(answers.flatMap((one) => one.assessment.joints.map((joint) => joint.key)));
    for (const joint of joints) expect([...reached]).toContain(joint);
  });

  it("is listed, and every word has a meaning of its own", () => {
    const listed = KEYS.map((row) => row.keys).join(" ");
    for (const key of "MCDLPAOTV") expect(listed).toContain(key);
    const meanings = Object.values(WORDS);
    expect(new Set(meanings).size).toBe(meanings.length);
  });
});
