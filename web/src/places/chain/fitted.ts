// Which kinds of actuation are fitted.
import type { Setup } from "@/api/client";

export const hasTandem = (setup: Setup): boolean => setup.split === "tandem cylinder";
export const hasBooster = (setup: Setup): boolean => setup.booster?.fitted === true;
export const hasValve = (setup: Setup): boolean => (setup.valve?.kind ?? "none") !== "none";
export const hasHandbrake = (setup: Setup): boolean => setup.handbrake?.fitted === true;
