import type * as v from 'valibot';
import { createHash } from 'node:crypto';
import { comparePackages, fileStem, inksSaid, looksOf, sensibleFor, setsWith, subjectKind, type For, type PackageCheck } from '$core/package'; // prettier-ignore
import { textsOf, type Lockup } from '$core/lockup';
import { MASTER } from '$core/vector';
import type {
  Delivery,
  DeliveredRow,
  DeliveryAsked,
  DeliveryFile,
  GroundColour,
  PackageAbout,
  WorkKind,
  WorkState,
} from '../contract/answers';
import type { DeliveryStart } from '../contract/requests';
import type { OrderedFile, OrderedSubject, PackageOrder } from '../../../node/package-run';
import { packed, unpacked, zipStream, type Packed, type ZipStream } from '../../../node/zip';
import { getCommission, isUuid } from './commissions';
import { sql, transaction, type Row, type Sql } from './database';
import { descentOf } from './descent';
import { takeLease, writeOwned, type Lease } from './leases';
import { drawnAt, drawnWork } from './lockups';
import { rowsAsked, subjectOfWork } from './packable';
import { Problem, unknown } from './problem';
import { stateAt } from './work-history';
import { lockWork } from './works';

/** The package made last, and all that were. `files` and `checks` are large: lists have them not. */
const SELECT = `
  select d.id, d.number, d.work_id, d.step_id, d.about, d.note, d.state, d.error, d.created_at, d.progress, d.doing, d.asked, s.number as version,
    last.files, last.checks,
    (select jsonb_agg(jsonb_build_object('sha256', p.id, 'bytes', p.bytes, 'createdAt', m.created_at) order by m.position desc)
       from delivery_package m join package p on p.id = m.package_id where m.delivery_id = d.id) as packages,
    (select jsonb_build_object('number', e.number, 'files', p.files) from delivery e join delivery_package m on m.delivery_id = e.id join package p on p.id = m.package_id
       where e.commission_id = d.commission_id and e.number < d.number and e.state = 'done' order by e.number desc, m.position desc limit 1) as before
  from delivery d join work_step s on s.id = d.step_id
  left join lateral (select p.files, p.checks from delivery_package m join package p on p.id = m.package_id where m.delivery_id = d.id
    order by m.position desc limit 1) last on true`;

/** What there is of a colourway that is delivered by itself. */
const FOR_ONE: readonly For[] = ['print', 'web', 'developers'];

type ToldFile = DeliveryFile & { readonly sha256: string };
const isTold = (files: readonly DeliveryFile[]): files is ToldFile[] => files.every((f) => f.sha256 !== undefined);

/** Not one that tells of a package: those differ whenever packages do. */
const isMade = (file: DeliveryFile): boolean => file.name.includes('/');

function deliveryFrom(row: Row, isWhole: boolean): Delivery {
  const packages = (row.packages as Delivery['packages'] | null) ?? [];
  const files = (row.files as DeliveryFile[] | null) ?? [];
  const checks = (row.checks as PackageCheck[] | null) ?? [];
  const before = row.before as { number: number; files: DeliveryFile[] } | null;
  const changes = before && files.length && isTold(files) && isTold(before.files) ? { since: before.number, ...comparePackages(before.files.filter(isMade), files.filter(isMade)) } : null; // prettier-ignore
  return {
    id: row.id as string,
    number: row.number as number,
    workId: row.work_id as string,
    stepId: row.step_id as string,
    version: row.version as number,
    about: row.about as PackageAbout,
    note: row.note as string,
    state: row.state as Delivery['state'],
    progress: row.progress as number,
    doing: row.doing as string | null,
    error: row.error as string | null,
    asked: row.asked as DeliveryAsked | null,
    files: isWhole ? files : [],
    fileCount: files.length,
    bytes: packages[0]?.bytes ?? 0,
    sha256: packages[0]?.sha256 ?? null,
    checks: isWhole ? checks : [],
    faults: checks.filter((c) => !c.ok).length,
    changes,
    packages,
    createdAt: (row.created_at as Date).toISOString(),
  };
}

/** Deliveries of a commission, newest first, without what is in them. */
export async function listDeliveries(commissionId: string): Promise<Delivery[]> {
  const rows = await sql(`${SELECT} where d.commission_id = $1 order by d.number desc`, [commissionId]);
  return rows.map((row) => deliveryFrom(row, false));
}

