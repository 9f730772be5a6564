/** Without a mouse, and by ear: every view is checked by rule, and the path is walked with keys alone. */
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { AxeResults, RunOptions } from 'axe-core';
import type { KeyInput, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Commission, Delivery, RetouchedState, Round, Wall, WorkState } from '../src/lib/contract/answers';
import { drawCandidate } from '../core/engine';
import { trace } from '../core/trace';
import { apiOf, bodiesOf, startApp, until, type App } from './app';
import { openBrowser, settled } from './browser';
import { bringInPicture, keepTrace } from './made';

let app: App;
let call: ReturnType<typeof apiOf>;
let opened: Awaited<ReturnType<typeof openBrowser>>;
let page: Page;
let axe: string;

beforeAll(async () => {
  app = await startApp();
  call = apiOf(app.address);
  opened = await openBrowser();
  page = await opened.browser.newPage();
  page.setDefaultTimeout(30_000);
  axe = await readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
});
afterAll(async () => {
  await opened.close();
  await app.stop();
});

/** The rules of WCAG 2.2 at AA, good practice, and the two that axe leaves off unless asked. */
const RULES: RunOptions = {
  runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice', 'experimental'],
  rules: { 'target-size': { enabled: true }, 'label-content-name-mismatch': { enabled: true } },
};

/** What is wrong with the view that is open: the rule, and the first places where it is broken. */
async function violations(): Promise<string[]> {
  await page.evaluate(axe);
  const results = await page.evaluate(
    (rules) => (window as unknown as { axe: { run: (rules: unknown) => Promise<AxeResults> } }).axe.run(rules) as never,
    RULES as never,
  );
  return (results as AxeResults).violations.map(
    (v) =>
      `${v.id}: ${v.nodes.length} × ${v.nodes
        .slice(0, 3)
        .map((n) => n.html.slice(0, 140))
        .join(' | ')}`,
  );
}

