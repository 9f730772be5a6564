/** Long things bent along outlines. */
import { describe, expect, it } from 'vitest';
import { boundsOf, box, disc } from './area';
import { bentIntoLetter, bodyAsLetter, builtOfSticks, letterOfWater, neckAsLetter, peaksAsLetter } from './as-letter';
import { bentAlong, guideAlong } from './bent';
import { compose } from './compose';
import type { Figure } from './figure';
import type { Layer } from './layer';
import { headOf } from './pairings';
import { build, requestOf, stageOf } from './testing';
import { grown, intersect, sizeOf, subtract, union } from '../path';

const bar: Figure = { name: 'bar', tones: [0.3], parts: [{ tone: 0, area: box(46, 0, 8, 100) }] };
const [circle] = disc(50, 50, 40, 240);

describe('a guide', () => {
  it('goes round a ring from its foot, evenly, and leaves a gap there', () => {
    const guide = guideAlong(circle);
    const steps = guide.slice(1).map((p, i) => Math.hypot(p[0] - guide[i][0], p[1] - guide[i][1]));
    const inner = steps.slice(6, -6);
    expect(Math.max(...inner) / Math.min(...inner)).toBeLessThan(1.1);
    const [start, end] = [guide[0], guide.at(-1)!];
    expect(start[1]).toBeGreaterThan(88);
    expect(end[1]).toBeGreaterThan(88);
    const gap = Math.hypot(start[0] - end[0], start[1] - end[1]);
    expect(gap).toBeGreaterThan(8);
    expect(gap).toBeLessThan(18);
  });
  it('rounds off corners, so that what follows does not fold', () => {
    const guide = guideAlong(box(10, 10, 80, 80)[0]);
    const turns = guide.slice(2).map((p, i) => {
      const [a, b] = [guide[i], guide[i + 1]];
      const t = Math.atan2(p[1] - b[1], p[0] - b[0]) - Math.atan2(b[1] - a[1], b[0] - a[0]);
      return Math.abs(Math.atan2(Math.sin(t), Math.cos(t)));
    });
    expect(Math.max(...turns)).toBeLessThan(0.5);
  });
});

describe('what is bent', () => {
  it('lies in a ring as wide as it is asked to be', () => {
    const { parts } = bentAlong(bar, guideAlong(circle), 10, true);
    const ring = subtract(disc(50, 50, 45.3, 240), disc(50, 50, 34.7, 240));
    expect(sizeOf(subtract(parts[0].area, ring))).toBeLessThan(6);
    // Nine tenths of the way round and more.
    expect(sizeOf(parts[0].area)).toBeGreaterThan(0.85 * sizeOf(ring));
  });
  it('keeps the proportions of its ends, and is stretched between them', () => {
    const head = disc(50, 8, 8, 60);
    const tool: Figure = { name: 'tool', tones: [0.3], parts: [{ tone: 0, area: head }, { tone: 0, area: box(48, 8, 4, 92) }] }; // prettier-ignore
    const { parts } = bentAlong(tool, guideAlong(circle), 16);
    const b = boundsOf(parts[0].area);
    expect(b.width / b.height).toBeGreaterThan(0.75);
    expect(b.width / b.height).toBeLessThan(1.35);
    const even = boundsOf(bentAlong(tool, guideAlong(circle), 16, true).parts[0].area);
    expect(Math.max(even.width, even.height)).toBeGreaterThan(1.3 * Math.max(b.width, b.height));
  });
  it('is hollow where the outline was', () => {
    for (const prompt of [
      'a wrench bent into a heart',
      'a rope in the shape of a heart',
      'a snake in the shape of a ring',
    ]) {
      const layers = compose(requestOf(prompt)).layers.filter((l) => l.isFigure);
      const all = layers.map((l) => l.area);
      const b = boundsOf(all.flat());
      const middle = disc(b.x + b.width / 2, b.y + 0.52 * b.height, 0.14 * b.width, 60);
      for (const area of all) expect(sizeOf(intersect(area, grown(middle, -1))), prompt).toBeLessThan(1);
      expect(b.width, prompt).toBeGreaterThan(60);
    }
  });
});

