/** Colourways in the real interface: shuffled and kept, inks locked, tuned and put right, seen as others see them, made the master; all kept, and undone. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { contrastRatio } from '../core/colour';
import { artworkIn, type Artwork } from '../core/vector';
import type { Delivery, WorkState } from '../src/lib/contract/answers';
import { settled } from './browser';
import { onceKept } from './sheet';
import { openStation, type Station } from './station';

/** A dark disc with a light one on it. */
const DRAWING = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 200">
  <circle cx="100" cy="100" r="80" fill="#182A5C"/><circle cx="100" cy="100" r="30" fill="#F2C14E"/>
</svg>`;

let station: Station;
let page: Page;
let ask: Station['ask'];
let work: WorkState;

beforeAll(async () => {
  station = await openStation({
    // Two may be called the same.
    grounds: [
      { name: 'linen', hex: '#F2EBDC' },
      { name: 'linen', hex: '#F2EBDE' },
    ],
    coloursUnwanted: 'red',
  });
  ({ page, ask } = station);
});
afterAll(() => station.close());

beforeEach(async () => {
  const path = `/api/commissions/${station.commission.id}/artworks?name=mark.svg`;
  work = (await ask<{ artwork: WorkState }>('POST', path, new TextEncoder().encode(DRAWING))).artwork;
  await page.goto(`${station.app.address}/commissions/${station.commission.id}/artworks/${work.id}/colourways`);
  await settled(page);
  await page.waitForSelector('[data-table=ready]');
});

const once = (is: (artwork: Artwork) => unknown) => onceKept(ask, work.id, is);
const text = (selector: string) => page.$eval(selector, (e) => e.textContent ?? '');

describe('colourways', () => {
  it('are shuffled, kept by a press, seen on every ground, and taken back', async () => {
    await page.keyboard.press('s');
    await page.waitForSelector('[data-shuffled="12"]');
    await page.locator('[data-shuffled] button').click();
    const artwork = await once((a) => a.colourways?.length === 1);
    const [own] = artwork.colourways!;
    await page.waitForSelector(`[data-colourway="${own.id}"] img`);
    expect(await page.$$eval(`[data-colourway="${own.id}"] img`, (list) => list.length)).toBe(8);
    const { inks } = artworkIn(artwork, own.id);
    expect(contrastRatio(inks[0].hex, inks[1].hex)).toBeGreaterThanOrEqual(3);
    expect(contrastRatio(inks[0].hex, '#F2EBDC')).toBeGreaterThanOrEqual(3);
    expect(await text('[data-merged]')).toContain('keep apart');
    await page.waitForSelector('[data-shuffled="11"]');
    await page.locator('button::-p-text(Undo)').click();
    await once((a) => !a.colourways);
    await page.waitForFunction("document.querySelectorAll('[data-colourway]').length === 1");
  });

  it('keep inks that are locked, and have those of the master changed in the master alone', async () => {
    await page.locator('[data-ink] button::-p-text(lock)').click();
    await page.keyboard.press('s');
    await page.waitForSelector('[data-shuffled] li');
    await page.locator('[data-shuffled] button').click();
    const artwork = await once((a) => a.colourways?.length === 1);
    expect(artworkIn(artwork, artwork.colourways![0].id).inks[0].hex).toBe(artwork.inks[0].hex);
    await page.locator('[data-colourway=master] th button').click();
    const field = (await page.$('[aria-label^="Hex of"]'))!;
    await field.click({ count: 3 });
    await field.type('#24386e');
    await page.keyboard.press('Enter');
    const changed = await once((a) => a.inks[0].hex === '#24386E');
    expect(artworkIn(changed, changed.colourways![0].id).inks[0].hex).toBe('#182A5C');
  });

  it('are tuned within sRGB, by steps and by figures; opening the sliders changes nothing', async () => {
    await page.locator('[data-ink] button[aria-label^=Tune]').click();
    await page.waitForSelector('[data-tune]');
    expect((await ask<WorkState>('GET', `/api/works/${work.id}`)).version).toBe(1);
    await page.locator('[role=group] button::-p-text(lighter)').click();
    const lighter = await once((a) => a.inks[0].hex !== '#182A5C');
    expect(contrastRatio(lighter.inks[0].hex, '#FFFFFF')).toBeLessThan(contrastRatio('#182A5C', '#FFFFFF'));
    const light = (await page.$('[data-tune] input[inputmode=decimal]'))!;
    await light.click({ count: 3 });
    await light.type('50');
    await page.keyboard.press('Enter');
    await once((a) => a.inks[0].hex !== lighter.inks[0].hex);
    expect((await text('[data-tune] p')).length).toBeGreaterThan(10);
  });

  it('have it decided by a press what is filled in one colour', async () => {
    await page.locator('summary').click();
    expect(await text('[data-one-colour]')).toContain('left out');
    const button = (await page.$$('[data-one-colour] button'))[2];
    await button.click();
    const artwork = await once((a) => a.oneColour?.length === 1);
    expect(artwork.oneColour![0]).toEqual({ inkId: artwork.inks[1].id, plain: 'filled' });
    await page.waitForFunction(
      'document.querySelectorAll(\'[data-one-colour] button[aria-label*="by hand"]\').length === 1',
    );
    expect(await text('[data-merged]')).toContain('keep apart');
    await page.locator('button::-p-text(Undo)').click();
    await once((a) => !a.oneColour);
  });

  it('say what has too little contrast, and put it right', async () => {
    // In the other ink the disc's edge would be lost on linen.
    await ask('POST', `/api/works/${work.id}/acts`, {
      head: work.head,
      acts: [{ kind: 'edit', key: 'paler-by-hand', edits: [{ kind: 'ink-colour', inkId: work.drawing.inks[0].id, hex: '#E8D9C0' }] }], // prettier-ignore
    });
    await page.reload();
    await page.waitForSelector('[data-table=ready]');
    await page.waitForFunction("Number(document.querySelector('[data-weak]').dataset.weak) > 0");
    expect(await text('[data-weak]')).toMatch(/\d\.\d : 1/);
    await page.locator('[data-weak] button').click();
    await once((a) => a.inks.some((i, k) => i.hex !== ['#E8D9C0', '#F2C14E'][k]));
  });

  it('are made of the colours of a picture and of other work, sorted by contrast, and picked from the table', async () => {
    const other = await ask<{ id: string }>('POST', '/api/commissions', { name: 'Juniper Row' });
    const drawing = DRAWING.replace('#182A5C', '#2E3B2B').replace('#F2C14E', '#E8C9A0');
    await ask('POST', `/api/commissions/${other.id}/artworks?name=pod.svg`, new TextEncoder().encode(drawing));
    const list = 'select[aria-label="Take colours from"]';
    await page.focus(list);
    await page.waitForSelector(`${list} optgroup[label="Juniper Row"] option`);
    const value = await page.$eval(
      `${list} optgroup[label="Juniper Row"] option`,
      (o) => (o as HTMLOptionElement).value,
    );
    await page.select(list, value);
    await page.locator('button::-p-text(Take)').click();
    const lent = await once((a) => a.colourways?.length === 1);
    expect(artworkIn(lent, lent.colourways![0].id).inks.map((i) => i.hex)).toEqual(['#2E3B2B', '#E8C9A0']);
    expect(lent.colourways![0].how).toContain('Juniper Row');
    // On linen the dark one stands out more in either; sorted, the best comes first.
    await page.locator('thead button::-p-text(black)').click();
    await page.waitForSelector('th[aria-sort=descending]');
    const ratios = await page.$$eval('[data-colourway]', (rows) =>
      rows.map((r) => parseFloat(r.querySelectorAll('td')[4].textContent!)),
    );
    expect(ratios).toEqual([...ratios].sort((p, q) => q - p));
    // The light ink gets the colour of the linen behind the mark, the dark one that of the mark itself.
    await page.locator('[data-colourway=master] th button').click();
    await page.locator('[aria-label^="Tune"]').click();
    await page.locator('[data-tune] button').click();
    const cell = (await page.$(`[data-colourway="${lent.colourways![0].id}"] td img`))!;
    await cell.click();
    const picked = await once((a) => a.inks[0].hex !== '#182A5C');
    expect(picked.inks[0].hex).toBe('#E8C9A0');
  });

  it('are delivered: the one that is looked at is what the client gets', async () => {
    await page.locator('[data-chosen-colourway] button::-p-text(copy)').click();
    const copied = await once((a) => a.colourways?.length === 1);
    const [own] = copied.colourways!;
    await page.locator('a::-p-text(on to the delivery)').click();
    await page.waitForSelector(`[data-line$=", ${own.name}"] [aria-label$=": print"][aria-checked=true]`);
    await page.waitForFunction("/-by-hand\\.svg/.test(document.querySelector('[data-tree]').textContent)");
    await page.locator('button::-p-text(Make the package)').click();
    await page.waitForSelector('[data-delivery=done]', { timeout: 120_000 });
    const [made] = await ask<Delivery[]>('GET', `/api/commissions/${station.commission.id}/deliveries`);
    expect(made.asked!.rows.find((r) => r.look.key === own.id)).toMatchObject({
      look: { name: own.name },
      for: ['print', 'web'],
    });
  });

  it('are seen as others see them, copied, named, made the master and removed', async () => {
    await page.select('aside select', 'grey');
    await page.waitForFunction(
      "decodeURIComponent(document.querySelector('[data-colourway=master] img').src).toUpperCase().includes('182A5C') === false",
    );
    await page.select('aside select', 'all');
    await page.locator('[data-chosen-colourway] button::-p-text(copy)').click();
    const copied = await once((a) => a.colourways?.length === 1);
    const name = (await page.$('[aria-label="Name of the colourway"]'))!;
    await name.click({ count: 3 });
    await name.type('dusk');
    await page.keyboard.press('Enter');
    await once((a) => a.colourways?.[0].name === 'dusk');
    await page.locator('[data-chosen-colourway] button::-p-text(make master)').click();
    await once((a) => a.masterName === 'dusk');
    await page.locator(`[data-colourway="${copied.colourways![0].id}"] th button`).click();
    await page.locator('[data-chosen-colourway] button::-p-text(remove)').click();
    await once((a) => !a.colourways);
    expect(station.complaints).toEqual([]);
  });
});
