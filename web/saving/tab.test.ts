import { describe, expect, test } from '@jest/globals';
import { makeTabs, type Channel, type Tabs } from './tab';

/** Channels of one browser: each hears the others, not itself. */
class Air {
  readonly #all: Channel[] = [];
  channel(): Channel {
    const mine: Channel = {
      onmessage: null,
      postMessage: (data) => {
        for (const other of this.#all) if (other !== mine) other.onmessage?.({ data } as MessageEvent);
      },
    };
    this.#all.push(mine);
    return mine;
  }
}

const session = (before: string | null = null) => {
  let kept = before;
  return { getItem: () => kept, setItem: (_: string, value: string) => void (kept = value) };
};

describe('tabs of one browser', () => {
  const open = (air: Air | null, name: string, before: string | null = null): Tabs =>
    makeTabs({ channel: air?.channel() ?? null, session: session(before), newName: () => name, waitMs: 1 });

  test('a reload keeps its name; a duplicated tab takes another', async () => {
    const air = new Air();
    const first = open(air, 'one');
    expect(await first.mine).toBe('one');
    const duplicate = open(air, 'two', 'one');
    expect(await duplicate.mine).toBe('two');
    expect(await open(new Air(), 'three', 'one').mine).toBe('one');
  });

  test('a roll call hears who is there and nobody else', async () => {
    const air = new Air();
    const [a, b] = [open(air, 'a'), open(air, 'b')];
    await Promise.all([a.mine, b.mine]);
    expect([...(await a.others())]).toEqual(['b']);
    expect([...(await open(null, 'alone').others())]).toEqual([]);
  });
});
