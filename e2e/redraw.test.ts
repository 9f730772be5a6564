/** A mark drawn anew in the real interface: guides, the pen, plain shapes, one half with the other, lines made areas, what it is constructed of. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { boxOf, contains } from '../core/path';
import { allPieces, type Artwork, type Piece } from '../core/vector';
import { encodePng } from '../node/pictures';
import { blankPicture } from '../core/raster';
import type { Candidate, WorkState } from '../src/lib/contract/answers';
import { settled } from './browser';
import { onceKept, OnSheet } from './sheet';
import { openStation, type Station } from './station';

const SIDE = 400;

/** A dark disc of radius 100 in the middle of white paper, half covered pixels at its edge. */
function discPicture() {
  const picture = blankPicture(SIDE, SIDE);
  for (let y = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE; x++) {
      const off = Math.hypot(x + 0.5 - 200, y + 0.5 - 200) - 100;
      const ink = Math.max(0, Math.min(1, 0.5 - off));
      for (let c = 0; c < 3; c++)
        picture.rgba[4 * (y * SIDE + x) + c] = Math.round(255 - ink * (255 - [24, 42, 92][c]));
      picture.rgba[4 * (y * SIDE + x) + 3] = 255;
    }
  return picture;
}

let station: Station;
let page: Page;
let ask: Station['ask'];
let sheet: OnSheet;
let candidate: Candidate;
let work: WorkState;

beforeAll(async () => {
  station = await openStation();
  ({ page, ask } = station);
  sheet = new OnSheet(page, '[data-guides] g');
  candidate = await ask<Candidate>(
    'POST',
    `/api/commissions/${station.commission.id}/pictures?name=disc.png`,
    new Uint8Array(await encodePng(discPicture())),
  );
});
afterAll(() => station.close());

beforeEach(async () => {
  const { artwork } = await ask<{ artwork: WorkState }>('POST', `/api/commissions/${station.commission.id}/artworks`, {
    name: 'redrawn',
    widthPx: SIDE,
    heightPx: SIDE,
    overCandidateId: candidate.id,
  });
  work = artwork;
  await page.goto(`${station.app.address}/commissions/${station.commission.id}/artworks/${work.id}/shapes`);
  await settled(page);
  await page.waitForFunction("Number(document.querySelector('[data-offered-count]')?.dataset.offeredCount) > 0");
});

const once = (is: (artwork: Artwork) => unknown) => onceKept(ask, work.id, is);
const spot = (x: number, y: number) => sheet.spot(x, y);
const press = (x: number, y: number) => sheet.press(x, y);
const drag = (...ways: Parameters<OnSheet['drag']>) => sheet.drag(...ways);
const tool = (name: string) => page.locator(`[aria-label=Draw] button::-p-text(${name})`).click();
const text = (selector: string) => page.$eval(selector, (e) => e.textContent ?? '');
const piece = (artwork: Artwork): Piece => allPieces(artwork)[0];

