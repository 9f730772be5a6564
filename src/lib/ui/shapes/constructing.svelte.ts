import { onDestroy } from 'svelte';
import type { Point } from '$core/path';
import type { Axis } from '$core/redraw';
import { nearlyWithin, telling, type Artwork, type Guide } from '$core/vector';
import { constructionWorker } from '$lib/workers/client';
import type { ConstructionFound } from '$lib/workers/messages';
import { notices } from '../notices.svelte';
import type { Shaping } from './shaping.svelte';

/** An axis that one may mirror in. */
export interface NamedAxis extends Axis {
  readonly key: string;
  readonly told: string;
}

const toldOfGuide = (g: Guide & { kind: 'line' }): string => {
  if (g.angleDeg === 90) return `the guide at ${g.through[0].toFixed(1)} px, upright`;
  if (g.angleDeg === 0) return `the guide at ${g.through[1].toFixed(1)} px, level`;
  return `the guide at ${(180 - g.angleDeg).toFixed(1)}°`;
};

/** How long a drawing is left in peace before it is looked at. */
const LOOK_AFTER_MS = 300;

/** What the shapes, or those that are chosen, are constructed of, and the axis they are mirrored in. */
export class Constructing {
  /** Whether it is shown, and places are drawn to it. */
  on = $state(false);
  found = $state.raw<ConstructionFound | null>(null);
  looking = $state(false);
  /** How far outlines may lie from what they are constructed of, in px. */
  withinPx = $state(0);
  /** The axis that was chosen; empty while none was. */
  axisKey = $state('');
  private readonly worker = constructionWorker();
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly shaping: Shaping) {
    this.withinPx = Number(nearlyWithin(shaping.artwork).toFixed(1));
    onDestroy(() => {
      clearTimeout(this.timer);
      this.worker.close();
    });
  }

  /** The lines and circles that are shown; null where none are. */
  get shown() {
    return this.on && this.found ? telling(this.found.construction) : null;
  }

  /** The axes that one may mirror in: those of the artwork and its groups, the middle of the sheet, guides. */
  get axes(): readonly NamedAxis[] {
    const { artwork } = this.shaping;
    const { widthPx, heightPx, guides, nodes } = artwork;
    const middle: Point = [widthPx / 2, heightPx / 2];
    const nameOf = (id: string | null): string => {
      const node = nodes.find((n) => n.id === id);
      if (node) return `the axis of ${node.name ?? 'a group'}`;
      return this.shaping.chosen.length ? 'the axis of what is chosen' : "the artwork's axis";
    };
    return [
      ...(this.found?.axes ?? []).map(({ of, axis }) => ({
        key: of ?? 'all',
        told: nameOf(of),
        through: axis.through,
        angleDeg: axis.angleDeg,
      })),
      { key: 'upright', told: "the sheet's middle, upright", through: middle, angleDeg: 90 },
      { key: 'level', told: "the sheet's middle, level", through: middle, angleDeg: 0 },
      ...guides.flatMap((g) =>
        g.kind === 'line' ? [{ key: g.id, told: toldOfGuide(g), through: g.through, angleDeg: g.angleDeg }] : [],
      ),
    ];
  }

  /** The axis that is chosen, or else the likeliest. */
  get axis(): NamedAxis {
    const { axes } = this;
    return axes.find((a) => a.key === this.axisKey) ?? axes[0];
  }

  /** Looks again, a moment after the shapes stopped changing. */
  look(): void {
    clearTimeout(this.timer);
    const { artwork, nodes } = this.shaping;
    if (!artwork.nodes.length) {
      this.found = null;
      this.looking = false;
      return;
    }
    this.looking = true;
    this.timer = setTimeout(() => {
      this.worker.ask(
        { want: 'construction', artwork: $state.snapshot(artwork) as Artwork, nodes, withinPx: this.withinPx },
        {
          onCoarse: (found) => (this.found = found),
          onResult: (found) => {
            this.found = found;
            this.looking = false;
          },
          onError: (message) => {
            this.looking = false;
            this.found = null;
            notices.tell(message, { id: 'construction' });
          },
        },
      );
    }, LOOK_AFTER_MS);
  }
}
