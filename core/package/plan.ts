/** What a full package has: for each subject, in each of its looks, the files of what it is for. Planning makes nothing. */
import { MOTION_WORDS, type MotionKind } from '../motion';
import { cut, fileStem, plainWords } from './names';
import type { Placement } from './placing';
import { SETS, type PackageSets } from './sets';

/** What files are for, in the order in which a package lists them. */
export const FORS = ['print', 'web', 'shops', 'social', 'stickers', 'large', 'office', 'developers', 'motion', 'sheet'] as const; // prettier-ignore
export type For = (typeof FORS)[number];

/** What each is for, in words. */
export const FOR_WORDS: Readonly<Record<For, string>> = {
  print: 'print',
  web: 'web',
  shops: 'shops and phones',
  social: 'social',
  stickers: 'stickers',
  large: 'large',
  office: 'office',
  developers: 'developers',
  motion: 'motion',
  sheet: 'brand sheet',
};

/** A look of a work: its own inks, a colourway, one colour, or one colour for a dark ground. */
export interface Look {
  readonly key: string;
  readonly name: string;
  readonly kind: 'own' | 'colourway' | 'one-colour' | 'reversed';
  /** Of one colour; black where left out. */
  readonly hex?: string;
}

export const ONE_COLOUR: Look = { key: 'one-colour', name: 'one colour', kind: 'one-colour' };
export const REVERSED: Look = { key: 'reversed', name: 'reversed', kind: 'reversed' };

/** A mark or a lockup as a package has it. */
export interface Subject {
  readonly key: string;
  readonly name: string;
  /** What its files' names begin with. */
  readonly stem: string;
  readonly kind: 'mark' | 'lockup';
  readonly widthPx: number;
  readonly heightPx: number;
  /** Whether it covers all that it stands on. */
  readonly isOpaque: boolean;
  /** The movements it can have. */
  readonly motions: readonly MotionKind[];
}

/** How a file is made of a look of a subject. `ground` says that something is laid below: the look's own ground, or a colour. */
export type Making =
  | { readonly as: 'svg'; readonly small: boolean }
  | { readonly as: 'png' | 'jpeg'; readonly place?: Placing; readonly dotsPerInch?: number; readonly mono?: boolean }
  | {
      readonly as: 'pdf';
      readonly colours: 'rgb' | 'cmyk' | 'plates';
      readonly longerMm: number;
      readonly cutMm?: number;
      readonly bleedMm?: number;
    }
  | { readonly as: 'eps'; readonly longerMm: number }
  | { readonly as: 'cut-svg'; readonly cutMm: number; readonly longerMm: number }
  | { readonly as: 'ico'; readonly sidesPx: readonly number[] }
  | { readonly as: 'text'; readonly what: 'manifest' | 'html' | 'data' | 'inks' | 'css' | 'work' }
  | { readonly as: 'ground'; readonly sidePx: number }
  | { readonly as: 'sheet' }
  | { readonly as: 'motion-svg' | 'motion-json' | 'motion-picture' | 'motion-poster'; readonly kind: MotionKind };

/** A placement whose ground, where it has one, is found when the file is made. */
export type Placing = Omit<Placement, 'groundHex'> & { readonly ground: 'none' | 'ground' };

export interface PlannedFile {
  /** With its folder. */
  readonly name: string;
  /** What it and its companions' names begin with. */
  readonly stem: string;
  readonly for: For;
  /** Its kind within the set, of PARTS. */
  readonly part: string;
  readonly about: string;
  readonly subject: string;
  readonly look: Look;
  readonly making: Making;
  /** Of pictures and drawings; null for text. */
  readonly widthPx: number | null;
  readonly heightPx: number | null;
}

/** One row of the table: a look of a subject, and what it is wanted for. */
export interface Wanted {
  readonly subject: Subject;
  readonly look: Look;
  readonly for: readonly For[];
  /** What its files' names begin with, where that is told apart among more rows than these. */
  readonly stem?: string;
}

/** What a look is wanted for to begin with. */
export function sensibleFor({ kind }: Pick<Subject, 'kind'>, look: Look): For[] {
  if (look.kind === 'own')
    return kind === 'mark'
      ? ['print', 'web', 'shops', 'social', 'stickers', 'office', 'developers', 'motion', 'sheet']
      : ['print', 'web', 'social', 'large', 'office', 'developers', 'sheet'];
  if (look.kind !== 'one-colour') return ['print', 'web'];
  return kind === 'mark' ? ['print', 'web', 'office', 'stickers', 'large'] : ['print', 'web', 'office'];
}