describe('something long as a letter', () => {
  it('goes along its one stroke, from end to end, and nowhere else', () => {
    // An S: its ends are at the lower left and the upper right, and it passes the middle.
    const snake = bentIntoLetter(build('snake'), 'S')!;
    const all = snake.parts[0].area;
    const b = boundsOf(all);
    expect(b.width).toBeGreaterThan(40);
    expect(b.height).toBeGreaterThan(70);
    const at = (x: number, y: number): boolean => sizeOf(intersect(all, box(x - 3, y - 3, 6, 6))) > 1;
    for (const [x, y] of [[50, 50], [26, 30], [75, 70], [50, 13]]) expect(at(x, y), `${x},${y}`).toBe(true); // prettier-ignore
    for (const [x, y] of [[74, 36], [27, 64]]) expect(at(x, y), `${x},${y}`).toBe(false); // prettier-ignore
  });

  it('is one of every letter and digit that has one stroke, and of no other', () => {
    for (const letter of 'CGIJLMNOSUVWZ23567') {
      const rope = bentIntoLetter(build('rope'), letter);
      expect(rope, letter).not.toBeNull();
      // As broad as it was all along: area over length.
      const b = boundsOf(rope!.parts[0].area);
      expect(Math.max(b.width, b.height), letter).toBeGreaterThan(70);
    }
    for (const letter of ['A', 'K', 'X', '8']) expect(bentIntoLetter(build('rope'), letter), letter).toBeNull();
    expect(bentIntoLetter(build('owl'), 'S')).toBeNull();
  });

  it('is the letter of a prompt, in the colour that is said of it', () => {
    const { layers, groundHex } = compose(requestOf('letter S as a red snake'));
    const seen = layers.filter((l) => l.fill !== groundHex);
    expect(boundsOf(seen[0].area).height).toBeGreaterThan(70);
    expect(seen.some((l) => l.fill === '#D22B2B')).toBe(true);
  });

  it('is no bent moon: what looks like the letter is drawn as it is, open to the right', () => {
    const { layers, groundHex } = compose(requestOf('letter C as a crescent moon'));
    const all = union(...layers.filter((l) => l.fill !== groundHex).map((l) => l.area));
    const b = boundsOf(all);
    expect(b.height).toBeGreaterThan(b.width);
    const half = (x: number): number =>
      sizeOf(intersect(all, box(x, b.y + 0.3 * b.height, b.width / 2, 0.4 * b.height)));
    expect(half(b.x)).toBeGreaterThan(1.5 * half(b.x + b.width / 2));
    const tall = compose(requestOf('letter T as a hammer')).layers;
    expect(boundsOf(union(...tall.map((l) => l.area))).height).toBeGreaterThan(60);
  });
});

describe('a letter', () => {
  const upright: Figure = { name: 'stick', tones: [0.3], parts: [{ tone: 0, area: box(47, 0, 6, 100) }] };
  it('is built of as many stiff things as it has strokes, each apart from the others', () => {
    for (const [letter, strokes] of [['T', 2], ['A', 3], ['H', 3], ['E', 4], ['7', 2], ['W', 4]] as const) {
      const built = builtOfSticks(upright, letter)!;
      expect(built.parts, letter).toHaveLength(strokes);
      for (const [i, p] of built.parts.entries())
        for (const q of built.parts.slice(i + 1)) expect(sizeOf(intersect(p.area, q.area)), letter).toBeLessThan(0.5);
    }
    expect(builtOfSticks(upright, 'S')).toBeNull();
    expect(builtOfSticks({ ...upright, name: 'snake' }, 'T')).toBeNull();
  }); // prettier-ignore
  it('is a neck for an S, and the same in a mirror for a 2', () => {
    const [s, two] = ['S', '2'].map((l) => neckAsLetter('swan', l)!);
    const beak = (f: Figure): number => boundsOf(f.parts[0].area).x;
    expect(beak(s)).toBeGreaterThan(60);
    expect(beak(two)).toBeLessThan(20);
    expect(neckAsLetter('swan', 'T')).toBeNull();
    expect(neckAsLetter('bear', 'S')).toBeNull();
  });
  it('is an animal with its head where the stroke ends, in the colour of most of that', () => {
    const head = headOf(stageOf('a fox'), build('fox'));
    for (const [letter, x, y] of [['C', 78, 24], ['J', 64, 10], ['S', 76, 22]] as const) {
      const body = bodyAsLetter(head, letter)!;
      const face = boundsOf(union(...body.parts.slice(1).map((p) => p.area)));
      expect(Math.hypot(face.x + face.width / 2 - x, face.y + face.height / 2 - y), letter).toBeLessThan(6);
      const most = body.parts.slice(1).reduce((p, q) => (sizeOf(q.area) > sizeOf(p.area) ? q : p));
      expect(body.parts[0].tone).toBe(most.tone);
      expect(sizeOf(body.parts[0].area)).toBeGreaterThan(700);
    }
    expect(bodyAsLetter(head, 'K')).toBeNull();
  }); // prettier-ignore
});

