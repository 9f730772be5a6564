/** Parts of like height in a row or on an arc: where lettering may be. */
import type { Point } from '../path';
import { arcAlong, lineAlong, pointOn, seenAlong, type Course, type Seen } from './course';
import { middleOf, type Part } from './parts';

export interface Row {
  readonly course: Course;
  /** In the order along it. */
  readonly parts: readonly Part[];
  /** Between these, across the course, nearly all of each of its parts lies, in pixels off it. */
  readonly lo: number;
  readonly hi: number;
  /** From here to there along it, in pixels; along an arc measured at its radius from the direction to the right, clockwise. */
  readonly from: number;
  readonly to: number;
  readonly score: number;
}

/** Letters of a line differ in height by no more than this. */
const HEIGHTS = { least: 0.42, most: 1.9 } as const;
/** The widest gap in a line, as a share of the letters' height: a space between words that are set wide. */
const GAP = 1.9;
/** How far letters' middles may lie off the line, as a share of their height. */
const OFF = 0.42;
/** The smallest letter that is looked for, in pixels. */
const LEAST_PX = 7;
/** Fewer letters than this in a line are chance. */
const LEAST_LETTERS = 3;
const MOST_ROWS = 14;
/** What a word whose letters hang together looks like, and how likely any such part is to be one. */
const JOINED = { leastPx: 12, ratio: 1.5, filled: [0.12, 0.8], score: 1.6, most: 3 } as const;
/** How much less even a likely course may be, as a share of the height. */
const LIKELIER = 0.012;
/** An arc turns by less than this from a letter to the next, in radians, and by more than the second over all, or it is a line. */
const TURN = { most: 0.7, least: 0.06 } as const;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1];
};

/** Runs of parts along a course, without gaps too wide for a line of lettering. */
function runsAlong(course: Course, parts: readonly Part[], heightPx: number): Seen[][] {
  const all = parts
    .map((p) => seenAlong(p, course))
    .filter(({ lo, hi }) => {
      const high = hi - lo;
      return (
        high > HEIGHTS.least * heightPx && high < HEIGHTS.most * heightPx && Math.abs(lo + hi) / 2 < OFF * heightPx
      );
    })
    .sort((p, q) => p.from - q.from);
  if (!all.length) return [];
  const runs: Seen[][] = [];
  let run: Seen[] = [];
  let end = -Infinity;
  for (const one of all) {
    if (one.from - end > GAP * heightPx && run.length) {
      runs.push(run);
      run = [];
    }
    run.push(one);
    end = Math.max(end, one.to);
  }
  runs.push(run);
  // Around a ring the last goes on with the first.
  if (course.kind === 'arc' && runs.length > 1) {
    const round = 2 * Math.PI * course.radiusPx;
    const last = runs[runs.length - 1];
    if (runs[0][0].from + round - Math.max(...last.map((s) => s.to)) < GAP * heightPx) {
      runs.pop();
      runs[0] = [...last, ...runs[0].map((s) => ({ ...s, from: s.from + round, to: s.to + round }))];
    }
  }
  return runs.filter((r) => r.length >= LEAST_LETTERS);
}

/** How far ends are scattered about their median, as a share of the height: letters stand on one line. */
function scatter(values: readonly number[], heightPx: number): number {
  const mid = median(values);
  return median(values.map((v) => Math.abs(v - mid))) / heightPx;
}

function rowFrom(course: Course, run: readonly Seen[]): Row {
  const heightPx = median(run.map((s) => s.hi - s.lo));
  const los = run.map((s) => s.lo);
  const his = run.map((s) => s.hi);
  const uneven = Math.min(scatter(los, heightPx), scatter(his, heightPx));
  // Overlapping along the line is what drawings do, and letters do not.
  let overlapped = 0;
  for (let k = 1; k < run.length; k++)
    overlapped += Math.max(0, Math.min(1, (run[k - 1].to - run[k].from) / (run[k].to - run[k].from)) - 0.25);
  return {
    course,
    parts: run.map((s) => s.part),
    lo: Math.min(...los),
    hi: Math.max(...his),
    from: Math.min(...run.map((s) => s.from)),
    to: Math.max(...run.map((s) => s.to)),
    score: run.length * (1 - 2.5 * uneven) - overlapped,
  };
}

