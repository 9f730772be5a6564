/** How a sheet is looked at: a point p of the work stands at zoom * p + (x, y) on the screen, in CSS pixels. */
export interface View {
  readonly zoom: number;
  readonly x: number;
  readonly y: number;
}

/** What a pointer does on a work that is drawn on; the point is in pixels of the work. */
export interface DrawGesture {
  readonly what: 'down' | 'drag' | 'up' | 'hover' | 'leave';
  readonly point: [number, number];
  readonly shift: boolean;
  /** Pixels of the screen to one of the work. */
  readonly zoom: number;
}

/** Hears gestures, but of a drag no more than its last place a frame: for what is drawn anew with each. */
export function oncePerFrame(hear: (gesture: DrawGesture) => void): (gesture: DrawGesture) => void {
  let waiting: DrawGesture | null = null;
  const flush = (): void => {
    if (waiting) hear(waiting);
    waiting = null;
  };
  return (gesture) => {
    if (gesture.what !== 'drag') {
      flush();
      return hear(gesture);
    }
    if (!waiting) requestAnimationFrame(flush);
    waiting = gesture;
  };
}

export const ZOOM_LEAST = 0.02;
export const ZOOM_MOST = 64;

const clampZoom = (zoom: number): number => Math.max(ZOOM_LEAST, Math.min(ZOOM_MOST, zoom));

/** The whole work in the middle of a window, with a margin. */
export function fitView(windowWidth: number, windowHeight: number, width: number, height: number, margin = 26): View {
  const zoom = clampZoom(Math.min((windowWidth - 2 * margin) / width, (windowHeight - 2 * margin) / height));
  return { zoom, x: (windowWidth - width * zoom) / 2, y: (windowHeight - height * zoom) / 2 };
}

/** The view zoomed to a new factor about a point of the screen, which stays where it is. */
export function zoomAbout(view: View, zoom: number, atX: number, atY: number): View {
  const to = clampZoom(zoom);
  const ratio = to / view.zoom;
  return { zoom: to, x: atX - (atX - view.x) * ratio, y: atY - (atY - view.y) * ratio };
}

/** The point of the work under a point of the screen. */
export const pointUnder = (view: View, x: number, y: number): [number, number] => [
  (x - view.x) / view.zoom,
  (y - view.y) / view.zoom,
];