export async function getDelivery(id: string): Promise<Delivery> {
  const [row] = isUuid(id) ? await sql(`${SELECT} where d.id = $1`, [id]) : [];
  if (!row) throw unknown('delivery');
  return deliveryFrom(row, true);
}

/** What is wanted of one work when nothing is said: what makes sense of its looks; of a colourway, what prints and shows it. */
function rowsOf({ id, head, drawing, kind }: WorkState, colourwayId = MASTER) {
  const own = { kind: kind === 'lockup' ? kind : subjectKind(drawing) };
  return looksOf(drawing)
    .filter((look) => (colourwayId === MASTER ? look.kind !== 'colourway' : look.key === colourwayId))
    .map((look) => ({ workId: id, head, look: look.key, for: look.kind === 'colourway' ? FOR_ONE : sensibleFor(own, look) })); // prettier-ignore
}

/** Records a delivery of works as they stand, to be packed by a job; asked twice with one request key, it is the same one. */
export async function startDelivery(workId: string, ask: v.InferOutput<typeof DeliveryStart>): Promise<Delivery> {
  const work = await drawnWork(workId);
  const commission = await getCommission(work.commissionId);
  const [known] = await sql<{ id: string }>('select id from delivery where commission_id = $1 and request_key = $2', [commission.id, ask.requestKey]); // prettier-ignore
  if (known) return getDelivery(known.id);
  const { colourwayId } = ask;
  const colourway = work.drawing.colourways?.find((c) => c.id === colourwayId);
  if (colourwayId !== undefined && colourwayId !== MASTER && !colourway)
    throw new Problem(
      422,
      'unknown_colourway',
      'This artwork has no such colourway: look at its newest state, then deliver that',
    );
  if (work.head !== ask.head) throw movedOn(work.name);
  const { rows, works } = await rowsAsked(commission.id, ask.rows ?? rowsOf(work, colourwayId));
  if (!rows.length)
    throw new Problem(422, 'nothing_wanted', 'Nothing is wanted yet: tick what the client is to have, or draw something first'); // prettier-ignore
  const asked: DeliveryAsked = { works, rows, sets: setsWith(ask.sets), grounds: commission.grounds };
  const about: PackageAbout = {
    commission: commission.name,
    client: commission.client,
    stem: works.find((w) => w.workId === workId)?.stem ?? fileStem(commission.name),
    artwork: work.name,
    version: work.version,
    date: new Date().toISOString().slice(0, 10),
    ...(colourway && !ask.rows ? { colourway: { id: colourway.id, name: colourway.name } } : {}),
  };
  const id = await transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [commission.id]);
    const [again] = await tx<{ id: string }>('select id from delivery where commission_id = $1 and request_key = $2', [commission.id, ask.requestKey]); // prettier-ignore
    if (again) return again.id;
    for (const { workId: own, stepId, name } of [...works].sort((a, b) => (a.workId < b.workId ? -1 : 1)))
      if ((await lockWork(tx, own)).head !== stepId) throw movedOn(name);
    const descent = await descentOf(commission, works, tx);
    const [row] = await tx<{ id: string }>(
      `insert into delivery (commission_id, work_id, step_id, number, request_key, about, note, asked, descent)
       values ($1, $2, $3, (select coalesce(max(number), 0) + 1 from delivery where commission_id = $1), $4, $5, $6, $7, $8) returning id`,
      [commission.id, workId, work.head, ask.requestKey, JSON.stringify(about), ask.note, JSON.stringify(asked), JSON.stringify(descent)], // prettier-ignore
    );
    return row.id;
  });
  return getDelivery(id);
}

const movedOn = (name: string): Problem =>
  new Problem(
    409,
    'changed_elsewhere',
    `${name} was changed in another tab: look at its newest state, then deliver that`,
  );

/** Puts a delivery back in the queue, to be packed again of the very versions it was made from. What was delivered stays. */
export async function remakeDelivery(id: string): Promise<Delivery> {
  await getDelivery(id);
  await sql(
    `update delivery set state = 'waiting', error = null, takes = 0, progress = 0, doing = null, owner = null, heartbeat_at = null
     where id = $1 and state in ('done', 'failed', 'cancelled')`,
    [id],
  );
  return getDelivery(id);
}

