import { describe, expect, it } from 'vitest';
import { artworkToSvg } from '../export';
import { type Contour, type Point, turnsOf } from '../path';
import { drawnOf, errorOf, pictureOf } from '../../bench/drawings';
import { trace, type TraceOptions } from '.';
import { allPieces } from '../vector';

const traced = async (elements: string, worn: boolean, options: Partial<TraceOptions> = {}) => {
  const drawing = drawnOf(elements);
  const { artwork } = trace((await pictureOf(drawing, worn)).picture, { ground: 'keep', ...options });
  const contoursOf = (hex: string): Contour[] => {
    const near = (p: string, q: string) =>
      [1, 3, 5].every((k) => Math.abs(parseInt(p.slice(k, k + 2), 16) - parseInt(q.slice(k, k + 2), 16)) < 8);
    const ink = artwork.inks.find((i) => near(i.hex, hex));
    return allPieces(artwork)
      .filter((p) => p.inkId === ink?.id)
      .flatMap((p) => p.contours);
  };
  return { drawing, artwork, contoursOf };
};

const [BLUE, RED, AMBER, GREEN] = ['#2b5fd9', '#e23b2e', '#f2b632', '#2f8f46'];

describe('an edge on which others end', () => {
  it('is a whole circle where it was one', async () => {
    const { artwork } = await traced(
      `<rect x="60" y="90" width="300" height="330" fill="${BLUE}"/><circle cx="350.3" cy="260.7" r="92.4" fill="${RED}"/>`,
      false,
    );
    const circle = /<circle cx="([\d.]+)" cy="([\d.]+)" r="([\d.]+)"/.exec(artworkToSvg(artwork));
    expect(circle).not.toBeNull();
    const [cx, cy, r] = circle!.slice(1).map(Number);
    expect(Math.hypot(cx - 350.3, cy - 260.7)).toBeLessThan(0.06);
    expect(Math.abs(r - 92.4)).toBeLessThan(0.06);
  });

  for (const worn of [false, true])
    it(`is smooth and true there, ${worn ? 'worn' : 'clean'}`, async () => {
      // A leaf before two bands, smaller than what shows of them.
      const leaf = 'M250 110 C310 150 320 330 262 390 C190 340 180 160 250 110Z';
      const { drawing, artwork, contoursOf } = await traced(
        `<rect x="40" y="140" width="430" height="100" fill="${BLUE}"/><path d="M40 260 L470 270 V380 L40 350Z" fill="${RED}"/>
         <path d="${leaf}" fill="${AMBER}"/>`,
        worn,
      );
      const [outline] = contoursOf(AMBER);
      const turns = turnsOf(outline);
      // Its two ends turn; where the bands end on it nothing does.
      expect(turns.filter((t) => t > 0.5)).toHaveLength(2);
      if (!worn) expect(turns.filter((t) => t > 0.03 && t <= 0.5)).toHaveLength(0);
      expect(outline.segments.length).toBeLessThanOrEqual(worn ? 8 : 4);
      expect(await errorOf(drawing, artworkToSvg(artwork))).toBeLessThan(worn ? 0.12 : 0.06);
    });

  it('is met by level and upright lines that stay so', async () => {
    const { contoursOf } = await traced(
      `<path d="M100 60 L420 60 L470 450 L60 450Z" fill="${GREEN}"/><path d="M83 215.5 H440 L470 450 H60Z" fill="${AMBER}"/>
       <path d="M60 40 L120 40 L60 470 L20 470Z M400 40 H490 V470 H480Z" fill="${BLUE}"/>`,
      false,
    );
    const level = [...contoursOf(AMBER), ...contoursOf(GREEN)].flatMap(({ start, segments }) => {
      const points: Point[] = [start, ...segments.map((s) => s.to)];
      return segments.flatMap((s, k) =>
        Math.abs(points[k][1] - 215.5) < 1 &&
        Math.abs(points[k + 1][1] - 215.5) < 1 &&
        Math.abs(points[k][0] - s.to[0]) > 100
          ? [Math.abs(points[k][1] - points[k + 1][1])]
          : [],
      );
    });
    expect(level.length).toBeGreaterThan(0);
    for (const rise of level) expect(rise).toBeLessThan(0.02);
  });

  it('is shared point by point when cut out', async () => {
    const { contoursOf } = await traced(
      `<rect x="60" y="90" width="300" height="330" fill="${BLUE}"/><circle cx="350.3" cy="260.7" r="92.4" fill="${RED}"/>`,
      false,
      { stacking: 'cutout' },
    );
    // Every joint of the circle inside the rectangle is a joint of the rectangle's as well.
    const [of, circle] = [BLUE, RED].map((hex) => contoursOf(hex).flatMap((c) => c.segments.map((s) => s.to)));
    const shared = circle.filter((p) => of.some((q) => p[0] === q[0] && p[1] === q[1]));
    expect(shared.length).toBeGreaterThanOrEqual(2);
    const beside = circle.filter((p) => p[0] < 350);
    expect(beside.every((p) => shared.includes(p))).toBe(true);
    expect(beside.length).toBeGreaterThan(0);
  });
});

