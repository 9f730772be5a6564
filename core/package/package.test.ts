import { describe, expect, it } from 'vitest';
import { circle, rectangle } from '../path';
import { type Artwork } from '../vector';
import { fileStem, fileStems, inkTokens, packageFiles, PNG_SIZES_PX } from './index';

const artwork: Artwork = {
  widthPx: 100,
  heightPx: 100,
  inks: [
    { id: 'a', hex: '#F2C14E', name: 'lamp' },
    { id: 'b', hex: '#182A5C', name: 'Lamp' },
  ],
  nodes: [{ kind: 'piece', id: 'p', inkId: 'a', contours: [circle(50, 50, 40)] }],
  guides: [],
};
const about = {
  commission: 'Noctule Night Rail',
  client: 'Maren Holt',
  artwork: 'mark',
  version: 4,
  date: '2026-11-24',
};

describe('names of files', () => {
  it('are safe everywhere', () => {
    expect(fileStem('Noctule Night Rail')).toBe('noctule-night-rail');
    expect(fileStem('Größe & Söhne / Straße')).toBe('grosse-sohne-strasse');
    expect(fileStem('../../etc/passwd')).toBe('etc-passwd');
    expect(fileStem('夜行')).toBe('yexing');
    expect(fileStem('Лиса 🦊')).toBe('lisa-fox');
    expect(fileStem('!?')).toBe('mark');
    expect(fileStem('CON')).toBe('mark-con');
    expect(fileStem('x'.repeat(200)).length).toBeLessThanOrEqual(60);
  });
});

describe('design tokens', () => {
  it('have every ink under a name of its own', () => {
    const tokens = JSON.parse(inkTokens(artwork, 'a mark')) as { ink: Record<string, unknown> };
    expect(Object.keys(tokens.ink)).toEqual(['$type', 'lamp', 'lamp-2']);
    expect(tokens.ink.lamp).toMatchObject({
      $value: { colorSpace: 'srgb', components: [0.949, 0.7569, 0.3059], hex: '#f2c14e' },
    });
    expect(tokens.ink.$type).toBe('color');
  });

  it('tell of gradients with their stops', () => {
    const [lamp, night] = artwork.inks;
    const shaded: Artwork = {
      ...artwork,
      inks: [
        {
          ...lamp,
          gradient: {
            kind: 'radial',
            from: [50, 50],
            to: [90, 50],
            stops: [
              { at: 0, hex: '#FFF2C0' },
              { at: 1, hex: '#C98631' },
            ],
          },
        },
        night,
      ],
    };
    const tokens = JSON.parse(inkTokens(shaded, 'a mark')) as { ink: Record<string, unknown> };
    expect(tokens.ink.lamp).toMatchObject({
      $type: 'gradient',
      $value: [
        { color: { hex: '#fff2c0' }, position: 0 },
        { color: { hex: '#c98631' }, position: 1 },
      ],
    });
    const texts = packageFiles(shaded, about).flatMap((f) => ('text' in f ? [f.text] : []));
    expect(texts[0]).toContain('<radialGradient id="lamp-gradient"');
    expect(texts[texts.length - 1]).toContain('lamp: gradient of #FFF2C0 to #C98631, from a centre outwards');
  });
});

