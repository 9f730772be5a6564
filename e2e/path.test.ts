/** The whole path in the real interface: brief, round, choice, trace, inks, package. */
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drawCandidate } from '../core/engine';
import { allPieces } from '../core/vector';
import { decodePicture, encodePng } from '../node/pictures';
import type { WorkState, Commission, CommissionCard, Delivery, Wall } from '../src/lib/contract/answers';
import { apiOf, startApp, until, type App } from './app';
import { openBrowser, settled, watchedPage } from './browser';

let app: App;
let call: ReturnType<typeof apiOf>;
let opened: Awaited<ReturnType<typeof openBrowser>>;
let page: Page;
let folder: string;
const complaints: string[] = [];

const newPage = (): Promise<Page> => watchedPage(opened.browser, complaints);

const click = (name: string, on = page) => on.locator(`::-p-aria([name="${name}"])`).click();
const undo = () => page.locator('[data-undo=undo]:not(:disabled)').click();
const redo = () => page.locator('[data-undo=redo]:not(:disabled)').click();
const fill = (name: string, value: string, on = page) => on.locator(`::-p-aria([name="${name}"])`).fill(value);
const text = (selector: string, on = page) => on.$eval(selector, (e) => e.textContent!.replace(/\s+/g, ' ').trim());
const base = () => /\/commissions\/[0-9a-f-]+/.exec(page.url())![0];
const wall = async () => (await call<Wall>('GET', `/api${base()}/rounds`)).body;
const artworkId = () => /artworks\/([0-9a-f-]+)/.exec(page.url())![1];
const artwork = async () => (await call<WorkState>('GET', `/api/works/${artworkId()}`)).body;

beforeAll(async () => {
  app = await startApp();
  call = apiOf(app.address);
  opened = await openBrowser();
  page = await newPage();
  folder = await mkdtemp(join(tmpdir(), 'odd-quill-e2e-'));
});
afterAll(async () => {
  await opened.close();
  await app.stop();
  await rm(folder, { recursive: true, force: true });
});

/** Whether anything of the screen is cut off, or the page itself scrolls. */
const overflow = () =>
  page.evaluate(() => ({
    across: document.documentElement.scrollWidth - innerWidth,
    down: document.documentElement.scrollHeight - innerHeight,
  }));