/** Stops a delivery that is not done; what packs it hears of it. One that was done before, and is made again, is as it was. */
export async function cancelDelivery(id: string): Promise<Delivery> {
  await getDelivery(id);
  await sql(
    `update delivery set state = case when exists (select 1 from delivery_package m where m.delivery_id = delivery.id) then 'done' else 'cancelled' end, owner = null, finished_at = now()
     where id = $1 and state in ('waiting', 'packing')`,
    [id],
  ); // prettier-ignore
  return getDelivery(id);
}

/** A delivery from before rows were told: of one work, in one look. */
async function askedBefore(row: {
  about: PackageAbout;
  work_id: string;
  step_id: string;
  kind: WorkKind;
}): Promise<DeliveryAsked> {
  const { about, work_id: workId, step_id: stepId, kind } = row;
  const drawing = await drawnAt(stepId, kind);
  const key = about.colourway?.id ?? MASTER;
  const look = looksOf(drawing).find((l) => l.key === key) ?? looksOf(drawing)[0];
  const stem = about.stem ?? fileStem(about.commission);
  const rows: DeliveredRow[] = [{ workId, look, for: FOR_ONE, stem }];
  const [{ grounds }] = await sql<{ grounds: GroundColour[] }>(
    'select c.grounds from commission c join work w on w.commission_id = c.id where w.id = $1',
    [workId],
  );
  const works = [{ workId, stepId, kind, name: about.artwork, stem, version: about.version, date: about.date }];
  return { works, rows, sets: setsWith({}), grounds };
}

/** Takes a delivery for packing, with what finds what is to be packed; null when somebody else does, or it is done. */
export async function takeDelivery(id: string): Promise<{ lease: Lease; order: () => Promise<PackageOrder> } | null> {
  const lease = await takeLease('delivery', id);
  return lease && { lease, order: () => orderOf(id) };
}

async function orderOf(id: string): Promise<PackageOrder> {
  const [row] = await sql<{ about: PackageAbout; asked: DeliveryAsked | null; descent: object | null; number: number; work_id: string; step_id: string; kind: WorkKind }>(
    'select d.about, d.asked, d.descent, d.number, d.work_id, d.step_id, w.kind from delivery d join work w on w.id = d.work_id where d.id = $1',
    [id],
  ); // prettier-ignore
  const { about } = row;
  const { works, rows, sets, grounds } = row.asked ?? (await askedBefore(row));
  const subjects: OrderedSubject[] = [];
  // One after the other: only so many may wait to be drawn at once.
  for (const work of works) {
    const artwork = await drawnAt(work.stepId, work.kind);
    const texts = work.kind === 'lockup' ? textsOf(await stateAt<Lockup>(work.stepId)) : [];
    const faces = texts.map(({ face: { family, weight } }) => ({ family, weight }));
    subjects.push({ ...subjectOfWork({ ...work, artwork }, about.commission), date: work.date, faces });
  }
  const made = works.map((work, k) => `${work.name}, version ${work.version}: ${inksSaid(subjects[k].artwork)}`);
  const again = `Delivery ${row.number} of this commission, made again: the same versions give the same bytes`;
  return {
    title: about.commission,
    date: about.date,
    grounds,
    sets,
    rows: rows.map(({ workId, ...rest }) => ({ ...rest, subject: subjects.find((s) => s.key === workId)! })),
    made: [...(about.client ? [`For ${about.client}`] : []), ...made],
    descent: { ...(row.descent ?? {}), delivery: row.number, again },
  };
}

/** Says how far a delivery is, and that somebody is still at it; false when it was cancelled, or taken by somebody else. */
export const reportPacked = (lease: Lease, share: number, doing: string | null): Promise<boolean> =>
  writeOwned(sql, lease, 'heartbeat_at = now(), progress = $4, doing = $5', [share, doing]);

/** Keeps the files of a package as they come, and finds the bytes of its zip. */
export class PackageKeeper {
  private readonly hash = createHash('sha256');
  private readonly zip: ZipStream;
  private bytes = 0;

  constructor(
    private readonly lease: Lease,
    date: string,
  ) {
    this.zip = zipStream(date, (chunk) => {
      this.bytes += chunk.length;
      this.hash.update(chunk);
    });
  }

  async put({ name, sha256 }: OrderedFile, bytes: Uint8Array): Promise<void> {
    // The bytes of a file that is there are those that are sent: they are not packed anew.
    const own = (await filePacked(sha256)) ?? (await packed(name, bytes));
    await sql(
      `insert into packed_file (id, bytes, crc, method, content) values ($1, $2, $3, $4, $5) on conflict (id) do nothing`,
      [sha256, own.bytes, own.crc, own.method, Buffer.from(own.content)],
    );
    this.zip.add(name, own);
  }

