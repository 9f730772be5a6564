/** What one does while the server restarts, is reloaded or is opened twice: nothing of it is lost. */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drawCandidate } from '../core/engine';
import { encodePng } from '../node/pictures';
import type { Candidate, Commission, Wall } from '../src/lib/contract/answers';
import { apiOf, bodiesOf, startApp, until, type App } from './app';
import { openBrowser } from './browser';
import { bringInPicture } from './made';

let app: App;
let call: ReturnType<typeof apiOf>;
let opened: Awaited<ReturnType<typeof openBrowser>>;
let folder: string;
let count = 0;

beforeAll(async () => {
  app = await startApp();
  call = apiOf(app.address);
  opened = await openBrowser();
  folder = await mkdtemp(join(tmpdir(), 'odd-quill-restart-'));
  await writeFile(join(folder, 'owl.png'), await pictureOf('an owl'));
});
afterAll(async () => {
  await opened.close();
  await app.stop();
  await rm(folder, { recursive: true, force: true });
});

const pictureOf = (prompt: string) => encodePng(drawCandidate({ prompt, sizePx: 160 }, 0).picture);
const newCommission = async () =>
  (await call<Commission>('POST', '/api/commissions', { name: `Restart ${++count}`, allowance: 50 })).body;
const commissionOf = async (id: string) => (await call<Commission>('GET', `/api/commissions/${id}`)).body;
const wallOf = async (id: string) => (await call<Wall>('GET', `/api/commissions/${id}/rounds`)).body;
const bringIn = (id: string) =>
  bringInPicture(bodiesOf(call), id, drawCandidate({ prompt: 'a fox', sizePx: 160 }, 0).picture, 'fox.png');

/** Opens a page of the application whose service worker is at work. */
async function openPage(path: string): Promise<Page> {
  const page = await opened.browser.newPage();
  page.setDefaultTimeout(30_000);
  await page.goto(app.address + path);
  await page.waitForFunction(() => navigator.serviceWorker?.controller);
  return page;
}

/** Writes in a field what a person would: over what is marked in it, or nothing. */
const write = async (page: Page, selector: string, text: string) => {
  await page.click(selector, { count: 3 });
  await (text ? page.keyboard.type(text) : page.keyboard.press('Backspace'));
};
const valueOf = (page: Page, selector: string) =>
  page.$eval(selector, (e) => (e as HTMLInputElement | HTMLTextAreaElement).value);
const says = (page: Page, text: string) => page.waitForFunction((t) => document.body.innerText.includes(t), {}, text);
const unkept = (page: Page) => page.waitForSelector('[data-unkept]');
const allKept = (page: Page) => page.waitForFunction(() => !document.querySelector('[data-unkept]'));

describe('while the server is away', () => {
  it('a decision shows at once and is made when it is back', async () => {
    const { id } = await newCommission();
    const candidate = await bringIn(id);
    const page = await openPage(`/commissions/${id}`);
    await page.waitForSelector('[data-candidate]');
    await app.kill();
    await page.keyboard.press('k');
    await page.waitForSelector('[data-decision=kept]', { timeout: 1000 });
    await unkept(page);
    await app.start();
    await allKept(page);
    expect((await call<Candidate>('GET', `/api/candidates/${candidate.id}`)).body.decision).toBe('kept');
    await page.waitForSelector('[data-decision=kept]');
    await page.close();
  });

  it('a round is asked for once, also when the page is reloaded meanwhile', async () => {
    const { id } = await newCommission();
    const page = await openPage(`/commissions/${id}`);
    await page.waitForSelector('#prompt');
    await page.type('#prompt', 'an owl');
    await app.kill();
    await page.locator('::-p-text(Ask for four)').click();
    await unkept(page);
    await page.reload({ waitUntil: 'domcontentloaded' });
    // Ours, not the browser's, and it goes on by itself.
    await says(page, 'Odd Quill is not answering');
    await app.start();
    await page.waitForFunction(() => document.querySelectorAll('[data-candidate]').length === 4);
    const { rounds } = await wallOf(id);
    expect(rounds.map((r) => r.prompt)).toEqual(['an owl']);
    await page.close();
  });

  it('pictures are brought in once, from a page that was closed too', async () => {
    const { id } = await newCommission();
    const page = await openPage(`/commissions/${id}`);
    await page.waitForSelector('#prompt');
    await app.kill();
    const chooser = (await page.$('input[type=file][accept*="svg"]'))!;
    await chooser.uploadFile(join(folder, 'owl.png'));
    await unkept(page);
    await new Promise((resolve) => setTimeout(resolve, 300));
    await page.close();
    await app.start();
    const other = await openPage('/');
    await says(other, 'Kept now: owl.png brought in');
    expect((await wallOf(id)).broughtIn.map((k) => k.label)).toEqual(['owl.png']);
    await other.close();
  });

  it('moving to another screen waits and arrives', async () => {
    const { id } = await newCommission();
    const page = await openPage(`/commissions/${id}`);
    await page.waitForSelector('#prompt');
    await app.kill();
    const back = new Promise((resolve) => setTimeout(resolve, 1500)).then(() => app.start());
    await page.click('a[title="The allowance stands in the brief"]');
    await says(page, 'this page waits');
    await back;
    await page.waitForSelector('#brief-notes');
    expect(new URL(page.url()).pathname).toBe(`/commissions/${id}/brief`);
    await page.close();
  });

  it('a commission is started once', async () => {
    const page = await openPage('/new');
    const name = `Started while away ${++count}`;
    await page.type('#brief-name', name);
    await app.kill();
    await page.keyboard.press('Enter');
    await says(page, 'Being started');
    await app.start();
    await page.waitForFunction(() => /commissions\/[0-9a-f-]+$/.test(location.pathname));
    const all = (await call<Commission[]>('GET', '/api/commissions')).body;
    expect(all.filter((c) => c.name === name)).toHaveLength(1);
    await page.goto(`${app.address}/new`);
    await page.waitForSelector('#brief-name');
    expect(await valueOf(page, '#brief-name')).toBe('');
    await page.close();
  });
});

