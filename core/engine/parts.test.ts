/** What candidates are made of, each step on its own. */
import { describe, expect, it } from 'vitest';
import { contrastRatio, hexToOklab, hexToRgb, oklabDistance, oklabToOklch } from '../colour';
import { readPrompt } from '../prompt';
import {
  bent,
  intersect,
  dense,
  EMPTY,
  evenOdd,
  filled,
  grown,
  subtract,
  moved,
  rim,
  sizeOf,
  smoothed,
  roundedOff,
  sparse,
  stroked,
  union,
  withoutSpecks,
  type Area,
} from '../path';
import { boundsOf, box, disc, massOf, regular, ringOf, starArea, tile, turnedBy } from './area';
import { buildFigure, leastPart } from './build';
import {
  bordersOf,
  clipped,
  movedFigure,
  outlineOf,
  placed,
  seenParts,
  silhouetteOf,
  toneMap,
  without,
  type Figure,
} from './figure';
import { flatParts } from './finishes-solid';
import { flawed, groundFlaw, wearPicture } from './flaws';
import { FINISH_WORDS } from './finish';
import { knobsFrom } from './knobs';
import { layerOf, scaled } from './layer';
import { FACE_NAMES, setLine } from './letters';
import { findFigure } from './lexicon';
import { checkSize, RequestError, sizeFor } from './limits';
import { isRole } from './creature';
import { paint } from './paint';
import { clearest, lch, MOOD_NAMES, paletteFor } from './palette';
import { hashOf, pick, randomFrom } from '../random';
import { isThing } from './things';
import { tintFor } from './tint';
import { garble } from './words';

const knobs = knobsFrom([{ seed: 7, drift: 0 }]);
const read = (prompt: string) =>
  readPrompt(prompt, { findFigure, isRole, finishes: FINISH_WORDS, moods: MOOD_NAMES }, '');
const at = (picture: { rgba: Uint8ClampedArray; widthPx: number }, x: number, y: number) => [
  ...picture.rgba.subarray(4 * (y * picture.widthPx + x), 4 * (y * picture.widthPx + x) + 3),
];

describe('chance', () => {
  it('is the same for the same seed, even, and within its bounds', () => {
    const [a, b] = [randomFrom(5), randomFrom(5)];
    const values = Array.from({ length: 4000 }, a);
    expect(values.slice(0, 50)).toEqual(Array.from({ length: 50 }, b));
    expect(Math.min(...values)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...values)).toBeLessThan(1);
    for (let k = 0; k < 10; k++) {
      const share = values.filter((v) => Math.floor(10 * v) === k).length / values.length;
      expect(Math.abs(share - 0.1)).toBeLessThan(0.02);
    }
    expect(new Set(values.map((v) => pick(() => v, ['a', 'b', 'c']))).size).toBe(3);
  });

  it('tells texts and their parts from each other', () => {
    const all = [
      hashOf('bat'),
      hashOf('bat', 1),
      hashOf('bat', 2),
      hashOf('b', 'at'),
      hashOf('ba', 't'),
      hashOf('tab'),
    ];
    expect(new Set(all).size).toBe(all.length);
    expect(hashOf('bat', 1)).toBe(hashOf('bat', 1));
  });

  it('decides each thing by its name, and strays from a parent as far as it drifts', () => {
    const parent = knobsFrom([{ seed: 3, drift: 0 }]);
    const names = Array.from({ length: 60 }, (_, k) => `knob/${k}`);
    expect(names.map(parent)).toEqual(names.map(knobsFrom([{ seed: 3, drift: 0.9 }])));
    const far = (drift: number) => {
      const child = knobsFrom([
        { seed: 3, drift: 0 },
        { seed: 8, drift },
      ]);
      return names.reduce((sum, name) => sum + Math.abs(child(name) - parent(name)), 0);
    };
    expect(far(0)).toBe(0);
    expect(far(0.2)).toBeGreaterThan(0);
    expect(far(0.7)).toBeCloseTo(3.5 * far(0.2), 6);
    expect(names.filter((name) => parent.odds(name, 0.3)).length).toBeLessThan(40);
    expect(names.every((name) => Math.abs(parent.spread(name)) <= 1)).toBe(true);
    expect(parent.stream('grain')()).toBe(parent.stream('grain')());
  });
});

