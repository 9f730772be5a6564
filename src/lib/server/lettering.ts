/** What is known of pictures' lettering. */
import type { Lettering } from '$core/reading';
import type { CandidateLettering } from '../contract/answers';
import { sql } from './database';

/** What is known of pictures' lettering, by picture and what was asked. */
export async function knownLettering(
  pictureIds: readonly string[],
): Promise<(pictureId: string, asked: string) => Lettering | null> {
  const rows = pictureIds.length
    ? await sql<{ picture_id: string; asked: string; verdict: Lettering['verdict']; lines: Lettering['lines'] }>(
        `select picture_id, asked, verdict, lines from picture_lettering where state = 'done' and picture_id = any($1)`,
        [[...new Set(pictureIds)]],
      )
    : [];
  const known = new Map(rows.map((r) => [`${r.picture_id} ${r.asked}`, { verdict: r.verdict, lines: r.lines }]));
  return (pictureId, asked) => known.get(`${pictureId} ${asked}`) ?? null;
}

/** What the wall says of a candidate's lettering. */
export function letteringTold(lettering: Lettering | null, asked: string | null): CandidateLettering | null {
  if (!lettering || asked === null) return null;
  const reads = lettering.lines.flatMap((l) => l.words.map((w) => w.text)).join(' ');
  return { verdict: lettering.verdict, reads, asked };
}