describe('a brief', () => {
  it('keeps what is typed from the first key, through a reload and a way back', async () => {
    const { id } = await newCommission();
    const page = await openPage(`/commissions/${id}`);
    await page.goto(`${app.address}/commissions/${id}/brief`);
    await page.waitForSelector('#brief-notes');
    await page.type('#brief-notes', 'no wings, no wheels');
    await page.reload();
    await page.waitForFunction(
      () => (document.querySelector('#brief-notes') as HTMLTextAreaElement)?.value === 'no wings, no wheels',
    );
    await until(async () => (await commissionOf(id)).notes === 'no wings, no wheels');
    await page.type('#brief-mood', 'quiet');
    await page.goBack();
    await page.waitForSelector('#prompt');
    await page.goto(`${app.address}/commissions/${id}/brief`);
    await until(async () => (await commissionOf(id)).mood === 'quiet');
    await page.close();
  });

  it('that another tab writes in meanwhile loses neither text', async () => {
    const { id } = await newCommission();
    const page = await openPage(`/commissions/${id}/brief`);
    await page.waitForSelector('#brief-notes');
    await page.type('#brief-notes', 'this tab');
    const other = { notes: 'other tab', mood: 'calm', seen: { notes: '', mood: '' } };
    expect((await call('PATCH', `/api/commissions/${id}`, other)).status).toBe(200);
    await page.waitForSelector('[data-theirs]');
    expect(await page.$eval('[data-theirs]', (e) => (e as HTMLElement).innerText)).toContain('other tab');
    expect(await valueOf(page, '#brief-notes')).toBe('this tab');
    // What nobody was writing here is taken over.
    expect(await valueOf(page, '#brief-mood')).toBe('calm');
    // Leaving the field, and the page, writes over nothing.
    await page.keyboard.press('Tab');
    await page.reload();
    await page.waitForSelector('[data-theirs]');
    expect(await valueOf(page, '#brief-notes')).toBe('this tab');
    expect((await commissionOf(id)).notes).toBe('other tab');
    await page.locator('[data-theirs] ::-p-text(Keep mine)').click();
    await until(async () => (await commissionOf(id)).notes === 'this tab');
    await page.waitForFunction(() => !document.querySelector('[data-theirs]'));
    // What the other one wrote is one undo away.
    await page.waitForFunction(() => document.querySelector('[data-undo-words]')?.textContent === 'brief: notes');
    await page.locator('::-p-text(Undo)').click();
    await page.waitForFunction(
      () => (document.querySelector('#brief-notes') as HTMLTextAreaElement).value === 'other tab',
    );
    await page.close();
  });

  it('says beside each refused field why, and keeps what was typed in it', async () => {
    const { id } = await newCommission();
    const page = await openPage(`/commissions/${id}/brief`);
    await page.waitForSelector('#allowance');
    for (const [typed, why] of [
      ['-5', '0 or more'],
      ['2.5', 'a whole number'],
      ['999999', '100000 or less'],
      ['', 'a whole number'],
    ]) {
      await write(page, '#allowance', typed);
      await page.keyboard.press('Tab');
      await page.waitForFunction((w) => document.querySelector('#allowance-said')?.textContent?.includes(w), {}, why);
      expect(await valueOf(page, '#allowance')).toBe(typed);
    }
    await write(page, '#brief-name', ' ');
    await page.keyboard.press('Tab');
    await page.waitForFunction(() => document.querySelector('#brief-name-said')?.textContent?.includes('needs a name'));
    expect((await commissionOf(id)).allowance).toBe(50);
    await page.close();
  });
});

describe('undo', () => {
  it('takes back what the screen shows, and says what that is', async () => {
    const { id } = await newCommission();
    const { id: candidateId } = await bringIn(id);
    const page = await openPage(`/commissions/${id}`);
    await page.waitForSelector('[data-candidate]');
    await page.keyboard.press('k');
    const words = (text: string) =>
      page.waitForFunction((t) => document.querySelector('[data-undo-words]')?.textContent?.includes(t), {}, text);
    await words('fox.png kept');
    await page.goto(`${app.address}/commissions/${id}/candidates/${candidateId}/trace`);
    await page.waitForSelector('[data-figures]');
    // The decision is not what one sees here.
    expect(await page.$('[data-undo-words]')).toBeNull();
    await page.select('#inks', '3');
    await words('inks auto to 3');
    await page.reload();
    await page.waitForFunction(() => (document.querySelector('#inks') as HTMLSelectElement)?.value === '3');
    await words('inks auto to 3');
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await page.waitForFunction(() => (document.querySelector('#inks') as HTMLSelectElement).value === 'auto');
    expect((await call<Candidate>('GET', `/api/candidates/${candidateId}`)).body.decision).toBe('kept');
    await page.close();
  });
});
