import { goto } from '$app/navigation';
import { page } from '$app/state';
import type { WorkState } from '$lib/contract/answers';
import { notices } from '../notices.svelte';
import { outbox } from '../outbox.svelte';
import type { WorkLine } from './line.svelte';
import { placeOf } from './places';

/** Copies a work as it stands, and goes to the copy unless one has gone elsewhere meanwhile. */
export async function copyWork<State, E>(line: WorkLine<State, E>, commissionId: string): Promise<void> {
  try {
    await line.settled();
    const here = page.url.pathname;
    const { id, name, head, kind } = line.state;
    const copy = await outbox.send<WorkState>({
      method: 'POST',
      path: `/api/works/${id}/copies`,
      body: { stepId: head },
      what: `${name} copied`,
    });
    if (page.url.pathname === here) await goto(placeOf(commissionId, { id: copy.id, kind }));
  } catch (error) {
    notices.fail(error);
  }
}