/** How uneven a run stands along a course: how far its letters' ends lie off their medians, as a mean share of the height; what hangs or rises counts no more than a little. */
function unevenness(course: Course, run: readonly Seen[]): number {
  const seen = run.map((s) => seenAlong(s.part, course));
  const heightPx = median(seen.map((s) => s.hi - s.lo));
  const side = (which: 'lo' | 'hi'): number => {
    const mid = median(seen.map((s) => s[which]));
    return seen.reduce((sum, s) => sum + Math.min(0.15, Math.abs(s[which] - mid) / heightPx), 0) / seen.length;
  };
  const [lo, hi] = [side('lo'), side('hi')];
  return Math.min(lo, hi) + 0.25 * Math.max(lo, hi);
}

/** The course moved across so that its letters' middles lie on it. */
function centred(course: Course, run: readonly Seen[]): Course {
  const seen = run.map((s) => seenAlong(s.part, course));
  const mid = (median(seen.map((s) => s.lo)) + median(seen.map((s) => s.hi))) / 2;
  if (course.kind === 'arc') return { ...course, radiusPx: course.radiusPx + mid };
  const { angleRad: t } = course;
  return { ...course, x: course.x - mid * Math.sin(t), y: course.y + mid * Math.cos(t) };
}

/** The course that a run's letters stand on most evenly, of those laid along their one side, their other, and their middles, and those about middles that are likely. */
function better(course: Course, run: readonly Seen[], middles: readonly Point[]): Course {
  const heightPx = median(run.map((s) => s.hi - s.lo));
  const along = (which: 'lo' | 'hi'): Course[] => {
    const mid = median(run.map((s) => s[which]));
    // What hangs below the line or rises above it is left out of it.
    const even = run.filter((s) => Math.abs(s[which] - mid) < 0.14 * heightPx);
    if (even.length < LEAST_LETTERS) return [];
    const ends = even.map((s) => pointOn(course, (s.from + s.to) / 2, s[which]));
    if (course.kind === 'line') {
      const line = lineAlong(ends);
      const flip = Math.cos(line.angleRad - course.angleRad) < 0 ? Math.PI : 0;
      return [{ ...line, angleRad: line.angleRad + flip }];
    }
    const arc = arcAlong(ends);
    return arc ? [arc] : [];
  };
  const candidates = [course, ...along('lo'), ...along('hi')];
  const about =
    course.kind === 'arc'
      ? middles.map(([x, y]): Course => ({ kind: 'arc', x, y, radiusPx: Math.max(1, course.radiusPx) }))
      : [{ ...course, angleRad: 0 }];
  let [best, least] = [course, Infinity];
  for (const one of [...candidates, ...about]) {
    // A ring's middle, or a level line, is likelier than what a few letters say.
    const off = unevenness(one, run) - (about.includes(one) ? LIKELIER : 0);
    if (off < least) [best, least] = [one, off];
  }
  return centred(best, run);
}

/** Rows along a course that parts suggest. */
function rowsAlong(first: Course, parts: readonly Part[], heightPx: number, middles: readonly Point[]): Row[] {
  return runsAlong(first, parts, heightPx).flatMap((run) => {
    let [course, best] = [first, run];
    for (let turn = 0; turn < 3; turn++) {
      const next = better(course, best, middles);
      const high = median(best.map((s) => s.hi - s.lo));
      const kept = runsAlong(next, parts, high).find((r) => r.some((s) => s.part === best[best.length >> 1].part));
      if (!kept || kept.length < best.length) break;
      [course, best] = [next, kept];
    }
    if (course.kind === 'arc') {
      const turned = (best[best.length - 1].to - best[0].from) / course.radiusPx;
      if (turned < TURN.least || turned > 2 * Math.PI + 0.3) return [];
    }
    return [rowFrom(course, best)];
  });
}

