import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import { describe, expect, it } from 'vitest';
import { freshDatabase } from '../../../e2e/database';
import { migrate } from './migrate';
import { OPERATIONS, openApi } from './openapi';
import { asProblem, databaseIsGone, Problem } from './problem';

const ROUTES = join(import.meta.dirname, '../../routes');

function serverRoutes(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? serverRoutes(path) : name === '+server.ts' ? [path] : [];
  });
}

describe('the OpenAPI document', () => {
  it('lists every route and no other', () => {
    const routes = serverRoutes(ROUTES).flatMap((path) => {
      const address = '/' + relative(ROUTES, path).replace('/+server.ts', '').replaceAll('[...', '[').replaceAll('[', '{').replaceAll(']', '}'); // prettier-ignore
      return [...readFileSync(path, 'utf8').matchAll(/export const (GET|POST|PATCH|PUT|DELETE)\b/g)].map(
        ([, method]) => `${method} ${address}`,
      );
    });
    expect(routes.sort()).toEqual(Object.keys(OPERATIONS).sort());
  });

  it('is a document of version 3.1 whose bodies have schemas', () => {
    const document = openApi() as {
      openapi: string;
      paths: Record<
        string,
        Record<string, { requestBody?: { content: Record<string, { schema: { type?: string } }> } }>
      >;
    };
    expect(document.openapi).toBe('3.1.0');
    const schema = document.paths['/api/commissions/{id}/rounds'].post.requestBody!.content['application/json']
      .schema as {
      type: string;
      required: string[];
      properties: Record<string, unknown>;
    };
    expect(schema.type).toBe('object');
    expect(schema.required).toEqual(['requestKey', 'prompt']);
    expect(Object.keys(schema.properties)).toContain('leaveOut');
    expect(JSON.parse(JSON.stringify(document))).toEqual(document);
  });
});

describe('migrations', () => {
  it('are applied once, also by two servers at once', async () => {
    const { url, drop } = await freshDatabase();
    const folder = join(import.meta.dirname, '../../../db/migrations');
    expect(await Promise.all([migrate(url, folder), migrate(url, folder)])).toEqual([[], []]);
    await drop();
  });
});

describe('refusals', () => {
  it('say nothing of what went wrong inside', () => {
    const quiet = console.error;
    console.error = () => {};
    const problem = asProblem(new Error('column "secret" does not exist'));
    console.error = quiet;
    expect([problem.status, problem.message]).toEqual([500, expect.not.stringContaining('secret')]);
    const own = new Problem(409, 'x', 'y');
    expect(asProblem(own)).toBe(own);
  });

  it('know a database that is away from a wrong statement, and a full disk', () => {
    for (const code of ['57P01', '57P03', 'ECONNREFUSED', '08006', 'ECONNRESET'])
      expect(databaseIsGone({ code })).toBe(true);
    expect(databaseIsGone(new Error('Connection terminated unexpectedly'))).toBe(true);
    for (const code of ['42P01', '23505', undefined]) expect(databaseIsGone({ code })).toBe(false);
    expect(asProblem({ code: 'ECONNREFUSED' }).code).toBe('database_away');
    expect(asProblem({ code: '53100' }).status).toBe(507);
  });
});
