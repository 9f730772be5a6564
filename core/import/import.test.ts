import { Resvg } from '@resvg/resvg-js';
import { describe, expect, it } from 'vitest';
import { packDrawings } from '../../bench/packs';
import { artworkToSvg } from '../export';
import { allPieces, placedNodes, seenInks, type Artwork } from '../vector';
import { artworkFromSvg, readSvg, SvgError } from './index';

const svg = (body: string, attributes = 'viewBox="0 0 100 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${body}</svg>`;
const SIDE = 256;

function pixels(text: string): Uint8Array {
  return new Resvg(text, { fitTo: { mode: 'width', value: SIDE }, font: { loadSystemFonts: false } }).render().pixels;
}

/** The share of pixels that differ between a file and what is written of it. */
function shareOff(text: string, artwork: Artwork): number {
  const [a, b] = [pixels(text), pixels(artworkToSvg(artwork))];
  if (a.length !== b.length) return 1;
  let off = 0;
  for (let i = 0; i < a.length; i += 4) if ([0, 1, 2, 3].some((c) => Math.abs(a[i + c] - b[i + c]) > 12)) off++;
  return (4 * off) / a.length;
}
const same = (body: string, attributes?: string) => {
  const text = svg(body, attributes);
  const { artwork, leftOut } = readSvg(text);
  expect(leftOut).toEqual([]);
  expect(allPieces(artwork).length).toBeGreaterThan(0);
  // Something is drawn at all, or two empty pictures would be the same.
  expect(pixels(text).some((v) => v > 0)).toBe(true);
  expect(shareOff(text, artwork)).toBeLessThan(0.004);
  return artwork;
};

describe('an SVG read draws what resvg draws of it', () => {
  it.each([
    [
      'all shapes',
      '<rect x="5" y="5" width="30" height="20" rx="4" ry="8"/><circle cx="60" cy="20" r="15"/><ellipse cx="20" cy="60" rx="15" ry="8"/><polygon points="50,50 90,50 70,90"/><polyline points="5 90 20 80 40 95" fill="none" stroke="red"/><line x1="45" y1="45" x2="95" y2="40" stroke="blue" stroke-width="3"/>',
    ],
    [
      'all path commands',
      '<path d="M10 10h20v20h-20zm40 0q10-10 20 0t20 0v30H50zM10 60c0-20 30-20 30 0s30 20 30 0l10 30H10zM60 60a10 20 30 1 0 20 10a5 5 0 0 1-20-10"/>',
    ],
    [
      'nested transforms',
      '<g transform="translate(50 50) rotate(30)"><g transform="scale(2 1) skewX(10)"><rect x="-10" y="-10" width="20" height="20" fill="green"/></g></g><rect width="9" height="9" transform="matrix(1 .5 -.5 1 20 0)"/>',
    ],
    [
      'use and symbol',
      '<defs><symbol id="s" viewBox="0 0 10 10"><circle cx="5" cy="5" r="5"/></symbol><g id="g"><rect width="10" height="10"/></g></defs><use href="#s" x="10" y="10" width="30" height="20"/><use xlink:href="#g" x="60" y="60" fill="red" transform="rotate(10)"/><use href="#g" x="5" y="80"/>',
    ],
    [
      'an inner svg that cuts off',
      '<svg x="20" y="20" width="50" height="30" viewBox="0 0 10 10" preserveAspectRatio="xMinYMin slice"><circle cx="5" cy="5" r="6" fill="teal"/></svg>',
    ],
    [
      'style sheets',
      '<style>.a{fill:#00f} g > .b {fill:lime;stroke:rgb(255,0,0);stroke-width:2px} rect#c{fill:purple!important} @media print{.a{fill:red}}</style><rect class="a" width="30" height="30"/><g><rect class="b" x="40" width="30" height="30"/></g><rect id="c" style="stroke:orange" y="40" width="30" height="30"/>',
    ],
    [
      'inherited properties',
      '<g fill="crimson" stroke="#0008" stroke-width="4" fill-opacity=".5"><rect x="10" y="10" width="40" height="40"/><g fill="inherit" stroke="none"><circle cx="70" cy="70" r="20"/></g></g><g color="teal"><rect x="70" width="20" height="20" fill="currentColor"/></g>',
    ],
    [
      'lines',
      '<g fill="none" stroke="#123456" stroke-width="6"><path d="M10 20h30l-20 20" stroke-linejoin="round" stroke-linecap="round"/><path d="M60 10l20 30l10-30" stroke-miterlimit="10"/><path d="M10 60H90" stroke-dasharray="8 4 2 4" stroke-dashoffset="3"/><path d="M10 80H90" stroke-dasharray="10%" stroke-linecap="square" stroke-opacity=".4"/></g>',
    ],
    [
      'a line under its fill',
      '<path d="M20 20h60v60h-60z" fill="gold" stroke="navy" stroke-width="10" paint-order="stroke"/>',
    ],
    [
      'linear gradients by box and by user units',
      '<linearGradient id="a"><stop offset="0" stop-color="red"/><stop offset="100%" stop-color="blue" stop-opacity=".3"/></linearGradient><linearGradient id="b" href="#a" gradientUnits="userSpaceOnUse" x1="0" y1="50" x2="50" y2="100" spreadMethod="reflect"/><rect width="80" height="40" fill="url(#a)"/><rect y="50" width="100" height="50" fill="url(#b)"/><g transform="rotate(20 50 50)"><rect x="40" y="20" width="20" height="60" fill="url(#a)" stroke="url(#b)" stroke-width="4"/></g>',
    ],
    [
      'radial gradients, squeezed, with a focus',
      '<radialGradient id="r" cx=".3" cy=".4" r=".6" fx=".2" fy=".3"><stop stop-color="white"/><stop offset=".6" stop-color="orange"/><stop offset="1" stop-color="#400"/></radialGradient><radialGradient id="q" gradientUnits="userSpaceOnUse" cx="0" cy="0" r="10" gradientTransform="matrix(3 1 0 1 50 80)"><stop stop-color="lime"/><stop offset="1" stop-color="black"/></radialGradient><rect width="100" height="50" fill="url(#r)"/><rect y="60" width="100" height="40" fill="url(#q)"/>',
    ],
    [
      'clip paths',
      '<clipPath id="c"><circle cx="50" cy="50" r="30"/><rect width="20" height="20"/></clipPath><clipPath id="b" clipPathUnits="objectBoundingBox" clip-path="url(#c)"><path d="M0 0L1 .5L0 1z"/></clipPath><rect width="100" height="100" fill="pink" clip-path="url(#c)"/><g clip-path="url(#b)"><rect x="10" y="10" width="80" height="80" fill="green"/></g>',
    ],
    [
      'masks',
      '<mask id="m"><rect width="100" height="100" fill="white"/><circle cx="50" cy="50" r="20" stroke="#555" stroke-width="6"/></mask><rect width="100" height="100" fill="teal" mask="url(#m)"/>',
    ],
    [
      'opacity of groups and of overlapping parts',
      '<g opacity=".5"><rect width="60" height="60" fill="red"/><rect x="30" y="30" width="60" height="60" fill="blue" stroke="black" stroke-width="5" opacity=".7"/></g>',
    ],
    [
      'fill rules',
      '<path fill-rule="evenodd" d="M10 10h80v80H10zM30 30h40v40H30z"/><clipPath id="c"><path clip-rule="evenodd" d="M0 0h100v100H0zM40 40h20v20H40z"/></clipPath>',
    ],
    [
      'what is hidden, and a switch',
      '<rect width="20" height="20"/><rect x="30" width="20" height="20" display="none"/><g visibility="hidden"><rect y="30" width="20" height="20"/><rect x="30" y="30" width="20" height="20" visibility="visible"/></g><switch><rect systemLanguage="xx" width="9" height="9" fill="red"/><rect x="60" y="60" width="20" height="20" fill="green"/></switch>',
    ],
  ])('%s', (_, body) => {
    same(body);
  });

  it.each([
    ['a view box with an origin of its own', 'viewBox="-50 -20 100 60"'],
    ['units', 'width="50mm" height="30mm" viewBox="0 0 100 60"'],
    [
      'a page of another shape than its view box',
      'width="200" height="60" viewBox="0 0 100 60" preserveAspectRatio="xMaxYMid"',
    ],
    ['no view box', 'width="120px" height="80"'],
    ['a view box of very few units', 'viewBox="0 0 .5 .3"'],
  ])('%s', (_, attributes) => {
    const box = /viewBox="([^"]*)"/.exec(attributes)?.[1].split(' ').map(Number) ?? [0, 0, 120, 80];
    const [x, y, w, h] = box;
    same(
      `<circle cx="${x + w / 2}" cy="${y + h / 2}" r="${h / 3}" fill="teal"/><rect x="${x}" y="${y}" width="${w / 5}" height="${h / 5}"/>`,
      attributes,
    );
  });

  it('drawings of ten packs', () => {
    const drawings = packDrawings(120, 11);
    const off = drawings.map(({ svg: text }) => shareOff(text, readSvg(text).artwork));
    expect(off.filter((o) => o >= 0.005).length).toBeLessThanOrEqual(1);
  });
});

