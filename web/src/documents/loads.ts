// The loads of a car, by which states and sessions name theirs.
import type { Car } from "@/api/client";
import { fieldAt } from "./schema";

/** As weighed, and those that were declared. */
export const loadsOf = (car: Car | undefined): string[] => [
  fieldAt("car.states.0.load").preset as string,
  ...(car?.loading.states ?? []).map((load) => load.name),
];
