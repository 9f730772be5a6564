/** Lettering that reads wrong, in the real interface: marked on the wall by itself, gone at one press; and an application without recognition. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drawCandidate } from '../core/engine';
import type { Commission, LetteringRead, RetouchedState, Round, Wall } from '../src/lib/contract/answers';
import { encodePng } from '../node/pictures';
import { apiOf, bodiesOf, startApp, until, type App } from './app';
import { openBrowser, settled, watchedPage } from './browser';
import { bringInPicture } from './made';

const PROMPT = 'emblem of a hedgehog in a ring, named Juniper Row, juniper green and seed brown, flat, white ground';

let app: App;
let opened: Awaited<ReturnType<typeof openBrowser>>;
let page: Page;
let commission: Commission;
let ask: ReturnType<typeof bodiesOf>;
const complaints: string[] = [];

beforeAll(async () => {
  app = await startApp({ env: { ODD_QUILL_READING: 'always' } });
  ask = bodiesOf(apiOf(app.address));
  opened = await openBrowser();
  page = await watchedPage(opened.browser, complaints);
  commission = await ask<Commission>('POST', '/api/commissions', { name: 'Juniper Row Seed Library' });
});
afterAll(async () => {
  await opened.close();
  await app.stop();
});

describe('lettering', () => {
  it('that reads wrong is marked on the wall, by itself', async () => {
    await page.goto(`${app.address}/commissions/${commission.id}`);
    await settled(page);
    const body = { requestKey: 'lettering-1', prompt: PROMPT, leeway: 60, seed: 3, count: 1, sizePx: 1024 };
    await ask<Round>('POST', `/api/commissions/${commission.id}/rounds`, body);
    await page.waitForSelector('[data-reads]', { timeout: 60_000 });
    const { rounds } = await ask<Wall>('GET', `/api/commissions/${commission.id}/rounds`);
    const { lettering } = rounds[0].candidates[0];
    expect(lettering).toMatchObject({ verdict: 'wrong', asked: 'Juniper Row' });
    expect(await page.$eval('[data-reads]', (e) => e.textContent!.trim())).toBe(`· reads ${lettering!.reads}`);
  });

  it('is mended at one press, and no longer noticed then', async () => {
    const { rounds } = await ask<Wall>('GET', `/api/commissions/${commission.id}/rounds`);
    await page.goto(`${app.address}/commissions/${commission.id}/candidates/${rounds[0].candidates[0].id}`);
    await settled(page);
    await page.locator('section[aria-label=Lettering] button').click();
    await page.waitForFunction(() => /retouched/.test(location.pathname));
    const id = /retouched\/([0-9a-f-]+)/.exec(page.url())![1];
    const { drawing } = await ask<RetouchedState>('GET', `/api/works/${id}`);
    expect(drawing.entries.map((e) => e.step.kind)).toEqual(['mend']);
    await page.waitForSelector('[data-noticed=ready]');
    const after = await ask<LetteringRead>('GET', `/api/works/${id}/lettering`);
    expect(after).toMatchObject({ asked: 'Juniper Row', verdict: 'none' });
    expect(await page.$eval('[data-noticed]', (e) => e.textContent)).not.toMatch(/reads/);
  });

  it('is an area to be mended, whatever it says, and noticed again when the mend is hidden', async () => {
    await page.locator('[data-entry] button::-p-text(hide)').click();
    await page.waitForFunction(() => /reads/.test(document.querySelector('[data-noticed]')?.textContent ?? ''), {
      timeout: 60_000,
    });
    await page.keyboard.press('m');
    await page.locator('[data-act=mend] button::-p-text(The lettering)').click();
    await page.waitForFunction(() => document.querySelectorAll('[data-entry]').length === 2);
    const id = /retouched\/([0-9a-f-]+)/.exec(page.url())![1];
    await until(async () => (await ask<LetteringRead>('GET', `/api/works/${id}/lettering`)).lines.length === 0);
    expect(complaints).toEqual([]);
  });

  it('is read in a file that is sent', async () => {
    const { picture } = drawCandidate({ prompt: PROMPT, sizePx: 640, seed: 3, flaws: 0, leeway: 0 }, 0);
    const read = (query: string) => apiOf(app.address)<{ found: unknown[]; verdict: string }>('POST', `/api/read-lettering${query}`, png); // prettier-ignore
    const png = await encodePng(picture);
    expect((await read('?asked=juniper%20row')).body).toMatchObject({ verdict: 'right', found: [{ onArc: true }, {}] });
    expect((await read('?asked=jupiter%20row')).body.verdict).toBe('wrong');
    expect((await read(`?asked=${'x'.repeat(501)}`)).status).toBe(400);
  });
});

describe('an application whose recognition does not start', () => {
  it('says so where lettering would be noticed, and all else works', async () => {
    const bare = await startApp({ env: { ODD_QUILL_RECOGNITION_DATA: '/nowhere' } });
    try {
      const askBare = bodiesOf(apiOf(bare.address));
      const { id } = await askBare<Commission>('POST', '/api/commissions', { name: 'Juniper Row' });
      const { picture } = drawCandidate({ prompt: PROMPT, sizePx: 512, seed: 3 }, 0);
      const candidate = await bringInPicture(askBare, id, picture, 'emblem.png');
      const work = await askBare<RetouchedState>('POST', `/api/candidates/${candidate.id}/retouched`, {});
      const bareAnswer = await apiOf(bare.address)('GET', `/api/works/${work.id}/lettering`);
      expect(bareAnswer).toMatchObject({ status: 503, body: { error: { code: 'no_recognition' } } });
      await page.goto(`${bare.address}/commissions/${id}/retouched/${work.id}`);
      await page.waitForSelector('[data-off]');
      expect(await page.$eval('[data-off]', (e) => e.textContent)).toMatch(/recognition does not start/);
      await page.waitForSelector('[data-noticed=ready]');
      await page.keyboard.press('c');
      const box = await page.$eval('[data-made]', (e) => e.getBoundingClientRect().toJSON() as DOMRect);
      await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
      await until(async () => (await askBare<RetouchedState>('GET', `/api/works/${work.id}`)).drawing.entries.length);
    } finally {
      await bare.stop();
    }
  });
});
