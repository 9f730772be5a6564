import type { PictureBelow, WorkState } from '../contract/answers';
import { listCandidates } from './candidates';
import { sql } from './database';

interface SourceRow {
  readonly work_id: string;
  readonly step_id: string;
  readonly name: string;
}

/** Retouched pictures that an artwork, or what it was copied from, was made from. */
const retouchedSources = (workId: string): Promise<SourceRow[]> =>
  sql<SourceRow>(
    `with recursive line (step_id) as (
       select id from work_step where work_id = $1
       union select next.id from line l join work_step o on o.id = l.step_id join lateral (
         select r.source_step_id as id from work_source r where r.step_id = l.step_id and r.source_step_id is not null
         union all select f.id from work w join work_step f on f.work_id = w.id where w.id = o.work_id and w.kind = 'artwork'
       ) next on true
     )
     select distinct on (w.id) w.id as work_id, s.id as step_id, w.name from line l join work_step s on s.id = l.step_id
     join work w on w.id = s.work_id where w.kind = 'retouched' order by w.id, s.number desc`,
    [workId],
  );

/**
 * The pictures that may lie below an artwork while it is drawn, those that it was made from first; then what was brought in, such as a client's sketch, and what was kept.
 */
export async function picturesBelow({ id, commissionId, candidateId, drawing }: WorkState): Promise<PictureBelow[]> {
  const [retouched, candidates] = await Promise.all([retouchedSources(id), listCandidates(commissionId)]);
  const own = retouched.map((r): PictureBelow => ({
    id: r.work_id,
    href: `/api/works/${r.work_id}/picture.png?step=${r.step_id}`,
    label: r.name,
    widthPx: drawing.widthPx,
    heightPx: drawing.heightPx,
    isSource: true,
  }));
  const others = candidates
    .filter((k) => k.id === candidateId || k.roundId === null || k.decision === 'kept')
    .map((k): PictureBelow => ({
      id: k.id,
      href: `/api/pictures/${k.pictureId}`,
      label: k.label,
      widthPx: k.widthPx,
      heightPx: k.heightPx,
      isSource: k.id === candidateId,
    }));
  return [...own, ...others.filter((p) => p.isSource), ...others.filter((p) => !p.isSource)];
}
