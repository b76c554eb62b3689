// The questions about a new car, in the order in which a preparer learns the values.
import type { Setup } from "@/api/client";
import { hasBooster, hasTandem, valveFields } from "@/documents/fitted";

export interface Group {
  title: string;
  paths: string[];
}
export interface Step {
  key: string;
  title: string;
  groups: (setup: Setup) => Group[];
}

const ENDS = ["front", "rear"] as const;
const of = (root: string, names: string[]): string[] => names.map((name) => `${root}.${name}`);

export const STEPS: readonly Step[] = [
  {
    key: "weight",
    title: "Weight",
    groups: () => [
      { title: "On the scales", paths: of("car", ["mass", "front_share", "wheelbase", "cg_height"]) },
      {
        title: "From four scales, if you have them",
        paths: of("car.measured.weighing", ["front_left", "front_right", "rear_left", "rear_right"]),
      },
      { title: "Driver", paths: of("car.driver", ["foot_force", "foot_force_limit"]) },
    ],
  },
  {
    key: "tyres",
    title: "Tyres, air, engine",
    groups: () => [
      ...ENDS.map((end) => ({
        title: `${end} tyres`,
        paths: of(`car.${end}_tyre`, ["friction", "size", "loaded_radius"]),
      })),
      { title: "Air", paths: of("car", ["front_lift_area", "rear_lift_area", "drag_area"]) },
      { title: "Speed and engine", paths: of("car", ["top_speed", "power", "driven_axle"]) },
    ],
  },
  {
    key: "pedal",
    title: "Pedal and cylinders",
    groups: (setup) => [
      { title: "Pedal", paths: of("setup.pedal", ["ratio", "mounting", "room"]) },
      {
        title: "Cylinders",
        paths: [
          "setup.split",
          ...(hasTandem(setup)
            ? ["setup.tandem.bore", "setup.booster.fitted"]
            : [...ENDS.map((end) => `setup.${end}.master_cylinder.bore`), "setup.balance_bar.length"]),
          ...(hasBooster(setup) ? ["setup.booster.gain", "setup.booster.run_out"] : []),
        ],
      },
      { title: "Rear valve", paths: ["setup.valve.kind", ...valveFields(setup)] },
    ],
  },
  {
    key: "brakes",
    title: "Calipers, discs, pads",
    groups: () =>
      ENDS.map((end) => ({
        title: `${end} wheels`,
        paths: [
          ...of(`setup.${end}.caliper`, ["mounting", "pistons"]),
          ...of(`setup.${end}.disc`, ["outer_diameter", "thickness", "vane_gap"]),
          ...of(`setup.${end}.pad`, ["compound", "friction", "height", "length"]),
        ],
      })),
  },
  {
    key: "ducts",
    title: "Race circuits and ducts",
    groups: () =>
      ENDS.map((end) => ({
        title: `${end} wheels`,
        paths: [...of(`setup.${end}.cooling`, ["shielding", "duct.fitted"])],
      })),
  },
];
