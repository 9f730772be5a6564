import { createHash } from 'node:crypto';
import type * as v from 'valibot';
import { fileStems, packageEntries, type PackageAbout, type PackageEntry } from '$core/package';
import { colourwaysOf, MASTER, type Artwork } from '$core/vector';
import type { WorkKind } from '../contract/answers';
import type { Commission, Delivery, DeliveryFile, WorkState } from '../contract/answers';
import type { DeliveryStart } from '../contract/requests';
import { getCommission, isUuid } from './commissions';
import { sql, transaction, type Row } from './database';
import { Problem, unknown } from './problem';
import { takeLease, writeOwned, type Lease } from './leases';
import { drawnAt, drawnWork } from './lockups';
import { lockWork } from './works';

const SELECT = `
  select d.id, d.number, d.work_id, d.step_id, d.about, d.note, d.state, d.error, d.created_at, s.number as version,
    (select p.files from delivery_package m join package p on p.id = m.package_id where m.delivery_id = d.id order by m.position desc limit 1) as files,
    (select jsonb_agg(jsonb_build_object('sha256', p.id, 'bytes', length(p.zip), 'createdAt', m.created_at) order by m.position desc)
       from delivery_package m join package p on p.id = m.package_id where m.delivery_id = d.id) as packages
  from delivery d join work_step s on s.id = d.step_id`;

function deliveryFrom(row: Row): Delivery {
  const packages = (row.packages as Delivery['packages'] | null) ?? [];
  return {
    id: row.id as string,
    number: row.number as number,
    workId: row.work_id as string,
    stepId: row.step_id as string,
    version: row.version as number,
    about: row.about as PackageAbout,
    note: row.note as string,
    state: row.state as Delivery['state'],
    error: row.error as string | null,
    files: (row.files as DeliveryFile[] | null) ?? [],
    bytes: packages[0]?.bytes ?? 0,
    sha256: packages[0]?.sha256 ?? null,
    packages,
    createdAt: (row.created_at as Date).toISOString(),
  };
}

/** Deliveries of a commission, newest first. */
export async function listDeliveries(commissionId: string): Promise<Delivery[]> {
  return (await sql(`${SELECT} where d.commission_id = $1 order by d.number desc`, [commissionId])).map(deliveryFrom);
}

export async function getDelivery(id: string): Promise<Delivery> {
  const [row] = isUuid(id) ? await sql(`${SELECT} where d.id = $1`, [id]) : [];
  if (!row) throw unknown('delivery');
  return deliveryFrom(row);
}

/** What a package of an artwork as it stands says of itself today. */
export async function packageAbout(
  artwork: Pick<WorkState, 'id' | 'name' | 'version'>,
  commission: Pick<Commission, 'id' | 'name' | 'client'>,
): Promise<PackageAbout> {
  const works = await sql<{ id: string; name: string }>(
    `select id, name from work where commission_id = $1 order by created_at, id`,
    [commission.id],
  );
  const stems = fileStems(
    commission.name,
    works.map((w) => w.name),
  );
  return {
    commission: commission.name,
    client: commission.client,
    stem: stems[works.findIndex((w) => w.id === artwork.id)],
    artwork: artwork.name,
    version: artwork.version,
    date: new Date().toISOString().slice(0, 10),
  };
}

/** What was delivered of a work, and what a package of it would have today, by its colourways' ids. */
export async function deliveriesOf(
  work: Pick<WorkState, 'id' | 'name' | 'version' | 'commissionId' | 'drawing'>,
): Promise<{
  contents: Record<string, PackageEntry[]>;
  deliveries: Delivery[];
}> {
  const commission = await getCommission(work.commissionId);
  const deliveries = await listDeliveries(commission.id);
  const about = await packageAbout(work, commission);
  // Names are spelled here: what spells all scripts is too large for a page.
  const contents = Object.fromEntries(
    colourwaysOf(work.drawing).map(({ id, name }) => [
      id,
      packageEntries({ ...about, ...(id === MASTER ? {} : { colourway: { id, name } }) }),
    ]),
  );
  return { contents, deliveries: deliveries.filter((d) => d.workId === work.id) };
}

