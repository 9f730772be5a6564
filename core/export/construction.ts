import type { Construction, ConstructionCircle, ConstructionLine } from '../exact';
import { formatPath, mapContour, shortNumber } from '../path';
import { placedNodes, telling, type Artwork } from '../vector';
import { escapeXml } from './names';

/** The colour of lines and measures; the mark itself is tinted with it. */
const HEX = '#1D2E4E';
/** Against the longer side of the sheet: the width of lines, the size of measures, how far lines go on beyond what lies on them. */
const [LINE_SHARE, TEXT_SHARE, BEYOND_SHARE] = [1 / 900, 1 / 60, 1 / 24];

/** A length as it is written beside what it measures: in units where it is a multiple, else in px. */
export function measureOf(px: number, unit: Construction['unit']): string {
  const times = unit ? px / unit.px : 0;
  if (unit && Math.abs(times - Math.round(times)) * unit.px < 0.02 * unit.px && Math.round(times) > 0)
    return `${Math.round(times)} u`;
  return px.toFixed(1);
}

/** Circles of one size about one middle, as they are written once. */
const keyOf = (c: ConstructionCircle): string => c.radiusPx.toFixed(1);

/** The drawing of what an artwork is constructed of, as SVG: the mark tinted and outlined, circles with their middles and radii, lines with their angles, and the unit. */
export function constructionToSvg(artwork: Artwork, construction: Construction, title?: string): string {
  const { widthPx: w, heightPx: h } = artwork;
  const side = Math.max(w, h);
  const [line, text, beyond] = [LINE_SHARE * side, TEXT_SHARE * side, BEYOND_SHARE * side];
  const { lines, circles } = telling(construction);
  const num = (v: number): string => shortNumber(v, 2);
  const reach = circles.flatMap(({ centre: [x, y], radiusPx: r }) => [x - r, w - x - r, y - r, h - y - r]);
  // Circles are seen whole, but for those that are nearly lines.
  const out = Math.min(side / 2, Math.max(beyond, ...reach.map((r) => -r))) + 2 * text;
  const outlines = [...placedNodes(artwork.nodes)].flatMap(({ node, within, map }) =>
    node.kind === 'piece' && ![...within, node].some((n) => n.hidden)
      ? [{ d: formatPath(node.contours.map((c) => mapContour(map, c)), 2), rule: node.rule, filled: node.inkId !== null }] // prettier-ignore
      : [],
  );
  const mark = outlines
    .map(
      ({ d, rule, filled }) =>
        `<path d="${d}" fill="${filled ? HEX : 'none'}" fill-opacity="0.12"${rule ? ` fill-rule="${rule}"` : ''} stroke="${HEX}" stroke-width="${num(1.6 * line)}"/>`,
    )
    .join('\n');
  const straight = lines.map((l) => lineElement(l, beyond, num)).join('\n');
  const round = circles
    .map(({ centre: [x, y], radiusPx: r }) => `<circle cx="${num(x)}" cy="${num(y)}" r="${num(r)}"/>`)
    .join('\n');
  const middles = circles
    .map(
      ({ centre: [x, y] }) =>
        `M${num(x - 2 * line)} ${num(y)}h${num(4 * line)}M${num(x)} ${num(y - 2 * line)}v${num(4 * line)}`,
    )
    .join('');
  const seen = new Set<string>();
  const labels = circles
    .filter((c) => !seen.has(keyOf(c)) && seen.add(keyOf(c)))
    .map(({ centre: [x, y], radiusPx: r }) => {
      const [px, py] = [x + r * Math.SQRT1_2, y - r * Math.SQRT1_2];
      return `<text x="${num(px + text / 3)}" y="${num(py - text / 3)}">r ${escapeXml(measureOf(r, construction.unit))}</text>`;
    })
    .join('\n');
  const unit = construction.unit
    ? `<text x="${num(-out + text)}" y="${num(h + out - text)}">1 u = ${construction.unit.px.toFixed(2)} px</text>`
    : '';
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${num(w + 2 * out)}" height="${num(h + 2 * out)}" viewBox="${num(-out)} ${num(-out)} ${num(w + 2 * out)} ${num(h + 2 * out)}">
${title ? `<title>${escapeXml(title)}</title>\n` : ''}<g id="mark">
${mark}
</g>
<g id="construction" fill="none" stroke="${HEX}" stroke-width="${num(line)}">
<g id="lines" stroke-dasharray="${num(6 * line)} ${num(4 * line)}">
${straight}
</g>
<g id="circles">
${round}
</g>
${middles ? `<path d="${middles}"/>` : ''}
</g>
<g id="measures" fill="${HEX}" font-family="sans-serif" font-size="${num(text)}">
${labels}
${unit}
</g>
</svg>
`;
}

function lineElement({ from, to, angleDeg }: ConstructionLine, beyond: number, num: (v: number) => string): string {
  const t = (angleDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(t), Math.sin(t)];
  const sign = (to[0] - from[0]) * cos + (to[1] - from[1]) * sin < 0 ? -1 : 1;
  const [x, y] = [sign * beyond * cos, sign * beyond * sin];
  return `<path d="M${num(from[0] - x)} ${num(from[1] - y)}L${num(to[0] + x)} ${num(to[1] + y)}"/>`;
}
