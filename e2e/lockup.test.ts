/** Lockups in the real interface: begun in a layout, typed, set in faces, kerned, moved, framed, bent, dressed, spelt alike, recoloured and delivered; all kept, and undone. */
import { readFileSync, readdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { partOf, textsOf, type Lockup, type TextPart } from '../core/lockup';
import type { Delivery, WorkState } from '../src/lib/contract/answers';
import { until } from './app';
import { settled } from './browser';
import { OnSheet } from './sheet';
import { openStation, type Station } from './station';

const MARK = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><circle cx="50" cy="50" r="40" fill="#F2C14E"/><rect x="20" y="45" width="60" height="10" fill="#182A5C"/></svg>'; // prettier-ignore
const require = createRequire(import.meta.url);
const files = join(dirname(require.resolve('@fontsource/rye/package.json')), 'files');
const FONT = join(
  files,
  readdirSync(files).find((f) => /latin-400-normal\.woff2$/.test(f))!,
);

let station: Station;
let page: Page;
let ask: Station['ask'];
let artwork: WorkState;
let lockup: WorkState<Lockup>;
let sheet: OnSheet;

beforeAll(async () => {
  station = await openStation({ grounds: [{ name: 'linen', hex: '#F2EBDC' }] });
  ({ page, ask } = station);
  sheet = new OnSheet(page, '[data-lockup-layer] g');
  const path = `/api/commissions/${station.commission.id}/artworks?name=mark.svg`;
  artwork = (await ask<{ artwork: WorkState }>('POST', path, new TextEncoder().encode(MARK))).artwork;
});
afterAll(() => station.close());

const base = () => `${station.app.address}/commissions/${station.commission.id}`;
const newLockup = (more: object = {}) =>
  ask<WorkState<Lockup>>('POST', `/api/commissions/${station.commission.id}/lockups`, { artworkId: artwork.id, face: 'Jost', ...more }); // prettier-ignore
async function open(more: object = {}): Promise<void> {
  lockup = await newLockup(more);
  await page.goto(`${base()}/lockups/${lockup.id}`);
  await settled(page);
  await page.waitForSelector('[data-clear-space]');
}
const kept = (is: (l: Lockup) => unknown, id = lockup.id): Promise<Lockup> =>
  until(async () => {
    const { drawing } = await ask<WorkState<Lockup>>('GET', `/api/works/${id}`);
    return is(drawing) ? drawing : null;
  });
const text = (l: Lockup, id = 't1') => partOf(l, id) as TextPart;
const press = (words: string) => page.locator(`aside button::-p-text(${words})`).click();
const undo = () => page.locator('button::-p-text(Undo)').click();
const choose = async (id: string): Promise<void> => {
  await page.locator(`[data-part=${id}]`).click();
  await page.waitForSelector(`[data-chosen-part=${id}]`);
};
async function type(selector: string, words: string): Promise<void> {
  const field = (await page.waitForSelector(selector))!;
  await field.click({ count: 3 });
  await field.type(words);
}

describe('a lockup is begun', () => {
  it('with the commission’s name beside the mark in all layouts, and goes on from the one that is chosen', async () => {
    await page.goto(`${base()}/artworks/${artwork.id}/lettering`);
    await page.waitForSelector('[data-layout=emblem]');
    await type('input[placeholder^="what the client does"]', 'Sleeper trains');
    await page.waitForSelector('[data-layout=beside-line]');
    expect(
      Number(await page.$eval('[data-layouts]', (e) => (e as HTMLElement).dataset.layouts)),
    ).toBeGreaterThanOrEqual(12);
    await page.locator('[data-layout=beside-line]').click();
    await page.locator('.next-step').click();
    await page.waitForSelector('[data-clear-space]');
    expect(page.url()).toContain('/lockups/');
    const id = page.url().split('/').pop()!;
    const made = await ask<WorkState<Lockup>>('GET', `/api/works/${id}`);
    expect(textsOf(made.drawing).map((t) => t.text)).toEqual(['Noctule Night Rail', 'Sleeper trains']);
  });
});

describe('lettering', () => {
  beforeEach(() => open({ layout: 'above-line', line: 'Sleeper trains' }));

  it('is typed, put right where it was typed in haste, and both are undone by themselves', async () => {
    const field = '[data-text=t2] textarea';
    await type(field, "Maren's trains");
    await page.keyboard.press('Tab');
    await kept((l) => text(l, 't2').text === 'Maren’s trains');
    await undo();
    await kept((l) => text(l, 't2').text === "Maren's trains");
    await undo();
    await kept((l) => text(l, 't2').text === 'Sleeper trains');
    // The client writes itself so.
    await type('[data-text=t1] textarea', 'noctule night rail');
    await page.keyboard.press('Tab');
    await kept((l) => text(l).text === 'Noctule Night Rail');
  });

  it('that was typed and left in peace is there after a reload, also where the field was never left', async () => {
    await type('[data-text=t1] textarea', 'Noctule Nig');
    await kept((l) => text(l).text === 'Noctule Nig');
    await page.reload();
    await page.waitForFunction(`document.querySelector('[data-text=t1] textarea')?.value === 'Noctule Nig'`);
  });

  it('is set in figures; what is no figure is put back', async () => {
    await choose('t1');
    const field = '[data-text=t1] input[inputmode=decimal]';
    const [size, tracking] = await page.$$(field);
    await tracking.click({ count: 3 });
    await tracking.type('0.08');
    await page.keyboard.press('Enter');
    await kept((l) => text(l).tracking === 0.08);
    await size.click({ count: 3 });
    await size.type('large');
    await page.keyboard.press('Tab');
    expect(await size.evaluate((e) => Number((e as HTMLInputElement).value))).toBeGreaterThan(1);
  });

  it('has an ink of its own, which is recoloured by itself', async () => {
    await choose('t1');
    await page.select('[data-ink-of=t1]', '');
    const own = await kept((l) => text(l).inkId === 'lettering-1');
    expect(own.inks.at(-1)).toMatchObject({ id: 'lettering-1', hex: '#182A5C' });
    await page.$eval('input[type=color]', (e) => {
      (e as HTMLInputElement).value = '#7a2e3a';
      e.dispatchEvent(new Event('change', { bubbles: true }));
    });
    const now = await kept((l) => l.inks.at(-1)!.hex === '#7A2E3A');
    expect(now.inks.slice(0, -1)).toEqual(lockup.drawing.inks);
    await page.waitForSelector('main [fill="#7A2E3A"]');
  });

  it('is there when one comes back to it, and is drawn as it is typed', async () => {
    const path = page.url();
    await page.reload();
    await settled(page);
    await page.goto(`${base()}/brief`);
    await page.goBack();
    await settled(page);
    expect(page.url()).toBe(path);
    await page.waitForSelector('[data-clear-space]');
    const drawn = () => page.$$eval('main svg path', (all) => all.map((p) => p.getAttribute('d')).join(''));
    const before = await drawn();
    await type('[data-text=t1] textarea', 'Noctule');
    await until(async () => ((await drawn()) === before ? null : true));
  });

  it('takes a face from the list, and one that is brought in; a file that is none is refused and nothing changes', async () => {
    await page.keyboard.press('t');
    await page.waitForSelector('[data-act=faces] [data-face] svg');
    const face = await page.$eval('[data-act=faces] [data-face][aria-pressed=false]', (e) => {
      (e as HTMLElement).click();
      return (e as HTMLElement).dataset.face;
    });
    await kept((l) => text(l).face.family === face);
    const input = (await page.$('[data-act=faces] input[type=file]'))!;
    await input.uploadFile(FONT);
    const own = await kept((l) => text(l).face.family.startsWith('own-'));
    expect(text(own).face.weight).toBe(400);
    await page.waitForSelector('::-p-text(was brought in)');
    const broken = join(dirname(FONT), '../package.json');
    expect(readFileSync(broken).length).toBeGreaterThan(10);
    await input.uploadFile(broken);
    await page.waitForSelector('::-p-text(cannot be brought in as a face)');
    const now = await ask<WorkState<Lockup>>('GET', `/api/works/${lockup.id}`);
    expect(text(now.drawing).face).toEqual(text(own).face);
  });

  it('is kerned pair by pair with keys', async () => {
    await choose('t1');
    await page.keyboard.press('k');
    await page.waitForSelector('[data-pair]');
    for (const key of ['ArrowDown', 'ArrowRight', 'ArrowRight'] as const) await page.keyboard.press(key);
    const l = await kept((s) => text(s).byHand);
    expect(text(l).byHand).toEqual({ 1: 0.01 });
    expect(await page.$eval('[data-kern-pair]', (e) => e.textContent)).toContain('oc');
  });

  it('stands on a circle, bends, and wears an outline that is the ground’s', async () => {
    await choose('t1');
    await page.keyboard.press('o');
    await page.select('[data-act=stands] select', 'arc');
    const l = await kept((s) => text(s).follows?.kind === 'arc');
    expect(text(l).follows).toMatchObject({ side: 'above' });
    await page.keyboard.press('b');
    await page.select('[data-bend]', 'wave');
    await kept((s) => text(s).warp?.kind === 'wave');
    await page.keyboard.press('r');
    await page.locator('[data-act=dress] label::-p-text(outline)').click();
    await kept((s) => text(s).dress?.outline?.inkId === null);
  });
});

describe('single letters', () => {
  beforeEach(() => open({ layout: 'above' }));

  it('are changed by hand, point by point, and the rest stays live', async () => {
    await choose('t1');
    await page.keyboard.press('i');
    await page.locator('[data-letters] button::-p-text(R)').click();
    await page.locator('[data-by-hand]').click();
    await page.waitForSelector('[data-letter-point="0 0 to"]');
    const before = await kept((l) => text(l).instead);
    const spot = async (): Promise<[number, number]> =>
      page.$eval('[data-letter-point="0 0 to"]', (e) => {
        const { x, y, width, height } = e.getBoundingClientRect();
        return [x + width / 2, y + height / 2] as [number, number];
      });
    const [x, y] = await spot();
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x - 25, y - 30, { steps: 5 });
    await page.mouse.up();
    const after = await kept((l) => JSON.stringify(text(l).instead) !== JSON.stringify(text(before).instead));
    expect(Object.keys(text(after).instead!)).toEqual(Object.keys(text(before).instead!));
    // Typed before it, the letter goes along; it is still the one that was changed.
    await type('[data-text=t1] textarea', 'The Noctule Night Rail');
    await page.keyboard.press('Tab');
    const typed = await kept((l) => text(l).text === 'The Noctule Night Rail');
    const place = (t: TextPart): string => t.text[Number(Object.keys(t.instead!)[0])];
    expect([place(text(after)), place(text(typed))]).toEqual(['R', 'R']);
    await undo();
    await undo();
    await kept((l) => JSON.stringify(text(l).instead) === JSON.stringify(text(before).instead));
  });

  it('become the mark', async () => {
    await choose('t1');
    await page.keyboard.press('i');
    await page.locator('[data-letters] button::-p-text(o)').click();
    await page.locator('[data-as-mark]').click();
    const l = await kept((s) => text(s).instead);
    expect(text(l).instead).toEqual({ 1: { kind: 'mark', markId: 'm1' } });
  });

  it('that a face has not are told, with the faces that have them', async () => {
    await type('[data-text=t1] textarea', 'Noctule 夜');
    await page.keyboard.press('Tab');
    await page.waitForSelector('::-p-text(This face has no “夜”)');
    await press('faces that have it');
    await page.waitForSelector('[data-act=faces] [data-face^="noto-"]');
    await page.locator('[data-act=faces] [data-face^="noto-"]').click();
    await kept((l) => text(l).face.family.startsWith('noto-'));
    await page.waitForFunction(`!document.querySelector('[aria-label=Noticed]').textContent.includes('has no')`);
  });
});

