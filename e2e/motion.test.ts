/** Movements in a real browser: the SVG and the JSON of each show the same at the same time, and end as the work stands. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { artworkToSvg } from '../core/export';
import { readSvg } from '../core/import';
import { motionAsk, motionOf, motionsOf, motionToLottie, motionToSvg } from '../core/motion';
import { sceneOf } from '../core/scene';
import { openBrowser } from './browser';
import { momentsOf, percentOff, Stage } from './playing';

const SIDE = 384;
const { artwork } = readSvg(
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 120"><defs><linearGradient id="g"><stop stop-color="#F2C14E"/><stop offset="1" stop-color="#B5402A"/></linearGradient><clipPath id="c"><circle cx="60" cy="66" r="40"/></clipPath></defs><g clip-path="url(#c)"><rect width="120" height="120" fill="#182A5C"/></g><path d="M30 20L60 40L90 20L84 60H36Z" fill="url(#g)"/><circle cx="48" cy="52" r="7" fill="#111"/><circle cx="72" cy="52" r="7" fill="#111"/><path d="M20 112H100" fill="none" stroke="#182A5C" stroke-width="5" stroke-linecap="round"/></svg>',
);
const scene = sceneOf(artwork, { strokes: 'kept' });

let opened: Awaited<ReturnType<typeof openBrowser>>;
let page: Page;
let stage: Stage;
beforeAll(async () => {
  opened = await openBrowser();
  page = await opened.browser.newPage();
  stage = await Stage.on(page, SIDE);
});
afterAll(() => opened.close());

const still = async (): Promise<Buffer> => {
  await stage.show(artworkToSvg(artwork));
  return stage.seen();
};

describe('movements', () => {
  it.each(motionsOf(scene))('are the same as SVG and as JSON: %s', async (kind) => {
    const motion = motionOf(scene, motionAsk(kind));
    const moments = momentsOf(motion.seconds);
    const svg = await stage.svgAt(motionToSvg(motion, kind), moments);
    const json = await stage.jsonAt(motionToLottie(motion, kind), moments);
    for (const [k, picture] of svg.entries()) expect(percentOff(picture, json[k])).toBeLessThan(0.8);
    expect(percentOff(svg[2], await still())).toBeLessThan(0.6);
  });

  it('stand still, as they end, for those who asked for less motion', async () => {
    const was = await still();
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
    await stage.show(motionToSvg(motionOf(scene, motionAsk('drawn')), 'drawn'));
    expect(await page.evaluate(() => document.getAnimations().length)).toBe(0);
    expect(percentOff(await stage.seen(), was)).toBeLessThan(0.3);
    await page.emulateMediaFeatures([]);
  });
});
