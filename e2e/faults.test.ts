/** What happens when something goes away in the middle: the server, the database, or another tab's patience. */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drawCandidate } from '../core/engine';
import { trace } from '../core/trace';
import { passingFolder, startPostgres, type Cluster } from '../scripts/postgres.mjs';
import type { WorkState, Commission, Round, Wall } from '../src/lib/contract/answers';
import { apiOf, bodiesOf, startApp, until, type App } from './app';
import { openBrowser, settled } from './browser';
import { bringInPicture, keepTrace } from './made';
import { startFakeEngine, type FakeEngine } from './fake-engine';

let cluster: Cluster;
let app: App;
let engine: FakeEngine;
let call: ReturnType<typeof apiOf>;
let opened: Awaited<ReturnType<typeof openBrowser>>;
let count = 0;

beforeAll(async () => {
  // A cluster of its own: it is restarted under the application's feet.
  cluster = await startPostgres(passingFolder('faults'), { sync: false });
  engine = await startFakeEngine();
  app = await startApp({
    engineUrl: engine.address,
    serverUrl: cluster.url,
    env: { ODD_QUILL_ENGINE_TIMEOUT_MS: '1500' },
  });
  call = apiOf(app.address);
  opened = await openBrowser();
});
afterAll(async () => {
  await opened.close();
  await app.stop();
  engine.close();
  await cluster.stop();
  await rm(dirname(cluster.folder), { recursive: true, force: true });
});

const newCommission = async () =>
  (await call<Commission>('POST', '/api/commissions', { name: `Fault ${++count}`, allowance: 50 })).body;
const ask = async (id: string) =>
  (
    await call<Round>('POST', `/api/commissions/${id}/rounds`, {
      requestKey: `fault-round-${++count}`,
      prompt: 'an owl',
    })
  ).body;
const wallOf = async (id: string) => (await call<Wall>('GET', `/api/commissions/${id}/rounds`)).body;
const stateOf = async (id: string) => (await call<Round>('GET', `/api/rounds/${id}`)).body;

async function newPage(): Promise<Page> {
  const page = await opened.browser.newPage();
  page.setDefaultTimeout(30_000);
  return page;
}

describe('the server killed during a round', () => {
  it('takes the round up again, charges once, and the open page goes on', async () => {
    const { id } = await newCommission();
    const page = await newPage();
    await page.goto(`${app.address}/commissions/${id}`);
    engine.progress = 0.4;
    const round = await ask(id);
    await page.waitForSelector('[data-running]');
    await until(async () => (await stateOf(round.id)).progress > 0.3);
    await app.kill();
    await app.start();
    engine.progress = 1;
    await until(async () => (await stateOf(round.id)).state === 'done', 40_000);
    expect((await wallOf(id)).rounds[0].candidates).toHaveLength(4);
    expect((await call<Commission>('GET', `/api/commissions/${id}`)).body).toMatchObject({
      creditsSpent: 4,
      creditsReserved: 0,
    });
    expect([...engine.asked.keys()].filter((k) => k.startsWith(round.id))).toEqual([`${round.id}-1`]);
    await page.waitForFunction(() => document.querySelectorAll('[data-candidate]').length === 4);
    await page.close();
  });

  it('leaves two servers on one database in peace: the round is drawn once', async () => {
    const { id } = await newCommission();
    const other = await startSecond();
    const rounds = await Promise.all(Array.from({ length: 6 }, () => ask(id)));
    for (const r of rounds) await until(async () => (await stateOf(r.id)).state === 'done');
    for (const r of rounds)
      expect([...engine.asked.entries()].filter(([k]) => k.startsWith(r.id))).toEqual([[`${r.id}-1`, 1]]);
    const seen = await (await fetch(`${other.address}/api/commissions/${id}/rounds`)).json();
    expect((seen as Wall).rounds).toHaveLength(6);
    other.stop();
  });
});

