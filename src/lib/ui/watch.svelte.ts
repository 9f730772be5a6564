import type { WatchEvent } from '$lib/contract/answers';

/** How far running rounds and deliveries are, as last heard: share done 0..1 by id. */
class Progress {
  private shares = $state<Record<string, number>>({});
  of = (id: string, otherwise: number): number => Math.max(this.shares[id] ?? 0, otherwise);
  hear({ id, progress, state }: WatchEvent): void {
    if (state === 'waiting') this.shares[id] = 0;
    else if (typeof progress === 'number') this.shares[id] = progress;
  }
}

export const progress = new Progress();

const GATHER_MS = 60;

/**
 * Watches a commission over server-sent events, which come back by themselves after a break. `onChange` is called, once for events that
 * come together, whenever what is shown may be out of date. Gives the function that ends it.
 */
export function watchCommission(id: string, onChange: () => void): () => void {
  const source = new EventSource(`/api/commissions/${id}/events`);
  // Only compared with what comes next, never shown.
  // eslint-disable-next-line svelte/prefer-svelte-reactivity
  const states = new Map<string, string | undefined>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let first = true;
  const change = (): void => {
    clearTimeout(timer);
    timer = setTimeout(onChange, GATHER_MS);
  };
  source.onmessage = ({ data }: MessageEvent<string>) => {
    const event = JSON.parse(data) as WatchEvent;
    if (event.subject === 'everything' && first) {
      first = false;
      return;
    }
    if (event.subject === 'round' || event.subject === 'delivery') {
      progress.hear(event);
      if (states.get(event.id) === event.state) return;
      states.set(event.id, event.state);
    }
    change();
  };
  return () => {
    clearTimeout(timer);
    source.close();
  };
}
