<script lang="ts">
  import PictureLayer from '../sheet/PictureLayer.svelte';
  import type { View } from '../sheet/view';
  import type { Below } from './below.svelte';

  /** The picture below the artwork, faded, as large as fits the sheet. */
  interface Props {
    below: Below;
    view: View;
  }
  const { below, view }: Props = $props();
  const own = $derived({
    zoom: view.zoom * below.map[0],
    x: view.x + below.map[4] * view.zoom,
    y: view.y + below.map[5] * view.zoom,
  });
</script>

{#if below.picture && below.opacity > 0}
  {@const { href, label, widthPx, heightPx } = below.picture}
  <div class="pointer-events-none absolute inset-0" style="opacity: {below.opacity / 100}" data-below>
    <PictureLayer {href} width={widthPx} height={heightPx} view={own} alt="{label}, below the artwork" />
  </div>
{/if}
