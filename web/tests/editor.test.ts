// A field edits whatever document its editor holds; values missing in a document come from its schema.
import { renderToString } from "vue/server-renderer";
import { beforeAll, describe, expect, inject, it, vi } from "vitest";
import { createSSRApp, h } from "vue";
import { provideEditor, type Editor } from "@/documents/editor";
import { fieldAt, fieldsOf, filled, learnSchema } from "@/documents/schema";
import { units } from "@/units/units";

const WHEEL = {
  title: "Wheel",
  properties: {
    name: { title: "Wheel", type: "string", maxLength: 20 },
    diameter: {
      title: "Rim diameter",
      description: "Of the seat.",
      type: "number",
      dimension: "length",
      usual: [0.25, 0.46],
      minimum: 0.2,
      maximum: 0.6,
      default: 0.3302,
    },
    make: {
      title: "Made of",
      enum: ["cast", "forged"],
      words: { cast: "cast alloy", forged: "forged" },
      default: "cast",
    },
    seats: { type: "array", items: { $ref: "#/$defs/Seat" }, default: [] },
  },
};
const SEAT = { properties: { width: { title: "Width", type: "number", default: 0.012 } } };

beforeAll(() => {
  units.table = inject("table");
  units.system = "metric";
  learnSchema({
    $defs: { Wheel: WHEEL, Seat: SEAT },
    properties: { wheel: { $ref: "#/$defs/Wheel" } },
  });
  vi.stubGlobal("window", { addEventListener: () => undefined });
});

function editor(wheel: object, errors: Record<string, string> = {}): Editor {
  return {
    document: { wheel },
    copiedFrom: "",
    fieldAt,
    fieldsOf,
    edit: () => Promise.resolve(true),
    editAll: () => Promise.resolve(true),
    confirm: () => Promise.resolve(true),
    errorAt: (path) => errors[path] ?? null,
    forgive: () => undefined,
    remedyFor: () => null,
  };
}

async function drawn(of: Editor, path: string): Promise<string> {
  const { default: DocumentField } = await import("@/fields/DocumentField.vue");
  const app = createSSRApp({
    setup() {
      provideEditor(of);
      return () => h(DocumentField, { path });
    },
  });
  return renderToString(app);
}

describe("a field of a part on the shelf", () => {
  it("shows label, value, unit and help of its own document", async () => {
    const text = await drawn(editor(filled("wheel", { name: "Fifteen" })), "wheel.diameter");
    expect(text).toContain("Rim diameter");
    expect(text).toContain('value="330.2"');
    expect(text).toContain("mm");
    expect(text).toContain("Of the seat.");
  });

  it("offers the words of a choice, and stores their keys", async () => {
    const text = await drawn(editor(filled("wheel", { name: "Fifteen" })), "wheel.make");
    expect(text).toMatch(/<option value="cast"[^>]*>cast alloy<\/option>/);
    expect(text).toMatch(/<option value="forged"[^>]*>forged<\/option>/);
  });

  it("says what its own editor finds wrong, and marks what is unusual", async () => {
    const wrong = editor({ name: "Ten", diameter: 0.21 }, { "wheel.diameter": "No such rim." });
    expect(await drawn(wrong, "wheel.diameter")).toContain("No such rim.");
    expect(await drawn(editor({ diameter: 0.21 }), "wheel.diameter")).toContain("Outside the usual");
  });
});

describe("what is not given", () => {
  it("is what the schema takes it for, in documents within lists too", () => {
    const wheel = filled("wheel", { name: "Fifteen", seats: [{}, { width: 0.02 }] });
    expect(wheel).toEqual({
      name: "Fifteen",
      diameter: 0.3302,
      make: "cast",
      seats: [{ width: 0.012 }, { width: 0.02 }],
    });
  });

  it("is not filled over what is given, and a whole document stays the same object", () => {
    const wheel = { name: "Ten", diameter: null, make: "forged", seats: [] };
    expect(filled("wheel", wheel)).toBe(wheel);
  });
});
