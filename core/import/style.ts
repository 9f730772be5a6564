import * as css from 'css-tree';
import type { XmlElement } from './xml';

/** Properties of an element by their names, as they come out of attributes, style sheets and style attributes. */
export type Style = ReadonlyMap<string, string>;

/** One part of a selector without spaces: what an element must be by itself. */
interface Compound {
  readonly name: string | null;
  readonly id: string | null;
  readonly classes: readonly string[];
  readonly attributes: readonly { readonly name: string; readonly value: string | null }[];
  /** How the next part to the left stands to this one. */
  readonly before: ' ' | '>' | null;
}

interface Rule {
  /** From the right, the element itself first. */
  readonly parts: readonly Compound[];
  readonly specificity: number;
  readonly declarations: readonly { readonly name: string; readonly value: string; readonly important: boolean }[];
}

/** The most rules and parts of selectors that are followed: together they bound the work for each element. */
const LIMIT_RULES = 1000;
const LIMIT_PARTS = 12;

/** The rules of style sheets that can be followed: names, classes, ids and attributes, descendants and children. Others are passed over. */
export class StyleSheet {
  private readonly byKey = new Map<string, { rule: Rule; order: number }[]>();

  constructor(rules: readonly Rule[]) {
    rules.forEach((rule, order) => {
      const [last] = rule.parts;
      const key = last.id !== null ? `#${last.id}` : last.classes.length ? `.${last.classes[0]}` : (last.name ?? '*');
      this.byKey.set(key, [...(this.byKey.get(key) ?? []), { rule, order }]);
    });
  }

  /** Rules that may be about an element, the weakest first. */
  rulesFor({ name, attributes }: XmlElement): Rule[] {
    if (!this.byKey.size) return [];
    const keys = ['*', name, `#${attributes.get('id') ?? ''}`];
    const own = attributes.get('class');
    if (own) keys.push(...new Set(own.split(/\s+/).map((c) => `.${c}`)));
    return keys
      .flatMap((k) => this.byKey.get(k) ?? [])
      .sort((p, q) => p.order - q.order)
      .map((r) => r.rule);
  }
}

const declarationsOf = (block: css.Block | css.DeclarationList): Rule['declarations'] => {
  const out: { name: string; value: string; important: boolean }[] = [];
  block.children.forEach((node) => {
    if (node.type === 'Declaration')
      out.push({
        name: node.property.toLowerCase(),
        value: css.generate(node.value).trim(),
        important: Boolean(node.important),
      });
  });
  return out;
};

/** A selector from the right; null for one with anything that is not followed. */
function partsOf(selector: css.Selector): { parts: Compound[]; specificity: number } | null {
  const parts: Compound[] = [];
  let specificity = 0;
  let current = {
    name: null as string | null,
    id: null as string | null,
    classes: [] as string[],
    attributes: [] as { name: string; value: string | null }[],
  };
  const fresh = () => ({ name: null, id: null, classes: [], attributes: [] }) as typeof current;
  let before: Compound['before'] = null;
  let known = true;
  selector.children.forEach((node) => {
    switch (node.type) {
      case 'TypeSelector': {
        const name = node.name.slice(node.name.indexOf('|') + 1);
        if (name !== '*') {
          current.name = name;
          specificity += 1;
        }
        break;
      }
      case 'ClassSelector':
        current.classes.push(node.name);
        specificity += 1000;
        break;
      case 'IdSelector':
        current.id = node.name;
        specificity += 1_000_000;
        break;
      case 'AttributeSelector': {
        if (node.matcher !== null && node.matcher !== '=') known = false;
        const value = node.value === null ? null : node.value.type === 'String' ? node.value.value : node.value.name;
        current.attributes.push({ name: node.name.name, value });
        specificity += 1000;
        break;
      }
      case 'Combinator':
        if (node.name !== ' ' && node.name !== '>') known = false;
        parts.push({ ...current, before });
        before = node.name === '>' ? '>' : ' ';
        current = fresh();
        break;
      default:
        known = false;
    }
  });
  parts.push({ ...current, before });
  return known ? { parts: parts.reverse(), specificity } : null;
}

