import { untrack } from 'svelte';
import type { WorkState } from '$lib/contract/answers';
import { undoPlace } from '../shell/undo.svelte';
import type { WorkLine } from './line.svelte';

/** The line of the work that a page shows, which hears each newer state that comes with the page's data, and whose steps the page's undo takes back. */
export function heard<State, E>(
  given: () => WorkState<State>,
  lineFor: (state: WorkState<State>) => WorkLine<State, E>,
): { readonly line: WorkLine<State, E> } {
  const line = $derived(lineFor(given()));
  // A newer state, from another tab say; only where there is fresh data: the end of a change brings no older state back.
  $effect(() => {
    const fresh = given();
    untrack(() => line.hear(fresh));
  });
  $effect(() => undoPlace.put(line.undoing));
  return {
    get line() {
      return line;
    },
  };
}
