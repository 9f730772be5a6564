/** Words in the real interface: prompts from the brief, names, patterns, and a shorter prompt. */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { blankPicture } from '../core/raster';
import { encodePng } from '../node/pictures';
import type { ClientName, Pattern, Wall } from '../src/lib/contract/answers';
import { until } from './app';
import { openStation, type Station } from './station';

let station: Station;
const words = () => `/commissions/${station.commission.id}/words`;
const names = () => station.ask<ClientName[]>('GET', `/api/commissions/${station.commission.id}/names`);
const wall = () => station.ask<Wall>('GET', `/api/commissions/${station.commission.id}/rounds`);
const promptOf = () => station.page.$eval('#prompt', (e) => (e as HTMLTextAreaElement).value);

beforeAll(async () => {
  station = await openStation({
    trade: 'a bakery by the harbour',
    mood: 'warm, early',
    coloursWanted: 'wheat and navy',
    allowance: 40,
  });
});
afterAll(() => station.close());

describe('words', () => {
  it('give three prompts from the brief, one of which is taken to the prompt box', async () => {
    const { page, app } = station;
    await page.goto(app.address + words());
    await page.waitForSelector('[data-direction]');
    expect(await page.$$('[data-direction]')).toHaveLength(3);
    const [first] = await page.$$eval('[data-direction] p', (all) => all.map((p) => p.textContent!.trim()));
    expect(first).toContain('wheat');
    await page.locator('::-p-aria([name="Three others"])').click();
    await page.waitForFunction((was) => document.querySelector('[data-direction] p')!.textContent!.trim() !== was, {}, first); // prettier-ignore
    const other = await page.$eval('[data-direction] p', (p) => p.textContent!.trim());
    await page.locator('[data-direction] ::-p-aria([name="Use it"])').click();
    await page.waitForSelector('#prompt');
    await page.waitForFunction((to) => (document.querySelector('#prompt') as HTMLTextAreaElement).value === to, {}, other); // prettier-ignore
  });

  it('read what an app is from what is said of it and from its screens, and give prompts for its icon', async () => {
    const { page, app } = station;
    await page.goto(app.address + words());
    await page.locator('summary ::-p-text(From an app)').click();
    await page.locator('#app-description').fill('Track your hikes in the mountains. Record routes on a map.');
    const folder = await mkdtemp(join(tmpdir(), 'odd-quill-test-app-'));
    const [good, bad] = [join(folder, 'green.png'), join(folder, 'none.png')];
    await writeFile(good, await encodePng(blankPicture(300, 500, [24, 110, 70])));
    await writeFile(bad, 'no picture at all');
    const chooser = (await page.$('[aria-label="Screens of the app"]')) as ElementHandle<HTMLInputElement>;
    await chooser.uploadFile(good);
    await page.waitForSelector('::-p-text(green.png)');
    await chooser.uploadFile(bad);
    await page.waitForSelector('::-p-text(none.png is no picture that can be read; the other screens stay)');
    await page.locator('::-p-aria([name="Read it"]):not(:disabled)').click();
    await page.waitForSelector('[data-app-direction]');
    expect(await page.$eval('[data-app-read]', (e) => e.textContent)).toMatch(/mountain[\s\S]*track[\s\S]*flat/);
    const [first] = await page.$$eval('[data-app-direction] p', (all) => all.map((p) => p.textContent!.trim()));
    expect(first).toMatch(/^a mountain, app icon, flat, #[0-9A-F]{6}$/);
    // A reload keeps what was written.
    await page.reload();
    expect(await page.$eval('#app-description', (e) => (e as HTMLTextAreaElement).value)).toContain('hikes');
    await page.locator('::-p-aria([name="Read it"]):not(:disabled)').click();
    await page.locator('[data-app-direction] ::-p-aria([name="Use it"])').click();
    await page.waitForFunction(() => (document.querySelector('#prompt') as HTMLTextAreaElement | null)?.value.startsWith('a mountain, app icon')); // prettier-ignore
    await rm(folder, { recursive: true });
  });

  it('offer what is near a word that nothing is drawn for, and say whose colours it will have', async () => {
    const { page, app } = station;
    await page.goto(`${app.address}/commissions/${station.commission.id}`);
    await page.waitForSelector('#prompt');
    await page.locator('#prompt').fill('an elefant in a hat');
    await page.locator('[data-part] ::-p-text(elephant?)').click();
    await page.waitForFunction(() => (document.querySelector('#prompt') as HTMLTextAreaElement).value === 'an elephant in a hat'); // prettier-ignore
    await page.waitForSelector('[data-part="usual colours"] ::-p-text(wheat and navy)');
    await page.locator('#prompt').fill('a red elephant in a hat');
    await page.waitForFunction(() => !document.querySelector('[data-part="usual colours"]'));
  });

  it('keep names, set them aside, and take that back', async () => {
    const { page, app } = station;
    await page.goto(`${app.address}${words()}?show=names`);
    await page.locator('.next-step:not(:disabled)').click();
    await page.waitForSelector('[data-name]');
    expect((await page.$$('[data-name]')).length).toBeGreaterThan(40);
    const name = await page.$eval('[data-name]', (e) => (e as HTMLElement).dataset.name!);
    await page.locator('[data-name] ::-p-aria([name="keep"])').click();
    await until(async () => (await names()).some((n) => n.name === name && n.decision === 'kept'));
    await page.waitForFunction(() => document.querySelector('h2')?.textContent?.startsWith('Kept'));
    // After a reload they are there, what was asked for too.
    await page.reload();
    await page.waitForFunction(() => document.querySelector('h2')?.textContent?.startsWith('Kept'));
    expect(await page.$eval('#naming-trade', (e) => (e as HTMLInputElement).value)).toBe('a bakery by the harbour');
    await page.locator('[data-undo=undo]:not(:disabled)').click();
    await until(async () => (await names()).every((n) => n.decision === 'undecided'));
  });

  it('keep a prompt with a gap, and fill it with several things for as many rounds, the cost said before', async () => {
    const { page, app, ask } = station;
    await page.goto(app.address + words());
    await page.waitForSelector('[aria-label="A new pattern"]');
    await page.type('[aria-label="A new pattern"]', 'badge of a fox');
    expect(await page.$eval('#patterns', (e) => e.closest('section')!.textContent)).toContain('where the figure goes');
    await page.$eval('[aria-label="A new pattern"]', (e) => ((e as HTMLInputElement).value = ''));
    await page.type('[aria-label="A new pattern"]', 'badge of a ___, flat, two colours');
    await page.locator('::-p-aria([name="Keep this pattern"]):not(:disabled)').click();
    await page.waitForSelector('[data-pattern]');
    await page.type('[data-pattern] input', 'owl, hare');
    await page.locator('::-p-aria([name="Ask for 2 rounds · 8 credits"])').click();
    await until(async () => (await wall()).rounds.filter((r) => r.state === 'done').length === 2, 60_000);
    expect((await wall()).rounds.map((r) => r.prompt)).toEqual(['badge of a hare, flat, two colours', 'badge of an owl, flat, two colours']); // prettier-ignore
    // Put away it can be had back.
    await page.reload();
    await page.locator('[data-pattern] ::-p-text(put away)').click();
    await until(async () => (await ask<Pattern[]>('GET', '/api/patterns'))[0].archived);
    await page.locator('section:has(#patterns) summary').click();
    await page.locator('::-p-text(bring back)').click();
    await until(async () => !(await ask<Pattern[]>('GET', '/api/patterns'))[0].archived);
    // The rounds stand in the wording, and what they cost in the chart.
    await page.reload();
    await page.waitForFunction(() => document.querySelector('#wording')?.textContent?.includes('2'));
    expect(await page.$eval('canvas', (c) => c.getAttribute('aria-label'))).toContain('round 1 4');
    // What is kept is a thread with its cost; the other round led to none.
    const [{ candidates, number }] = (await wall()).rounds;
    await ask('PATCH', `/api/candidates/${candidates[0].id}`, { decision: 'kept' });
    await page.reload();
    await page.waitForSelector('[data-threads] a');
    const told = await page.$eval('[data-threads]', (list) => list.parentElement!.innerText);
    expect(told).toMatch(new RegExp(`4 credits\\s+round ${number}\\s+4 credits\\s+on no thread`));
    await page.click('[data-threads] a');
    await page.waitForFunction((id) => location.pathname.endsWith(id), {}, candidates[0].id);
  });

  it('say what crowds a prompt, and offer a shorter one that can be taken back', async () => {
    const { page, app } = station;
    await page.goto(`${app.address}/commissions/${station.commission.id}`);
    await page.waitForSelector('#prompt');
    await page.locator('#prompt').fill('a fox with a lantern, a moon, a tree and a bell, flat');
    const long = await promptOf();
    await page.locator('[data-blunt] button').click();
    await page.waitForFunction((was) => (document.querySelector('#prompt') as HTMLTextAreaElement).value.length < was.length, {}, long); // prettier-ignore
    await page.waitForFunction(() => !document.querySelector('[data-blunt]'));
    await page.locator('::-p-aria([name="Have it back"])').click();
    await page.waitForFunction((was) => (document.querySelector('#prompt') as HTMLTextAreaElement).value === was, {}, long); // prettier-ignore
    expect(station.complaints).toEqual([]);
  });
});
