import { boxOf, flatten, signedArea, type Affine, type Contour } from '../vector';
import { moved, type Drawing } from './drawing';

const contoursOf = (drawing: Drawing): Contour[] => drawing.flatMap((p) => [...p.contours]);

/** The middle of mass of the filled areas, so that a figure with one heavy side is centred as the eye does it. */
function centreOfMass(drawing: Drawing): [number, number] {
  let area = 0;
  let sx = 0;
  let sy = 0;
  for (const part of drawing) {
    if (part.weight !== undefined || part.role === 'light') continue;
    for (const c of part.contours) {
      const p = flatten(c, 0.5);
      const a = Math.abs(signedArea(p));
      let x = 0;
      let y = 0;
      for (let i = 0; i < p.length; i += 2) {
        x += p[i];
        y += p[i + 1];
      }
      const n = p.length / 2;
      area += a;
      sx += (a * x) / n;
      sy += (a * y) / n;
    }
  }
  return area > 0 ? [sx / area, sy / area] : [50, 50];
}

/** Fits a drawing optically into a box about (cx, cy): its longer side, or what its area asks for, is `size`. */
export function fitted(drawing: Drawing, cx: number, cy: number, size: number, mirror = false): Drawing {
  const box = boxOf(contoursOf(drawing));
  const scale = size / Math.max(box.width, box.height, 1);
  const [mx, my] = centreOfMass(drawing);
  const fx = 0.7 * (box.x + box.width / 2) + 0.3 * mx;
  const fy = 0.7 * (box.y + box.height / 2) + 0.3 * my;
  const sx = mirror ? -scale : scale;
  const map: Affine = [sx, 0, 0, scale, cx - sx * fx, cy - scale * fy];
  return moved(drawing, map);
}

/** The areas of a drawing, for a gap round all of it. */
export const areasOf = (drawing: Drawing): Contour[] =>
  drawing.filter((p) => p.weight === undefined && p.role !== 'light').flatMap((p) => [...p.contours]);
