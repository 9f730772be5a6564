import { type Area, areaFrom, grown, moved, parsePath, runsFrom, stroked, union } from '../path';
import { boundsOf, disc, tile } from './area';
import { buildFigure, movedFigure, outlineOf, placed, type BuildOptions, type Figure, type Part } from './figure';
import { isThing } from './things';

type Hat = 'conductor' | 'chef' | 'thing' | 'none';

/** What a mascot wears and carries, from what it is by trade. */
export interface Dress {
  readonly hat: Hat;
  /** For a hat out of the library: its name. */
  readonly hatThing: string;
  readonly scarf: boolean;
  readonly apron: boolean;
  readonly cape: boolean;
  readonly glasses: boolean;
  readonly bowTie: boolean;
}

interface Trade {
  readonly words: RegExp;
  readonly dress: Partial<Dress>;
}

const TRADES: readonly Trade[] = [
  {
    words: /\b(?:conductor|captain|guard|porter|postman|driver|officer|pilot|sailor|admiral)s?\b/,
    dress: { hat: 'conductor' },
  },
  { words: /\b(?:chef|cook|baker|confectioner)s?\b/, dress: { hat: 'chef', apron: true } },
  {
    words: /\b(?:builder|engineer|miner|mechanic|plumber|firefighter|welder|worker)s?\b/,
    dress: { hat: 'thing', hatThing: 'rescue workers helmet' },
  },
  { words: /\b(?:cowboy|rancher|sheriff|rider)s?\b/, dress: { hat: 'thing', hatThing: 'cowboy hat', scarf: true } },
  { words: /\b(?:king|queen|prince|princess|monarch)s?\b/, dress: { hat: 'thing', hatThing: 'crown', cape: true } },
  {
    words: /\b(?:magician|wizard|gentleman|butler|ringmaster)s?\b/,
    dress: { hat: 'thing', hatThing: 'top hat', bowTie: true, cape: true },
  },
  { words: /\b(?:graduate|scholar)s?\b/, dress: { hat: 'thing', hatThing: 'graduation cap' } },
  {
    words: /\b(?:teacher|librarian|professor|scientist|doctor|inventor|accountant)s?\b/,
    dress: { glasses: true, bowTie: true },
  },
  { words: /\b(?:gardener|farmer|ranger|explorer|hiker)s?\b/, dress: { scarf: true, apron: true } },
  {
    words: /\b(?:waiter|waitress|barista|butcher|carpenter|potter|painter|shopkeeper|brewer)s?\b/,
    dress: { apron: true },
  },
  { words: /\b(?:hero|superhero|heroine)(?:es|s)?\b/, dress: { cape: true } },
];

/** Whether a word is a trade that mascots have a dress for. */
export const isRole = (word: string): boolean => TRADES.some((t) => t.words.test(word));

const BARE: Dress = {
  hat: 'none',
  hatThing: '',
  scarf: false,
  apron: false,
  cape: false,
  glasses: false,
  bowTie: false,
};

export function dressFrom(prompt: string): Dress {
  const text = prompt.toLowerCase();
  const trade = TRADES.find((t) => t.words.test(text));
  const extra: Partial<Dress> = {
    ...(/\bscarf\b|\bwinter\b|\bcosy\b/.test(text) ? { scarf: true } : {}),
    ...(/\bapron\b/.test(text) ? { apron: true } : {}),
    ...(/\bcape\b/.test(text) ? { cape: true } : {}),
    ...(/\b(?:glasses|spectacles)\b/.test(text) ? { glasses: true } : {}),
    ...(/\bbow ?tie\b/.test(text) ? { bowTie: true } : {}),
    ...(/\btop hat\b/.test(text) ? { hat: 'thing' as const, hatThing: 'top hat' } : {}),
    ...(/\bcrown\b/.test(text) ? { hat: 'thing' as const, hatThing: 'crown' } : {}),
  };
  return { ...BARE, ...trade?.dress, ...extra };
}

/** Things whose drawing is a head seen from the front. */
const HEADS = new Set(
  'bear fox lion panda koala frog hamster wolf boar gorilla raccoon moose unicorn robot alien dragon owl'.split(' '),
);

/** The name of the head to draw for a figure; null for what has none and becomes a mascot as a whole. */
const headFor = (name: string): string | null =>
  isThing(`${name} face`) ? `${name} face` : HEADS.has(name) && isThing(name) ? name : null;

/** Own heads, where the library's side view would not do: eyes, muzzle and ears on a ball. */
type Tone = 0 | 1 | 2 | 3 | 4;
const TONES = [0.35, 0.55, 0.75, 1, 0.15];
const FUR: Tone = 0;
const COAT: Tone = 1;
const ACCENT: Tone = 2;
const LIGHT: Tone = 3;
const DARK: Tone = 4;

