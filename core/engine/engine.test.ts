import { describe, expect, it } from 'vitest';
import { blankPicture, differenceOf, type Picture, shrink } from '../raster';
import {
  edgeLength,
  filledMask,
  flatColours,
  inkedMask,
  intersectionOverUnion,
  psnr,
  shareNear,
  sharpness,
  spreadOf,
} from '../../bench/measure';
import { hexToOklab, oklabToOklch } from '../colour';
import { intersect, moved, sizeOf, union, type Area } from '../path';
import { KINDS, RELATION_NAMES } from '../prompt';
import { boundsOf } from './area';
import { compose } from './compose';
import { placed } from './figure';
import { sceneOf } from './request';
import {
  checkRequest,
  contactSheet,
  COUNT_LIMIT,
  creditsFor,
  drawCandidate,
  findFigure,
  finishExample,
  FINISHES,
  PROMPT_LIMIT,
  RequestError,
  seedAt,
  sizeFor,
  THING_NAMES,
  understand,
  type CandidateRequest,
} from './index';

const SIZE = 160;
const draw = (prompt: string, position = 0, more: Partial<CandidateRequest> = {}): Picture =>
  drawCandidate({ prompt, sizePx: SIZE, flaws: 0, ...more }, position).picture;
const four = (prompt: string, more: Partial<CandidateRequest> = {}): Picture[] =>
  [0, 1, 2, 3].map((p) => draw(prompt, p, more));
const mean = (values: readonly number[]): number => values.reduce((s, v) => s + v, 0) / values.length;
const inked = (p: Picture): number => inkedMask(p).reduce((s, v) => s + v, 0) / (p.widthPx * p.heightPx);
const SUBJECTS = ['fox', 'owl', 'whale', 'teapot', 'rocket', 'castle'];

describe('what can be drawn', () => {
  it('is at least 1,500 things and 24 finishes', () => {
    expect(THING_NAMES.length).toBeGreaterThanOrEqual(1500);
    expect(Object.keys(FINISHES).length).toBeGreaterThanOrEqual(24);
  });

  it('draws every thing it names, and fills its field', () => {
    // Every nineteenth, so that each run sees the whole breadth in a few seconds.
    let drawn = 0;
    for (let i = 0; i < THING_NAMES.length; i += 19) {
      // A few names are read as something else in a prompt, such as "triangle", which is a form.
      if (understand(THING_NAMES[i]).figures[0]?.drawn !== THING_NAMES[i]) continue;
      drawn++;
      const share = inked(draw(THING_NAMES[i], 0, { leeway: 0, sizePx: 64, kind: 'pictorial' }));
      expect(share, THING_NAMES[i]).toBeGreaterThan(0.02);
      expect(share, THING_NAMES[i]).toBeLessThan(0.9);
    }
    expect(drawn).toBeGreaterThan(0.85 * Math.floor(THING_NAMES.length / 19));
  });

  it('reaches things by name, synonym and broader term, and by plurals', () => {
    expect(findFigure('fox')).toMatchObject({ drawn: 'fox', via: 'name' });
    expect(findFigure('noctule')).toMatchObject({ drawn: 'bat', via: 'synonym' });
    expect(findFigure('wren')).toMatchObject({ drawn: 'bird', via: 'broader' });
    expect(findFigure('leaves')?.drawn).toBe('leaf');
    expect(findFigure('mice')?.drawn).toBe('mouse');
    expect(findFigure('foxes')?.drawn).toBe('fox');
    expect(findFigure('constructor')).toBeNull();
    expect(findFigure('zorgle')).toBeNull();
  });

  it('has something for nearly every concrete noun', () => {
    const nouns =
      'heron trowel samovar gondola beech saffron locksmith lynx tambourine scythe fjord marten quiche orchid dumbbell ladle weaver trout thimble parsnip'.split(
        ' ',
      );
    expect(nouns.filter((n) => !findFigure(n))).toEqual([]);
  });

  it('gives every finish a look of its own', () => {
    const pictures = Object.keys(FINISHES).map((finish) => finishExample(finish, 128));
    for (let i = 0; i < pictures.length; i++)
      for (let j = 0; j < i; j++)
        expect(
          differenceOf(pictures[i], pictures[j]),
          `${Object.keys(FINISHES)[i]} ${Object.keys(FINISHES)[j]}`,
        ).toBeGreaterThan(0.8);
  });

  it.each(KINDS)('composes a %s', (kind) => {
    for (const picture of four('owl with a book, "Night Owl", navy and amber', { kind, leeway: 90 })) {
      expect(inked(picture)).toBeGreaterThan(0.02);
      expect(inked(picture)).toBeLessThan(0.99);
    }
  });

  it.each(RELATION_NAMES)('relates two figures by "%s"', (relation) => {
    const prompt = relation === 'in the manner of' ? 'letter B in the manner of a bee' : `fox ${relation === 'toward' ? 'looking at' : relation} a basket`; // prettier-ignore
    const parts = understand(prompt).parts;
    expect(parts.figures.at(-1)?.relation).toBe(relation);
    expect(inked(draw(prompt, 0, { leeway: 0 }))).toBeGreaterThan(0.04);
    if (relation !== 'in the manner of')
      expect(differenceOf(draw(prompt, 0, { leeway: 0 }), draw('fox', 0, { leeway: 0 }))).toBeGreaterThan(1);
  });
});

