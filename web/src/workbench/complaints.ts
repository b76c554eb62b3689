// Errors of readings, at their fields.
import type { Measurements } from "@/api/client";
import { showPhrase } from "@/units/units";

/** The complaint about the reading at a path such as `car.measured.weighing.lift`. */
export function complaintAt(measurements: Measurements | null, path: string): string | null {
  if (!measurements) return null;
  const { weighing, front_tyre, rear_tyre, logged, downforce } = measurements;
  for (const part of [weighing, front_tyre, rear_tyre, logged, downforce]) {
    const found = part.complaints.find((complaint) => complaint.path === path);
    if (found) return showPhrase(found.message);
  }
  return null;
}
