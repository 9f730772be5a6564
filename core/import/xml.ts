import { SaxesParser } from 'saxes';
import { SvgError } from './error';

/** An element of the file, its name and those of its attributes without their prefixes. */
export interface XmlElement {
  readonly name: string;
  readonly attributes: ReadonlyMap<string, string>;
  readonly children: readonly XmlElement[];
  /** What text it holds itself: style sheets and titles. */
  readonly text: string;
}

/** The most that is read. */
export const LIMIT_CHARACTERS = 20_000_000;
const LIMIT_ELEMENTS = 400_000;
const LIMIT_DEPTH = 256;

const local = (name: string): string => name.slice(name.indexOf(':') + 1);

/**
 * The tree of an XML text, in one pass. Entities that a file defines for itself, whatever they stand for, are never looked up, and nothing outside the
 * text is. Throws an SvgError on a text that is cut off, not XML, or larger than can be.
 */
export function readXml(text: string): XmlElement {
  if (text.length > LIMIT_CHARACTERS)
    throw new SvgError(`The SVG is longer than ${LIMIT_CHARACTERS / 1e6} million characters: bring in a smaller one`);
  interface Open {
    readonly name: string;
    readonly attributes: Map<string, string>;
    readonly children: Open[];
    text: string;
  }
  const parser = new SaxesParser();
  const open: Open[] = [];
  let root: Open | null = null;
  let elements = 0;
  parser.on('error', (error) => {
    // An entity that the file defined, or a character that XML does not allow, spoils a name at most.
    if (/entity|disallowed character|text data outside/i.test(error.message)) return;
    throw new SvgError('The SVG is broken or cut off: save it again where it came from and bring that in');
  });
  parser.on('opentag', ({ name, attributes }) => {
    if (++elements > LIMIT_ELEMENTS) throw new SvgError(`The SVG has more than ${LIMIT_ELEMENTS} elements`);
    if (open.length >= LIMIT_DEPTH) throw new SvgError(`The SVG has elements in one another ${LIMIT_DEPTH} deep`);
    const own = new Map<string, string>();
    // A plain attribute counts for more than one of a namespace, such as href beside xlink:href.
    for (const [key, value] of Object.entries(attributes as Record<string, string>)) {
      const short = local(key);
      if (key === short || !own.has(short)) own.set(short, value);
    }
    const element: Open = { name: local(name), attributes: own, children: [], text: '' };
    open[open.length - 1]?.children.push(element);
    root ??= element;
    open.push(element);
  });
  parser.on('closetag', () => void open.pop());
  const addText = (more: string): void => {
    const top = open[open.length - 1];
    if (top && (top.name === 'style' || top.name === 'title')) top.text += more;
  };
  parser.on('text', addText);
  parser.on('cdata', addText);
  parser.write(text.replace(/^\uFEFF/, '').trimStart()).close();
  if (!root) throw new SvgError('The file is no SVG');
  return root as XmlElement;
}
