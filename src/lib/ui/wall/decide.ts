import type { Candidate, DecisionState } from '$lib/contract/answers';
import { notices } from '../notices.svelte';
import { outbox } from '../outbox.svelte';
import { reload } from '../reload';

const WORDS: Readonly<Record<DecisionState, string>> = {
  kept: 'kept',
  aside: 'set aside',
  undecided: 'undecided again',
};

const pathOf = (id: string): string => `/api/candidates/${id}`;

/** A candidate as it was decided, also while the decision waits to be kept. */
export function decided<C extends Candidate>(candidate: C): C {
  const waiting = outbox.list.findLast((w) => w.path === pathOf(candidate.id));
  return waiting ? { ...candidate, ...(waiting.body as { decision: DecisionState }) } : candidate;
}

/** Decides about a candidate; deciding the same again leaves it undecided. */
export async function decide(candidate: Candidate, decision: DecisionState): Promise<void> {
  const wanted = candidate.decision === decision ? 'undecided' : decision;
  try {
    await outbox.send({
      method: 'PATCH',
      path: pathOf(candidate.id),
      body: { decision: wanted },
      what: `${candidate.label} ${WORDS[wanted]}`,
      settle: () => reload('odd-quill:commission'),
    });
  } catch (error) {
    notices.fail(error);
  }
}
