import { notices } from '../notices.svelte';

/** Tells of a prompt that another took the place of, to be had back with a press. */
export function tellBefore(before: string, back: () => void): void {
  notices.tell(`The prompt was “${before}”`, { id: 'prompt-before', action: { label: 'Have it back', run: back } });
}
