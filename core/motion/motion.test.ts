import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSvg } from '../import';
import { drawScene, sceneOf, type Scene } from '../scene';
import {
  eased,
  EASES,
  eyesOf,
  leftOutOfLottie,
  motionAsk,
  motionOf,
  motionsOf,
  motionToLottie,
  motionToSvg,
  sceneAt,
  valueAt,
  type Key,
  type MotionKind,
} from '.';

const sceneFrom = (inner: string): Scene =>
  sceneOf(readSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${inner}</svg>`).artwork, { strokes: 'kept' }); // prettier-ignore

const OWL = sceneFrom(
  '<ellipse cx="50" cy="55" rx="36" ry="40" fill="#182A5C"/><circle cx="36" cy="40" r="10" fill="#F2C14E"/><circle cx="36" cy="40" r="4" fill="#111"/><circle cx="64" cy="40" r="10" fill="#F2C14E"/><circle cx="64" cy="40" r="4" fill="#111"/><path d="M46 54H54L50 62Z" fill="#B5402A"/><path d="M30 80C40 90 60 90 70 80" fill="none" stroke="#F2C14E" stroke-width="3"/>',
);
const difference = (a: Scene, b: Scene): number => {
  const [p, q] = [a, b].map((s) => drawScene(s, 128).rgba);
  return (100 * p.reduce((sum, v, i) => sum + Math.abs(v - q[i]), 0)) / 255 / p.length;
};

interface Lottie {
  readonly w: number;
  readonly h: number;
  readonly fr: number;
  readonly op: number;
  readonly layers: readonly {
    nm: string;
    ty: number;
    td?: number;
    tt?: number;
    hasMask?: boolean;
    ks: Record<string, { a: number; k: unknown }>;
    shapes: readonly { ty: string; it: readonly { ty: string }[] }[];
  }[];
}

describe('easing', () => {
  it('begins at 0 and ends at 1, goes as far as time has gone when even, and rises without a step', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (t) => {
        expect(eased(EASES.even, t)).toBeCloseTo(t, 5);
        for (const ease of [EASES.soft, EASES.lively]) {
          expect(eased(ease, 0)).toBe(0);
          expect(eased(ease, 1)).toBe(1);
          expect(Math.abs(eased(ease, Math.min(1, t + 1e-4)) - eased(ease, t))).toBeLessThan(0.01);
        }
      }),
    );
  });

  it('gives keys their values at their times, and the ends beyond them', () => {
    const keys: Key<readonly number[]>[] = [
      { at: 0.2, value: [0, 4], ease: EASES.soft },
      { at: 0.6, value: [10, 4] },
    ];
    expect(valueAt(keys, 0)).toEqual([0, 4]);
    expect(valueAt(keys, 1)).toEqual([10, 4]);
    expect(valueAt(keys, 0.4)[0]).toBeGreaterThan(5);
    expect(valueAt(keys, 0.4)[1]).toBe(4);
  });
});

describe('movements', () => {
  it.each(motionsOf(OWL))('end with the work as it stands: %s', (kind) => {
    const motion = motionOf(OWL, motionAsk(kind));
    expect(difference(sceneAt(motion, 1), OWL)).toBeLessThan(0.02);
  });

  it('that come on begin with nothing, and those that go round where they end', () => {
    for (const kind of ['drawn', 'assembled', 'unfolded'] as const) {
      const first = drawScene(sceneAt(motionOf(OWL, motionAsk(kind)), 0), 128).rgba;
      expect(first.reduce((sum, v) => sum + v, 0) / first.length).toBeLessThan(0.2);
    }
    for (const kind of ['turned', 'floated', 'blinked'] as const)
      expect(difference(sceneAt(motionOf(OWL, motionAsk(kind)), 0), OWL)).toBeLessThan(0.02);
  });

  it('do something on the way', () => {
    const at: Partial<Record<MotionKind, number>> = { blinked: 0.65, turned: 0.3, floated: 0.25 };
    for (const kind of motionsOf(OWL))
      expect(difference(sceneAt(motionOf(OWL, motionAsk(kind)), at[kind] ?? 0.4), OWL)).toBeGreaterThan(0.4);
  });

  it('begin with what lies lowest, or what is nearest to the middle', () => {
    const begins = (order: 'stacking' | 'distance') =>
      motionOf(OWL, { ...motionAsk('assembled'), order }).parts.map((p) => p.move![0].at);
    const stacked = begins('stacking');
    expect([...stacked].sort((a, b) => a - b)).toEqual(stacked);
    expect(begins('distance')[0]).toBe(0);
    expect(begins('distance').at(-1)).toBeGreaterThan(begins('distance')[1]);
  });

  it('find the two eyes with what lies in them, and offer no blink without', () => {
    const eyes = eyesOf(OWL);
    expect(eyes).toHaveLength(2);
    expect(eyes.map((e) => e.length)).toEqual([2, 2]);
    const none = sceneFrom('<rect x="10" y="10" width="30" height="80" fill="#111"/>');
    expect(eyesOf(none)).toEqual([]);
    expect(motionsOf(none)).not.toContain('blinked');
    expect(() => motionOf(none, motionAsk('blinked'))).toThrow('no two eyes');
    expect(motionsOf(sceneFrom(''))).toEqual([]);
    expect(() => motionOf(OWL, { ...motionAsk('turned'), seconds: 0 })).toThrow(RangeError);
  });
});

describe('files of movements', () => {
  it('are SVG that stands still, as it ends, for those who asked for less motion, with no script', () => {
    const svg = motionToSvg(motionOf(OWL, motionAsk('drawn')), 'Owl');
    expect(svg).toMatch(/@media \(prefers-reduced-motion:reduce\)\{\*\{animation:none!important\}#outline-1,/);
    expect(svg).not.toMatch(/<script|href=/);
    for (const [, name] of svg.matchAll(/animation:([a-z0-9-]+) /g)) expect(svg).toContain(`@keyframes ${name}{`);
    for (const [, id] of svg.matchAll(/^#([a-z0-9-]+)[ {]/gm)) expect(svg).toContain(`id="${id}"`);
    expect(motionToSvg(motionOf(OWL, motionAsk('floated')), 'Owl')).toContain(' infinite ');
  });

  it('are JSON of shapes alone, as long and as large as the movement, the lowest part last', () => {
    const motion = motionOf(OWL, motionAsk('assembled'));
    const lottie = JSON.parse(motionToLottie(motion, 'Owl')) as Lottie;
    expect([lottie.w, lottie.h, lottie.op / lottie.fr]).toEqual([100, 100, motion.seconds]);
    expect(lottie.layers.map((l) => l.nm)).toEqual(motion.parts.map((p) => p.name).reverse());
    expect(lottie.layers.every((l) => l.ty === 4 && l.ks.p.a === 1)).toBe(true);
    const kinds = lottie.layers.flatMap((l) => l.shapes.flatMap((g) => g.it.map((i) => i.ty)));
    expect(new Set(kinds)).toEqual(new Set(['sh', 'fl', 'st', 'tr']));
    const keys = lottie.layers[0].ks.p.k as { t: number; s: number[] }[];
    expect(keys.every((k) => k.t >= 0 && k.t <= lottie.op && k.s.every(Number.isFinite))).toBe(true);
  });

  it('place gradients that are slanted as they are, by turning, scaling and turning again', () => {
    type Item = { ty: string; it?: Item[]; p?: { k: number[] }; s?: { k: number[] }; r?: { k: number } };
    /** The map of all groups from what is filled outwards. */
    const mapIn = (item: Item, x: number, y: number): number[] => {
      const inner = item.it!.find((i) => i.ty === 'gr');
      const [px, py] = inner ? mapIn(inner, x, y) : [x, y];
      const { p, s, r } = item.it!.find((i) => i.ty === 'tr')!;
      const turn = (r!.k * Math.PI) / 180;
      const [sx, sy] = [(px * s!.k[0]) / 100, (py * s!.k[1]) / 100];
      return [Math.cos(turn) * sx - Math.sin(turn) * sy + p!.k[0], Math.sin(turn) * sx + Math.cos(turn) * sy + p!.k[1]];
    };
    const within = (min: number, max: number) => fc.integer({ min: min * 1e3, max: max * 1e3 }).map((v) => v / 1e3);
    fc.assert(
      // Both axes turned by themselves and scaled, never onto one another.
      fc.property(within(-3, 3), within(-1.2, 1.2), within(0.3, 2), within(0.3, 2), fc.constantFrom(1, -1), (turn, lean, sx, sy, side) => {
        const [a, b, c, d] = [sx * Math.cos(turn), sx * Math.sin(turn), -side * sy * Math.sin(turn + lean), side * sy * Math.cos(turn + lean)].map((v) => Math.round(v * 1e4) / 1e4);
        const scene = sceneFrom(`<defs><radialGradient id="g" gradientUnits="userSpaceOnUse" cx="10" cy="10" r="20" gradientTransform="matrix(${a} ${b} ${c} ${d} 40 50)"><stop stop-color="#f00"/><stop offset="1" stop-color="#00f"/></radialGradient></defs><rect x="10" y="10" width="80" height="80" fill="url(#g)"/>`);
        const { layers } = JSON.parse(motionToLottie(motionOf(scene, motionAsk('turned')), 'slanted')) as { layers: { shapes: Item[] }[] };
        for (const [x, y] of [[0, 0], [10, 10], [30, 5]]) {
          const [mx, my] = mapIn(layers[0].shapes[0], x, y);
          // What only turns and scales evenly is read as a gradient without a map.
          const [ma, mb, mc, md, me, mf] = scene.shapes[0].paint.gradient!.transform ?? [1, 0, 0, 1, 0, 0];
          expect(Math.hypot(mx - (ma * x + mc * y + me), my - (mb * x + md * y + mf))).toBeLessThan(0.02);
        }
      }),
      { numRuns: 60 },
    );
  }); // prettier-ignore

  it('clip with holes where there are some, by a layer that covers', () => {
    const ring = '<path clip-rule="evenodd" d="M10 10H50V50H10ZM20 20H40V40H20Z"/>';
    const layersOf = (clip: string): (Lottie['layers'][number] & { nm: string })[] => {
      const scene = sceneFrom(`<defs><clipPath id="c">${clip}</clipPath></defs><g clip-path="url(#c)"><rect width="60" height="60" fill="#111"/></g>`);
      return (JSON.parse(motionToLottie(motionOf(scene, motionAsk('turned')), 'ring')) as { layers: (Lottie['layers'][number] & { nm: string })[] }).layers;
    };
    const [matte, shown] = layersOf(ring);
    expect([matte.td, shown.tt, shown.hasMask]).toEqual([1, 1, undefined]);
    expect(matte.shapes[0].it.filter((i) => i.ty === 'sh')).toHaveLength(2);
    expect(matte.shapes[0].it.find((i) => i.ty === 'fl')).toMatchObject({ r: 2 });
    const [plain, ...rest] = layersOf('<circle cx="30" cy="30" r="20"/>');
    expect([plain.hasMask, rest.length]).toEqual([true, 0]);
  }); // prettier-ignore

  it('keep clips, masks and gradients, and say what they leave out', () => {
    const scene = sceneFrom('<defs><clipPath id="c"><circle cx="30" cy="30" r="20"/></clipPath><mask id="m"><rect width="60" height="60" fill="#888"/></mask><linearGradient id="g"><stop stop-color="#f00"/><stop offset="1" stop-color="#00f" stop-opacity=".5"/></linearGradient></defs><g clip-path="url(#c)"><rect width="60" height="60" fill="#111"/></g><g mask="url(#m)"><rect width="60" height="60" fill="url(#g)"/></g><circle cx="70" cy="70" r="9" fill="#222"/>'); // prettier-ignore
    const soft = {
      nodeId: 'soft',
      opacity: 1,
      effects: [{ kind: 'blur', radiusPx: 2 }],
      clip: null,
      mask: null,
    } as const;
    const shapes = scene.shapes.map((s, k) => (k === scene.shapes.length - 1 ? { ...s, layers: [soft] } : s));
    const motion = motionOf({ ...scene, shapes }, motionAsk('assembled'));
    const { layers } = JSON.parse(motionToLottie(motion, 'all')) as Lottie;
    expect(layers.some((l) => l.hasMask)).toBe(true);
    const matte = layers.findIndex((l) => l.td === 1);
    expect(layers[matte + 1].tt).toBe(3);
    expect(layers.flatMap((l) => l.shapes.flatMap((g) => g.it.map((i) => i.ty)))).toContain('gf');
    expect(leftOutOfLottie(motion)).toEqual(['soft shadows and blur']);
    expect(leftOutOfLottie(motionOf(OWL, motionAsk('turned')))).toEqual([]);
  });
});