describe('every view', () => {
  let views: readonly (readonly [string, string, (() => Promise<unknown>)?])[];

  beforeAll(async () => {
    const { id } = (
      await call<Commission>('POST', '/api/commissions', { name: 'Noctule Night Rail', notes: 'no wings' })
    ).body;
    await call<Commission>('POST', '/api/commissions', { name: 'Empty' });
    const picture = drawCandidate(
      { prompt: 'a bat over a moon, midnight blue and lamp yellow', sizePx: 256 },
      0,
    ).picture;
    const bring = (name: string) => bringInPicture(bodiesOf(call), id, picture, name);
    const [candidate, other] = [await bring('bat.png'), await bring('aside.png')];
    await call('PATCH', `/api/candidates/${candidate.id}`, { decision: 'kept' });
    await call('PATCH', `/api/candidates/${other.id}`, { decision: 'aside' });
    const round = (
      await call<Round>('POST', `/api/commissions/${id}/rounds`, { requestKey: 'reach-round', prompt: 'an owl' })
    ).body;
    await until(async () => (await call<Round>('GET', `/api/rounds/${round.id}`)).body.state === 'done');
    const work = await keepTrace(bodiesOf(call), candidate.id, trace(picture));
    const delivery = (
      await call<Delivery>('POST', `/api/works/${work.id}/deliveries`, {
        requestKey: 'reach-delivery',
        rows: [{ workId: work.id, head: work.head, look: 'master', for: ['web', 'developers'] }],
        head: work.head,
      })
    ).body;
    await until(async () => (await call<Delivery>('GET', `/api/deliveries/${delivery.id}`)).body.state === 'done');
    const retouched = (await call<RetouchedState>('POST', `/api/candidates/${candidate.id}/retouched`, {})).body;
    const root = `/commissions/${id}`;
    const lockup = (
      await call<WorkState>('POST', `/api/commissions/${id}/lockups`, {
        artworkId: work.id,
        layout: 'emblem',
        line: 'since 1998',
        face: 'Jost',
      })
    ).body;
    const lockupAt = `${root}/lockups/${lockup.id}`;
    views = [
      ['commissions', '/'],
      ['new commission', '/new'],
      ['new commission, refused', '/new', () => page.click('.next-step')],
      ['brief', `${root}/brief`],
      ['rounds', root],
      ['finishes', root, () => page.click('button[aria-label^="Finish"]')],
      ['keys', root, () => page.click('[aria-label="? Keys on this screen"]')],
      ['candidate', `${root}/candidates/${candidate.id}`],
      ['redo', `${root}/candidates/${candidate.id}`, () => page.keyboard.press('r')],
      ...['c', 'o', 'm', 'u', 't', 'l', 'g', 's'].map(
        (key) =>
          [`retouch ${key}`, `${root}/retouched/${retouched.id}`, () => page.keyboard.press(key as KeyInput)] as const,
      ),
      ['trace', `${root}/candidates/${candidate.id}/trace`],
      ['artwork', `${root}/artworks/${work.id}`, () => page.keyboard.press('n')],
      ['shapes', `${root}/artworks/${work.id}/shapes`, () => page.keyboard.press('n')],
      ...['o', 'b', 'm', 'l', 't', 'c', 'p', 'd', 'v', 'y'].map(
        (key) =>
          [`shapes ${key}`, `${root}/artworks/${work.id}/shapes`, () => page.keyboard.press(key as KeyInput)] as const,
      ),
      [
        'depth',
        `${root}/artworks/${work.id}/depth`,
        async () => {
          await page.waitForSelector('[data-noticed]');
          await page.keyboard.press('n');
          await page.locator('label::-p-text(straight)').click();
          await page.locator('button::-p-text(add a shadow)').click();
          // In the other surround it is there already.
          const add = await page.$('button::-p-text(add rim)');
          await (add ?? (await page.$('[data-part=rim] button')))!.click();
          await page.waitForSelector('[data-part=rim] input');
          await new Promise((resolve) => setTimeout(resolve, 500));
          await settled(page);
        },
      ],
      ['colourways', `${root}/artworks/${work.id}/colourways`, () => page.keyboard.press('s')],
      ['delivery', `${root}/artworks/${work.id}/deliver`],
      [
        'lettering',
        `${root}/artworks/${work.id}/lettering`,
        () => page.waitForSelector('[data-layout=beside]', { timeout: 20_000 }),
      ],
      ['lockup', lockupAt, () => page.waitForSelector('[data-face] svg', { timeout: 20_000 })],
      ['lockup, a frame', lockupAt, () => page.click('[data-part=f1]')],
      ['lockup, a text', lockupAt, () => page.click('[data-part=t1]')],
      ...['t', 'l', 'o', 'k', 'a', 'b', 'r', 'i', 'm', 'n'].map(
        (key) => [`lockup ${key}`, lockupAt, () => page.keyboard.press(key as KeyInput)] as const,
      ),
      ['lockup, colourways', `${lockupAt}/colourways`],
      ['lockup, delivery', `${lockupAt}/deliver`],
      ['not found', '/nothing/here'],
    ];
  });

  for (const surround of ['light', 'dark'])
    it(`breaks no rule of accessibility in ${surround} surround`, async () => {
      await page.setCookie({ name: 'surround', value: surround, url: app.address });
      const found: Record<string, string[]> = {};
      for (const [name, path, act] of views) {
        // Forms of acts are made of the same parts: in the dark one of each station tells.
        if (surround === 'dark' && /^(retouch|shapes|lockup) [^co]$/.test(name)) continue;
        await page.goto(app.address + path);
        await settled(page).catch((error: unknown) => {
          throw new Error(`${name} does not come to rest`, { cause: error });
        });
        await act?.();
        await new Promise((resolve) => setTimeout(resolve, 350));
        const broken = await violations();
        if (broken.length) found[name] = broken;
      }
      expect(found).toEqual({});
    }, 300_000);
});

