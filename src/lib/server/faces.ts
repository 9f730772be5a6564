/** Faces: those that ship, and those that were brought in for a commission. */
import { createHash } from 'node:crypto';
import type * as v from 'valibot';
import { ownFaceFiles, widthOf, type FaceFiles, type OwnFaceFacts, type Specimen } from '$core/lettering';
import { facesFiles, licenceOf, shippedFamilies } from '../../../node/faces';
import type { OwnFace } from '../../../node/make-lockups';
import type { Artwork } from '$core/vector';
import { TaskError } from '../../../node/pool';
import type { BroughtFace, FaceBegun, FaceToldOf, LikeFaceAnswer } from '../contract/answers';
import type { FavouriteFace, SpecimensAsked } from '../contract/requests';
import { getArtwork } from './artworks';
import { getCommission } from './commissions';
import { computed } from './computing';
import { sql, transaction } from './database';
import { Problem, unknown } from './problem';

const OWN = /^own-([0-9a-f]{64})$/;
const ownId = (fileId: string): string => `own-${fileId}`;

/** A font file is no larger than this. */
export const FONT_LIMIT_BYTES = 12 * 1024 * 1024;

const brought = (fileId: string, facts: OwnFaceFacts): BroughtFace => ({ ...facts, id: ownId(fileId) });

/** Faces that were brought in for a commission, the newest first. */
export async function broughtFaces(commissionId: string): Promise<BroughtFace[]> {
  const rows = await sql<{ file_id: string; facts: OwnFaceFacts }>(
    'select file_id, facts from commission_face where commission_id = $1 order by created_at desc',
    [commissionId],
  );
  return rows.map((r) => brought(r.file_id, r.facts));
}

/** Brings a font file in for a commission; what it says of its licence and embedding is read. Throws a 422 Problem where it is broken or none. */
export async function bringInFace(commissionId: string, file: Uint8Array, caller: AbortSignal): Promise<BroughtFace> {
  await getCommission(commissionId);
  let facts: OwnFaceFacts;
  try {
    facts = await computed('readFace', file, caller);
  } catch (error) {
    if (error instanceof TaskError && error.name !== 'AbortError')
      throw new Problem(422, 'broken_face', `This cannot be brought in as a face: ${error.name === 'FontFileError' ? error.message : 'it is broken, or no font'}`); // prettier-ignore
    throw error;
  }
  const fileId = createHash('sha256').update(file).digest('hex');
  await transaction(async (tx) => {
    await tx(`insert into file (id, media_type, bytes) values ($1, 'font/sfnt', $2) on conflict (id) do nothing`, [fileId, Buffer.from(file)]); // prettier-ignore
    await tx('insert into commission_face (commission_id, file_id, facts) values ($1, $2, $3) on conflict do nothing', [commissionId, fileId, JSON.stringify(facts)]); // prettier-ignore
  });
  return brought(fileId, facts);
}

/** A face that was brought in anywhere, with its file; null where none was. */
async function ownFace(family: string): Promise<OwnFace | null> {
  const fileId = OWN.exec(family)?.[1];
  if (!fileId) return null;
  const [row] = await sql<{ bytes: Buffer; facts: OwnFaceFacts }>(
    'select f.bytes, c.facts from commission_face c join file f on f.id = c.file_id where c.file_id = $1 limit 1',
    [fileId],
  );
  return row ? { file: new Uint8Array(row.bytes), facts: row.facts } : null;
}

/** Of families, those that were brought in, with their files. */
export async function ownFaces(families: readonly string[]): Promise<Record<string, OwnFace>> {
  const out: Record<string, OwnFace> = {};
  for (const family of new Set(families)) {
    const own = await ownFace(family);
    if (own) out[family] = own;
  }
  return out;
}

/** What a family's files are, and its licence. A 404 Problem where there is none. */
export async function faceToldOf(id: string): Promise<FaceToldOf> {
  const shipped = shippedFamilies().find((f) => f.id === id);
  if (shipped)
    return { id, name: shipped.name, licence: shipped.licence, licenceText: licenceOf(shipped), embedding: 'free', files: facesFiles(id)! }; // prettier-ignore
  const fileId = OWN.exec(id)?.[1];
  const [row] = fileId ? await sql<{ facts: OwnFaceFacts }>('select facts from commission_face where file_id = $1 limit 1', [fileId]) : []; // prettier-ignore
  if (!row) throw unknown('face');
  const { facts } = row;
  const files: FaceFiles = ownFaceFiles(facts);
  return { id, name: facts.name, licence: facts.licenceUrl || facts.licence.split('\n')[0].slice(0, 80), licenceText: facts.licence || facts.copyright, embedding: facts.embedding, files }; // prettier-ignore
}

/** A part of a family as an SFNT, opened in a thread. A 404 Problem where there is none. */
export async function faceFile(
  id: string,
  part: string,
  weight: number,
  isItalic: boolean,
  caller: AbortSignal,
): Promise<Uint8Array> {
  // prettier-ignore
  const own = await ownFace(id);
  const file = await computed('faceFile', own ? { own: own.file } : { family: id, part, weight, isItalic }, caller);
  if (!file) throw unknown('face');
  return file;
}

/** A text shown in several faces. */
export async function specimensOf(
  ask: v.InferOutput<typeof SpecimensAsked>,
  caller: AbortSignal,
): Promise<readonly Specimen[]> {
  const own = await ownFaces(ask.faces.map((f) => f.family));
  return computed('specimens', { ...ask, own }, caller);
}

/** The faces that ship, the likest to an artwork first, with why and at which weight. */
export async function facesLikeWork(workId: string, caller: AbortSignal): Promise<LikeFaceAnswer[]> {
  const { drawing } = await getArtwork(workId);
  const found = await computed('facesLike', drawing, caller);
  return found.map(({ facts, weight, because }) => ({ ...facts, weight, because, width: widthOf(facts.id) }));
}

export async function favouriteFaces(commissionId: string): Promise<string[]> {
  const rows = await sql<{ family: string }>('select family from favourite_face where commission_id = $1 order by created_at', [commissionId]); // prettier-ignore
  return rows.map((r) => r.family);
}

export async function markFavourite(
  commissionId: string,
  { family, kept }: v.InferOutput<typeof FavouriteFace>,
): Promise<string[]> {
  await getCommission(commissionId);
  if (kept)
    await sql('insert into favourite_face (commission_id, family) values ($1, $2) on conflict do nothing', [commissionId, family]); // prettier-ignore
  else await sql('delete from favourite_face where commission_id = $1 and family = $2', [commissionId, family]);
  return favouriteFaces(commissionId);
}

/** The quiet face that is likest to an artwork and has the letters of a text, with why. */
export async function faceForWork(artwork: Artwork, text: string, caller: AbortSignal): Promise<FaceBegun> {
  const { facts, weight, because } = await computed('faceFor', { artwork, text }, caller);
  return { family: facts.id, name: facts.name, weight, licence: facts.licence, because };
}
