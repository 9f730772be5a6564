import type * as v from 'valibot';
import type { PackageAbout } from '$core/package';
import type { Artwork } from '$core/vector';
import type { Delivery, DeliveryFile } from '../contract/answers';
import type { DeliveryStart } from '../contract/requests';
import { getArtwork } from './artworks';
import { getCommission, isUuid } from './commissions';
import { sql, transaction, type Row } from './database';
import { Problem, unknown } from './problem';
import { STALE_SECONDS } from './rounds';

const SELECT = `
  select d.id, d.number, d.artwork_id, d.step_id, d.about, d.note, d.state, d.error, d.files, d.zip_sha256, d.created_at,
    coalesce(length(d.zip), 0) as bytes, s.number as version
  from delivery d join artwork_step s on s.id = d.step_id`;

const deliveryFrom = (row: Row): Delivery => ({
  id: row.id as string,
  number: row.number as number,
  artworkId: row.artwork_id as string,
  stepId: row.step_id as string,
  version: row.version as number,
  about: row.about as PackageAbout,
  note: row.note as string,
  state: row.state as Delivery['state'],
  error: row.error as string | null,
  files: (row.files as DeliveryFile[] | null) ?? [],
  bytes: row.bytes as number,
  sha256: row.zip_sha256 as string | null,
  createdAt: (row.created_at as Date).toISOString(),
});

/** Deliveries of a commission, newest first. */
export async function listDeliveries(commissionId: string): Promise<Delivery[]> {
  return (await sql(`${SELECT} where d.commission_id = $1 order by d.number desc`, [commissionId])).map(deliveryFrom);
}

export async function getDelivery(id: string): Promise<Delivery> {
  const [row] = isUuid(id) ? await sql(`${SELECT} where d.id = $1`, [id]) : [];
  if (!row) throw unknown('delivery');
  return deliveryFrom(row);
}

/** Records a delivery of an artwork as it stands, to be packed by a job; asked twice with one request key, it is the same one. */
export async function startDelivery(artworkId: string, asked: v.InferOutput<typeof DeliveryStart>): Promise<Delivery> {
  const artwork = await getArtwork(artworkId);
  const commission = await getCommission(artwork.commissionId);
  const about: PackageAbout = {
    commission: commission.name,
    client: commission.client,
    artwork: artwork.name,
    version: artwork.version,
    date: new Date().toISOString().slice(0, 10),
  };
  const id = await transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [commission.id]);
    const [known] = await tx<{ id: string }>('select id from delivery where commission_id = $1 and request_key = $2', [
      commission.id,
      asked.requestKey,
    ]);
    if (known) return known.id;
    const [{ head }] = await tx<{ head: string }>('select head from artwork where id = $1 for update', [artworkId]);
    if (head !== asked.head || artwork.head !== head)
      throw new Problem(
        409,
        'changed_elsewhere',
        'This artwork was changed in another tab: look at its newest state, then deliver that',
      );
    const [made] = await tx<{ id: string }>(
      `insert into delivery (commission_id, artwork_id, step_id, number, request_key, about, note)
       values ($1, $2, $3, (select coalesce(max(number), 0) + 1 from delivery where commission_id = $1), $4, $5, $6) returning id`,
      [commission.id, artworkId, artwork.head, asked.requestKey, JSON.stringify(about), asked.note],
    );
    return made.id;
  });
  return getDelivery(id);
}

/** Puts a delivery back in the queue, to be packed again of the very version it was made from. */
export async function remakeDelivery(id: string): Promise<Delivery> {
  await getDelivery(id);
  await sql(
    `update delivery set state = 'waiting', error = null, heartbeat_at = null where id = $1 and state in ('done', 'failed')`,
    [id],
  );
  return getDelivery(id);
}

/** What a job needs to pack a delivery; null when somebody else does, or it is done. */
export async function takeDelivery(id: string): Promise<{ about: PackageAbout; drawing: Artwork } | null> {
  const [row] = await sql<{ about: PackageAbout; drawing: Artwork }>(
    `update delivery d set state = 'packing', heartbeat_at = now() from artwork_step s
     where d.id = $1 and s.id = d.step_id and (d.state = 'waiting'
       or (d.state = 'packing' and d.heartbeat_at < now() - make_interval(secs => $2))) returning d.about, s.drawing`,
    [id, STALE_SECONDS * 6],
  );
  return row ?? null;
}

export async function finishDelivery(
  id: string,
  zip: Uint8Array,
  sha256: string,
  files: readonly DeliveryFile[],
): Promise<void> {
  await sql(
    `update delivery set state = 'done', zip = $2, zip_sha256 = $3, files = $4, finished_at = now() where id = $1`,
    [id, Buffer.from(zip), sha256, JSON.stringify(files)],
  );
}

export async function failDelivery(id: string): Promise<void> {
  await sql(`update delivery set state = 'failed', error = $2 where id = $1 and state = 'packing'`, [
    id,
    'The package could not be made: the artwork is unchanged, and the delivery can be made again',
  ]);
}

/** Deliveries that wait, or whose server has gone. */
export async function orphanedDeliveries(): Promise<string[]> {
  const rows = await sql<{ id: string }>(
    `select id from delivery where (state = 'waiting' and created_at < now() - interval '3 seconds')
       or (state = 'packing' and heartbeat_at < now() - make_interval(secs => $1))`,
    [STALE_SECONDS * 6],
  );
  return rows.map((r) => r.id);
}

/** The package of a delivery; a 409 Problem while it is not made. */
export async function deliveryZip(id: string): Promise<{ zip: Buffer; delivery: Delivery }> {
  const delivery = await getDelivery(id);
  const [row] = await sql<{ zip: Buffer | null }>('select zip from delivery where id = $1', [id]);
  if (!row?.zip)
    throw new Problem(409, 'not_packed', 'This package is not made yet: wait until it is, or make it again');
  return { zip: row.zip, delivery };
}
