/** A commission in a running application, and a page to drive it. */
import type { Page } from 'puppeteer-core';
import type { Commission } from '../src/lib/contract/answers';
import { apiOf, bodiesOf, startApp, type App } from './app';
import { openBrowser, watchedPage } from './browser';

export interface Station {
  readonly app: App;
  readonly page: Page;
  readonly ask: ReturnType<typeof bodiesOf>;
  readonly commission: Commission;
  /** What the browser complained of. */
  readonly complaints: readonly string[];
  readonly close: () => Promise<void>;
}

/** Starts the application and a browser, and begins a commission with a brief. */
export async function openStation(brief: object = {}): Promise<Station> {
  const app = await startApp();
  const ask = bodiesOf(apiOf(app.address));
  const opened = await openBrowser();
  const complaints: string[] = [];
  const page = await watchedPage(opened.browser, complaints);
  const commission = await ask<Commission>('POST', '/api/commissions', { name: 'Noctule Night Rail', ...brief });
  const close = async (): Promise<void> => {
    await opened.close();
    await app.stop();
  };
  return { app, page, ask, commission, complaints, close };
}
