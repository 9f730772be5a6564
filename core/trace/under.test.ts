import { describe, expect, it } from 'vitest';
import { hexToRgb } from '../colour';
import { arcGeometry, type Contour, flatten, type Point, pointAt, type Segment, signedArea } from '../path';
import { artworkToSvg } from '../export';
import { decodePicture } from '../../node/pictures';
import { drawnOf, pictureOf } from '../../bench/drawings';
import { Resvg } from '@resvg/resvg-js';
import { trace } from '.';
import { runUnder, type Part } from './under';

const line = (...to: Point): Segment => ({ kind: 'line', to });
const own = (start: Point, ...segments: Segment[]): Part => ({ stroke: { start, segments }, isUnder: false });
const under = (start: Point, ...segments: Segment[]): Part => ({ stroke: { start, segments }, isUnder: true });

/** Points all along an outline, and whether each part begins where the one before it ended. */
function along(parts: readonly Contour[]): Point[] {
  parts.forEach((p, k) => {
    const before = parts[(k + parts.length - 1) % parts.length];
    const end = before.segments[before.segments.length - 1].to;
    expect(Math.hypot(end[0] - p.start[0], end[1] - p.start[1])).toBeLessThan(1e-9);
  });
  let from = parts[0].start;
  return parts.flatMap((p) =>
    p.segments.flatMap((s) => {
      const here = from;
      from = s.to;
      return Array.from({ length: 400 }, (_, k) => pointAt(here, s, k / 400));
    }),
  );
}