const compose4 = (prompt: string) => [0, 1, 2, 3].map((position) => compose({ prompt, parts: understand(prompt).parts, kind: null, finish: null, colours: null, detail: null, leeway: 50, position, aspect: 1, flaws: 0, descent: [{ seed: 7, drift: 1 }] }).layers); // prettier-ignore

describe('wordmarks with a figure', () => {
  it.each(['wordmark "Velvet Fern" with a leaf', 'wordmark "Northwind" with a swallow', 'wordmark "Skil" with a key'])(
    'have it in every one: %s',
    (prompt) => {
      const without = compose4(prompt.replace(/ with .*/, ''));
      const having = compose4(prompt);
      having.forEach((layers, i) => expect(layers.length, `${i}`).toBeGreaterThan(1));
      // Nothing runs out of the field.
      for (const layers of [...having, ...without]) {
        const b = boundsOf(layers.flatMap((l) => l.area));
        expect(b.x).toBeGreaterThan(0);
        expect(b.x + b.width).toBeLessThan(100);
      }
    },
  );
});

describe('badges with a name', () => {
  it.each(['circle', 'shield', 'hexagon', 'banner', null] as const)(
    'have all of it, whatever their form: %s',
    (shape) => {
      const drawn = (name: string) => {
        const prompt = `badge of an anchor, "${name}"`;
        const parts = { ...understand(prompt).parts, shape };
        const positions = shape ? [0] : [0, 1, 2, 3, 4, 5];
        return positions.map((position) => compose({ prompt, parts, kind: null, finish: null, colours: null, detail: null, leeway: 90, position, aspect: 1, flaws: 0, descent: [{ seed: 7, drift: 1 }] }).layers.map((l) => l.area)); // prettier-ignore
      };
      const [one, other] = [drawn('Silver Lake 1948'), drawn('Silver Lake 1949')];
      // A name that differs in its last figure looks different in every one.
      one.forEach((layers, i) => expect(layers, `${i}`).not.toEqual(other[i]));
      drawn('Silver Lake').forEach((layers, i) => expect(layers).not.toEqual(one[i]));
    },
  );
});

describe('whose mark it is', () => {
  it.each([
    ['a bear holding a honey pot, jam maker', 'bear, honey pot'],
    ['a comb, barber shop emblem', 'comb'],
    ['a bakery mascot, a loaf of bread', 'bread'],
    ['a koala barista mascot', 'koala'],
    ['a bakery icon', 'bakery'],
    ['a bear nose in a heart', 'dog nose, heart'],
    ['a lantern hanging from a branch, guest house logo', 'lantern, twig'],
    ['a plough and three ears of wheat', 'plough, wheat'],
    ['two foxes back to back, shield', 'fox'],
  ])('is no figure: %s', (prompt, figures) => {
    expect(
      understand(prompt)
        .figures.map((f) => f.drawn)
        .join(', '),
    ).toBe(figures);
  });
});

