// The declared states as a matrix: a row for each track and load, a column for each speed.
import { fieldAt, wordAt } from "@/documents/schema";
import type { Assessment, State, StateAnswer } from "@/api/client";

export interface MatrixRow {
  key: string;
  track: State["track"];
  load: string;
  /** The state's own grip, where it has one. */
  grip: number | null;
  /** What cold tyres give, where a state has them. */
  frontTyres: number | null;
  rearTyres: number | null;
  cells: StateAnswer[][];
}

export interface Matrix {
  speeds: number[];
  rows: MatrixRow[];
}

/** The tracks in the order in which the documents list them, each with its word. */
const TRACKS = "car.states.0.track";
export const trackWord = (track: State["track"]): string => wordAt(TRACKS, track!);

/** What states of one row share. */
export const keyOf = ({ track, load, grip, front_tyre_grip, rear_tyre_grip }: State): string =>
  [track, load, grip ?? null, front_tyre_grip ?? null, rear_tyre_grip ?? null].join("|");

export function matrixOf(assessment: Assessment): Matrix {
  const speeds = [...new Set(assessment.states.map((one) => one.state.speed))].sort((a, b) => a - b);
  const rows = new Map<string, MatrixRow>();
  for (const answer of assessment.states) {
    const { track, load = "", grip = null } = answer.state;
    const { front_tyre_grip: frontTyres = null, rear_tyre_grip: rearTyres = null } = answer.state;
    const key = keyOf(answer.state);
    const row = rows.get(key) ?? {
      key,
      track,
      load,
      grip,
      frontTyres,
      rearTyres,
      cells: speeds.map(() => []),
    };
    row.cells[speeds.indexOf(answer.state.speed)]?.push(answer);
    rows.set(key, row);
  }
  const order = Object.keys(fieldAt(TRACKS).choices!);
  const rank = (row: MatrixRow) => order.indexOf(row.track!);
  return { speeds, rows: [...rows.values()].sort((a, b) => rank(a) - rank(b)) };
}
