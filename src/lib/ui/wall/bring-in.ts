import type { BroughtIn, Candidate, WorkState } from '$lib/contract/answers';
import { notices } from '../notices.svelte';
import { outbox } from '../outbox.svelte';
import { reload } from '../reload';
import { sentenceOf } from '$lib/workers/told';

const LIMIT_MB = 40;

/** Keeps a file as a picture to be given with a prompt; null when it cannot be taken, which is told. */
export async function keepReference(commissionId: string, file: File): Promise<string | null> {
  try {
    if (file.size > LIMIT_MB * 1024 * 1024)
      throw new Error(`The file is larger than ${LIMIT_MB} MB: give a smaller one; nothing else was changed`);
    const kept = await outbox.send<{ pictureId: string }>({
      method: 'POST',
      path: `/api/commissions/${commissionId}/references`,
      file,
      what: `${file.name}, to be given with a prompt`,
    });
    return kept.pictureId;
  } catch (error) {
    notices.fail(new Error(`${file.name}: ${sentenceOf(error)}`));
    return null;
  }
}

/** Whether a file is an SVG by its kind or its name; what is in it the server tells. */
const isSvg = (file: File): boolean => file.type === 'image/svg+xml' || /\.svg$/i.test(file.name);

/** What was made of the files that were brought in: candidates of pictures, artworks of SVG. */
export interface MadeOfFiles {
  readonly candidates: readonly Candidate[];
  readonly artworks: readonly WorkState[];
  /** What is not in them of what was in the files: to be told where they are looked at. */
  readonly told: readonly string[];
}

/** Brings files in; all of them are kept at once in this browser and sent one after the other. What cannot be taken is told, and the rest goes on. */
export async function bringInFiles(commissionId: string, files: Iterable<File>): Promise<MadeOfFiles> {
  const candidates: Candidate[] = [];
  const artworks: WorkState[] = [];
  const told: string[] = [];
  await Promise.all(
    [...files].map(async (file) => {
      try {
        if (file.size > LIMIT_MB * 1024 * 1024)
          throw new Error(`The file is larger than ${LIMIT_MB} MB: bring in a smaller one; nothing else was changed`);
        notices.tell(`Bringing in ${file.name}`, { id: 'bring-in' });
        const kind = isSvg(file) ? 'artworks' : 'pictures';
        const made = await outbox.send<BroughtIn | Candidate>({
          method: 'POST',
          path: `/api/commissions/${commissionId}/${kind}?name=${encodeURIComponent(file.name)}`,
          file,
          what: `${file.name} brought in`,
          settle: () => reload('odd-quill:commission'),
        });
        notices.drop('bring-in');
        if ('artwork' in made) {
          artworks.push(made.artwork);
          if (made.leftOut.length)
            told.push(
              `${file.name} is in as an artwork; left out: ${made.leftOut.map((l) => (l.count > 1 ? `${l.what} (${l.count})` : l.what)).join(', ')}`,
            );
          // Of what was brought in as a server ended, the id alone is told; it is on the wall, or the thread, all the same.
        } else if (kind === 'pictures') candidates.push(made);
      } catch (error) {
        notices.drop('bring-in');
        notices.fail(new Error(`${file.name}: ${sentenceOf(error)}`));
      }
    }),
  );
  return { candidates, artworks, told };
}