describe('areas', () => {
  it('are joined, cut and shared as sets are', () => {
    const [a, b] = [box(0, 0, 20, 10), box(10, 0, 20, 10)];
    expect(sizeOf(union(a, b))).toBeCloseTo(300, 3);
    expect(sizeOf(subtract(a, b))).toBeCloseTo(100, 3);
    expect(sizeOf(intersect(a, b))).toBeCloseTo(100, 3);
    expect(sizeOf(evenOdd([...a, ...b]))).toBeCloseTo(200, 3);
    expect([subtract(a, EMPTY), intersect(a, EMPTY), union(EMPTY)]).toEqual([a, EMPTY, EMPTY]);
    for (let k = 0; k < 20; k++) {
      const [p, q] = [disc(40 + k, 50, 20), starArea(60, 50, 5, 30, 12, k)];
      expect(sizeOf(union(p, q)) + sizeOf(intersect(p, q))).toBeCloseTo(sizeOf(p) + sizeOf(q), 0);
    }
  });

  it('have the size and the middle that geometry gives them', () => {
    expect(sizeOf(disc(50, 50, 10, 720))).toBeCloseTo(100 * Math.PI, 1);
    expect(sizeOf(ringOf(50, 50, 10, 6)) / (64 * Math.PI)).toBeCloseTo(1, 2);
    expect(sizeOf(regular(50, 50, 10, 4))).toBeCloseTo(200, 6);
    expect(sizeOf(tile(50, 50, 20, 5)) / (1600 - (4 - Math.PI) * 25)).toBeCloseTo(1, 2);
    expect(massOf(box(10, 20, 30, 8))).toEqual([expect.closeTo(25, 9), expect.closeTo(24, 9)]);
    expect(boundsOf(starArea(50, 50, 4, 20, 5))).toMatchObject({
      x: expect.closeTo(30, 6),
      width: expect.closeTo(40, 6),
    });
    expect(boundsOf(EMPTY)).toEqual({ x: 50, y: 50, width: 0, height: 0 });
    expect(massOf(EMPTY)).toEqual([50, 50]);
  });

  it('grow, shrink and get rims', () => {
    const square = box(20, 20, 40, 40);
    expect(sizeOf(grown(square, 5, 'sharp'))).toBeCloseTo(2500, 1);
    expect(sizeOf(grown(square, -5))).toBeCloseTo(900, 1);
    expect(grown(square, -21)).toEqual(EMPTY);
    expect(grown(square, 0)).toBe(square);
    expect(sizeOf(rim(square, 2, 'sharp'))).toBeCloseTo(42 ** 2 - 38 ** 2, 0);
    expect(sizeOf(stroked([[0, 0, 30, 0]], 4, false, 'round', true))).toBeCloseTo(120, 1);
    expect(sizeOf(stroked([[0, 0, 30, 0]], 4, false)) / (120 + 4 * Math.PI)).toBeCloseTo(1, 1);
    const soft = roundedOff(square, 6);
    expect(sizeOf(soft)).toBeLessThan(sizeOf(square));
    expect(boundsOf(soft).width).toBeCloseTo(40, 1);
  });

  it('keep their holes however they are moved', () => {
    const ring = ringOf(50, 50, 30, 10);
    const signs = (area: Area) => [Math.sign(sizeOf(area)), filled(area).length, area.length];
    for (const map of [
      [-1, 0, 0, 1, 100, 0],
      [0.5, 0.2, -0.3, 0.8, 3, 4],
      [1, 0, 0, -1, 0, 100],
    ] as const)
      expect(signs(moved(ring, map))).toEqual(signs(ring));
    const turned = turnedBy(ring, 1.1);
    expect(sizeOf(turned)).toBeCloseTo(sizeOf(ring), 6);
    expect(massOf(turned)).toEqual([expect.closeTo(50, 6), expect.closeTo(50, 6)]);
    expect(sizeOf(filled(ring))).toBeCloseTo(sizeOf(disc(50, 50, 30, 160)), 0);
    expect(sizeOf(bent(ring, (x, y) => [2 * x, y]))).toBeCloseTo(2 * sizeOf(ring), 6);
  });

  it('have as many points as wanted, in the same shape', () => {
    const round = disc(50, 50, 30, 400);
    const few = sparse(round, 0.3);
    expect(few[0].length).toBeLessThan(round[0].length / 5);
    expect(sizeOf(subtract(round, few)) + sizeOf(subtract(few, round))).toBeLessThan(0.3 * 2 * Math.PI * 30);
    const many = dense(box(0, 0, 10, 10), 1);
    expect(many[0]).toHaveLength(2 * 40);
    expect(sizeOf(many)).toBeCloseTo(100, 6);
    expect(smoothed(box(0, 0, 10, 10), 3)[0]).toHaveLength(2 * 32);
    expect(withoutSpecks([...box(0, 0, 10, 10), ...box(20, 20, 1, 1)], 4)).toHaveLength(1);
  });
});

