import type { Embedding } from './face';
import type { FaceFiles } from './shelf';

/** What is kept and shown of a face that was brought in. */
export interface OwnFaceFacts {
  readonly name: string;
  readonly style: string;
  readonly weight: number;
  /** Its licence as the file has it, and where that is told; empty where it says nothing. */
  readonly licence: string;
  readonly licenceUrl: string;
  readonly copyright: string;
  readonly embedding: Embedding;
  readonly axes: readonly { readonly tag: string; readonly min: number; readonly max: number }[];
  readonly scripts: readonly string[];
}

/** The files of such a face, as all faces have them: one part with everything. */
export function ownFaceFiles({ weight, axes }: Pick<OwnFaceFacts, 'weight' | 'axes'>): FaceFiles {
  const wght = axes.find((a) => a.tag === 'wght');
  const weights = wght ? [100, 200, 300, 400, 500, 600, 700, 800, 900].filter((w) => w >= wght.min && w <= wght.max) : [weight]; // prettier-ignore
  return { isVariable: wght !== undefined && weights.length > 0, hasItalic: false, weights: weights.length ? weights : [weight], parts: [{ name: 'all', ranges: [[0, 0x10ffff]] }] }; // prettier-ignore
}
