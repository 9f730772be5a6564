import { sceneToSvg } from '../export';
import { shortNumber } from '../path';
import type { SceneLayer } from '../scene';
import type { Ease, Key, Motion, MovingPart } from './motion';

const num = (v: number): string => shortNumber(v, 3) || '0';
const easeText = (ease: Ease): string => `cubic-bezier(${ease.map(num).join(',')})`;

/** Keys as the rule of an animation; before the first and after the last their values stand. */
function keyframes<V>(name: string, keys: readonly Key<V>[], told: (value: V) => string): string {
  const frames = keys.map(
    ({ at, value, ease }, k) =>
      `${num(100 * at)}%{${told(value)}${ease && k + 1 < keys.length ? `;animation-timing-function:${easeText(ease)}` : ''}}`,
  );
  if (keys[0].at > 0) frames.unshift(`0%{${told(keys[0].value)}}`);
  if (keys[keys.length - 1].at < 1) frames.push(`100%{${told(keys[keys.length - 1].value)}}`);
  return `@keyframes ${name}{${frames.join('')}}`;
}

/** What moves a part: a rule for it, and the animations that the rule names. */
function rulesOf(part: MovingPart, seconds: number, loop: boolean): string {
  const { name, anchor, opacity, move, scale, turn, drawn } = part;
  const made: { name: string; text: string }[] = [];
  const add = <V>(what: string, keys: readonly Key<V>[] | undefined, told: (value: V) => string): void => {
    if (keys) made.push({ name: `${name}-${what}`, text: keyframes(`${name}-${what}`, keys, told) });
  };
  // Of one plain shape, and of outlines, fill and line fade by themselves: a browser draws that as sharply as what stands still.
  const [first] = part.shapes;
  const isPlain =
    (part.shapes.length === 1 || drawn !== undefined) &&
    first.opacity === 1 &&
    !first.layers.length &&
    !first.paint.gradient;
  add('fade', opacity, (v) => (isPlain ? `fill-opacity:${num(v)};stroke-opacity:${num(v)}` : `opacity:${num(v)}`));
  // Separate properties: each track has keys of its own.
  add('move', move, ([x, y]) => `translate:${num(x)}px ${num(y)}px`);
  add('turn', turn, (v) => `rotate:${num(v)}deg`);
  add('scale', scale, ([x, y]) => `scale:${num(x)} ${num(y)}`);
  const strokes = drawn ? keyframes(`${name}-drawn`, drawn, (v) => `stroke-dashoffset:${num(1 - v)}`) : '';
  if (!made.length && !strokes) return '';
  const play = (names: readonly string[]): string =>
    names.map((n) => `${n} ${num(seconds)}s linear ${loop ? 'infinite ' : ''}both`).join(',');
  let out = made.map((m) => m.text).join('\n');
  if (made.length)
    out += `\n#${name}{transform-box:view-box;transform-origin:${num(anchor[0])}px ${num(anchor[1])}px;animation:${play(made.map((m) => m.name))}}`; // prettier-ignore
  if (strokes)
    out += `\n${strokes}\n#${name} [pathLength]{stroke-dasharray:1 2;animation:${play([`${name}-drawn`])}}`; // prettier-ignore
  return out + '\n';
}

/** A movement as SVG with CSS, which stands still for those who asked for less motion: as it stands at its end. */
export function motionToSvg(motion: Motion, title: string): string {
  const { widthPx, heightPx, seconds, loop, parts } = motion;
  const shapes = parts.flatMap((part) => {
    const layer: SceneLayer = { nodeId: part.name, name: part.name, opacity: 1, effects: [], clip: null, mask: null };
    return part.shapes.map((s) => ({ ...s, layers: [layer, ...s.layers] }));
  });
  let svg = sceneToSvg({ widthPx, heightPx, shapes }, { title, decimals: 3 });
  // Shares of an outline are told of its length as 1.
  const isDrawn = new Set(parts.filter((p) => p.drawn).map((p) => p.name));
  svg = svg
    .split(/(?=<g id="(?:part|outline|eye)-)/)
    .map((chunk) => {
      const name = /^<g id="([a-z0-9-]+)"/.exec(chunk)?.[1];
      return name && isDrawn.has(name) ? chunk.replace(/<(path|circle|ellipse|rect) /g, '<$1 pathLength="1" ') : chunk;
    })
    .join('');
  const hidden = parts.filter((p) => p.opacity && p.opacity[p.opacity.length - 1].value === 0).map((p) => `#${p.name}`);
  const rules = parts.map((p) => rulesOf(p, seconds, loop)).join('');
  const still = `@media (prefers-reduced-motion:reduce){*{animation:none!important}${hidden.length ? `${hidden.join(',')}{opacity:0}` : ''}}`;
  return svg.replace(/(<svg[^>]*>\n(?:<title[^\n]*\n)?)/, `$1<style>\n${rules}${still}\n</style>\n`);
}
