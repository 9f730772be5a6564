/** Text on circles and paths, and bent as a whole: by known geometry. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circleOfArcs, flatten, polygon, type Contour, type Point } from '../path';
import { along } from './along';
import { ArcError, onArc } from './arc';
import type { PlacedGlyph, SetLine } from './set';
import { warped, type Warp } from './warp';

/** A line of glyphs as wide as is said, one after the other from x = 0; what they look like does not matter here. */
const lineOf = (...advances: readonly number[]): SetLine => {
  let x = 0;
  const glyphs = advances.map((advance, at): PlacedGlyph => {
    const glyph = { text: 'x', at, face: null as never, id: at, x, y: 0, turnDeg: 0, advance, dx: 0, dy: 0, sizePx: 10 };
    x += advance;
    return glyph as PlacedGlyph;
  }); // prettier-ignore
  return { glyphs, widthPx: x, y: 0 };
};
const straight: Contour = { start: [0, 0], segments: [{ kind: 'line', to: [100, 0] }], open: true };
const rad = (deg: number): number => (deg * Math.PI) / 180;

describe('text on a circle', () => {
  const line = lineOf(10, 20, 10);

  it.each(['above', 'below'] as const)('has every origin on it, its middle on the axis: %s', (side) => {
    const glyphs = onArc(line, { xHeightPx: 5 }, { radiusPx: 50, side });
    for (const g of glyphs) expect(Math.hypot(g.x, g.y)).toBeCloseTo(50, 9);
    expect(glyphs.every((g) => (side === 'above' ? g.y < 0 : g.y > 0))).toBe(true);
    // The middle letter is as far along to the left of the axis as it is wide to the right of it.
    expect(Math.asin(glyphs[1].x / 50)).toBeCloseTo(-10 / 50, 9);
    expect(glyphs[1].turnDeg).toBeCloseTo(0, 9);
    expect(glyphs[0].x).toBeLessThan(glyphs[1].x);
    expect(glyphs[0].turnDeg).toBeCloseTo(-glyphs[2].turnDeg, 9);
  });

  it('keeps the lengths of a straight line at the height that is asked for', () => {
    for (const [evenAt, height] of [['baseline', 0], ['middle', 2.5], ['outside', 5]] as const) {
      const glyphs = onArc(line, { xHeightPx: 5 }, { radiusPx: 50, side: 'above', evenAt });
      const angle = Math.asin(glyphs[1].x / 50) - Math.asin(glyphs[0].x / 50);
      expect(angle * (50 + height)).toBeCloseTo(10, 9);
    }
  }); // prettier-ignore

  it('says what it needs where it has no room', () => {
    expect(() => onArc(line, { xHeightPx: 5 }, { radiusPx: 0, side: 'above' })).toThrow(ArcError);
    expect(() => onArc(line, { xHeightPx: 5 }, { radiusPx: 6, side: 'above' })).toThrow(/radius of 7 px or more/);
    expect(() => onArc(line, { xHeightPx: 5 }, { radiusPx: 4, side: 'below', evenAt: 'outside' })).toThrow(/less than the letters are high/); // prettier-ignore
    expect(onArc({ glyphs: [], widthPx: 0, y: 0 }, { xHeightPx: 5 }, { radiusPx: 9, side: 'above' })).toEqual([]);
  });
});

describe('text on a path', () => {
  it('stands on a straight one as on a line, where it is said to', () => {
    const line = lineOf(10, 20, 10);
    for (const [align, first] of [['start', 50], ['centre', 30], ['end', 10]] as const) {
      const glyphs = along(line, straight, { at: 0.5, align });
      expect(glyphs.map((g) => [g.x, g.y, g.turnDeg])).toEqual([[first, 0, 0], [first + 10, 0, 0], [first + 30, 0, 0]]);
    }
    // On an open path it stays within the ends.
    expect(along(line, straight, { at: 0 })[0].x).toBe(0);
    expect(along(line, straight, { at: 1 })[2].x).toBe(90);
  }); // prettier-ignore

  it('runs the other way on the other side when it is flipped, and off the path by what is asked', () => {
    const line = lineOf(10, 20, 10);
    const flipped = along(line, straight, { at: 0.5, flipped: true });
    expect(flipped.map((g) => g.x)).toEqual([70, 60, 40]);
    for (const g of flipped) expect(Math.abs(g.turnDeg)).toBeCloseTo(180, 9);
    expect(along(line, straight, { at: 0.5, offPx: 7 })[1].y).toBe(-7);
    expect(along(line, straight, { at: 0.5, flipped: true, offPx: 7 })[1].y).toBe(7);
  });

  it('goes round a closed one past its start, each letter turned as the path under its middle', () => {
    const circle = circleOfArcs(0, 0, 40);
    for (const at of [0, 0.3, 0.99]) {
      const glyphs = along(lineOf(12, 12, 12, 12), circle, { at });
      for (const g of glyphs) {
        expect(Math.hypot(g.x, g.y)).toBeCloseTo(40, 1);
        // Turned as at its middle, 6 px along from where it stands: at a right angle to the radius there.
        const middle = Math.atan2(g.y, g.x) + 6 / 40;
        const turned = Math.abs(((g.turnDeg - (middle * 180) / Math.PI + 540) % 360) - 180);
        expect(Math.min(Math.abs(turned - 90), Math.abs(turned - 270))).toBeLessThan(0.6);
      }
    }
  });

  it('is not set on what is shorter than it is', () => {
    expect(() => along(lineOf(60, 60), straight, { at: 0.5 })).toThrow(/120 px long, and its path 100 px/);
    expect(() => along(lineOf(1), { start: [3, 3], segments: [], open: true }, { at: 0 })).toThrow(/no length/);
  });

  it('keeps the lengths along any broken line', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 200 }));
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 7 }), (points) => {
        const way: Contour = { start: points[0], segments: points.slice(1).map((to) => ({ kind: 'line', to })), open: true };
        const lengths = points.slice(1).map((p, i) => Math.hypot(p[0] - points[i][0], p[1] - points[i][1]));
        const whole = lengths.reduce((sum, l) => sum + l, 0);
        fc.pre(whole > 5);
        const glyphs = along(lineOf(whole / 4, whole / 4, whole / 4), way, { at: 0, align: 'start' });
        // The point that is so far along, walked by hand.
        for (const [k, g] of glyphs.entries()) {
          let rest = (k * whole) / 4;
          let i = 0;
          while (i + 1 < lengths.length && rest > lengths[i]) rest -= lengths[i++];
          const t = lengths[i] > 0 ? rest / lengths[i] : 0;
          const at = [0, 1].map((c) => points[i][c] + t * (points[i + 1][c] - points[i][c]));
          expect(Math.hypot(g.x - at[0], g.y - at[1])).toBeLessThan(0.1);
        }
      }),
      { numRuns: 60 },
    );
  }); // prettier-ignore
});