describe('what a word is by the company it keeps', () => {
  it.each([
    ['a crane on one leg', 'heron'],
    ['a crane lifting a house', 'crane'],
    ['a crane and a skyscraper', 'crane'],
    ['a bat under the moon', 'bat'],
    ['a bat and a baseball glove', 'baseball bat'],
    ['a tick and a list', 'check mark'],
    ['a tick biting a dog', 'tick'],
    ['two chillies', 'hot pepper'],
    ['a mouse with cheese', 'mouse'],
    ['a mouse and a keyboard', 'computer mouse'],
    ['a bow on a gift', 'ribbon'],
    ['a bow and a quiver', 'bow and arrow'],
    ['a rook in an oak', 'crow'],
    ['a rook and a chess king', 'chess rook'],
  ])('in "%s" it is a %s', (prompt, drawn) => {
    expect(understand(prompt).figures[0].drawn).toBe(drawn);
  });
});

describe('obedience', () => {
  it('gives the same bytes for the same request, and others for another seed', () => {
    const ask = (seed: number) =>
      draw('bat over a moon, woodcut, midnight blue and lamp yellow', 1, { seed, flaws: 40 });
    expect(Buffer.from(ask(7).rgba.buffer).equals(Buffer.from(ask(7).rgba.buffer))).toBe(true);
    expect(differenceOf(ask(7), ask(8))).toBeGreaterThan(0);
    expect(seedAt(7, 0)).not.toBe(seedAt(7, 1));
  });

  it('covers what is not ground with the colours that were named', () => {
    const shares = SUBJECTS.flatMap((s) =>
      four(`${s}, #182A5C and #F2C14E`, { sizePx: 240 }).map((p) => shareNear(p, ['#182A5C', '#F2C14E'])),
    );
    expect(Math.min(...shares)).toBeGreaterThan(0.74);
    expect(mean(shares)).toBeGreaterThan(0.85);
  });

  it('gives several plain figures the colours that were named in turn', () => {
    const hexes = (prompt: string) => {
      const { picture } = drawCandidate({ prompt, sizePx: 256, flaws: 0, leeway: 20 }, 0);
      return flatColours(picture, 0.004);
    };
    expect(hexes('eight stars, red, green, blue and yellow, flat, white ground')).toHaveLength(5);
    expect(hexes('three stars in a row, navy and amber, white ground')).toHaveLength(3);
    // What has colours enough of its own stays in one hand.
    expect(hexes('three foxes, navy and amber, white ground')).toHaveLength(3);
  });

  it('gives exactly as many colours as were asked for, besides the ground', () => {
    const counts = SUBJECTS.flatMap((s) =>
      four(`${s}, two colours`, { sizePx: 240, flaws: 20 }).map((p) => flatColours(p).length),
    );
    expect(Math.max(...counts)).toBe(3);
    expect(counts.filter((n) => n === 3).length / counts.length).toBeGreaterThan(0.8);
    expect(flatColours(draw('fox, black and white'))).toEqual(['#FFFFFF', '#000000']);
  });

  it('obeys ground, gradient and mood', () => {
    expect([...draw('fox, rust, on a navy ground', 0).rgba.slice(0, 3)]).toEqual([0x14, 0x26, 0x4f]);
    const gradient = draw('whale, gradient from plum to apricot', 0, { leeway: 0, sizePx: 240 });
    expect(shareNear(gradient, ['#6B2A56'], 0.09)).toBeGreaterThan(0.01);
    const shades = new Set<number>();
    for (let i = 0; i < gradient.rgba.length; i += 4)
      shades.add(gradient.rgba[i] * 65536 + gradient.rgba[i + 1] * 256 + gradient.rgba[i + 2]);
    expect(shades.size).toBeGreaterThan(80);
    const hues = (prompt: string): number => {
      const { rgba } = draw(prompt, 0, { leeway: 0 });
      let warm = 0;
      let cool = 0;
      for (let i = 0; i < rgba.length; i += 4) {
        if (rgba[i] > rgba[i + 2] + 20) warm++;
        if (rgba[i + 2] > rgba[i] + 20) cool++;
      }
      return warm / (warm + cool + 1);
    };
    expect(hues('fox, warm colours')).toBeGreaterThan(0.85);
    expect(hues('fox, cool colours')).toBeLessThan(0.35);
  });

  it('leaves out what is excluded, and the four still differ', () => {
    const parts = understand('fox with a moon and stars, no moon', 'stars').parts;
    expect(parts.figures.map((f) => f.drawn)).toEqual(['fox']);
    const pictures = four('emblem of a fox', { leaveOut: 'stars, text', leeway: 60 });
    expect(spreadOf(pictures)).toBeGreaterThan(5);
  });

  it('has longer edges with every step of detail', () => {
    const lengths = [0, 25, 50, 75, 100].map((detail) =>
      mean(SUBJECTS.map((s) => edgeLength(draw(s, 0, { detail, leeway: 0, sizePx: 240 })))),
    );
    for (let i = 1; i < lengths.length; i++) expect(lengths[i]).toBeGreaterThan(lengths[i - 1]);
  });

  it('gives flat areas only when no shading is wanted', () => {
    for (const finish of ['soft shading', 'low polygon', 'cut paper', 'split light'])
      expect(
        flatColours(draw('owl, two colours, no shading', 0, { finish, sizePx: 240 }), 0.004).length,
        finish,
      ).toBeLessThanOrEqual(3);
  });

  it('differs more among the four with more leeway', () => {
    const spreads = [0, 25, 50, 75, 100].map((leeway) => mean(SUBJECTS.map((s) => spreadOf(four(s, { leeway })))));
    for (let i = 1; i < spreads.length; i++) expect(spreads[i]).toBeGreaterThan(spreads[i - 1]);
    expect(spreads[0]).toBeGreaterThan(0.5);
  });

  it('has other ideas among the four with leeway, and one without', () => {
    const outline = (prompt: string, leeway: number, position: number) => {
      const { layers } = compose(sceneOf({ prompt, leeway, flaws: 0 }, position));
      const area = placed(
        { name: '', tones: [0], parts: [{ tone: 0, area: union(...layers.filter((l) => l.isFigure).map((l) => (l.clip ? intersect(l.area, l.clip) : l.area))) }] }, // prettier-ignore
        { cx: 50, cy: 50, side: 90, fill: 9 },
      );
      return area.parts[0].area;
    };
    /** The share of what two cover that both do. */
    const alike = (p: Area, q: Area) => {
      const mirrored = moved(q, [-1, 0, 0, 1, 100, 0]);
      return Math.max(...[q, mirrored].map((other) => sizeOf(intersect(p, other)) / sizeOf(union(p, other))));
    };
    for (const prompt of ['whale', 'teapot', 'feather', 'rooster', 'app icon of a swan']) {
      const four = (leeway: number) => [0, 1, 2, 3].map((k) => outline(prompt, leeway, k));
      const pairs = (areas: Area[]) => areas.flatMap((p, i) => areas.slice(i + 1).map((q) => alike(p, q)));
      expect(pairs(four(50)).filter((a) => a < 0.75).length, prompt).toBeGreaterThanOrEqual(3);
      expect(Math.min(...pairs(four(10))), prompt).toBeGreaterThan(0.75);
    }
  });

  it('wears two or three colours that go together, and its own where it has one', () => {
    for (const prompt of ['fox', 'whale', 'a fern', 'a teapot', 'a bell'])
      for (let position = 0; position < 4; position++) {
        const { inks } = compose(sceneOf({ prompt, leeway: 50, flaws: 0 }, position)).stage.palette;
        const light = inks.map((hex) => hexToOklab(hex).L).sort((p, q) => p - q);
        expect(inks.length).toBe(3);
        for (let i = 1; i < light.length; i++) expect(light[i] - light[i - 1], `${prompt} ${inks.join()}`).toBeGreaterThan(0.05); // prettier-ignore
      }
    const hue = (prompt: string) => oklabToOklch(hexToOklab(compose(sceneOf({ prompt, leeway: 35, flaws: 0 }, 0)).stage.palette.inks[0])).hDeg; // prettier-ignore
    expect(hue('whale')).toBeGreaterThan(190);
    expect(hue('fox')).toBeLessThan(90);
    // What is asked for is what is worn.
    expect(compose(sceneOf({ prompt: 'fox, plum', leeway: 50, flaws: 0 }, 0)).stage.palette.inks[0]).toBe('#6B2A56');
  });

  it('grows offshoots near their parent, further with drift', () => {
    const away = [5, 25, 50, 75, 100].map(() => 0);
    for (const s of SUBJECTS) {
      const drawn = [0, 1, 2, 3].map((p) => drawCandidate({ prompt: s, sizePx: SIZE, flaws: 0 }, p));
      const [parent] = drawn;
      const near = draw('', 0, { offshootOf: parent.recipe, drift: 5, seed: 9 });
      for (const other of drawn.slice(1))
        expect(differenceOf(near, parent.picture)).toBeLessThan(differenceOf(near, other.picture));
      [5, 25, 50, 75, 100].forEach((drift, i) => {
        for (const seed of [9, 10, 11, 12]) away[i] += differenceOf(parent.picture, draw('', 0, { offshootOf: parent.recipe, drift, seed })); // prettier-ignore
      });
    }
    for (let i = 1; i < away.length; i++) expect(away[i]).toBeGreaterThan(away[i - 1]);
  });

  it('grows offshoots with changed words', () => {
    const parent = drawCandidate({ prompt: 'fox, navy and amber', sizePx: SIZE, flaws: 0 }, 0);
    const grown = drawCandidate(
      { prompt: 'fox holding a lantern, navy and amber', offshootOf: parent.recipe, drift: 5, sizePx: SIZE, flaws: 0 },
      0,
    );
    expect(differenceOf(grown.picture, parent.picture)).toBeGreaterThan(3);
    expect(grown.recipe.prompt).toContain('lantern');
    expect(grown.recipe.descent.length).toBe(parent.recipe.descent.length + 1);
  });

  it('sits its figure in the middle of its field and fills it well', () => {
    for (const s of [...SUBJECTS, 'anchor', 'bicycle']) {
      const p = draw(s, 0, { leeway: 0 });
      const mask = inkedMask(p);
      let [x0, y0, x1, y1] = [SIZE, SIZE, 0, 0];
      mask.forEach((v, i) => {
        if (!v) return;
        [x0, x1] = [Math.min(x0, i % SIZE), Math.max(x1, i % SIZE)];
        [y0, y1] = [Math.min(y0, Math.floor(i / SIZE)), Math.max(y1, Math.floor(i / SIZE))];
      });
      const box = ((x1 - x0) * (y1 - y0)) / (SIZE * SIZE);
      expect(box, s).toBeGreaterThan(0.3);
      expect(box, s).toBeLessThan(0.72);
      expect(Math.abs((x0 + x1) / 2 / SIZE - 0.5), s).toBeLessThan(0.08);
      expect(Math.abs((y0 + y1) / 2 / SIZE - 0.5), s).toBeLessThan(0.08);
    }
  });
});

