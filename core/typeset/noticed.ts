/** What is worth a look in a lockup, each with a figure and, where there is one, the edits that put it right. */
import { markLook, pairOf, spaceBetween, stemAt } from '../lettering';
import { marksOf, partOf, textsOf, tidied, type DrawnLockup, type DrawnPart, type Lockup, type LockupEdit, type LockupLine, type TextPart } from '../lockup'; // prettier-ignore
import type { Artwork } from '../vector';
import { textSetting, type FamilyOf } from './text';

/** The largest of the small sizes at which proofs show a lockup; and the height, in px, under which letters are no more read. */
const LARGEST_PX = 64;
const READABLE_PX = 4.5;
/** What a text is set in whose own face is gone. */
const PLAIN = { family: 'jost', name: 'Jost' } as const;
/** Stems further from the mark's strokes than this, as a factor, are told. */
const WEIGHT_OFF = 1.6;
/** Space between letters that is further from even than this, as a share of the mean, is told. */
const UNEVEN = 0.3;

const count = (n: number, word: string): string => `${n} ${word}${n === 1 ? '' : 's'}`;

/** Texts whose letters fall under a readable size where the whole lockup is shown as small as a proof is. */
function readability(lockup: Lockup, drawn: DrawnLockup): LockupLine[] {
  const { widthPx, heightPx } = drawn.artwork;
  const side = Math.max(widthPx, heightPx) - 2 * drawn.clearPx;
  const small = textsOf(lockup).flatMap((part) => {
    const own = drawn.parts.find((p) => p.id === part.id)?.text;
    if (!own || part.hidden) return [];
    const share = (part.letters === 'typed' ? own.xHeightPx : own.capHeightPx) / side;
    return share * LARGEST_PX < READABLE_PX ? [{ part, share, from: Math.ceil(READABLE_PX / share) }] : [];
  });
  if (!small.length) return [];
  const called = (t: TextPart): string => (t.role === 'name' ? 'the name' : `“${shortened(t.text)}”`);
  const sizes = small.map(({ part, share }) => `${called(part)} ${(share * LARGEST_PX).toFixed(1)} px`);
  const reads = small.map(({ from }) => from);
  return [
    {
      key: 'small',
      partId: small[0].part.id,
      told: `At ${LARGEST_PX} px letters are too small to read: ${sizes.join(', ')}; ${reads.length > 1 ? 'they read' : 'it reads'} from ${reads.join(' and ')} px on`,
      fix: null,
      isGrave: false,
    },
  ];
}

const shortened = (text: string): string => {
  const own = text.replaceAll('\n', ' ');
  return own.length > 20 ? `${own.slice(0, 18).trimEnd()}…` : own;
};

/** How far stems and the mark's strokes differ, and the weight of the face that comes nearest. */
function weights(
  lockup: Lockup,
  drawn: DrawnLockup,
  familyOf: FamilyOf,
  artworks: Readonly<Record<string, Artwork>>,
): LockupLine[] {
  const [mark] = marksOf(lockup).filter((m) => !m.hidden);
  const name = nameText(lockup, drawn);
  const artwork = mark && artworks[mark.stepId];
  const look = artwork ? markLook(artwork) : null;
  const placed = mark && drawn.parts.find((p) => p.id === mark.id);
  if (!look || !name || !placed || !name.own.text!.stemPx) return [];
  const strokePx = look.weight * placed.box.height;
  const ratio = name.own.text!.stemPx / strokePx;
  const off = Math.max(ratio, 1 / ratio);
  const told = `Stems are ${ratio.toFixed(2)} of the mark’s strokes`;
  if (off < WEIGHT_OFF) return [{ key: 'weight', partId: name.part.id, told, fix: null, isGrave: false }];
  // The nearest of the weights that there are, by what stems become.
  const own = [100, 200, 300, 400, 500, 600, 700, 800, 900].flatMap((weight) => {
    const setting = familyOf({ ...name.part.face, weight }, name.part.text) && textSetting({ ...name.part, face: { ...name.part.face, weight } }, { kind: 'line' }, familyOf); // prettier-ignore
    const stem = setting ? stemAt(setting.glyphs) : 0;
    return stem > 0 ? [{ weight, off: Math.abs(Math.log(stem / strokePx)) }] : [];
  });
  const best = own.length ? own.reduce((p, q) => (q.off < p.off ? q : p)) : null;
  const isBetter = best && best.weight !== name.part.face.weight && best.off < Math.log(off) * 0.8;
  return [
    {
      key: 'weight',
      partId: name.part.id,
      told,
      fix: isBetter ? { label: `weight ${best.weight}`, edits: [{ kind: 'change-part', id: name.part.id, set: { face: { ...name.part.face, weight: best.weight } } }] } : null, // prettier-ignore
      isGrave: false,
    },
  ];
}

function nameText(lockup: Lockup, drawn: DrawnLockup): { part: TextPart; own: DrawnPart } | null {
  const found = textsOf(lockup)
    .filter((t) => t.role === 'name' && !t.hidden)
    .flatMap((part) => {
      const own = drawn.parts.find((p) => p.id === part.id);
      return own?.text ? [{ part, own }] : [];
    });
  return found[0] ?? null;
}

