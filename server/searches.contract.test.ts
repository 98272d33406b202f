import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Express } from 'express';
import request from 'supertest';
import { asCase } from '@/contracts/as-case';
import { finderQuestionSchema } from '@/contracts/finder';
import type { FindState } from '@/contracts/finder-api';
import { FinderSession } from '@/core/6-decisions/finder/session';
import { demoJobs } from '@/demo/demo-jobs';
import { appHere, type AppHere } from './testing/app-here';
import { LONG_QUESTION as LONG, QUESTION as question } from './testing/questions';

const content = demoJobs().at(-1)!;
let here: AppHere;
let app: Express;

beforeAll(async () => {
  here = await appHere();
  ({ app } = here);
});
afterAll(() => here.close());

const ask = (asked: object) => request(app).post('/api/finder').send({ document: content.document, question: asked });

/** A search once it is over. */
async function over(id: string): Promise<FindState & { result?: any }> {
  for (;;) {
    const { body } = await request(app).get(`/api/finder/${id}`).expect(200);
    if (body.state !== 'waiting' && body.state !== 'running') return body;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

describe('long searches over HTTP', () => {
  test('a search is started, looked at until it is done, and answers as the core does', async () => {
    const started = await ask(question).expect(202);
    expect(['waiting', 'running']).toContain(started.body.state);
    expect(started.body.problems).toEqual([]);
    const state = await over(started.body.id);
    expect(state).toMatchObject({ state: 'done', done: state.total });
    const session = new FinderSession(asCase(content.document), finderQuestionSchema.parse(question));
    for (const _ of session.run());
    const { axles } = session.answer();
    expect(state.result.axles[0].tally).toEqual(JSON.parse(JSON.stringify(axles[0]!.tally)));
    expect(state.result.axles[0].rows.map((row: { size: string }) => row.size)).toEqual(
      axles[0]!.rows.map(({ size }) => size),
    );
    await request(app).delete(`/api/finder/${state.id}`).expect(204);
    await request(app).get(`/api/finder/${state.id}`).expect(404);
  });

  test('one that cannot be answered says why; a long one is put an end to', async () => {
    const empty = await ask({ ...question, tires: { from: 'list', list: [] } }).expect(202);
    expect(await over(empty.body.id)).toMatchObject({ state: 'refused', problems: [{ path: 'finder.tires' }] });
    const { body } = await ask(LONG).expect(202);
    await request(app).delete(`/api/finder/${body.id}`).expect(204);
    expect((await over(body.id)).state).toBe('canceled');
  });

  test('a tire without a width and a search nobody started are refused by name', async () => {
    const bad = await ask({ ...question, tires: { from: 'list', list: [{ size: '/70R17' }] } }).expect(400);
    expect(bad.body.problems).toMatchObject([{ code: 'unreadableSize', path: 'question.tires.list[0].size' }]);
    const noWidth = { from: 'list', list: [{ diameterIn: 17, offsetMm: 0 }] };
    const wheel = await ask({ ...question, wheels: noWidth }).expect(400);
    expect(wheel.body.problems).toMatchObject([{ code: 'missing', path: 'question.wheels.list[0].widthIn' }]);
    await request(app).get('/api/finder/0b0b7b5e-51b4-4f6c-9a66-2d1cbe3a4f11').expect(404);
    await request(app).get('/api/finder/none').expect(400);
  });
});

describe('more searches than threads', () => {
  test('those that wait say how many come before them, until one is put an end to', async () => {
    const ids: string[] = [];
    for (let i = 0; i < 5; i++) ids.push((await ask(LONG).expect(202)).body.id);
    const states = async (): Promise<FindState[]> =>
      Promise.all(ids.map(async (id) => (await request(app).get(`/api/finder/${id}`).expect(200)).body));
    let now = await states();
    while (now.filter(({ state }) => state === 'running').length < 2) now = await states();
    expect(now.map(({ state }) => state)).toEqual(['running', 'running', 'waiting', 'waiting', 'waiting']);
    expect(now.map(({ ahead }) => ahead)).toEqual([0, 0, 0, 1, 2]);
    expect((await request(app).get('/api/installation').expect(200)).body.searching).toEqual({
      running: 2,
      waiting: 3,
    });
    await request(app).delete(`/api/finder/${ids[2]}`).expect(204);
    expect((await states()).slice(2).map(({ ahead }) => ahead)).toEqual([0, 0, 1]);
    for (const id of ids) await request(app).delete(`/api/finder/${id}`).expect(204);
    await Promise.all([ids[0], ids[4]].map((id) => over(id!)));
  });
});
