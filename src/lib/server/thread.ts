import type { Thread, ThreadBranch } from '../contract/answers';
import { listCandidates } from './candidates';
import { sql } from './database';

/** The line of descent of a commission's concepts: a branch for every candidate that was traced or kept, in that order. */
export async function threadOf(commissionId: string): Promise<Thread> {
  const [candidates, artworks, [counts]] = await Promise.all([
    listCandidates(commissionId),
    sql<{ id: string; candidate_id: string; head: string; version: number; steps: number; deliveries: number }>(
      `select a.id, a.candidate_id, a.head, s.number as version,
         (select count(*) from artwork_step t where t.artwork_id = a.id)::int as steps,
         (select count(*) from delivery d where d.artwork_id = a.id)::int as deliveries
       from artwork a join artwork_step s on s.id = a.head where a.commission_id = $1`,
      [commissionId],
    ),
    sql<{ rounds: number }>('select count(*)::int as rounds from round where commission_id = $1', [commissionId]),
  ]);
  const branches: ThreadBranch[] = candidates
    .filter((k) => k.decision === 'kept' || k.artworkId)
    .map((candidate) => {
      const found = artworks.find((a) => a.candidate_id === candidate.id);
      return {
        candidate,
        artwork: found ? { id: found.id, head: found.head, version: found.version, steps: found.steps } : null,
        deliveries: found?.deliveries ?? 0,
      };
    })
    .sort((p, q) => Number(!p.artwork) - Number(!q.artwork));
  const shown = candidates.filter((k) => k.decision !== 'aside');
  return {
    rounds: counts.rounds,
    broughtIn: candidates.filter((k) => k.roundId === null).length,
    latestPictureId: (shown[shown.length - 1] ?? candidates[candidates.length - 1])?.pictureId ?? null,
    branches,
  };
}
