/** How the faces that ship look at their weights, as they were measured by `scripts/compile-faces.ts`. */
import looks from './face-looks.json';
import type { CatalogueEntry } from './catalogue';
import { likeness, type Look } from './measure';

/** The weights at which a family is measured: its lightest and boldest, and regular and bold where it has them. */
export const looksWeights = (weights: readonly number[]): number[] =>
  [...new Set([weights[0], ...[400, 700].filter((w) => weights.includes(w)), weights[weights.length - 1]])].sort((p, q) => p - q); // prettier-ignore

/** A family at the weight at which it is likest to a mark. */
export interface LikeFace<F> {
  readonly face: F;
  readonly weight: number;
  readonly look: Look;
  /** 0 where they are alike; one is as much as faces differ. */
  readonly off: number;
  readonly because: readonly string[];
}

const known = looks as unknown as Readonly<Record<string, readonly (readonly [number, number, number, number, number])[]>>; // prettier-ignore

/** How wide a family's capitals are against their height, at its regular weight; null where it was not measured. */
export function widthOf(id: string): number | null {
  const own = known[id];
  return own?.length ? own.reduce((p, q) => (Math.abs(q[0] - 400) < Math.abs(p[0] - 400) ? q : p))[4] : null;
}

/** Families by how like a mark they look, the likest first, each at its likest weight. */
export function facesLike<F extends CatalogueEntry>(faces: readonly F[], mark: Look): LikeFace<F>[] {
  return faces
    .flatMap((face): LikeFace<F>[] => {
      const own = (known[face.id] ?? []).map(([weight, heavy, contrast, roundness, width]) => {
        const look = { weight: heavy, contrast, roundness, width };
        return { face, weight, look, ...likeness(mark, look) };
      });
      return own.length ? [own.reduce((p, q) => (q.off < p.off ? q : p))] : [];
    })
    .sort((p, q) => p.off - q.off);
}
