/** What a full package has: for each subject, in each of its looks, the files of what it is for. Planning makes nothing. */
import { MOTION_WORDS, type MotionKind } from '../motion';
import { cut, fileStem, plainWords } from './package';
import type { Placement } from './placing';
import sizes from './sizes.json';

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

type Bare = Pick<PlannedFile, 'name' | 'about' | 'making' | 'widthPx' | 'heightPx'>;

/** Files of one look for one purpose; `stem` is what their names begin with. */
function filesFor(purpose: For, subject: Subject, look: Look, stem: string): Bare[] {
  const isIcon = subject.kind === 'mark';
  const vector = (name: string, about: string, making: Making): Bare => ({
    name,
    about,
    making,
    widthPx: subject.widthPx,
    heightPx: subject.heightPx,
  });
  const text = (name: string, about: string, what: Extract<Making, { as: 'text' }>['what']): Bare => ({
    name,
    about,
    making: { as: 'text', what },
    widthPx: null,
    heightPx: null,
  });
  const whole = (
    name: string,
    about: string,
    longerPx: number,
    as: 'png' | 'jpeg' = 'png',
    dotsPerInch?: number,
  ): Bare => {
    const [widthPx, heightPx] = longerTo(subject, longerPx);
    const place: Placing | undefined =
      as === 'jpeg' ? { widthPx, heightPx, within: 'box', share: 0.9, ground: 'ground' } : undefined;
    return { name, about, widthPx, heightPx, making: { as, place, dotsPerInch } };
  };
  const placed = (name: string, about: string, place: Placing): Bare => ({
    name,
    about,
    widthPx: place.widthPx,
    heightPx: place.heightPx,
    making: { as: 'png', place },
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
      const { longerMm } = sizes.print;
      return [
        vector(`${stem}.svg`, 'layered vector artwork with named groups', { as: 'svg', small: false }),
        vector(`${stem}-rgb.pdf`, 'vector, RGB, for screens, offices and digital presses', { as: 'pdf', colours: 'rgb', longerMm }),
        vector(`${stem}-cmyk.pdf`, 'vector, CMYK, for four-colour printing', { as: 'pdf', colours: 'cmyk', longerMm }),
        ...(look.kind === 'own' || look.kind === 'colourway'
          ? [vector(`${stem}-plates.pdf`, 'vector, one plate for each ink, for spot inks and screen printing', { as: 'pdf', colours: 'plates', longerMm })]
          : []),
        vector(`${stem}.eps`, 'vector, PostScript level 3, RGB, for older programs', { as: 'eps', longerMm }),
      ]; // prettier-ignore
    }
    case 'web': {
      const { basePx, times } = sizes.web;
      const { icoPx, touchPx, manifestPx, maskablePx } = sizes.favicon;
      return [
        vector(`${stem}.svg`, 'the smallest file that looks the same', { as: 'svg', small: true }),
        ...times.map((n) => whole(`${stem}-${n}x.png`, `transparent, for screens of ${n} times`, basePx * n)),
        text(`${stem}-inline.txt`, 'the small SVG as a data address, for style sheets', 'data'),
        ...(isIcon && look.kind === 'own'
          ? [
              { name: `${stem}-icon.ico`, about: `favicon with ${icoPx.join(', ')} px`, widthPx: icoPx[icoPx.length - 1], heightPx: icoPx[icoPx.length - 1], making: { as: 'ico', sidesPx: icoPx } as Making },
              vector(`${stem}-icon.svg`, 'favicon as SVG', { as: 'svg', small: true }),
              placed(`${stem}-icon-${touchPx}.png`, 'for home screens, opaque', square(touchPx, ICON_SHARE, 'ground', 'box')),
              ...manifestPx.map((px) => placed(`${stem}-icon-${px}.png`, `icon of the web manifest, ${px} px`, square(px, 0.96, 'none', 'box'))),
              ...maskablePx.map((px) => placed(`${stem}-icon-maskable-${px}.png`, `may be cut to any shape: all within the safe circle`, square(px, MASKABLE_SAFE * 0.98, 'ground'))),
              text(`${stem}.webmanifest`, 'web manifest that names the icons', 'manifest'),
              text(`${stem}-head.html`, 'lines for the head of every page', 'html'),
            ]
          : []),
      ]; // prettier-ignore
    }
    case 'shops': {
      const { storePx, iconPx, layerPx } = sizes.shops;
      return [
        ...[...storePx, ...iconPx].map((px) => placed(`${stem}-icon-${px}.png`, `app icon, ${px} px, opaque, full bleed`, square(px, ICON_SHARE, 'ground', 'box'))),
        ...layerPx.flatMap((px) => [
          placed(`${stem}-foreground-${px}.png`, `layer of an adaptive icon, ${px} px, within the safe circle`, { ...square(px, LAYER_SAFE, 'none'), within: 'circle' }),
          { name: `${stem}-background-${px}.png`, about: `the layer below it, ${px} px`, widthPx: px, heightPx: px, making: { as: 'ground', sidePx: px } as Making },
        ]),
        { ...placed(`${stem}-monochrome-${layerPx[0]}.png`, 'layer of one colour, for themed icons', { widthPx: layerPx[0], heightPx: layerPx[0], within: 'circle', share: LAYER_SAFE, ground: 'none' }), making: { as: 'png', mono: true, place: { widthPx: layerPx[0], heightPx: layerPx[0], within: 'circle', share: LAYER_SAFE, ground: 'none' } } as Making },
      ]; // prettier-ignore
    }
    case 'social': {
      const { avatarPx, covers } = sizes.social;
      return [
        ...avatarPx.map((px) => placed(`${stem}-avatar-${px}.png`, `${px} px, safe under a round crop`, square(px, AVATAR_SAFE, 'ground'))),
        ...covers.map(({ name, widthPx, heightPx }) => placed(`${stem}-${name}-${widthPx}x${heightPx}.png`, `${widthPx} x ${heightPx} px`, { widthPx, heightPx, within: 'box', share: 0.56, ground: 'ground' })),
      ]; // prettier-ignore
    }
    case 'stickers': {
      const { longerMm, cutMm } = sizes.stickers;
      return longerMm.flatMap((mm) => [
        vector(`${stem}-sticker-${mm}mm.pdf`, `${mm} mm, CMYK, cut line ${cutMm} mm outside on a plate of its own`, { as: 'pdf', colours: 'cmyk', longerMm: mm, cutMm }),
        vector(`${stem}-sticker-${mm}mm.svg`, `${mm} mm, with the cut line as a layer`, { as: 'cut-svg', longerMm: mm, cutMm }),
      ]); // prettier-ignore
    }
    case 'large':
      return sizes.large.map(({ name, longerMm }) =>
        vector(`${stem}-${name}-${longerMm / 1000}m.pdf`, `vector, CMYK, ${longerMm / 1000} m on its longer side`, {
          as: 'pdf',
          colours: 'cmyk',
          longerMm,
        }),
      );
    case 'office': {
      const { letterheadMm, dotsPerInch, picturePx } = sizes.office;
      return [
        whole(`${stem}-letterhead.png`, `${letterheadMm} mm wide at ${dotsPerInch} dots an inch, transparent`, Math.round((letterheadMm / 25.4) * dotsPerInch), 'png', dotsPerInch),
        whole(`${stem}.png`, `transparent, ${picturePx} px`, picturePx),
        whole(`${stem}.jpg`, `on its ground, ${picturePx} px, for programs that know no transparency`, picturePx, 'jpeg'),
      ]; // prettier-ignore
    }
    case 'developers':
      return [
        text(`${stem}-inks.json`, 'the inks as design tokens (W3C format)', 'inks'),
        text(`${stem}-inks.css`, 'the inks as CSS variables', 'css'),
        text(`${stem}-work.json`, 'the whole work, to be read back', 'work'),
      ];
    case 'motion': {
      const { picturePx } = sizes.motion;
      const [widthPx, heightPx] = longerTo(subject, picturePx);
      return subject.motions.flatMap((kind) => [
        vector(`${stem}-${kind}.svg`, `${MOTION_WORDS[kind]}: SVG, still for those who asked for less motion`, { as: 'motion-svg', kind }),
        vector(`${stem}-${kind}.json`, 'the same as JSON of the open animation format', { as: 'motion-json', kind }),
        { name: `${stem}-${kind}.png`, about: `the same as animated PNG, ${picturePx} px`, widthPx, heightPx, making: { as: 'motion-picture', kind } as Making },
        { name: `${stem}-${kind}-poster.png`, about: 'what stands there before it plays', widthPx, heightPx, making: { as: 'motion-poster', kind } as Making },
      ]); // prettier-ignore
    }
    case 'sheet':
      return [];
  }
}

