/** The figures of a prompt while it is being read, and who of them the next one belongs to. */
import { gerundOf, nounKind } from './classes';
import { BODY_PARTS, PLACES } from './manner';
import { isContainer, type Phrase } from './phrase';
import { isAnimate } from './units';
import { type Link } from './relations';
import type { Kind, PromptFigure } from './words';

/** A figure while the rest of the prompt is still being read. */
export interface Draft extends Omit<PromptFigure, 'modifiers' | 'colours'> {
  word: string;
  drawn: string;
  via: PromptFigure['via'];
  count: number;
  modifiers: string[];
  pose: string | null;
  expression: string | null;
  relation: PromptFigure['relation'];
  turned: boolean;
  to: number | null;
  place: string | null;
  said: string | null;
  readonly phrase: Phrase;
}

/** How the figure that comes next will stand. */
export interface Pending extends Link {
  readonly said: string;
  /** Who does or stands so, where it is known. */
  readonly from: number | null;
  /** The part of it that it is at, or stands for. */
  readonly place: string | null;
}

/** A pending relation of which only the words are known. */
export const pendingOf = (link: Link, said: string, from: number | null = null, place: string | null = null): Pending => ({ ...link, said, from, place }); // prettier-ignore

/** What one stands on, in or by when it is somebody's part. */
const AT_PARTS = new Set(['on', 'inside', 'under', 'behind', 'beside', 'over', 'coming out of', 'around']);
/** What nothing is worn by, though it is "with" it: "a bell with a ribbon". */
const NOT_DRESSED = ['artifact', 'garment', 'shape', 'abstract', 'sign', null];

/** What is no garment, and worn all the same. */
const ON_HEADS =
  /^(?:crown|tiara|monocle|sunglasses|glasses|spectacles|goggles|headphones|earmuffs|helmet|chain|necklace|pendant|locket|medal|medallion|amulet|hood|cape|cloak)$/;

/** A figure that stands to none yet. */
export const draftOf = (found: Phrase): Draft => {
  const drawn = found.found ?? found.suffix;
  return {
    word: found.word,
    drawn: drawn?.drawn ?? 'abstract',
    via: found.found ? found.found.via : found.suffix ? 'broader' : 'none',
    count: found.count,
    modifiers: [...found.modifiers],
    pose: found.pose,
    expression: found.expression,
    relation: null,
    turned: false,
    to: null,
    place: null,
    said: null,
    phrase: found,
  };
};

/** How one is to what one only looks at. */
const LOOKING = /^(?:looking|watching|eyeing|staring|gazing|peering|guarding|reaching|sniffing)\b/;

export class Cast {
  readonly figures: Draft[] = [];
  /** The figure that the sentence is about, and the one that was named last. */
  root: number | null = null;
  last: number | null = null;

  constructor(private readonly kind: Kind | null) {}

  /** The figure that was named last. */
  /** Takes back the figure that was named last, which is none: its place among the figures. */
  takeBack(): number {
    this.figures.pop();
    this.last = this.root;
    return this.figures.length;
  }

  get latest(): Draft | null {
    return this.last === null ? null : this.figures[this.last];
  }

  /** Whether a figure can do, hold and wear things; a mascot can, whatever it is, and no man of chess. */
  isLive(figure: number): boolean {
    if (this.figures[figure].drawn.startsWith('chess ')) return false;
    return isAnimate(this.figures[figure].phrase) || (this.kind === 'mascot' && figure === this.root);
  }

  /** Whom a relation starts from. `joined`: an "and" stands before what comes next. */
  governor(link: Pending | null, next: Phrase | null, joined: boolean): number {
    if (link?.from !== null && link?.from !== undefined) return link.from;
    const [root, last] = [this.root ?? 0, this.last ?? 0];
    if (!link || root === last) return root;
    const [isRootLive, isLastLive] = [this.isLive(root), this.isLive(last)];
    const { relation, to, said } = this.figures[last];
    if (link.relation === 'as' || link.relation === 'made of' || link.turned) return last;
    const doing = gerundOf((said ?? '').split(' ')[0]) !== null;
    // What is in the sky is over all of it.
    if (link.relation === 'under' && next !== null && /^(?:sun|moon|stars?|sky|rainbow|clouds?)$/.test(next.head.split(' ').at(-1)!)) return root; // prettier-ignore
    // "Pouring water from a jug": the water comes from it.
    if (/^(?:into|onto|out of|from|in)$/.test(link.said) && doing && (link.said !== 'in' || !isRootLive)) return last;
    // What one looks at is in the bowl, not who looks.
    if (link.said === 'in' && LOOKING.test(said ?? '') && next !== null && isContainer(next.head)) return last;
    if (['holding', 'wearing', 'riding'].includes(link.relation)) return isRootLive || !isLastLive ? root : last;
    if (link.relation === 'with') {
      const isPart = next !== null && !isLastLive && PLACES.has(next.head) && !BODY_PARTS.test(next.head);
      return isPart || (next !== null && joined) || relation === 'as' ? last : root;
    }
    // "Peeking over the horizon between two hills": both are where the same one does it.
    return isRootLive || (to === root && doing && link.relation !== 'inside') ? root : last;
  }

