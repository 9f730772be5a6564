/** What tests of the server share. */
import { afterAll, beforeAll } from 'vitest';
import { freshDatabase } from '../../../e2e/database';
import { closeDatabase } from './database';

/** Gives the tests of a file a database of their own; called first, it is there before their other hooks, and goes after them. */
export function onFreshDatabase(): void {
  let drop: () => Promise<void>;
  beforeAll(async () => {
    const database = await freshDatabase();
    process.env.ODD_QUILL_DATABASE_URL = database.url;
    drop = database.drop;
  });
  afterAll(async () => {
    await closeDatabase();
    await drop();
  });
}