/** Records a delivery of an artwork as it stands, to be packed by a job; asked twice with one request key, it is the same one. */
export async function startDelivery(workId: string, asked: v.InferOutput<typeof DeliveryStart>): Promise<Delivery> {
  const artwork = await drawnWork(workId);
  const commission = await getCommission(artwork.commissionId);
  const { colourwayId = MASTER } = asked;
  const colourway = artwork.drawing.colourways?.find((c) => c.id === colourwayId);
  if (!colourway && colourwayId !== MASTER)
    throw new Problem(
      422,
      'unknown_colourway',
      'This artwork has no such colourway: look at its newest state, then deliver that',
    );
  const about: PackageAbout = {
    ...(await packageAbout(artwork, commission)),
    ...(colourway ? { colourway: { id: colourway.id, name: colourway.name } } : {}),
  };
  const id = await transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [commission.id]);
    const [known] = await tx<{ id: string }>('select id from delivery where commission_id = $1 and request_key = $2', [
      commission.id,
      asked.requestKey,
    ]);
    if (known) return known.id;
    const { head } = await lockWork(tx, workId);
    if (head !== asked.head || artwork.head !== head)
      throw new Problem(
        409,
        'changed_elsewhere',
        'This artwork was changed in another tab: look at its newest state, then deliver that',
      );
    const [made] = await tx<{ id: string }>(
      `insert into delivery (commission_id, work_id, step_id, number, request_key, about, note)
       values ($1, $2, $3, (select coalesce(max(number), 0) + 1 from delivery where commission_id = $1), $4, $5, $6) returning id`,
      [commission.id, workId, artwork.head, asked.requestKey, JSON.stringify(about), asked.note],
    );
    return made.id;
  });
  return getDelivery(id);
}

/** Puts a delivery back in the queue, to be packed again of the very version it was made from. What was delivered stays. */
export async function remakeDelivery(id: string): Promise<Delivery> {
  await getDelivery(id);
  await sql(
    `update delivery set state = 'waiting', error = null, takes = 0, owner = null, heartbeat_at = null where id = $1 and state in ('done', 'failed')`,
    [id],
  );
  return getDelivery(id);
}

/** What a job needs to pack a delivery; null when somebody else does, or it is done. */
export async function takeDelivery(
  id: string,
): Promise<{ lease: Lease; about: PackageAbout; drawing: Artwork } | null> {
  const lease = await takeLease('delivery', id);
  if (!lease) return null;
  const [row] = await sql<{ about: PackageAbout; step_id: string; kind: WorkKind }>(
    'select d.about, d.step_id, w.kind from delivery d join work w on w.id = d.work_id where d.id = $1',
    [id],
  );
  return { lease, about: row.about, drawing: await drawnAt(row.step_id, row.kind) };
}

/** Keeps the package of a delivery under the SHA-256 of its bytes; one that was made before is the same one. */
export async function finishDelivery(lease: Lease, zip: Uint8Array, files: readonly DeliveryFile[]): Promise<void> {
  const sha256 = createHash('sha256').update(zip).digest('hex');
  await transaction(async (tx) => {
    if (!(await writeOwned(tx, lease, `state = 'done', owner = null, finished_at = now()`))) return;
    await tx('insert into package (id, zip, files) values ($1, $2, $3) on conflict (id) do nothing', [
      sha256,
      Buffer.from(zip),
      JSON.stringify(files),
    ]);
    await tx(
      `insert into delivery_package (delivery_id, position, package_id)
       values ($1, (select coalesce(max(position), 0) + 1 from delivery_package where delivery_id = $1), $2) on conflict (delivery_id, package_id) do nothing`,
      [lease.id, sha256],
    );
  });
}

export async function failDelivery(lease: Lease): Promise<void> {
  await writeOwned(sql, lease, `state = 'failed', owner = null, error = $4`, [
    'The package could not be made: the artwork is unchanged, and the delivery can be made again',
  ]);
}

/** A package of a delivery: the newest, or the one of a SHA-256. A 409 Problem while none is made. */
export async function deliveryZip(id: string, sha256?: string): Promise<{ zip: Buffer; delivery: Delivery }> {
  const delivery = await getDelivery(id);
  const wanted = sha256 ? delivery.packages.find((p) => p.sha256 === sha256)?.sha256 : delivery.sha256;
  if (sha256 && !wanted) throw unknown('package');
  if (!wanted) throw new Problem(409, 'not_packed', 'This package is not made yet: wait until it is, or make it again');
  const [{ zip }] = await sql<{ zip: Buffer }>('select zip from package where id = $1', [wanted]);
  return { zip, delivery };
}
