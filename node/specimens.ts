/** A text shown in several faces. */
import { specimenOf, type Specimen } from '../core/lettering';
import { shelfOf, type OwnFace } from './make-lockups';

export interface SpecimensAsk {
  readonly text: string;
  readonly faces: readonly { readonly family: string; readonly weight: number }[];
  /** Files of those that were brought in, by their family. */
  readonly own: Readonly<Record<string, OwnFace>>;
}

/** Sets a text in each face. A face that is not there is left out. */
export async function specimens({ text, faces, own }: SpecimensAsk): Promise<Specimen[]> {
  const made = await Promise.all(
    faces.map(async (face): Promise<Specimen | null> => {
      const shelf = shelfOf(own, face.family);
      await shelf.load(face, text);
      const family = shelf.family(face, text);
      return family && { ...face, ...specimenOf(family, text) };
    }),
  );
  return made.flatMap((m) => m ?? []);
}
