// Everything that Odd Quill keeps in one file, and back: commissions, pictures, works and packages all lie in one database.
import { spawn } from 'node:child_process';
import { closeSync, existsSync, fsyncSync, openSync, readSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import pg from 'pg';
import { postgresPrograms, SetupError } from './setup.mjs';

/** What PostgreSQL's own archives begin with. */
const MAGIC = 'PGDMP';

/** How a program of PostgreSQL's is told which database; the password is not for every process list to see. */
function connection(databaseUrl) {
  const { hostname, port, username, password, pathname } = new URL(databaseUrl);
  return {
    name: decodeURIComponent(pathname.slice(1)),
    env: {
      PGHOST: hostname.replace(/^\[|\]$/g, ''),
      PGPORT: port || '5432',
      PGUSER: decodeURIComponent(username),
      PGPASSWORD: decodeURIComponent(password),
    },
  };
}

/** Runs one of PostgreSQL's programs; throws with what it said when it fails. */
async function run(program, args, env) {
  const child = spawn(join(postgresPrograms(), program), args, {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (chunk) => (said = (said + chunk).slice(-2000)));
  const code = await new Promise((resolve, reject) => {
    child.once('error', reject);
    child.once('close', resolve);
  });
  if (code !== 0) throw new Error(said.trim() || `${program} ended with ${code}`);
}

/** Statements on the server of a database, outside of it. */
async function onServer(databaseUrl, work) {
  const url = new URL(databaseUrl);
  url.pathname = '/postgres';
  const client = new pg.Client({ connectionString: url.href });
  await client.connect();
  try {
    return await work((text, values) => client.query(text, values));
  } finally {
    await client.end();
  }
}

const quoted = (name) => `"${name.replaceAll('"', '""')}"`;

/**
 * Writes a database, as it is at this moment, into one file; the application may go on meanwhile. A file that is there is not written over, and what could not
 * be written whole is not left behind. Gives its size in bytes.
 */
export async function backup(databaseUrl, file) {
  if (existsSync(file)) throw new SetupError(`${file} is there already: name another file, or move that one away`);
  if (!existsSync(dirname(file))) throw new SetupError(`There is no folder ${dirname(file)} to write the backup to`);
  const { name, env } = connection(databaseUrl);
  const passing = `${file}.part`;
  try {
    await run('pg_dump', ['--format=custom', '--no-owner', `--file=${passing}`, name], env);
    const handle = openSync(passing, 'r+');
    fsyncSync(handle);
    closeSync(handle);
    renameSync(passing, file);
  } catch (error) {
    rmSync(passing, { force: true });
    throw new SetupError(`The backup could not be written to ${file}: ${error.message}`);
  }
  return statSync(file).size;
}

function beginOf(file) {
  const handle = openSync(file, 'r');
  try {
    const bytes = Buffer.alloc(MAGIC.length);
    readSync(handle, bytes, 0, bytes.length, 0);
    return bytes.toString('latin1');
  } finally {
    closeSync(handle);
  }
}

/**
 * Brings a backup back in place of a database. It is read whole into a new one first, so that a file that is cut off changes nothing; what was there before stays
 * on the server under another name, which is given; null when there was nothing. Nobody may be using it meanwhile.
 */
export async function restore(databaseUrl, file) {
  if (!existsSync(file)) throw new SetupError(`${file} is not there`);
  if (statSync(file).isDirectory() || beginOf(file) !== MAGIC)
    throw new SetupError(`${file} is no backup of Odd Quill's; nothing was changed`);
  const { name, env } = connection(databaseUrl);
  const fresh = `${name}_restored`;
  return onServer(databaseUrl, async (query) => {
    await query(`drop database if exists ${quoted(fresh)}`);
    await query(`create database ${quoted(fresh)} template template0 encoding 'UTF8'`);
    try {
      await run('pg_restore', ['--exit-on-error', '--no-owner', `--dbname=${fresh}`, file], env);
    } catch (error) {
      await query(`drop database if exists ${quoted(fresh)} with (force)`);
      throw new SetupError(`${file} is cut off or broken, and nothing was changed: ${error.message}`);
    }
    const { rows } = await query('select 1 from pg_database where datname = $1', [name]);
    const before = `${name}_before_${new Date().toISOString().slice(0, 19).replace(/\D/g, '')}`;
    try {
      // Both or neither, whatever ends this in between.
      await query('begin');
      if (rows.length) await query(`alter database ${quoted(name)} rename to ${quoted(before)}`);
      await query(`alter database ${quoted(fresh)} rename to ${quoted(name)}`);
      await query('commit');
    } catch (error) {
      await query('rollback');
      await query(`drop database if exists ${quoted(fresh)} with (force)`);
      if (error.code !== '55006') throw error;
      throw new SetupError('The database is in use: stop Odd Quill first; nothing was changed');
    }
    return rows.length ? before : null;
  });
}
