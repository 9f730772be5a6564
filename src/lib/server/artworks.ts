import { createHash } from 'node:crypto';
import * as v from 'valibot';
import type { SvgRead } from '$core/import';
import { ArtworkSchema, type Artwork } from '$core/vector';
import type { BroughtIn, WorkState } from '../contract/answers';
import type { ArtworkStart, TraceKeep } from '../contract/requests';
import { TaskError } from '../../../node/pool';
import { getCandidate, shownName } from './candidates';
import { getCommission } from './commissions';
import { computed } from './computing';
import { transaction, type Sql } from './database';
import { Problem } from './problem';
import { addStep, stateAt, type StepSource } from './work-history';
import { getStep, getWork, lockWork, movedOn, workRow } from './works';

export const getArtwork = (id: string): Promise<WorkState> => getWork(id, 'artwork');

/** Makes an artwork with its first step. */
async function newArtwork(
  tx: Sql,
  commissionId: string,
  name: string,
  first: { asked: object; told: string; state: Artwork; sources?: readonly StepSource[] },
): Promise<string> {
  const [{ id }] = await tx<{ id: string }>(
    `insert into work (commission_id, kind, name) values ($1, 'artwork', $2) returning id`,
    [commissionId, name],
  );
  await addStep(tx, id, null, { ...first, isOrigin: true });
  return id;
}

/** A name that no other artwork of the commission has: numbered, where it must be. */
async function freeName(tx: Sql, commissionId: string, wanted: string): Promise<string> {
  const rows = await tx<{ name: string }>('select name from work where commission_id = $1', [commissionId]);
  const taken = new Set(rows.map((r) => r.name));
  if (!taken.has(wanted)) return wanted;
  let n = 2;
  while (taken.has(`${wanted} (${n})`)) n++;
  return `${wanted} (${n})`;
}

/**
 * Keeps a trace of a candidate. Without a head it makes an artwork; with one it becomes a new version of that. A second tab that keeps a first trace too
 * gets 409, unless it asks for another artwork of the same candidate.
 */
export async function keepTrace(candidateId: string, kept: v.InferOutput<typeof TraceKeep>): Promise<WorkState> {
  const candidate = await getCandidate(candidateId);
  const { name } = await getCommission(candidate.commissionId);
  const drawing = kept.drawing as Artwork;
  if (!drawing.nodes.length)
    throw new Problem(422, 'nothing_traced', 'The trace has no piece in it, so there is nothing to keep');
  const asked = { kind: 'trace', options: kept.options, groundHex: kept.groundHex };
  const sources = [{ role: 'traced', candidateId }];
  const id = await transaction(async (tx) => {
    // Two tabs may keep a first trace at once: the candidate's row lets one through after the other.
    await tx('select 1 from candidate where id = $1 for update', [candidateId]);
    const [known] = await tx<{ id: string }>(
      `select w.id from work w join work_step s on s.work_id = w.id join work_source r on r.step_id = s.id
       where w.kind = 'artwork' and r.candidate_id = $1 and ($2::uuid is null or w.head = $2) order by w.created_at limit 1`,
      [candidateId, kept.head],
    );
    if (kept.head === null) {
      if (known && !kept.another) throw movedOn();
      return newArtwork(
        tx,
        candidate.commissionId,
        await freeName(tx, candidate.commissionId, `${name} ${candidate.label}`),
        {
          asked,
          told: 'traced',
          state: drawing,
          sources,
        },
      );
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

/** An artwork of nothing, to be drawn: over a candidate's picture where one is named. */
export async function startArtwork(
  commissionId: string,
  asked: v.InferOutput<typeof ArtworkStart>,
): Promise<WorkState> {
  await getCommission(commissionId);
  if (asked.overCandidateId && (await getCandidate(asked.overCandidateId)).commissionId !== commissionId)
    throw new Problem(404, 'unknown_candidate', `This commission has no candidate ${asked.overCandidateId}`);
  const { name, widthPx, heightPx, overCandidateId } = asked;
  const id = await transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [commissionId]);
    return newArtwork(tx, commissionId, await freeName(tx, commissionId, name), {
      asked: { kind: 'blank' },
      told: 'begun',
      state: { widthPx, heightPx, inks: [], nodes: [], guides: [] },
      sources: overCandidateId ? [{ role: 'redrawn over', candidateId: overCandidateId }] : [],
    });
  });
  return getArtwork(id);
}

/** A copy of an artwork as it stands at its head, or at another of its steps, with a history of its own. */
export async function copyArtwork(id: string, stepId?: string): Promise<WorkState> {
  const work = await workRow(id, 'artwork');
  const from = stepId ?? work.head;
  const { number, drawing } = await getStep(id, from);
  const copy = await transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [work.commission_id]);
    return newArtwork(tx, work.commission_id, await freeName(tx, work.commission_id, work.name), {
      asked: { kind: 'copy' },
      told: `copied from ${work.name}, version ${number}`,
      state: drawing,
      sources: [{ role: 'copied', stepId: from }],
    });
  });
  return getArtwork(copy);
}