const shape = (tone: Tone, data: string): Part => ({ tone, area: areaFrom(parsePath(data)) });
const flip = (area: Area): Area => moved(area, [-1, 0, 0, 1, 100, 0]);
const both = (tone: Tone, area: Area): Part => ({ tone, area: union(area, flip(area)) });
const line = (tone: Tone, weight: number, data: string): Part => ({
  tone,
  area: stroked(runsFrom(parsePath(data, { close: false })), weight, false),
});
const mirroredPath = (tone: Tone, data: string): Part => both(tone, areaFrom(parsePath(data)));
const oval = (cx: number, cy: number, rx: number, ry: number): Area => moved(disc(0, 0, 1), [rx, 0, 0, ry, cx, cy]);

type Spread = (name: string) => number;

/** Heads drawn for mascots: what is behind the head, and what is on it. The head itself is a ball of radius 23 about (50, 32). */
const OWN_HEADS: Readonly<Record<string, (t: Spread) => { behind: Part[]; face: Part[] }>> = {
  bat: (t) => ({
    behind: [
      mirroredPath(
        FUR,
        `M58 56C72 46 86 ${44 - 3 * t('wings')} 98 ${50 - 3 * t('wings')}C92 55 92 62 94 70C87 66 81 68 79 76C74 71 67 71 60 76Z`,
      ),
      mirroredPath(FUR, `M56 22L${72 + 2 * t('ears')} ${-t('ears')}C76 10 75 22 71 30Z`),
      mirroredPath(COAT, `M61 20L${70.5 + 2 * t('ears')} 7C72 13 71.5 19 70 25Z`),
    ],
    face: [mirroredPath(LIGHT, 'M50 30C54 26 64 27 66 35C67 44 60 51 49.9 51Z')],
  }),
  hedgehog: (t) => ({
    behind: [
      {
        tone: FUR,
        area: [
          Array.from({ length: 30 }, (_, i) => {
            const a = Math.PI * 0.86 + (Math.PI * 1.28 * i) / 29;
            const r = i % 2 ? 29 + t('spines') : 23.5;
            return [50 + r * Math.cos(a), 33 + r * Math.sin(a)];
          }).flat(),
        ],
      },
    ],
    face: [both(COAT, disc(65, 23, 4.6)), mirroredPath(LIGHT, 'M50 20C53 24 58 22 63 26C69 33 67 50 49.9 51Z')],
  }),
  rabbit: (t) => ({
    behind: [both(FUR, oval(59, 6 - t('ears'), 6, 19)), both(ACCENT, oval(59, 6 - t('ears'), 2.8, 14))],
    face: [mirroredPath(LIGHT, 'M50 36C58 36 62 42 61 47C58 52 54 53 49.9 53Z')],
  }),
  cat: (t) => ({
    behind: [
      mirroredPath(FUR, `M55 20L${71 + t('ears')} ${3 - t('ears')}C75 12 74 24 72 30Z`),
      mirroredPath(ACCENT, `M61 18L${70 + t('ears')} 9C72 14 71.6 20 70 25Z`),
      line(FUR, 5, 'M66 84C84 88 90 74 82 64'),
    ],
    face: [mirroredPath(LIGHT, 'M50 38C57 36 63 41 62 46C59 51 54 52 49.9 52Z')],
  }),
  bear: () => ({
    behind: [both(FUR, disc(67, 15, 8)), both(COAT, disc(67, 15, 4))],
    face: [{ tone: LIGHT, area: oval(50, 42, 12, 9.5) }],
  }),
  fox: (t) => ({
    behind: [
      shape(FUR, 'M62 84C78 88 92 78 90 58C84 66 74 64 66 72Z'),
      mirroredPath(FUR, `M56 18L${71 + t('ears')} ${1 - t('ears')}C75 12 74 22 72 30Z`),
      mirroredPath(DARK, `M61 17L${69.6 + t('ears')} 7C71 13 71 19 70 24Z`),
    ],
    face: [mirroredPath(LIGHT, 'M50 40C56 34 66 33 72 36C68 46 58 52 49.9 54Z')],
  }),
  owl: (t) => ({
    behind: [mirroredPath(FUR, `M54 16C62 16 66 12 ${72 + t('tufts')} 6C73 14 73 22 70 28Z`)],
    face: [both(LIGHT, disc(59.5, 32, 9))],
  }),
};

const eyes = (y: number, dx: number, r: number): Part[] => [
  both(DARK, oval(50 + dx, y, r, r * 1.3)),
  both(LIGHT, disc(50 + dx + r * 0.32, y - r * 0.42, r * 0.36)),
];

const smile = (y: number, w: number, curve: number): Part =>
  line(DARK, 1.5, `M${50 - w} ${y}C${50 - w / 2} ${y + curve} ${50 + w / 2} ${y + curve} ${50 + w} ${y}`);

