/** Depth in the real interface: gradients dragged on the sheet, shadows, the depth of an app icon with its parts, pieces that are one gradient; all kept, and undone. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { mix } from '../core/colour';
import { depthOf, inkOf, type Artwork, type Piece } from '../core/vector';
import type { WorkState } from '../src/lib/contract/answers';
import { settled } from './browser';
import { OnSheet, onceKept } from './sheet';
import { openStation, type Station } from './station';

/** A tile with a mark on it, and a bar of eight pieces that are one gradient. */
const BANDS = Array.from({ length: 8 }, (_, k) => `<rect x="${40 + 15 * k}" y="150" width="15" height="24" fill="${mix('#F2E3C0', '#C9665B', k / 7)}"/>`); // prettier-ignore
const DRAWING = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 200">
  <rect width="200" height="200" rx="45" fill="#182A5C"/><circle cx="100" cy="80" r="45" fill="#F2C14E"/>${BANDS.join('')}
</svg>`;

let station: Station;
let page: Page;
let ask: Station['ask'];
let work: WorkState;
let sheet: OnSheet;

beforeAll(async () => {
  station = await openStation({ grounds: [{ name: 'linen', hex: '#F2EBDC' }] });
  ({ page, ask } = station);
  sheet = new OnSheet(page, '[data-depth-layer] g');
});
afterAll(() => station.close());

beforeEach(async () => {
  const path = `/api/commissions/${station.commission.id}/artworks?name=icon.svg`;
  work = (await ask<{ artwork: WorkState }>('POST', path, new TextEncoder().encode(DRAWING))).artwork;
  await page.goto(`${station.app.address}/commissions/${station.commission.id}/artworks/${work.id}/depth`);
  await settled(page);
  await page.waitForSelector('[data-noticed]');
});

const once = (is: (artwork: Artwork) => unknown) => onceKept(ask, work.id, is);
const pieceIn = (a: Artwork, k: number): Piece => a.nodes[k] as Piece;
const gradientIn = (a: Artwork, k: number) => inkOf(a, pieceIn(a, k).inkId)?.gradient;
const undo = () => page.locator('button::-p-text(Undo)').click();

describe('depth', () => {
  it('has gradients whose ends and stops are dragged on the sheet', async () => {
    await sheet.press(100, 60);
    await page.waitForSelector('[data-chosen="1"]');
    await page.locator('label::-p-text(straight)').click();
    const made = await once((a) => gradientIn(a, 1));
    const { from, to } = gradientIn(made, 1)!;
    expect([...from, ...to].map(Math.round)).toEqual([100, 35, 100, 125]);
    await page.waitForSelector('[data-gradient=linear]');
    await sheet.drag([100, 125], [140, 110]);
    const dragged = await once((a) => Math.abs(gradientIn(a, 1)!.to[0] - 140) < 1);
    expect(gradientIn(dragged, 1)!.from).toEqual(from);
    // A press on the way is one more stop, which can be dragged as well.
    await sheet.press(120, 72.5);
    const more = await once((a) => gradientIn(a, 1)!.stops.length === 3);
    expect(gradientIn(more, 1)!.stops[1].at).toBeCloseTo(0.5, 1);
    await page.locator('label::-p-text(round)').click();
    const round = await once((a) => gradientIn(a, 1)!.kind === 'radial');
    expect(gradientIn(round, 1)!.stops).toHaveLength(3);
    const hex = (await page.$('[aria-label="Hex of stop 1"]'))!;
    await hex.click({ count: 3 });
    await hex.type('#fff');
    await page.keyboard.press('Enter');
    await once((a) => gradientIn(a, 1)!.stops[0].hex === '#FFFFFF');
    await hex.click({ count: 3 });
    await hex.type('blue');
    await page.keyboard.press('Enter');
    await page.waitForSelector('::-p-text(is not a hex colour)');
    await page.locator('label::-p-text(plain)').click();
    await once((a) => !gradientIn(a, 1));
    for (let k = 0; k < 6; k++) await undo();
    await once((a) => pieceIn(a, 1).inkId === pieceIn(work.drawing, 1).inkId);
  });

  it('has one gradient over several pieces, and takes colours from the sheet', async () => {
    await sheet.press(100, 60);
    await page.keyboard.down('Shift');
    await sheet.press(47, 162);
    await page.keyboard.up('Shift');
    await page.waitForSelector('[data-chosen="2"]');
    await page.locator('label::-p-text(straight)').click();
    const made = await once((a) => gradientIn(a, 1));
    expect(pieceIn(made, 2).inkId).toBe(pieceIn(made, 1).inkId);
    await page.locator('button::-p-text(pick stop 1)').click();
    await sheet.press(20, 100);
    await once((a) => gradientIn(a, 1)!.stops[0].hex === '#182A5C');
  });

  it('has shadows and blur of what is chosen, by figures', async () => {
    await sheet.press(100, 60);
    await page.locator('button::-p-text(add a shadow)').click();
    const shaded = await once((a) => pieceIn(a, 1).effects?.length === 1);
    expect(inkOf(shaded, 'shadow')!.name).toBe('Shadow');
    const down = (await page.$$('[data-soft=shadow] input[inputmode=decimal]'))[1];
    await down.click({ count: 3 });
    await down.type('9');
    await page.keyboard.press('Enter');
    await once((a) => (pieceIn(a, 1).effects![0] as { dyPx: number }).dyPx === 9);
    await page.locator('button::-p-text(add a blur)').click();
    await once((a) => pieceIn(a, 1).effects?.length === 2);
    await page.locator('[data-soft=shadow] button').click();
    await once((a) => pieceIn(a, 1).effects?.[0].kind === 'blur');
    await undo();
    await once((a) => pieceIn(a, 1).effects?.length === 2);
  });

  it('has that of an app icon at one press, each part to be changed or taken out, made anew when shapes change', async () => {
    await page.locator('button::-p-text(Give it the depth)').click();
    const icon = await once((a) => depthOf(a).length === 4);
    expect(depthOf(icon).map((p) => p.name)).toEqual(['Soft shadow', 'Inner highlight', 'Light from above', 'Rim']);
    await page.locator('[data-part=rim] button').click();
    const strength = (await page.waitForSelector('[data-part=rim] input[inputmode=decimal]'))!;
    await strength.click({ count: 3 });
    await strength.type('30');
    await page.keyboard.press('Enter');
    await once((a) => depthOf(a).find((p) => p.depth.part === 'rim')?.depth.strength === 0.3);
    await page.locator('[aria-label="Take out: Inner highlight"]').click();
    await once((a) => depthOf(a).length === 3);
    await page.locator('button::-p-text(add long shadow)').click();
    const { drawing, head } = await (async () => {
      await once((a) => depthOf(a).length === 4);
      return ask<WorkState>('GET', `/api/works/${work.id}`);
    })();
    const mark = drawing.nodes.find((n) => n.kind === 'piece' && n.inkId === pieceIn(work.drawing, 1).inkId)!;
    await ask('POST', `/api/works/${work.id}/acts`, {
      head,
      acts: [{ kind: 'edit', key: `moved-${work.id.slice(0, 8)}`, edits: [{ kind: 'node-transform', nodeIds: [mark.id], by: [1, 0, 0, 1, 10, 0] }] }], // prettier-ignore
    });
    await page.waitForSelector('::-p-text(Depth lies on shapes as they were)');
    await page.locator('button::-p-text(make anew)').click();
    await page.waitForFunction("!document.body.textContent.includes('Depth lies on shapes as they were')");
    await undo();
    await page.waitForSelector('::-p-text(Depth lies on shapes as they were)');
  });

  it('notices pieces that are one gradient, and makes them that', async () => {
    await page.waitForSelector('[data-noticed="1"]');
    await page.locator('button::-p-text(8 pieces are one gradient)').click();
    await page.waitForSelector('[data-chosen="8"]');
    await page.locator('button::-p-text(make one)').click();
    const made = await once((a) => a.nodes.length === 3);
    expect(gradientIn(made, 2)!.stops).toHaveLength(2);
    await page.waitForSelector('[data-noticed="0"]');
    await undo();
    await once((a) => a.nodes.length === 10);
    expect(station.complaints).toEqual([]);
  });
});
