import type { Artwork } from '../vector';
import type { Lockup, LockupPart, MarkPart, TextPart } from './schema';

export const partOf = (lockup: Lockup, id: string): LockupPart | undefined => lockup.parts.find((p) => p.id === id);
export const textsOf = (lockup: Lockup): TextPart[] => lockup.parts.filter((p) => p.kind === 'text');
export const marksOf = (lockup: Lockup): MarkPart[] => lockup.parts.filter((p) => p.kind === 'mark');

/** The text that is the client's name, the largest where several are; null where there is none. */
export const nameOfLockup = (lockup: Lockup): string | null =>
  textsOf(lockup)
    .filter((t) => t.role === 'name')
    .sort((p, q) => q.sizePx - p.sizePx)[0]
    ?.text.replaceAll('\n', ' ') ?? null;

/** The inks and colourways of a lockup as an artwork without shapes, so that edits of inks are the same for both. */
export const paletteOf = ({ inks, colourways, masterName, oneColour }: Lockup): Artwork => ({
  widthPx: 1,
  heightPx: 1,
  inks,
  nodes: [],
  guides: [],
  ...(colourways ? { colourways } : {}),
  ...(masterName ? { masterName } : {}),
  ...(oneColour ? { oneColour } : {}),
});

/** The lockup with the inks and colourways of such an artwork. */
export function withPalette(lockup: Lockup, { inks, colourways, masterName, oneColour }: Artwork): Lockup {
  const { colourways: _colourways, masterName: _name, oneColour: _one, ...rest } = lockup;
  return {
    ...rest,
    inks: inks as Lockup['inks'],
    ...(colourways ? { colourways: colourways as Lockup['colourways'] } : {}),
    ...(masterName ? { masterName } : {}),
    ...(oneColour ? { oneColour: oneColour as Lockup['oneColour'] } : {}),
  };
}

/** An id for a part that no part has yet, by its first letters. */
export function freePartId(lockup: Pick<Lockup, 'parts'>, start: string): string {
  const taken = new Set(lockup.parts.map((p) => p.id));
  for (let n = 1; ; n++) if (!taken.has(`${start}${n}`)) return `${start}${n}`;
}

/** What a text shows: as it was typed, or in capitals. Small capitals are made where it is set. */
export const shownText = ({ text, letters }: Pick<TextPart, 'text' | 'letters'>): string =>
  letters === 'capitals' ? text.toLocaleUpperCase('en') : text;

/** All that may be shown of a text: its capitals, and the signs after it too. */
export const lettersFor = (part: TextPart): string => `${part.text}${shownText(part)}${part.letters === 'small-capitals' ? part.text.toUpperCase() : ''}${part.sign ? '®™TM' : ''}`; // prettier-ignore

/** Values by places of a text when that is typed anew: before and after what changed they stay with their letters, within it they go. */
export function withText<T>(values: Readonly<Record<string, T>>, before: string, after: string): Record<string, T> {
  let head = 0;
  const most = Math.min(before.length, after.length);
  while (head < most && before[head] === after[head]) head++;
  let tail = 0;
  while (tail < most - head && before[before.length - 1 - tail] === after[after.length - 1 - tail]) tail++;
  const out: Record<string, T> = {};
  for (const [key, value] of Object.entries(values)) {
    const at = Number(key);
    if (at < head) out[at] = value;
    else if (at >= before.length - tail) out[at + after.length - before.length] = value;
  }
  return out;
}

/** What is wrong with a lockup whose parts are all right by themselves, in words; null when nothing is. */
export function lockupFault(lockup: Lockup): string | null {
  const ids = lockup.parts.map((p) => p.id);
  if (new Set(ids).size !== ids.length) return 'two parts have one id';
  const inks = new Set(lockup.inks.map((i) => i.id));
  if (inks.size !== lockup.inks.length) return 'two inks have one id';
  for (const part of lockup.parts) {
    if (part.kind === 'text') {
      const { fit, follows, behind, dress } = part;
      const used = [part.inkId, dress?.outline?.inkId, dress?.inline?.inkId, dress?.shadow?.inkId];
      if (used.some((i) => typeof i === 'string' && !inks.has(i)))
        return 'a text has an ink that the lockup does not have';
      if (typeof fit?.to === 'string' && partOf(lockup, fit.to)?.kind !== 'text') return 'a text is as wide as one that is not there'; // prettier-ignore
      if (follows?.kind === 'frame' && partOf(lockup, follows.frameId)?.kind !== 'frame') return 'a text stands on a frame that is not there'; // prettier-ignore
      const marks = [follows?.kind === 'path' ? follows.markId : null, behind?.markId, ...Object.values(part.instead ?? {}).map((i) => (i.kind === 'mark' ? i.markId : null))]; // prettier-ignore
      if (marks.some((m) => typeof m === 'string' && partOf(lockup, m)?.kind !== 'mark')) return 'a text names a mark that is not there'; // prettier-ignore
    } else if (part.kind === 'frame') {
      if (!inks.has(part.lineInkId) || (part.fillInkId !== null && !inks.has(part.fillInkId))) return 'a frame has an ink that the lockup does not have'; // prettier-ignore
      if (part.around.some((a) => a === part.id || !ids.includes(a))) return 'a frame goes round something that is not there'; // prettier-ignore
    }
  }
  return circleIn(lockup);
}

/** Parts that wait for one another: texts as wide as each other in a circle, frames round what stands on them. */
function circleIn(lockup: Lockup): string | null {
  const needs = (part: LockupPart): readonly string[] => {
    if (part.kind === 'text')
      return [
        ...(typeof part.fit?.to === 'string' ? [part.fit.to] : []),
        ...(part.follows?.kind === 'frame' ? [part.follows.frameId] : []),
      ];
    return part.kind === 'frame' ? part.around : [];
  };
  const state = new Map<string, 'open' | 'done'>();
  const visit = (part: LockupPart): boolean => {
    if (state.get(part.id) === 'done') return true;
    if (state.get(part.id) === 'open') return false;
    state.set(part.id, 'open');
    const isFine = needs(part).every((id) => {
      const next = partOf(lockup, id);
      return !next || visit(next);
    });
    state.set(part.id, 'done');
    return isFine;
  };
  return lockup.parts.every(visit) ? null : 'parts would be sized by one another in a circle';
}
