declare module 'polylabel' {
  /** The pole of inaccessibility of a polygon (rings of points, the first the outer one) within a precision; `distance` is from its edge. */
  export default function polylabel(
    polygon: readonly (readonly (readonly [number, number])[])[],
    precision?: number,
  ): [number, number] & { distance: number };
}