  /** Adds a figure that stands to the others as is pending, or as the one that it is joined to. */
  add(found: Phrase, pending: Pending | null, joined: boolean): void {
    const draft = draftOf(found);
    const before = this.latest;
    if (!before) {
      // A letter is made of it, or stands in its manner.
      if (pending) draft.relation = pending.relation;
    } else if (pending) {
      const to = this.governor(pending, found, joined);
      const isWorn = (found.isGarment || ON_HEADS.test(found.head)) && !(pending.relation === 'inside' && /\b(?:mitten|glove|sock|stocking|shoe|boot|slipper|pocket)$/.test(found.word)) && !pending.turned && ((pending.relation === 'with' && !NOT_DRESSED.includes(nounKind(this.figures[to].phrase.head))) || (['with', 'inside'].includes(pending.relation) && this.isLive(to))); // prettier-ignore
      Object.assign(draft, { relation: isWorn ? 'wearing' : pending.relation, turned: pending.turned ?? false, to, said: pending.said, place: pending.place }); // prettier-ignore
    } else if (
      joined &&
      before.to !== null &&
      before.said !== null &&
      (before.phrase.hasArticle || !found.hasArticle || (/^(?:wear|dress)/.test(before.said) && (found.isGarment || ON_HEADS.test(found.head)))) // prettier-ignore
    ) {
      // "With a fork and knife": both stand so; "a bottle of oil and a branch": the branch stands by itself.
      const { relation, turned, to, said } = before;
      // "With a straw hat and a drink": only the one is worn.
      const isHad =
        relation === 'wearing' && !/^wear|^dress/.test(said) && !found.isGarment && !ON_HEADS.test(found.head);
      Object.assign(draft, { relation: isHad ? 'with' : relation, turned, to, said });
    } else {
      const to = joined && before.to === null ? this.last : this.root;
      Object.assign(draft, { relation: joined ? 'beside' : 'with', to, said: joined ? 'and' : null });
    }
    // "On a pirate's shoulder": it is the pirate that is drawn.
    const isAtPart = found.owner && draft.relation !== null && AT_PARTS.has(draft.relation) && (BODY_PARTS.test(found.head) || PLACES.has(found.head)); // prettier-ignore
    if (found.owner && isAtPart) Object.assign(draft, { word: found.owner.word, drawn: found.owner.found?.drawn ?? 'abstract', via: found.owner.found?.via ?? 'none', place: found.head }); // prettier-ignore
    this.last = this.figures.push(draft) - 1;
    this.root ??= this.last;
  }

  /** The figure that was named last stands so to the one that it belongs to: "with a moon above". */
  put({ relation, turned = false }: Link, said: string, place: string | null): void {
    const figure = this.latest!;
    // What is held stays held, wherever.
    if (figure.relation === 'with' || figure.relation === 'beside' || figure.relation === null || !place) {
      figure.relation = relation;
      figure.turned = !turned;
    }
    figure.place = place;
    figure.said = `${figure.said ?? ''} ${said}`.trim();
  }

  /** "It", of what was named last: one thing, where what was named before it are several or somebody who has it. */
  meansOne(): void {
    const figure = this.latest!;
    const before = this.figures.length - 2;
    if (figure.to === null || figure.to >= before || (this.figures[before].count ?? 1) !== 1) return;
    const [first, last] = [this.figures[figure.to], this.figures[before]];
    const isHad = last.to === figure.to && ['holding', 'with'].includes(last.relation ?? '') && nounKind(last.word) === 'artifact'; // prettier-ignore
    if ((first.count ?? 1) > 1 || (isHad && ['animal', 'person'].includes(nounKind(first.word) ?? ''))) figure.to = before; // prettier-ignore
  }

  /** It stands for a part of the one that it belongs to: "with a house as its shell". */
  standFor(place: string, said: string): void {
    const figure = this.latest!;
    figure.relation = 'as';
    figure.turned = true;
    figure.to ??= this.root === this.last ? null : this.root;
    figure.place = place;
    figure.said = `${figure.said ?? ''} ${said}`.trim();
  }
}