/** A body with a lighter patch, and a dark eye upon that. */
const BEAST: Figure = {
  name: 'beast',
  tones: [0.3, 0.7, 0],
  parts: [
    { tone: 0, area: box(10, 10, 80, 80) },
    { tone: 1, area: box(30, 30, 40, 40) },
    { tone: 2, area: box(45, 45, 10, 10) },
  ],
};

describe('figures', () => {
  it('show of each part what none above hides', () => {
    const seen = seenParts(BEAST);
    expect(seen.map((p) => Math.round(sizeOf(p.area)))).toEqual([4800, 1500, 100]);
    expect(seenParts({ ...BEAST, parts: [BEAST.parts[1], BEAST.parts[0]] })).toHaveLength(1);
    expect(sizeOf(outlineOf(BEAST))).toBeCloseTo(6400, 1);
    const ring: Figure = { ...BEAST, parts: [{ tone: 0, area: ringOf(50, 50, 40, 20) }] };
    expect(sizeOf(silhouetteOf(ring))).toBeGreaterThan(1.2 * sizeOf(outlineOf(ring)));
  });

  it('know which tones meet', () => {
    const map = toneMap(BEAST);
    expect([map[32 * 64 + 32], map[24 * 64 + 24], map[10 * 64 + 10], map[0]]).toEqual([2, 1, 0, -1]);
    const { border, seen } = bordersOf(BEAST);
    expect(border[0][1]).toBe(border[1][0]);
    expect(border[0][2]).toBe(0);
    // The edge of the square, in cells of 64 to 100 units.
    expect(border[0][3]).toBeGreaterThan(4 * 50);
    expect(seen[0]).toBeGreaterThan(seen[1]);
  });

  it('are placed by their optical middle, and cut', () => {
    const put = placed(BEAST, { cx: 20, cy: 70, side: 30 });
    const b = boundsOf(outlineOf(put));
    expect([b.x + b.width / 2, b.y + b.height / 2]).toEqual([expect.closeTo(20, 1), expect.closeTo(70, 1)]);
    expect(b.width).toBeLessThanOrEqual(30 + 1e-6);
    // A heavy foot is brought up a little.
    const heavy: Figure = { ...BEAST, parts: [{ tone: 0, area: union(box(45, 0, 10, 100), box(10, 70, 80, 30)) }] };
    const foot = boundsOf(outlineOf(placed(heavy, { cx: 50, cy: 50, side: 80 })));
    expect(foot.y + foot.height / 2).toBeLessThan(50);
    expect(sizeOf(outlineOf(clipped(BEAST, box(0, 0, 50, 100))))).toBeCloseTo(3200, 0);
    expect(sizeOf(outlineOf(without(BEAST, box(0, 0, 50, 100))))).toBeCloseTo(3200, 0);
    expect(sizeOf(outlineOf(movedFigure(BEAST, [2, 0, 0, 2, 0, 0])))).toBeCloseTo(4 * 6400, 0);
  });

  it('are built anew by every seed, and the same by the same', () => {
    const built = (seed: number) =>
      buildFigure('bat', { knobs: knobsFrom([{ seed, drift: 0 }]), leeway: 35, detail: 60 });
    expect(built(1)).toEqual(built(1));
    const [one, two] = [outlineOf(built(1)), outlineOf(built(2))];
    expect(sizeOf(subtract(one, two)) + sizeOf(subtract(two, one))).toBeGreaterThan(20);
    for (const seed of [1, 2, 3]) {
      const b = boundsOf(outlineOf(built(seed)));
      expect(Math.max(b.width, b.height)).toBeCloseTo(100, 3);
    }
    expect(() => buildFigure('nothing at all', { knobs, leeway: 0, detail: 50 })).toThrow('no drawing');
    for (let d = 5; d <= 100; d += 5) expect(leastPart(d)).toBeLessThanOrEqual(leastPart(d - 5));
  });
});

