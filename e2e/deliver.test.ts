/** What the client gets, in the real interface: ticked by what it is for, its sets opened, looked at before it leaves, made, stopped, compared. */
import { unzipSync } from 'fflate';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Delivery, WorkState } from '../src/lib/contract/answers';
import { until } from './app';
import { settled } from './browser';
import { openStation, type Station } from './station';

const MARK = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><circle cx="50" cy="50" r="40" fill="#F2C14E"/><rect x="20" y="45" width="60" height="10" fill="#182A5C"/><path d="M30 70H70" stroke="#182A5C" stroke-width=".1"/></svg>'; // prettier-ignore

let station: Station;
let page: Page;
let artwork: WorkState;

const root = () => `/commissions/${station.commission.id}`;
const text = (selector: string) => page.$eval(selector, (e) => (e as HTMLElement).innerText);
const count = async () => Number(await page.$eval('[data-total]', (e) => (e as HTMLElement).dataset.total));
const cell = (look: string, purpose: string) => `[data-line$=", ${look}"] [aria-label$=": ${purpose}"]`;
const isOn = (look: string, purpose: string) => page.$eval(cell(look, purpose), (e) => e.getAttribute('aria-checked') === 'true'); // prettier-ignore
const listed = async (): Promise<Delivery[]> => station.ask<Delivery[]>('GET', `/api${root()}/deliveries`);
async function open(): Promise<void> {
  await page.goto(`${station.app.address}${root()}/artworks/${artwork.id}/deliver`);
  await settled(page);
  await page.waitForSelector('[data-wanted=ready]', { timeout: 60_000 });
}
async function type(label: string, words: string): Promise<void> {
  const field = (await page.waitForSelector(`::-p-aria(${label})`))!;
  await field.click({ count: 3 });
  await field.type(words);
  await page.keyboard.press('Tab');
}

beforeAll(async () => {
  station = await openStation({ client: 'Maren Holt', grounds: [{ name: 'linen', hex: '#F2EBDC' }] });
  ({ page } = station);
  const path = `/api${root()}/artworks?name=mark.svg`;
  artwork = (await station.ask<{ artwork: WorkState }>('POST', path, new TextEncoder().encode(MARK))).artwork;
  await open();
});
afterAll(() => station.close());

describe('what is wanted', () => {
  it('is ticked as it makes sense, told in files and sizes, and remembered', async () => {
    expect([await isOn('own inks', 'print'), await isOn('own inks', 'shops and phones')]).toEqual([true, true]);
    expect([await isOn('reversed', 'web'), await isOn('reversed', 'stickers')]).toEqual([true, false]);
    const before = await count();
    expect(before).toBeGreaterThan(80);
    expect(await text('[data-total]')).toMatch(/about [\d.]+ (KB|MB)/);
    await page.click(cell('reversed', 'print'));
    await page.waitForFunction((n: number) => Number(document.querySelector<HTMLElement>('[data-total]')!.dataset.total) < n, {}, before); // prettier-ignore
    // SVG, two PDFs and an EPS.
    expect(await count()).toBe(before - 4);
    await open();
    expect(await count()).toBe(before - 4);
    await page.locator('button::-p-text(tick what makes sense again)').click();
    await page.waitForFunction((n: number) => Number(document.querySelector<HTMLElement>('[data-total]')!.dataset.total) === n, {}, before); // prettier-ignore
  });

  it('has its sets opened: files left out, sizes typed; what is none stays as it was typed', async () => {
    const before = await count();
    await page.locator('th button::-p-text(print)').click();
    await page.locator('[data-set=print] label::-p-text(EPS)').click();
    await page.locator('[data-set] button::-p-text(done)').click();
    await page.waitForFunction((n: number) => Number(document.querySelector<HTMLElement>('[data-total]')?.dataset.total) === n, {}, before - 3); // prettier-ignore
    await page.locator('th button::-p-text(stickers)').click();
    await type('Longer sides mm', '30, wide');
    await page.waitForSelector('[role=alert]');
    expect(await page.$eval('[aria-invalid]', (e) => (e as HTMLInputElement).value)).toBe('30, wide');
    await type('Longer sides mm', '30, 55, 30');
    await page.waitForFunction("!document.querySelector('[role=alert]')");
    await page.locator('[data-set] button::-p-text(done)').click();
    await page.waitForFunction("/sticker-55mm\\.pdf/.test(document.querySelector('[data-tree]').textContent)");
  });

  it('has its movements seen on the sheet, as long and as even as they are asked for', async () => {
    await page.locator('th button::-p-text(motion)').click();
    await page.locator('[data-set=motion] button::-p-text(see)').click();
    await page.waitForSelector('[data-looked=motion] img');
    await type('Length', '3');
    await page.waitForFunction("document.querySelector('[data-looked] img').src.includes('seconds=3')");
    await page.waitForFunction("document.querySelector('[data-looked] img').naturalWidth > 0");
    await page.keyboard.press('Escape');
    await page.waitForSelector('[data-wanted]');
    await page.keyboard.press('Escape');
    await page.waitForSelector('[data-tree]');
  });
});

