import { describe, expect, it } from 'vitest';
import { hexToRgb } from '../colour';
import { blankPicture, cover, layColour, type Picture } from '../raster';
import { artworkFromSvg } from '../import';
import { artworkToSvg } from '../export';
import { renderArtwork } from '../scene';
import { allPieces, scaledArtwork } from '../vector';
import {
  boxOf,
  ellipse,
  flatten,
  mapContour,
  parsePath,
  polygon,
  rectangleOfArcs,
  signedArea,
  type Contour,
  type Point,
  type Segment,
} from '../path';
import { trace } from './index';

const NAVY = '#20346E';
const RED = '#C22A3A';

function pictureOf(shapes: readonly (readonly [string, Contour])[], side = 200, ground = '#FFFFFF'): Picture {
  const picture = blankPicture(side, side, hexToRgb(ground));
  for (const [hex, contour] of shapes) {
    const c = cover([flatten(contour, 0.01)], side, side);
    if (c) layColour(picture, c, hexToRgb(hex));
  }
  return picture;
}

const svgOf = (picture: Picture, options = {}): string =>
  artworkToSvg(trace(picture, { ground: 'drop', ...options }).artwork);

describe('exact shapes', () => {
  it('gives ellipses back as ellipses, straight and leaning', () => {
    const straight = svgOf(pictureOf([[NAVY, ellipse(100, 90, 70, 40)]]));
    const m = /<ellipse cx="([\d.]+)" cy="([\d.]+)" rx="([\d.]+)" ry="([\d.]+)"\/>/.exec(straight)!;
    [100, 90, 70, 40].forEach((v, i) => expect(Math.abs(Number(m[i + 1]) - v)).toBeLessThan(0.06));
    expect(svgOf(pictureOf([[NAVY, ellipse(100, 100, 70, 30, 0.6)]]))).toMatch(
      /<ellipse [^>]*transform="rotate\(34\.\d+ /,
    );
  });

  it('gives rounded rectangles and rectangles back as those', () => {
    const rounded = svgOf(pictureOf([[NAVY, rectangleOfArcs(30.4, 40.2, 140, 100, 22)]]));
    const m = /<rect x="([\d.]+)" y="([\d.]+)" width="([\d.]+)" height="([\d.]+)" rx="([\d.]+)"\/>/.exec(rounded)!;
    [30.4, 40.2, 140, 100, 22].forEach((v, i) => expect(Math.abs(Number(m[i + 1]) - v)).toBeLessThan(0.25));
    expect(svgOf(pictureOf([[NAVY, rectangleOfArcs(30, 40, 140, 100)]]))).toContain(
      '<rect x="30" y="40" width="140" height="100"/>',
    );
  });

  it('leaves corners that are cut off straight as they are', () => {
    const octagon: Point[] = [
      [70, 40],
      [130, 40],
      [160, 70],
      [160, 130],
      [130, 160],
      [70, 160],
      [40, 130],
      [40, 70],
    ];
    const [made] = allPieces(trace(pictureOf([[NAVY, polygon(octagon)]]), { ground: 'drop' }).artwork)[0].contours;
    expect(made.segments.map((s) => s.kind)).toEqual(Array(8).fill('line'));
    for (const p of octagon)
      expect(Math.min(...made.segments.map(({ to }) => Math.hypot(to[0] - p[0], to[1] - p[1])))).toBeLessThan(0.2);
    // One of four round corners.
    const folded = parsePath(
      'M60 40H130L160 70V140A20 20 0 0 1 140 160H60A20 20 0 0 1 40 140V60A20 20 0 0 1 60 40Z',
    )[0];
    expect(svgOf(pictureOf([[NAVY, folded]]))).not.toContain('rx=');
    const [sheet] = allPieces(trace(pictureOf([[NAVY, folded]]), { ground: 'drop' }).artwork)[0].contours;
    const area = Math.abs(signedArea(flatten(folded, 0.01)));
    expect(Math.abs(Math.abs(signedArea(flatten(sheet, 0.01))) - area)).toBeLessThan(12);
  });

  it('leaves corners that are cut out round as they are', () => {
    // A plate whose corners are quarters of circles, seen from outside.
    const cut: Segment[] = [
      [130, 40, 150, 60],
      [150, 120, 130, 140],
      [70, 140, 50, 120],
      [50, 60, 70, 40],
    ].flatMap(([x0, y0, x1, y1]): Segment[] => [
      { kind: 'line', to: [x0, y0] },
      { kind: 'arc', radius: 20, large: false, clockwise: false, to: [x1, y1] },
    ]);
    const plate = { start: [70, 40] as const, segments: cut };
    const { artwork } = trace(pictureOf([[NAVY, plate]]), { ground: 'drop' });
    const [made] = allPieces(artwork).flatMap((p) => p.contours);
    expect(artworkToSvg(artwork)).not.toContain('<rect');
    expect(made.segments.filter((s) => s.kind === 'arc' && !s.clockwise)).toHaveLength(4);
    expect(Math.abs(signedArea(flatten(made, 0.05)))).toBeCloseTo(100 * 100 - Math.PI * 400, -2);
  });

  it('makes level and upright lines exactly so, and leaves slanting ones', () => {
    const { artwork } = trace(
      pictureOf([
        [
          NAVY,
          polygon([
            [40, 30],
            [160, 30],
            [160, 120],
            [100, 170],
            [40, 120],
          ]),
        ],
      ]),
      { ground: 'drop' },
    );
    const [{ start, segments }] = allPieces(artwork)[0].contours;
    const points = [start, ...segments.map((s) => s.to)];
    const level = points.slice(1).filter((p, i) => p[1] === points[i][1]).length;
    const upright = points.slice(1).filter((p, i) => p[0] === points[i][0]).length;
    expect([level, upright, segments.length]).toEqual([1, 2, 5]);
  });
});

