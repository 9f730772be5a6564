<script lang="ts">
  import type { Delivery } from '$lib/contract/answers';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import { reload } from '$lib/ui/reload';
  import { progress } from '$lib/ui/watch.svelte';
  import { bytesRead, filesRead } from './sizes';

  /** What was delivered, newest first; what is being made, with how far it is. */
  const { deliveries }: { deliveries: readonly Delivery[] } = $props();
  const refresh = () => reload('odd-quill:commission');

  async function act({ id, number }: Delivery, what: 'again' | 'cancel'): Promise<void> {
    try {
      await outbox.send({
        method: 'POST',
        path: `/api/deliveries/${id}/${what}`,
        what: what === 'again' ? `delivery ${number} again` : `delivery ${number}, stopped`,
        settle: refresh,
      });
    } catch (error) {
      notices.fail(error);
    }
  }

  const namesOf = (list: readonly string[]) => list.slice(0, 40).join('\n') + (list.length > 40 ? `\nand ${list.length - 40} more` : ''); // prettier-ignore
  const worksOf = ({ asked, about, version }: Delivery) =>
    asked && asked.works.length > 1
      ? `${asked.works.length} works`
      : `version ${version}${about.colourway ? `, ${about.colourway.name}` : ''}`;
</script>

<ul class="flex flex-col gap-3" data-deliveries>
  {#each deliveries as delivery (delivery.id)}
    {@const { changes } = delivery}
    <li data-delivery={delivery.state}>
      <p class="flex items-baseline gap-2">
        <span class="font-semibold">{delivery.number}</span>
        <span
          class="min-w-0 truncate"
          title={delivery.asked?.works.map((w) => `${w.name}, version ${w.version}`).join('\n')}
          >{worksOf(delivery)}</span
        >
        <span class="flex-1 text-right text-muted">{delivery.about.date}</span>
      </p>
      {#if delivery.note}<p class="text-muted">{delivery.note}</p>{/if}
      {#if delivery.state === 'done'}
        {#if delivery.fileCount > 4}<p class="text-muted">
            {filesRead(delivery.fileCount)}{#if delivery.faults}, <a
                class="underline"
                href="/api/deliveries/{delivery.id}/files/checks.txt"
                target="_blank">{delivery.faults} to look at</a
              >{/if}
          </p>{/if}
        {#if changes}
          <p class="text-muted" data-changes={changes.changed.length + changes.added.length + changes.removed.length}>
            Since {changes.since}: {#if changes.changed.length}<span title={namesOf(changes.changed)}
                >{changes.changed.length} changed</span
              >{/if}{#if changes.added.length}{changes.changed.length ? ', ' : ''}<span title={namesOf(changes.added)}
                >{changes.added.length} new</span
              >{/if}{#if changes.removed.length}{changes.changed.length || changes.added.length ? ', ' : ''}<span
                title={namesOf(changes.removed)}>{changes.removed.length} gone</span
              >{/if}{#if !changes.changed.length && !changes.added.length && !changes.removed.length}nothing changed{/if}
          </p>
        {/if}
        <p class="flex gap-3">
          <a class="quiet text-active!" href="/api/deliveries/{delivery.id}/package.zip" download
            >Download, {bytesRead(delivery.bytes)}</a
          >
          <button class="quiet" onclick={() => act(delivery, 'again')} title="Of the same versions, with the same bytes"
            >Make again</button
          >
        </p>
      {:else if delivery.state === 'failed' || delivery.state === 'cancelled'}
        <p class={delivery.state === 'failed' ? 'text-danger' : 'text-muted'}>{delivery.error ?? 'Stopped'}</p>
        <button class="quiet" onclick={() => act(delivery, 'again')}>Make again</button>
      {:else}
        {@const share = progress.of(delivery.id, delivery.progress)}
        <p class="flex items-baseline gap-2 text-muted">
          <span role="status">{Math.round(100 * share)}%</span>
          <span class="min-w-0 flex-1 truncate" title={progress.doing(delivery.id)}
            >{progress.doing(delivery.id) ?? delivery.doing ?? 'looking at what is wanted'}</span
          >
          <button class="quiet" onclick={() => act(delivery, 'cancel')}>Stop</button>
        </p>
        <div class="h-1 bg-line"><div class="h-full bg-active" style="width: {100 * share}%"></div></div>
      {/if}
    </li>
  {:else}
    <li class="text-muted">None yet. Each is kept with the versions it was made from, so that it can be made again.</li>
  {/each}
</ul>
