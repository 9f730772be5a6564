import { describe, expect, it } from 'vitest';
import { boxOf, circle, circleOfArcs, formatPath, parsePath, polygon, rectangle, rectangleOfArcs } from '../path';
import { constructionOfArtwork, type ArtNode, type Artwork } from '../vector';
import { artworkToSvg, constructionToSvg, escapeXml, idOf, measureOf } from './index';
import { pieceOf as piece } from '../vector/testing';

const of = (...nodes: ArtNode[]): Artwork => ({
  widthPx: 100,
  heightPx: 100,
  inks: [
    { id: 'ink-1', hex: '#F2C14E', name: 'lamp' },
    { id: 'ink-2', hex: '#182A5C', name: 'midnight' },
  ],
  nodes,
  guides: [{ id: 'guide-1', kind: 'line', through: [50, 50], angleDeg: 90 }],
});
const artwork = of(
  piece('piece-1', 'ink-1', [circle(50, 50, 40)]),
  piece('piece-2', 'ink-2', [rectangle(40, 40, 20, 20)]),
  piece('piece-3', 'ink-1', [circle(10, 10, 5)]),
);

describe('SVG', () => {
  it('has one named group for each run of an ink, title, description, and nothing that runs', () => {
    const svg = artworkToSvg(artwork, { title: 'Noctule <Night> "Rail"', description: 'a & b' });
    expect(svg.match(/<g id="[^"]+"/g)).toEqual(['<g id="lamp"', '<g id="midnight"', '<g id="lamp-2"']);
    expect(svg).toContain('<title id="title">Noctule &#60;Night&#62; &#34;Rail&#34;</title>');
    expect(svg).toContain('viewBox="0 0 100 100"');
    expect(svg).not.toMatch(/<script|on\w+=|href|<style/i);
  });

  it('draws circles and upright rectangles as what they are', () => {
    const half = (to: [number, number]) => ({ kind: 'arc', radius: 30, large: false, clockwise: true, to }) as const;
    const slanted = polygon([
      [0, 0],
      [10, 1],
      [9, 11],
      [-1, 10],
    ]);
    const svg = artworkToSvg(
      of(
        piece('a', 'ink-1', [{ start: [20, 50], segments: [half([80, 50]), half([20, 50])] }]),
        piece('b', 'ink-1', [rectangle(0, 5, 10.5, 20)]),
        piece('c', 'ink-1', [slanted]),
      ),
    );
    expect(svg).toContain('<circle cx="50" cy="50" r="30"/>');
    expect(svg).toContain('<rect y="5" width="10.5" height="20"/>');
    expect(svg.match(/<path/g)).toHaveLength(1);
  });

  it('writes lines as lines, with what is not as usual about them', () => {
    const stroke = { inkId: 'ink-2', widthPx: 3, cap: 'round', join: 'bevel', mitreLimit: 4, dash: [4, 2] } as const;
    const svg = artworkToSvg(
      of({ ...piece('l', 'ink-1', parsePath('M0 0H50V50', { close: false })), inkId: null, stroke }),
    );
    expect(svg).toContain(
      'fill="none" stroke="#182A5C" stroke-width="3" stroke-linecap="round" stroke-linejoin="bevel" stroke-dasharray="4 2"',
    );
    expect(svg).toContain('d="M0 0H50V50"');
  });

  it('writes groups that fade, clip, mask or soften, and what is hidden and guides not at all', () => {
    const svg = artworkToSvg(
      of(
        {
          kind: 'group',
          id: 'g',
          name: 'Wing left',
          opacity: 0.5,
          clip: [{ contours: [rectangle(0, 0, 50, 100)] }],
          mask: { by: 'light', nodes: [piece('m', 'ink-1', [circle(50, 50, 20)])] },
          effects: [{ kind: 'shadow', dxPx: 2, dyPx: 3, blurPx: 4, inkId: 'ink-2', opacity: 0.4 }],
          nodes: [piece('a', 'ink-1', [circle(50, 50, 40)], { name: 'Tip' })],
        },
        piece('b', 'ink-2', [circle(50, 50, 10)], { hidden: true }),
      ),
    );
    expect(svg).toMatch(
      /<g id="wing-left" opacity="0.5" clip-path="url\(#wing-left-clip\)" mask="url\(#wing-left-mask\)" filter="url\(#wing-left-soft\)">/,
    );
    expect(svg).toContain('<clipPath id="wing-left-clip">');
    expect(svg).toContain('<feGaussianBlur stdDeviation="4"');
    expect(svg).toContain('id="tip"');
    expect(svg).not.toContain('midnight');
  });

  it('writes half circles so that rounding does not move them', () => {
    const c = parsePath('M10.004 20.003A15.3374 15.3374 0 0 1 40.679 20.003L10.004 20.003Z')[0];
    const [again] = parsePath(formatPath([c]));
    expect(Math.abs(boxOf([again]).y - boxOf([c]).y)).toBeLessThan(0.03);
  });

  it('draws what a mark is constructed of: circles whole, lines, radii in units, and the unit', () => {
    const artwork = of(
      piece('a', 'ink-1', [circleOfArcs(50, 50, 40)]),
      piece('b', 'ink-2', [rectangleOfArcs(20, 40, 60, 20, 10)]),
    );
    const construction = constructionOfArtwork(artwork, 'all');
    const svg = constructionToSvg(artwork, construction, 'Noctule <3');
    expect(svg).toContain('<title>Noctule &#60;3</title>');
    expect(svg.match(/<circle /g)).toHaveLength(construction.circles.length);
    expect(svg).toContain('<circle cx="50" cy="50" r="40"/>');
    expect(svg).toMatch(/r 40\.0/);
    const inUnits = constructionToSvg(artwork, { ...construction, unit: { px: 10, fit: 4, of: 4 } });
    expect(inUnits).toMatch(/r 4 u/);
    expect(inUnits).toMatch(/1 u = 10\.00 px/);
    expect(measureOf(12.34, null)).toBe('12.3');
    expect(measureOf(25, { px: 10, fit: 4, of: 4 })).toBe('25.0');
    expect(constructionToSvg(of(), constructionOfArtwork(artwork, 'all'))).toContain('<g id="mark">');
  });

  it('makes names safe', () => {
    expect(idOf('Größe & Licht')).toBe('gro-e-licht');
    expect(idOf('2 blue')).toBe('ink-2-blue');
    expect(idOf('***')).toBe('ink-x');
    expect(escapeXml('a\u0000b\u0008<')).toBe('ab&#60;');
  });
});