describe('palettes', () => {
  it('are of colours that a screen can show', () => {
    for (let h = -30; h < 400; h += 17)
      for (const L of [0.2, 0.5, 0.8, 0.95]) {
        const made = oklabToOklch(hexToOklab(lch(L, 0.3, h)));
        expect(Math.abs(made.L - L)).toBeLessThan(0.02);
      }
  });

  it('keep what was named, to the number that was asked for', () => {
    const parts = read('a bat, midnight blue and lamp yellow, white ground');
    for (const count of [1, 2, 3, 6]) {
      const { inks, groundHex, named, strict } = paletteFor(parts, count, knobs);
      expect(inks).toHaveLength(count);
      expect(new Set(inks).size).toBe(count);
      expect(inks.slice(0, 2)).toEqual(parts.colours.slice(0, Math.min(2, count)).map((c) => c.hex));
      expect([groundHex, named, strict]).toEqual(['#FFFFFF', true, true]);
    }
  });

  it('can be told apart and stand on their ground, whatever the seed', () => {
    for (let seed = 0; seed < 25; seed++)
      for (const mood of ['', ...MOOD_NAMES]) {
        const { inks, groundHex } = paletteFor(read(`a bat, ${mood}`), 3, knobsFrom([{ seed, drift: 0 }]));
        expect(contrastRatio(clearest(groundHex, inks), groundHex)).toBeGreaterThan(mood === 'pastel' ? 1.8 : 3);
        for (const [k, a] of inks.entries())
          for (const b of inks.slice(0, k)) expect(oklabDistance(hexToOklab(a), hexToOklab(b))).toBeGreaterThan(0.03);
      }
  });

  it('fall into their mood', () => {
    const chroma = (mood: string) => {
      const { inks } = paletteFor(read(`a bat, ${mood}`), 3, knobs);
      return inks.reduce((sum, hex) => sum + oklabToOklch(hexToOklab(hex)).C, 0) / inks.length;
    };
    expect(chroma('muted')).toBeLessThan(0.6 * chroma('bright'));
    expect(hexToOklab(paletteFor(read('a bat, neon'), 3, knobs).groundHex).L).toBeLessThan(0.4);
    expect(paletteFor(read('a bat, gradient from coral to navy'), null, knobs).gradient).toHaveLength(2);
  });
});

