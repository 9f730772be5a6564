import { describe, expect, it } from 'vitest';
import { circle } from '../path';
import { type Artwork } from '../vector';
import { fileStem, inkTokens, packageFiles, PNG_SIZES_PX } from './index';

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
    expect(fileStem('夜行')).toBe('mark');
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

  it('tells in the SVG what it is', () => {
    const { text } = files[0] as { text: string };
    expect(text).toContain('<title id="title">Noctule Night Rail</title>');
    expect(text).toContain('Inks: lamp #F2C14E, Lamp #182A5C.');
  });
});
