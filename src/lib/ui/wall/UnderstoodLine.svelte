<script lang="ts">
  import type { Understood } from '$lib/contract/answers';
  /** The parts of a prompt as they were understood, and what was drawn for words that have no drawing of their own. */
  const { understood }: { understood: Understood } = $props();
  const parts = $derived(understood.parts);
  const replaced = $derived(parts.figures.filter((f) => f.via === 'broader' || f.via === 'none'));
</script>

{#snippet part(name: string, value: string)}
  <li class="whitespace-nowrap">
    <span class="text-muted">{name}</span>
    <span class="underline decoration-line decoration-dotted underline-offset-3">{value}</span>
  </li>
{/snippet}

<ul class="flex flex-wrap gap-x-3.5 gap-y-0.5" aria-label="Understood">
  {#each parts.figures as figure, i (figure.word)}
    {@render part(
      i ? (figure.relation ?? 'with') : 'figure',
      figure.count > 1 ? `${figure.count} × ${figure.word}` : figure.word,
    )}
  {:else}
    {#if !parts.lettering.length}<li class="text-danger">no figure yet: name a thing to draw</li>{/if}
  {/each}
  {#if parts.kind}{@render part('kind', parts.kind)}{/if}
  {#if parts.role}{@render part('role', parts.role)}{/if}
  {#if parts.finish}{@render part('finish', parts.finish)}{/if}
  {#if parts.colours.length || parts.colourCount}
    <li class="flex items-center gap-1 whitespace-nowrap">
      <span class="text-muted">colours</span>
      {#each parts.colours as colour (colour.hex)}
        <span
          class="inline-block h-3 w-3 border border-line"
          style="background: {colour.hex}"
          title="{colour.word} {colour.hex}"
        ></span>
        <span class="sr-only">{colour.word}</span>
      {/each}
      {#if parts.colourCount && parts.colourCount !== parts.colours.length}{parts.colourCount}{/if}
    </li>
  {/if}
  {#if parts.gradient}{@render part('gradient', `${parts.gradient[0].word} to ${parts.gradient[1].word}`)}{/if}
  {#if parts.mood}{@render part('mood', parts.mood)}{/if}
  {#if parts.shape}{@render part('shape', parts.shape)}{/if}
  {#if parts.rows || parts.columns}{@render part(
      'sheet',
      [parts.rows && `${parts.rows} rows`, parts.columns && `${parts.columns} columns`].filter(Boolean).join(', '),
    )}{/if}
  {#if parts.noShading}{@render part('shading', 'none')}{/if}
  {#if parts.ground}{@render part('ground', parts.ground.word)}{/if}
  {#if parts.leaveOut.length}{@render part('leave out', parts.leaveOut.join(', '))}{/if}
  {#if parts.lettering.length}{@render part('lettering', parts.lettering.join(', '))}{/if}
  {#each replaced as figure (figure.word)}
    <li class="whitespace-nowrap text-danger">
      {figure.via === 'none' ? `“${figure.word}” has no drawing` : `“${figure.word}” drawn as ${figure.drawn}`}
    </li>
  {/each}
  {#each parts.settled as one, i (i)}
    <li class="text-danger">“{one.kept}” won over “{one.dropped}”</li>
  {/each}
  {#if parts.notUnderstood.length}
    <li class="text-danger">not understood: {parts.notUnderstood.slice(0, 6).join(', ')}</li>
  {/if}
</ul>