/** Pairs of a text whose space is furthest from the mean of all its pairs. */
function kerning(lockup: Lockup, familyOf: FamilyOf): LockupLine[] {
  return textsOf(lockup).flatMap((t): LockupLine[] => {
    if (t.kerning === 'optical' || t.hidden || Object.keys(t.byHand ?? {}).length) return [];
    const family = familyOf(t.face, t.text);
    if (!family) return [];
    const shown = t.letters === 'capitals' ? t.text.toUpperCase() : t.text;
    const spaces = [...shown].flatMap((c, k, all) => {
      const pair = c + (all[k + 1] ?? '');
      if (!/^[\p{L}\p{N}]{2}$/u.test(pair)) return [];
      const own = pairOf(family.main, pair);
      const found = own && spaceBetween(family.main, own);
      return found ? [{ pair, space: found.space }] : [];
    });
    if (spaces.length < 3) return [];
    const mean = spaces.reduce((s, x) => s + x.space, 0) / spaces.length;
    const worst = spaces.reduce((p, q) => (Math.abs(q.space - mean) > Math.abs(p.space - mean) ? q : p));
    const off = worst.space / mean - 1;
    if (Math.abs(off) < UNEVEN || t.role !== 'name') return [];
    return [
      {
        key: `kerning ${t.id}`,
        partId: t.id,
        told: `“${worst.pair}” stands ${Math.round(Math.abs(off) * 100)}% ${off > 0 ? 'wider' : 'closer'} than the rest`,
        fix: { label: 'kern optically', edits: [{ kind: 'change-part', id: t.id, set: { kerning: 'optical' } }] },
        isGrave: false,
      },
    ];
  });
}

/** Straight quotes and the like. */
function untidy(lockup: Lockup): LockupLine[] {
  return textsOf(lockup).flatMap((t): LockupLine[] => {
    const tidy = tidied(t.text);
    if (tidy === t.text) return [];
    const quotes = [...t.text].filter((c) => c === "'" || c === '"').length;
    return [
      {
        key: `tidy ${t.id}`,
        partId: t.id,
        told: quotes ? `${count(quotes, 'straight quote')} in “${shortened(t.text)}”` : `Spaces or dashes as typed in haste in “${shortened(t.text)}”`, // prettier-ignore
        fix: { label: 'put right', edits: [{ kind: 'change-part', id: t.id, set: { text: tidy } }] },
        isGrave: false,
      },
    ];
  });
}

/** What could not be drawn as it is meant. */
function faults(lockup: Lockup, drawn: DrawnLockup): LockupLine[] {
  return drawn.faults.map(({ partId, kind, message }): LockupLine => {
    const part = partOf(lockup, partId);
    const needs = /radius of (\d+) px or more/.exec(message)?.[1];
    if (kind === 'face' && part?.kind === 'text')
      return {
        key: `face ${partId}`,
        partId,
        told: `${message.charAt(0).toUpperCase()}${message.slice(1)}: “${shortened(part.text)}” is kept, and not drawn`,
        fix: { label: `set it in ${PLAIN.name}`, edits: [{ kind: 'change-part', id: partId, set: { face: { family: PLAIN.family, weight: part.face.weight } } }] }, // prettier-ignore
        isGrave: true,
      };
    const edits: LockupEdit[] = needs && part?.kind === 'text' && part.follows?.kind === 'arc' ? [{ kind: 'change-part', id: partId, set: { follows: { ...part.follows, radiusPx: Number(needs) } } }] : []; // prettier-ignore
    return {
      key: `${kind} ${partId} ${message}`,
      partId,
      told: message.charAt(0).toUpperCase() + message.slice(1),
      fix: edits.length ? { label: `make it ${needs} px`, edits } : null,
      isGrave: true,
    };
  });
}

/** Characters that a text's face has not. */
function letters(lockup: Lockup, familyOf: FamilyOf): LockupLine[] {
  return textsOf(lockup).flatMap((t): LockupLine[] => {
    const missing = familyOf(t.face, t.text)?.missing(t.text) ?? [];
    return missing.length
      ? [{ key: `letters ${t.id}`, partId: t.id, told: `This face has no ${missing.slice(0, 6).map((c) => `“${c}”`).join(', ')}`, fix: null, isGrave: true, missing: missing.join('') }] // prettier-ignore
      : [];
  });
}

/** All that is worth a look, what is grave first. */
export function lockupLines(
  lockup: Lockup,
  drawn: DrawnLockup,
  familyOf: FamilyOf,
  artworks: Readonly<Record<string, Artwork>>,
): LockupLine[] {
  const all = [
    ...faults(lockup, drawn),
    ...letters(lockup, familyOf),
    ...untidy(lockup),
    ...kerning(lockup, familyOf),
    ...weights(lockup, drawn, familyOf, artworks),
    ...readability(lockup, drawn),
  ];
  return [...all.filter((l) => l.isGrave), ...all.filter((l) => !l.isGrave)];
}