describe('what was found', () => {
  it('is told with figures before anything is made, shown where it is, and leads to where it is put right', async () => {
    await page.waitForSelector('[data-wanted=ready]', { timeout: 60_000 });
    const said = await text('[data-checked]');
    expect(said).toMatch(/on linen 1\.\d : 1/);
    expect(said).toMatch(/thinnest line is 0\.1\d? mm at 100 mm/);
    const lines = await page.$$('[data-checked] li');
    const words = await Promise.all(lines.map((l) => l.evaluate((e) => e.textContent)));
    const line = lines[words.findIndex((w) => w.includes('thinnest line'))];
    expect(await line.$eval('a', (e) => e.getAttribute('href'))).toMatch(/shapes$/);
    const drowned = lines[words.findIndex((w) => w.includes('on linen'))];
    const there = await fetch(station.app.address + (await drowned.$eval('a', (e) => e.getAttribute('href'))));
    expect([there.status, there.url.endsWith('/colourways')]).toEqual([200, true]);
    await (await line.$('button::-p-text(show)'))!.click();
    await page.waitForSelector('[data-looked=line] span[style*=left]');
    await page.locator('button::-p-text(back to the table)').click();
    await page.waitForSelector('[data-wanted]');
  });

  it('follows what is given to the press', async () => {
    await page.locator('th button::-p-text(print)').click();
    await page.waitForSelector('[data-set=print] fieldset');
    const [field] = await page.$$('[data-set=print] fieldset input');
    await field.click({ count: 3 });
    await field.type('100 100 90 90');
    await page.keyboard.press('Tab');
    await page.waitForFunction("/has 380% ink/.test(document.querySelector('[data-checked]').textContent)", { timeout: 60_000 }); // prettier-ignore
    await page.locator('button::-p-text(as converted)').click();
    await page.waitForFunction("!/has 380% ink/.test(document.querySelector('[data-checked]').textContent)");
    await page.locator('[data-set] button::-p-text(done)').click();
  });
});

describe('packages', () => {
  it('say how far they are, are stopped at a press, and made again', async () => {
    await page.waitForSelector('[data-wanted=ready]', { timeout: 60_000 });
    await page.locator('.next-step').click();
    await page.waitForSelector('[data-delivery=packing], [data-delivery=waiting]');
    await page.waitForFunction("/\\d+%/.test(document.querySelector('[data-delivery]').textContent)");
    await page.locator('[data-delivery] button::-p-text(Stop)').click();
    await page.waitForSelector('[data-delivery=cancelled]');
    await page.locator('[data-delivery=cancelled] button::-p-text(Make again)').click();
    await page.waitForSelector('[data-delivery=done]', { timeout: 120_000 });
    const [made] = await listed();
    expect(made.fileCount).toBe(await count());
    expect(made.faults).toBeGreaterThan(0);
    const zip = await fetch(`${station.app.address}/api/deliveries/${made.id}/package.zip`);
    const files = unzipSync(new Uint8Array(await zip.arrayBuffer()));
    expect(Object.keys(files)).toHaveLength(made.fileCount);
    expect(Object.keys(files).some((n) => n.endsWith('.eps'))).toBe(false);
    expect(new TextDecoder().decode(files['README.txt'])).toContain('For Maren Holt');
    await page.waitForFunction("/drawn again alike/.test(document.querySelector('[data-checked]').textContent)");
  });

  it('are compared with what the client has', async () => {
    expect(await text('[data-total]')).toContain('none changed');
    const { head } = await station.ask<WorkState>('GET', `/api/works/${artwork.id}`);
    const edits = [{ kind: 'ink-colour', inkId: artwork.drawing.inks[0].id, hex: '#3E7D5A' }];
    await station.ask('POST', `/api/works/${artwork.id}/acts`, { head, acts: [{ kind: 'edit', key: 'greener-mark', edits }] }); // prettier-ignore
    await page.waitForFunction("/since delivery 1: \\d+ changed/.test(document.querySelector('[data-total]').textContent)"); // prettier-ignore
    await page.click(cell('one colour', 'office'));
    await page.waitForSelector('[data-wanted=ready]', { timeout: 60_000 });
    await page.locator('.next-step').click();
    await until(async () => (await listed())[0].number === 2 && (await listed())[0].state === 'done');
    await page.waitForFunction("/Since 1: \\d+ changed, 3 gone/.test(document.querySelector('[data-delivery=done]').textContent)"); // prettier-ignore
    const [{ changes }] = await listed();
    // What is in one colour is as it was: its files have the same bytes.
    expect(changes!.changed.some((n) => n.includes('one-colour') && n.endsWith('.svg'))).toBe(false);
    expect(station.complaints).toEqual([]);
  });
});
