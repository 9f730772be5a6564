/** What can be packed of a commission's works, and what can be told of it before files are made. */
import type * as v from 'valibot';
import { cmykOf } from '$core/colour';
import { motionAsk, motionOf, motionsOf, motionToSvg } from '$core/motion';
import { fileStems, FORS, inLook, looksOf, planPackage, rowStems, sensibleFor, SETS, setsWith, subjectKind, subjectOf, type Look, type PackageSets, type PackageSubject } from '$core/package'; // prettier-ignore
import { sceneOf } from '$core/scene';
import { allPieces, seenInks, type Artwork } from '$core/vector';
import type {
  DeliveredRow,
  DeliveredWork,
  GroundColour,
  LookFacts,
  PackableFile,
  PackagePlan,
  WorkState,
} from '../contract/answers';
import type { LookAsked, MotionAsked, PackageSetsAsked } from '../contract/requests';
import type { LookMade } from '../../../node/package-tasks';
import { getCommission } from './commissions';
import { computed } from './computing';
import { sql } from './database';
import { drawnAt, drawnWork } from './lockups';
import { Problem, unknown } from './problem';

/** A work at one of its steps, with what it shows. */
export interface Packable extends DeliveredWork {
  readonly artwork: Artwork;
}

/** A look of an artwork by its key. A 422 Problem where it has none. */
export function lookOf(artwork: Artwork, key: string): Look {
  const look = looksOf(artwork).find((l) => l.key === key);
  if (!look)
    throw new Problem(
      422,
      'unknown_colourway',
      'This work has no such colourway: look at its newest state, then deliver that',
    );
  return look;
}

/** Names of files of all works of a commission that can be packed, by their ids: those that come later change none of those before. */
async function stemsOf(commissionId: string, name: string): Promise<Map<string, string>> {
  const works = await sql<{ id: string; name: string }>(
    `select id, name from work where commission_id = $1 order by created_at, id`,
    [commissionId],
  );
  const stems = fileStems(
    name,
    works.map((w) => w.name),
  );
  return new Map(works.map((w, k) => [w.id, stems[k]]));
}

/** All works of a commission that can be packed, as they stand, in the order in which they were made; those that show nothing are left out. */
export async function packableWorks(commissionId: string): Promise<Packable[]> {
  const { name } = await getCommission(commissionId);
  const stems = await stemsOf(commissionId, name);
  const rows = await sql<{ id: string; kind: 'artwork' | 'lockup'; name: string; head: string; version: number; at: Date }>(
    `select w.id, w.kind, w.name, w.head, s.number as version, s.created_at as at from work w join work_step s on s.id = w.head
     where w.commission_id = $1 and w.kind in ('artwork', 'lockup') order by w.created_at, w.id`,
    [commissionId],
  ); // prettier-ignore
  const drawn: Packable[] = [];
  // One after the other: only so many may wait to be drawn at once.
  for (const { id, kind, name: called, head, version, at } of rows)
    drawn.push({
      workId: id,
      stepId: head,
      kind,
      name: called,
      stem: stems.get(id)!,
      version,
      date: at.toISOString().slice(0, 10),
      artwork: await drawnAt(head, kind),
    });
  return drawn.filter((w) => allPieces(w.artwork).length > 0);
}

/** A work as packages have it: its title names the commission. */
export const subjectOfWork = ({ workId, name, stem, kind, artwork }: Packable, commission: string): PackageSubject =>
  subjectOf(artwork, {
    key: workId,
    name: name.toLowerCase().startsWith(commission.toLowerCase()) ? name : `${commission}, ${name}`,
    stem,
    kind: kind === 'lockup' ? kind : subjectKind(artwork),
  });

/** The rows of all works in all their looks, each with the names of its files. */
export function allRows(works: readonly Packable[], commission: string) {
  const rows = works.flatMap((work) => {
    const subject = subjectOfWork(work, commission);
    return looksOf(work.artwork).map((look) => ({ work, subject, look }));
  });
  const stems = rowStems(rows);
  return rows.map((row, k) => ({ ...row, stem: stems[k] }));
}

/** Works that belong with one: what its lockups are made of, and the lockups of the same marks. */
async function familyOf(workId: string): Promise<Set<string>> {
  const rows = await sql<{ lockup: string; mark: string }>(
    `select distinct f.work_id as lockup, o.work_id as mark from work_source r join work_step f on f.id = r.step_id join work_step o on o.id = r.source_step_id
     join work l on l.id = f.work_id where l.kind = 'lockup' and r.role = 'mark'
       and l.commission_id = (select commission_id from work where id = $1)`,
    [workId],
  ); // prettier-ignore
  const marks = new Set([workId, ...rows.filter((r) => r.lockup === workId).map((r) => r.mark)]);
  return new Set([...marks, ...rows.filter((r) => marks.has(r.mark)).map((r) => r.lockup)]);
}

/** So many lockups of a mark are all wanted to begin with. */
const LOCKUPS_MOST = 4;