describe('tints', () => {
  const palette = {
    groundHex: '#FFFFFF',
    inks: ['#20346E', '#E0A020'],
    strict: true,
    named: true,
    isToldApart: false,
    gradient: null,
  };

  it('keep tones that meet apart, and the edge from what is below', () => {
    for (const onHex of ['#FFFFFF', '#101420', '#E0A020']) {
      const { hexOf } = tintFor(BEAST, palette, onHex);
      const apart = (a: string, b: string) => oklabDistance(hexToOklab(a), hexToOklab(b));
      expect(apart(hexOf[0], onHex)).toBeGreaterThan(0.12);
      expect(apart(hexOf[0], hexOf[1])).toBeGreaterThan(0.12);
      expect(apart(hexOf[1], hexOf[2])).toBeGreaterThan(0.12);
      for (const hex of hexOf) expect([...palette.inks, onHex, '#FFFFFF', '#000000']).toContain(hex);
    }
  });

  it('have shades only where those are wanted', () => {
    const strict = tintFor(BEAST, palette);
    expect(strict.shade('#20346E', 1)).toBe('#20346E');
    const free = tintFor(BEAST, { ...palette, strict: false, named: false });
    expect(hexToOklab(free.shade('#20346E', 1)).L).toBeGreaterThan(hexToOklab('#20346E').L + 0.1);
    expect(hexToOklab(free.shade('#20346E', -1)).L).toBeLessThan(hexToOklab('#20346E').L - 0.1);
    expect(strict.line).toBe('#20346E');
  });

  it('let no part of the outline vanish, with however few inks', () => {
    for (const name of ['hedgehog', 'duck', 'frog', 'bicycle', 'pig']) {
      const figure = buildFigure(name, { knobs: knobsFrom([{ seed: 4, drift: 0 }]), leeway: 20, detail: 60 });
      for (const onHex of ['#FFFFFF', '#E8E4DA']) {
        const { hexOf } = tintFor(figure, { ...palette, inks: ['#000000'] }, onHex);
        const shown = seenParts(figure).filter((p) => hexOf[p.tone] !== onHex);
        const [all, left] = [boundsOf(outlineOf(figure)), boundsOf(shown.flatMap((p) => p.area))];
        expect(left.width * left.height, name).toBeGreaterThan(0.94 * all.width * all.height);
      }
    }
  });

  it('draw in black or white where no ink can be seen', () => {
    const { inks } = tintFor(BEAST, { ...palette, inks: ['#FEFEFE'] });
    expect(inks).toEqual(['#000000']);
  });
});