describe('arranging', () => {
  beforeEach(() => open({ layout: 'above-line', line: 'Sleeper trains' }));

  it('moves a part by a drag to what it may lie on, and undoes that', async () => {
    const before = lockup.drawing;
    const mark = partOf(before, 'm1')!;
    expect(mark.kind).toBe('mark');
    const [x, y] = mark.kind === 'mark' ? [mark.x + 50 * mark.scale, mark.y + 50 * mark.scale] : [0, 0];
    // A little aside: it is drawn back to the middle of the name, and up by as much as it was moved.
    await sheet.drag([x, y], [x + 4, y - 300]);
    const moved = await kept((l) => JSON.stringify(partOf(l, 'm1')) !== JSON.stringify(mark));
    const now = partOf(moved, 'm1')!;
    if (mark.kind === 'mark' && now.kind === 'mark') {
      expect(now.x).toBeCloseTo(mark.x, 0);
      expect(now.y - mark.y).toBeLessThan(-250);
    }
    await undo();
    await kept((l) => JSON.stringify(partOf(l, 'm1')) === JSON.stringify(mark));
  });

  it('goes over to another layout at a press on its picture, and aligns, frames and takes away', async () => {
    await page.locator('[data-layout=beside-line]').click();
    const laid = await kept((l) => l.layout === 'mark left, name and line right');
    await choose('m1');
    await page.keyboard.press('m');
    await page.locator('[data-align=foot]').click();
    const place = JSON.stringify(partOf(laid, 'm1'));
    await kept((l) => JSON.stringify(partOf(l, 'm1')) !== place);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await page.keyboard.press('n');
    await page.locator('[data-frame=box]').click();
    const framed = await kept((l) => l.parts.some((p) => p.kind === 'frame'));
    expect(framed.parts.find((p) => p.kind === 'frame')).toMatchObject({ shape: 'box', around: ['m1', 't1', 't2'] });
    await page.waitForSelector('[data-chosen-part=f1]');
    await page.keyboard.press('Delete');
    await kept((l) => !l.parts.some((p) => p.kind === 'frame'));
  });

  it('notices that other lockups spell the name otherwise, and spells them alike at one press', async () => {
    const other = await newLockup({ layout: 'stacked' });
    await page.reload();
    await settled(page);
    await type('[data-text=t1] textarea', 'Noktule Night Rail');
    await page.keyboard.press('Tab');
    await kept((l) => text(l).text === 'Noktule Night Rail');
    await page.reload();
    await press('spell alike');
    await kept((l) => text(l).text.replace('\n', ' ') === 'Noktule Night Rail', other.id);
  });

  it('brings in the mark as it is now, in its new inks', async () => {
    const before = await ask<WorkState>('GET', `/api/works/${artwork.id}`);
    await ask('POST', `/api/works/${artwork.id}/acts`, { head: before.head, acts: [{ kind: 'edit', key: crypto.randomUUID(), edits: [{ kind: 'ink-colour', inkId: before.drawing.inks[0].id, hex: '#C9665B' }] }] }); // prettier-ignore
    await page.reload();
    await press('bring it in');
    const now = await kept((l) => l.inks[0].hex === '#C9665B');
    expect(partOf(now, 'm1')).not.toMatchObject({ stepId: before.head });
    await page.waitForSelector('path[fill="#C9665B"], [fill="#C9665B"]');
  });
});

