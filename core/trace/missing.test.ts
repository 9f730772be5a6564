import { describe, expect, it } from 'vitest';
import { hexToOklab, oklabDistance } from '../colour';
import { artworkToSvg } from '../export';
import { drawnOf, errorOf, pictureOf, type Drawing } from '../../bench/drawings';
import { trace, type Trace } from '.';
import { allPieces } from '../vector';

const traced = async (drawing: Drawing, worn = false): Promise<Trace> =>
  trace((await pictureOf(drawing, worn)).picture, { ground: 'keep' });
const nearest = ({ artwork }: Trace, hex: string): number =>
  Math.min(...artwork.inks.map((k) => oklabDistance(hexToOklab(k.hex), hexToOklab(hex))));

const FACE = '<circle cx="256" cy="256" r="180" fill="#FDC83D"/>';

describe('inks of thin things', () => {
  it('are found where no pixel is flat', async () => {
    const brow = '<path d="M180 220Q210 196 240 214" fill="none" stroke="#7D4533" stroke-width="2.4"/>';
    const found = await traced(drawnOf(FACE + brow));
    expect(found.artwork.inks).toHaveLength(3);
    expect(nearest(found, '#7D4533')).toBeLessThan(0.02);
  });

  it('are as many as the drawing has, several at once', async () => {
    const lines = ['#7D4533', '#990839', '#2F6F4F'].map(
      (hex, k) => `<path d="M${170 + 60 * k} 200q30 40 50 -6" fill="none" stroke="${hex}" stroke-width="2.4"/>`,
    );
    const found = await traced(drawnOf(FACE + lines.join('')));
    expect(found.artwork.inks).toHaveLength(5);
    for (const hex of ['#7D4533', '#990839', '#2F6F4F']) expect(nearest(found, hex)).toBeLessThan(0.02);
  });

  it('are not made of what shows between areas drawn side by side', async () => {
    // Each covers what the other leaves of a pixel, so that a little white shows all along.
    const halves =
      '<path d="M100 100H300L212 412H100Z" fill="#2A6FB0"/><path d="M300 100H412V412H212Z" fill="#B0402A"/>';
    const found = await traced(drawnOf(halves));
    expect(found.artwork.inks.map((k) => k.hex).sort()).toEqual(['#2A6FB0', '#B0402A', '#FFFFFF']);
  });

  it('are not made of where many areas meet', async () => {
    const hexes = ['#2A6FB0', '#B0402A', '#3C8C46', '#E0B020', '#553388', '#202020'];
    const wedges = hexes.map((hex, k) => {
      const at = (turn: number) => `${256 + 200 * Math.cos(turn)} ${256 + 200 * Math.sin(turn)}`;
      return `<path d="M256 256L${at((k * Math.PI) / 3 + 0.2)}L${at(((k + 1) * Math.PI) / 3 + 0.2)}Z" fill="${hex}"/>`;
    });
    const found = await traced(drawnOf(wedges.join('')));
    expect(found.artwork.inks).toHaveLength(7);
  });

  it('are found in a worn picture, and are not taken for a mixture with an ink from elsewhere', async () => {
    const mouth = '<path d="M210 300q40 36 84 0" fill="none" stroke="#7A1030" stroke-width="5"/>';
    const grass = '<rect y="452" width="512" height="60" fill="#44911B"/>';
    const found = await traced(drawnOf(FACE + mouth + grass), true);
    expect(nearest(found, '#7A1030')).toBeLessThan(0.12);
    const green = found.artwork.inks.find((k) => oklabDistance(hexToOklab(k.hex), hexToOklab('#44911B')) < 0.03)!;
    for (const piece of allPieces(found.artwork).filter((p) => p.inkId === green.id))
      for (const { start } of piece.contours) expect(start[1]).toBeGreaterThan(440);
  });
});

describe('near inks of a clean picture', () => {
  it('are told apart by their exact colours', async () => {
    const found = await traced(
      drawnOf(
        '<rect x="60" y="60" width="300" height="300" fill="#DCDCDC"/><circle cx="210" cy="210" r="60" fill="#E0E0E0"/>',
      ),
    );
    expect(found.artwork.inks.map((k) => k.hex).sort()).toEqual(['#DCDCDC', '#E0E0E0', '#FFFFFF']);
  });

  it('leave no ink of their mixtures along a slanting edge', async () => {
    const found = await traced(
      drawnOf('<path d="M40 60L470 72V450H40Z" fill="#E6E6E6"/><path d="M40 250L470 262V450H40Z" fill="#D3D3D3"/>'),
    );
    expect(found.artwork.inks.map((k) => k.hex).sort()).toEqual(['#D3D3D3', '#E6E6E6', '#FFFFFF']);
  });
});

describe('a smooth outline', () => {
  it('follows its edge where it was begun, long sides and all, clean or worn', async () => {
    const bar = drawnOf('<path d="M105 425L395 135" stroke="#000" stroke-width="24" stroke-linecap="round"/>');
    for (const worn of [false, true]) {
      const { artwork } = await traced(bar, worn);
      expect(await errorOf(bar, artworkToSvg(artwork))).toBeLessThan(0.1);
    }
  });
});