function conductorCap(): Part[] {
  return [
    shape(COAT, 'M31 15C29 8 34 1 50 1C66 1 71 8 69 15Z'),
    shape(ACCENT, 'M31 14C38 11 62 11 69 14L68 20C60 17 40 17 32 20Z'),
    shape(DARK, 'M32 20C40 17 60 17 68 20C66 24 58 23 50 23C42 23 34 24 32 20Z'),
    { tone: LIGHT, area: disc(50, 7.5, 2.6) },
  ];
}

function chefHat(): Part[] {
  const puff = union(
    disc(39, 1, 8.5),
    disc(50, -3, 10),
    disc(61, 1, 8.5),
    areaFrom(parsePath('M37 2L63 2L63 15L37 15Z')),
  );
  return [
    { tone: DARK, area: grown(puff, 0.9) },
    { tone: LIGHT, area: puff },
    shape(ACCENT, 'M36.6 11L63.4 11L63.4 15.4L36.6 15.4Z'),
  ];
}

/** Joins figures into one, each with tones of its own. */
function joined(name: string, figures: readonly Figure[]): Figure {
  const tones: number[] = [];
  const parts: Part[] = [];
  for (const f of figures) {
    // Tones of nearly one lightness are one, so that few colours go round.
    const map = f.tones.map((L) => {
      const near = tones.findIndex((t) => Math.abs(t - L) < 0.07);
      return near >= 0 && tones.length >= 4 ? near : tones.push(L) - 1;
    });
    parts.push(...f.parts.map((p) => ({ tone: map[p.tone], area: p.area })));
  }
  return { name, tones, parts };
}

const ownFigure = (parts: readonly Part[]): Figure => ({ name: 'mascot', tones: TONES, parts });

export interface MascotOptions extends BuildOptions {
  readonly dress: Dress;
  readonly prop: string | null;
  /** The head alone. */
  readonly headOnly: boolean;
}

/** A mascot of any thing: an animal's head on a dressed body, or the thing itself with a face, arms and legs. */
export function mascotFigure(name: string, options: MascotOptions): Figure {
  const { knobs, dress, prop, headOnly } = options;
  const t: Spread = (part) => knobs.spread(`mascot/${part}`);
  const own = Object.hasOwn(OWN_HEADS, name) ? OWN_HEADS[name](t) : null;
  const headName = own ? null : headFor(name);
  const held =
    prop && isThing(prop)
      ? placed(buildFigure(prop, { ...options, detail: 40 }), { cx: 86, cy: 76, side: 25, fill: 0.8 })
      : null;
  const tall = 2 * t('tall');
  if (!own && !headName) return thingMascot(name, options, held, t);

  const brim = own ? 20 : 17;
  const body: Part[] = headOnly
    ? []
    : [
        ...(dress.cape
          ? [shape(ACCENT, 'M34 52C26 66 20 80 18 92C30 88 38 92 50 89C62 92 70 88 82 92C80 80 74 66 66 52Z')]
          : []),
        {
          tone: FUR,
          area: union(tile(43.5, 89 + tall / 2, 4.5, 3, 7 + tall / 2), tile(56.5, 89 + tall / 2, 4.5, 3, 7 + tall / 2)),
        },
        both(DARK, oval(59, 97 + tall, 8, 3.6)),
        mirroredPath(COAT, 'M50 48L61 50C68 54 71 70 72 88L49.9 88Z'),
        ...(dress.apron ? [mirroredPath(LIGHT, 'M50 60L59 60L62 85L49.9 85Z')] : []),
        line(
          COAT,
          8.4,
          held
            ? 'M64 58C72 60 78 60 84 63M36 58C30 64 27 70 27 77'
            : 'M64 58C70 64 73 70 73 77M36 58C30 64 27 70 27 77',
        ),
        { tone: FUR, area: union(held ? disc(86, 63, 4.8) : disc(73, 79, 4.8), disc(27, 79, 4.8)) },
        ...(dress.apron
          ? []
          : [{ tone: ACCENT, area: union(disc(50, 64, 1.9), disc(50, 72, 1.9), disc(50, 80, 1.9)) } as Part]),
      ];
  const neck: Part[] = [
    ...(dress.scarf && !headOnly
      ? [shape(ACCENT, 'M32 49C42 56 58 56 68 49L69 56C60 62 40 62 31 56Z'), shape(ACCENT, 'M58 56L66 55L68 72L59 72Z')]
      : []),
    ...(dress.bowTie && !headOnly ? [mirroredPath(ACCENT, 'M49.9 57L58 53.5L58 61.5L49.9 58.4Z')] : []),
  ];
  const glasses: Part[] = dress.glasses
    ? [
        {
          tone: DARK,
          area: union(
            stroked([disc(41, 34, 6.4)[0]], 1.3, true),
            stroked([disc(59, 34, 6.4)[0]], 1.3, true),
            stroked([[47.4, 33, 50, 32.2, 52.6, 33]], 1.3, false),
          ),
        },
      ]
    : [];
  const hat: Part[] = dress.hat === 'conductor' ? conductorCap() : dress.hat === 'chef' ? chefHat() : [];
  const hatFigure =
    dress.hat === 'thing' && isThing(dress.hatThing)
      ? placed(buildFigure(dress.hatThing, { ...options, leeway: 10, detail: 40 }), {
          cx: 50,
          cy: own ? 8 : 5,
          side: 36,
          fill: 0.9,
        })
      : null;
  const lifted = hatFigure
    ? movedFigure(hatFigure, [
        1,
        0,
        0,
        1,
        0,
        brim - (boundsOf(outlineOf(hatFigure)).y + boundsOf(outlineOf(hatFigure)).height) + 1,
      ])
    : null;

  if (own) {
    const face: Part[] = [
      ...own.face,
      ...eyes(34, 8.5, 2.7),
      ...(name === 'owl'
        ? [mirroredPath(ACCENT, 'M50 36L53.5 39L49.9 46Z')]
        : [
            { tone: DARK, area: oval(50, 40.6, 3, 2.1) } as Part,
            smile(44.6 - 0.6 * t('smile'), 5.5, 3.4 + 2 * t('smile')),
          ]),
    ];
    const figures = [
      ownFigure([...own.behind, ...body, { tone: FUR, area: disc(50, 32, 23) }, ...face, ...neck, ...glasses, ...hat]),
    ];
    if (lifted) figures.push(lifted);
    if (held && !headOnly) figures.push(held);
    return figures.length === 1 ? figures[0] : joined(name, figures);
  }
  const head = placed(buildFigure(headName!, { ...options, leeway: Math.min(40, options.leeway) }), {
    cx: 50,
    cy: 31,
    side: 47,
    fill: 1,
  });
  const figures = [
    ...(body.length ? [ownFigure(body)] : []),
    head,
    ...(neck.length + glasses.length + hat.length ? [ownFigure([...neck, ...glasses, ...hat])] : []),
    ...(lifted ? [lifted] : []),
    ...(held && !headOnly ? [held] : []),
  ];
  return joined(name, figures);
}