describe('corners of worn pictures', () => {
  it('are sharp, and sides between them straight', async () => {
    for (const hex of ['#000000', BLUE, GREEN]) {
      const { artwork, contoursOf } = await traced(
        `<rect x="60" y="90" width="300" height="330" fill="${hex}"/><path d="M400 100 L480.3 130.2 L430 200Z" fill="${hex}"/>`,
        true,
      );
      expect(artworkToSvg(artwork)).toMatch(/<rect x="(59\.9|60)\d*(\.\d+)?" y="(89\.9|90)/);
      const triangle = contoursOf(hex).find((c) => c.start[0] > 380)!;
      expect(triangle.segments.map((s) => s.kind)).toEqual(['line', 'line', 'line']);
      for (const p of [
        [400, 100],
        [480.3, 130.2],
        [430, 200],
      ])
        expect(Math.min(...triangle.segments.map((s) => Math.hypot(s.to[0] - p[0], s.to[1] - p[1])))).toBeLessThan(0.5);
    }
  });
});

describe('areas drawn one over the other along the same edge', () => {
  it('have one straight edge, though what lies below shows through it a little', async () => {
    const shield = (y: number, hex: string) => {
      const x = (at: number) => 60 + (80.3 * (420 - at)) / 340;
      const far = (at: number) => 470 - (89.3 * (420 - at)) / 340;
      return `<path d="M60 420 L${x(y)} ${y} H${far(y)} L470 420Z" fill="${hex}"/>`;
    };
    const { drawing, artwork, contoursOf } = await traced(
      shield(80, BLUE) + shield(190, AMBER) + shield(300, GREEN),
      false,
    );
    expect(allPieces(artwork).length).toBe(4);
    for (const hex of [BLUE, AMBER, GREEN]) expect(contoursOf(hex)[0].segments.length).toBeLessThanOrEqual(10);
    expect(await errorOf(drawing, artworkToSvg(artwork))).toBeLessThan(0.1);
  });
});

describe('small things that catch the eye', () => {
  it('are kept where specks like their surroundings go', async () => {
    const isKept = async (fill: string) => {
      const { contoursOf } = await traced(
        `<circle cx="256" cy="256" r="90" fill="#7d4533"/><circle cx="256" cy="256" r="60" fill="#000000"/><circle cx="240" cy="236" r="1.9" fill="${fill}"/>`,
        false,
        { palette: ['#ffffff', '#7d4533', '#000000', '#242424'] },
      );
      return [...contoursOf('#000000'), ...contoursOf('#242424')].some(
        ({ start }) => Math.hypot(start[0] - 240, start[1] - 236) < 5,
      );
    };
    expect(await isKept('#ffffff')).toBe(true);
    expect(await isKept('#242424')).toBe(false);
  });
});