describe('what names of files begin with', () => {
  it('is the commission and the concept, so that several packages lie in one folder', () => {
    expect(fileStems('Noctule Night Rail', ['Noctule Night Rail 3.1', 'Noctule Night Rail 3.1 (2)', 'badge'])).toEqual([
      'noctule-night-rail-3-1',
      'noctule-night-rail-3-1-2',
      'noctule-night-rail-badge',
    ]);
    expect(fileStems('Juniper', ['Juniper', 'Juniperus'])).toEqual(['juniper', 'juniper-juniperus']);
  });

  it('is never the same twice, whatever letters the names have and however long they are', () => {
    const long = 'The Very Long Name of a Society for the Keeping of Owls and of other Birds of the Night';
    for (const commission of ['Noctule', '雲', long, 'con', '!'])
      for (const names of [
        ['雲', '花', '!', '', 'mark'],
        ['3.1', '3-1', '3 1', '3.1 2'],
        [`${long} 3.1`, `${long} 3.2`, long, `${long} `],
        ['a', 'A', 'a (2)', 'a-2', 'á'],
      ]) {
        const stems = fileStems(commission, names);
        expect(new Set(stems).size).toBe(names.length);
        for (const stem of stems) expect(stem).toMatch(/^[a-z0-9](?:[a-z0-9-]{0,58}[a-z0-9])?$/);
        // Another one changes nothing of those before it.
        expect(fileStems(commission, [...names, names[0]]).slice(0, -1)).toEqual(stems);
      }
    expect(fileStems(long, [`${long} 3.1`])[0]).toMatch(/-3-1$/);
  });
});

describe('a package', () => {
  const files = packageFiles(artwork, about);

  it('has SVG, PNG in three sizes, tokens and a list of what is what', () => {
    expect(files.map((f) => f.name)).toEqual([
      'noctule-night-rail.svg',
      ...PNG_SIZES_PX.map((s) => `noctule-night-rail-${s}.png`),
      'noctule-night-rail-inks.json',
      'README.txt',
    ]);
    const readme = files[files.length - 1] as { text: string };
    for (const file of files.slice(0, -1)) expect(readme.text).toContain(file.name);
    expect(readme.text).toContain('#182A5C  Lamp  (red 24, green 42, blue 92)');
    expect(readme.text).toContain('Version 4, delivered 2026-11-24, for Maren Holt');
  });

  it('has names of its own where it is told so', () => {
    const named = packageFiles(artwork, { ...about, stem: 'noctule-night-rail-3-1' });
    for (const file of named.slice(0, -1)) expect(file.name).toMatch(/^noctule-night-rail-3-1[.-]/);
  });

  it('says of pictures whether they have a ground', () => {
    const sentences = (of: Artwork) => packageFiles(of, about).flatMap((f) => ('pngSidePx' in f ? [f.about] : []));
    for (const text of sentences(artwork)) expect(text).toContain('with a transparent ground');
    const ground = { kind: 'piece', id: 'g', inkId: 'b', contours: [rectangle(0, 0, 100, 100)] } as const;
    for (const text of sentences({ ...artwork, nodes: [ground, ...artwork.nodes] })) {
      expect(text).toContain('on its own ground');
      expect(text).not.toContain('transparent');
    }
  });

  it('tells in the SVG what it is', () => {
    const { text } = files[0] as { text: string };
    expect(text).toContain('<title id="title">Noctule Night Rail</title>');
    expect(text).toContain('Inks: lamp #F2C14E, Lamp #182A5C.');
  });
});

describe('a delivery of a colourway', () => {
  const dusk = { ...artwork, colourways: [{ id: 'c1', name: 'Dusk', inks: [{ inkId: 'a', hex: '#C9643B' }] }] };
  const of = { ...about, colourway: { id: 'c1', name: 'Dusk' } };

  it('has its inks in every file, and says which in their names and in the README', () => {
    const files = packageFiles(dusk, of);
    expect(files.map((f) => f.name)).toContain('noctule-night-rail-dusk.svg');
    const text = (end: string): string => {
      const file = files.find((f) => f.name.endsWith(end))!;
      return 'text' in file ? file.text : '';
    };
    expect(text('.svg')).toContain('fill="#C9643B"');
    expect(text('.svg')).not.toContain('#F2C14E');
    expect(text('.svg')).toContain('in the colourway Dusk');
    expect(text('inks.json')).toContain('#c9643b');
    expect(text('README.txt')).toContain('Colourway Dusk');
    expect(packageFiles(dusk, about).map((f) => f.name)).toContain('noctule-night-rail.svg');
  });
});
