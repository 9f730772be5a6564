import type { Thread, ThreadBranch, ThreadWork } from '../contract/answers';
import { listCandidates } from './candidates';
import { sql } from './database';

interface WorkRow extends Omit<ThreadWork, 'works'> {
  readonly candidate_id: string | null;
  /** The work that it was made from. */
  readonly from_id: string | null;
}

/**
 * The line of descent of a commission's concepts: a branch for every candidate that was kept or that a work was made from, and for every work that was made
 * from none, with works under what they were made from. Those that got furthest come first.
 */
export async function threadOf(commissionId: string): Promise<Thread> {
  const [candidates, works, [counts]] = await Promise.all([
    listCandidates(commissionId),
    sql<WorkRow>(
      `select w.id, w.kind, w.name, w.head, h.number as version,
         (select count(*) from work_step t where t.work_id = w.id)::int as steps,
         (select count(*) from delivery d where d.work_id = w.id)::int as deliveries,
         (select f.asked ->> 'kind' = 'blank' from work_step f where f.work_id = w.id order by f.number limit 1) as "isDrawn",
         (select r.candidate_id from work_source r join work_step f on f.id = r.step_id
           where f.work_id = w.id and r.candidate_id is not null order by f.number, r.position limit 1) as candidate_id,
         (select o.work_id from work_source r join work_step f on f.id = r.step_id join work_step o on o.id = r.source_step_id
           where f.work_id = w.id and o.work_id <> w.id order by f.number, r.position limit 1) as from_id
       from work w join work_step h on h.id = w.head where w.commission_id = $1 order by w.created_at`,
      [commissionId],
    ),
    sql<{ rounds: number }>('select count(*)::int as rounds from round where commission_id = $1', [commissionId]),
  ]);
  const known = new Set(works.map((w) => w.id));
  const under = (from: (w: WorkRow) => boolean): ThreadWork[] =>
    works.filter(from).map(({ candidate_id: _candidate, from_id: _from, ...work }) => ({
      ...work,
      works: under((w) => w.from_id === work.id),
    }));
  const isRoot = (w: WorkRow) => w.from_id === null || !known.has(w.from_id);
  const branches: ThreadBranch[] = [
    ...candidates.map((candidate) => ({
      candidate,
      works: under((w) => isRoot(w) && w.candidate_id === candidate.id),
    })),
    ...works
      .filter((w) => isRoot(w) && w.candidate_id === null)
      .map((w) => ({ candidate: null, works: under((x) => x.id === w.id) })),
  ].filter((b) => b.works.length > 0 || b.candidate?.decision === 'kept');
  const shown = candidates.filter((k) => k.decision !== 'aside');
  return {
    rounds: counts.rounds,
    broughtIn: candidates.filter((k) => k.roundId === null).length,
    latestPictureId: (shown[shown.length - 1] ?? candidates[candidates.length - 1])?.pictureId ?? null,
    branches: branches.sort((p, q) => Number(!p.works.length) - Number(!q.works.length)),
  };
}