/** The look's own part of a file's name; none for a work's own inks. */
const lookWords = (look: Look): string => (look.kind === 'own' ? '' : cut(plainWords(look.name), 40) || 'colourway');

/** All files of a package, in the order of what they are for; those that would have one name are numbered. */
export function planPackage(wanted: readonly Wanted[]): PlannedFile[] {
  const taken = new Set<string>();
  const out: PlannedFile[] = [];
  for (const purpose of FORS)
    for (const { subject, look, for: fors } of wanted) {
      if (!fors.includes(purpose)) continue;
      const words = lookWords(look);
      const base = words ? fileStem(`${cut(subject.stem, 58 - words.length)}-${words}`) : subject.stem;
      let stem = base;
      for (let n = 2; taken.has(`${purpose}/${stem}`); n++) stem = `${base}-${n}`;
      taken.add(`${purpose}/${stem}`);
      for (const file of filesFor(purpose, subject, look, stem))
        out.push({ ...file, stem, name: `${purpose}/${file.name}`, for: purpose, subject: subject.key, look });
    }
  // One sheet tells of all.
  const first = wanted.find((w) => w.for.includes('sheet'));
  if (first) {
    const { subject, look } = first;
    out.push({ stem: subject.stem, name: `sheet/${subject.stem}-brand-sheet.pdf`, for: 'sheet', about: 'the mark and how to use it, eleven pages', subject: subject.key, look, making: { as: 'sheet' }, widthPx: null, heightPx: null }); // prettier-ignore
  }
  return out;
}

/** What a package's README says: each folder, and each file with what it is. */
export function readmeLines(title: string, date: string, files: readonly PlannedFile[]): string[] {
  const out = [title, `Delivered ${date}`];
  for (const purpose of FORS) {
    const own = files.filter((f) => f.for === purpose);
    if (!own.length) continue;
    const width = Math.min(64, Math.max(...own.map((f) => f.name.length)));
    out.push('', `For ${FOR_WORDS[purpose]}`, ...own.map((f) => `  ${f.name.padEnd(width)}  ${f.about}`));
  }
  return [...out, '', 'All formats are open: nothing here needs a program of its own.'];
}
