/** Where what is delivered came from, for whoever asks years later: brief, rounds, edits in turn, versions. */
import type { Commission, DeliveredWork } from '../contract/answers';
import type { Sql } from './database';

/** The steps that led to a version of a work, the first one first, and what the work was made of. */
async function lineOf({ workId, stepId, name, kind, version }: DeliveredWork, run: Sql) {
  const steps = await run<{ number: number; told: string; date: Date }>(
    `with recursive line as (
       select id, parent, number, told, created_at from work_step where id = $1
       union all select p.id, p.parent, p.number, p.told, p.created_at from line l join work_step p on p.id = l.parent)
     select number, told, created_at as date from line order by number`,
    [stepId],
  );
  const sources = await run<{ role: string; round: number | null; position: number | null; seed: number | null; file: string | null; work: string | null; version: number | null; picture: string | null }>(
    `select r.role, n.number as round, k.position, k.seed, k.file_name as file, w.name as work, o.number as version, coalesce(k.picture_id, r.picture_id, r.file_id) as picture
     from work_source r join work_step f on f.id = r.step_id left join candidate k on k.id = r.candidate_id left join round n on n.id = k.round_id
       left join work_step o on o.id = r.source_step_id left join work w on w.id = o.work_id
     where f.work_id = $1 order by f.number, r.position`,
    [workId],
  ); // prettier-ignore
  const seen = new Set<string>();
  return {
    name,
    kind,
    version,
    madeFrom: sources
      .map(({ role, round, position, seed, file, work, version: of, picture }) => ({
        as: role,
        ...(round !== null ? { round, candidate: position! + 1, seed } : {}),
        ...(file !== null ? { file } : {}),
        ...(work !== null ? { work, version: of } : {}),
        ...(picture !== null ? { sha256: picture } : {}),
      }))
      .filter((s) => seen.size < seen.add(JSON.stringify(s)).size),
    steps: steps.map(({ number, told, date }) => ({ version: number, told, date: date.toISOString().slice(0, 10) })),
  };
}

/** What is known of where works came from, as it stands now. */
export async function descentOf(
  commission: Commission,
  works: readonly DeliveredWork[],
  run: Sql,
): Promise<Record<string, unknown>> {
  const { name, client, trade, audience, mood, coloursWanted, coloursUnwanted, grounds, kindOfMark } = commission; // prettier-ignore
  const rounds = await run<{ number: number; prompt: string; leaveOut: string; leeway: number; ratio: string; colours: number | null; count: number; seed: number; date: Date }>(
    `select number, prompt, leave_out as "leaveOut", leeway, ratio, colours, count, seed, created_at as date from round where commission_id = $1 and state = 'done' order by number`,
    [commission.id],
  ); // prettier-ignore
  const lines = [];
  // One after the other: it is one connection where it is one transaction.
  for (const work of works) lines.push(await lineOf(work, run));
  return {
    brief: { name, client, trade, audience, mood, coloursWanted, coloursUnwanted, grounds, kindOfMark },
    rounds: rounds.map(({ date, ...round }) => ({ ...round, date: date.toISOString().slice(0, 10) })),
    works: lines,
  };
}
