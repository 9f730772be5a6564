import { createHash } from 'node:crypto';
import * as v from 'valibot';
import { artworkToSvg } from '$core/export';
import type { SvgRead } from '$core/import';
import { MASTER, artworkIn, allPieces, ArtworkSchema, type Artwork } from '$core/vector';
import type { BroughtIn, WorkState } from '../contract/answers';
import type { ArtworkStart, InOneColour, Shuffle, TraceKeep } from '../contract/requests';
import { TaskError } from '../../../node/pool';
import { getCandidate, shownName } from './candidates';
import { getCommission } from './commissions';
import { computed } from './computing';
import { sql, transaction, type Sql } from './database';
import { Problem, unknown } from './problem';
import { addStep, stateAt, type StepSource } from './work-history';
import { freeName, newWork } from './work-kinds';
import { getStep, getWork, lockWork, movedOn, workRow } from './works';

export const getArtwork = (id: string): Promise<WorkState> => getWork(id, 'artwork');

/** An artwork of a commission. Throws a 404 Problem where that has none of the id. */
export async function commissionArtwork(commissionId: string, id: string): Promise<WorkState> {
  const artwork = await getArtwork(id);
  if (artwork.commissionId !== commissionId)
    throw new Problem(404, 'unknown_artwork', 'This commission has no such artwork');
  return artwork;
}

/** What an artwork, or one of its steps, is constructed of; that is worked out in a thread. Throws a 422 Problem where nothing is drawn. */
export async function constructionOfWork(id: string, step: string | null, caller: AbortSignal) {
  const { name, drawing: head } = await getArtwork(id);
  const artwork = step ? ((await getStep(id, step)).drawing as Artwork) : head;
  if (!allPieces(artwork).length) throw new Problem(422, 'nothing_drawn', 'Nothing is drawn yet that lies on anything');
  return { name, artwork, construction: await computed('construct', { artwork, nodes: 'all' }, caller) };
}

/** Schemes for the inks of an artwork, worked out in a thread. */
export async function shuffledSchemes(id: string, ask: v.InferOutput<typeof Shuffle>, caller: AbortSignal) {
  const { drawing } = await getArtwork(id);
  for (const inkId of ask.locked)
    if (!drawing.inks.some((i) => i.id === inkId))
      throw new Problem(422, 'unknown_ink', `This artwork has no ink ${inkId} that could be locked`);
  return computed('shuffle', { artwork: drawing, ask }, caller);
}

/** An artwork in one of its colourways, or in the master where none is named. A 404 Problem for one that it does not have. */
export function inColourway(drawing: Artwork, colourwayId: string = MASTER): Artwork {
  if (colourwayId !== MASTER && !drawing.colourways?.some((c) => c.id === colourwayId)) throw unknown('colourway');
  return artworkIn(drawing, colourwayId);
}

/** An artwork in one colour, as SVG, and what of it runs into one another. */
export async function inOneColour(id: string, options: v.InferOutput<typeof InOneColour>, caller: AbortSignal) {
  const { drawing } = await getArtwork(id);
  const { artwork, states, merged } = await computed('oneColour', { artwork: drawing, options }, caller);
  return { svg: artworkToSvg(artwork), states, merged };
}

/** Makes an artwork with its first step. */
const newArtwork = (
  tx: Sql,
  commissionId: string,
  name: string,
  first: { asked: object; told: string; state: Artwork; sources?: readonly StepSource[] },
): Promise<string> => newWork(tx, 'artwork', commissionId, name, first);

/** What is traced: a candidate, or a retouched picture at one of its steps. */
type TraceSource = { readonly candidateId: string } | { readonly workId: string };

/** What a trace is of: how it is named, which row lets one tab through after the other, and how an artwork made from it is known. */
async function sourceOf(source: TraceSource, stepId: string | undefined) {
  if ('candidateId' in source) {
    const { commissionId, label } = await getCandidate(source.candidateId);
    const { name } = await getCommission(commissionId);
    return {
      commissionId,
      name: `${name} ${label}`,
      source: { role: 'traced', candidateId: source.candidateId } as StepSource,
      lock: 'select 1 from candidate where id = $1 for update',
      isFrom: 'r.candidate_id = $1',
      id: source.candidateId,
    };
  }
  const { id, commission_id, name: own, head } = await workRow(source.workId, 'retouched');
  const { name } = await getCommission(commission_id);
  if (stepId) await getStep(id, stepId);
  return {
    commissionId: commission_id,
    name: `${name} ${own.replace(/ retouched\b/, '')}`,
    source: { role: 'traced', stepId: stepId ?? head } as StepSource,
    lock: 'select 1 from work where id = $1 for update',
    isFrom: 'r.source_step_id in (select id from work_step where work_id = $1)',
    id,
  };
}

/**
 * Keeps a trace of a candidate or of a retouched picture. Without a head it makes an artwork; with one it becomes a new version of that. A second tab that keeps a first
 * trace too gets 409, unless it asks for another artwork of the same source.
 */