/** Straight level rows: what stands beside what, at about one height. */
function levelRows(parts: readonly Part[], middles: readonly Point[]): Row[] {
  const tall = parts.filter((p) => p.y1 - p.y0 >= LEAST_PX).sort((p, q) => p.x0 - q.x0);
  const group = tall.map((_, k) => k);
  const root = (k: number): number => (group[k] === k ? k : (group[k] = root(group[k])));
  for (let i = 0; i < tall.length; i++)
    for (let j = i + 1; j < tall.length; j++) {
      const [p, q] = [tall[i], tall[j]];
      const [hp, hq] = [p.y1 - p.y0, q.y1 - q.y0];
      const most = Math.max(hp, hq);
      if (q.x0 - p.x1 > GAP * most) continue;
      if (most > Math.min(hp, hq) * 2.4) continue;
      const shared = Math.min(p.y1, q.y1) - Math.max(p.y0, q.y0);
      if (shared < 0.6 * Math.min(hp, hq)) continue;
      // On one line below, or of one height above.
      if (Math.min(Math.abs(p.y1 - q.y1), Math.abs(p.y0 - q.y0)) > 0.34 * most) continue;
      group[root(i)] = root(j);
    }
  const groups = new Map<number, Part[]>();
  tall.forEach((p, k) => groups.set(root(k), [...(groups.get(root(k)) ?? []), p]));
  return [...groups.values()].flatMap((members) => {
    if (members.length < LEAST_LETTERS) return joinedRow(members);
    const heightPx = median(members.map((p) => p.y1 - p.y0));
    const y = median(members.map((p) => (p.y0 + p.y1) / 2));
    return rowsAlong({ kind: 'line', x: members[0].x0, y, angleRad: 0 }, members, heightPx, middles);
  });
}

/** A word whose letters hang together, as in a script: one part or two, much wider than high, and neither a bar nor a hair. */
function joinedRow(members: readonly Part[]): Row[] {
  const y0 = Math.min(...members.map((p) => p.y0));
  const y1 = Math.max(...members.map((p) => p.y1));
  const [from, to] = [Math.min(...members.map((p) => p.x0)), Math.max(...members.map((p) => p.x1))];
  const [w, h] = [to - from, y1 - y0];
  const filled = members.reduce((sum, p) => sum + p.sizePx2, 0) / (w * h);
  if (h < JOINED.leastPx || w < JOINED.ratio * h || filled < JOINED.filled[0] || filled > JOINED.filled[1]) return [];
  const course: Course = { kind: 'line', x: 0, y: (y0 + y1) / 2, angleRad: 0 };
  return [{ course, parts: members, lo: -h / 2, hi: h / 2, from, to, score: JOINED.score }];
}

