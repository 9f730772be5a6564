/** Strokes cut where others end on them. */
import { describe, expect, it } from 'vitest';
import { type Point, pointAt, type Segment } from '../path';
import type { Chain } from './chains';
import { cutRoutes } from './edges';
import type { Stroke } from '../fit';
import type { Route, Routes } from './routes';

const WIDTH = 100;
const key = ([x, y]: Point): number => y * (WIDTH + 1) + x;
const line = (...to: Point): Segment => ({ kind: 'line', to });

/** A chain along the sides of pixels, from corner to corner. */
function chain(...through: Point[]): Chain {
  const corners: number[] = [...through[0]];
  for (let k = 1; k < through.length; k++) {
    let [x, y] = through[k - 1];
    while (x !== through[k][0] || y !== through[k][1]) {
      x += Math.sign(through[k][0] - x);
      y += Math.sign(through[k][1] - y);
      corners.push(x, y);
    }
  }
  return { corners: Int32Array.from(corners), closed: false, left: 1, right: 2 };
}

/** Located points along a level line, one a pixel. */
const along = (x0: number, x1: number, y: number) => {
  const n = Math.abs(x1 - x0);
  return {
    points: Float64Array.from({ length: 2 * n }, (_, k) =>
      k % 2 ? y : x0 + Math.sign(x1 - x0) * (Math.floor(k / 2) + 0.5),
    ),
    scatterPx: new Float64Array(n),
    doubtPx: 0,
  };
};

/** A level edge at y = 40.3 from the border to the border, on which an upright one from below ends at x = 60.2; and that one. */
function tee() {
  const chains = [chain([0, 40], [60, 40]), chain([60, 40], [100, 40]), chain([60, 40], [60, 90])];
  const list: Route[] = [
    { chains: [0, 1], closed: false, located: along(0, 100, 40.3), joints: [60] },
    { chains: [2], closed: false, located: along(40, 90, 60), joints: [] },
  ];
  const meeting = (corner: Point, pin: Point | null) => ({
    corner,
    ends: [],
    through: pin ? ([1, 2] as const) : null,
    pin,
  });
  const meetings = new Map([
    [key([60, 40]), meeting([60, 40], [60.4, 40.4])],
    [key([0, 40]), meeting([0, 40], null)],
    [key([100, 40]), meeting([100, 40], null)],
    [key([60, 90]), meeting([60, 90], null)],
  ]);
  const routes: Routes = { list, meetings };
  const points: Point[] = [
    [60.4, 40.4],
    [0, 40.3],
    [100, 40.3],
    [60.2, 90],
  ];
  const meetingAt = (k: number): Point => points[[...meetings.keys()].indexOf(k)];
  const whole: Stroke[] = [
    { start: [0, 40.3], segments: [line(100, 40.3)], deviation: { sum: 1, greatest: 0.1, count: 100 } },
    { start: [60.2, 40.5], segments: [line(60.2, 90)] },
  ];
  return { chains, routes, meetingAt, whole };
}
const never = (): Stroke => {
  throw new Error('an edge was fitted by itself');
};
const endOf = ({ segments }: Stroke): Point => segments[segments.length - 1].to;

describe('an edge on which another ends', () => {
  it('is cut there, where the other comes to it along its own line', () => {
    const { chains, routes, meetingAt, whole } = tee();
    const { strokes } = cutRoutes(routes, whole, chains, WIDTH, meetingAt, never);
    const at = endOf(strokes[0]);
    expect(at).toEqual([expect.closeTo(60.2, 6), expect.closeTo(40.3, 6)]);
    expect(strokes[1].start).toEqual(at);
    expect(strokes[2].start).toEqual(at);
    expect(endOf(strokes[1])).toEqual([100, 40.3]);
    for (const s of strokes) expect(s.segments).toHaveLength(1);
    // How far it is off is told once.
    expect(strokes.map((s) => s.deviation?.count ?? 0)).toEqual([100, 0, 0]);
  });

  it('is drawn in one where both parts show, forwards and backwards', () => {
    const { chains, routes, meetingAt, whole } = tee();
    const { next, together } = cutRoutes(routes, whole, chains, WIDTH, meetingAt, never);
    expect([next(0), next(1), next(-2), next(-1), next(2)]).toEqual([1, null, -1, null, null]);
    expect(together([0, 1])).toMatchObject({ start: [0, 40.3], segments: [line(100, 40.3)] });
    expect(together([-2, -1])).toMatchObject({ start: [100, 40.3], segments: [line(0, 40.3)] });
  });

  it('keeps an arc an arc, in the same circle', () => {
    const { chains, routes, meetingAt } = tee();
    const arc: Segment = { kind: 'arc', radius: 130, large: false, clockwise: true, to: [100, 40.3] };
    const whole: Stroke[] = [
      { start: [0, 40.3], segments: [arc] },
      { start: [60.2, 38], segments: [line(60.2, 90)] },
    ];
    const top = Math.min(...Array.from({ length: 99 }, (_, k) => pointAt([0, 40.3], arc, k / 99)[1]));
    const near: Routes = {
      ...routes,
      meetings: new Map(
        [...routes.meetings].map(([k, m]) => [k, m.pin ? { ...m, pin: [60.4, top + 0.3] as Point } : m]),
      ),
    };
    const { strokes } = cutRoutes(near, whole, chains, WIDTH, meetingAt, never);
    expect(strokes[0].segments).toMatchObject([{ kind: 'arc', radius: 130 }]);
    expect(strokes[1].segments).toMatchObject([{ kind: 'arc', radius: 130, to: [100, 40.3] }]);
    expect(endOf(strokes[0])[0]).toBeCloseTo(60.2, 1);
  });

  it('is fitted part by part where it cannot be cut', () => {
    const { chains, routes, meetingAt } = tee();
    // A stroke of no length at all.
    const whole: Stroke[] = [
      { start: [0, 40.3], segments: [line(0.4, 40.3)] },
      { start: [60.2, 40.5], segments: [line(60.2, 90)] },
    ];
    const asked: [number, readonly [Point, Point]][] = [];
    const { strokes, next } = cutRoutes(routes, whole, chains, WIDTH, meetingAt, (k, ends) => {
      asked.push([k, ends]);
      return { start: ends[0], segments: [line(...ends[1])] };
    });
    expect(asked.map(([k]) => k)).toEqual([0, 1]);
    // They still share the points where they end.
    expect(endOf(strokes[0])).toEqual(strokes[1].start);
    expect(strokes[2].start).toEqual(strokes[1].start);
    expect([next(0), next(1)]).toEqual([null, null]);
  });

  it('is fitted part by part where places on it come in another order than they should', () => {
    const { chains, routes, meetingAt, whole } = tee();
    const more = [...chains.slice(0, 2), chain([60, 40], [100, 40]), chains[2]];
    const twice: Routes = {
      ...routes,
      list: [
        { chains: [0, 1, 2], closed: false, located: along(0, 100, 40.3), joints: [60, 60] },
        { ...routes.list[1], chains: [3] },
      ],
      // Both joints at one place.
      meetings: new Map([
        ...routes.meetings,
        [key([100, 40]), { ...routes.meetings.get(key([60, 40]))!, pin: [60.25, 40.4] as Point }],
      ]),
    };
    const alone: number[] = [];
    cutRoutes(twice, whole, more, WIDTH, meetingAt, (k, ends) => {
      alone.push(k);
      return { start: ends[0], segments: [line(...ends[1])] };
    });
    expect(alone).toEqual([0, 1, 2]);
  });
});
