import { expect, test } from '@jest/globals';
import { NewestWins } from './newest-wins';

/** Answers when told to. */
function bench() {
  const under: { question: number; done: (answer: string) => void }[] = [];
  const shown: string[] = [];
  const asker = new NewestWins<number, string>(
    (question) => new Promise((done) => under.push({ question, done })),
    (answer, question) => shown.push(`${question}: ${answer}`),
  );
  const settle = async (answer: string): Promise<void> => {
    under.shift()!.done(answer);
    await new Promise((done) => setTimeout(done));
  };
  return { asker, under, shown, settle };
}

test('of many questions asked while one is under way only the newest is asked, and only its answer shown', async () => {
  const { asker, under, shown, settle } = bench();
  for (const question of [1, 2, 3, 4]) asker.ask(question);
  expect(under.map((u) => u.question)).toEqual([1]);
  await settle('old');
  expect(shown).toEqual([]);
  expect(under.map((u) => u.question)).toEqual([4]);
  await settle('new');
  expect(shown).toEqual(['4: new']);
});

test('asked at rest, every answer is shown', async () => {
  const { asker, shown, settle } = bench();
  for (const question of [1, 2, 3]) {
    asker.ask(question);
    await settle('yes');
  }
  expect(shown).toEqual(['1: yes', '2: yes', '3: yes']);
});

test('nothing is shown once it is forgotten', async () => {
  const { asker, shown, settle } = bench();
  asker.ask(1);
  asker.forget();
  await settle('late');
  expect(shown).toEqual([]);
});
