/** Shapes edited in the real interface: chosen, moved, combined, thinned out, made exact, changed point by point; all kept, and undone. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { boxOfNode, countPoints, findNode, type Artwork, type Piece } from '../core/vector';
import type { WorkState } from '../src/lib/contract/answers';
import { settled } from './browser';
import { onceKept, OnSheet } from './sheet';
import { openStation, type Station } from './station';

/** A square and a disc that overlap, a box that leans a little, and two circles of nearly one size. */
const DRAWING = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 400">
  <rect x="40" y="40" width="120" height="120" fill="#182A5C"/>
  <circle cx="160" cy="100" r="50" fill="#F2C14E"/>
  <path d="M220 60L300 60.6L330 120L300 180.5L220 180L220.4 150L220 120L220 90Z" fill="#182A5C"/>
  <circle cx="100" cy="300" r="40" fill="#F2C14E"/>
  <circle cx="300" cy="300" r="40.4" fill="#F2C14E"/>
</svg>`;

let station: Station;
let page: Page;
let ask: Station['ask'];
let sheet: OnSheet;
let work: WorkState;

beforeAll(async () => {
  station = await openStation();
  ({ page, ask } = station);
  sheet = new OnSheet(page, '[data-shapes] g');
});
afterAll(() => station.close());

beforeEach(async () => {
  const body = new TextEncoder().encode(DRAWING);
  const path = `/api/commissions/${station.commission.id}/artworks?name=marks.svg`;
  work = (await ask<{ artwork: WorkState }>('POST', path, body)).artwork;
  await page.goto(`${station.app.address}/commissions/${station.commission.id}/artworks/${work.id}/shapes`);
  await settled(page);
  await page.waitForSelector('[data-nearly=ready]');
});

const kept = async (): Promise<WorkState> => ask<WorkState>('GET', `/api/works/${work.id}`);
/** The artwork once it is kept and so. */
const once = (is: (artwork: Artwork) => unknown) => onceKept(ask, work.id, is);
const press = (x: number, y: number) => sheet.press(x, y);
const drag = (...ways: Parameters<OnSheet['drag']>) => sheet.drag(...ways);
const spot = (x: number, y: number) => sheet.spot(x, y);
const chosen = () => page.$eval('[data-chosen]', (e) => Number((e as HTMLElement).dataset.chosen));
const idOf = (k: number): string => (work.drawing.nodes[k] as Piece).id;

describe('shapes', () => {
  it('are chosen by a press, again for what lies below, with Shift, and by a box', async () => {
    await press(150, 100);
    const name = () => page.$eval('[data-chosen] b', (e) => e.textContent);
    const first = await name();
    await press(150, 100);
    expect(await name()).not.toBe(first);
    expect(await chosen()).toBe(1);
    await page.keyboard.down('Shift');
    await press(100, 300);
    await page.keyboard.up('Shift');
    expect(await chosen()).toBe(2);
    await drag([20, 230], [380, 380]);
    expect(await chosen()).toBe(2);
    await page.keyboard.press('Escape');
    expect(await chosen()).toBe(0);
    await press(100, 300);
    await page.keyboard.press('c');
    await page.locator('[data-act=choose] button::-p-text(All of its ink)').click();
    expect(await chosen()).toBe(3);
  });

  it('are moved by a drag, by arrows and by figures, and all of that is undone', async () => {
    await press(60, 60);
    await drag([60, 60], [63, 190], 'Shift');
    const down = await once((a) => boxOfNode(a, idOf(0))!.y > 160);
    // With Shift one way alone.
    expect(boxOfNode(down, idOf(0))!.x).toBeCloseTo(40, 6);
    await page.keyboard.press('ArrowRight');
    await once((a) => Math.abs(boxOfNode(a, idOf(0))!.x - 41) < 1e-6);
    const field = (await page.$('[aria-label="wide, in px"]'))!;
    await field.click({ count: 3 });
    await field.type('60');
    await page.keyboard.press('Enter');
    const small = await once((a) => Math.abs(boxOfNode(a, idOf(0))!.width - 60) < 1e-6);
    // A mark keeps its proportions.
    expect(boxOfNode(small, idOf(0))!.height).toBeCloseTo(60, 6);
    for (let k = 0; k < 3; k++) await page.locator('button::-p-text(Undo)').click();
    await once((a) => JSON.stringify(a.nodes) === JSON.stringify(work.drawing.nodes));
  });

  it('are turned and scaled about any point, which is chosen or dragged to it', async () => {
    const typed = async (label: string, value: string) => {
      const field = (await page.$(`[aria-label="${label}"]`))!;
      await field.click({ count: 3 });
      await field.type(value);
      await page.keyboard.press('Enter');
    };
    await press(60, 60);
    await page.select('[aria-label^="About which point"]', 'lower right');
    await typed('turn by, in degrees', '90');
    const turned = await once((a) => boxOfNode(a, idOf(0))!.x > 159);
    expect(boxOfNode(turned, idOf(0))).toMatchObject({ x: expect.closeTo(160, 6), y: expect.closeTo(40, 6) });
    // The point stays where it is: from there it is dragged to the lower middle of the sheet, which is named.
    await drag([160, 160], [200, 398]);
    await typed('turn by, in degrees', '180');
    const over = await once((a) => boxOfNode(a, idOf(0))!.y > 600);
    expect(boxOfNode(over, idOf(0))!.x + boxOfNode(over, idOf(0))!.width).toBeCloseTo(240, 0);
    // Out of the field, and then of what is chosen.
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    expect(await page.$('[data-about]')).toBeNull();
  });

  it('are drawn to what they come near, which is named', async () => {
    await press(100, 300);
    await page.mouse.move(...(await spot(100, 300)));
    await page.mouse.down();
    await page.mouse.move(...(await spot(198, 290)), { steps: 5 });
    await page.mouse.move(...(await spot(201, 270)), { steps: 5 });
    await page.waitForFunction(() => /^under /.test(document.querySelector('[data-snap]')?.textContent ?? ''));
    await page.mouse.up();
    const after = await once((a) => boxOfNode(a, idOf(3))!.x > 100);
    expect(boxOfNode(after, idOf(3))!.x + 40).toBeCloseTo(200, 6);
  });

  it('are united and subtracted, and what that did is said in figures', async () => {
    await press(60, 60);
    await page.keyboard.down('Shift');
    await press(190, 100);
    await page.keyboard.up('Shift');
    await page.keyboard.press('u');
    const united = await once((a) => a.nodes.length === 4);
    expect((findNode(united, idOf(0))!.node as Piece).contours[0].segments.some((s) => s.kind === 'arc')).toBe(true);
    expect(await page.$eval('[data-did]', (e) => e.textContent)).toMatch(
      /2 pieces united: \d+ to \d+ points, strays 0\.00 px/,
    );
    await page.locator('button::-p-text(Undo)').click();
    await once((a) => a.nodes.length === 5);
    // One alone is no pair: said, and nothing happens.
    await page.keyboard.press('Escape');
    await press(60, 60);
    await page.keyboard.press('s');
    await page.waitForFunction(() => /two pieces or more/.test(document.body.textContent ?? ''));
    expect((await kept()).drawing.nodes).toHaveLength(5);
  });

  it('show what an offset would do before it is done', async () => {
    await press(60, 60);
    await page.keyboard.press('o');
    await page.waitForFunction(() => /to \d+ points/.test(document.querySelector('[data-would]')?.textContent ?? ''));
    expect((await kept()).version).toBe(work.version);
    await page.locator('[data-act=offset] button::-p-text(Do it)').click();
    const grown = await once((a) => boxOfNode(a, idOf(0))!.width > 127);
    expect(boxOfNode(grown, idOf(0))!.width).toBeCloseTo(128, 3);
  });

  it('that are nearly true are told, shown, and made exact at one press', async () => {
    const lines = () => page.$$eval('[data-line]', (list) => list.map((e) => (e as HTMLElement).dataset.line));
    expect(await lines()).toEqual(expect.arrayContaining(['level', 'upright', 'radii']));
    await page.hover('[data-line=level]');
    await page.waitForSelector('[data-shown-places]');
    await page.locator('[data-line=radii] button').click();
    const even = await once((a) => {
      const [p, q] = [3, 4].map((k) => (findNode(a, idOf(k))!.node as Piece).contours[0].segments[0]);
      return p.kind === 'arc' && q.kind === 'arc' && Math.abs(p.radius - q.radius) < 1e-6;
    });
    expect(countPoints(even)).toBe(countPoints(work.drawing));
    await page.waitForFunction(() => !document.querySelector('[data-line=radii]'));
  });

  it('keep the button of a form where it is while the form finds its figures', async () => {
    await press(260, 130);
    const top = () => page.$eval('[data-act=thin-out] button', (e) => e.getBoundingClientRect().top - e.closest('section')!.getBoundingClientRect().top); // prettier-ignore
    await page.keyboard.press('t');
    await page.waitForSelector('[data-act=thin-out]');
    const before = await top();
    await page.waitForSelector('[data-act=thin-out] canvas');
    await page.waitForFunction(() => /points/.test(document.querySelector('[data-would]')?.textContent ?? ''));
    expect(Math.abs((await top()) - before)).toBeLessThan(2);
  });

  it('are thinned out, as soon as it is worked out where one presses before that', async () => {
    await press(260, 130);
    await page.keyboard.press('t');
    const field = (await page.waitForSelector('[data-act=thin-out] input'))!;
    // Chosen as a whole whatever the page is busy with, so that nothing of it is left.
    await field.evaluate((input) => (input as HTMLInputElement).select());
    await field.type('0.6');
    expect(await field.evaluate((input) => (input as HTMLInputElement).value)).toBe('0.6');
    // The press takes the field's figure, of which nothing is known yet.
    await page.locator('[data-act=thin-out] button::-p-text(Do it)').click();
    const thin = await once((a) => countPoints(a) < countPoints(work.drawing));
    expect((findNode(thin, idOf(2))!.node as Piece).contours[0].segments.length).toBeLessThanOrEqual(5);
    await page.waitForFunction(() => !document.querySelector('[data-act]'));
  });

  it('are changed as they are by the time one presses, whatever was chosen or moved while a form was open', async () => {
    const told = () => page.$eval('[data-would]', (e) => e.textContent?.trim() ?? '');
    const knows = () => page.waitForFunction(() => /to \d+ points/.test(document.querySelector('[data-would]')?.textContent ?? '')); // prettier-ignore
    await press(60, 60);
    await page.keyboard.press('o');
    await knows();
    const square = await told();
    await press(100, 300);
    await page.waitForFunction((t) => { const now = document.querySelector('[data-would]')!.textContent!.trim(); return /points/.test(now) && now !== t; }, {}, square); // prettier-ignore
    await drag([100, 300], [100, 340], 'Shift');
    await once((a) => boxOfNode(a, idOf(3))!.y > 295);
    await knows();
    await page.locator('[data-act=offset] button::-p-text(Do it)').click();
    const grown = await once((a) => boxOfNode(a, idOf(3))!.width > 87);
    // Where it was moved to, and nothing else is changed.
    expect(boxOfNode(grown, idOf(3))!.y + boxOfNode(grown, idOf(3))!.height / 2).toBeCloseTo(340, 0);
    expect(boxOfNode(grown, idOf(0))!.width).toBeCloseTo(120, 6);
  });

  it('hold still below what is nearly true while a form is open', async () => {
    const top = () => page.$eval('[data-act] button', (e) => e.closest('section')!.getBoundingClientRect().top + e.closest('section')!.parentElement!.scrollTop); // prettier-ignore
    await press(260, 130);
    await page.keyboard.press('l');
    await page.waitForSelector('[data-act=align]');
    const before = await top();
    // Of everything there are more lines than of one piece.
    await page.keyboard.down('Control');
    await page.keyboard.press('a');
    await page.keyboard.up('Control');
    await page.waitForSelector('[data-nearly=looking]');
    const looking = await top();
    await page.waitForSelector('[data-nearly=ready]');
    await page.waitForSelector('[data-line=radii]');
    const found = await top();
    expect([looking - before, found - before].every((d) => Math.abs(d) < 2)).toBe(true);
  });

  it('are changed point by point: dragged, added, rounded, removed', async () => {
    await press(60, 60);
    await page.keyboard.press('p');
    await page.waitForSelector('[data-points]');
    await drag([40, 40], [52, 23]);
    const pulled = await once((a) => boxOfNode(a, idOf(0))!.y < 30);
    expect((findNode(pulled, idOf(0))!.node as Piece).contours[0].segments).toHaveLength(4);
    // Two presses on the outline add a point there.
    const [x, y] = await spot(100, 160);
    await page.mouse.click(x, y, { count: 2 });
    await once((a) => (findNode(a, idOf(0))!.node as Piece).contours[0].segments.length === 5);
    await page.waitForFunction(
      () => (document.querySelector('[data-picked]') as HTMLElement | null)?.dataset.picked === '1',
    );
    await page.keyboard.press('Delete');
    await once((a) => (findNode(a, idOf(0))!.node as Piece).contours[0].segments.length === 4);
    await press(160, 160);
    await page.locator('section[aria-label=Points] button::-p-text(Round)').click();
    const round = await once((a) => (findNode(a, idOf(0))!.node as Piece).contours[0].segments.length === 5);
    const arcs = (findNode(round, idOf(0))!.node as Piece).contours[0].segments.filter((s) => s.kind === 'arc');
    expect(arcs).toMatchObject([{ radius: 8 }]);
  });

  it('are restacked, hidden, locked and grouped from their list, with keys as well', async () => {
    await press(60, 60);
    await page.keyboard.press(']');
    await once((a) => a.nodes[1].id === idOf(0));
    const rows = await page.$$('[data-stack] li');
    expect(rows).toHaveLength(5);
    await (await rows[0].$('button::-p-text(hide)'))!.click();
    await once((a) => a.nodes.at(-1)!.hidden);
    await page.keyboard.down('Control');
    await page.keyboard.press('a');
    await page.keyboard.press('g');
    await page.keyboard.up('Control');
    const grouped = await once((a) => a.nodes.some((n) => n.kind === 'group'));
    // What is hidden is not among everything.
    expect(grouped.nodes).toHaveLength(2);
    expect(station.complaints).toEqual([]);
  });
});