/** All that a package could have, with what makes sense to begin with when it is made of one work. */
export async function packagePlan(
  workId: string,
  asked: v.InferOutput<typeof PackageSetsAsked> = {},
): Promise<PackagePlan> {
  const { commissionId } = await drawnWork(workId);
  const { name } = await getCommission(commissionId);
  const works = await packableWorks(commissionId);
  const family = await familyOf(workId);
  const sets = setsWith(asked);
  const rank = (w: Packable): number => (w.workId === workId ? 0 : family.has(w.workId) ? 1 : 2);
  // Of many lockups most were tried and left: only the one that is delivered from is wanted then.
  const lockups = works.filter((w) => w.kind === 'lockup' && family.has(w.workId)).length;
  const isWanted = ({ workId: id, kind }: Pick<Packable, 'workId' | 'kind'>): boolean =>
    id === workId || (family.has(id) && (kind !== 'lockup' || lockups <= LOCKUPS_MOST));
  const rows = allRows(works, name);
  const files = planPackage(
    rows.map((r) => ({ ...r, for: FORS })),
    sets,
  );
  return {
    sets,
    // The one that is delivered from comes first, then what belongs with it.
    works: [...works]
      .sort((a, b) => rank(a) - rank(b))
      .map(({ artwork, ...work }) => ({
        ...work,
        widthPx: artwork.widthPx,
        heightPx: artwork.heightPx,
        isRelated: family.has(work.workId),
        motions: rows.find((r) => r.work.workId === work.workId)!.subject.motions,
        looks: rows
          .filter((r) => r.work.workId === work.workId)
          .map(({ subject, look }) => ({ look, for: isWanted(work) ? sensibleFor(subject, look) : [] })),
      })),
    files: files.map(({ name: file, for: purpose, part, about, making, widthPx, heightPx, subject, look }): PackableFile => ({ name: file, for: purpose, part, about, making, widthPx, heightPx, workId: subject, look: look.key })), // prettier-ignore
  };
}

/** Looks that were made lately, by their step, key, and what they are checked for. */
const made = new Map<string, Promise<LookMade>>();
const MADE_MOST = 64;

/** What looks of a step begin with in that. */
const looked = (step: string, { key, name }: Look): string => `${step} ${key} ${name} `;

function lookAt(
  { id: workId, name, drawing }: WorkState,
  step: string,
  look: Look,
  sets: PackageSets,
  grounds: readonly GroundColour[],
): Promise<LookMade> {
  const id = looked(step, look) + JSON.stringify([sets.press, sets.print, grounds]);
  let own = made.get(id);
  if (!own) {
    // For all that ask, so that none of them going away ends it.
    own = computed('packageLook', { subject: { key: workId, name, artwork: drawing }, look, sets, grounds }, new AbortController().signal); // prettier-ignore
    made.set(id, own);
    own.catch(() => made.delete(id));
    for (const first of made.keys()) {
      if (made.size <= MADE_MOST) break;
      made.delete(first);
    }
  }
  return own;
}

/** What can be told of a look of a work before files are made of it, worked out in a thread. */
export async function lookFacts(workId: string, { look: key, head, sets }: v.InferOutput<typeof LookAsked>): Promise<LookFacts> {
  const work = await drawnWork(workId, head ?? null);
  const { grounds } = await getCommission(work.commissionId);
  const { artwork, checks, weight } = await lookAt(work, head ?? work.head, lookOf(work.drawing, key), setsWith(sets), grounds); // prettier-ignore
  const inks = seenInks(artwork).map(({ hex, name }) => ({ hex: hex.toUpperCase(), name, cmyk: cmykOf(hex).map((v) => Math.round(100 * v)) as never })); // prettier-ignore
  return { checks, weight, inks };
} // prettier-ignore

/** An artwork in a look, for pictures of it: whatever it was checked for. */
export async function drawnInLook(workId: string, key: string, step: string | null): Promise<Artwork> {
  const work = await drawnWork(workId, step);
  const look = lookOf(work.drawing, key);
  const at = looked(step ?? work.head, look);
  const known = [...made].find(([id]) => id.startsWith(at))?.[1];
  return (await (known ?? lookAt(work, step ?? work.head, look, SETS, []))).artwork;
}

/** A movement of a work as animated SVG. A 422 Problem for one that it cannot have. */
export async function motionOfWork(
  workId: string,
  { look: key, kind, wish }: v.InferOutput<typeof MotionAsked>,
): Promise<string> {
  const { name, drawing } = await drawnWork(workId);
  const scene = sceneOf(inLook(drawing, lookOf(drawing, key)), { strokes: 'kept' });
  if (!motionsOf(scene).includes(kind))
    throw new Problem(422, 'no_such_movement', 'This work cannot move so: a blink wants two eyes, and all wants a shape');
  return motionToSvg(motionOf(scene, { ...motionAsk(kind), ...wish }), name);
} // prettier-ignore

/** What is asked for of each work, at the versions it was looked at. Throws Problems where a work moved on, or has no such look. */
export async function rowsAsked(
  commissionId: string,
  asked: readonly { workId: string; head: string; look: string; for: DeliveredRow['for'] }[],
): Promise<{ works: DeliveredWork[]; rows: DeliveredRow[] }> {
  const { name } = await getCommission(commissionId);
  const works = await packableWorks(commissionId);
  const all = allRows(works, name);
  const rows = asked.flatMap(({ workId, head, look: key, for: fors }): DeliveredRow[] => {
    if (!fors.length) return [];
    const work = works.find((w) => w.workId === workId);
    if (!work) throw unknown('artwork');
    if (work.stepId !== head) throw new Problem(409, 'changed_elsewhere', `${work.name} was changed in another tab: look at its newest state, then deliver that`); // prettier-ignore
    const look = lookOf(work.artwork, key);
    return [{ workId, look, for: FORS.filter((f) => fors.includes(f)), stem: all.find((r) => r.work === work && r.look.key === key)!.stem }]; // prettier-ignore
  });
  const own = works.filter((w) => rows.some((r) => r.workId === w.workId));
  return { rows, works: own.map(({ artwork: _artwork, ...work }) => work) };
}