/** Reads the style sheets of a file. What is broken in them is passed over, as CSS has it; `@import` and all other `@` rules too. */
export function readStyleSheet(text: string): StyleSheet {
  const rules: Rule[] = [];
  if (!text.trim()) return new StyleSheet(rules);
  const sheet = css.parse(text, { parseValue: true, onParseError: () => {} });
  if (sheet.type !== 'StyleSheet') return new StyleSheet(rules);
  sheet.children.forEach((node) => {
    if (node.type !== 'Rule' || node.prelude.type !== 'SelectorList') return;
    const declarations = declarationsOf(node.block);
    node.prelude.children.forEach((selector) => {
      if (selector.type !== 'Selector') return;
      const found = partsOf(selector);
      if (found && found.parts.length <= LIMIT_PARTS && rules.length < LIMIT_RULES)
        rules.push({ ...found, declarations });
    });
  });
  // Stable: of two alike the later one counts.
  return new StyleSheet(rules.sort((p, q) => p.specificity - q.specificity));
}

const fits = (element: XmlElement, part: Compound): boolean =>
  (part.name === null || part.name === element.name) &&
  (part.id === null || part.id === element.attributes.get('id')) &&
  (part.classes.length === 0 ||
    part.classes.every((c) => (element.attributes.get('class') ?? '').split(/\s+/).includes(c))) &&
  part.attributes.every(({ name, value }) => {
    const own = element.attributes.get(name);
    return own !== undefined && (value === null || own === value);
  });

/** Whether an element, within its ancestors from the root on, is what a selector asks for: which ancestors can stand for each part, from the right. */
function matches(parts: readonly Compound[], element: XmlElement, within: readonly XmlElement[]): boolean {
  if (!fits(element, parts[0])) return false;
  // Places in `within` that may stand for the part just looked at; the element itself comes after all of them.
  let places = [within.length];
  for (let at = 1; at < parts.length; at++) {
    const next: number[] = [];
    if (parts[at - 1].before === '>') {
      for (const p of places) if (p > 0 && fits(within[p - 1], parts[at])) next.push(p - 1);
    } else {
      const last = Math.max(...places);
      for (let k = 0; k < last; k++) if (fits(within[k], parts[at])) next.push(k);
    }
    if (!next.length) return false;
    places = next;
  }
  return true;
}

/** Attributes that are properties as well (SVG 1.1, 6.1; those that drawing depends on). */
const PRESENTATION = new Set(
  (
    'fill stroke fill-opacity stroke-opacity opacity fill-rule clip-rule clip-path mask filter stroke-width stroke-linecap stroke-linejoin ' +
    'stroke-miterlimit stroke-dasharray stroke-dashoffset display visibility color stop-color stop-opacity transform overflow paint-order ' +
    'marker marker-start marker-mid marker-end mix-blend-mode vector-effect'
  ).split(' '),
);

/** All properties that an element has of its own: attributes, then style sheets by their specificity, then its style attribute, `!important` last. */
export function styleOf(element: XmlElement, within: readonly XmlElement[], sheet: StyleSheet): Style {
  const out = new Map<string, string>();
  for (const [name, value] of element.attributes) if (PRESENTATION.has(name)) out.set(name, value.trim());
  const important = new Map<string, string>();
  const add = (declarations: Rule['declarations']): void => {
    for (const d of declarations) (d.important ? important : out).set(d.name, d.value);
  };
  for (const rule of sheet.rulesFor(element)) if (matches(rule.parts, element, within)) add(rule.declarations);
  const inline = element.attributes.get('style');
  if (inline) {
    const list = css.parse(inline, { context: 'declarationList', onParseError: () => {} });
    if (list.type === 'DeclarationList') add(declarationsOf(list));
  }
  for (const [name, value] of important) out.set(name, value);
  return out;
}
