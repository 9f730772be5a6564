/** What one does to a lockup, one small kind each: how it is written, what it makes of it, and how the history tells it. */
import * as v from 'valibot';
import { applyEdit, describeEdit, EditError, EditSchema, id, inkSchema, nameOf, type Edit } from '../vector';
import { lockupFault, nameOfLockup, paletteOf, partOf, textsOf, withPalette, withText } from './lockup';
import { LockupSchema, PartSchema, type Lockup, type LockupPart, type TextPart } from './schema';

/** The edit does not fit the lockup; the message says why. */
export class LockupError extends Error {
  override readonly name = 'LockupError';
}

const partId = v.pipe(id, v.maxLength(24));
const place = v.pipe(v.number(), v.minValue(-1e5), v.maxValue(1e5));

/** Edits of inks and colourways, which are those of artworks. */
const PALETTE: ReadonlySet<Edit['kind']> = new Set(['ink-colour', 'ink-name', 'plain-ink', 'gradient-stop', 'add-colourway', 'remove-colourway', 'colourway-name', 'colourway-inks', 'make-master', 'one-colour']); // prettier-ignore

export const LockupEditSchema = v.variant('kind', [
  /** One more part, on top or at a place of the stack. */
  v.object({ kind: v.literal('add-part'), part: PartSchema, to: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0))) }), // prettier-ignore
  /** Fields of a part; null takes one that it need not have away. */
  v.object({ kind: v.literal('change-part'), id: partId, set: v.record(v.string(), v.unknown()) }),
  v.object({ kind: v.literal('remove-parts'), ids: v.pipe(v.array(partId), v.minLength(1), v.maxLength(60)) }),
  v.object({ kind: v.literal('order-part'), id: partId, to: v.pipe(v.number(), v.integer(), v.minValue(0)) }),
  /** Parts moved, and made larger or smaller about a place. */
  v.object({
    kind: v.literal('move-parts'),
    ids: v.pipe(v.array(partId), v.minLength(1), v.maxLength(60)),
    dx: place,
    dy: place,
    scale: v.optional(v.object({ by: v.pipe(v.number(), v.gtValue(0), v.maxValue(1000)), x: place, y: place })),
  }),
  /** All parts anew, by a layout. */
  v.object({ kind: v.literal('lay-out'), layout: nameOf(60), parts: LockupSchema.entries.parts }),
  /** A mark as it is at another step, with its inks as they are there. */
  v.object({
    kind: v.literal('mark-step'),
    id: partId,
    stepId: v.pipe(v.string(), v.uuid()),
    inks: v.pipe(v.array(inkSchema), v.maxLength(4096)),
  }),
  v.object({ kind: v.literal('own-ink'), ink: inkSchema }),
  v.object({ kind: v.literal('clear-space'), clear: LockupSchema.entries.clear }),
  v.object({ kind: v.literal('palette'), edit: EditSchema }),
]);
export type LockupEdit = v.InferOutput<typeof LockupEditSchema>;

function must(condition: unknown, message: string): asserts condition {
  if (!condition) throw new LockupError(message);
}

function partFrom(lockup: Lockup, partIdOf: string): LockupPart {
  const part = partOf(lockup, partIdOf);
  must(part, 'the lockup has no such part any more');
  return part;
}

const replaced = (lockup: Lockup, after: LockupPart): Lockup => ({
  ...lockup,
  parts: lockup.parts.map((p) => (p.id === after.id ? after : p)),
});

function changed(lockup: Lockup, part: LockupPart, set: Readonly<Record<string, unknown>>): Lockup {
  const own: Record<string, unknown> = { ...part };
  must(!('id' in set) && !('kind' in set), 'a part stays what it is');
  for (const [field, value] of Object.entries(set))
    if (value === null && field !== 'fillInkId') delete own[field];
    else own[field] = value;
  if (part.kind === 'text' && typeof set.text === 'string')
    for (const field of ['byHand', 'instead'] as const) {
      if (!part[field] || field in set) continue;
      const kept = withText<unknown>(part[field], part.text, set.text);
      if (Object.keys(kept).length) own[field] = kept;
      else delete own[field];
    }
  const read = v.safeParse(PartSchema, own);
  must(read.success, read.success ? '' : `${v.getDotPath(read.issues[0]) ?? 'a part'}: ${read.issues[0].message}`);
  return replaced(lockup, read.output);
}