/** The thing itself with a face, arms and legs. */
function thingMascot(name: string, options: MascotOptions, held: Figure | null, t: Spread): Figure {
  const thing = placed(buildFigure(name, { ...options, detail: Math.min(options.detail, 40) }), {
    cx: 50,
    cy: 46,
    side: 62,
    fill: 0.85,
  });
  const b = boundsOf(outlineOf(thing));
  const foot = b.y + b.height;
  const y = b.y + b.height * 0.46;
  const half = b.width / 2;
  const limbs: Part[] = [
    line(
      DARK,
      3,
      `M${50 - half * 0.3} ${foot - 3}L${50 - half * 0.3} 93M${50 + half * 0.3} ${foot - 3}L${50 + half * 0.3} 93`,
    ),
    { tone: DARK, area: union(oval(50 - half * 0.3 - 2.5, 95, 6, 3), oval(50 + half * 0.3 + 2.5, 95, 6, 3)) },
    line(
      DARK,
      3,
      `M${50 - half + 3} ${y + 8}C${50 - half - 8} ${y + 10} ${50 - half - 10} ${y + 16 + 4 * t('arm')} ${50 - half - 8} ${y + 22}`,
    ),
    line(
      DARK,
      3,
      held
        ? `M${50 + half - 3} ${y + 8}C${50 + half + 6} ${y + 12} 80 66 84 64`
        : `M${50 + half - 3} ${y + 8}C${50 + half + 9} ${y + 4} ${50 + half + 10} ${y - 4} ${50 + half + 8} ${y - 10 - 3 * t('arm')}`,
    ),
  ];
  const eye = Math.max(2.6, Math.min(4.4, half * 0.15));
  const dx = Math.max(eye * 1.8, half * 0.3);
  const patch = both(LIGHT, oval(50 + dx, y, eye * 1.7, eye * 1.95));
  const face: Part[] = [
    patch,
    both(DARK, oval(50 + dx - 0.5, y + 0.4, eye * 0.85, eye * 1.1)),
    both(LIGHT, disc(50 + dx - 0.1, y - eye * 0.3, eye * 0.3)),
    smile(y + eye * 3.1, eye * 1.5, eye * 1.3),
  ];
  return joined(name, [ownFigure(limbs), thing, ownFigure(face), ...(held ? [held] : [])]);
}
