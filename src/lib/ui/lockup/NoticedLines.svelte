<script lang="ts">
  import { nameOfLockup } from '$core/lockup';
  import type { LockupAnswer } from '$lib/contract/answers';
  import type { Arranging } from './arranging.svelte';

  /** What was noticed in the lockup, a figure in each line, and one press to put it right. */
  const { arranging, data }: { arranging: Arranging; data: LockupAnswer } = $props();
  const name = $derived(nameOfLockup(arranging.lockup));
  const others = $derived(data.others.filter((o) => o.spelling !== name));
  const lines = $derived(arranging.noticed ?? []);
  /** More lines than this of what was noticed are no help. */
  const MOST = 5;
</script>

{#snippet row(told: string, label: string | null, run: () => void, press: (() => void) | null = null, isGrave = false)}
  <li class="flex min-h-8 items-center gap-2 border-b border-line py-1">
    {#if press}
      <button class="flex-1 text-left hover:underline {isGrave ? 'text-danger' : ''}" onclick={press}>{told}</button>
    {:else}<span class="flex-1">{told}</span>{/if}
    {#if label}<button class="quiet whitespace-nowrap text-text!" onclick={run}>{label}</button>{/if}
  </li>
{/snippet}

<ul
  class="mb-3 min-h-24"
  aria-label="Noticed"
  data-noticed={arranging.noticed ? lines.length + others.length + arranging.older.length : ''}
>
  {#each arranging.older as { part, now, shown } (part.id)}
    {@render row(
      `The mark is shown as version ${shown ?? '?'}, and stands at ${now.version} now`,
      'bring it in',
      () => void arranging.bringNewer(part, now.head),
    )}
  {/each}
  {#if others.length && name}
    {@render row(
      `${others.length === 1 ? `“${others[0].name}” says` : `${others.length} other lockups say`} “${others[0].spelling}”`,
      'spell alike',
      () => void arranging.spellAlike(name),
    )}
  {/if}
  {#each lines.slice(0, MOST) as line (line.key)}
    {@render row(
      line.told,
      line.missing ? 'faces that have it' : (line.fix?.label ?? null),
      () =>
        line.missing && line.partId
          ? arranging.facesHaving(line.missing, line.partId)
          : arranging.edit(...(line.fix?.edits ?? [])),
      line.partId ? () => arranging.choose([line.partId!]) : null,
      line.isGrave,
    )}
  {/each}
  {#if arranging.noticed && !lines.length && !others.length && !arranging.older.length}
    <li class="text-muted">Nothing that wants a look.</li>
  {/if}
</ul>
