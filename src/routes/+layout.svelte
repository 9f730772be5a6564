<script lang="ts">
  import '../app.css';
  import { afterNavigate, goto, onNavigate } from '$app/navigation';
  import { NEW_COMMISSION } from '$lib/ui/brief/places';
  import { forget } from '$lib/ui/kept';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox, type WaitingChange } from '$lib/ui/outbox.svelte';
  import { reload } from '$lib/ui/reload';
  import Notices from '$lib/ui/shell/Notices.svelte';
  import { giveLater } from '$lib/ui/wall/draft';

  const { children } = $props();
  // A complaint about one screen means nothing on the next.
  onNavigate(() => notices.list.filter((n) => n.grave).forEach((n) => notices.drop(n.id)));

  // After a change of screen the keyboard is at its beginning, not where the last one was.
  afterNavigate(({ type }) => {
    // From here on the page hears: what drives it can wait for that.
    document.documentElement.dataset.live = '';
    if (type === 'enter' || (document.activeElement && document.activeElement !== document.body)) return;
    const first = ['[data-first-field]', 'main'].map((s) => document.querySelector<HTMLElement>(s)).find(Boolean);
    first?.focus({ preventScroll: true });
  });

  /** Something that waited in this browser, from before a reload or in a tab that is gone, is kept now. */
  function keptLater({ path, what }: WaitingChange, answer: unknown): void {
    const { id, pictureId } = (answer ?? {}) as { id?: string; pictureId?: string };
    const [, commissionId, kind] = /^\/api\/commissions\/([^/]+)\/(\w+)/.exec(path) ?? [];
    const isStarted = path === '/api/commissions';
    if (isStarted) forget(NEW_COMMISSION);
    if (kind === 'references' && pictureId) giveLater(commissionId, pictureId);
    notices.tell(
      `Kept now: ${what}`,
      isStarted && id ? { action: { label: 'Open it', run: () => void goto(`/commissions/${id}`) } } : {},
    );
    void reload();
  }
  $effect(() => outbox.adopt(keptLater));

  // The service worker asks again for pages and pictures while the server is away, and says so.
  $effect(() => {
    const hear = ({ data }: MessageEvent<unknown>) => {
      if (data === 'away')
        notices.tell('Odd Quill is not answering: this page waits, and goes on by itself', { id: 'connection' });
      else if (data === 'back') notices.drop('connection');
    };
    navigator.serviceWorker?.addEventListener('message', hear);
    return () => navigator.serviceWorker?.removeEventListener('message', hear);
  });
</script>

<svelte:window onkeydown={(e) => keys.handle(e)} />
{@render children()}
<Notices />