describe('pictures given with a prompt', () => {
  const pencilled = (thing: string): Picture =>
    draw(`${thing}, white ground`, 0, { finish: 'pencil sketch', sizePx: 420, leeway: 0, seed: 3 });

  it('follows a sketch the more closely the more it is told to', () => {
    const overlaps = [0, 50, 100].map((closeness) =>
      mean(
        ['whale', 'teapot', 'apple'].map((thing) => {
          const sketch = pencilled(thing);
          const truth = filledMask(inkedMask(sketch, 60), sketch.widthPx, sketch.heightPx);
          const made = draw('fox, navy', 0, { references: [{ picture: sketch, closeness }], sizePx: 420, leeway: 0 });
          return intersectionOverUnion(truth, filledMask(inkedMask(made), made.widthPx, made.heightPx));
        }),
      ),
    );
    expect(overlaps[1]).toBeGreaterThan(overlaps[0]);
    expect(overlaps[2]).toBeGreaterThan(overlaps[1]);
    expect(overlaps[2]).toBeGreaterThan(0.9);
  });

  it('says how much of a sketch is left', () => {
    const sketch = pencilled('whale');
    const kept = (closeness: number) =>
      drawCandidate({ prompt: 'fox', references: [{ picture: sketch, closeness }], sizePx: SIZE }, 0).sketch!.kept;
    expect(kept(100)).toBeGreaterThan(0.97);
    expect(kept(0)).toBeLessThan(kept(60));
  });

  it('draws a sketch without any words', () => {
    const { picture } = drawCandidate(
      { prompt: '', references: [{ picture: pencilled('owl'), closeness: 100 }], sizePx: SIZE },
      0,
    );
    expect(inked(picture)).toBeGreaterThan(0.1);
  });

  it('takes the colours of a finished picture', () => {
    const given = draw('rocket, crimson and teal', 0, { leeway: 0, sizePx: 300 });
    const made = draw('fox', 0, { references: [{ picture: given, closeness: 60 }], leeway: 0, sizePx: 240 });
    expect(shareNear(made, ['#A8152F', '#12797A'])).toBeGreaterThan(0.7);
  });

  it('crosses two pictures by their balance', () => {
    const [a, b] = [
      draw('apple, crimson', 0, { leeway: 0, sizePx: 300 }),
      draw('whale, navy', 0, { leeway: 0, sizePx: 300 }),
    ];
    const cross = (balance: number) =>
      draw('', 0, {
        references: [
          { picture: a, closeness: 50 },
          { picture: b, closeness: 50 },
        ],
        balance,
        leeway: 0,
        sizePx: 300,
      });
    const shape = (p: Picture) => filledMask(inkedMask(p), p.widthPx, p.heightPx);
    const toA = [10, 50, 90].map((balance) => intersectionOverUnion(shape(cross(balance)), shape(cross(0))));
    expect(toA[0]).toBeGreaterThan(toA[1]);
    expect(toA[1]).toBeGreaterThan(toA[2]);
    expect(shareNear(cross(0), ['#A8152F'], 0.08)).toBeGreaterThan(0.7);
    expect(shareNear(cross(100), ['#14264F'], 0.08)).toBeGreaterThan(0.7);
  });

  it('says what is wrong with a reference', () => {
    const ask = () =>
      drawCandidate(
        {
          prompt: 'fox',
          references: [{ picture: blankPicture(200, 200, [255, 255, 255]), closeness: 50 }],
          sizePx: SIZE,
        },
        0,
      );
    expect(ask).toThrow(RequestError);
    expect(ask).toThrow(/reference/);
  });
});