describe('lettering that is bent', () => {
  const box = { x: 0, y: -20, width: 100, height: 20 };
  // An upright stem, and a bar that lies.
  const stem = polygon([[40, -20], [46, -20], [46, 0], [40, 0]]); // prettier-ignore
  const bar = polygon([[0, -12], [100, -12], [100, -8], [0, -8]]); // prettier-ignore
  const bend = (contour: Contour, warp: Warp): Contour => warped([contour], warp, box, 0)[0];
  const points = (c: Contour): Point[] => { const run = flatten(c, 0.01); return Array.from({ length: run.length / 2 }, (_, k): Point => [run[2 * k], run[2 * k + 1]]); }; // prettier-ignore

  it('stays as it is at 0', () => {
    expect(bend(bar, { kind: 'arch', amount: 0 })).toEqual(bar);
  });

  it.each(['arch', 'wave', 'bulge'] as const)('keeps stems upright and as wide as they were: %s', (kind) => {
    const xs = points(bend(stem, { kind, amount: 0.7 })).map(([x]) => x);
    expect(Math.min(...xs)).toBeCloseTo(40, 9);
    expect(Math.max(...xs)).toBeCloseTo(46, 9);
  });

  it('leans by one angle in a slant, what is on the baseline staying', () => {
    const leant = points(bend(stem, { kind: 'slant', amount: 0.5 }));
    expect(leant.some(([x, y]) => y === 0 && x === 40)).toBe(true);
    expect(leant.some(([x, y]) => y === -20 && Math.abs(x - 50) < 1e-9)).toBe(true);
  });

  it('rises to an arch in its middle, and stays where it was at its ends', () => {
    const arch = points(bend(bar, { kind: 'arch', amount: 0.5 }));
    const highest = Math.min(...arch.map(([, y]) => y));
    expect(highest).toBeCloseTo(-12 - 0.9 * 0.5 * 20, 1);
    for (const [x, y] of arch) if (x < 0.01 || x > 99.99) expect(y).toBeGreaterThanOrEqual(-12.01);
  });

  it('swells about the middle of its height, and is pinched below 0', () => {
    const heightAt = (amount: number): number => {
      const near = points(bend(polygon([[45, -20], [55, -20], [55, 0], [45, 0]]), { kind: 'bulge', amount })).map(([, y]) => y); // prettier-ignore
      return Math.max(...near) - Math.min(...near);
    };
    expect(heightAt(0.5)).toBeCloseTo(20 * 1.45, 0);
    expect(heightAt(-0.5)).toBeCloseTo(20 * 0.55, 0);
  });

  it('lies within a two-thousandth of the height of where each place should be, whatever is bent and how far', () => {
    fc.assert(
      fc.property(fc.constantFrom('arch', 'wave', 'bulge', 'slant'), fc.double({ min: -1, max: 1, noNaN: true }), (kind, amount) => {
        const lift = (x: number, y: number): Point => {
          const u = (x - 50) / 50;
          if (kind === 'slant') return [x - amount * y, y];
          if (kind === 'bulge') return [x, -10 + (y + 10) * (1 + 0.9 * amount * Math.cos((Math.PI / 2) * u))];
          return [x, y - 0.9 * amount * 20 * (kind === 'arch' ? 1 - u * u : 0.5 * Math.sin(Math.PI * u))];
        };
        const exact = Array.from({ length: 401 }, (_, k) => lift(k / 4, -12));
        const upper = points(bend(bar, { kind, amount }));
        for (const [x, y] of exact) {
          const off = Math.min(...upper.map((p, k) => distance([x, y], p, upper[(k + 1) % upper.length])));
          expect(off).toBeLessThan(0.04);
        }
      }),
      { numRuns: 24 },
    );
  }); // prettier-ignore

  /** From a place to a line between two. */
  const distance = ([x, y]: Point, a: Point, b: Point): number => {
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const t = Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / (dx * dx + dy * dy || 1)));
    return Math.hypot(x - a[0] - t * dx, y - a[1] - t * dy);
  };

  it('follows a circle that is slanted as the ellipse it becomes', () => {
    const circle = circleOfArcs(50, -10, 8);
    for (const [x, y] of points(bend(circle, { kind: 'slant', amount: rad(30) }))) {
      const back = [x + rad(30) * y, y];
      expect(Math.hypot(back[0] - 50, back[1] + 10)).toBeCloseTo(8, 1);
    }
  });
});