describe('an SVG read', () => {
  it('has the inks of its file once each, named after its groups or its colours', () => {
    const { inks } = artworkFromSvg(
      svg(
        '<g id="lamp-yellow" fill="#F2C14E"><rect width="9" height="9"/></g><rect fill="#f2c14e" width="5" height="5"/><rect fill="rgb(24 42 92)" x="9" width="5" height="5"/>',
      ),
    );
    expect(inks.map((i) => i.hex)).toEqual(['#F2C14E', '#182A5C']);
    expect(inks[0].name).toBe('lamp yellow');
    expect(inks[1].name).toMatch(/blue|navy|midnight/);
  });

  it('has the names that somebody gave, and none that a program counted', () => {
    const { nodes } = artworkFromSvg(
      svg('<g id="Left-wing"><rect id="feather" width="9" height="9"/><path id="path123" d="M0 0h9v9z"/></g>'),
    );
    expect([...placedNodes(nodes)].map((p) => p.node.name)).toEqual(['Left wing', 'feather', undefined]);
  });

  it('names what is left out', () => {
    const { artwork, leftOut, title } = readSvg(
      svg(
        '<title>Noctule</title><script>alert(1)</script><text x="5" y="5">Night</text><text>Rail</text><image href="x.png"/><rect width="9" height="9" onclick="alert(2)"/><filter id="f"/><circle r="9" filter="url(#f)"/>',
      ),
    );
    expect(title).toBe('Noctule');
    expect(leftOut).toEqual(
      expect.arrayContaining([
        { what: 'text', count: 2 },
        { what: 'script', count: 1 },
        { what: 'picture', count: 1 },
        { what: 'filter', count: 1 },
      ]),
    );
    expect(artworkToSvg(artwork)).not.toMatch(/alert|x\.png|onclick/);
  });

  it('keeps arcs as arcs, and circles as circles', () => {
    const artwork = artworkFromSvg(svg('<circle cx="50" cy="50" r="20"/><path d="M10 10A20 20 0 0 1 40 30L10 30z"/>'));
    expect(allPieces(artwork).map((p) => p.contours[0].segments.map((s) => s.kind))).toEqual([
      ['arc', 'arc'],
      ['arc', 'line', 'line'],
    ]);
  });
});