  /** Keeps the package under the SHA-256 of its zip; one that was made before is the same one. */
  async finish(files: readonly OrderedFile[], checks: readonly PackageCheck[]): Promise<void> {
    this.zip.end();
    const id = this.hash.digest('hex');
    await transaction(async (tx) => {
      if (!(await writeOwned(tx, this.lease, `state = 'done', owner = null, progress = 1, doing = null, finished_at = now()`))) return; // prettier-ignore
      await tx('insert into package (id, bytes, files, checks) values ($1, $2, $3, $4) on conflict (id) do nothing', [
        id,
        this.bytes,
        JSON.stringify(files),
        JSON.stringify(checks),
      ]);
      await tx(
        `insert into package_file (package_id, position, name, file_id)
         select $1, f.position, f.value ->> 'name', f.value ->> 'sha256' from jsonb_array_elements($2::jsonb) with ordinality f (value, position) on conflict do nothing`,
        [id, JSON.stringify(files)],
      ); // prettier-ignore
      await tx(
        `insert into delivery_package (delivery_id, position, package_id)
         values ($1, (select coalesce(max(position), 0) + 1 from delivery_package where delivery_id = $1), $2) on conflict (delivery_id, package_id) do nothing`,
        [this.lease.id, id],
      );
    });
  }
}

async function filePacked(sha256: string, run: Sql = sql): Promise<Packed | null> {
  const [row] = await run<{ bytes: number; crc: number; method: 0 | 8; content: Buffer }>(
    'select bytes, crc, method, content from packed_file where id = $1',
    [sha256],
  );
  return row ?? null;
}

/** Why a package could not be made, in a sentence. */
function faultOf(error: unknown): string {
  const { code } = error as { code?: string };
  if (code === '53100' || code === 'ENOSPC')
    return 'The disk is full, so the package could not be made: nothing was lost; make room, then make it again';
  if (code === 'ERR_WORKER_OUT_OF_MEMORY')
    return 'A file took more memory than there is for it: the work is unchanged; want less of it, or fewer pieces in it';
  return 'The package could not be made: the artwork is unchanged, and the delivery can be made again';
}

export async function failDelivery(lease: Lease, error: unknown): Promise<void> {
  await writeOwned(sql, lease, `state = 'failed', owner = null, doing = null, error = $4`, [faultOf(error)]);
}

/** A package of a delivery, as a zip that is put together while it is read: the newest, or the one of a SHA-256. A 409 Problem while none is made. */
export async function deliveryZip(
  id: string,
  sha256?: string,
): Promise<{ zip: AsyncGenerator<Uint8Array>; bytes: number; delivery: Delivery }> {
  const delivery = await getDelivery(id);
  const wanted = sha256 ? delivery.packages.find((p) => p.sha256 === sha256) : delivery.packages[0];
  if (sha256 && !wanted) throw unknown('package');
  if (!wanted) throw new Problem(409, 'not_packed', 'This package is not made yet: wait until it is, or make it again');
  return { zip: zipOf(wanted.sha256, delivery.about.date), bytes: wanted.bytes, delivery };
}

async function* zipOf(packageId: string, date: string): AsyncGenerator<Uint8Array> {
  const [{ zip: whole }] = await sql<{ zip: Buffer | null }>('select zip from package where id = $1', [packageId]);
  if (whole) return yield whole;
  const files = await sql<{ name: string; file_id: string }>(
    'select name, file_id from package_file where package_id = $1 order by position',
    [packageId],
  );
  let chunks: Uint8Array[] = [];
  const zip = zipStream(date, (chunk) => chunks.push(chunk));
  for (const { name, file_id: file } of files) {
    zip.add(name, (await filePacked(file))!);
    yield* chunks;
    chunks = [];
  }
  zip.end();
  yield* chunks;
}

/** A file of the newest package of a delivery. */
export async function deliveryFile(id: string, name: string): Promise<Uint8Array> {
  const { sha256 } = await getDelivery(id);
  const [row] = await sql<{ file_id: string }>('select file_id from package_file where package_id = $1 and name = $2', [sha256, name]); // prettier-ignore
  if (!row) throw unknown('file');
  return unpacked((await filePacked(row.file_id))!);
}
