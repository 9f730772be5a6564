/** Colours that are said of single figures: what has them, and what has its own. */
import { describe, expect, it } from 'vitest';
import { box, boundsOf } from './area';
import { compose } from './compose';
import { apartFrom, dyed, isShared, isTold, shadeTold, toned, undyed } from './dye';
import type { Figure } from './figure';
import { sceneOf } from './request';
import { COLOUR_WORDS, hexToOklab, oklabToOklch } from '../colour';
import { sizeOf, union } from '../path';

const WHITE = '#FFFFFF';
const [RED, BLUE, GREEN, BLACK] = ['red', 'blue', 'green', 'black'].map((word) => COLOUR_WORDS[word]);
const hexToOklch = (hex: string): ReturnType<typeof oklabToOklch> => oklabToOklch(hexToOklab(hex));
const said = (hex: string, of: string | null = null): { word: string; hex: string; of: string | null } => ({ word: hex, hex, of }); // prettier-ignore

/** A body with a patch and a light spot, and an eye. */
const probe: Figure = {
  name: 'probe',
  tones: [0.42, 0.7, 1, 0.14],
  isBuilt: true,
  parts: [
    { tone: 0, area: box(0, 0, 80, 80) },
    { tone: 1, area: box(5, 5, 30, 30) },
    { tone: 2, area: box(40, 40, 10, 10) },
    { tone: 3, area: box(60, 60, 4, 4), of: 'eye' },
  ],
};

describe('a figure in a colour', () => {
  it('has it where most of it is, a shade of it where it is of another tone, and keeps what is light', () => {
    const [main, patch, light, eye] = dyed(probe, [said(RED)], WHITE, false).parts.map((p) => p.dye);
    expect(main).toBe(RED);
    expect(hexToOklab(patch!).L).toBeGreaterThan(hexToOklab(RED).L + 0.1);
    expect(light).toBeNull();
    expect(hexToOklab(eye!).L).toBeLessThan(0.3);
  });

  it('has a second colour on the next of its tones, and that of its eyes on its eyes alone', () => {
    const dyes = dyed(probe, [said(RED), said(BLUE), said(GREEN, 'eyes')], WHITE, false).parts.map((p) => p.dye);
    expect(dyes).toEqual([RED, BLUE, null, GREEN]);
  });

  it('takes no shades where colours are counted, and leaves what has a colour, or is another’s', () => {
    expect(dyed(probe, [said(RED)], WHITE, true).parts.map((p) => p.dye)).toEqual([RED, null, null, null]); // prettier-ignore
    const held = { ...probe, parts: probe.parts.map((p, i) => (i === 0 ? { ...p, dye: BLUE } : i === 1 ? { ...p, dye: null } : p)) }; // prettier-ignore
    const parts = dyed(held, [said(RED)], WHITE, false).parts;
    expect(parts[0].dye).toBe(BLUE);
    expect(parts[1].dye).toBeNull();
  });

  it('is settled once: asked again it stays, and what is light does not take the colour', () => {
    const once = dyed(probe, [said(RED)], WHITE, false);
    expect(dyed(once, [said(RED)], WHITE, false)).toEqual(once);
    expect(dyed(undyed(probe), [said(RED)], WHITE, false).parts.every((p) => p.dye === null)).toBe(true);
    // Only what is another's, and no eye, makes it a picture of two.
    expect(isShared(once)).toBe(false);
    expect(isShared({ ...once, parts: [...once.parts, { tone: 1, area: box(0, 0, 9, 9), dye: null }] })).toBe(true);
  });

  it('is painted by tones of its own, each of its colour; what would not be seen is left to the inks', () => {
    const { figure, pins } = toned(dyed(probe, [said(RED), said(BLUE)], WHITE, false), WHITE);
    expect(figure.parts).toHaveLength(4);
    expect(pins.get(figure.parts[0].tone)).toBe(RED);
    expect(pins.get(figure.parts[1].tone)).toBe(BLUE);
    expect(pins.has(figure.parts[2].tone)).toBe(false);
    expect(figure.tones[figure.parts[2].tone]).toBe(1);
    expect([...toned(dyed(probe, [said(RED)], WHITE, true), RED).pins]).toEqual([]);
  });

  it('is as far from what it stands on as to be seen, and its shades from it', () => {
    for (const hex of [WHITE, '#FDFDF8', RED, BLUE, BLACK])
      for (const on of [WHITE, BLACK, RED]) {
        const seen = apartFrom(on, hex);
        expect(isTold(seen, on), `${hex} on ${on}`).toBe(true);
        for (const by of [0.19, -0.17]) expect(isTold(shadeTold(hex, by), hex), hex).toBe(true); // prettier-ignore
      }
  });
});