describe('a hostile or broken SVG', () => {
  it.each([
    ['no SVG', 'plain words'],
    ['other XML', '<html><body/></html>'],
    ['cut off', svg('<rect width="9" height="9"/>').slice(0, 90)],
    ['mismatched', '<svg viewBox="0 0 9 9"><g></svg>'],
    ['nothing', ''],
    ['no size', '<svg xmlns="http://www.w3.org/2000/svg"><rect width="9" height="9"/></svg>'],
    ['elements in one another without end', svg('<g>'.repeat(5000) + '</g>'.repeat(5000))],
  ])('%s is refused with a sentence', (_, text) => {
    expect(() => readSvg(text)).toThrow(SvgError);
  });

  it('looks no entity up, and follows nothing out of the file', () => {
    const text = `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd"><!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]>${svg('<rect id="&b;&x;" width="9" height="9"/><use href="http://elsewhere.example/a.svg#b"/>')}`;
    const { artwork } = readSvg(text);
    expect(JSON.stringify(artwork)).not.toMatch(/root:|aaaaaaaaaaaa/);
  });

  it('that uses its parts in one another doubles nothing for ever', () => {
    let body = '<g id="g0"><rect width="1" height="1"/></g>';
    for (let k = 1; k < 40; k++) body += `<g id="g${k}"><use href="#g${k - 1}"/><use href="#g${k - 1}"/></g>`;
    expect(() => readSvg(svg(body))).toThrow(/too often|more than/);
    expect(
      allPieces(
        artworkFromSvg(svg('<g id="a"><use href="#b"/><rect width="5" height="5"/></g><g id="b"><use href="#a"/></g>')),
      ).length,
    ).toBeLessThan(9);
  });

  it('takes time in proportion to its length', () => {
    const text = (n: number) =>
      svg(
        `<style>${'.a .b .c{fill:red}'.repeat(300)}</style>` +
          '<g class="a"><path class="c" d="M0 0L1 1 2 0z"/></g>'.repeat(n),
      );
    const time = (n: number) => {
      const t = text(n);
      const at = performance.now();
      readSvg(t);
      return performance.now() - at;
    };
    time(200);
    expect(time(4000)).toBeLessThan(10 * time(1000) + 200);
  });

  it('with numbers that are none, or far too large, draws what can be drawn', () => {
    const artwork = artworkFromSvg(
      svg(
        '<rect width="NaN" height="9"/><circle r="-5"/><path d="M0 0L1e999 5"/><rect width="9" height="9" transform="rotate(bad)"/><polygon points="1,2 x,y"/><path d="M5 5L9 9 5 9Q"/>',
      ),
    );
    expect(JSON.stringify(artwork)).not.toMatch(/\[null|null\]|NaN|Infinity/);
  });
});

