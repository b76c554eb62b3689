// Undo and redo over frozen snapshots, a thousand steps back.
import type { Car, Setup } from "@/api/client";

export interface Bench {
  car: Car;
  setup: Setup;
}

/** Whether two differ in the car's sessions at most: only the heat asks for those. */
export function sameButSessions(one: Bench, other: Bench): boolean {
  const names = Object.keys(one.car) as (keyof Car)[];
  return (
    one.setup === other.setup &&
    names.every((name) => name === "sessions" || one.car[name] === other.car[name])
  );
}

export interface Timeline {
  past: Bench[];
  future: Bench[];
}

const STEPS = 1000;

export const emptyTimeline = (): Timeline => ({ past: [], future: [] });

export function recorded(timeline: Timeline, before: Bench): Timeline {
  return { past: [...timeline.past.slice(1 - STEPS), before], future: [] };
}

/** The bench one step back and the timeline then, or null at the beginning. */
export function undone(timeline: Timeline, now: Bench): { bench: Bench; timeline: Timeline } | null {
  const bench = timeline.past.at(-1);
  return bench
    ? { bench, timeline: { past: timeline.past.slice(0, -1), future: [now, ...timeline.future] } }
    : null;
}

/** The bench one step forward again and the timeline then, or null at the end. */
export function redone(timeline: Timeline, now: Bench): { bench: Bench; timeline: Timeline } | null {
  const [bench, ...future] = timeline.future;
  return bench ? { bench, timeline: { past: [...timeline.past, now], future } } : null;
}