describe('painting', () => {
  const square = box(25, 25, 50, 50);

  it('puts the scene in the middle, whatever the ratio', () => {
    for (const [w, h] of [
      [200, 100],
      [100, 200],
      [64, 64],
    ]) {
      const picture = paint([layerOf(square, '#20346E')], w, h, '#FFFFFF');
      const side = Math.min(w, h);
      expect(at(picture, w >> 1, h >> 1)).toEqual([...hexToRgb('#20346E')]);
      expect(at(picture, (w >> 1) - Math.round(0.3 * side), h >> 1)).toEqual([255, 255, 255]);
      let inked = 0;
      for (let i = 0; i < w * h; i++) if (picture.rgba[4 * i] < 128) inked++;
      expect(inked / side ** 2).toBeCloseTo(0.25, 1);
    }
  });

  it('lays gradients, clips and shares of opacity', () => {
    const fill = { kind: 'linear', from: [25, 50], to: [75, 50], hexes: ['#000000', '#FFFFFF'] } as const;
    const picture = paint([layerOf(square, fill)], 100, 100, '#FFFFFF');
    expect(at(picture, 30, 50)[0]).toBeLessThan(40);
    expect(at(picture, 50, 50)[0]).toBeGreaterThan(118);
    expect(at(picture, 50, 50)[0]).toBeLessThan(138);
    expect(at(picture, 70, 50)[0]).toBeGreaterThan(215);
    const cut = paint([layerOf(square, '#000000', { clip: box(0, 0, 50, 100), alpha: 0.5 })], 100, 100, '#FFFFFF');
    expect([at(cut, 40, 50)[0], at(cut, 60, 50)[0]]).toEqual([128, 255]);
  });

  it('softens and wears without spilling where it was not', () => {
    const soft = paint([layerOf(square, '#000000', { soft: 4 })], 100, 100, '#FFFFFF');
    expect(at(soft, 25, 50)[0]).toBeGreaterThan(60);
    expect(at(soft, 25, 50)[0]).toBeLessThan(200);
    expect(at(soft, 5, 50)[0]).toBe(255);
    const covered = (share: number) => {
      const { rgba } = paint([layerOf(square, '#000000', { grain: { seed: 4, size: 2, share } })], 100, 100, '#FFFFFF');
      return rgba.filter((v, i) => i % 4 === 0 && v < 128).length;
    };
    expect(covered(0.5)).toBeLessThan(covered(0.2));
    expect(covered(0)).toBe(2500);
  });

  it('tells how far it is, and scales a scene about its middle', () => {
    const heard: number[] = [];
    paint([layerOf(square, '#000000'), layerOf(square, '#20346E')], 20, 20, '#FFFFFF', (done) => heard.push(done));
    expect(heard).toEqual([0.5, 1]);
    const [half] = scaled(
      [layerOf(square, { kind: 'radial', from: [50, 50], to: [75, 50], hexes: ['#000000', '#FFFFFF'] }, { soft: 2 })],
      0.5,
    );
    expect(boundsOf(half.area)).toEqual({ x: 37.5, y: 37.5, width: 25, height: 25 });
    expect(half).toMatchObject({ soft: 1, fill: { to: [62.5, 50] } });
  });
});

describe('parts of one colour that meet', () => {
  it('have a gap between them without a hairline in it', () => {
    // A wing whose slanting edge goes on behind a head.
    const wing: Area = [[5, 40, 60, 62, 60, 80, 5, 80]];
    const head = disc(55, 60, 18);
    const figure: Figure = { name: 'bat', tones: [0.3], parts: [wing, head].map((area) => ({ tone: 0, area })) };
    const tint = tintFor(figure, {
      groundHex: '#FFFFFF',
      inks: ['#182A5C'],
      strict: true,
      named: true,
      isToldApart: false,
      gradient: null,
    });
    const layers = flatParts({ figure, tint, knobs, u: 1 });
    const picture = paint(layers, 800, 800, '#FFFFFF');
    let looked = 0;
    for (let y = 0; y < 800; y++)
      for (let x = 0; x < 800; x++) {
        const off = Math.hypot((x + 0.5) / 8 - 55, (y + 0.5) / 8 - 60) - 18;
        if (off < 0.3 || off > 1.2) continue;
        expect(at(picture, x, y)).toEqual([255, 255, 255]);
        looked++;
      }
    expect(looked).toBeGreaterThan(4000);
    expect(at(picture, 8 * 20, 8 * 70)).toEqual([...hexToRgb('#182A5C')]);
    expect(at(picture, 8 * 55, 8 * 60)).toEqual([...hexToRgb('#182A5C')]);
  });
});

