import { paletteOf, type LockupEdit } from '$core/lockup';
import type { Artwork, Edit } from '$core/vector';
import type { PaletteLine } from '../colourways/colouring.svelte';
import type { lockupLineOf } from '../work/line.svelte';

/** A lockup's inks and colourways over its shapes as they are drawn, for the station that recolours artworks. */
export class LockupPalette implements PaletteLine {
  constructor(
    private readonly line: () => ReturnType<typeof lockupLineOf>,
    private readonly shapes: () => Artwork,
  ) {}

  readonly kept = $derived.by((): Artwork => this.over(paletteOf(this.line().kept)));
  readonly drawing = $derived.by((): Artwork => this.over(paletteOf(this.line().drawing)));

  private over(palette: Artwork): Artwork {
    const { widthPx, heightPx, nodes } = this.shapes();
    return { ...palette, widthPx, heightPx, nodes };
  }
  private readonly asLockup = (edits: readonly Edit[]): LockupEdit[] =>
    edits.map((edit) => ({ kind: 'palette', edit }));

  get tried(): Edit | readonly Edit[] | null {
    return null;
  }
  set tried(edits: Edit | readonly Edit[] | null) {
    this.line().tried = edits && this.asLockup([edits].flat() as Edit[]);
  }
  edit(...edits: readonly Edit[]): void {
    this.line().edit(...this.asLockup(edits));
  }
  settled(): Promise<void> {
    return this.line().settled();
  }
}
