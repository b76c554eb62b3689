// Which kinds of actuation are fitted.
import type { Setup } from "@/api/client";

export const hasTandem = (setup: Setup): boolean => setup.split === "tandem";
export const hasBooster = (setup: Setup): boolean => setup.booster.fitted;
export const hasValve = (setup: Setup): boolean => setup.valve.kind !== "none";
/** A screw is set to any knee; a lever stands in one of its positions. */
export const valveFields = (setup: Setup): string[] =>
  hasValve(setup)
    ? [setup.valve.kind === "lever" ? "positions" : "knee", "slope"].map((name) => `setup.valve.${name}`)
    : [];
export const hasHandbrake = (setup: Setup): boolean => setup.handbrake.fitted;
