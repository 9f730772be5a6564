import { onDestroy } from 'svelte';
import { IDENTITY, mapContour, scaleAndMove, type Affine, type Contour, type Point } from '$core/path';
import { pictureEdges, type Deviation, type OfferedGuide, type PictureEdges } from '$core/redraw';
import { TRACE_DEFAULTS } from '$core/trace';
import { allPieces, type Artwork } from '$core/vector';
import type { PictureBelow } from '$lib/contract/answers';
import { deviationWorker, offeredWorker, traceWorker } from '$lib/workers/client';
import { keep, kept } from '../kept';
import { notices } from '../notices.svelte';

/** How long a drawing is left in peace before it is measured. */
const MEASURE_AFTER_MS = 250;

interface Settings {
  readonly pictureId: string;
  readonly opacity: number;
}

/** The picture that lies below an artwork while it is drawn: how strongly it shows, its edges, the guides it offers, and how far the drawing lies from it. */
export class Below {
  /** 0..100 */
  opacity = $state(0);
  pictureId = $state('');
  edges = $state.raw<PictureEdges | null>(null);
  offered = $state.raw<readonly OfferedGuide[]>([]);
  deviation = $state.raw<Deviation | null>(null);
  /** Whether its edges are being found. */
  looking = $state(false);

  private readonly tracer = traceWorker();
  private readonly offerer = offeredWorker();
  private readonly measurer = deviationWorker();
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** The picture whose edges are known or being found. */
  private known = '';

  constructor(
    private readonly pictures: () => readonly PictureBelow[],
    private readonly artwork: () => Artwork,
    private readonly place: string,
  ) {
    const before = kept<Settings>(place, { pictureId: '', opacity: -1 });
    const list = pictures();
    const source = list.find((p) => p.isSource);
    this.pictureId = list.some((p) => p.id === before?.pictureId) ? before!.pictureId : ((source ?? list[0])?.id ?? '');
    // An artwork of nothing is there to be drawn: what it is drawn over shows.
    this.opacity = before && before.opacity >= 0 ? before.opacity : artwork().nodes.length ? 0 : 35;
    onDestroy(() => {
      clearTimeout(this.timer);
      this.tracer.close();
      this.offerer.close();
      this.measurer.close();
    });
  }

  get picture(): PictureBelow | null {
    return this.pictures().find((p) => p.id === this.pictureId) ?? null;
  }

  /** Where the picture lies on the sheet: as large as fits, in its middle. */
  get map(): Affine {
    const { picture } = this;
    const { widthPx, heightPx } = this.artwork();
    if (!picture) return IDENTITY;
    const scale = Math.min(widthPx / picture.widthPx, heightPx / picture.heightPx);
    return scaleAndMove(scale, (widthPx - scale * picture.widthPx) / 2, (heightPx - scale * picture.heightPx) / 2);
  }

  remember(): void {
    keep(this.place, { pictureId: this.pictureId, opacity: this.opacity } satisfies Settings);
  }

  choose(pictureId: string): void {
    this.pictureId = pictureId;
    if (this.opacity === 0) this.opacity = 35;
    this.remember();
    this.find();
  }

  fade(opacity: number): void {
    this.opacity = Math.max(0, Math.min(100, opacity));
    this.remember();
  }

  /** Finds the edges of the picture, and what guides it offers, if that is not known yet. */
  find(): void {
    const { picture, map } = this;
    if (!picture || this.known === picture.id) return;
    this.known = picture.id;
    this.edges = this.deviation = null;
    this.offered = [];
    this.looking = true;
    // Side by side, so that every edge is one that is seen.
    const options = { ...TRACE_DEFAULTS, ground: 'drop', stacking: 'cutout' } as const;
    const failed = (message: string): void => {
      this.looking = false;
      this.known = '';
      notices.tell(`The edges of ${picture.label} could not be found: ${message}`, { id: 'below' });
    };
    this.tracer.ask(
      { want: 'trace', href: picture.href, options },
      {
        onResult: ({ artwork }) => {
          const contours = allPieces(artwork).flatMap((p) => p.contours.map((c) => mapContour(map, c)));
          this.edges = pictureEdges(contours);
          this.looking = false;
          this.offer(contours);
          this.measure();
        },
        onError: failed,
      },
    );
  }

  private offer(edges: readonly Contour[]): void {
    const { widthPx, heightPx } = this.artwork();
    this.offerer.ask(
      { want: 'offered', edges, sizePx: Math.max(widthPx, heightPx) },
      { onResult: (offered) => (this.offered = offered), onError: () => (this.offered = []) },
    );
  }

  /** Measures how far the drawing lies from the picture, a moment after it stopped changing. */
  measure(): void {
    clearTimeout(this.timer);
    const { edges } = this;
    if (!edges || !this.artwork().nodes.length) {
      this.deviation = null;
      return;
    }
    this.timer = setTimeout(() => {
      const artwork = $state.snapshot(this.artwork()) as Artwork;
      this.measurer.ask(
        { want: 'deviation', artwork, edges: edges.contours },
        { onResult: (deviation) => (this.deviation = deviation), onError: () => (this.deviation = null) },
      );
    }, MEASURE_AFTER_MS);
  }

  /** The nearest edge of the picture, while that shows. */
  readonly edgeAt = (p: Point): Point | null => (this.opacity > 0 ? (this.edges?.lines.nearest(p) ?? null) : null);
}
