import { inverse, mapPoint, type Point } from '$core/path';
import { letterPoints, partOf, withLetterPoint, type LetterPoint, type TextPart } from '$core/lockup';
import type { Arranging } from './arranging.svelte';

/** What one press of a key kerns, in em. */
const KERN_EM = 0.005;

/** What is done to single letters: pairs kerned by hand, and one letter's outline changed point by point. */
export class Kerning {
  /** The letter after which one kerns, by its place among the text's letters. */
  pair = $state(0);
  /** The place of the letter that is changed by itself. */
  letterAt = $state<number | null>(null);

  constructor(private readonly on: Arranging) {}

  readonly letters = $derived.by(() => (this.on.subject && this.on.drawn ? (this.on.drawnPart(this.on.subject.id)?.text?.letters ?? []) : [])); // prettier-ignore
  nextPair(by: number): void {
    const most = this.letters.length - 1;
    if (most > 0) this.pair = (this.pair + by + most) % most;
  }
  /** What is added by hand after the marked letter, in em. */
  readonly kerned = $derived.by((): number => this.on.subject?.byHand?.[String(this.letters[this.pair]?.at)] ?? 0);
  kern(by: number): void {
    const letter = this.letters[this.pair];
    const { subject } = this.on;
    if (!letter || !subject) return;
    this.kernTo(Number((this.kerned + by * KERN_EM).toFixed(4)));
  }
  kernTo(value: number): void {
    const letter = this.letters[this.pair];
    const { subject } = this.on;
    if (!letter || !subject) return;
    const { [String(letter.at)]: _was, ...rest } = subject.byHand ?? {};
    const byHand = value === 0 ? rest : { ...rest, [String(letter.at)]: value };
    this.on.try(subject.id, { byHand: Object.keys(byHand).length ? byHand : null });
  }

  /** The letter before the gap that is nearest to a place. */
  pairAt(p: Point): number | null {
    const letters = this.on.drawnPart(this.on.text?.id ?? '')?.text?.letters ?? [];
    let best: { k: number; off: number } | null = null;
    letters.slice(0, -1).forEach((l, k) => {
      const rad = (l.turnDeg * Math.PI) / 180;
      const gap: Point = [l.origin[0] + l.advance * Math.cos(rad), l.origin[1] + l.advance * Math.sin(rad)];
      const off = Math.hypot(gap[0] - p[0], gap[1] - p[1]);
      if (!best || off < best.off) best = { k, off };
    });
    return best ? (best as { k: number }).k : null;
  }

  /** The letter whose outline is changed by hand, as it is drawn. */
  readonly ownLetter = $derived.by(() => {
    if (this.on.act !== 'letters' || this.letterAt === null) return null;
    if (this.on.subject?.instead?.[String(this.letterAt)]?.kind !== 'drawn') return null;
    return this.letters.find((l) => l.at === this.letterAt) ?? null;
  });
  pointNear(p: Point, reach: number): LetterPoint | null {
    const { ownLetter } = this;
    if (!ownLetter) return null;
    const off = (q: LetterPoint): number => {
      const [x, y] = mapPoint(ownLetter.map, q.at);
      return Math.hypot(x - p[0], y - p[1]);
    };
    const near = letterPoints(ownLetter.outlines).filter((q) => off(q) <= reach);
    return near.length ? near.reduce((a, b) => (off(b) < off(a) ? b : a)) : null;
  }
  movePoint(point: LetterPoint, p: Point): void {
    const { ownLetter } = this;
    const { subject } = this.on;
    const back = ownLetter && inverse(ownLetter.map);
    const kept = subject && (partOf(this.on.line.kept, subject.id) as TextPart).instead?.[String(this.letterAt)];
    if (!back || !subject || kept?.kind !== 'drawn') return;
    const contours = withLetterPoint(kept.contours, point, mapPoint(back, p));
    this.on.line.tried = { kind: 'change-part', id: subject.id, set: { instead: { ...subject.instead, [String(this.letterAt)]: { kind: 'drawn', contours } } } }; // prettier-ignore
  }
}
