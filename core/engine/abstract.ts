import { box, disc, leafDisc, regular, ringOf, tile, turnedBy } from './area';
import { intersect, EMPTY, grown, subtract, union, type Area } from '../path';
import type { Figure } from './figure';
import type { Knobs } from './knobs';

/** Marks of nothing in particular, on constructions of circles, straight lines and turns. */

type Make = (k: Knobs, name: string) => Area[];

const around = (n: number, make: (i: number) => Area): Area[] =>
  Array.from({ length: n }, (_, i) => turnedBy(make(i), (2 * Math.PI * i) / n));

const MAKES: readonly Make[] = [
  // Petals of two circles.
  (k, n) => {
    const petals = 4 + Math.floor(5 * k(`${n}/petals`));
    const r = 22 + 8 * k(`${n}/r`);
    const off = r * (0.66 + 0.2 * k(`${n}/off`));
    return around(petals, () => leafDisc(50, 50 - off * 0.98, r, off));
  },
  // Quarter circles on a grid.
  (k, n) => {
    const out: Area[] = [];
    for (let i = 0; i < 4; i++) {
      const [x, y] = [i % 2 ? 50 : 12, i < 2 ? 12 : 50];
      const corner = Math.floor(4 * k(`${n}/corner${i}`));
      const [cx, cy] = [x + (corner % 2 ? 38 : 0), y + (corner < 2 ? 0 : 38)];
      out.push(intersect(box(x, y, 37, 37), disc(cx, cy, 37, 160)));
    }
    return out;
  },
  // Arcs within one another, turned.
  (k, n) => {
    const turn = Math.floor(4 * k(`${n}/turn`)) * (Math.PI / 4);
    return [40, 28, 16].map((r, i) =>
      turnedBy(
        subtract(ringOf(50, 50, r, r - 8), box(50, 50, 60, 60)),
        turn + i * (k(`${n}/step`) > 0.5 ? Math.PI / 2 : 0),
      ),
    );
  },
  // Blades about a middle.
  (k, n) => {
    const blades = 3 + Math.floor(4 * k(`${n}/blades`));
    const lean = 12 + 14 * k(`${n}/lean`);
    return around(blades, () => subtract(disc(50 + lean * 0.4, 50 - 22, 22), disc(50 + lean, 50 - 20, 22)));
  },
  // Bars rising.
  (k, n) => {
    const bars = 3 + Math.floor(3 * k(`${n}/bars`));
    const w = 76 / bars;
    return Array.from({ length: bars }, (_, i) => {
      const h = 24 + (52 * (i + 1)) / bars;
      return tile(12 + w * (i + 0.5), 88 - h / 2, w * 0.42, w * 0.42 * (k(`${n}/round`) > 0.5 ? 0.98 : 0.2), h / 2);
    });
  },
  // Two discs that overlap, their intersect part another colour.
  (k, n) => {
    const d = 14 + 6 * k(`${n}/d`);
    const [a, b] = [disc(50 - d, 50, 28, 160), disc(50 + d, 50, 28, 160)];
    const lens = intersect(a, b);
    return [subtract(a, lens), subtract(b, lens), grown(lens, -1.2)];
  },
  // Chevrons on one another.
  (k, n) => {
    const steps = 3 + Math.floor(2 * k(`${n}/steps`));
    const turn = Math.floor(4 * k(`${n}/turn`)) * (Math.PI / 2);
    return Array.from({ length: steps }, (_, i) => {
      const y = 24 + (52 / steps) * i;
      return turnedBy(
        [[50, y, 88, y + 22, 88, y + 22 + 36 / steps, 50, y + 36 / steps, 12, y + 22 + 36 / steps, 12, y + 22]],
        turn,
      );
    });
  },
  // A hexagon in three faces.
  (k, n) => {
    const hexagon = regular(50, 50, 42, 6);
    const gap = 1.2 + k(`${n}/gap`);
    return [0, 1, 2].map((i) => {
      const a = Math.PI / 6 + (i * 2 * Math.PI) / 3;
      const b = a + (2 * Math.PI) / 3;
      const wedge: Area = [
        [
          50,
          50,
          50 + 90 * Math.cos(a),
          50 + 90 * Math.sin(a),
          50 + 120 * Math.cos((a + b) / 2),
          50 + 120 * Math.sin((a + b) / 2),
          50 + 90 * Math.cos(b),
          50 + 90 * Math.sin(b),
        ],
      ];
      return grown(intersect(hexagon, wedge), -gap);
    });
  },
  // Discs growing along a curve.
  (k, n) => {
    const count = 7 + Math.floor(5 * k(`${n}/count`));
    return [
      union(
        ...Array.from({ length: count }, (_, i) => {
          const t = (i / count) * 5.4 + 6 * k(`${n}/turn`);
          return disc(50 + 32 * Math.cos(t), 50 + 32 * Math.sin(t), 2.4 + (8.2 * i) / count);
        }),
      ),
      disc(50, 50, 7 + 7 * k(`${n}/middle`)),
    ];
  },
];

/** An abstract mark; a word lends it its seed, so that another word gives another mark. */
export function abstractFigure(word: string, k: Knobs): Figure {
  const name = `abstract/${word}`;
  const areas = k
    .pick(`${name}/make`, MAKES)(k, name)
    .filter((a) => a !== EMPTY && a.length);
  return {
    name: 'abstract',
    tones: [0.3, 0.6, 0.75],
    parts: areas.map((area, i) => ({ tone: areas.length > 4 ? i % 2 : i % 3, area })),
  };
}