describe('a mark drawn anew', () => {
  it('begins over its picture, which shows, and says how far it lies from that', async () => {
    // Nothing is drawn yet, and nothing is wrong with that: once it would have been looked at, nothing is told.
    await page.waitForSelector('[data-deviation=ready]');
    await new Promise((resolve) => setTimeout(resolve, 1200));
    expect(await page.$('[data-notice]')).toBeNull();
    expect(await page.$('[data-below] img')).not.toBeNull();
    expect(await text('[aria-label=Thread]')).not.toContain('trace');
    await tool('circle');
    // Without anything to be drawn to near by, a circle lies where it is dragged.
    await drag([203, 198], [303, 198]);
    const artwork = await once((a) => allPieces(a).length === 1);
    expect(piece(artwork).contours[0].segments[0]).toMatchObject({ kind: 'arc' });
    expect(artwork.inks).toHaveLength(1);
    await page.waitForFunction("document.querySelector('[data-deviation]').textContent.includes('off by')");
    const [, off] = /off by ([\d.]+) px/.exec(await text('[data-deviation]'))!;
    expect(Number(off)).toBeGreaterThan(2);
    expect(Number(off)).toBeLessThan(5);
    expect(await text('[data-deviation]')).toMatch(/\d+% of its edges drawn/);
    expect(await page.$('[data-worst]')).not.toBeNull();
    await page.locator('button::-p-text(Undo)').click();
    await once((a) => !allPieces(a).length);
  });

  it('takes guides that the picture offers, draws on where they cross, and lets them go again', async () => {
    await page.waitForFunction("Number(document.querySelector('[data-offered-count]').dataset.offeredCount) > 3");
    await tool('guides');
    expect(await page.$('[data-offered]')).not.toBeNull();
    // The level tangent at the disc's top, and the upright one at its left.
    await press(350, 100);
    const one = await once((a) => a.guides.length === 1);
    expect(one.guides[0]).toMatchObject({ kind: 'line', angleDeg: 0 });
    expect(one.guides[0].kind === 'line' && one.guides[0].through[1]).toBeCloseTo(100, 0);
    await press(100, 350);
    await press(350, 300);
    await press(300, 350);
    const four = await once((a) => a.guides.length === 4);
    await tool('ellipse');
    await drag([102, 101], [299, 302]);
    const drawn = await once((a) => allPieces(a).length === 1);
    const box = boxOf(piece(drawn).contours);
    const lines = four.guides.flatMap((g) => (g.kind === 'line' ? [g] : []));
    const [top, foot] = lines.filter((g) => g.angleDeg === 0).map((g) => g.through[1]).sort((p, q) => p - q); // prettier-ignore
    expect(box.y).toBeCloseTo(top, 1);
    expect(box.y + box.height).toBeCloseTo(foot, 1);
    await page.waitForFunction("document.querySelector('[data-deviation]').textContent.includes('off by')");
    await tool('guides');
    await press(350, 100);
    await once((a) => a.guides.length === 3);
  });

  it('has rulers from which guides are pulled, moved, and put back', async () => {
    const ruler = (await page.$('[data-ruler=above]'))!;
    const { x, y, width } = (await ruler.boundingBox())!;
    const across = x + width / 2;
    const [, level] = await spot(0, 150);
    await page.mouse.move(across, y + 9);
    await page.mouse.down();
    await page.mouse.move(across, level, { steps: 6 });
    await page.mouse.up();
    const pulled = await once((a) => a.guides.length === 1);
    expect(pulled.guides[0].kind === 'line' && Math.abs(pulled.guides[0].through[1] - 150)).toBeLessThan(1);
    const mark = (await page.$('[data-guide-mark]'))!;
    const at = (await mark.boundingBox())!;
    const [, lower] = await spot(0, 220);
    await page.mouse.move(at.x + 4, at.y + at.height / 2);
    await page.mouse.down();
    await page.mouse.move(at.x + 60, lower, { steps: 6 });
    await page.mouse.up();
    await once((a) => a.guides.length === 1 && a.guides[0].kind === 'line' && a.guides[0].through[1] > 200);
    const again = (await (await page.$('[data-guide-mark]'))!.boundingBox())!;
    await page.mouse.move(again.x + 4, again.y + again.height / 2);
    await page.mouse.down();
    await page.mouse.move(again.x + 60, y + 6, { steps: 6 });
    await page.mouse.up();
    await once((a) => !a.guides.length);
  });

  it('is drawn with the pen: lines, arcs and curves, the path kept over a reload and brought back after leaving it', async () => {
    await page.locator('[aria-label=Draw] label::-p-text(line)').click();
    await press(60, 60);
    await press(140, 60);
    await page.keyboard.press('a');
    await page.keyboard.press('a');
    await press(180, 100);
    await page.reload();
    await settled(page);
    await page.waitForSelector('[data-under-way]');
    await page.waitForSelector('[data-deviation=ready]');
    await page.keyboard.press('Escape');
    await page.waitForFunction("!document.querySelector('[data-under-way]')");
    await page.locator('button::-p-text(Bring it back)').click();
    await page.waitForSelector('[data-under-way]');
    // One place too many, taken back; then the path is closed by its first place.
    await press(60, 180);
    await press(20, 20);
    await page.keyboard.press('Backspace');
    await press(60, 60);
    const artwork = await once((a) => allPieces(a).length === 1);
    const [contour] = piece(artwork).contours;
    expect(contour.open).toBeUndefined();
    expect(contour.segments.map((s) => s.kind)).toEqual(['line', 'arc', 'arc', 'arc']);
    // Level out of the line, the arc comes down upright.
    expect(contour.segments[1]).toMatchObject({ radius: expect.closeTo(40, 0), clockwise: true });
    expect(await page.$('[data-under-way]')).toBeNull();
  });

  it('is drawn by one half: a path from axis to axis becomes the whole, a shape beside gets its image', async () => {
    await page.locator('label::-p-text(With its image)').click();
    await page.waitForSelector('[data-axis]');
    await page.locator('[aria-label=Draw] label::-p-text(line)').click();
    await press(200, 60);
    await press(280, 200);
    await press(200, 340);
    await page.keyboard.press('Enter');
    const half = await once((a) => allPieces(a).length === 1);
    const [contour] = piece(half).contours;
    expect(contour.segments).toHaveLength(4);
    const box = boxOf([contour]);
    expect([box.x + box.width / 2, box.width].map(Math.round)).toEqual([200, 160]);
    await tool('circle');
    await drag([330, 60], [350, 60]);
    const both = await once((a) => allPieces(a).length === 3);
    const eyes = allPieces(both).slice(1).map((p) => boxOf(p.contours)); // prettier-ignore
    expect(Math.round(eyes[0].x + eyes[1].x + eyes[1].width)).toBe(400);
    // And then all is undone, the circle with its image as one.
    await page.locator('button::-p-text(Undo)').click();
    await once((a) => allPieces(a).length === 1);
  });

  it('has points of which the other half follows', async () => {
    await tool('rectangle');
    await drag([130, 130], [270, 270]);
    await once((a) => allPieces(a).length === 1);
    await page.keyboard.press('Escape');
    await page.keyboard.press('p');
    await page.locator('label::-p-text(The other half follows)').click();
    await page.waitForSelector('[data-axis]');
    await page.waitForSelector('[data-nearly=ready]');
    await drag([270, 130], [310, 90]);
    const wide = await once((a) => boxOf(piece(a).contours).width > 170);
    const box = boxOf(piece(wide).contours);
    expect(box.x + box.width / 2).toBeCloseTo(200, 3);
    const contours = piece(wide).contours;
    expect(contains(contours, [95, 98])).toBe(true);
    expect(contains(contours, [305, 98])).toBe(true);
  });

  it('has lines of a width that changes, which become areas', async () => {
    await tool('line');
    await drag([60, 300], [340, 300]);
    const line = await once((a) => allPieces(a).length === 1);
    expect(piece(line)).toMatchObject({ inkId: null, stroke: { widthPx: 8, cap: 'round' } });
    await page.keyboard.press('Escape');
    await press(200, 300);
    await page.keyboard.press('y');
    await page.waitForSelector('[data-act=line]');
    const fields = await page.$$('[data-act=line] input[inputmode=decimal]');
    await fields[0].click({ count: 3 });
    await fields[0].type('30');
    await fields[3].click({ count: 3 });
    await fields[3].type('20');
    await page.keyboard.press('Enter');
    await page.locator('[data-act=line] button::-p-text(Draw the line)').click();
    const tapered = await once((a) => piece(a).stroke?.profile);
    expect(piece(tapered).stroke).toMatchObject({ widthPx: 30, profile: [{ at: 0, share: 1 }, { at: 0.5, share: 1 }, { at: 1, share: 0.2 }] }); // prettier-ignore
    await page.locator('[data-act=line] button::-p-text(Make areas of lines)').click();
    const area = await once((a) => piece(a).inkId !== null);
    expect(piece(area).stroke).toBeUndefined();
    const box = boxOf(piece(area).contours);
    expect(box.height).toBeCloseTo(30, 0);
  });

  it('shows what it is constructed of, to be saved as a drawing', async () => {
    await tool('circle');
    await drag([203, 198], [303, 198]);
    await once((a) => allPieces(a).length === 1);
    await page.keyboard.press('Escape');
    await page.keyboard.press('v');
    await page.waitForSelector('[data-construct=ready]');
    await page.waitForSelector('[data-construction="1"]');
    expect(await text('[data-construct]')).toMatch(/1 circle, 0 lines.*100% of the outlines/s);
    const href = await page.$eval('[data-construct] a', (a) => a.getAttribute('href')!);
    const svg = await (await fetch(station.app.address + href)).text();
    expect(svg).toMatch(/<g id="circles">\s*<circle [^>]*r="\d/);
    expect(station.complaints).toEqual([]);
  });
});