describe('flaws', () => {
  const layers = [layerOf(box(20, 20, 60, 60), '#000000'), layerOf(disc(50, 50, 3), '#C22A3A')];

  it('leave everything as it is at none', () => {
    const none = { share: 0, knobs };
    expect(flawed(layers, '#FFFFFF', none)).toEqual(layers);
    expect(groundFlaw('#FFFFFF', none)).toBe('#FFFFFF');
    const picture = paint(layers, 40, 40, '#FFFFFF');
    expect(wearPicture(paint(layers, 40, 40, '#FFFFFF'), none).rgba).toEqual(picture.rgba);
  });

  it('are near-black, off-white, and more with more; coloured grounds stay', () => {
    const many = flawed(layers, '#FFFFFF', { share: 1, knobs });
    expect(many[0].fill).not.toBe('#000000');
    expect(hexToOklab(many[0].fill as string).L).toBeLessThan(0.2);
    expect(groundFlaw('#FFFFFF', { share: 1, knobs })).not.toBe('#FFFFFF');
    expect(groundFlaw('#20346E', { share: 1, knobs })).toBe('#20346E');
    const changed = (share: number) => {
      const [was, is] = [
        paint(layers, 64, 64, '#FFFFFF'),
        wearPicture(paint(layers, 64, 64, '#FFFFFF'), { share, knobs }),
      ];
      return is.rgba.filter((v, i) => v !== was.rgba[i]).length;
    };
    expect(changed(1)).toBeGreaterThan(changed(0.35));
  });

  it('garble words the more of them, but never single letters', () => {
    const k = (name: string) => randomFrom(hashOf(name))();
    const text = 'Lantern & Quay';
    const wrong = (share: number) => {
      const made = garble(text, share, k);
      return [...text].filter((letter, i) => made[i] !== letter).length;
    };
    expect(garble(text, 0, k)).toBe(text);
    expect(wrong(1)).toBeGreaterThan(wrong(0.1));
    expect(garble('N Q', 1, k)).toBe('N Q');
    expect(garble(text, 1, k)).toContain('&');
  });
});

describe('lettering', () => {
  it('is set from left to right on one line, in every face', () => {
    for (const face of FACE_NAMES) {
      const letters = setLine('NOCTULE', { face });
      expect(letters).toHaveLength(7);
      const middles = letters.map((a) => boundsOf(a).x + boundsOf(a).width / 2);
      expect(middles).toEqual([...middles].sort((p, q) => p - q));
      const heights = letters.map((a) => boundsOf(a).height);
      expect(Math.max(...heights) / Math.min(...heights)).toBeLessThan(1.15);
      const wide = boundsOf(setLine('NOCTULE', { face, tracking: 100 }).flat());
      expect(wide.width - boundsOf(letters.flat()).width).toBeCloseTo(600, 3);
    }
    expect(setLine('A B', { face: 'plain' })).toHaveLength(2);
    expect(setLine('', { face: 'plain' })).toEqual([]);
  });
});

describe('sizes', () => {
  it('have the ratio asked for', () => {
    expect(sizeFor('3:2', 900)).toEqual({ widthPx: 900, heightPx: 600 });
    expect(sizeFor(' 1 : 3 ', 900)).toEqual({ widthPx: 300, heightPx: 900 });
    expect(sizeFor('1.5:1', 300)).toEqual({ widthPx: 300, heightPx: 200 });
    for (const ratio of ['', '3', '4:1', '1:4', '0:1', '1:0', 'a:b', '-1:1', '3/2']) {
      expect(() => sizeFor(ratio, 900), ratio).toThrow(RequestError);
    }
    for (const size of [63, 1.5, 1e9, NaN]) expect(() => checkSize('1:1', size)).toThrow('The size is from 64');
  });
});

describe('words for figures', () => {
  it('are found as they are, in the plural, by another name, or by a broader one', () => {
    expect(findFigure('bat')).toEqual({ word: 'bat', drawn: 'bat', via: 'name' });
    expect(findFigure('noctules')).toMatchObject({ drawn: 'bat', via: 'synonym' });
    expect(findFigure('leaves')).toMatchObject({ drawn: 'leaf' });
    expect(findFigure('geese')).toMatchObject({ drawn: 'goose' });
    expect(findFigure('finch')).toMatchObject({ drawn: 'bird', via: 'broader' });
    expect(findFigure('zzyzx')).toBeNull();
    // Names that every object has are no figures.
    expect([findFigure('constructor'), findFigure('__proto__')]).toEqual([null, null]);
    for (const word of ['fox', 'moon', 'lantern', 'boat', 'hedgehog'])
      expect(isThing(findFigure(word)!.drawn)).toBe(true);
  });
});
