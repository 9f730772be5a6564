/** Hands, seen from the palm: bones with flesh on them, the fingers as a gesture has them. */
import { grown, moved, union, type Area } from '../../path';
import { box } from '../area';
import type { Part } from '../figure';
import { COAT, downFrom, filleted, FUR, limb, line, piece, type Joint, type Spread } from './pieces';

export const GESTURES = ['open', 'holding', 'pointing', 'fist', 'thumb up', 'two fingers'] as const;
export type Gesture = (typeof GESTURES)[number];

/** A finger from its knuckle, its three bones bent by angles from straight up, in degrees. */
function finger([x, y]: readonly number[], length: number, r: number, bends: readonly number[]): Area {
  const joints: Joint[] = [[x, y, r]];
  bends.forEach((deg, i) => {
    const [px, py] = joints[i];
    const [nx, ny] = downFrom([px, py], length * [0.44, 0.32, 0.24][i], 180 - deg);
    joints.push([nx, ny, r * [0.97, 0.94, 0.88][i]]);
  });
  return limb(...joints);
}

/** A right hand of a gesture, in a field of 100 x 100. */
export function handParts(gesture: Gesture, t: Spread): Part[] {
  const r = 5.6 * (1 + 0.06 * t('thick'));
  const long = 34 * (1 + 0.06 * t('long'));
  const cuff = (top: number): Part => piece(COAT, union([[34, top, 66, top, 68, 100, 32, 100]]));
  const wrist = (top: number): Area => limb([50, top, 13], [50, 92, 11.5]);
  const palm = union(filleted(union(limb([40, 58, 11], [60, 58, 11]), limb([41, 72, 11], [58, 74, 10])), 3));
  const knuckles = [[36.4, 52], [45.6, 48.6], [55, 49], [64, 53]]; // prettier-ignore
  const lengths = [0.92, 1.05, 1, 0.8];
  const spread = [-13, -4, 4, 14].map((d) => d * (1 + 0.16 * t('spread')));
  if (gesture === 'holding') {
    // A palm held up, its fingers together and a little bent, the thumb over its edge: something stands on it.
    const dish = filleted(union(limb([22, 60, 7], [36, 66, 8.4], [58, 67, 8.8]), limb([56, 68, 9.4], [72, 78, 9.4], [86, 92, 10])), 4);
    const fingers = [0, 1, 2].map((i) => limb([38, 66 + i * 4.4, 4.6], [25, 63 + i * 4, 4.4], [14 + i * 2, 57 + i * 4.4, 4]));
    const thumb = limb([58, 64, 6], [47, 57.4, 5], [37, 56, 4.2]);
    const gaps = union(...[0, 1].map((i) => line(COAT, 1.4, `M${18 + 2 * i} ${61.6 + 4.4 * i}L${31 + i} ${66.4 + 4 * i}`).area));
    return [piece(FUR, union(dish, ...fingers)), piece(COAT, gaps), piece(FUR, thumb), piece(COAT, moved(grown(box(-14, -6, 28, 12), 1.2), [0.72, 0.69, -0.69, 0.72, 88, 94]))];
  } // prettier-ignore
  if (gesture === 'fist' || gesture === 'thumb up') {
    const block = filleted(limb([38, 56, 12], [62, 56, 12], [61, 70, 11], [40, 71, 11], [38, 56, 12]), 2);
    const body = union(block, [[38, 52, 62, 52, 62, 74, 38, 74]], wrist(72));
    const folds = union(...[0, 1, 2].map((i) => line(COAT, 1.6, `M${42.4 + 8 * i} 46.6Q${43.4 + 8 * i} 53 ${42.4 + 8 * i} 58.6`).area)); // prettier-ignore
    const thumb = gesture === 'fist' ? limb([35, 66, 5.8], [46, 64.4, 5.4], [57, 63, 4.9]) : limb([38, 56, 6.6], [34.5, 40, 6], [36, 24, 5]); // prettier-ignore
    const under = gesture === 'fist' ? line(COAT, 1.5, 'M38 71.6L57 69').area : [];
    return [piece(FUR, union(body, gesture === 'thumb up' ? thumb : [])), piece(COAT, union(folds, under)), ...(gesture === 'fist' ? [piece(FUR, thumb)] : []), cuff(88)]; // prettier-ignore
  }
  const up = knuckles.map((k, i) => {
    const isUp = gesture === 'open' || (gesture === 'pointing' ? i === 0 : i === 0 || i === 1);
    return { isUp, area: isUp ? finger(k, long * lengths[i], r, [spread[i], spread[i] * 1.1, spread[i] * 1.2]) : finger([k[0], k[1] + 2], 14, r, [spread[i] * 0.4]) }; // prettier-ignore
  });
  const thumb = gesture === 'open' ? limb([36, 70, 7.6], [25, 60, 6.2], [17, 46, 5]) : limb([36, 70, 7], [42, 61, 5.8], [54, 61, 5]); // prettier-ignore
  const whole = filleted(union(palm, wrist(76), ...up.map((f) => f.area), gesture === 'open' ? thumb : []), 1.6);
  const lines = gesture === 'open'
    ? [piece(COAT, union(line(COAT, 1.5, 'M38 60Q50 56 62 60').area, line(COAT, 1.5, 'M38 66Q50 64 53 80').area))]
    : [piece(COAT, union(line(COAT, 1.5, 'M41 66.4L55 66.4').area, ...[1, 2, 3].filter((i) => !up[i].isUp).map((i) => line(COAT, 1.5, `M${knuckles[i][0] - 4.6} ${knuckles[i][1] + 1}L${knuckles[i][0] - 4.6} ${knuckles[i][1] + 10}`).area))), piece(FUR, thumb)]; // prettier-ignore
  return [piece(FUR, whole), ...lines, cuff(90)];
}
