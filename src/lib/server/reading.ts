/** Lettering that is read in pictures: for every new candidate by itself, and for whoever asks. */
import { setTimeout as pause } from 'node:timers/promises';
import type { Lettering } from '$core/reading';
import type { Retouched } from '$core/retouch';
import { Pool, TaskError } from '../../../node/pool';
import type { LetteringRead } from '../contract/answers';
import { getCandidate } from './candidates';
import { computedIn } from './computing';
import { sql, transaction } from './database';
import { watch } from './events';
import { pictureFrom, picturePng } from './pictures';
import { databaseIsGone, Problem } from './problem';
import { retouchedPicture } from './retouching';
import { settings } from './settings';
import { stateAt } from './work-history';
import { workRow } from './works';

/** A reading that goes on for longer than this was left by a server that has gone, in seconds; one that was begun so often is given up. */
const STALE_SECONDS = 90;
const TAKES_MOST = 3;
/** How long after it did not start recognition is tried again. */
const OFF_MS = 10 * 60_000;
/** How often one looks whether somebody else has read what one waits for. */
const LOOK_AGAIN_MS = 300;
/** How often candidates are looked for that nobody told of, and how long running rounds are left in peace. */
const SWEEP_MS = 4000;
const PEACE_MS = 700;

let pool: Pool | null = null;
let off: { readonly why: string; readonly until: number } | null = null;
let timer: NodeJS.Timeout | undefined;
let unwatch = (): void => {};
let running: { readonly abort: AbortController; readonly ended: Promise<void> } | null = null;
let stopped = true;

const threads = (): Pool => (pool ??= new Pool(settings.threadFile(), 1, { maxOldGenerationSizeMb: 1024 }, true));

/** Why lettering cannot be read at the moment, in a sentence; null while it can. */
export const readingIsOff = (): string | null => (off && off.until > Date.now() ? off.why : null);

/** Reads a picture's lettering in a thread that stands back behind all others. Throws a 503 Problem where recognition does not work. */
async function read(picturePngBytes: Uint8Array, asked: string, signal: AbortSignal): Promise<Lettering> {
  const why = readingIsOff();
  if (why) throw new Problem(503, 'no_recognition', why);
  try {
    const picture = await pictureFrom(picturePngBytes);
    const lettering = await computedIn(threads(), 'readLettering', { picture, asked: asked || null }, signal);
    off = null;
    return lettering;
  } catch (error) {
    if (!(error instanceof TaskError) || error.code !== 'no_recognition') throw error;
    off = { why: error.message, until: Date.now() + OFF_MS };
    throw new Problem(503, 'no_recognition', error.message);
  }
}

/** Claims a picture's reading, so that of several servers one does it; null where it is done, or somebody does it. One that was begun too often is given up. */
async function claim(pictureId: string, asked: string): Promise<string | null> {
  const stale = `l.state = 'reading' and l.claimed_at < now() - make_interval(secs => $3)`;
  const [row] = await sql<{ owner: string }>(
    `insert into picture_lettering as l (picture_id, asked) values ($1, $2)
     on conflict (picture_id, asked) do update set owner = gen_random_uuid(), claimed_at = now(), takes = l.takes + 1
       where ${stale} and l.takes < $4
     returning owner`,
    [pictureId, asked, STALE_SECONDS, TAKES_MOST],
  );
  if (row) return row.owner;
  await sql(
    `update picture_lettering l set state = 'failed' where picture_id = $1 and asked = $2 and ${stale} and l.takes >= $4`,
    [pictureId, asked, STALE_SECONDS, TAKES_MOST],
  );
  return null;
}

/** Keeps what was read, and tells whoever watches the candidates that have the picture. */
async function keep(pictureId: string, asked: string, owner: string, lettering: Lettering | null): Promise<void> {
  await transaction(async (tx) => {
    const [kept] = await tx(
      `update picture_lettering set state = $4, verdict = $5, lines = $6
       where picture_id = $1 and asked = $2 and owner = $3 and state = 'reading' returning 1`,
      [
        pictureId,
        asked,
        owner,
        lettering ? 'done' : 'failed',
        lettering?.verdict ?? null,
        lettering ? JSON.stringify(lettering.lines) : null,
      ],
    );
    if (kept && lettering?.lines.length)
      await tx(
        `select pg_notify('odd_quill', json_build_object('subject', 'candidate', 'id', k.id, 'commissionId', k.commission_id)::text)
         from candidate k where k.picture_id = $1 and k.lettering_asked = $2`,
        [pictureId, asked],
      );
  });
}

const handBack = (pictureId: string, asked: string, owner: string) =>
  sql(`delete from picture_lettering where picture_id = $1 and asked = $2 and owner = $3 and state = 'reading'`, [
    pictureId,
    asked,
    owner,
  ]);

