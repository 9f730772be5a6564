/** The lines and arcs of outlines, and what they may nearly be. */
import { arcGeometry, dot, minus, type Contour, type Point } from '../../path';
import { drawingOf, type Drawing } from '../drawing';

/** What lines and arcs may nearly be. */
export const NEARLY = ['level', 'upright', 'diagonal', 'parallel', 'radii', 'lengths', 'gaps', 'angles'] as const;
export type Nearly = (typeof NEARLY)[number];

/** Something that some lines or arcs nearly are together. */
export interface NearlyTrue {
  readonly kind: Nearly;
  /** Of each member, places on it: of lines both ends, of arcs the two ends and the middle. */
  readonly members: readonly (readonly Point[])[];
  /** What each measures: px for radii, lengths and gaps, degrees for directions and angles. */
  readonly values: readonly number[];
  /** How far off it is at most: how far an end lies from where it would be true, in px. */
  readonly offPx: number;
}

/** Shorter lines have no direction worth keeping, in px. */
const LEAST_LINE_PX = 4;

/** A straight side, once however many outlines share it. */
export interface StraightSide {
  readonly from: number;
  readonly to: number;
  readonly length: number;
  /** Its direction, 0..π. */
  readonly angle: number;
}

export interface ArcSide {
  /** The sides that it is, of all outlines that share it. */
  readonly sides: number[];
  readonly radius: number;
  readonly sweepRad: number;
  readonly middle: Point;
}

/** Members, by number in the lists of lines or arcs, that are nearly alike. */
export interface Group {
  readonly kind: Nearly;
  readonly members: readonly number[];
  /** For lines: the direction that each is to have, in radians. */
  readonly turned?: ReadonlyMap<number, number>;
  /** For gaps: pairs of lines that lie next to each other. */
  readonly pairs?: readonly (readonly [number, number])[];
}

export const HALF_TURN = Math.PI;
/** An angle between lines, -π/2..π/2. */
export const between = (a: number, b: number): number => {
  const d = (((a - b) % HALF_TURN) + HALF_TURN) % HALF_TURN;
  return d > HALF_TURN / 2 ? d - HALF_TURN : d;
};

/** The drawing with its lines and arcs, each once, and what is wanted of them. */
export class Found {
  readonly drawing: Drawing;
  readonly lines: StraightSide[] = [];
  readonly arcs: ArcSide[] = [];
  /** The line of a side, by number. */
  private readonly lineOf = new Map<number, number>();

  constructor(
    contours: readonly Contour[],
    wanted: (contour: number) => boolean,
    readonly withinPx: number,
  ) {
    this.drawing = drawingOf(contours);
    const { places, sides } = this.drawing;
    const known = new Map<string, number>();
    const seenArcs = new Map<string, ArcSide>();
    sides.forEach((side, number) => {
      const [a, b] = [Math.min(side.from, side.to), Math.max(side.from, side.to)];
      if (side.segment.kind === 'line') {
        const key = `${a} ${b}`;
        let line = known.get(key);
        if (line === undefined && a !== b) {
          const [dx, dy] = minus(places[b], places[a]);
          const angle = (Math.atan2(dy, dx) + HALF_TURN) % HALF_TURN;
          line = this.lines.push({ from: a, to: b, length: Math.hypot(dx, dy), angle }) - 1;
          known.set(key, line);
          if (!wanted(side.contour)) this.unwanted.add(line);
        }
        if (line !== undefined) {
          this.lineOf.set(number, line);
          if (wanted(side.contour)) this.unwanted.delete(line);
        }
      } else if (side.segment.kind === 'arc' && wanted(side.contour) && a !== b) {
        const g = arcGeometry(places[side.from], side.segment);
        const key = `${a} ${b} ${g.cx.toFixed(2)} ${g.cy.toFixed(2)} ${(g.startRad + g.sweepRad / 2).toFixed(2)}`;
        const seen = seenArcs.get(key);
        if (seen) {
          seen.sides.push(number);
          return;
        }
        const t = g.startRad + g.sweepRad / 2;
        const arc: ArcSide = {
          sides: [number],
          radius: g.radius,
          sweepRad: Math.abs(g.sweepRad),
          middle: [g.cx + g.radius * Math.cos(t), g.cy + g.radius * Math.sin(t)],
        };
        seenArcs.set(key, arc);
        this.arcs.push(arc);
      }
    });
  }

  private readonly unwanted = new Set<number>();

  isWanted(line: number): boolean {
    return !this.unwanted.has(line) && this.lines[line].length >= LEAST_LINE_PX;
  }

  lineBeside(side: number | null): number | null {
    return side === null ? null : (this.lineOf.get(side) ?? null);
  }

  middleOf(line: number): Point {
    const [p, q] = [this.drawing.places[this.lines[line].from], this.drawing.places[this.lines[line].to]];
    return [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
  }
}

/** How far one line lies from another of its direction, in px. */
export function gapBetween(found: Found, p: number, q: number, directions: ReadonlyMap<number, number>): number {
  const angle = directions.get(p)!;
  return dot(minus(found.middleOf(q), found.middleOf(p)), [-Math.sin(angle), Math.cos(angle)]);
}