describe('symmetry', () => {
  const face = (bump: number): Picture =>
    pictureOf([
      [
        NAVY,
        parsePath(
          `M100 20C150 20 170 60 ${170 + bump} 100C170 150 140 180 100 180C60 180 30 150 30 100C30 60 50 20 100 20Z`,
        )[0],
      ],
      [RED, ellipse(75, 80, 10, 10)],
      [RED, ellipse(125, 80.6, 10, 10)],
      ['#FFFFFF', parsePath('M80 130C90 140 110 140 120 130L120 136C110 146 90 146 80 136Z')[0]],
    ]);

  it('is found where it nearly is, and not where it is not', () => {
    const found = trace(face(1.5)).symmetry!;
    expect(Math.abs(found.angleRad - Math.PI / 2)).toBeLessThan(1e-9);
    expect(Math.abs(found.x - 100)).toBeLessThan(1);
    expect(found.share).toBeGreaterThan(0.94);
    expect(trace(pictureOf([[NAVY, parsePath('M30 30L175 45L60 170Z')[0]]])).symmetry).toBeNull();
    expect(trace(face(1), { symmetry: 'off' }).symmetry).toBeNull();
  });

  it('is made exact when asked, close to what was there', () => {
    const picture = face(2.5);
    const { artwork, symmetry } = trace(picture, { symmetry: 'exact', ground: 'drop' });
    // The same drawing turned over about its axis.
    const flipped = {
      ...artwork,
      nodes: allPieces(artwork).map((p) => ({
        ...p,
        contours: p.contours.map((c) => mapContour([-1, 0, 0, 1, 2 * symmetry!.x, 0], c)),
      })),
    };
    const [a, b] = [renderArtwork(artwork, 400), renderArtwork(flipped, 400)];
    let worst = 0;
    for (let i = 0; i < a.rgba.length; i++) worst = Math.max(worst, Math.abs(a.rgba[i] - b.rgba[i]));
    expect(worst).toBeLessThan(30);
    const plain = renderArtwork(trace(picture, { ground: 'drop' }).artwork, 400);
    let off = 0;
    for (let i = 0; i < a.rgba.length; i++) off += Math.abs(a.rgba[i] - plain.rgba[i]);
    expect(off / a.rgba.length).toBeLessThan(3);
    expect(allPieces(artwork).filter((p) => p.contours.length === 1 && boxOf(p.contours).width < 25)).toHaveLength(2);
  });

  it('keeps a circle on the axis a circle', () => {
    const { artwork } = trace(
      pictureOf([
        [NAVY, ellipse(100, 100, 60, 60)],
        [RED, ellipse(100, 100, 20, 20)],
      ]),
      { symmetry: 'exact', ground: 'drop' },
    );
    expect(artworkToSvg(artwork).match(/<circle /g)).toHaveLength(2);
  });
});