/** Reads a picture where nobody has yet, or is about to; gives whether it was oneself. */
async function readWhereUnread(pictureId: string, asked: string, signal: AbortSignal): Promise<boolean> {
  const owner = await claim(pictureId, asked);
  if (!owner) return false;
  try {
    await keep(pictureId, asked, owner, await read(await picturePng(pictureId), asked, signal));
    return true;
  } catch (error) {
    // A picture that cannot be read is not tried for ever; what has nothing to do with it is tried again.
    const isPassing = error instanceof Problem && error.status === 503;
    if (signal.aborted || isPassing || databaseIsGone(error)) await handBack(pictureId, asked, owner);
    else await keep(pictureId, asked, owner, null);
    throw error;
  }
}

/** The newest candidate whose lettering nobody has read, unless rounds are being drawn: those come first. */
async function nextUnread(): Promise<{ pictureId: string; asked: string } | 'busy' | null> {
  const [busy] = await sql(`select 1 from round where state in ('waiting', 'drawing') limit 1`);
  if (busy) return 'busy';
  const [row] = await sql<{ picture_id: string; lettering_asked: string }>(
    `select k.picture_id, k.lettering_asked from candidate k
     left join picture_lettering l on l.picture_id = k.picture_id and l.asked = k.lettering_asked
     where k.lettering_asked is not null and (l.picture_id is null
       or (l.state = 'reading' and l.claimed_at < now() - make_interval(secs => $1) and l.takes < $2))
     order by k.created_at desc, k.position limit 1`,
    [STALE_SECONDS, TAKES_MOST],
  );
  return row ? { pictureId: row.picture_id, asked: row.lettering_asked } : null;
}

function soon(ms: number): void {
  if (stopped) return;
  clearTimeout(timer);
  timer = setTimeout(() => void readNext(), ms);
}

async function readNext(): Promise<void> {
  if (running || stopped) return;
  if (readingIsOff()) return soon(SWEEP_MS);
  const abort = new AbortController();
  let wait = SWEEP_MS;
  const work = async (): Promise<void> => {
    try {
      const next = await nextUnread();
      if (next === 'busy') wait = PEACE_MS;
      else if (next) {
        await readWhereUnread(next.pictureId, next.asked, abort.signal);
        wait = 0;
      }
    } catch (error) {
      if (!abort.signal.aborted && !databaseIsGone(error))
        console.error('reading lettering:', (error as Error).message);
    }
  };
  const ended = work();
  running = { abort, ended };
  await ended;
  running = null;
  soon(wait);
}

/** Starts reading the lettering of new candidates, one after the other, while no round is being drawn. */
export function startReading(): void {
  stopped = false;
  unwatch = watch(({ subject }) => {
    if (subject === 'candidate' && !running) soon(PEACE_MS);
  });
  soon(SWEEP_MS);
}

export async function stopReading(): Promise<void> {
  stopped = true;
  clearTimeout(timer);
  unwatch();
  running?.abort.abort(new Error('the server stops'));
  await running?.ended;
  await pool?.close();
  pool = null;
}

/** The lettering of a candidate, read now where it was not before. Throws a 503 Problem where recognition does not work. */
export async function candidateLettering(id: string, caller: AbortSignal): Promise<LetteringRead> {
  const { pictureId } = await getCandidate(id);
  return letteringOf(pictureId, await askedOf(id), caller);
}

/** The lettering of a retouched picture as it is now, held against what its candidate was asked for. */
export async function retouchedLettering(id: string, caller: AbortSignal): Promise<LetteringRead> {
  const { head } = await workRow(id, 'retouched');
  const [source] = await sql<{ candidate_id: string }>(
    `select r.candidate_id from work_source r join work_step s on s.id = r.step_id where s.work_id = $1 and r.candidate_id is not null order by s.number limit 1`,
    [id],
  );
  const { entries, pictureId } = await stateAt<Retouched>(head);
  const picture = entries.some((e) => !e.hidden) ? (await retouchedPicture(id, head, caller)).pictureId : pictureId;
  return letteringOf(picture, source ? await askedOf(source.candidate_id) : '', caller);
}

async function askedOf(candidateId: string): Promise<string> {
  const [row] = await sql<{ lettering_asked: string | null }>('select lettering_asked from candidate where id = $1', [
    candidateId,
  ]);
  return row?.lettering_asked ?? '';
}

/** A picture's lettering, waited for where somebody else is reading it; of one that was given up, none. */
async function letteringOf(pictureId: string, asked: string, caller: AbortSignal): Promise<LetteringRead> {
  for (;;) {
    await readWhereUnread(pictureId, asked, caller);
    const [row] = await sql<Lettering & { state: string }>(
      'select state, verdict, lines from picture_lettering where picture_id = $1 and asked = $2',
      [pictureId, asked],
    );
    if (row?.state === 'done') return { asked, verdict: row.verdict, lines: row.lines };
    if (row?.state === 'failed') return { asked, verdict: 'none', lines: [] };
    // It ends, or grows stale, or is handed back.
    await pause(LOOK_AGAIN_MS, undefined, { signal: caller });
  }
}

/** The lettering of a picture that was sent. Throws a 422 or 503 Problem. */
export async function readFile(file: Uint8Array, asked: string, caller: AbortSignal) {
  const started = performance.now();
  const { lines, verdict } = await read(file, asked, caller);
  return { found: lines.flatMap((l) => l.words), verdict, ms: Math.round(performance.now() - started) };
}
