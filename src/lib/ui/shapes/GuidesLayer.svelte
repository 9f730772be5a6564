<script lang="ts">
  import type { OfferedGuide } from '$core/redraw';
  import type { Guide } from '$core/vector';
  import type { View } from '../sheet/view';

  /** The guides of an artwork, the one being pulled, and those that its picture offers. */
  interface Props {
    guides: readonly Guide[];
    offered?: readonly OfferedGuide[];
    view: View;
    width: number;
    height: number;
  }
  const { guides, offered = [], view, width, height }: Props = $props();
  const px = $derived(1 / view.zoom);
  const far = $derived(2 * (width + height));
  function pathOf(g: Guide | OfferedGuide): string {
    if (g.kind === 'circle') {
      const { centre, radiusPx: r } = g;
      return `M${centre[0] - r} ${centre[1]}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;
    }
    const t = (g.angleDeg * Math.PI) / 180;
    const [x, y] = [far * Math.cos(t), far * Math.sin(t)];
    return `M${g.through[0] - x} ${g.through[1] - y}L${g.through[0] + x} ${g.through[1] + y}`;
  }
  const taken = $derived(guides.map(pathOf).join(''));
  const others = $derived(offered.map(pathOf).join(''));
</script>

<svg class="pointer-events-none absolute inset-0 h-full w-full overflow-hidden" aria-hidden="true" data-guides>
  <g transform="translate({view.x} {view.y}) scale({view.zoom})" fill="none" stroke-width={px}>
    {#if others}<path d={others} stroke="#5a5a5a" stroke-dasharray="{1.5 * px} {4 * px}" data-offered />{/if}
    {#if taken}
      <path d={taken} stroke="#fff" stroke-opacity="0.7" stroke-width={2.5 * px} />
      <path d={taken} stroke="#1d2e4e" stroke-dasharray="{6 * px} {4 * px}" data-taken />
    {/if}
  </g>
</svg>