/** The parts without some, and without what named them. */
function without(parts: readonly LockupPart[], ids: ReadonlySet<string>): LockupPart[] {
  const gone = new Set(ids);
  let rest = parts.filter((p) => !gone.has(p.id));
  // A frame that goes round nothing any more goes too, and what stood on it.
  for (const frame of rest) if (frame.kind === 'frame' && frame.around.every((a) => gone.has(a))) gone.add(frame.id);
  rest = rest.filter((p) => !gone.has(p.id));
  return rest.map((part): LockupPart => {
    if (part.kind === 'frame') return { ...part, around: part.around.filter((a) => !gone.has(a)) };
    if (part.kind !== 'text') return part;
    const out = { ...part };
    if (typeof out.fit?.to === 'string' && gone.has(out.fit.to)) delete out.fit;
    if (out.behind && gone.has(out.behind.markId)) delete out.behind;
    const { follows } = out;
    if ((follows?.kind === 'frame' && gone.has(follows.frameId)) || (follows?.kind === 'path' && gone.has(follows.markId))) delete out.follows; // prettier-ignore
    if (out.instead) {
      const kept = Object.entries(out.instead).filter(([, i]) => i.kind !== 'mark' || !gone.has(i.markId));
      if (kept.length) out.instead = Object.fromEntries(kept);
      else delete out.instead;
    }
    return out;
  });
}

/** A part with its lengths times a factor about a place, and moved. */
export function movedPart(
  part: LockupPart,
  dx: number,
  dy: number,
  { by, x, y }: { by: number; x: number; y: number } = { by: 1, x: 0, y: 0 },
): LockupPart {
  if (part.kind === 'frame')
    return by === 1 ? part : { ...part, gapPx: part.gapPx * by, bandPx: part.bandPx * by, linePx: part.linePx * by };
  const at = { x: x + by * (part.x - x) + dx, y: y + by * (part.y - y) + dy };
  if (part.kind === 'mark') return { ...part, ...at, scale: part.scale * by };
  if (by === 1) return { ...part, ...at };
  const { follows, dress } = part;
  return {
    ...part,
    ...at,
    sizePx: part.sizePx * by,
    ...(follows?.kind === 'arc' ? { follows: { ...follows, radiusPx: follows.radiusPx * by } } : {}),
    ...(dress ? { dress: scaledDress(dress, by) } : {}),
    ...(typeof part.fit?.to === 'number' ? { fit: { ...part.fit, to: part.fit.to * by } } : {}),
  };
}

function scaledDress({ outline, inline, shadow }: NonNullable<TextPart['dress']>, by: number): TextPart['dress'] {
  return {
    ...(outline ? { outline: { ...outline, widthPx: outline.widthPx * by, gapPx: outline.gapPx * by } } : {}),
    ...(inline ? { inline: { ...inline, widthPx: inline.widthPx * by, insetPx: inline.insetPx * by } } : {}),
    ...(shadow ? { shadow: { ...shadow, dxPx: shadow.dxPx * by, dyPx: shadow.dyPx * by, blurPx: shadow.blurPx * by } } : {}), // prettier-ignore
  };
}

function applied(lockup: Lockup, edit: LockupEdit): Lockup {
  switch (edit.kind) {
    case 'add-part': {
      must(!partOf(lockup, edit.part.id), 'the lockup has a part of that id already');
      must(lockup.parts.length < 60, 'a lockup has at most 60 parts');
      const parts = [...lockup.parts];
      parts.splice(Math.min(parts.length, edit.to ?? parts.length), 0, edit.part);
      return { ...lockup, parts };
    }
    case 'change-part':
      return changed(lockup, partFrom(lockup, edit.id), edit.set);
    case 'remove-parts':
      edit.ids.forEach((i) => partFrom(lockup, i));
      return { ...lockup, parts: without(lockup.parts, new Set(edit.ids)) };
    case 'order-part': {
      const part = partFrom(lockup, edit.id);
      const rest = lockup.parts.filter((p) => p !== part);
      rest.splice(Math.min(rest.length, edit.to), 0, part);
      return { ...lockup, parts: rest };
    }
    case 'move-parts': {
      edit.ids.forEach((i) => partFrom(lockup, i));
      const ids = new Set(edit.ids);
      return { ...lockup, parts: lockup.parts.map((p) => (ids.has(p.id) ? movedPart(p, edit.dx, edit.dy, edit.scale) : p)) }; // prettier-ignore
    }
    case 'lay-out':
      return { ...lockup, parts: edit.parts, layout: edit.layout };
    case 'mark-step': {
      const mark = partFrom(lockup, edit.id);
      must(mark.kind === 'mark', 'only a mark has steps');
      const inks = [...lockup.inks];
      for (const ink of edit.inks) {
        const own = { ...ink, id: `${mark.prefix}${ink.id}` };
        const at = inks.findIndex((i) => i.id === own.id);
        if (at < 0) inks.push(own);
        else inks[at] = own;
      }
      return { ...replaced(lockup, { ...mark, stepId: edit.stepId }), inks };
    }
    case 'own-ink':
      must(!lockup.inks.some((i) => i.id === edit.ink.id), 'the lockup has an ink of that id already');
      return { ...lockup, inks: [...lockup.inks, edit.ink] };
    case 'clear-space':
      return { ...lockup, clear: edit.clear };
    case 'palette':
      must(PALETTE.has(edit.edit.kind), 'that is no edit of inks or colourways');
      try {
        return withPalette(lockup, applyEdit(paletteOf(lockup), edit.edit));
      } catch (error) {
        if (error instanceof EditError) throw new LockupError(error.message);
        throw error;
      }
  }
}

