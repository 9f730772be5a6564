<script lang="ts" module>
  import type { Artwork } from '$core/vector';
  import { inColours } from './in-colours';
  // Artworks are never changed, only replaced: their pictures are made once.
  const pictures = new WeakMap<Artwork, string>();
  function pictureOf(artwork: Artwork): string {
    let href = pictures.get(artwork);
    if (href === undefined) pictures.set(artwork, (href = inColours(artwork)));
    return href;
  }
</script>

<script lang="ts">
  /** An artwork as a small picture. */
  const { artwork, alt }: { artwork: Artwork; alt: string } = $props();
</script>

<img src={pictureOf(artwork)} {alt} class="h-full w-full object-contain" draggable="false" />
