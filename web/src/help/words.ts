// The meaning of the words on the screens: explained in place, and listed behind `?`.

export const WORDS: Record<string, string> = {
  needs: "What would make this axle lock at the design effort, just when the tyres give all they have.",
  "front needs":
    "What would make the front lock at the design effort, just when the tyres give all they have.",
  "rear needs": "What would make the rear lock at the design effort, just when the tyres give all they have.",
  clamp: "Push of the pads on the disc, of each caliper, at the design effort.",
  torque: "Braking torque of each wheel, at the design effort.",
  force:
    "Brake force of the axle, both wheels, at the design effort: more than the tyres hold once it locks.",
  load: "What the axle carries in this state, both wheels, before the car brakes.",
  "at limit": "What the axle carries, both wheels, when both axles brake at their limit.",
  "locks at": "Deceleration of the car at which this axle locks.",
  "pedal force": "Push of the foot at which this axle locks.",
  push: "Push of the rod on this cylinder, at the design effort of the foot.",
  "ratio it needs": "The pedal ratio with which the design effort would just lock the first axle.",
  "first lock": "Where the first axle locks, as the push rises from nothing.",
  likely:
    "How often the rear would lock first, if pads, tyres and height of the CG are tried within what is known of them.",
  "front locks sooner by": "How much harder the car brakes when the rear locks than when the front does.",
  "rears lock too early by": "How much harder the car would brake at the front's lock than at the rear's.",
  "mechanical index":
    "Front share of bore, piston area, pad and radius alone, without the setting of the bar or a valve: to compare parts.",
  band: "How far the bar may be wound before a wrong size hides behind it.",
  family:
    "One piston, an equal pair, a staggered pair, three: Shift with an arrow key goes to the next kind.",
  "design effort":
    "The push of the foot at which the driver wants both axles at their limit; set in place Car.",
  "pads due": "With pads worn down to where they are changed: the longest pedal.",
  "knock-back":
    "How far disc and hub have pushed the pads away in a corner: the pedal must first take that up.",
  was: "The value before the last change, or of the setup compared with, faint beside the one that counts.",
  assumed: "Nobody has given it for this car: it is what is usual. Press the word to accept it.",
  copied: "It came with a copy of another car. Press the word once it is right for this one.",
};

export interface KeyRow {
  keys: string;
  does: string;
}

export const KEYS: readonly KeyRow[] = [
  { keys: "0 1 2 3 4", does: "Garage, Car, Chain, Heat, Air" },
  { keys: "?", does: "this list" },
  { keys: "Ctrl+Z, Ctrl+Shift+Z", does: "undo, redo" },
  { keys: "B", does: "compare everything with this setup, or stop" },
  {
    keys: "P, A, O, T, V",
    does: "on the Chain, to the pedal, the bar (A for adjuster), booster, tandem, valve",
  },
  {
    keys: "M, C, D, L",
    does: "on the Chain, to the front cylinder (M for master), caliper, disc, pad (L for lining)",
  },
  { keys: "Shift with M, C, D, L", does: "to those of the rear" },
  { keys: "↑ ↓ at a joint", does: "one stock size up or down; with Shift, the next family or ten steps" },
  { keys: "Enter or a digit at a joint", does: "type a size in any unit: 7/8, 19.05 mm, ¾ in" },
  { keys: "Space at a joint", does: "all sizes of this part" },
  { keys: "Esc", does: "give up what is typed, close what is open" },
];