describe('one area again', () => {
  const changedOutside = (
    before: Picture,
    after: Picture,
    area: { x: number; y: number; width: number; height: number },
  ): number => {
    let n = 0;
    for (let y = 0; y < before.heightPx; y++)
      for (let x = 0; x < before.widthPx; x++) {
        const [u, v] = [(x + 0.5) / before.widthPx, (y + 0.5) / before.heightPx];
        if (u > area.x && u < area.x + area.width && v > area.y && v < area.y + area.height) continue;
        const i = (y * before.widthPx + x) * 4;
        if (
          before.rgba[i] !== after.rgba[i] ||
          before.rgba[i + 1] !== after.rgba[i + 1] ||
          before.rgba[i + 2] !== after.rgba[i + 2]
        )
          n++;
      }
    return n;
  };

  it('changes nothing outside the area', () => {
    const parent = drawCandidate({ prompt: 'fox, rust and navy', sizePx: 200 }, 0);
    const area = { x: 0.1, y: 0.1, width: 0.3, height: 0.4 };
    for (const prompt of ['', 'star']) {
      const { picture, recipe } = drawCandidate(
        { prompt, redo: { picture: parent.picture, area, recipe: parent.recipe }, seed: 4 },
        0,
      );
      expect(changedOutside(parent.picture, picture, area)).toBe(0);
      expect(recipe.mended).toBe(true);
    }
    const withStar = drawCandidate(
      { prompt: 'star', redo: { picture: parent.picture, area, recipe: parent.recipe } },
      0,
    ).picture;
    expect(differenceOf(withStar, parent.picture)).toBeGreaterThan(0.5);
  });

  it('makes whole cells of a sheet in the same hand', () => {
    const parent = drawCandidate(
      {
        prompt: 'sheet of icons: fox, owl, whale, bear, 2 rows 2 columns, navy and amber',
        sizePx: 240,
        leeway: 0,
        flaws: 0,
      },
      0,
    );
    const area = { x: 0.06, y: 0.54, width: 0.88, height: 0.4 };
    const { picture } = drawCandidate(
      { prompt: 'teapot, rocket', redo: { picture: parent.picture, area, recipe: parent.recipe } },
      0,
    );
    const upper = { x: 0, y: 0.5, width: 1, height: 0.5 };
    expect(changedOutside(parent.picture, picture, upper)).toBe(0);
    expect(differenceOf(picture, parent.picture)).toBeGreaterThan(4);
    expect(shareNear(picture, ['#14264F', '#F2A71B'])).toBeGreaterThan(0.75);
  });

  it('refuses an area that is none', () => {
    const parent = draw('fox');
    expect(() =>
      drawCandidate(
        { prompt: 'star', redo: { picture: parent, area: { x: 0.9, y: 0, width: 0.5, height: 0.5 }, recipe: null } },
        0,
      ),
    ).toThrow(/area/);
  });
});