/** What a part is called: its own name, what it says, or what it is. */
export function partName(part: LockupPart): string {
  if (part.name) return part.name;
  if (part.kind === 'text') return part.text.trim().replaceAll('\n', ' ').slice(0, 24) || 'empty text';
  return part.kind === 'mark' ? 'mark' : part.shape.replace('-', ' ');
}

/** Fields as the history calls them. */
const FIELDS: Readonly<Record<string, string>> = { text: 'spelling', face: 'face', sizePx: 'size', inkId: 'ink', letters: 'capitals', byHand: 'kerning by hand', follows: 'what it stands on', fit: 'width', x: 'place', y: 'place', instead: 'a letter', linePx: 'line', gapPx: 'gap', bandPx: 'band', lineInkId: 'ink of the line', fillInkId: 'filling', hangs: 'hanging punctuation', turnDeg: 'turn', features: 'alternates' }; // prettier-ignore

function told(lockup: Lockup, edit: LockupEdit): string {
  switch (edit.kind) {
    case 'add-part':
      return `${partName(edit.part)} added`;
    case 'change-part': {
      const part = partFrom(lockup, edit.id);
      const { set } = edit;
      if (typeof set.text === 'string') return `“${set.text.replaceAll('\n', ' ').slice(0, 40)}” typed`;
      if (typeof set.face === 'object' && set.face && 'family' in set.face)
        return `${partName(part)} in ${String(set.face.family).replaceAll('-', ' ')}`;
      const [name, value] = Object.entries(set)[0] ?? ['', ''];
      const shown = typeof value === 'number' ? ` ${Number(value.toFixed(3))}` : typeof value === 'string' && !name.endsWith('Id') ? ` ${value}` : ''; // prettier-ignore
      return `${partName(part)}: ${FIELDS[name] ?? name}${shown}${value === null ? ' taken away' : shown ? '' : ' changed'}`;
    }
    case 'remove-parts':
      return `${edit.ids.map((i) => partName(partFrom(lockup, i))).join(', ')} removed`;
    case 'order-part':
      return `${partName(partFrom(lockup, edit.id))} moved in the stack`;
    case 'move-parts':
      return `${edit.ids.map((i) => partName(partFrom(lockup, i))).join(', ')} ${edit.scale ? 'made larger or smaller' : 'moved'}`; // prettier-ignore
    case 'lay-out':
      return `layout: ${edit.layout}`;
    case 'mark-step':
      return `${partName(partFrom(lockup, edit.id))} as it is now`;
    case 'own-ink':
      return `ink ${edit.ink.name} added`;
    case 'clear-space':
      return `clear space of ${edit.clear} cap heights`;
    case 'palette':
      return describeEdit(paletteOf(lockup), edit.edit);
  }
}

/** The lockup after edits that belong together, and how the history tells them. Throws a LockupError. */
export function editedLockup(lockup: Lockup, edits: readonly LockupEdit[]): { state: Lockup; told: string } {
  const words: string[] = [];
  let after = lockup;
  for (const edit of edits) {
    words.push(told(after, edit));
    after = applied(after, edit);
  }
  const fault = lockupFault(after);
  if (fault) throw new LockupError(fault);
  const [first, ...rest] = [...new Set(words)];
  return { state: after, told: rest.length ? `${first}, and ${rest.length} more` : first };
}

/** The edits that give a lockup another spelling of the client's name, keeping its lines where they fall between words; none where it has that already. */
export function respelled(lockup: Lockup, name: string): LockupEdit[] {
  const before = nameOfLockup(lockup);
  if (before === null || before === name) return [];
  return textsOf(lockup)
    .filter((t) => t.role === 'name' && t.text.replaceAll('\n', ' ') === before)
    .map((t) => {
      const words = name.split(' ');
      const lines = t.text.split('\n').map((l) => l.split(' ').length);
      // The last line takes what is left.
      const own = lines.map((n, k) => words.splice(0, k === lines.length - 1 ? words.length : n).join(' '));
      return { kind: 'change-part', id: t.id, set: { text: own.filter(Boolean).join('\n') } };
    });
}

/** Something noticed in a lockup. */
export interface LockupLine {
  /** What it is about, once for each part. */
  readonly key: string;
  readonly partId: string | null;
  readonly told: string;
  /** What one press does, in words; null where it is for the designer to say. */
  readonly fix: { readonly label: string; readonly edits: readonly LockupEdit[] } | null;
  readonly isGrave: boolean;
  /** Characters that the part's face has not. */
  readonly missing?: string;
}