describe('SVG read back', () => {
  it('gives the same artwork', () => {
    const pictures = [
      pictureOf([
        [NAVY, ellipse(100, 90, 70, 40)],
        [RED, rectangleOfArcs(80, 60, 40, 50, 8)],
      ]),
      pictureOf([
        [NAVY, ellipse(100, 100, 60, 60)],
        ['#FFFFFF', ellipse(100, 100, 30, 30)],
        [RED, parsePath('M90 20C150 20 150 60 190 100L150 130Z')[0]],
      ]),
    ];
    for (const picture of pictures) {
      const svg = artworkToSvg(trace(picture, { ground: 'drop' }).artwork);
      const again = artworkFromSvg(svg);
      expect(artworkToSvg(again)).toBe(svg);
    }
  });

  it('can be scaled', () => {
    const { artwork } = trace(pictureOf([[NAVY, ellipse(100, 100, 60, 60)]]), { ground: 'drop' });
    expect(boxOf(allPieces(scaledArtwork(artwork, 2.5))[0].contours).width).toBeCloseTo(300, 0);
  });
});

describe('the same drawing in other positions', () => {
  const drawing = pictureOf([
    [NAVY, parsePath('M60 30C120 10 170 60 160 110C150 160 90 190 50 150C20 120 20 50 60 30Z')[0]],
    [RED, parsePath('M80 70L130 80L110 120L75 115Z')[0]],
    ['#F2C14E', ellipse(120, 60, 14, 14)],
  ]);
  /** A picture turned by a quarter, or mirrored. */
  const moved = ({ rgba, widthPx: n }: Picture, to: (x: number, y: number) => [number, number]): Picture => {
    const out = blankPicture(n, n, [0, 0, 0]);
    for (let y = 0; y < n; y++)
      for (let x = 0; x < n; x++) {
        const [u, v] = to(x, y);
        out.rgba.set(rgba.subarray((y * n + x) * 4, (y * n + x) * 4 + 4), (v * n + u) * 4);
      }
    return out;
  };
  const away = (p: Picture, q: Picture): number => {
    let sum = 0;
    for (let i = 0; i < p.rgba.length; i++) sum += Math.abs(p.rgba[i] - q.rgba[i]);
    return sum / p.rgba.length;
  };

  it('gives the same trace, turned or mirrored', () => {
    const plain = trace(drawing, { ground: 'keep' });
    for (const to of [
      (x: number, y: number): [number, number] => [199 - y, x],
      (x: number, y: number): [number, number] => [199 - x, y],
    ]) {
      const other = trace(moved(drawing, to), { ground: 'keep' });
      const again = moved(renderArtwork(plain.artwork, 200), to);
      expect(away(renderArtwork(other.artwork, 200), again)).toBeLessThan(0.25);
      expect(Math.abs(other.figures.segments - plain.figures.segments)).toBeLessThanOrEqual(2);
    }
  });

  it('is traced again from its own drawing with hardly more segments', () => {
    const first = trace(drawing, { ground: 'keep' });
    const second = trace(renderArtwork(first.artwork, 200), { ground: 'keep' });
    expect(second.figures.segments).toBeLessThanOrEqual(Math.ceil(first.figures.segments * 1.02));
  });

  it('lets no ground through inside a closed figure', () => {
    // Stacked pieces run under those above them; pieces that are cut out meet edge to edge, where any renderer's smoothing lets a little through.
    const { rgba } = renderArtwork(trace(drawing, { ground: 'drop' }).artwork, 800);
    const outline = parsePath('M60 30C120 10 170 60 160 110C150 160 90 190 50 150C20 120 20 50 60 30Z')[0];
    const mask = renderArtwork(trace(pictureOf([[NAVY, outline]]), { ground: 'drop' }).artwork, 800).rgba;
    let holes = 0;
    for (let y = 8; y < 792; y++)
      for (let x = 8; x < 792; x++) {
        const i = (y * 800 + x) * 4 + 3;
        const deep = [-24, 24, -24 * 800, 24 * 800].every((d) => mask[i + d] === 255) && mask[i] === 255;
        if (deep && rgba[i] < 255) holes++;
      }
    expect(holes).toBe(0);
  });
});