async function startSecond(): Promise<{ address: string; stop: () => void }> {
  const { spawn } = await import('node:child_process');
  const { ROOT } = await import('../scripts/setup.mjs');
  const child = spawn(process.execPath, ['serve.mjs'], {
    cwd: ROOT,
    env: {
      ...process.env,
      ODD_QUILL_DATABASE_URL: app.databaseUrl,
      ODD_QUILL_ENGINE_URL: engine.address,
      ODD_QUILL_PORT: '0',
      ODD_QUILL_ROOT: ROOT,
      NODE_ENV: 'production',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const address = await new Promise<string>((done) => {
    let text = '';
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk.toString();
      const found = /at (http:\S+)/.exec(text);
      if (found) done(found[1]);
    });
  });
  return { address, stop: () => child.kill('SIGTERM') };
}

describe('PostgreSQL restarted under load', () => {
  it('is waited for: requests are answered in the end, a round finishes, and the page hears of it', async () => {
    const { id } = await newCommission();
    const page = await newPage();
    await page.goto(`${app.address}/commissions/${id}`);
    engine.progress = 0.5;
    const round = await ask(id);
    await page.waitForSelector('[data-running]');
    let stop = false;
    const statuses: number[] = [];
    const load = Array.from({ length: 6 }, async () => {
      for (let i = 0; i < 400 && !stop; i++) {
        statuses.push((await call('GET', `/api/commissions/${id}/rounds`)).status);
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
    });
    await new Promise((resolve) => setTimeout(resolve, 400));
    await cluster.restart!();
    await new Promise((resolve) => setTimeout(resolve, 600));
    engine.progress = 1;
    await until(async () => (await stateOf(round.id)).state === 'done', 40_000);
    stop = true;
    await Promise.all(load);
    expect(statuses.length).toBeGreaterThan(20);
    expect(statuses.filter((s) => s !== 200 && s !== 503)).toEqual([]);
    await page.waitForFunction(() => document.querySelectorAll('[data-candidate]').length === 4);
    // The page hears of what happens after the restart as well.
    await ask(id);
    await page.waitForFunction(() => document.querySelectorAll('[data-candidate]').length === 8);
    await page.close();
  });
});

describe('an event stream that is answered with a failure', () => {
  it('is asked for again, and tells what was missed', async () => {
    const { id } = await newCommission();
    const page = await newPage();
    let refused = 0;
    await page.setRequestInterception(true);
    page.on('request', (request) => {
      if (request.url().endsWith('/events') && refused === 0) {
        refused++;
        void request.respond({ status: 503, contentType: 'application/json', body: '{}' });
      } else void request.continue();
    });
    engine.progress = 1;
    await page.goto(`${app.address}/commissions/${id}`);
    await until(async () => refused === 1);
    const round = await ask(id);
    await until(async () => (await stateOf(round.id)).state === 'done', 40_000);
    await page.waitForFunction(() => document.querySelectorAll('[data-candidate]').length === 4);
    await page.close();
  });
});

async function newArtwork(): Promise<{ commission: Commission; artwork: WorkState }> {
  const commission = await newCommission();
  const { picture } = drawCandidate({ prompt: 'bat over a moon, midnight blue and lamp yellow', sizePx: 200 }, 0);
  const candidate = await bringInPicture(bodiesOf(call), commission.id, picture);
  return { commission, artwork: await keepTrace(bodiesOf(call), candidate.id, trace(picture)) };
}

describe('two tabs on one artwork', () => {
  it('hear of each other, and build on what the other did', async () => {
    const { commission, artwork } = await newArtwork();
    const address = `${app.address}/commissions/${commission.id}/artworks/${artwork.id}`;
    const [first, second] = [await newPage(), await newPage()];
    const recolour = async (page: Page, i: number, hex: string) => {
      await page.bringToFront();
      const field = (await page.$$('[aria-label^="Hex of"]'))[i];
      await field.click({ count: 3 });
      await field.type(hex);
      await page.keyboard.press('Enter');
    };
    const shows = async (page: Page, hex: string) => {
      await page.bringToFront();
      await page.waitForFunction((h) => !!document.querySelector(`[data-artwork] path[fill="${h}"]`), {}, hex);
    };
    for (const page of [first, second]) {
      await page.goto(address);
      await page.waitForSelector('[data-ink]');
    }
    await recolour(first, 0, '#AA0000');
    await shows(first, '#AA0000');
    await shows(second, '#AA0000');
    await recolour(second, 1, '#00AA00');
    await shows(first, '#00AA00');
    const { drawing, version } = (await call<WorkState>('GET', `/api/works/${artwork.id}`)).body;
    expect([version, drawing.inks[0].hex, drawing.inks[1].hex]).toEqual([3, '#AA0000', '#00AA00']);
    await first.close();
    await second.close();
  });

  it('show the sentence and keep the change when the answer is a conflict', async () => {
    const { commission, artwork } = await newArtwork();
    const page = await newPage();
    // No event stream: this tab never hears of the other one until it is refused.
    await page.setRequestInterception(true);
    page.on('request', (request) => void (request.url().endsWith('/events') ? request.abort() : request.continue()));
    await page.goto(`${app.address}/commissions/${commission.id}/artworks/${artwork.id}`);
    await page.waitForSelector('[data-ink]');
    await call('POST', `/api/works/${artwork.id}/acts`, {
      head: artwork.head,
      acts: [
        {
          kind: 'edit',
          key: 'another-tab-1',
          edits: [{ kind: 'ink-colour', inkId: artwork.drawing.inks[0].id, hex: '#AA0000' }],
        },
      ],
    });
    const field = (await page.$$('[aria-label^="Hex of"]'))[1];
    await field.click({ count: 3 });
    await field.type('#00AA00');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() =>
      document.querySelector('[data-notice]')?.textContent?.includes('changed in another tab'),
    );
    await page.waitForFunction(() => !!document.querySelector('[data-artwork] path[fill="#AA0000"]'));
    await page.locator('[data-notice] ::-p-text(Make my change)').click();
    await until(async () => {
      const { drawing } = (await call<WorkState>('GET', `/api/works/${artwork.id}`)).body;
      return drawing.inks[0].hex === '#AA0000' && drawing.inks[1].hex === '#00AA00';
    });
    await page.close();
  });
});

describe('edits while the server cannot be reached', () => {
  const hexField = async (page: Page, i: number, hex: string) => {
    const field = (await page.$$('[aria-label^="Hex of"]'))[i];
    await field.click({ count: 3 });
    await field.type(hex);
    await page.keyboard.press('Enter');
  };
  const shown = (page: Page, hex: string) =>
    page.waitForFunction((h) => !!document.querySelector(`[data-artwork] path[fill="${h}"]`), {}, hex);

  it('show at once, are told to be not yet kept, and are kept in their order when it is back', async () => {
    const { commission, artwork } = await newArtwork();
    const page = await newPage();
    await page.goto(`${app.address}/commissions/${commission.id}/artworks/${artwork.id}`);
    await page.waitForSelector('[data-ink]');
    await page.setOfflineMode(true);
    await hexField(page, 0, '#AA0000');
    await shown(page, '#AA0000');
    await hexField(page, 1, '#00AA00');
    await shown(page, '#00AA00');
    await page.waitForSelector('[data-waiting]');
    expect((await call<WorkState>('GET', `/api/works/${artwork.id}`)).body.version).toBe(1);
    await page.setOfflineMode(false);
    await until(async () => (await call<WorkState>('GET', `/api/works/${artwork.id}`)).body.version === 3, 30_000);
    await page.waitForFunction(() => !document.querySelector('[data-waiting]'));
    const { drawing } = (await call<WorkState>('GET', `/api/works/${artwork.id}`)).body;
    expect([drawing.inks[0].hex, drawing.inks[1].hex]).toEqual(['#AA0000', '#00AA00']);
    await page.close();
  });

  it('outlive the tab: the next one that shows the work sends them', async () => {
    const { commission, artwork } = await newArtwork();
    const address = `${app.address}/commissions/${commission.id}/artworks/${artwork.id}`;
    const page = await newPage();
    await page.goto(address);
    await page.waitForSelector('[data-ink]');
    await page.setOfflineMode(true);
    await hexField(page, 0, '#123ABC');
    await shown(page, '#123ABC');
    await page.close();
    const next = await newPage();
    await next.goto(address);
    await shown(next, '#123ABC');
    await until(
      async () => (await call<WorkState>('GET', `/api/works/${artwork.id}`)).body.drawing.inks[0].hex === '#123ABC',
      30_000,
    );
    expect((await call<WorkState>('GET', `/api/works/${artwork.id}`)).body.version).toBe(2);
    await next.close();
  });
});

describe('an SVG that is brought in', () => {
  const DRAWING = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><style>.wing{fill:#182A5C}</style>
    <g id="left-wing" class="wing" opacity=".8"><path d="M10 10h40v40z"/><circle cx="60" cy="60" r="20"/></g>
    <path d="M5 90H95" fill="none" stroke="#F2C14E" stroke-width="6" stroke-linecap="round"/><text x="5" y="5">Night</text></svg>`;

  it('by paste becomes an artwork on the thread, says what was left out, and can be edited, undone, copied', async () => {
    const commission = await newCommission();
    const page = await newPage();
    await page.goto(`${app.address}/commissions/${commission.id}`);
    await settled(page);
    await page.evaluate((text) => {
      const data = new DataTransfer();
      data.setData('text/plain', text);
      document
        .getElementById('prompt')!
        .dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    }, DRAWING);
    await page.waitForFunction(() => location.pathname.includes('/artworks/'));
    await page.waitForSelector('[data-artwork] path[stroke="#F2C14E"]');
    expect(await page.$eval('[data-artwork] g g', (g) => g.getAttribute('opacity'))).toBe('0.8');
    await page.waitForFunction(() => /left out: text/.test(document.querySelector('[data-notice]')?.textContent ?? ''));
    const id = /artworks\/([0-9a-f-]+)/.exec(page.url())![1];
    const field = (await page.$$('[aria-label^="Hex of"]'))[1];
    await field.click({ count: 3 });
    await field.type('#AA0000');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-artwork] path[stroke="#AA0000"]');
    await until(async () => (await call<WorkState>('GET', `/api/works/${id}`)).body.version === 2);
    await page.locator('::-p-text(Copy as another artwork)').click();
    await page.waitForFunction(
      (was) => location.pathname.includes('/artworks/') && !location.pathname.includes(was),
      {},
      id,
    );
    await page.waitForFunction(
      () => document.querySelectorAll('nav[aria-label="Thread"] a[href*="/artworks/"]').length >= 3,
    );
    const copy = /artworks\/([0-9a-f-]+)/.exec(page.url())![1];
    expect((await call<WorkState>('GET', `/api/works/${copy}`)).body).toMatchObject({
      version: 1,
      steps: [{ kind: 'copy' }],
    });
    await page.close();
  });

  it('is refused with a sentence when it is broken, and nothing is lost', async () => {
    const commission = await newCommission();
    const page = await newPage();
    await page.goto(`${app.address}/commissions/${commission.id}`);
    await page.waitForSelector('#prompt');
    await page.type('#prompt', 'a fox that I was typing');
    const chooser = (await page.$('input[type=file][accept*="svg"]'))!;
    const folder = await mkdtemp(join(tmpdir(), 'odd-quill-svg-'));
    await writeFile(join(folder, 'cut.svg'), DRAWING.slice(0, 200));
    await chooser.uploadFile(join(folder, 'cut.svg'));
    await page.waitForFunction(() =>
      /cut\.svg: The SVG is broken or cut off/.test(document.querySelector('[data-notice]')?.textContent ?? ''),
    );
    expect(await page.$eval('#prompt', (e) => (e as HTMLTextAreaElement).value)).toBe('a fox that I was typing');
    await rm(folder, { recursive: true });
    await page.close();
  });
});

describe('an engine that fails, in the interface', () => {
  it('says so on the wall, charges nothing, and tries again at a click', async () => {
    const { id } = await newCommission();
    const page = await newPage();
    await page.goto(`${app.address}/commissions/${id}`);
    engine.fault = 'failing';
    await page.waitForSelector('#prompt');
    await page.type('#prompt', 'an owl');
    await page.locator('::-p-text(Ask for four)').click();
    await page.waitForFunction(() => document.querySelector('#wall')?.textContent?.includes('The image engine failed'));
    engine.fault = 'none';
    expect(await page.$eval('[data-credits]', (e) => (e as HTMLElement).dataset.credits)).toBe('0');
    await page.locator('#wall ::-p-text(Try again)').click();
    await page.waitForFunction(() => document.querySelectorAll('[data-candidate]').length === 4);
    await page.close();
  });

  it('shows progress in a second tab and after a reload, and is cancelled from there', async () => {
    const { id } = await newCommission();
    engine.progress = 0.45;
    const round = await ask(id);
    const page = await newPage();
    await page.goto(`${app.address}/commissions/${id}`);
    await page.waitForFunction(() => /drawing · 4\d%/.test(document.querySelector('#wall')?.textContent ?? ''));
    await page.reload();
    await page.waitForFunction(() => /drawing · 4\d%/.test(document.querySelector('#wall')?.textContent ?? ''));
    // An engine that gets no further is told of.
    await page.waitForFunction(() =>
      /nothing from the image engine for 1\d s; it is still waited for/.test(
        document.querySelector('#wall [role=progressbar]')?.textContent ?? '',
      ),
    );
    await page.locator('::-p-text(Cancel this round)').click();
    await page.waitForFunction(() => document.querySelector('#wall')?.textContent?.includes('was cancelled'));
    expect(await stateOf(round.id)).toMatchObject({ state: 'cancelled', creditsCharged: 0 });
    engine.progress = 1;
    await page.close();
  });
});