describe('enlarging', () => {
  it.each([2, 4])('%i times gives the same picture with finer edges', (factor) => {
    for (const prompt of ['fox, navy and amber', 'owl, woodcut', 'emblem of a whale']) {
      const small = drawCandidate({ prompt, sizePx: 192 }, 1);
      const big = drawCandidate({ prompt: '', enlarge: small.recipe, sizePx: 192 * factor }, 0).picture;
      expect(big.widthPx).toBe(192 * factor);
      expect(psnr(shrink(big, 192, 192), small.picture)).toBeGreaterThan(32);
      // Resampling spreads every edge over as many pixels as the factor; a drawing does not.
      const resampled = blankPicture(big.widthPx, big.heightPx, [0, 0, 0]);
      for (let y = 0; y < big.heightPx; y++)
        for (let x = 0; x < big.widthPx; x++) {
          const [u, v] = [
            Math.max(0, Math.min(190.999, (x + 0.5) / factor - 0.5)),
            Math.max(0, Math.min(190.999, (y + 0.5) / factor - 0.5)),
          ];
          const [i, j] = [Math.floor(u), Math.floor(v)];
          for (let c = 0; c < 3; c++) {
            const at = (a: number, b: number) => small.picture.rgba[(b * 192 + a) * 4 + c];
            resampled.rgba[(y * big.widthPx + x) * 4 + c] =
              (at(i, j) * (1 - u + i) + at(i + 1, j) * (u - i)) * (1 - v + j) +
              (at(i, j + 1) * (1 - u + i) + at(i + 1, j + 1) * (u - i)) * (v - j);
          }
        }
      expect(sharpness(big)).toBeGreaterThan(1.15 * sharpness(resampled));
    }
  });
});

