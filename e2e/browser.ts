/** A headless Chromium for tests and screenshots. */
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import { chromiumPath } from '../scripts/setup.mjs';

export const WINDOW = { width: 1280, height: 800 } as const;

/** Starts Chromium with a fresh profile; `close` ends it and takes the profile away. */
export async function openBrowser(): Promise<{ browser: Browser; close: () => Promise<void> }> {
  const userDataDir = await mkdtemp(join(tmpdir(), 'odd-quill-chromium-'));
  const browser = await puppeteer.launch({
    executablePath: chromiumPath() ?? undefined,
    userDataDir,
    defaultViewport: WINDOW,
    args: [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--disable-dev-shm-usage',
    ],
  });
  return {
    browser,
    close: async () => {
      await browser.close();
      await rm(userDataDir, { recursive: true, force: true });
    },
  };
}

/** Waits until the page lives (before that it is seen, and hears nothing), no proofs are being made and every picture in view is there. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(
    () =>
      document.documentElement.dataset.live !== undefined &&
      !document.querySelector('[data-proofs="busy"]') &&
      !document.querySelector('[role=progressbar][aria-label=Tracing]') &&
      [...document.images].every((image) => image.complete || image.getBoundingClientRect().top > innerHeight),
    { timeout: 30_000 },
  );
}

/** A page that notes whatever the browser complains of, such as a breach of the content-security policy. */
export async function watchedPage(browser: Browser, complaints: string[]): Promise<Page> {
  const page = await browser.newPage();
  page.setDefaultTimeout(20_000);
  page.on('pageerror', (error) => complaints.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource/.test(message.text())) complaints.push(message.text());
  });
  return page;
}