/** The diameter of the circle that a maskable icon is never cut within, as a share of its side (W3C manifest for web applications). */
const MASKABLE_SAFE = 0.8;
/** The same of an icon's foreground layer. */
const LAYER_SAFE = 0.61;
const ICON_SHARE = 0.68;
const AVATAR_SAFE = 0.86;

const longerTo = (subject: Pick<Subject, 'widthPx' | 'heightPx'>, longerPx: number): [number, number] => {
  const scale = longerPx / Math.max(subject.widthPx, subject.heightPx);
  return [Math.max(1, Math.round(subject.widthPx * scale)), Math.max(1, Math.round(subject.heightPx * scale))];
};

type Bare = Pick<PlannedFile, 'name' | 'part' | 'about' | 'making' | 'widthPx' | 'heightPx'>;

/** Files of one look for one purpose; `stem` is what their names begin with. */
function filesFor(purpose: For, subject: Subject, look: Look, stem: string, sets: PackageSets): Bare[] {
  const isIcon = subject.kind === 'mark';
  const { widthPx, heightPx } = subject;
  const vector = (part: string, end: string, about: string, making: Making): Bare => ({ name: `${stem}${end}`, part, about, making, widthPx, heightPx }); // prettier-ignore
  const text = (part: string, end: string, about: string, what: Extract<Making, { as: 'text' }>['what']): Bare => ({ name: `${stem}${end}`, part, about, making: { as: 'text', what }, widthPx: null, heightPx: null }); // prettier-ignore
  const whole = (
    part: string,
    end: string,
    about: string,
    longerPx: number,
    as: 'png' | 'jpeg' = 'png',
    dotsPerInch?: number,
  ): Bare => {
    const [width, height] = longerTo(subject, longerPx);
    const place: Placing | undefined =
      as === 'jpeg' ? { widthPx: width, heightPx: height, within: 'box', share: 0.9, ground: 'ground' } : undefined;
    return { name: `${stem}${end}`, part, about, widthPx: width, heightPx: height, making: { as, place, dotsPerInch } };
  };
  const placed = (part: string, end: string, about: string, place: Placing, mono?: boolean): Bare => ({
    name: `${stem}${end}`,
    part,
    about,
    widthPx: place.widthPx,
    heightPx: place.heightPx,
    making: { as: 'png', place, ...(mono ? { mono } : {}) },
  });
  const square = (
    sidePx: number,
    share: number,
    ground: Placing['ground'],
    within: Placing['within'] = 'circle',
  ): Placing =>
    subject.isOpaque && ground === 'ground'
      ? { widthPx: sidePx, heightPx: sidePx, within: 'cover', share: 1, ground }
      : { widthPx: sidePx, heightPx: sidePx, within, share, ground };
  switch (purpose) {
    case 'print': {
      const { longerMm, bleedMm } = sets.print;
      const bleed = bleedMm ? { bleedMm } : {};
      return [
        vector('svg', '.svg', 'layered vector artwork with named groups', { as: 'svg', small: false }),
        vector('rgb', '-rgb.pdf', 'vector, RGB, for screens, offices and digital presses', { as: 'pdf', colours: 'rgb', longerMm, ...bleed }),
        vector('cmyk', '-cmyk.pdf', 'vector, CMYK, for four-colour printing', { as: 'pdf', colours: 'cmyk', longerMm, ...bleed }),
        ...(look.kind === 'own' || look.kind === 'colourway'
          ? [vector('plates', '-plates.pdf', 'vector, one plate for each ink, for spot inks and screen printing', { as: 'pdf', colours: 'plates', longerMm, ...bleed })]
          : []),
        vector('eps', '.eps', 'vector, PostScript level 3, RGB, for older programs', { as: 'eps', longerMm }),
      ]; // prettier-ignore
    }
    case 'web': {
      const { basePx, times } = sets.web;
      const { icoPx, touchPx, manifestPx, maskablePx } = sets.favicon;
      const largest = Math.max(...icoPx);
      const favicon = 'favicon';
      return [
        vector('svg', '.svg', 'the smallest file that looks the same', { as: 'svg', small: true }),
        ...times.map((n) => whole('png', `-${n}x.png`, `transparent, for screens of ${n} times`, basePx * n)),
        text('inline', '-inline.txt', 'the small SVG as a data address, for style sheets', 'data'),
        ...(isIcon && look.kind === 'own'
          ? [
              { name: `${stem}-icon.ico`, part: favicon, about: `favicon with ${icoPx.join(', ')} px`, widthPx: largest, heightPx: largest, making: { as: 'ico', sidesPx: icoPx } as Making },
              vector(favicon, '-icon.svg', 'favicon as SVG', { as: 'svg', small: true }),
              placed(favicon, `-icon-${touchPx}.png`, 'for home screens, opaque', square(touchPx, ICON_SHARE, 'ground', 'box')),
              ...manifestPx.map((px) => placed(favicon, `-icon-${px}.png`, `icon of the web manifest, ${px} px`, square(px, 0.96, 'none', 'box'))),
              ...maskablePx.map((px) => placed(favicon, `-icon-maskable-${px}.png`, `may be cut to any shape: all within the safe circle`, square(px, MASKABLE_SAFE * 0.98, 'ground'))),
              text(favicon, '.webmanifest', 'web manifest that names the icons', 'manifest'),
              text(favicon, '-head.html', 'lines for the head of every page', 'html'),
            ]
          : []),
      ]; // prettier-ignore
    }
    case 'shops': {
      const { storePx, iconPx, layerPx } = sets.shops;
      const layer = (px: number): Placing => ({ ...square(px, LAYER_SAFE, 'none'), within: 'circle' });
      return [
        ...[...storePx, ...iconPx].map((px) => placed('icons', `-icon-${px}.png`, `app icon, ${px} px, opaque, full bleed`, square(px, ICON_SHARE, 'ground', 'box'))),
        ...layerPx.flatMap((px) => [
          placed('layers', `-foreground-${px}.png`, `layer of an adaptive icon, ${px} px, within the safe circle`, layer(px)),
          { name: `${stem}-background-${px}.png`, part: 'layers', about: `the layer below it, ${px} px`, widthPx: px, heightPx: px, making: { as: 'ground', sidePx: px } as Making },
        ]),
        ...layerPx.slice(0, 1).map((px) => placed('monochrome', `-monochrome-${px}.png`, 'layer of one colour, for themed icons', layer(px), true)),
      ]; // prettier-ignore
    }
    case 'social': {
      const { avatarPx, covers } = sets.social;
      return [
        ...avatarPx.map((px) => placed('avatars', `-avatar-${px}.png`, `${px} px, safe under a round crop`, square(px, AVATAR_SAFE, 'ground'))),
        ...covers.map((c) => placed('covers', `-${c.name}-${c.widthPx}x${c.heightPx}.png`, `${c.widthPx} x ${c.heightPx} px`, { widthPx: c.widthPx, heightPx: c.heightPx, within: 'box', share: 0.56, ground: 'ground' })),
      ]; // prettier-ignore
    }
    case 'stickers': {
      const { longerMm, cutMm } = sets.stickers;
      return longerMm.flatMap((mm) => [
        vector('pdf', `-sticker-${mm}mm.pdf`, `${mm} mm, CMYK, cut line ${cutMm} mm outside on a plate of its own`, { as: 'pdf', colours: 'cmyk', longerMm: mm, cutMm }),
        vector('svg', `-sticker-${mm}mm.svg`, `${mm} mm, with the cut line as a layer`, { as: 'cut-svg', longerMm: mm, cutMm }),
      ]); // prettier-ignore
    }
    case 'large':
      return sets.large.map(({ name, longerMm }) => vector('pdf', `-${name}-${longerMm / 1000}m.pdf`, `vector, CMYK, ${longerMm / 1000} m on its longer side`, { as: 'pdf', colours: 'cmyk', longerMm })); // prettier-ignore
    case 'office': {
      const { letterheadMm, dotsPerInch, picturePx } = sets.office;
      return [
        whole('letterhead', '-letterhead.png', `${letterheadMm} mm wide at ${dotsPerInch} dots an inch, transparent`, Math.round((letterheadMm / 25.4) * dotsPerInch), 'png', dotsPerInch),
        whole('png', '.png', `transparent, ${picturePx} px`, picturePx),
        whole('jpeg', '.jpg', `on its ground, ${picturePx} px, for programs that know no transparency`, picturePx, 'jpeg'),
      ]; // prettier-ignore
    }
    case 'developers':
      return [
        text('tokens', '-inks.json', 'the inks as design tokens (W3C format)', 'inks'),
        text('css', '-inks.css', 'the inks as CSS variables', 'css'),
        text('work', '-work.json', 'the whole work, to be read back', 'work'),
      ];
    case 'motion': {
      const { picturePx, kinds } = sets.motion;
      const [width, height] = longerTo(subject, picturePx);
      const picture = (part: string, end: string, about: string, making: Making): Bare => ({ name: `${stem}${end}`, part, about, widthPx: width, heightPx: height, making }); // prettier-ignore
      return subject.motions
        .filter((kind) => kinds.includes(kind))
        .flatMap((kind) => [
          vector('svg', `-${kind}.svg`, `${MOTION_WORDS[kind]}: SVG, still for those who asked for less motion`, { as: 'motion-svg', kind }),
          vector('json', `-${kind}.json`, 'the same as JSON of the open animation format', { as: 'motion-json', kind }),
          picture('apng', `-${kind}.png`, `the same as animated PNG, ${picturePx} px`, { as: 'motion-picture', kind }),
          picture('poster', `-${kind}-poster.png`, 'what stands there before it plays', { as: 'motion-poster', kind }),
        ]); // prettier-ignore
    }
    case 'sheet':
      return [];
  }
}