describe('a letter', () => {
  const [stem, crossbar] = [box(20, 10, 20, 80), box(20, 40, 60, 20)];
  it('of water is cut into waves from its top to its foot, all of one tone', () => {
    const water = letterOfWater(union(stem, crossbar));
    const [all] = water.parts;
    expect(sizeOf(subtract(all.area, union(stem, crossbar)))).toBeLessThan(0.1);
    expect(all.area.length).toBeGreaterThanOrEqual(4);
    expect(water.parts).toHaveLength(1);
    const letter = boundsOf(union(stem, crossbar));
    for (const k of [0.14, 0.52, 0.9]) {
      const band = box(letter.x, letter.y + (k - 0.09) * letter.height, letter.width, 0.18 * letter.height);
      const lost = sizeOf(intersect(union(stem, crossbar), band)) - sizeOf(intersect(all.area, band));
      expect(lost).toBeGreaterThan(1);
    }
  });
  it('of mountains has two peaks, with snow on each', () => {
    const peaks = peaksAsLetter(build('mountain'), 'M')!;
    const [rock, snow] = peaks.parts.map((p) => p.area);
    expect(snow).toHaveLength(2);
    expect(sizeOf(intersect(rock, snow))).toBeLessThan(1);
    expect(boundsOf(snow).y).toBeLessThan(boundsOf(rock).y);
    expect(peaksAsLetter(build('mountain'), 'K')).toBeNull();
    expect(peaksAsLetter(build('fox'), 'M')).toBeNull();
  });
});

describe('lettering with a figure', () => {
  const figures = (prompt: string): readonly Layer[] => compose(requestOf(prompt)).layers;
  it('has what is under a name under it, as wide as that', () => {
    for (const prompt of ['wordmark "Tidewater" with a wave under it', 'wordmark "Tidewater" with a rope under it']) {
      const layers = figures(prompt);
      const [name, line] = [boundsOf(layers[0].area), boundsOf(union(...layers.slice(1).map((l) => l.area)))];
      expect(line.y, prompt).toBeGreaterThan(name.y + 0.8 * name.height);
      expect(line.width / name.width, prompt).toBeGreaterThan(0.85);
      expect(line.width / name.width, prompt).toBeLessThan(1.1);
    }
  });
  it('has letters in a leaf, and a crown over them where that is said', () => {
    const [leaf, ...letters] = figures('monogram "AL" inside a leaf');
    const inner = boundsOf(union(...letters.map((l) => l.area)));
    expect(sizeOf(subtract(union(...letters.map((l) => l.area)), leaf.area))).toBeLessThan(0.02 * sizeOf(leaf.area));
    expect(inner.width).toBeLessThan(0.8 * boundsOf(leaf.area).width);
    for (const leeway of [0, 50]) {
      const layers = compose(requestOf('monogram K and R with a crown above', 1, leeway)).layers;
      const crown = boundsOf(layers.at(-1)!.area);
      expect(crown.y + crown.height / 2, `at ${leeway}`).toBeLessThan(45);
    }
  });
});

describe('a spiral', () => {
  it('is what is long, wound twice round its own tip', () => {
    const layers = compose(requestOf('a feather forming a spiral')).layers.filter((l) => l.isFigure);
    const all = union(...layers.map((l) => l.area));
    const b = boundsOf(all);
    expect(b.width / b.height).toBeGreaterThan(0.85);
    expect(b.width / b.height).toBeLessThan(1.18);
    // A ray from its middle goes through it at least twice.
    const rays = [
      box(b.x + b.width / 2, b.y + b.height / 2 - 0.4, b.width, 0.8),
      box(b.x - 1, b.y + b.height / 2 - 0.4, b.width / 2, 0.8),
    ];
    for (const ray of rays)
      expect(intersect(all, ray).filter((r) => sizeOf([r]) > 0.2).length).toBeGreaterThanOrEqual(2);
  });
});
