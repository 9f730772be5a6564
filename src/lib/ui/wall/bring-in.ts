import type { Candidate } from '$lib/contract/answers';
import { api } from '../api';
import { notices } from '../notices.svelte';

const LIMIT_MB = 40;

/** Brings files in one after the other; what cannot be taken is told, and the rest goes on. */
export async function bringInFiles(commissionId: string, files: Iterable<File>): Promise<Candidate[]> {
  const made: Candidate[] = [];
  for (const file of files) {
    try {
      if (file.size > LIMIT_MB * 1024 * 1024)
        throw new Error(`The file is larger than ${LIMIT_MB} MB: bring in a smaller one; nothing else was changed`);
      notices.tell(`Bringing in ${file.name}`, { id: 'bring-in' });
      made.push(
        await api<Candidate>(
          'POST',
          `/api/commissions/${commissionId}/pictures?name=${encodeURIComponent(file.name)}`,
          file,
        ),
      );
      notices.drop('bring-in');
    } catch (error) {
      notices.drop('bring-in');
      notices.fail(new Error(`${file.name}: ${(error as Error).message}`));
    }
  }
  return made;
}