export async function keepTrace(from: TraceSource, kept: v.InferOutput<typeof TraceKeep>): Promise<WorkState> {
  const { commissionId, name, source, lock, isFrom, id: sourceId } = await sourceOf(from, kept.stepId);
  const drawing = kept.drawing as Artwork;
  if (!drawing.nodes.length)
    throw new Problem(422, 'nothing_traced', 'The trace has no piece in it, so there is nothing to keep');
  const asked = { kind: 'trace', options: kept.options, groundHex: kept.groundHex };
  const sources = [source];
  const id = await transaction(async (tx) => {
    // Two tabs may keep a first trace at once: the source's row lets one through after the other.
    await tx(lock, [sourceId]);
    const [known] = await tx<{ id: string }>(
      `select w.id from work w join work_step s on s.work_id = w.id join work_source r on r.step_id = s.id
       where w.kind = 'artwork' and ${isFrom} and ($2::uuid is null or w.head = $2) order by w.created_at limit 1`,
      [sourceId, kept.head],
    );
    if (kept.head === null) {
      if (known && !kept.another) throw movedOn();
      const first = { asked, told: 'traced', state: drawing, sources };
      return newArtwork(tx, commissionId, await freeName(tx, commissionId, name), first);
    }
    if (!known) throw movedOn();
    const work = await lockWork(tx, known.id);
    if (work.head !== kept.head) throw movedOn();
    const before = await stateAt<Artwork>(work.head, tx);
    await addStep(
      tx,
      work.id,
      { id: work.head, state: before },
      { asked, told: 'traced again', state: drawing, isOrigin: true, sources },
    );
    return work.id;
  });
  return getArtwork(id);
}

/** The artwork that was traced first from a retouched picture, or null. */
export async function artworkOf(retouchedId: string): Promise<WorkState | null> {
  const [known] = await sql<{ id: string }>(
    `select w.id from work w join work_step s on s.work_id = w.id join work_source r on r.step_id = s.id
     join work_step f on f.id = r.source_step_id where w.kind = 'artwork' and f.work_id = $1 order by w.created_at limit 1`,
    [retouchedId],
  );
  return known ? getArtwork(known.id) : null;
}

/** Makes an artwork of an SVG file; what the file has and an artwork cannot is named. Throws a 422 Problem when it cannot be read. */
export async function bringInSvg(
  commissionId: string,
  file: Uint8Array,
  fileName: string,
  caller: AbortSignal,
): Promise<BroughtIn> {
  await getCommission(commissionId);
  const { artwork, leftOut, title } = await readSvgFile(file, caller);
  if (!artwork.nodes.length)
    throw new Problem(
      422,
      'nothing_drawn',
      'The SVG draws nothing that an artwork can have, so there is nothing to bring in',
    );
  const label = shownName(fileName);
  const sha = createHash('sha256').update(file).digest('hex');
  const id = await transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [commissionId]);
    await tx(`insert into file (id, media_type, bytes) values ($1, 'image/svg+xml', $2) on conflict (id) do nothing`, [
      sha,
      Buffer.from(file),
    ]);
    return newArtwork(tx, commissionId, await freeName(tx, commissionId, label.replace(/\.svg$/i, '') || label), {
      asked: { kind: 'brought-in', fileName: label, title, leftOut },
      told: `brought in from ${label}`,
      state: artwork,
      sources: [{ role: 'drawing', fileId: sha }],
    });
  });
  return { artwork: await getArtwork(id), leftOut };
}

/** The artwork of an SVG file, as it may be kept. Throws a 422 Problem. */
async function readSvgFile(file: Uint8Array, caller: AbortSignal): Promise<SvgRead> {
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(file);
  } catch {
    throw new Problem(
      422,
      'broken_svg',
      'The SVG is not text in UTF-8: save it again where it came from and bring that in',
    );
  }
  try {
    const read = await computed('readSvg', text, caller);
    const checked = v.safeParse(ArtworkSchema, read.artwork);
    if (!checked.success)
      throw new Problem(422, 'broken_svg', `The SVG cannot be kept as an artwork: ${checked.issues[0].message}`);
    return { ...read, artwork: checked.output as Artwork };
  } catch (error) {
    // What went wrong in the thread has its name only.
    if (error instanceof TaskError && error.name === 'SvgError') throw new Problem(422, 'broken_svg', error.message);
    throw error;
  }
}

/** An artwork of nothing, to be drawn: over a candidate's picture, or a retouched one, where such is named. Throws a 404 Problem where the commission has it not. */
export async function startArtwork(
  commissionId: string,
  asked: v.InferOutput<typeof ArtworkStart>,
): Promise<WorkState> {
  await getCommission(commissionId);
  if (asked.overCandidateId && (await getCandidate(asked.overCandidateId)).commissionId !== commissionId)
    throw new Problem(404, 'unknown_candidate', `This commission has no candidate ${asked.overCandidateId}`);
  const { name, widthPx, heightPx, overCandidateId, overWorkId } = asked;
  const over = overWorkId ? await workRow(overWorkId, 'retouched') : null;
  if (over && over.commission_id !== commissionId)
    throw new Problem(404, 'unknown_retouched', 'This commission has no such retouched picture');
  const id = await transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [commissionId]);
    return newArtwork(tx, commissionId, await freeName(tx, commissionId, name), {
      asked: { kind: 'blank' },
      told: 'begun',
      state: { widthPx, heightPx, inks: [], nodes: [], guides: [] },
      sources: [
        ...(overCandidateId ? [{ role: 'redrawn over', candidateId: overCandidateId }] : []),
        ...(over ? [{ role: 'redrawn over', stepId: over.head }] : []),
      ],
    });
  });
  return getArtwork(id);
}

/** A copy of a work as it stands at its head, or at another of its steps, with a history of its own. */
export async function copyWork(id: string, stepId?: string): Promise<WorkState> {
  const work = await workRow(id);
  const from = stepId ?? work.head;
  const { number, drawing } = await getStep(id, from);
  const copy = await transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [work.commission_id]);
    return newWork(tx, work.kind, work.commission_id, await freeName(tx, work.commission_id, work.name), {
      asked: { kind: 'copy' },
      told: `copied from ${work.name}, version ${number}`,
      state: drawing,
      sources: [{ role: 'copied', stepId: from }],
    });
  });
  return getWork(copy);
}