describe('style sheets', () => {
  const fillOf = (style: string, element: string) =>
    artworkFromSvg(svg(`<style>${style}</style><g class="g"><g>${element}</g></g>`)).inks[0].hex;
  it('count by specificity, and what is important last', () => {
    expect(fillOf('rect{fill:#000001}.a{fill:#000002}', '<rect class="a" fill="#000003" width="9" height="9"/>')).toBe(
      '#000002',
    );
    expect(fillOf('.a{fill:#000002}#i{fill:#000004}', '<rect id="i" class="a" width="9" height="9"/>')).toBe('#000004');
    expect(fillOf('.a{fill:#000002}', '<rect class="a" style="fill:#000005" width="9" height="9"/>')).toBe('#000005');
    expect(fillOf('.a{fill:#000002!important}', '<rect class="a" style="fill:#000005" width="9" height="9"/>')).toBe(
      '#000002',
    );
    expect(fillOf('.g rect{fill:#000006}.g > rect{fill:#000007}', '<rect width="9" height="9"/>')).toBe('#000006');
    expect(fillOf('rect:hover{fill:#000001}rect[width="9"]{fill:#000008}', '<rect width="9" height="9"/>')).toBe(
      '#000008',
    );
  });
});

describe('inks of an SVG', () => {
  it('are shown without those that only masks have, and gradients by what they go between', () => {
    const artwork = artworkFromSvg(
      svg(
        '<linearGradient id="d"><stop stop-color="#7A3B69"/><stop offset="1" stop-color="#F2A65A"/></linearGradient><mask id="m"><rect width="99" height="99" fill="#fff"/></mask><rect width="50" height="50" fill="url(#d)" mask="url(#m)"/>',
      ),
    );
    expect(artwork.inks).toHaveLength(2);
    expect(seenInks(artwork).map((i) => i.name)).toEqual([expect.stringMatching(/ to /)]);
  });
});
