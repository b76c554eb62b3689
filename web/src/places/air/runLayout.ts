// Where the pieces of a duct stand in its drawing: stretched out and to scale. A bend is drawn as the two halves of its
// turn, one down and one up again, so that the run continues toward the disc.
import type { PieceFlow } from "@/api/client";

/** Heights of the line of pressure under the run, px: over it, of it, with what stands under it, and of all. */
export const PRESSURE = { head: 22, high: 56, all: 112 };

export interface Point {
  x: number;
  y: number;
}
export interface Segment {
  piece: PieceFlow;
  index: number;
  /** Its middle line, as the path of an SVG, in m. */
  d: string;
  /** Where it begins and ends, m. */
  from: Point;
  to: Point;
}
export interface RunLayout {
  segments: Segment[];
  end: Point;
  /** What all of it takes, m. */
  box: { left: number; top: number; right: number; bottom: number };
}

const text = (point: Point): string => `${point.x.toFixed(4)} ${point.y.toFixed(4)}`;

export function layOut(pieces: readonly PieceFlow[]): RunLayout {
  const segments: Segment[] = [];
  let at: Point = { x: 0, y: 0 };
  pieces.forEach((piece, index) => {
    const from = at;
    if (piece.angle > 0) {
      const radius = piece.metres / piece.angle;
      const half = piece.angle / 2;
      const side = from.y > 1e-6 ? -1 : 1;
      const across = radius * Math.sin(half);
      const aside = side * radius * (1 - Math.cos(half));
      const middle = { x: from.x + across, y: from.y + aside };
      at = { x: from.x + 2 * across, y: from.y + 2 * aside };
      const arc = (sweep: boolean, to: Point): string =>
        `A${radius.toFixed(4)} ${radius.toFixed(4)} 0 0 ${sweep ? 1 : 0} ${text(to)}`;
      segments.push({
        piece,
        index,
        d: `M${text(from)}${arc(side > 0, middle)}${arc(side < 0, at)}`,
        from,
        to: at,
      });
    } else {
      at = { x: from.x + piece.metres, y: from.y };
      segments.push({ piece, index, d: `M${text(from)}L${text(at)}`, from, to: at });
    }
  });
  const room = Math.max(...pieces.map((piece) => piece.bore), 0.05) / 2;
  const heights = segments.flatMap((one) => [one.from.y, one.to.y]);
  return {
    segments,
    end: at,
    box: {
      left: 0,
      top: Math.min(...heights, 0) - room,
      right: at.x,
      bottom: Math.max(...heights, 0) + room,
    },
  };
}

export interface Along {
  at: number;
  to: number;
  before: number;
  after: number;
  piece: PieceFlow;
}

/** The pressure along the run: from and to, px, and Pa; what has no length of its own gets `least` px. */
export function pressureAlong(
  ram: number,
  pieces: readonly PieceFlow[],
  width: number,
  least: number,
): Along[] {
  const spare = width - least * pieces.length;
  const whole = pieces.reduce((sum, piece) => sum + piece.metres, 0) || 1;
  let at = 0;
  let before = ram;
  return pieces.map((piece) => {
    const to = at + least + (spare * piece.metres) / whole;
    const part = { at, to, before, after: piece.after, piece };
    at = to;
    before = piece.after;
    return part;
  });
}