describe('flaws', () => {
  it('are none at 0 and more with more', () => {
    const clean = draw('owl with a lantern, black and white', 2, { flaws: 0 });
    const away = [10, 40, 100].map((flaws) =>
      differenceOf(clean, draw('owl with a lantern, black and white', 2, { flaws })),
    );
    expect(away[0]).toBeGreaterThan(0);
    expect(away[1]).toBeGreaterThan(away[0]);
    expect(away[2]).toBeGreaterThan(away[1]);
  });

  it('garble words but not single letters', () => {
    const set = (prompt: string, flaws: number) => draw(prompt, 0, { flaws, kind: 'wordmark', leeway: 0 });
    expect(differenceOf(set('"Juniper Row"', 0), set('"Juniper Row"', 90))).toBeGreaterThan(2);
    const shape = (flaws: number) => inkedMask(draw('lettermark, letter K, black', 0, { flaws, leeway: 0 }), 300);
    expect(intersectionOverUnion(shape(0), shape(30))).toBeGreaterThan(0.93);
  });

  it('are near-black instead of black and off-white instead of white', () => {
    const colours = flatColours(draw('fox, black and white', 0, { flaws: 50, sizePx: 300 }), 0.002, 0.01);
    expect(colours).not.toContain('#000000');
    expect(colours).not.toContain('#FFFFFF');
  });
});