describe('any picture', () => {
  const random = (seed: number) => () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 4294967296;

  /** Every trace has finite numbers, within the picture, and pieces of inks that there are. */
  function sound(picture: Picture, options = {}): void {
    const { artwork, figures, certainty } = trace(picture, options);
    for (const piece of allPieces(artwork)) {
      expect(artwork.inks.some((i) => i.id === piece.inkId)).toBe(true);
      for (const c of piece.contours)
        for (const s of c.segments) {
          expect(Number.isFinite(s.to[0]) && Number.isFinite(s.to[1])).toBe(true);
          expect(s.to[0]).toBeGreaterThan(-3);
          expect(s.to[0]).toBeLessThan(picture.widthPx + 3);
        }
    }
    expect(figures.pieces).toBe(allPieces(artwork).length);
    expect(certainty).toBeGreaterThanOrEqual(0);
    expect(certainty).toBeLessThanOrEqual(1);
    expect(() => artworkFromSvg(artworkToSvg(artwork))).not.toThrow();
  }

  it('survives random and mutated pictures', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const r = random(seed);
      const w = 1 + Math.floor(r() * 70);
      const h = 1 + Math.floor(r() * 70);
      const picture = blankPicture(w, h, [255, 255, 255]);
      const kind = seed % 5;
      const levels = [2, 3, 8, 256, 2][kind];
      const cell = kind === 4 ? 1 : 1 + Math.floor(r() * 9);
      const at = new Map<string, number[]>();
      for (let y = 0; y < h; y++)
        for (let x = 0; x < w; x++) {
          const key = `${Math.floor(x / cell)},${Math.floor(y / cell)}`;
          let colour = at.get(key);
          if (!colour)
            at.set(key, (colour = [0, 1, 2].map(() => Math.floor(r() * levels) * Math.floor(255 / (levels - 1)))));
          picture.rgba.set([...colour, seed % 7 === 0 ? Math.floor(r() * 256) : 255], (y * w + x) * 4);
        }
      sound(picture, {
        symmetry: seed % 2 ? 'exact' : 'auto',
        ground: seed % 3 ? 'keep' : 'drop',
        stacking: seed % 4 ? 'stacked' : 'cutout',
        speckPx2: seed % 6,
        gradients: seed % 2 === 0,
      });
    }
  });

  it('takes tiny, thin, transparent, smooth and speckled ones', () => {
    sound(pictureOf([[NAVY, ellipse(8, 8, 5, 5)]], 16));
    sound(blankPicture(1, 300, [10, 20, 30]));
    sound(blankPicture(300, 1, [10, 20, 30]));
    sound(blankPicture(40, 40));
    const slope = blankPicture(120, 120, [0, 0, 0]);
    for (let i = 0; i < 120 * 120; i++) slope.rgba.set([(i % 120) * 2, Math.floor(i / 120) * 2, 128], i * 4);
    sound(slope);
    const lines = blankPicture(64, 64, [255, 255, 255]);
    for (let y = 0; y < 64; y += 4) for (let x = 0; x < 64; x++) lines.rgba.set([0, 0, 0], (y * 64 + x) * 4);
    sound(lines, { speckPx2: 0 });
  });

  it('is sure of colours that are plainly apart, and less of near ones', () => {
    const sure = trace(pictureOf([[NAVY, ellipse(100, 100, 60, 60)]])).certainty;
    const unsure = trace(
      pictureOf([
        [NAVY, ellipse(100, 100, 60, 60)],
        ['#253973', ellipse(100, 100, 30, 30)],
      ]),
    ).certainty;
    expect(sure).toBe(1);
    expect(unsure).toBeLessThan(0.5);
  });
});
