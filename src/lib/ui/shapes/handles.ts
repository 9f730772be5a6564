import { scaleAbout, turnAbout, type Affine, type Box, type Point } from '$core/path';

/** A place about a box that is dragged to scale or turn what is in it. */
export interface Handle {
  readonly name: string;
  readonly at: Point;
  readonly cursor: string;
  /**
   * The map of a drag from one point to another; `free` is the Shift key: corners scale each way by itself, turns go on in steps. `about` is the point that stays, where one was chosen: else
   * what is scaled keeps the side opposite, and what is turned its middle.
   */
  readonly map: (box: Box, from: Point, to: Point, free: boolean, about: Point | null) => Affine;
}

/** How far above the box the handle to turn it stands, in pixels of the screen. */
const TURN_PX = 24;
const STEP_RAD = Math.PI / 12;
/** Nothing is scaled down to less than this share at a time. */
const LEAST = 0.01;

const CORNERS = [
  ['upper left', 0, 0, 'nwse-resize'],
  ['upper side', 0.5, 0, 'ns-resize'],
  ['upper right', 1, 0, 'nesw-resize'],
  ['right side', 1, 0.5, 'ew-resize'],
  ['lower right', 1, 1, 'nwse-resize'],
  ['lower side', 0.5, 1, 'ns-resize'],
  ['lower left', 0, 1, 'nesw-resize'],
  ['left side', 0, 0.5, 'ew-resize'],
] as const;

/** The handles about a box, at a zoom. */
export function handlesOf(box: Box, zoom: number): Handle[] {
  const place = (u: number, v: number): Point => [box.x + u * box.width, box.y + v * box.height];
  const scaling = CORNERS.map(([name, u, v, cursor]): Handle => ({
    name,
    cursor,
    at: place(u, v),
    map(of, _from, to, free, chosen) {
      const about: Point = chosen ?? [of.x + (1 - u) * of.width, of.y + (1 - v) * of.height];
      const [w, h] = [of.x + u * of.width - about[0], of.y + v * of.height - about[1]];
      const times = (on: boolean, reach: number, is: number): number =>
        on && Math.abs(reach) > 1e-6 ? Math.max(LEAST, is / reach) : 1;
      let sx = times(u !== 0.5, w, to[0] - about[0]);
      let sy = times(v !== 0.5, h, to[1] - about[1]);
      // A mark keeps its proportions where it is dragged by a corner.
      if (u !== 0.5 && v !== 0.5 && !free) sx = sy = Math.max(sx, sy);
      return scaleAbout(about, sx, sy);
    },
  }));
  const turn: Handle = {
    name: 'turn',
    cursor: 'grab',
    at: [box.x + box.width / 2, box.y - TURN_PX / zoom],
    map(of, from, to, steps, chosen) {
      const middle: Point = chosen ?? [of.x + of.width / 2, of.y + of.height / 2];
      const angle = (p: Point) => Math.atan2(p[1] - middle[1], p[0] - middle[0]);
      let rad = angle(to) - angle(from);
      if (steps) rad = Math.round(rad / STEP_RAD) * STEP_RAD;
      return turnAbout(middle, rad);
    },
  };
  return [...scaling, turn];
}
