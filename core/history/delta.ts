/**
 * What changed between two states of a work, as plain JSON that can be applied and taken back. Lists whose members have ids (nodes, inks, guides,
 * operations) are compared by those, so that a moved member is a move and not two copies; other lists by the stretch that differs. A state is JSON
 * without `undefined`; a field that is undefined counts as missing.
 */

/** A change of one value. */
export type Delta =
  /** From one value to another, either of them missing where there was, or is, none. */
  | { readonly from?: unknown; readonly to?: unknown }
  /** Fields of a record that changed. */
  | { readonly fields: { readonly [name: string]: Delta } }
  /** Members of a list with ids. */
  | ListDelta
  /** A stretch of a list without ids, from a place on. */
  | { readonly at: number; readonly out: readonly unknown[]; readonly in: readonly unknown[] }
  /** Members of a list without ids that changed, by their place. */
  | { readonly items: { readonly [index: string]: Delta } };

interface ListDelta {
  /** Places and ids of members that left or were moved, as they stood before, from first to last. */
  readonly left: readonly (readonly [number, string])[];
  /** Places and ids of members that came or were moved, as they stand after, from first to last. */
  readonly came: readonly (readonly [number, string])[];
  /** Members that are gone and those that are new, by id; one that moved is in neither. */
  readonly gone?: { readonly [id: string]: unknown };
  readonly fresh?: { readonly [id: string]: unknown };
  /** Changes within members that stayed, by id. */
  readonly within?: { readonly [id: string]: Delta };
}

/** The state does not have what a delta takes away: it is not the one that the delta was made of. */
export class DeltaError extends Error {}

type Json = Record<string, unknown>;

const isRecord = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether a list's members have ids, each its own. */
function idsOf(list: readonly unknown[]): string[] | null {
  const seen = new Set<string>();
  for (const member of list) {
    const id = isRecord(member) ? member.id : undefined;
    if (typeof id !== 'string' || seen.has(id)) return null;
    seen.add(id);
  }
  return [...seen];
}

/** Places of a longest run of numbers that rise (patience sorting, Fredman 1975): members there stay, all others are moved. */
function longestRise(values: readonly number[]): Set<number> {
  const tails: number[] = [];
  const before = new Int32Array(values.length).fill(-1);
  values.forEach((value, i) => {
    let [low, high] = [0, tails.length];
    while (low < high) {
      const mid = (low + high) >> 1;
      if (values[tails[mid]] < value) low = mid + 1;
      else high = mid;
    }
    if (low > 0) before[i] = tails[low - 1];
    tails[low] = i;
  });
  const out = new Set<number>();
  for (let i = tails.length ? tails[tails.length - 1] : -1; i >= 0; i = before[i]) out.add(i);
  return out;
}

const isEmpty = (record: object): boolean => Object.keys(record).length === 0;

/** A list as places and ids, for those members that do not stay where they are among the others. */
function listDelta(
  before: readonly unknown[],
  after: readonly unknown[],
  ids: readonly [string[], string[]],
): Delta | null {
  const [oldIds, newIds] = ids;
  const oldPlace = new Map(oldIds.map((id, k) => [id, k]));
  const isNew = new Set(newIds);
  const shared = newIds.filter((id) => oldPlace.has(id));
  const stays = longestRise(shared.map((id) => oldPlace.get(id)!));
  const staying = new Set(shared.filter((_, k) => stays.has(k)));
  const gone: Json = {};
  const fresh: Json = {};
  const within: Record<string, Delta> = {};
  const left: [number, string][] = [];
  const came: [number, string][] = [];
  oldIds.forEach((id, k) => {
    if (staying.has(id)) return;
    left.push([k, id]);
    if (!isNew.has(id)) gone[id] = before[k];
  });
  newIds.forEach((id, k) => {
    if (!staying.has(id)) came.push([k, id]);
    const old = oldPlace.get(id);
    if (old === undefined) fresh[id] = after[k];
    else {
      const inner = deltaBetween(before[old], after[k]);
      if (inner) within[id] = inner;
    }
  });
  if (!left.length && !came.length && isEmpty(within)) return null;
  return {
    left,
    came,
    ...(isEmpty(gone) ? {} : { gone }),
    ...(isEmpty(fresh) ? {} : { fresh }),
    ...(isEmpty(within) ? {} : { within }),
  };
}

/** The stretch in which two lists without ids differ; where each member there has changed a little, those changes. */
function stretchDelta(before: readonly unknown[], after: readonly unknown[]): Delta | null {
  let at = 0;
  const most = Math.min(before.length, after.length);
  while (at < most && same(before[at], after[at])) at++;
  if (at === before.length && at === after.length) return null;
  let end = 0;
  while (end < most - at && same(before[before.length - 1 - end], after[after.length - 1 - end])) end++;
  const [out, into] = [before.slice(at, before.length - end), after.slice(at, after.length - end)];
  if (
    out.length === into.length &&
    out.every((v, k) => typeof v === 'object' && v !== null && typeof into[k] === 'object')
  ) {
    const items: Record<string, Delta> = {};
    out.forEach((v, k) => {
      const inner = deltaBetween(v, into[k]);
      if (inner) items[String(at + k)] = inner;
    });
    return { items };
  }
  return { at, out, in: into };
}

