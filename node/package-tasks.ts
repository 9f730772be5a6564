/** What threads do for a package: its looks, then its files one by one. */
import sharp from 'sharp';
import { checkGrounds, checkLook, checkSize, inLook, tellLook, weightOf, type Look, type PackageCheck, type PackageGround, type PackageSets, type PackageSubject, type PlannedFile, type Weight } from '../core/package'; // prettier-ignore
import type { Artwork } from '../core/vector';
import { checkFile } from './package-checks';
import { LookMaker, type MakingContext } from './package-files';

export interface LookAsk {
  readonly subject: Pick<PackageSubject, 'key' | 'name' | 'artwork'>;
  readonly look: Look;
  readonly sets: PackageSets;
  /** What it will stand on. */
  readonly grounds: readonly PackageGround[];
}

/** A subject in a look, with what a press would stumble over and what its files' sizes follow from. */
export interface LookMade {
  readonly artwork: Artwork;
  readonly checks: readonly PackageCheck[];
  readonly weight: Weight;
}

export function packageLook({ subject, look, sets, grounds }: LookAsk): LookMade {
  const artwork = inLook(subject.artwork, look);
  const name = look.kind === 'own' ? subject.name : `${subject.name}, ${look.name}`;
  const at = { subject: subject.key, look: look.key };
  // What is in one colour is for those grounds that it is seen on.
  const drowned = look.kind === 'own' || look.kind === 'colourway' ? checkGrounds(name, artwork, grounds, at) : [];
  return { artwork, checks: [...checkLook(name, artwork, sets, at), ...drowned], weight: weightOf(artwork) };
}

/** A file of one look, or one that tells of all subjects. */
export type FileAsk =
  | {
      readonly file: PlannedFile;
      /** Of the package: what its files share is remembered under it. */
      readonly key: string;
      readonly name: string;
      readonly artwork: Artwork;
      readonly context: MakingContext;
    }
  | {
      readonly file: PlannedFile;
      readonly title: string;
      readonly subjects: readonly PackageSubject[];
      /** Those that are made already, by their subjects' keys. */
      readonly looks: readonly { readonly subject: string; readonly look: Look; readonly artwork: Artwork }[];
      readonly files: readonly PlannedFile[];
      readonly context: MakingContext;
    };

export interface FileMade {
  readonly bytes: Uint8Array;
  readonly checks: readonly PackageCheck[];
}

// There are as many threads as there are processors already, and no picture comes twice.
sharp.concurrency(1);
sharp.cache(false);

/** The makers of the package that is being made: several files of a look follow each other. */
const makers = new Map<string, LookMaker>();
const MAKERS_MOST = 12;

function makerOf({ key, file, artwork, name, context }: Extract<FileAsk, { key: string }>): LookMaker {
  const own = `${key} ${file.subject} ${file.look.key}`;
  let maker = makers.get(own);
  if (!maker) {
    maker = new LookMaker(artwork, file.look, name, context);
    makers.set(own, maker);
    for (const first of makers.keys()) {
      if (makers.size <= MAKERS_MOST) break;
      makers.delete(first);
    }
  }
  return maker;
}

/** Makes a file and looks at it. */
export async function packageFile(ask: FileAsk): Promise<FileMade> {
  const { file, context } = ask;
  if ('subjects' in ask) {
    const { title, subjects, looks, files } = ask;
    for (const { subject, look, artwork } of looks) tellLook(subjects.find((s) => s.key === subject)!.artwork, look, artwork); // prettier-ignore
    return { bytes: await (await import('./brand-sheet')).brandSheet({ title, subjects, files, date: context.date, grounds: context.grounds }), checks: [] }; // prettier-ignore
  }
  const maker = makerOf(ask);
  const bytes = await maker.make(file);
  const large = checkSize(file, bytes.length, context.sets);
  return { bytes, checks: [...(await checkFile(file, bytes, maker.artwork, context.sets)), ...(large ? [large] : [])] };
}
