import { isDeepStrictEqual } from 'node:util';
import type * as v from 'valibot';
import type { Brief, Commission, CommissionCard } from '../contract/answers';
import type { CommissionChange, CommissionStart } from '../contract/requests';
import { change } from './changes';
import { sql, transaction, type Row } from './database';
import { Problem, unknown } from './problem';

const COLUMN_OF: Readonly<Record<keyof Brief, string>> = {
  name: 'name',
  client: 'client',
  trade: 'trade',
  audience: 'audience',
  mood: 'mood',
  coloursWanted: 'colours_wanted',
  coloursUnwanted: 'colours_unwanted',
  grounds: 'grounds',
  kindOfMark: 'kind_of_mark',
  notes: 'notes',
  allowance: 'allowance',
};

/** Words for the history of changes. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  colours_wanted: 'colours wanted',
  colours_unwanted: 'colours not wanted',
  kind_of_mark: 'kind of mark',
};

const DEFAULT_GROUNDS = [
  { name: 'white', hex: '#FFFFFF' },
  { name: 'black', hex: '#000000' },
];

const columnsOf = (fields: Partial<Brief>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(fields)
      .filter(([k, value]) => k in COLUMN_OF && value !== undefined)
      .map(([k, value]) => [COLUMN_OF[k as keyof Brief], value]),
  );

const SELECT = `
  select c.*,
    coalesce((select sum(credits_charged) from round where commission_id = c.id), 0)::int as credits_spent,
    coalesce((select sum(credits_reserved) from round where commission_id = c.id and state in ('waiting', 'drawing')), 0)::int as credits_reserved
  from commission c`;

function commissionFrom(row: Row): Commission {
  const fields = Object.fromEntries(
    Object.entries(COLUMN_OF).map(([k, column]) => [k, row[column]]),
  ) as unknown as Brief;
  return {
    ...fields,
    id: row.id as string,
    archived: row.archived as boolean,
    revision: row.revision as number,
    createdAt: (row.created_at as Date).toISOString(),
    creditsSpent: row.credits_spent as number,
    creditsReserved: row.credits_reserved as number,
  };
}

/** Starts a commission with its brief. */
export async function startCommission(brief: v.InferOutput<typeof CommissionStart>): Promise<Commission> {
  const columns = columnsOf({ grounds: DEFAULT_GROUNDS, ...brief });
  const names = Object.keys(columns);
  const [{ id }] = await transaction((tx) =>
    tx<{ id: string }>(
      `insert into commission (${names.join(', ')}) values (${names.map((_, i) => `$${i + 1}`).join(', ')}) returning id`,
      names.map((n) => (n === 'grounds' ? JSON.stringify(columns[n]) : columns[n])),
    ),
  );
  return getCommission(id);
}

/** Throws a 404 Problem for an id that is none or not known. */
export async function getCommission(id: string): Promise<Commission> {
  const [row] = isUuid(id) ? await sql(`${SELECT} where c.id = $1`, [id]) : [];
  if (!row) throw unknown('commission');
  return commissionFrom(row);
}

export const isUuid = (text: string): boolean => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text);

/** Changes a brief, or archives a commission and brings it back; a 409 Problem when what is changed was changed since it was read. */
export async function changeCommission(
  id: string,
  wanted: v.InferOutput<typeof CommissionChange>,
): Promise<Commission> {
  await getCommission(id);
  const { revision, seen, archived, ...fields } = wanted;
  const columns = columnsOf(fields as Partial<Brief>);
  if (archived !== undefined) columns.archived = archived;
  const names = Object.keys(columns);
  const told =
    archived !== undefined
      ? archived
        ? 'archived'
        : 'brought back'
      : `brief: ${names.map((n) => FIELD_WORDS[n] ?? n).join(', ')}`;
  await transaction(async (tx) => {
    const [row] = await tx('select * from commission where id = $1 for update', [id]);
    const before = columnsOf((seen ?? {}) as Partial<Brief>);
    if (seen?.archived !== undefined) before.archived = seen.archived;
    const isSame = (n: string) =>
      !(n in before) || [before[n], columns[n]].some((value) => isDeepStrictEqual(row[n], value));
    if ((revision !== undefined && row.revision !== revision) || !names.every(isSame))
      throw new Problem(
        409,
        'changed_elsewhere',
        'This commission was changed in another tab: what you typed is still here, and the other change is kept too',
      );
    if (names.length) await change(tx, id, 'commission', id, columns, told);
  });
  return getCommission(id);
}

export async function countCommissions(): Promise<number> {
  return (await sql<{ n: number }>('select count(*)::int as n from commission'))[0].n;
}

/** All commissions, newest first, each with up to four pictures of where it stands. */
export async function listCommissions(): Promise<CommissionCard[]> {
  const rows = await sql<Row>(`
    select c.id, c.name, c.client, c.trade, c.archived, c.revision, c.created_at,
      (select count(*) from round r where r.commission_id = c.id)::int as rounds,
      (select count(*) from candidate k where k.commission_id = c.id and k.decision = 'kept')::int as kept,
      (select count(*) from candidate k where k.commission_id = c.id)::int as candidates,
      (select count(*) from work w where w.commission_id = c.id and w.kind = 'artwork')::int as artworks,
      (select count(*) from delivery d where d.commission_id = c.id and d.state = 'done')::int as deliveries,
      coalesce((select jsonb_agg(jsonb_build_object('href', p.href, 'label', p.label) order by p.rank, p.at desc)
        from (
          select '/api/works/' || w.id || '/drawing.svg?step=' || w.head as href, w.name as label, 0 as rank, w.created_at as at
            from work w where w.commission_id = c.id and w.kind = 'artwork'
          union all
          (select '/api/pictures/' || k.picture_id, coalesce(k.file_name, 'candidate'), case k.decision when 'kept' then 1 else 2 end, k.created_at
            from candidate k where k.commission_id = c.id and k.decision <> 'aside'
              and not exists (select 1 from work_source r where r.candidate_id = k.id)
            order by 3, k.created_at desc limit 4)
        ) p), '[]') as pictures
    from commission c order by c.created_at desc`);
  return rows.map((row) => {
    const { created_at, candidates, ...card } = row as unknown as CommissionCard & {
      created_at: Date;
      candidates: number;
    };
    const station = card.deliveries ? 'delivered' : card.artworks ? 'artwork' : candidates ? 'rounds' : 'brief';
    return { ...card, createdAt: created_at.toISOString(), station, pictures: card.pictures.slice(0, 4) };
  });
}