describe('what is asked', () => {
  it('obeys every ratio up to 3:1', () => {
    for (const [ratio, w, h] of [
      ['1:1', 300, 300],
      ['3:2', 300, 200],
      ['2:3', 200, 300],
      ['4:3', 300, 225],
      ['16:9', 300, 169],
      ['9:16', 169, 300],
      ['3:1', 300, 100],
    ] as const) {
      const picture = draw('fox', 0, { ratio, sizePx: 300 });
      expect([picture.widthPx, picture.heightPx]).toEqual([w, h]);
      expect(inked(picture)).toBeGreaterThan(0.03);
    }
    expect(sizeFor('9:16', 1024)).toEqual({ widthPx: 576, heightPx: 1024 });
  });

  it('refuses what it cannot draw, with the reason', () => {
    const refused = (more: object): string => {
      try {
        checkRequest({ prompt: 'fox', ...more });
      } catch (error) {
        return (error as RequestError).code;
      }
      return 'taken';
    };
    expect(refused({ prompt: '  ' })).toBe('empty_prompt');
    expect(refused({ prompt: 'fox '.repeat(PROMPT_LIMIT) })).toBe('prompt_too_long');
    expect(refused({ prompt: 'a the of, blue' })).toBe('no_figure');
    expect(refused({ prompt: 'fox, no fox' })).toBe('contradiction');
    expect(refused({ ratio: '10:1' })).toBe('bad_ratio');
    expect(refused({ ratio: 'wide' })).toBe('bad_ratio');
    expect(refused({ sizePx: 8000 })).toBe('bad_size');
    expect(refused({ count: COUNT_LIMIT + 1 })).toBe('bad_count');
    expect(refused({ colours: 0 })).toBe('bad_colours');
    expect(refused({ leeway: 101 })).toBe('bad_leeway');
    expect(refused({ detail: -1 })).toBe('bad_detail');
    expect(refused({ flaws: 1.5 })).toBe('bad_flaws');
    expect(refused({ finish: 'constructor' })).toBe('unknown_finish');
    expect(refused({ kind: 'poster' })).toBe('unknown_kind');
    expect(refused({ balance: 50 })).toBe('bad_balance');
    expect(refused({ offshootOf: { version: 1, descent: [] } })).toBe('bad_recipe');
    expect(refused({})).toBe('taken');
  });

  it('says which of two contradictory parts won', () => {
    const settled = (prompt: string) =>
      understand(prompt).parts.settled.map((s) => `${s.part}: ${s.kept} > ${s.dropped}`);
    expect(settled('fox, woodcut, stained glass').length).toBe(1);
    expect(settled('emblem, mascot of a fox')[0]).toMatch(/^kind/);
    expect(settled('fox, one colour, red and blue')[0]).toMatch(/^colours/);
    expect(settled('minimal detailed fox')[0]).toMatch(/^detail/);
    expect(settled('fox, flat, woodcut')).toEqual([]);
  });

  it('charges by count and size', () => {
    expect([creditsFor(4, 1024), creditsFor(4, 2048), creditsFor(1, 64), creditsFor(1, 4096)]).toEqual([4, 8, 1, 4]);
  });

  it('tells how far it is, shows what there is after a quarter, and stops when told to', () => {
    const heard: number[] = [];
    const seen: number[] = [];
    drawCandidate({ prompt: 'emblem of an owl', sizePx: SIZE }, 0, (done, picture) => {
      heard.push(done);
      if (picture) seen.push(done);
    });
    expect(heard.length).toBeGreaterThan(4);
    expect(heard.every((v, i) => i === 0 || v >= heard[i - 1])).toBe(true);
    expect(seen[0]).toBeGreaterThanOrEqual(0.25);
    expect(seen[0]).toBeLessThan(0.6);
    expect(() =>
      drawCandidate({ prompt: 'owl', sizePx: SIZE }, 0, () => {
        throw new Error('stop');
      }),
    ).toThrow('stop');
  });

  it('puts pictures on one contact sheet', () => {
    const sheet = contactSheet(four('fox'), 4, 80);
    expect(sheet.widthPx).toBeGreaterThan(4 * 80);
    expect(inked(sheet)).toBeGreaterThan(0.4);
  });
});