const same = (a: unknown, b: unknown): boolean => a === b || deltaBetween(a, b) === null;

/** What changed from one state to another; null when nothing did. Parts that are the very same value are not looked into. */
export function deltaBetween(before: unknown, after: unknown): Delta | null {
  if (before === after) return null;
  if (Array.isArray(before) && Array.isArray(after)) {
    const ids = [idsOf(before), idsOf(after)];
    // A list that is empty on one side goes by the other's members.
    if (ids[0] && ids[1] && before.length + after.length > 0) return listDelta(before, after, [ids[0], ids[1]]);
    return stretchDelta(before, after);
  }
  if (isRecord(before) && isRecord(after)) {
    const fields: Record<string, Delta> = {};
    for (const name of new Set([...Object.keys(before), ...Object.keys(after)])) {
      const inner = deltaBetween(before[name], after[name]);
      if (inner) fields[name] = inner;
    }
    return isEmpty(fields) ? null : { fields };
  }
  if (typeof before === 'number' && typeof after === 'number' && Object.is(before, after)) return null;
  return { ...(before === undefined ? {} : { from: before }), ...(after === undefined ? {} : { to: after }) };
}

const fail = (): never => {
  throw new DeltaError('this change was made to another state');
};

/** Up to so many members are taken out and put in one by one; more are done in one pass. */
const FEW = 24;

function withMoves(list: readonly unknown[], { left, came, fresh = {} }: ListDelta): unknown[] {
  const aside = new Map<string, unknown>();
  for (const [k, id] of left) {
    const member = list[k];
    if (!isRecord(member) || member.id !== id) return fail();
    aside.set(id, member);
  }
  const memberOf = (id: string): unknown => {
    const member = Object.hasOwn(fresh, id) ? fresh[id] : aside.get(id);
    return member === undefined ? fail() : member;
  };
  if (left.length + came.length <= FEW) {
    const out = list.slice();
    for (let k = left.length - 1; k >= 0; k--) out.splice(left[k][0], 1);
    for (const [k, id] of came) {
      if (k > out.length) return fail();
      out.splice(k, 0, memberOf(id));
    }
    return out;
  }
  const leaving = new Set(left.map(([k]) => k));
  const stay = list.filter((_, k) => !leaving.has(k));
  const out: unknown[] = [];
  let next = 0;
  for (const [k, id] of came) {
    while (out.length < k) {
      if (next >= stay.length) return fail();
      out.push(stay[next++]);
    }
    out.push(memberOf(id));
  }
  for (; next < stay.length; next++) out.push(stay[next]);
  return out;
}

function applyToList(list: readonly unknown[], delta: ListDelta): unknown[] {
  const out = withMoves(list, delta);
  for (const [id, inner] of Object.entries(delta.within ?? {})) {
    let k = 0;
    while (k < out.length && (out[k] as Json).id !== id) k++;
    if (k === out.length) return fail();
    out[k] = applyDelta(out[k], inner);
  }
  return out;
}

/** The state after a change; parts that did not change are the same values. Throws a DeltaError on a state that it was not made of. */
export function applyDelta<T>(state: T, delta: Delta): T {
  const value: unknown = state;
  if ('fields' in delta) {
    if (!isRecord(value)) return fail();
    const out: Json = { ...value };
    for (const [name, inner] of Object.entries(delta.fields)) {
      const after = applyDelta(out[name], inner);
      if (after === undefined) delete out[name];
      else out[name] = after;
    }
    return out as T;
  }
  if ('left' in delta) return Array.isArray(value) ? (applyToList(value, delta) as T) : fail();
  if ('items' in delta) {
    if (!Array.isArray(value)) return fail();
    const out = [...(value as unknown[])];
    for (const [k, inner] of Object.entries(delta.items)) out[Number(k)] = applyDelta(out[Number(k)], inner);
    return out as T;
  }
  if ('at' in delta) {
    if (!Array.isArray(value) || value.length < delta.at + delta.out.length) return fail();
    return [
      ...(value as unknown[]).slice(0, delta.at),
      ...delta.in,
      ...(value as unknown[]).slice(delta.at + delta.out.length),
    ] as T;
  }
  return delta.to as T;
}

const reversedAll = (deltas: { readonly [key: string]: Delta }): Record<string, Delta> =>
  Object.fromEntries(Object.entries(deltas).map(([key, d]) => [key, reversed(d)]));

/** The change that takes a change back. */
export function reversed(delta: Delta): Delta {
  if ('fields' in delta) return { fields: reversedAll(delta.fields) };
  if ('items' in delta) return { items: reversedAll(delta.items) };
  if ('left' in delta) {
    const { left, came, gone, fresh, within } = delta;
    return {
      left: came,
      came: left,
      ...(fresh ? { gone: fresh } : {}),
      ...(gone ? { fresh: gone } : {}),
      ...(within ? { within: reversedAll(within) } : {}),
    };
  }
  if ('at' in delta) return { at: delta.at, out: delta.in, in: delta.out };
  return { ...('to' in delta ? { from: delta.to } : {}), ...('from' in delta ? { to: delta.from } : {}) };
}