describe('what is covered', () => {
  it('goes on under what covers it, with the edges beside it and no more points', () => {
    const made = runUnder(
      [own([40, 140], line(40, 40), line(140, 40)), under([140, 40], line(140, 140)), own([140, 140], line(40, 140))],
      false,
      ([x]) => x >= 140,
    );
    expect(made.flatMap((p) => p.segments)).toEqual([line(40, 40), line(141, 40), line(141, 140), line(40, 140)]);
    along(made);
  });

  it('is reached by an arc in its own circle', () => {
    const arc: Segment = { kind: 'arc', radius: 50, large: false, clockwise: true, to: [130, 60] };
    const made = runUnder(
      [own([50, 100], arc), under([130, 60], line(130, 100)), own([130, 100], line(50, 100))],
      false,
      ([x]) => x >= 130,
    );
    const [carried] = made[0].segments;
    const [was, is] = [arcGeometry([50, 100], arc), arcGeometry(made[0].start, carried as typeof arc)];
    expect([is.cx, is.cy, is.radius]).toEqual([was.cx, was.cy, was.radius].map((v) => expect.closeTo(v, 9)));
    expect(carried.to[0]).toBeCloseTo(131, 0);
    expect(Math.max(...along(made).map(([x]) => x))).toBeLessThan(132);
  });

  it('is reached by a curve that goes on as it went', () => {
    const curve: Segment = { kind: 'curve', c1: [50, 60], c2: [90, 40], to: [130, 50] };
    const made = runUnder(
      [own([50, 100], curve), under([130, 50], line(130, 100)), own([130, 100], line(50, 100))],
      false,
      ([x]) => x >= 130,
    );
    const was = Array.from({ length: 1000 }, (_, k) => pointAt([50, 100], curve, k / 1000));
    for (let k = 0; k < 200; k++) {
      const [x, y] = pointAt(made[0].start, made[0].segments[0], k / 200);
      // Its other end is carried on as well, a little to the left.
      if (x < 130 && y < 100) expect(Math.min(...was.map((p) => Math.hypot(p[0] - x, p[1] - y)))).toBeLessThan(0.1);
    }
    expect(made[0].segments[0].to[0]).toBeGreaterThan(130.7);
  });

  it('dives in where its edge goes straight on past the end of what covers it', () => {
    const hides = ([x, y]: Point) => x >= 50 && y >= 50;
    for (const side of [line(50, 150), { kind: 'curve', c1: [50, 80], c2: [50, 120], to: [50, 150] } as Segment]) {
      const made = runUnder(
        [own([50, 10], line(50, 50)), under([50, 50], side), own([50, 150], line(10, 150), line(10, 10), line(50, 10))],
        false,
        hides,
      );
      const points = along(made);
      // The edge that shows is as it was.
      expect(made[0]).toEqual({ start: [50, 10], segments: [line(50, 50)] });
      for (const [x, y] of points) expect(x <= 50 + 1e-9 || y >= 50).toBe(true);
      // Soon after, what is covered lies well under.
      const at = (y: number) => Math.max(...points.filter((p) => Math.abs(p[1] - y) < 0.6).map((p) => p[0]));
      expect(at(53)).toBeGreaterThan(50.3);
      expect(at(100)).toBeGreaterThan(50.7);
    }
  });

  it('moves its corner between two that cover it, and a sharp tip on', () => {
    const made = runUnder(
      [own([40, 140], line(40, 40), line(140, 40)), under([140, 40], line(140, 140)), under([140, 140], line(40, 140))],
      false,
      ([x, y]) => x >= 140 || y >= 140,
    );
    expect(made[2].start).toEqual([141, 141]);
    expect(made[2].segments[0].to).toEqual(made[0].start);
    const tip = runUnder(
      [own([40, 96], line(40, 90)), under([40, 90], line(140, 93)), under([140, 93], line(40, 96))],
      false,
      ([x, y]) => x >= 140 || y < 90 + (3 * (x - 39)) / 100 || y > 95 - (3 * (x - 41)) / 100,
    );
    expect(tip[2].start[0]).toBeGreaterThan(140.9);
    along(tip);
  });

  it('grows all round where it has no end', () => {
    const disc: Contour = {
      start: [60, 100],
      segments: [
        { kind: 'arc', radius: 40, large: false, clockwise: true, to: [140, 100] },
        { kind: 'arc', radius: 40, large: false, clockwise: true, to: [60, 100] },
      ],
    };
    const [made] = runUnder([{ stroke: disc, isUnder: true }], true, () => true);
    expect(Math.sqrt(signedArea(flatten(made, 0.01)) / Math.PI)).toBeCloseTo(41, 1);
  });

  it('stays where it is when it would show', () => {
    const parts = [
      own([40, 140], line(40, 40), line(140, 40)),
      under([140, 40], line(140, 140)),
      own([140, 140], line(40, 140)),
    ];
    const asTheyWere = parts.map((p) => p.stroke);
    expect(runUnder(parts, false, () => false)).toEqual(asTheyWere);
    const showing = parts.map((p) => ({ ...p, isUnder: false }));
    expect(runUnder(showing, false, () => true)).toEqual(asTheyWere);
  });
});

describe('where three areas meet', () => {
  it('nothing from below shines through beside the meeting', async () => {
    const [FACE, EAR, GROUND] = ['#FFC83D', '#A04020', '#FF00FF'];
    const drawing = drawnOf(
      `<circle cx="150" cy="256" r="70" fill="${EAR}"/><path d="M160 80L400 80L400 440L190 440Z" fill="${FACE}"/>`,
    );
    const { picture } = await pictureOf(drawing, false);
    const { artwork } = trace(picture, { ground: 'drop' });
    const svg = artworkToSvg(artwork);
    const { rgba } = await decodePicture(new Resvg(svg, { background: GROUND }).render().asPng());
    // Along the edge of face and ear, green tells the ground from either, as does blue: a mixture of the two has less blue than this.
    const [face, ear] = [hexToRgb(FACE), hexToRgb(EAR)];
    let looked = 0;
    for (let y = 200; y < 312; y++) {
      const edge = 160 + ((y - 80) * 30) / 360;
      // Not where the ground lies beside the edge.
      if ((edge - 150) ** 2 + (y - 256) ** 2 > 66 ** 2) continue;
      for (let x = Math.floor(edge) - 2; x <= edge + 2; x++) {
        expect(rgba[4 * (y * 512 + x) + 2]).toBeLessThan(Math.max(face[2], ear[2]) + 6);
        looked++;
      }
    }
    expect(looked).toBeGreaterThan(400);
  });
});
