import { describe, expect, it } from 'vitest';
import { arcGeometry, joined, partOf, type Point, pointAt, type Segment, withEnds } from '../path';

const from: Point = [10, 20];
const SEGMENTS: Record<string, Segment> = {
  line: { kind: 'line', to: [60, 45] },
  curve: { kind: 'curve', c1: [20, 60], c2: [70, -10], to: [80, 30] },
  'lesser arc': { kind: 'arc', radius: 40, large: false, clockwise: true, to: [50, 40] },
  'greater arc': { kind: 'arc', radius: 30, large: true, clockwise: false, to: [40, 30] },
};

describe('part of a segment', () => {
  for (const [name, whole] of Object.entries(SEGMENTS))
    it(`lies on the whole one: ${name}`, () => {
      for (const [t0, t1] of [
        [0, 1],
        [0, 0.3],
        [0.25, 0.9],
        [0.6, 1],
      ]) {
        const { start, segment } = partOf(from, whole, t0, t1);
        for (const t of [0, 0.2, 0.5, 0.85, 1]) {
          const [p, q] = [pointAt(start, segment, t), pointAt(from, whole, t0 + t * (t1 - t0))];
          expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeLessThan(1e-6);
        }
      }
    });

  it('has the flag of a greater arc only where it is one', () => {
    const whole = SEGMENTS['greater arc'];
    const sweep = Math.abs(arcGeometry(from, whole as Extract<Segment, { kind: 'arc' }>).sweepRad);
    expect(sweep).toBeGreaterThan(Math.PI);
    for (const share of [0.2, 0.9]) {
      const { segment } = partOf(from, whole, 0, share);
      expect(segment).toMatchObject({ kind: 'arc', large: sweep * share > Math.PI });
    }
  });
});

describe('joining', () => {
  it('makes one again of what was cut, where that is a line or an arc', () => {
    for (const name of ['line', 'lesser arc', 'greater arc']) {
      const whole = SEGMENTS[name];
      const parts = [0, 0.2, 0.7].map((t0, k) => partOf(from, whole, t0, [0.2, 0.7, 1][k]).segment);
      const again = joined(from, parts);
      expect(again).toHaveLength(1);
      const [p, q] = [pointAt(from, again[0], 0.4), pointAt(from, whole, 0.4)];
      expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeLessThan(1e-6);
    }
  });

  it('leaves corners and arcs of other circles', () => {
    expect(
      joined(
        [0, 0],
        [
          { kind: 'line', to: [10, 0] },
          { kind: 'line', to: [10, 10] },
          { kind: 'arc', radius: 10, large: false, clockwise: true, to: [20, 20] },
          { kind: 'arc', radius: 12, large: false, clockwise: true, to: [30, 10] },
        ],
      ),
    ).toHaveLength(4);
  });
});

describe('ends of an outline', () => {
  it('are moved with the directions there, and half a circle stays one', () => {
    const moved = withEnds({ start: from, segments: [SEGMENTS.curve] }, [11, 20], [80, 29]);
    expect(moved).toEqual({
      start: [11, 20],
      segments: [{ kind: 'curve', c1: [21, 60], c2: [70, -11], to: [80, 29] }],
    });
    const half = withEnds(
      { start: [0, 0], segments: [{ kind: 'arc', radius: 10, large: false, clockwise: true, to: [20, 0] }] },
      [0, 0],
      [21, 0],
    );
    expect(half.segments[0]).toMatchObject({ radius: 10.5 });
  });
});
