import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { api } from './api';
import { FakeServer, ID } from './testing/fake-server';

let server: FakeServer;
const answering = (status: number, body: unknown): void =>
  void Object.assign(globalThis, {
    fetch: async () => ({ status, ok: status < 300, json: async () => body, blob: async () => new Blob(['x']) }),
  });

beforeEach(() => {
  server = new FakeServer();
  Object.assign(globalThis, { fetch: server.fetch });
});
afterEach(() => {
  Reflect.deleteProperty(globalThis, 'fetch');
});

describe('answers of the server, as data whatever they are', () => {
  test('a job comes back read', async () => {
    expect(await api.readJob(ID)).toMatchObject({ ok: true, value: { id: ID, revision: 1 } });
  });

  test('no server: unreachable', async () => {
    server.away = true;
    expect(await api.readJob(ID)).toEqual({ ok: false, failure: { kind: 'unreachable' } });
  });

  test('an answer of another version is a fault as data, with what was wrong where, and no exception', async () => {
    answering(200, { id: ID, title: 'From tomorrow', document: { format: 'lowgap', version: 9 } });
    const read = await api.readJob(ID);
    expect(read).toMatchObject({ ok: false, failure: { kind: 'drifted' } });
    const { failure } = read as { failure: { problems: readonly { path: string }[] } };
    expect(failure.problems.map(({ path }) => path)).toEqual(expect.arrayContaining(['revision', 'document.version']));
  });

  test('a refusal keeps its problems; a body that is none keeps the status alone', async () => {
    const problem = { code: 'tooLarge', path: '', expected: 'a body of at most 8 MB', found: 'a larger one' };
    answering(413, { problems: [problem] });
    expect(await api.createJob({ title: 'x', customer: '', document: server.job.document })).toEqual({
      ok: false,
      failure: { kind: 'refused', status: 413, problems: [problem] },
    });
    answering(502, 'gateway');
    expect(await api.listJobs()).toEqual({ ok: false, failure: { kind: 'refused', status: 502, problems: [] } });
  });

  test('a conflict brings along what clashes and what was saved since', async () => {
    server.somebodySaves((job) => void (job.title = 'Theirs'));
    const changes = [{ path: ['title'], was: 'Before', now: 'Mine' }];
    expect(await api.changeJob(ID, { revision: 1, save: 'of-this-test', changes })).toMatchObject({
      ok: false,
      failure: { status: 409, clash: { clashes: [{ mine: 'Mine', theirs: 'Theirs' }], since: [{ revision: 2 }] } },
    });
  });

  test('removing has nothing to read; a file comes as it is', async () => {
    answering(204, undefined);
    expect(await api.removeJob(ID)).toEqual({ ok: true, value: undefined });
    answering(200, null);
    const file = await api.calendar({ title: 'Job', events: [] });
    expect(file.ok && file.value.size).toBe(1);
  });
});