/** Sloping rows and arcs, suggested by parts that follow each other. */
function courseRows(parts: readonly Part[], middles: readonly Point[]): Row[] {
  const some = parts.filter((p) => Math.max(p.x1 - p.x0, p.y1 - p.y0) >= LEAST_PX);
  const at = some.map(middleOf);
  const size = some.map((p) => Math.max(p.x1 - p.x0, p.y1 - p.y0));
  /** Those that may come after or before each. */
  const beside = some.map((_, i) =>
    some
      .map((_, j) => j)
      .filter((j) => {
        if (j === i) return false;
        const most = Math.max(size[i], size[j]);
        return (
          most < 2.6 * Math.min(size[i], size[j]) &&
          Math.hypot(at[i][0] - at[j][0], at[i][1] - at[j][1]) < (0.6 + GAP) * most
        );
      })
      .sort(
        (j, k) =>
          Math.hypot(at[i][0] - at[j][0], at[i][1] - at[j][1]) - Math.hypot(at[i][0] - at[k][0], at[i][1] - at[k][1]),
      ) // prettier-ignore
      .slice(0, 5),
  );
  const out: Row[] = [];
  const known = new Set<string>();
  const suggest = (course: Course, heightPx: number): void => {
    for (const row of rowsAlong(course, some, heightPx, middles)) {
      const key = row.parts.map((p) => p.region).sort((a, b) => a - b).join(' ') + row.course.kind; // prettier-ignore
      if (known.has(key)) continue;
      known.add(key);
      out.push(row);
    }
  };
  for (let i = 0; i < some.length; i++)
    for (const j of beside[i])
      for (const k of beside[j]) {
        if (k === i || i > k) continue;
        // Wider triples tell more of the curve: the third is followed by one more where there is one.
        const ahead = Math.atan2(at[j][1] - at[i][1], at[j][0] - at[i][0]);
        const turn = Math.atan2(at[k][1] - at[j][1], at[k][0] - at[j][0]) - ahead;
        const turned = Math.atan2(Math.sin(turn), Math.cos(turn));
        if (Math.abs(turned) > TURN.most) continue;
        const chain = [i, j, k];
        let last = k;
        let before = j;
        for (let step = 0; step < 3; step++) {
          const heading = Math.atan2(at[last][1] - at[before][1], at[last][0] - at[before][0]);
          const next = beside[last].find((m) => {
            if (chain.includes(m)) return false;
            const t = Math.atan2(at[m][1] - at[last][1], at[m][0] - at[last][0]) - heading;
            return Math.abs(Math.atan2(Math.sin(t), Math.cos(t))) < TURN.most;
          });
          if (next === undefined) break;
          chain.push(next);
          [before, last] = [last, next];
        }
        const dots = chain.map((c) => at[c]);
        const arc = arcAlong(dots);
        const heightPx = median(chain.map((c) => size[c]));
        const extent = Math.hypot(dots[0][0] - at[last][0], dots[0][1] - at[last][1]);
        const isArc = arc && arc.radiusPx < 12 * extent && arc.radiusPx > 0.8 * heightPx;
        suggest(isArc ? arc : lineAlong(dots), heightPx);
      }
  return out;
}

/** Rows and arcs of parts that may be lettering, the likeliest first; no part is in two of them. */
export function findRows(parts: readonly Part[], widthPx: number, heightPx: number): Row[] {
  const middles = roundMiddles(parts, widthPx, heightPx);
  const byInk = new Map<number, Part[]>();
  for (const p of parts) byInk.set(p.ink, [...(byInk.get(p.ink) ?? []), p]);
  const found = [...byInk.values()].flatMap((own) => [
    ...levelRows(own, middles).map((row) => ({ ...row, score: row.score * 1.1 })),
    ...(own.length <= MOST_PARTS ? courseRows(own, middles) : []),
  ]);
  const taken = new Set<Part>();
  const rows: Row[] = [];
  let joined = 0;
  for (const row of found.sort((p, q) => q.score - p.score || q.to - q.from - (p.to - p.from))) {
    if (rows.length === MOST_ROWS) break;
    const shared = row.parts.filter((p) => taken.has(p)).length;
    if (shared > 0 || row.score < 1.5) continue;
    if (row.parts.length < LEAST_LETTERS && ++joined > JOINED.most) continue;
    for (const p of row.parts) taken.add(p);
    rows.push(row);
  }
  return rows;
}

/** Where lettering on arcs may have its middle: those of large round parts, and the picture's. */
function roundMiddles(parts: readonly Part[], widthPx: number, heightPx: number): Point[] {
  const side = Math.min(widthPx, heightPx);
  const out: Point[] = [[widthPx / 2, heightPx / 2]];
  for (const part of parts) {
    const [w, h] = [part.x1 - part.x0, part.y1 - part.y0];
    if (w < 0.25 * side || Math.abs(w - h) > 0.03 * w) continue;
    // A disc or a ring reaches as far in every direction.
    if (part.reach.some((r) => Math.abs(r - w / 2) > 0.03 * w)) continue;
    const middle = middleOf(part);
    if (!out.some(([x, y]) => Math.hypot(x - middle[0], y - middle[1]) < 1)) out.push(middle);
  }
  return out.slice(0, 6);
}

/** More parts of one ink than this are a pattern. */
const MOST_PARTS = 400;
