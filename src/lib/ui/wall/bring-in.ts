import type { Candidate } from '$lib/contract/answers';
import { api } from '../api';
import { notices } from '../notices.svelte';

const LIMIT_MB = 40;

/** Keeps a file as a picture to be given with a prompt; null when it cannot be taken, which is told. */
export async function keepReference(commissionId: string, file: File): Promise<string | null> {
  try {
    if (file.size > LIMIT_MB * 1024 * 1024)
      throw new Error(`The file is larger than ${LIMIT_MB} MB: give a smaller one; nothing else was changed`);
    return (await api<{ pictureId: string }>('POST', `/api/commissions/${commissionId}/references`, file)).pictureId;
  } catch (error) {
    notices.fail(new Error(`${file.name}: ${(error as Error).message}`));
    return null;
  }
}

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