describe('what comes after', () => {
  it('is recoloured as marks are, and delivered', async () => {
    await open({ layout: 'beside' });
    await page.goto(`${base()}/lockups/${lockup.id}/colourways`);
    await settled(page);
    await page.keyboard.press('s');
    await page.waitForSelector('[data-shuffled] li');
    await page.locator('[data-shuffled] button').click();
    const coloured = await kept((l) => l.colourways?.length === 1);
    expect(coloured.parts).toEqual(lockup.drawing.parts);
    const svg = await (await fetch(`${station.app.address}/api/works/${lockup.id}/drawing.svg?colourway=${encodeURIComponent(coloured.colourways![0].id)}`)).text(); // prettier-ignore
    for (const { hex } of coloured.colourways![0].inks) expect(svg.toUpperCase()).toContain(hex);
    await page.goto(`${base()}/lockups/${lockup.id}/deliver`);
    await settled(page);
    // What it is made of goes with it, and of many lockups only this one.
    const ticked = await page.$$eval('[data-line]', (rows) => rows.filter((r) => r.querySelector('[aria-checked=true]')).map((r) => (r as HTMLElement).dataset.line!.replace(/, [^,]*$/, ''))); // prettier-ignore
    expect([...new Set(ticked)].sort()).toEqual([artwork.name, lockup.name].sort());
    await page.locator('.next-step').click();
    await page.waitForSelector('[data-delivery=done]', { timeout: 120_000 });
    const [{ asked }] = await ask<Delivery[]>('GET', `/api/commissions/${station.commission.id}/deliveries`);
    expect(asked!.works.map((w) => w.workId).sort()).toEqual([lockup.id, artwork.id].sort());
    expect(station.complaints).toEqual([]);
  });
});