/** The look's own part of a file's name; none for a work's own inks. */
const lookWords = (look: Look): string => (look.kind === 'own' ? '' : cut(plainWords(look.name), 40) || 'colourway');

/** What names of files begin with for each row: those of several looks or subjects that would be one are numbered, so that what comes later does not change what came before. */
export function rowStems(rows: readonly Pick<Wanted, 'subject' | 'look'>[]): string[] {
  const taken = new Set<string>();
  return rows.map(({ subject, look }) => {
    const words = lookWords(look);
    const base = words ? fileStem(`${cut(subject.stem, 58 - words.length)}-${words}`) : subject.stem;
    let stem = base;
    for (let n = 2; taken.has(stem); n++) stem = `${base}-${n}`;
    taken.add(stem);
    return stem;
  });
}

/** All files of a package, in the order of what they are for. */
export function planPackage(wanted: readonly Wanted[], sets: PackageSets = SETS): PlannedFile[] {
  const stems = rowStems(wanted);
  const isLeftOut = new Set(sets.leftOut);
  const out: PlannedFile[] = [];
  for (const purpose of FORS)
    for (const [k, { subject, look, for: fors, stem = stems[k] }] of wanted.entries()) {
      if (!fors.includes(purpose)) continue;
      const names = new Set<string>();
      for (const file of filesFor(purpose, subject, look, stem, sets))
        // Sizes that are given twice are one file.
        if (!isLeftOut.has(`${purpose}/${file.part}`) && names.size < names.add(file.name).size)
          out.push({ ...file, stem, name: `${purpose}/${file.name}`, for: purpose, subject: subject.key, look });
    }
  // One sheet tells of all.
  const first = wanted.find((w) => w.for.includes('sheet'));
  if (first) {
    const { subject, look } = first;
    out.push({ stem: subject.stem, name: `sheet/${subject.stem}-brand-sheet.pdf`, for: 'sheet', part: 'pdf', about: 'the mark and how to use it', subject: subject.key, look, making: { as: 'sheet' }, widthPx: null, heightPx: null }); // prettier-ignore
  }
  return out;
}

/** What a package's README says: of what it was made, each folder, and each file with what it is. */
export function readmeLines(
  title: string,
  date: string,
  files: readonly Pick<PlannedFile, 'name' | 'for' | 'about'>[],
  made: readonly string[] = [],
): string[] {
  const out = [title, `Delivered ${date}`, ...(made.length ? ['', ...made] : [])];
  for (const purpose of FORS) {
    const own = files.filter((f) => f.for === purpose);
    if (!own.length) continue;
    const width = Math.min(64, Math.max(...own.map((f) => f.name.length)));
    out.push('', `For ${FOR_WORDS[purpose]}`, ...own.map((f) => `  ${f.name.padEnd(width)}  ${f.about}`));
  }
  return [...out, '', 'All formats are open: nothing here needs a program of its own.'];
}