describe('with keys alone', () => {
  let presses = 0;
  const press = async (...list: KeyInput[]) => {
    for (const key of list) {
      await page.keyboard.press(key);
      presses++;
    }
  };
  const withControl = async (key: KeyInput) => {
    await page.keyboard.down('Control');
    await press(key);
    await page.keyboard.up('Control');
  };
  const write = async (text: string) => {
    await page.keyboard.type(text);
    presses += text.length;
  };
  const focused = () =>
    page.evaluate(() => {
      const at = document.activeElement!;
      return at.getAttribute('aria-label') ?? at.id ?? at.tagName;
    });
  const at = (pattern: RegExp) =>
    page.waitForFunction((p) => new RegExp(p).test(location.pathname), {}, pattern.source);
  const says = (text: string) => page.waitForFunction((t) => document.body.innerText.includes(t), {}, text);

  it('one comes from nothing to a package in under 60 presses, and focus is never lost', async () => {
    await page.goto(app.address);
    await page.waitForSelector('main');
    await page.focus('body');
    for (let i = 0; i < 6 && !(await page.evaluate(() => document.activeElement?.getAttribute('href') === '/new')); i++)
      await press('Tab');
    await press('Enter');
    await at(/^\/new$/);
    await page.waitForFunction(() => document.activeElement?.id === 'brief-name');
    await write('Owl');
    await press('Enter');
    await at(/commissions\/[^/]+$/);
    await page.waitForFunction(() => document.activeElement?.tagName === 'MAIN');
    await press('p');
    expect(await focused()).toBe('prompt');
    await write('an owl');
    await withControl('Enter');
    await page.waitForFunction(() => document.querySelectorAll('[data-candidate]').length === 4);
    // What came is told to those who do not see it.
    await page.waitForFunction(() =>
      /Round 1 is finished: 4 candidates/.test(document.querySelector('[data-announced]')?.textContent ?? ''),
    );
    await press('Escape');
    await press('ArrowRight', 'k');
    await page.waitForSelector('[data-decision=kept]');
    await press('o');
    await at(/candidates\/[^/]+$/);
    await page.waitForFunction(() => document.activeElement?.tagName === 'MAIN');
    await withControl('Enter');
    await at(/trace$/);
    await page.waitForSelector('.next-step:not(:disabled)');
    await settled(page);
    await withControl('Enter');
    await at(/artworks\/[^/]+\/shapes$/);
    await page.waitForFunction(() => document.activeElement?.tagName === 'MAIN');
    const id = /artworks\/([^/]+)/.exec(page.url())![1];
    const version = async () => (await call<WorkState>('GET', `/api/works/${id}`)).body.version;
    await press('n');
    await page.waitForSelector('[data-chosen-outline]');
    await press('n', 'Delete');
    await until(async () => (await version()) === 2);
    await withControl('z');
    await until(async () => (await version()) === 1);
    await withControl('Enter');
    await at(/colourways$/);
    await page.waitForSelector('[data-table=ready]');
    await page.waitForFunction(() => document.activeElement?.tagName === 'MAIN');
    await withControl('Enter');
    await at(/deliver$/);
    await page.waitForSelector('.next-step:not(:disabled)');
    await withControl('Enter');
    await page.waitForSelector('[data-delivery=done]', { timeout: 120_000 });
    expect(presses).toBeLessThan(60);
    console.log(`${presses} presses`);
  });

  it('no list does anything before one has chosen', async () => {
    const id = /artworks\/([^/]+)/.exec(page.url())![1];
    await page.goto(page.url().replace('/deliver', ''));
    const list = await page.waitForSelector('select[aria-label^="Merge into another ink"]');
    const { version } = (await call<WorkState>('GET', `/api/works/${id}`)).body;
    await list!.focus();
    await page.keyboard.press('ArrowDown');
    await says('Merge');
    await new Promise((resolve) => setTimeout(resolve, 500));
    expect((await call<WorkState>('GET', `/api/works/${id}`)).body.version).toBe(version);
    await page.locator('::-p-aria(Merge)').click();
    await until(async () => (await call<WorkState>('GET', `/api/works/${id}`)).body.version > version);
  });

  it('loses no key: one that opens something comes while the one before it is being kept', async () => {
    const commission = (await call<Commission[]>('GET', '/api/commissions')).body.find((c) => c.name === 'Owl')!;
    for (let i = 0; i < 6; i++) {
      await page.goto(`${app.address}/commissions/${commission.id}`);
      await page.waitForSelector('[data-candidate]');
      await settled(page);
      await press('ArrowRight', 'k');
      // Now here, now there in what the decision takes.
      await new Promise((resolve) => setTimeout(resolve, 6 * i));
      await press('o');
      await at(/candidates\/[^/]+$/);
    }
  });

  it('Escape leaves the prompt, and the candidates can be walked through', async () => {
    const commission = (await call<Commission[]>('GET', '/api/commissions')).body.find((c) => c.name === 'Owl')!;
    await page.goto(`${app.address}/commissions/${commission.id}`);
    await page.waitForSelector('[data-candidate]');
    await press('p', 'Escape');
    await page.waitForFunction(() => document.activeElement?.id !== 'prompt');
    const { rounds } = (await call<Wall>('GET', `/api/commissions/${commission.id}/rounds`)).body;
    await press('ArrowLeft', 'ArrowLeft', 'ArrowLeft', 'ArrowLeft');
    await page.waitForSelector(`[data-candidate="${rounds[0].candidates[0].id}"] [aria-pressed=true]`);
  });
});
