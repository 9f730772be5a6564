/** Faces that are at hand: loaded once from wherever their files are, then there at once. */
import { Face } from './face';
import { Family } from './family';

/** A face that is asked for. */
export interface FaceAsked {
  readonly family: string;
  /** The nearest that there is is taken. */
  readonly weight: number;
  readonly italic?: boolean;
  /** Axes beside its weight, by tag. */
  readonly axes?: Readonly<Record<string, number>>;
}

/** The files of a family. */
export interface FaceFiles {
  readonly isVariable: boolean;
  readonly hasItalic: boolean;
  readonly weights: readonly number[];
  /** Parts of its characters that have files of their own, with what each has, from and to. */
  readonly parts: readonly { readonly name: string; readonly ranges: readonly (readonly [number, number])[] }[];
}

/** Where faces come from. */
export interface FaceLoader {
  /** Null where there is no such family. */
  readonly files: (family: string) => Promise<FaceFiles | null>;
  /** An SFNT; null where the family has none of that kind. */
  readonly sfnt: (family: string, part: string, weight: number, isItalic: boolean) => Promise<Uint8Array | null>;
}

/** The nearest weight that a family has to one that is asked for. */
export const nearestWeight = ({ weights }: Pick<FaceFiles, 'weights'>, weight: number): number =>
  weights.reduce((best, w) => (Math.abs(w - weight) < Math.abs(best - weight) ? w : best), weights[0]);

/** The parts that a text needs, the one with most of it first; one with Latin letters is always among them. */
export function partsFor(parts: FaceFiles['parts'], text: string): string[] {
  const rest = new Set([...text].map((c) => c.codePointAt(0)!).filter((c) => c > 32));
  const has = (part: FaceFiles['parts'][number], code: number): boolean =>
    part.ranges.some(([from, to]) => code >= from && code <= to);
  const wanted: string[] = [];
  while (rest.size && parts.length) {
    const best = parts.map((p) => ({ p, n: [...rest].filter((c) => has(p, c)).length })).reduce((a, b) => (b.n > a.n ? b : a)); // prettier-ignore
    if (!best.n) break;
    wanted.push(best.p.name);
    for (const code of [...rest]) if (has(best.p, code)) rest.delete(code);
  }
  const latin = parts.find((p) => p.name === 'latin') ?? parts[0];
  if (latin && !wanted.includes(latin.name)) wanted.push(latin.name);
  return wanted;
}

/** Axes are told apart this finely. */
const AXIS_STEP = 0.5;

export class FaceShelf {
  private readonly known = new Map<string, FaceFiles | null>();
  private readonly asked = new Map<string, Promise<unknown>>();
  private readonly roots = new Map<string, Face | null>();
  private readonly faces = new Map<string, Face>();

  constructor(private readonly loader: FaceLoader) {}

  private once<T>(key: string, work: () => Promise<T>): Promise<T> {
    let own = this.asked.get(key) as Promise<T> | undefined;
    if (!own) {
      own = work();
      this.asked.set(key, own);
      // What could not be loaded is asked for again next time.
      own.catch(() => this.asked.delete(key));
    }
    return own;
  }

  private wanted(files: FaceFiles, { weight, italic }: FaceAsked): { weight: number; isItalic: boolean } {
    return { weight: nearestWeight(files, weight), isItalic: italic === true && files.hasItalic };
  }

  /** Loads what a text needs of a face; nothing where there is no such family. */
  async load(face: FaceAsked, text: string): Promise<void> {
    const { family } = face;
    const files = await this.once(`files ${family}`, async () => {
      const own = await this.loader.files(family);
      this.known.set(family, own);
      return own;
    });
    if (!files) return;
    const { weight, isItalic } = this.wanted(files, face);
    // A variable face's file has all weights.
    const asked = files.isVariable ? files.weights[0] : weight;
    await Promise.all(
      partsFor(files.parts, text).map((part) => {
        const key = `${family} ${part} ${asked} ${isItalic}`;
        return this.once(key, async () => {
          const sfnt = await this.loader.sfnt(family, part, asked, isItalic);
          this.roots.set(key, sfnt ? new Face(sfnt) : null);
        });
      }),
    );
  }

  /** The files of a family that was loaded; null where there is none. */
  filesOf(family: string): FaceFiles | null {
    return this.known.get(family) ?? null;
  }

  /** The family by which a text is set; null where there is none, or where it was not loaded. */
  family(face: FaceAsked, text: string): Family | null {
    const files = this.known.get(face.family);
    if (!files) return null;
    const { weight, isItalic } = this.wanted(files, face);
    const asked = files.isVariable ? files.weights[0] : weight;
    const own: Face[] = [];
    for (const part of partsFor(files.parts, text)) {
      const root = this.roots.get(`${face.family} ${part} ${asked} ${isItalic}`);
      if (root === undefined) return null;
      if (root) own.push(this.at(root, `${face.family} ${part} ${asked} ${isItalic}`, files, weight, face.axes ?? {}));
    }
    return own.length ? new Family(own) : null;
  }

  private at(root: Face, key: string, files: FaceFiles, weight: number, axes: Readonly<Record<string, number>>): Face {
    const at: Record<string, number> = files.isVariable ? { wght: weight } : {};
    for (const [tag, value] of Object.entries(axes)) at[tag] = Math.round(value / AXIS_STEP) * AXIS_STEP;
    if (!Object.keys(at).length) return root;
    const own = `${key} ${JSON.stringify(at)}`;
    let face = this.faces.get(own);
    if (!face) this.faces.set(own, (face = root.withAxes(at)));
    return face;
  }
}