describe('a commission, from brief to package', () => {
  it('says what to do first when there is nothing', async () => {
    await page.goto(app.address);
    expect(await text('main')).toContain('No commission is open.');
    await page.locator('header ::-p-text(Start a commission)').click();
    await page.waitForSelector('#brief-name');
  });

  it('starts with a brief, and keeps what was typed when something is wrong, or the page is reloaded', async () => {
    await page.type('#brief-client', 'Maren Holt');
    await page.$eval('#allowance', (e) => ((e as HTMLInputElement).value = ''));
    await page.type('#allowance', '-3');
    // Enter in a field does what the button does; what is refused says why beside it, and is gone to.
    await page.focus('#brief-client');
    await page.keyboard.press('Enter');
    await page.waitForSelector('#brief-name-said .text-danger');
    expect(await text('#allowance-said')).toBe('0 or more');
    expect(await page.evaluate(() => document.activeElement?.id)).toBe('brief-name');
    await page.$eval('#allowance', (e) => ((e as HTMLInputElement).value = ''));
    await page.type('#allowance', '120');
    expect(await page.$eval('#brief-client', (e) => (e as HTMLInputElement).value)).toBe('Maren Holt');
    await page.reload();
    await page.waitForFunction(
      () => (document.querySelector('#brief-client') as HTMLInputElement | null)?.value === 'Maren Holt',
    );
    await page.type('#brief-name', 'Noctule Night Rail');
    await page.type('[aria-label^="Another ground"]', '#20346e');
    await click('Add a ground');
    await click('Start the commission');
    await page.waitForFunction(() => /\/commissions\/[0-9a-f-]{36}$/.test(location.pathname));
    const { body } = await call<Commission>('GET', `/api${base()}`);
    expect(body).toMatchObject({ name: 'Noctule Night Rail', client: 'Maren Holt' });
    expect(body.grounds.map((g) => g.hex)).toContain('#20346E');
  });

  it('says what the engine understands while one writes', async () => {
    expect(await text('#wall')).toContain('Nothing hangs here yet.');
    await page.focus('#prompt');
    await page.keyboard.down('Control');
    await page.keyboard.press('Enter');
    await page.keyboard.up('Control');
    await page.waitForFunction(() => document.body.innerText.includes('The prompt is empty: say what is to be drawn'));
    await page.type(
      '#prompt',
      'noctule bat over a crescent moon, two colours midnight blue and lamp yellow, flat, white ground',
    );
    await page.waitForSelector('[aria-label=Understood]');
    expect(await text('[aria-label=Understood]')).toMatch(
      /figure noctule bat ?over ?crescent moon ?colour two colours midnight blue and lamp yellow ?finish flat ?ground white ground/,
    );
  });

  it('changes a part of the prompt at its place in the line', async () => {
    await click('crescent moon');
    await page.waitForSelector('[aria-label="figure, changed"]');
    await page.keyboard.type('full moon');
    await page.keyboard.press('Enter');
    const prompt = () => page.$eval('#prompt', (e) => (e as HTMLTextAreaElement).value);
    await page.waitForFunction(() =>
      (document.querySelector('#prompt') as HTMLTextAreaElement).value.includes('full moon'),
    );
    expect(await prompt()).toBe(
      'noctule bat over a full moon, two colours midnight blue and lamp yellow, flat, white ground',
    );
    await page.waitForFunction(() =>
      document.querySelector('[aria-label=Understood]')?.textContent?.includes('full moon'),
    );
    await click('full moon');
    await page.waitForSelector('[aria-label="figure, changed"]');
    await page.keyboard.type('nothing of it');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[aria-label="figure, changed"]'));
    await click('full moon');
    await page.keyboard.type('crescent moon');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() =>
      (document.querySelector('#prompt') as HTMLTextAreaElement).value.includes('crescent moon'),
    );
  });

  it('gives four candidates, and tells how far they are', async () => {
    await click('Ask for four · 4 credits');
    await page.waitForSelector('[data-running], [data-candidate]');
    await page.waitForFunction(() => document.querySelectorAll('[data-candidate]').length === 4);
    await page.waitForFunction(() => document.querySelector('[data-credits]')?.textContent?.includes('4 of 120'));
    await page.waitForSelector('[data-proofs=ready]');
    const proofs = await text('[data-proofs]');
    for (const label of ['16 px', '24 px', '32 px', '64 px', 'one colour', 'reversed', 'white', 'black'])
      expect(proofs).toContain(label);
    expect(proofs).toMatch(/\d+% lost/);
    expect(proofs).toMatch(/\d+\.\d : 1/);
  });

  it('marks the words that changed in the next round, whose prompt was still there after a reload', async () => {
    await page.$eval('#prompt', (e) => (e as HTMLTextAreaElement).select());
    await page.type(
      '#prompt',
      'noctule bat over a crescent moon, two colours midnight blue and lamp yellow, engraved, white ground',
    );
    await page.reload();
    await page.waitForFunction(() =>
      (document.querySelector('#prompt') as HTMLTextAreaElement | null)?.value.includes('engraved'),
    );
    await click('Ask for four · 4 credits');
    await page.waitForFunction(() => document.querySelectorAll('[data-candidate]').length === 8);
    expect(await text('[data-round="2"] ins')).toBe('engraved,');
    expect(await text('[data-round="2"] del')).toBe('flat,');
  });

  it('lets one start again from an earlier prompt', async () => {
    await click('Start from this: the prompt of round 1');
    expect(await page.$eval('#prompt', (e) => (e as HTMLTextAreaElement).value)).toContain('flat');
  });

  it('sizes candidates by decisions, which undo and redo, also after a reload', async () => {
    const tile = (i: number) => `[data-round="1"] [data-candidate]:nth-of-type(${i})`;
    const width = (i: number) => page.$eval(tile(i), (e) => e.getBoundingClientRect().width);
    await page.click(`${tile(1)} > button`);
    const before = await width(1);
    await page.keyboard.press('k');
    await page.waitForSelector(`${tile(1)}[data-decision=kept]`);
    await page.click(`${tile(2)} > button`);
    await page.keyboard.press('a');
    await page.waitForSelector(`${tile(2)}[data-decision=aside]`);
    await page.click(`${tile(1)} > button`);
    await new Promise((resolve) => setTimeout(resolve, 400));
    expect(await width(1)).toBeGreaterThan(before * 1.2);
    expect(await width(2)).toBeLessThan(60);
    await page.reload();
    await undo();
    await page.waitForSelector(`${tile(2)}[data-decision=undecided]`);
    await page.waitForFunction(() => !(document.querySelector('header') as HTMLElement).innerText.includes('nothing'));
    await redo();
    await page.waitForSelector(`${tile(2)}[data-decision=aside]`);
  });

  it('grows offshoots, chooses a finish by picture, and crosses two candidates', async () => {
    const before = (await wall()).rounds.length;
    await page.focus('#wall [data-candidate] button');
    await page.keyboard.press('g');
    await page.waitForSelector('section[aria-label="Grows from"]');
    await page.click('button[aria-label^="Finish"]');
    await page.waitForFunction(() => document.querySelectorAll('[aria-labelledby=finish-label] li img').length >= 24);
    await page.locator('[aria-labelledby=finish-label] ::-p-text(silhouette)').click();
    await click('Ask for four · 4 credits');
    await page.waitForFunction(
      (n) => document.querySelectorAll(`[data-round="${n + 1}"] [data-candidate]`).length === 4,
      {},
      before,
    );
    expect(await text(`[data-round="${before + 1}"] h2`)).toMatch(/offshoots of \d\.\d, drift 25 in silhouette/);
    const [first, second] = (await wall()).rounds[0].candidates;
    await page.click(`[data-candidate="${first.id}"] button`);
    await page.keyboard.press('x');
    await page.waitForSelector('[role=status] ::-p-text(Choose the candidate to cross)');
    await page.click(`[data-candidate="${second.id}"] button`);
    await page.waitForFunction(() =>
      document.querySelector('section[aria-label="Grows from"]')?.textContent?.includes('Crossing of'),
    );
    await click('Leave: do not grow from a candidate');
    await click('Start from this: the prompt of round 1');
  });

  it('opens a sliver at a touch', async () => {
    const aside = '[data-decision=aside]';
    await page.click(`${aside} > button`);
    await page.waitForFunction((s) => document.querySelector(s)!.getBoundingClientRect().width > 150, {}, aside);
  });

  it('takes a picture made elsewhere, and says what is wrong with one it cannot take', async () => {
    const sketch = join(folder, 'client sketch.png');
    const fake = join(folder, 'fake.png');
    await writeFile(
      sketch,
      await encodePng(drawCandidate({ prompt: 'hedgehog, pencil sketch', sizePx: 400 }, 0).picture),
    );
    await writeFile(fake, 'not a picture');
    const chooser = (await page.$(
      'input[type=file][aria-label="Pictures and drawings to bring in"]',
    )) as import('puppeteer-core').ElementHandle<HTMLInputElement>;
    await chooser.uploadFile(sketch);
    await page.waitForSelector('[aria-label="Brought in"] [data-candidate]');
    await chooser.uploadFile(fake);
    await page.waitForSelector('[data-notice][role=alert]');
    expect(await text('[data-notice][role=alert]')).toContain('fake.png: The file is not a PNG, JPEG or WebP picture');
    await click('Close');
    expect((await wall()).broughtIn.map((k) => k.label)).toEqual(['client sketch.png']);
  });

  it('takes one that is pasted, and one that is dropped', async () => {
    const bytes = [...(await encodePng(drawCandidate({ prompt: 'fox', sizePx: 100 }, 0).picture))];
    await page.evaluate((data) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([new Uint8Array(data)], 'pasted.png', { type: 'image/png' }));
      window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: transfer, bubbles: true }));
    }, bytes);
    await until(async () => (await wall()).broughtIn.length === 2);
    await page.evaluate((data) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([new Uint8Array(data)], 'dropped.png', { type: '' }));
      document
        .querySelector('#wall')!
        .dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));
    }, bytes);
    await until(async () => (await wall()).broughtIn.length === 3);
  });

  it('follows a sketch that is dropped on the prompt, and shows how much of it is left', async () => {
    const sketch = await encodePng(
      drawCandidate({ prompt: 'whale, white ground', finish: 'pencil sketch', sizePx: 400, leeway: 0, flaws: 0 }, 0)
        .picture,
    );
    const before = (await wall()).rounds.length;
    await page.evaluate(
      (bytes) => {
        const data = new DataTransfer();
        data.items.add(new File([new Uint8Array(bytes)], 'sketch.png', { type: 'image/png' }));
        document
          .querySelector('[aria-label^="Prompt;"]')!
          .dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
      },
      [...sketch],
    );
    await page.waitForSelector('section[aria-label="Reference 1"]');
    await click('Ask for four · 4 credits');
    await page.waitForFunction(
      (n) => document.querySelectorAll(`[data-round="${n + 1}"] [data-candidate]`).length === 4,
      {},
      before,
    );
    const [{ id, sketch: left }] = (await wall()).rounds[0].candidates;
    expect(left!.kept).toBeGreaterThan(0.5);
    await page.goto(`${app.address}${base()}/candidates/${id}`);
    await page.waitForSelector('section[aria-label=Sketch]');
    expect(await text('section[aria-label=Sketch]')).toMatch(/^\d+% of the sketch/);
    await page.waitForSelector('img[alt="The sketch over the candidate"]');
    // An area is marked by dragging, and made again as a round of its own.
    await page.keyboard.press('r');
    await page.waitForSelector('[data-marked]');
    const sheet = (await (await page.$('[role=application]'))!.boundingBox())!;
    await page.mouse.move(sheet.x + sheet.width * 0.4, sheet.y + sheet.height * 0.3);
    await page.mouse.down();
    await page.mouse.move(sheet.x + sheet.width * 0.55, sheet.y + sheet.height * 0.55, { steps: 4 });
    await page.mouse.up();
    await page.type('#redo-words', 'star');
    await click('Redo it · 1 credit');
    await page.waitForFunction(
      (n) => document.querySelectorAll(`[data-round="${n + 2}"] [data-candidate]`).length === 1,
      {},
      before,
    );
    expect((await wall()).rounds[0].way.kind).toBe('redo');
    await click('Remove reference 1');
    await click('Start from this: the prompt of round 1');
  });

  it('opens a candidate, and goes on to its trace by the thread', async () => {
    await page.click('[data-round="1"] [data-decision=kept] > button');
    await page.keyboard.press('o');
    await page.waitForFunction(() => location.pathname.includes('/candidates/'));
    await page.waitForSelector('[data-proofs=ready]');
    expect(await page.$eval('[aria-current=page]', (e) => e.textContent!.trim())).toBe('1.1');
    await click('Trace this candidate');
    await page.waitForFunction(() => location.pathname.endsWith('/trace'));
  });

  it('traces with live controls, in a worker', async () => {
    await page.waitForSelector('[data-figures]');
    await settled(page);
    const figures = () => text('[data-figures]');
    const first = await figures();
    expect(first).toMatch(
      /\d+ pieces · \d+ points, \d+ of them corners · [\d.]+ KB as SVG · off by [\d.]+ px on the mean/,
    );
    expect(await page.$$eval('[data-inks] li', (l) => l.length)).toBe(2);
    await page.select('#inks', '2');
    await page.waitForFunction(() => document.querySelectorAll('[data-inks] li').length === 1);
    // More than there are changes nothing, which is said, and taken back at a press.
    await page.select('#inks', '9');
    await page.waitForSelector('[data-fewer]');
    expect(await text('[data-fewer]')).toMatch(/^The picture has [3-8] with the ground, and no more\./);
    await page.locator('[data-fewer] ::-p-text(Automatic)').click();
    await page.waitForFunction(() => !document.querySelector('[data-fewer]'));
    await page.waitForFunction(() => document.querySelectorAll('[data-inks] li').length === 2);
    await page.locator('label ::-p-text(kept)').click();
    await page.waitForFunction(() => document.querySelectorAll('[data-inks] li').length === 3);
    await page.locator('label ::-p-text(outside)').click();
    await settled(page);
    await page.locator('label ::-p-text(dropped)').click();
    await page.waitForFunction(() => document.querySelectorAll('[data-inks] li').length === 2);
    await page.focus('[role=slider][aria-label=Smoothness]');
    for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowRight');
    await settled(page);
    await page.waitForFunction(
      (before) => document.querySelector('[data-figures]')!.textContent!.replace(/\s+/g, ' ').trim() !== before,
      {},
      first,
    );
  });

  it('compares before and after at one zoom and pan, with a divider, and draws points on demand', async () => {
    const sheet = await page.$('[role=application]');
    const box = (await sheet!.boundingBox())!;
    const zoom = () => page.$eval('[role=application]', (e) => Number((e as HTMLElement).dataset.zoom));
    const before = await zoom();
    await page.mouse.move(box.x + 100, box.y + 100);
    await page.mouse.wheel({ deltaY: -600 });
    await page.waitForFunction(
      (b) => Number((document.querySelector('[role=application]') as HTMLElement).dataset.zoom) > b,
      {},
      before,
    );
    const places = await page.evaluate(() => {
      const image = document.querySelector('[role=application] img')!.getBoundingClientRect();
      const trace = document.querySelector('[data-artwork] g')!.getAttribute('transform')!;
      const sheetBox = document.querySelector('[role=application]')!.getBoundingClientRect();
      const [, x, y] = /translate\(([-\d.]+) ([-\d.]+)\)/.exec(trace)!;
      return [image.left - sheetBox.left - Number(x), image.top - sheetBox.top - Number(y)];
    });
    for (const off of places) expect(Math.abs(off)).toBeLessThan(0.6);
    const divider = (await (await page.$('[role=slider][aria-label^=Picture]'))!.boundingBox())!;
    await page.mouse.move(divider.x + divider.width / 2, divider.y + 200);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.25, divider.y + 200, { steps: 4 });
    await page.mouse.up();
    expect(
      await page.$eval('[role=slider][aria-label^=Picture]', (e) => Number(e.getAttribute('aria-valuenow'))),
    ).toBeLessThan(30);
    expect(await page.$('[data-points]')).toBeNull();
    await page.keyboard.press('p');
    await page.waitForSelector('[data-points]');
    expect(await overflow()).toEqual({ across: 0, down: 0 });
  });

  it('keeps the trace as an artwork', async () => {
    await click('Keep this trace');
    await page.waitForFunction(
      () => location.pathname.includes('/artworks/') || document.querySelector('[data-notice]'),
    );
    expect(await page.$$eval('[data-notice]', (list) => list.map((e) => e.textContent))).toEqual([]);
    // Shapes come before colour.
    await page.waitForFunction(() => /\/artworks\/[^/]+\/shapes$/.test(location.pathname));
    expect((await artwork()).version).toBe(1);
    await settled(page);
    await page.locator(`nav[aria-label=Thread] a[href$="/artworks/${(await artwork()).id}"]`).click();
    await page.waitForSelector('[data-ink]');
  });

  it('changes an ink with every piece of it at once', async () => {
    const [ink] = (await artwork()).drawing.inks;
    await fill(`Hex of ${ink.name}`, '#ab3412');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => !!document.querySelector('[data-artwork] path[fill="#AB3412"]'));
    await until(async () => (await artwork()).version === 2);
    const pieces = allPieces((await artwork()).drawing).filter((p) => p.inkId === ink.id).length;
    expect(pieces).toBeGreaterThan(0);
    // What the page heard of before may still be on its way to it, so it is given a moment.
    await page.waitForFunction(
      (n) => document.querySelectorAll('[data-artwork] path[fill="#AB3412"]').length === n,
      {},
      pieces,
    );
    await fill(`Hex of ${ink.name}`, 'red-ish');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => document.body.innerText.includes('the ink is as it was'));
    expect((await artwork()).version).toBe(2);
  });

  it('shows a piece’s ink when it is clicked, and removes the piece; undo brings it back, also after a reload', async () => {
    const pieces = allPieces((await artwork()).drawing).length;
    const { drawing } = await artwork();
    const sheet = (await (await page.$('[role=application]'))!.boundingBox())!;
    const spot = await page.evaluate(() => {
      // The point of the topmost piece that is farthest from its edge, found by asking the drawing itself.
      const paths = [...document.querySelectorAll<SVGGeometryElement>('[data-artwork] path[fill^="#"]')];
      const path = paths[paths.length - 1];
      const b = path.getBBox();
      const map = path.getCTM()!;
      let best = { room: -1, at: [0, 0] };
      for (let i = 1; i < 40; i++)
        for (let j = 1; j < 40; j++) {
          const [x, y] = [b.x + (b.width * i) / 40, b.y + (b.height * j) / 40];
          const isIn = (px: number): boolean =>
            [0, 1, 2, 3].every((k) => {
              const turn = (k * Math.PI) / 2;
              const off = px / map.a;
              return path.isPointInFill(new DOMPoint(x + off * Math.cos(turn), y + off * Math.sin(turn)));
            });
          let room = -1;
          while (room < 12 && isIn(room + 1)) room++;
          const q = new DOMPoint(x, y).matrixTransform(map);
          if (room > best.room) best = { room, at: [q.x, q.y] };
        }
      return best.at;
    });
    await page.mouse.click(sheet.x + spot[0], sheet.y + spot[1]);
    await page.waitForSelector('[data-piece-ink]');
    const last = allPieces(drawing)[allPieces(drawing).length - 1];
    expect(await page.$eval('[data-piece-ink]', (e) => (e as HTMLElement).dataset.pieceInk)).toBe(
      drawing.inks.find((i) => i.id === last.inkId)!.name,
    );
    await click('Remove the piece');
    await until(async () => allPieces((await artwork()).drawing).length === pieces - 1);
    await page.reload();
    await page.waitForSelector('[data-steps]');
    await undo();
    await until(async () => allPieces((await artwork()).drawing).length === pieces);
    await redo();
    await until(async () => allPieces((await artwork()).drawing).length === pieces - 1);
    await undo();
    await until(async () => allPieces((await artwork()).drawing).length === pieces);
    await page.waitForFunction(
      (n) => document.querySelectorAll('[data-artwork] path[fill^="#"]').length === n,
      {},
      pieces,
    );
  });

  it('merges two inks, and shifts through the grounds', async () => {
    const { drawing } = await artwork();
    await fill(`Merge into another ink: ${drawing.inks[0].name}`, drawing.inks[1].id);
    await click('Merge');
    await until(async () => (await artwork()).drawing.inks.length === 1);
    await undo();
    await until(async () => (await artwork()).drawing.inks.length === 2);
    const pressed = () => page.$eval('[aria-label^="On "][aria-pressed=true]', (e) => e.getAttribute('aria-label'));
    const seen = new Set<string | null>();
    for (let i = 0; i < 6; i++) {
      seen.add(await pressed());
      await page.keyboard.press('g');
      await new Promise((resolve) => setTimeout(resolve, 60));
    }
    expect(seen.size).toBeGreaterThanOrEqual(4);
    expect(seen).toContain('On nothing');
  });

  it('packs what a printer can use', async () => {
    await settled(page);
    await page.keyboard.down('Control');
    await page.keyboard.press('Enter');
    await page.keyboard.up('Control');
    await page.waitForFunction(() => location.pathname.endsWith('/deliver'));
    await click('Make the package');
    await page.waitForSelector('[data-delivery=done] a[download]', { timeout: 120_000 });
    const href = await page.$eval('[data-delivery=done] a[download]', (e) => (e as HTMLAnchorElement).href);
    const response = await fetch(href);
    const named = /filename="(noctule-night-rail-\d+-\d+)-v\d+\.zip"/.exec(
      response.headers.get('content-disposition')!,
    );
    const stem = named?.[1] ?? 'a name with the concept';
    const entries = unzipSync(new Uint8Array(await response.arrayBuffer()));
    const names = Object.keys(entries);
    for (const name of ['README.txt', 'checks.txt', 'descent.json', `print/${stem}-cmyk.pdf`, `print/${stem}-one-colour.eps`, `web/${stem}-icon.ico`, `shops/${stem}-icon-1024.png`, `office/${stem}.jpg`, `sheet/${stem}-brand-sheet.pdf`]) expect(names).toContain(name); // prettier-ignore
    const svg = new TextDecoder().decode(entries[`print/${stem}.svg`]);
    expect(svg).toContain('#AB3412');
    expect(svg).toMatch(/<title id="title">Noctule Night Rail/);
    expect((await decodePicture(entries[`shops/${stem}-icon-1024.png`])).widthPx).toBe(1024);
    const { body } = await call<Delivery[]>('GET', `/api${base()}/deliveries`);
    expect(body[0]).toMatchObject({
      state: 'done',
      version: (await call<WorkState>('GET', `/api/works/${body[0].workId}`)).body.version,
    });
  });

  it('stands in the list with pictures of where it is; is renamed, archived and brought back there', async () => {
    await page.goto(app.address);
    await page.waitForSelector('[data-commission] img');
    await click('Rename Noctule Night Rail');
    await fill('Name of the commission', 'Noctule Sleepers');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-commission="Noctule Sleepers"]');
    await click('Archive Noctule Sleepers');
    await page.waitForFunction(() => document.body.innerText.includes('is archived'));
    await page.locator('[data-notice] ::-p-text(Bring back)').click();
    await until(async () => {
      const { body } = await call<CommissionCard[]>('GET', '/api/commissions');
      return body[0].name === 'Noctule Sleepers' && !body[0].archived;
    });
  });
});

