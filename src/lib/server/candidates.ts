import type { Candidate, DecisionState, SketchLeft, Wall } from '../contract/answers';
import { change } from './changes';
import { knownLettering, letteringTold } from './lettering';
import { getCommission, isUuid } from './commissions';
import { sql, transaction, type Row } from './database';
import { reencode, storePicture } from './pictures';
import { unknown } from './problem';
import { listRounds } from './rounds';

const SELECT = `
  select k.*, p.width_px, p.height_px, r.number as round_number,
    (select f.picture_id from round_reference f where f.round_id = k.round_id order by f.closeness desc, f.position limit 1) as sketch_picture_id,
    (select w.id from work w join work_step s on s.work_id = w.id join work_source r on r.step_id = s.id
      where w.kind = 'artwork' and r.candidate_id = k.id order by w.created_at limit 1) as artwork_id
  from candidate k join picture p on p.id = k.picture_id left join round r on r.id = k.round_id`;

type Known = Awaited<ReturnType<typeof knownLettering>>;

function candidateFrom(row: Row, known: Known): Candidate {
  const position = row.position as number;
  return {
    id: row.id as string,
    label: row.round_number === null ? (row.file_name as string) : `${row.round_number as number}.${position + 1}`,
    roundId: row.round_id as string | null,
    position,
    pictureId: row.picture_id as string,
    widthPx: row.width_px as number,
    heightPx: row.height_px as number,
    seed: row.seed as number | null,
    fileName: row.file_name as string | null,
    decision: row.decision as DecisionState,
    artworkId: row.artwork_id as string | null,
    grows: row.grows as boolean,
    enlarges: row.enlarges as boolean,
    sketch:
      row.sketch && row.sketch_picture_id
        ? { ...(row.sketch as Omit<SketchLeft, 'pictureId'>), pictureId: row.sketch_picture_id as string }
        : null,
    lettering: letteringTold(
      known(row.picture_id as string, (row.lettering_asked as string | null) ?? ''),
      row.lettering_asked as string | null,
    ),
    createdAt: (row.created_at as Date).toISOString(),
  };
}

async function candidatesFrom(rows: readonly Row[]): Promise<Candidate[]> {
  const known = await knownLettering(rows.map((r) => r.picture_id as string));
  return rows.map((row) => candidateFrom(row, known));
}

export async function listCandidates(commissionId: string): Promise<Candidate[]> {
  const rows = await sql(`${SELECT} where k.commission_id = $1 order by k.created_at, k.position`, [commissionId]);
  return candidatesFrom(rows);
}

export async function getCandidate(id: string): Promise<Candidate & { commissionId: string }> {
  const [row] = isUuid(id) ? await sql(`${SELECT} where k.id = $1`, [id]) : [];
  if (!row) throw unknown('candidate');
  const [candidate] = await candidatesFrom([row]);
  return { ...candidate, commissionId: row.commission_id as string };
}

/** Everything on the wall of a commission, newest first. */
export async function wall(commissionId: string): Promise<Wall> {
  // In this order: a round that is done by then has all its candidates.
  const rounds = await listRounds(commissionId);
  const candidates = await listCandidates(commissionId);
  return {
    rounds: rounds.map((r) => ({ ...r, candidates: candidates.filter((k) => k.roundId === r.id) })),
    broughtIn: candidates.filter((k) => k.roundId === null).reverse(),
  };
}

/** Keeps a picture that is to be given with a prompt; it hangs nowhere. Throws a 422 Problem when it cannot be read. */
export async function keepReference(
  commissionId: string,
  file: Uint8Array,
): Promise<{ pictureId: string; widthPx: number; heightPx: number }> {
  await getCommission(commissionId);
  const { png, widthPx, heightPx } = await reencode(file);
  const { id } = await transaction(async (tx) => {
    const stored = await storePicture(tx, png, widthPx, heightPx);
    await tx('insert into commission_picture (commission_id, picture_id) values ($1, $2) on conflict do nothing', [
      commissionId,
      stored.id,
    ]);
    return stored;
  });
  return { pictureId: id, widthPx, heightPx };
}

/** A file's name as it may be shown: no folders, no control characters, at most 80. */
export function shownName(name: string): string {
  const clean = (name.split(/[\\/]/).pop() ?? '').replace(/[\u0000-\u001f\u007f\u200e\u200f\u202a-\u202e]/g, '').trim();
  return clean.slice(0, 80) || 'picture';
}

/** Makes a candidate of a PNG, JPEG or WebP file; throws a 422 Problem when it cannot be read. */
export async function bringIn(commissionId: string, file: Uint8Array, fileName: string): Promise<Candidate> {
  await getCommission(commissionId);
  const { png, widthPx, heightPx } = await reencode(file);
  const [{ id }] = await transaction(async (tx) => {
    const picture = await storePicture(tx, png, widthPx, heightPx);
    return tx<{ id: string }>(
      `insert into candidate (commission_id, position, picture_id, file_name, lettering_asked)
       values ($1, 0, $2, $3, '') returning id`,
      [commissionId, picture.id, shownName(fileName)],
    );
  });
  return getCandidate(id);
}

const DECISION_WORDS: Readonly<Record<DecisionState, string>> = {
  kept: 'kept',
  aside: 'set aside',
  undecided: 'undecided again',
};

/** Keeps a candidate, sets it aside, or leaves it undecided again. */
export async function decide(id: string, decision: DecisionState): Promise<Candidate> {
  const { commissionId, label } = await getCandidate(id);
  await transaction((tx) =>
    change(tx, commissionId, 'candidate', id, { decision }, `${label} ${DECISION_WORDS[decision]}`),
  );
  return getCandidate(id);
}
