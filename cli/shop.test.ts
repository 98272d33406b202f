import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoJobs } from '@/demo/demo-jobs';
import { ProblemError } from '@/core/1-base/problem';
import { SignIn } from '@/server/people/sign-in';
import { appHere, type AppHere } from '@/server/testing/app-here';
import { backupCommand, restoreCommand } from './shop';

const PASSWORD = 'steep and narrow';
let folder: string;
let here: AppHere;
let server: Server;
let at: string;

/** A shop with one job, where people sign in. */
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'lowgap-cli-shop-'));
  here = await appHere();
  await here.jobs.create(demoJobs().at(-1)!);
  server = here.asked().listen(0, '127.0.0.1');
  await once(server, 'listening');
  at = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const code = await new SignIn(here.people).firstCode();
  await fetch(`${at}/api/people/first`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ code, name: 'Ada', password: PASSWORD }),
  });
});
afterAll(async () => {
  delete process.env['LOWGAP_PASSWORD'];
  server.close();
  server.closeAllConnections();
  await here.close();
  rmSync(folder, { recursive: true, force: true });
});

const problems = async (asked: Promise<unknown>) => {
  const error = await asked.then(
    () => null,
    (thrown: unknown) => thrown,
  );
  expect(error).toBeInstanceOf(ProblemError);
  return (error as ProblemError).problems;
};

describe('the whole shop by the command line, where people sign in', () => {
  test('nobody is named: refused, and no half of a file is left', async () => {
    expect(await problems(backupCommand(join(folder, 'none.zip'), { at }))).toMatchObject([{ code: 'notAllowed' }]);
    expect(readdirSync(folder)).toEqual([]);
  });

  test.each([
    ['no password', undefined, { code: 'missing', path: 'LOWGAP_PASSWORD' }],
    ['a wrong one', 'not this one', { code: 'notAllowed', path: 'name' }],
  ])('%s: said which', async (_what, password, problem) => {
    if (password === undefined) delete process.env['LOWGAP_PASSWORD'];
    else process.env['LOWGAP_PASSWORD'] = password;
    expect(await problems(backupCommand(join(folder, 'none.zip'), { at, as: 'Ada' }))).toMatchObject([problem]);
    expect(readdirSync(folder)).toEqual([]);
  });

  test('as the owner: written, and read again it changes nothing; nobody stays signed in', async () => {
    process.env['LOWGAP_PASSWORD'] = PASSWORD;
    const before = (await here.people.sessions()).length;
    const file = join(folder, 'shop.zip');
    const made = await backupCommand(file, { at, as: 'Ada' });
    expect(made).toMatchObject({ file });
    expect(made.bytes).toBeGreaterThan(1000);
    const plan = await restoreCommand(file, { at, as: 'Ada', do: 'plan' });
    expect(plan).toMatchObject({ jobs: { added: [], same: 1, differing: [] }, people: { added: 0, same: 1 } });
    expect(await here.people.sessions()).toHaveLength(before);
  });

  test('what is to be done with it, a file that is none and a place without Low Gap are named', async () => {
    const file = join(folder, 'not.zip');
    expect(await problems(restoreCommand(file, { at, as: 'Ada', do: 'plan' }))).toMatchObject([{ path: file }]);
    writeFileSync(file, 'hello');
    expect(await problems(restoreCommand(file, { at, as: 'Ada', do: 'all' }))).toMatchObject([{ path: '--do' }]);
    expect(await problems(restoreCommand(file, { at, as: 'Ada', do: 'add' }))).toMatchObject([{ code: 'wrongFormat' }]);
    expect(await problems(backupCommand(join(folder, 'x.zip'), { at: 'http://127.0.0.1:9' }))).toMatchObject([
      { path: 'http://127.0.0.1:9' },
    ]);
  });
});
