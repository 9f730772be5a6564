import { decimalsFor, strokeArea, type Contour, type FillRule, type StrokeStyle } from '../../path';
import { contoursOfArea, type Scene, type SceneShape } from '../../scene';
import type { Gradient, GradientStop } from '../../vector';
import { num, pageGradient, pathOperators, stretches } from './operators';

/** How far outlines of lines may lie from true ones, as a share of the longer side. */
const LINE_SHARE = 1 / 20_480;

/** What writers of pages have in common: outlines, lines and gradients of one scene, which PDF and PostScript write alike. */
export class PageWriter {
  private readonly decimals: number;

  constructor(protected readonly scene: Scene) {
    this.decimals = Math.max(3, decimalsFor(this.longerPx) + 1);
  }

  protected get longerPx(): number {
    return Math.max(this.scene.widthPx, this.scene.heightPx);
  }

  protected path(contours: readonly Contour[]): string {
    return pathOperators(contours, this.decimals);
  }

  /** What a shape covers; a line's own area, too. */
  protected areaOf({ contours, line, rule }: SceneShape): { contours: readonly Contour[]; rule: FillRule } {
    if (!line) return { contours, rule };
    return { contours: contoursOfArea(strokeArea(contours, line, this.longerPx * LINE_SHARE)), rule: 'nonzero' };
  }

  /** Operators that say how lines are drawn; they stand between operators that save and bring back what was. */
  protected lineOperators({ widthPx, cap, join, mitreLimit, dash, dashOffset }: StrokeStyle): string {
    const dashes = dash?.length ? ` [${dash.map((d) => num(d)).join(' ')}] ${num(dashOffset ?? 0)} d` : '';
    return `${num(widthPx)} w ${{ butt: 0, round: 1, square: 2 }[cap]} J ${{ mitre: 0, round: 1, bevel: 2 }[join]} j ${num(Math.max(1, mitreLimit))} M${dashes}\n`;
  }

  protected gradientOn(gradient: Gradient): ReturnType<typeof pageGradient> {
    return pageGradient(gradient, [0, 0, this.scene.widthPx, this.scene.heightPx]);
  }

  /** A gradient as a shading dictionary: `values` gives a stop's components in the colour space. */
  protected shadingOf(
    { kind, coords }: ReturnType<typeof pageGradient>,
    stops: readonly Required<GradientStop>[],
    space: string,
    values: (stop: Required<GradientStop>) => string,
  ): string {
    const runs = stretches(stops);
    const functions = runs.map(
      ([p, q]) => `<< /FunctionType 2 /Domain [0 1] /N 1 /C0 [${values(p)}] /C1 [${values(q)}] >>`,
    );
    const bounds = runs.slice(1).map(([p]) => num(p.at, 6));
    const whole =
      runs.length === 1
        ? functions[0]
        : `<< /FunctionType 3 /Domain [0 1] /Functions [\n${functions.join('\n')}\n] /Bounds [${bounds.join(' ')}] /Encode [${runs.map(() => '0 1').join(' ')}] >>`;
    return `<< /ShadingType ${kind === 'linear' ? 2 : 3} /ColorSpace ${space} /Coords [${coords.map((v) => num(v)).join(' ')}]\n/Function ${whole} /Extend [true true] >>`;
  }
}

/** Contours filled with one colour, as a shape. */
export const plainShape = (contours: readonly Contour[], hex: string): SceneShape => ({
  nodeId: '',
  contours,
  rule: 'nonzero',
  paint: { inkId: '', name: '', hex },
  opacity: 1,
  layers: [],
});