describe('every screen', () => {
  it('fits a window of 1280 x 800, has names for all controls, and lists its keys', async () => {
    const [card] = (await call<CommissionCard[]>('GET', '/api/commissions')).body;
    const { broughtIn, rounds } = (await call<Wall>('GET', `/api/commissions/${card.id}/rounds`)).body;
    const traced = rounds.flatMap((r) => r.candidates).find((k) => k.artworkId)!;
    const root = `/commissions/${card.id}`;
    for (const path of [
      '/',
      '/new',
      root,
      `${root}/brief`,
      `${root}/candidates/${broughtIn[0].id}`,
      `${root}/candidates/${traced.id}/trace`,
      `${root}/artworks/${traced.artworkId}`,
      `${root}/artworks/${traced.artworkId}/deliver`,
    ]) {
      await page.goto(app.address + path);
      await page.waitForSelector('header');
      await new Promise((resolve) => setTimeout(resolve, 150));
      expect([path, await overflow()]).toEqual([path, { across: 0, down: 0 }]);
      const nameless = await page.evaluate(() =>
        [
          ...document.querySelectorAll<HTMLElement>(
            'button, a[href], input:not([type=hidden]), select, textarea, [role=slider]',
          ),
        ]
          .filter((e) => e.offsetParent !== null && e.tabIndex >= 0)
          .filter((e) => {
            const labels = (e as HTMLInputElement).labels;
            const own = e.matches('button, a')
              ? e.textContent!.trim() || e.querySelector('img[alt]')?.getAttribute('alt')
              : '';
            return !(e.getAttribute('aria-label') || e.getAttribute('aria-labelledby') || own || labels?.length);
          })
          .map((e) => e.outerHTML.slice(0, 120)),
      );
      expect([path, nameless]).toEqual([path, []]);
      await page.keyboard.press('?');
      await page.waitForSelector('[role=dialog] kbd');
      await page.keyboard.press('Escape');
      await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
    }
  });

  it('turns its surround dark, and remembers that', async () => {
    await page.goto(app.address);
    await page.waitForSelector('header');
    await page.keyboard.press('d');
    await page.waitForFunction(() => document.documentElement.dataset.surround === 'dark');
    const html = await (await fetch(app.address, { headers: { cookie: 'surround=dark' } })).text();
    expect(html).toContain('data-surround="dark"');
    await page.keyboard.press('d');
  });

  it('has texts that can be read: contrast of 4.5 to 1 or more, light and dark', async () => {
    const css = await readFile(join(import.meta.dirname, '../src/app.css'), 'utf8');
    const { contrastRatio } = await import('../core/colour');
    for (const block of [/:root \{([^}]*)\}/, /:root\[data-surround='dark'\] \{([^}]*)\}/]) {
      const value = (name: string) => new RegExp(`--${name}: (#[0-9a-f]{6})`).exec(block.exec(css)![1])![1];
      for (const [front, back] of [
        ['text', 'panel'],
        ['text', 'mat'],
        ['text', 'paper'],
        ['muted', 'panel'],
        ['muted', 'paper'],
        ['muted', 'mat'],
        ['danger', 'panel'],
        ['danger', 'mat'],
        ['active', 'panel'],
        ['on-active', 'active'],
      ])
        expect([front, back, contrastRatio(value(front), value(back)) >= 4.5]).toEqual([front, back, true]);
    }
  });

  it('never made the browser complain', () => {
    expect(complaints).toEqual([]);
  });
});
