import type * as v from 'valibot';
import { economyOf, threadsOf, wordingOf, wordsThatLed, type ThreadEnd, type Told } from '$core/wording';
import type { ClientName, Pattern, Wording } from '../contract/answers';
import type { NameDecision, PatternChange, PatternStart } from '../contract/requests';
import { change } from './changes';
import { getCommission, isUuid } from './commissions';
import { sql, transaction, type Row } from './database';
import { unknown } from './problem';

const nameFrom = (row: Row): ClientName => ({
  id: row.id as string,
  name: row.name as string,
  way: row.way as ClientName['way'],
  of: row.made_of as string[],
  told: row.told as string,
  decision: row.decision as ClientName['decision'],
});

/** The names of a commission that were decided about, kept ones first. */
export async function listNames(commissionId: string): Promise<ClientName[]> {
  await getCommission(commissionId);
  const rows = await sql(
    `select * from client_name where commission_id = $1 order by decision <> 'kept', decision <> 'aside', created_at`,
    [commissionId],
  );
  return rows.map(nameFrom);
}

/** Keeps a name, sets it aside, or takes that back; the same name is one name however often it is made. */
export async function decideName(
  commissionId: string,
  { name, way, of, told, decision }: v.InferOutput<typeof NameDecision>,
): Promise<ClientName> {
  await getCommission(commissionId);
  return transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [commissionId]);
    await tx(
      'insert into client_name (commission_id, name, way, made_of, told) values ($1, $2, $3, $4, $5) on conflict do nothing',
      [commissionId, name, way, JSON.stringify(of), told],
    );
    const [{ id }] = await tx<{ id: string }>('select id from client_name where commission_id = $1 and name = $2', [
      commissionId,
      name,
    ]);
    const what = { kept: 'kept', aside: 'set aside', undecided: 'undecided again' }[decision];
    await change(tx, commissionId, 'client_name', id, { decision }, `${name} ${what}`);
    const [row] = await tx('select * from client_name where id = $1', [id]);
    return nameFrom(row);
  });
}

const patternFrom = (row: Row): Pattern => ({
  id: row.id as string,
  prompt: row.prompt as string,
  settings: row.settings as Pattern['settings'],
  archived: row.archived as boolean,
});

/** All patterns, newest first; those that were put away last. */
export async function listPatterns(): Promise<Pattern[]> {
  return (await sql('select * from pattern order by archived, created_at desc')).map(patternFrom);
}

/** Keeps a pattern for every commission; one that is there already is taken out of where it was put away. */
export async function startPattern({ prompt, settings }: v.InferOutput<typeof PatternStart>): Promise<Pattern> {
  const [row] = await transaction((tx) =>
    tx(
      `insert into pattern (prompt, settings) values ($1, $2)
       on conflict (prompt) do update set settings = excluded.settings, archived = false returning *`,
      [prompt, JSON.stringify(settings)],
    ),
  );
  return patternFrom(row);
}

/** Puts a pattern away, or brings it back. */
export async function changePattern(id: string, { archived }: v.InferOutput<typeof PatternChange>): Promise<Pattern> {
  const [row] = isUuid(id)
    ? await transaction((tx) => tx('update pattern set archived = $2 where id = $1 returning *', [id, archived]))
    : [];
  if (!row) throw unknown('pattern');
  return patternFrom(row);
}

/** The prompts of a commission with what each gave, the words that led there, and what it cost by round and by thread. */
export async function wordingFor(commissionId: string, search = ''): Promise<Wording> {
  await getCommission(commissionId);
  const rows = await sql(
    `select r.id, r.number, r.prompt, r.credits_charged, r.created_at, r.figures->0->>'word' as figure,
       count(k.id) filter (where k.decision = 'kept')::int as kept,
       count(k.id) filter (where k.decision = 'aside')::int as aside,
       count(k.id) filter (where k.decision = 'undecided')::int as undecided,
       array(select distinct f.round_id::text from candidate f where f.round_id <> r.id and (f.id = r.parent_id
         or f.id in (select x.candidate_id from round_reference x where x.round_id = r.id))) as come_from
     from round r left join candidate k on k.round_id = r.id
     where r.commission_id = $1 and r.state = 'done' group by r.id order by r.number`,
    [commissionId],
  );
  const rounds = rows.map((r): Told => ({
    id: r.id as string,
    number: r.number as number,
    figure: r.figure as string | null,
    prompt: r.prompt as string,
    credits: r.credits_charged as number,
    kept: r.kept as number,
    aside: r.aside as number,
    undecided: r.undecided as number,
    from: r.come_from as string[],
    createdAt: (r.created_at as Date).toISOString(),
  }));
  const [{ at }] = await sql<{ at: Date | null }>(
    `select greatest((select max(created_at) from change where commission_id = $1),
       (select max(s.created_at) from work_step s join work w on w.id = s.work_id where w.commission_id = $1)) as at`,
    [commissionId],
  );
  const ends = await sql<ThreadEnd & Row>(
    `select id as "candidateId", picture_id as "pictureId", round_id as "roundId" from candidate
     where commission_id = $1 and round_id is not null
       and (decision = 'kept' or id in (select candidate_id from work_source)) order by created_at`,
    [commissionId],
  );
  const named = rounds.filter((r) => r.prompt.trim());
  return {
    prompts: wordingOf(named, search),
    words: wordsThatLed(named),
    rounds,
    economy: economyOf(rounds, at?.toISOString() ?? null),
    ...threadsOf(rounds, ends),
  };
}
