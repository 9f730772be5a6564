import * as line from './finishes-line';
import * as solid from './finishes-solid';
import type { Draw } from './finishes-solid';
import { oneLine } from './one-line';

export interface Finish {
  /** One line for whoever chooses it. */
  readonly about: string;
  readonly draw: Draw;
  /** Words of a prompt that ask for it, besides its name. */
  readonly words: readonly string[];
  /** Looks its best on a dark ground, and takes one unless the prompt names another. */
  readonly onDark?: boolean;
  /** Gives more than flat areas. */
  readonly shaded?: boolean;
}

/** The finishes by name, plainest first. */
export const FINISHES: Readonly<Record<string, Finish>> = {
  flat: { about: 'even areas of colour', draw: solid.flat, words: ['solid', 'flat colour', 'flat design'] },
  silhouette: { about: 'one shape, details cut out', draw: solid.silhouette, words: ['shadow figure', 'solid shape'] },
  outline: {
    about: 'lines of one weight',
    draw: line.outline,
    words: ['outlined', 'linear'],
  },
  'single line': {
    about: 'one line that never leaves the paper',
    draw: oneLine,
    words: ['unbroken line'],
  },
  'two weights': {
    about: 'a strong outer line, thin lines inside',
    draw: line.twoWeights,
    words: ['bold outline', 'thick outline', 'heavy outline'],
  },
  inline: {
    about: 'a fine line along the inside of the edge',
    draw: line.inline,
    words: ['double line', 'inset line'],
  },
  'split light': {
    about: 'one half a step darker',
    draw: solid.splitTone,
    words: ['half shade', 'two-tone', 'two tone', 'split shading'],
    shaded: true,
  },
  'cut paper': {
    about: 'sheets of paper with their shadows',
    draw: solid.cutPaper,
    words: ['papercut', 'paper cut', 'collage', 'paper'],
    shaded: true,
  },
  pebble: {
    about: 'round parts set apart',
    draw: solid.pebble,
    words: ['rounded shapes', 'soft shapes', 'bubbly', 'pebbles'],
  },
  angular: {
    about: 'straight sides at shared angles',
    draw: solid.angular,
    words: ['faceted', 'straight edges', 'angular shapes', 'origami'],
  },
  'geometric construction': {
    about: 'with the circles and axes it sits on',
    draw: line.construction,
    words: ['construction', 'constructed', 'blueprint', 'golden circles', 'construction lines'],
  },
  'low polygon': {
    about: 'facets turned to the light',
    draw: solid.lowPolygon,
    words: ['low poly', 'low-poly', 'polygonal', 'triangles', 'crystal'],
    shaded: true,
  },
  isometric: {
    about: 'a block seen from above',
    draw: solid.isometric,
    words: ['three-dimensional', 'extruded', '3d'],
    shaded: true,
  },
  stencil: { about: 'shapes with bridges, as for spraying', draw: solid.stencil, words: ['stencilled', 'spray'] },
  woodcut: {
    about: 'gouges cut into wood',
    draw: line.woodcut,
    words: ['wood cut', 'woodblock', 'xylograph', 'wood engraving'],
  },
  'lino print': {
    about: 'cut out of a block of ink',
    draw: line.lino,
    words: ['linocut', 'lino', 'block print', 'relief print'],
  },
  'engraved lines': {
    about: 'fine lines that swell in the shade',
    draw: line.engraved,
    words: ['engraved', 'engraving', 'banknote', 'etched', 'etching'],
  },
  'pen hatching': {
    about: 'pen strokes, crossed in the shade',
    draw: line.penHatching,
    words: ['cross hatching', 'crosshatch', 'cross-hatched', 'hatching', 'pen and ink', 'pen drawing'],
  },
  halftone: {
    about: 'dots of a screen, larger in the shade',
    draw: line.halftone,
    words: ['dotted', 'screen print dots', 'raster dots'],
  },
  'dot board': { about: 'dots of one size', draw: line.dotBoard, words: ['dot matrix', 'lamps', 'beads', 'dots'] },
  bands: { about: 'level bars, thicker below', draw: line.bands, words: ['stripes', 'striped', 'bars', 'banded'] },
  echo: {
    about: 'rings within rings',
    draw: solid.echo,
    words: ['concentric', 'ripples', 'echoing lines', 'contour lines'],
  },
  blocks: {
    about: 'squares of one size',
    draw: solid.blocks,
    words: ['pixel', 'pixels', 'pixelated', 'pixel art', 'cross stitch'],
  },
  mosaic: { about: 'small stones with joints', draw: solid.mosaic, words: ['tiles', 'tessera'], shaded: true },
  'stained glass': {
    about: 'coloured panes in lead',
    draw: solid.stainedGlass,
    words: ['leaded glass', 'church window', 'glass panes'],
    shaded: true,
  },
  'ink brush': {
    about: 'brush strokes with dry ends',
    draw: line.inkBrush,
    words: ['brush', 'brushed', 'calligraphic', 'ink', 'sumi'],
    shaded: true,
  },
  wash: {
    about: 'water colour that pools at its edges',
    draw: line.wash,
    words: ['watercolour', 'watercolor', 'water colour', 'aquarelle'],
    shaded: true,
  },
  chalk: {
    about: 'chalk on a board',
    draw: line.chalk,
    words: ['chalkboard', 'blackboard', 'crayon'],
    onDark: true,
    shaded: true,
  },
  'pencil sketch': {
    about: 'graphite lines that wobble',
    draw: line.pencil,
    words: ['pencil', 'sketch', 'sketched', 'graphite'],
    shaded: true,
  },
  comic: { about: 'fat lines and a dotted shade', draw: line.comic, words: ['comics', 'cartoon', 'comic book'] },
  'mid-century': {
    about: 'loose colour under a thin line',
    draw: solid.midCentury,
    words: ['mid century', 'midcentury', 'fifties', '1950s', 'atomic age'],
  },
  overprint: {
    about: 'inks seen through one another',
    draw: line.overprint,
    words: ['riso', 'overprinted', 'transparent layers', 'misregistered'],
    shaded: true,
  },
  folk: {
    about: 'ornament inside plain shapes',
    draw: solid.folk,
    words: ['folk art', 'ornamental', 'decorated', 'ornament'],
  },
  embroidery: {
    about: 'stitches side by side',
    draw: line.embroidery,
    words: ['embroidered', 'stitched', 'sewn', 'patch'],
    shaded: true,
  },
  'worn stamp': {
    about: 'one ink, worn in patches',
    draw: line.wornStamp,
    words: ['rubber stamp', 'stamped', 'distressed', 'worn', 'letterpress', 'grunge'],
  },
  'soft shading': {
    about: 'light from above, for app icons',
    draw: solid.softShading,
    words: ['soft shaded', 'shaded', 'glossy', 'soft light', 'volume'],
    shaded: true,
  },
  'long shadow': {
    about: 'a flat shadow thrown far',
    draw: solid.longShadow,
    words: ['long shadows', 'cast shadow'],
    shaded: true,
  },
  'light tube': {
    about: 'tubes of light on the dark',
    draw: line.neon,
    words: ['neon sign', 'neon tube', 'neon tubes', 'glowing', 'neon light'],
    onDark: true,
    shaded: true,
  },
};

/** Words of prompts that ask for a finish, each with its name. */
export const FINISH_WORDS: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries(FINISHES).flatMap(([name, { words }]) => [[name, name], ...words.map((word) => [word, name])]),
);
