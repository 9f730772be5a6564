import { describe, expect, it } from 'vitest';
import { circle } from '../path';
import { type Artwork } from '../vector';
import { comparePackages, fileStem, fileStems, inksSaid, inkTokens, ONE_COLOUR, planPackage, REVERSED, sensibleFor, SETS, setsWith, subjectOf, type Look } from './index'; // prettier-ignore

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
    expect(inksSaid(shaded)).toMatch(/^lamp #FFF2C0 to #C98631, from a centre outwards/);
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

describe('a plan', () => {
  const own: Look = { key: 'master', name: 'own', kind: 'own' };
  const [dusk, dawn] = ['Dusk', 'dusk!'].map((name, k): Look => ({ key: `c${k}`, name, kind: 'colourway' }));
  const subject = subjectOf(artwork, { key: 'a', name: 'Noctule', stem: 'noctule', kind: 'mark' });
  const wide = { ...subject, key: 'b', stem: 'noctule-wide', kind: 'lockup', widthPx: 400 } as const;

  it('has every file under one name, whatever colourways are called, and the same when less is wanted', () => {
    const rows = [subject, wide].flatMap((s) => [own, dusk, dawn, ONE_COLOUR, REVERSED].map((look) => ({ subject: s, look, for: ['print', 'web', 'motion'] as const }))); // prettier-ignore
    const names = planPackage(rows).map((f) => f.name);
    expect(new Set(names).size).toBe(names.length);
    expect(names).toContain('print/noctule-dusk.svg');
    expect(names).toContain('print/noctule-dusk-2.svg');
    expect(planPackage(rows.slice(2, 3).map((r) => ({ ...r, stem: 'noctule-dusk-2' })))[0].name).toBe(
      'print/noctule-dusk-2.svg',
    );
  });

  it('wants of each look what makes sense: icons of marks, movements of what has its own inks, one sheet', () => {
    expect(sensibleFor(subject, own)).toContain('shops');
    expect(sensibleFor(wide, own)).not.toContain('shops');
    expect(sensibleFor(subject, dusk)).toEqual(['print', 'web']);
    expect(sensibleFor(subject, REVERSED)).toEqual(['print', 'web']);
    const sheets = planPackage([subject, wide].map((s) => ({ subject: s, look: own, for: ['sheet'] })));
    expect(sheets.map((f) => f.name)).toEqual(['sheet/noctule-brand-sheet.pdf']);
  });

  it('leaves out kinds of files, and has those of sizes that are asked for, each once', () => {
    const sets = setsWith({ office: { ...SETS.office, picturePx: 640 }, stickers: { longerMm: [30, 30, 55], cutMm: 3 }, leftOut: ['office/jpeg', 'stickers/svg'] }); // prettier-ignore
    const plan = planPackage([{ subject, look: own, for: ['office', 'stickers'] }], sets);
    expect(plan.map((f) => f.name)).toEqual([
      'stickers/noctule-sticker-30mm.pdf',
      'stickers/noctule-sticker-55mm.pdf',
      'office/noctule-letterhead.png',
      'office/noctule.png',
    ]);
    expect(plan[3].widthPx).toBe(640);
  });
});

describe('two packages', () => {
  it('are compared by their bytes', () => {
    const file = (name: string, sha256: string) => ({ name, sha256 });
    const before = [file('a', '1'), file('b', '1'), file('c', '1')];
    expect(comparePackages(before, [file('c', '2'), file('a', '1'), file('d', '1')])).toEqual({
      added: ['d'],
      changed: ['c'],
      removed: ['b'],
    });
    expect(comparePackages(before, before)).toEqual({ added: [], changed: [], removed: [] });
  });
});
