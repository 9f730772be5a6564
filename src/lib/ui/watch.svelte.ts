import type { WatchEvent } from '$lib/contract/answers';

/** How far running rounds and deliveries are, as last heard: share done 0..1 by id. */
class Progress {
  private shares = $state<Record<string, number>>({});
  private words = $state<Record<string, string>>({});
  of = (id: string, otherwise: number): number => Math.max(this.shares[id] ?? 0, otherwise);
  /** The file that a delivery made last. */
  doing = (id: string): string | undefined => this.words[id];
  hear({ id, progress, state, doing }: WatchEvent): void {
    if (state === 'waiting') this.shares[id] = 0;
    else if (typeof progress === 'number') this.shares[id] = progress;
    if (doing) this.words[id] = doing;
    else delete this.words[id];
  }
}

export const progress = new Progress();

const GATHER_MS = 60;

/** Until a stream that was answered with a failure, as by a server that is just starting, is asked for again. */
const AGAIN_MS = 2000;

/**
 * Watches a commission over server-sent events. They come back by themselves after a break, and are asked for again after a failure, which
 * browsers take for the end. `onChange` is called, once for events that come together, whenever what is shown may be out of date. A page that
 * is not seen does not watch: browsers open only a few connections to one server, and many tabs would use them up; it looks again when it
 * is seen. Gives the function that ends it.
 */
export function watchCommission(id: string, onChange: (events: readonly WatchEvent[]) => void): () => void {
  // Only compared with what comes next, never shown.
  // eslint-disable-next-line svelte/prefer-svelte-reactivity
  const states = new Map<string, string | undefined>();
  let source: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let again: ReturnType<typeof setTimeout> | undefined;
  let opened = false;

  let gathered: WatchEvent[] = [];
  function change(event: WatchEvent): void {
    gathered.push(event);
    clearTimeout(timer);
    timer = setTimeout(() => {
      const events = gathered;
      gathered = [];
      onChange(events);
    }, GATHER_MS);
  }

  function hear({ data }: MessageEvent<string>): void {
    const event = JSON.parse(data) as WatchEvent;
    if (event.subject === 'everything' && !opened) {
      // The first word of the first stream: the page was made a moment ago.
      opened = true;
      return;
    }
    if (event.subject === 'round' || event.subject === 'delivery') {
      progress.hear(event);
      if (states.get(event.id) === event.state) return;
      states.set(event.id, event.state);
    }
    change(event);
  }

  function close(): void {
    clearTimeout(again);
    // Whatever happens from here on is missed, also when the first stream had not said a word yet.
    if (source) opened = true;
    source?.close();
    source = null;
  }

  function look(): void {
    if (document.visibilityState === 'hidden') return close();
    if (source) return;
    source = new EventSource(`/api/commissions/${id}/events`);
    source.onmessage = hear;
    source.onerror = () => {
      if (source?.readyState !== EventSource.CLOSED) return;
      close();
      again = setTimeout(look, AGAIN_MS);
    };
  }

  look();
  document.addEventListener('visibilitychange', look);
  window.addEventListener('pagehide', close);
  window.addEventListener('pageshow', look);
  return () => {
    clearTimeout(timer);
    close();
    document.removeEventListener('visibilitychange', look);
    window.removeEventListener('pagehide', close);
    window.removeEventListener('pageshow', look);
  };
}