/** What is seen of the figures of candidates, by its colour: layers with their areas. */
const painted = (prompt: string, k = 0): { hex: string; area: number; y: number }[] => {
  const { layers, groundHex } = compose(sceneOf({ prompt, leeway: 50, flaws: 0 }, k));
  return layers.flatMap((l) => (typeof l.fill === 'string' && l.fill !== groundHex ? [{ hex: l.fill, area: sizeOf(union(l.area)), y: boundsOf(l.area).y + boundsOf(l.area).height / 2 }] : [])); // prettier-ignore
};
const isOf = (hex: string, named: string): boolean => {
  const [p, q] = [hexToOklch(hex), hexToOklch(named)];
  const turn = Math.abs(((p.hDeg - q.hDeg + 540) % 360) - 180);
  return p.C > 0.04 && turn < 25;
};
const share = (layers: ReturnType<typeof painted>, named: string): number =>
  layers.filter((l) => isOf(l.hex, named)).reduce((s, l) => s + l.area, 0) / layers.reduce((s, l) => s + l.area, 0);

describe('colours said of single figures', () => {
  it.each([0, 1, 2, 3])('are of those, and the others are what they are by nature (candidate %i)', (k) => {
    // A pig is pink, which is not as strong as the red of its boots.
    const pig = painted('a pig wearing red boots', k);
    const boots = pig.filter((l) => hexToOklch(l.hex).C > 0.17);
    expect(boots.length).toBeGreaterThan(0);
    expect(Math.min(...boots.map((l) => l.y))).toBeGreaterThan(60);
    expect(boots.reduce((sum, l) => sum + l.area, 0)).toBeLessThan(0.4 * pig.reduce((sum, l) => sum + l.area, 0));
    const umbrella = painted('a green turtle with a yellow umbrella', k);
    expect(share(umbrella, GREEN)).toBeGreaterThan(0.35);
    expect(share(umbrella, COLOUR_WORDS.yellow)).toBeGreaterThan(0.05);
    const two = painted('a red fox and a blue owl', k);
    for (const hex of [RED, BLUE]) expect(share(two, hex)).toBeGreaterThan(0.12);
    expect(share(two, RED) + share(two, BLUE)).toBeGreaterThan(0.8);
  });

  it('are of a garment, of parts of somebody, and of the ground of a land', () => {
    for (const k of [0, 1]) {
      const scarf = share(painted('a fox with a blue scarf', k), BLUE);
      expect(scarf).toBeGreaterThan(0.01);
      expect(scarf).toBeLessThan(0.3);
      const eyes = painted('an owl with green eyes', k).filter((l) => isOf(l.hex, GREEN) && hexToOklch(l.hex).C > 0.1);
      expect(eyes.length).toBeGreaterThan(0);
      expect(share(painted('a barn in a green field under an orange sun', k), GREEN)).toBeGreaterThan(0.15);
    }
  });

  it('are those of what is cut out of another, and of the pieces that a thing is made of', () => {
    for (const k of [0, 1]) {
      const flame = painted('a green leaf inside an orange flame', k).sort((p, q) => q.area - p.area);
      expect(isOf(flame[0].hex, COLOUR_WORDS.orange)).toBe(true);
      expect(flame.some((l) => isOf(l.hex, GREEN))).toBe(true);
      const bear = painted('a bear made of green leaves', k).sort((p, q) => q.area - p.area);
      expect(isOf(bear[0].hex, GREEN)).toBe(false);
      expect(bear.some((l) => isOf(l.hex, GREEN))).toBe(true);
    }
  });

  it('stay as many as were asked for', () => {
    for (const k of [0, 1, 2]) {
      const hexes = new Set(painted('a red fox and a blue owl, two colours', k).map((l) => l.hex));
      expect([...hexes].sort()).toEqual([BLUE, RED].sort());
    }
  });
});
