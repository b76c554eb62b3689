import { expect, test } from "vitest";
import { csvCell } from "@/charts/save";

test("a cell that a spreadsheet would take for a formula is text, a number stays one", () => {
  for (const formula of ["=1+1", "+1", "-1", "@SUM(A1)", "\t=1", "\r=1"])
    expect(csvCell(formula)).toMatch(/^"'/);
  expect(csvCell(-9.81)).toBe("-9.81");
  expect(csvCell("Dry, fast")).toBe('"Dry, fast"');
  expect(csvCell('6" rim')).toBe('"6"" rim"');
  expect(csvCell("Wet")).toBe("Wet");
});
