import { afterEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { CatalogueContent, CatalogueItem } from '@/contracts/catalogue';
import { demoCatalogue } from '@/demo/demo-catalogue';
import { mounted } from '../testing/mounting';
import { all, alerts, field, key, pageText, press, said, type, valueIn } from '../testing/page';
import CatalogueRoom from './CatalogueRoom.vue';
import ItemForm from './ItemForm.vue';

interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

const answer = (status: number, body: unknown): Response =>
  ({ status, ok: status < 300, json: async () => JSON.parse(JSON.stringify(body)) as unknown }) as Response;
const asItem = (content: CatalogueContent, i: number): CatalogueItem =>
  ({ id: `4444444${i % 10}-4444-4444-8444-44444444444${i % 10}`, revision: 1, ...content }) as never;

let wrapper: VueWrapper;
let asked: Asked[];

/** The shelf of a shop with these parts. */
async function shelf(kind: string, items: readonly CatalogueContent[] = []): Promise<void> {
  asked = [];
  Object.assign(globalThis, {
    fetch: async (path: string, init: RequestInit) => {
      const body = init.body === undefined ? null : (JSON.parse(String(init.body)) as unknown);
      asked.push({ method: init.method!, path, body });
      if (init.method === 'DELETE') return answer(204, undefined);
      if (init.method === 'PUT') return answer(200, asItem((body as { item: CatalogueContent }).item, 0));
      if (path.endsWith('/back')) return answer(204, undefined);
      return answer(200, { items: items.map(asItem) });
    },
  });
  ({ wrapper } = mounted(CatalogueRoom, { kind }));
  await flushPromises();
}
const sent = (method: string): Asked | undefined => asked.find((one) => one.method === method);

afterEach(() => wrapper.unmount());

describe('the shop’s shelf', () => {
  test('without anything it says how to begin', async () => {
    await shelf('tire');
    expect(pageText()).toContain('Nothing on the list yet');
    expect((key(/^To CSV/).element as HTMLButtonElement).disabled).toBe(true);
  });

  test('only parts of the kind looked at are listed', async () => {
    const items = demoCatalogue();
    await shelf('spacer', items);
    const shown = all('[data-testid="part"]');
    expect(shown).toHaveLength(items.filter(({ kind }) => kind === 'spacer').length);
    expect(all('[data-shape]').map((one) => one.attributes('data-shape'))).toEqual(shown.map(() => 'spacer'));
  });

  test('how backspacing is measured is drawn where a wheel is described, and nowhere else', async () => {
    await shelf('wheel');
    await press(/^Add/);
    expect(said('backspacing-guide')).toContain('wheel off the vehicle');
    expect(said('backspacing-guide')).toContain('wheel on the vehicle');
    wrapper.unmount();
    await shelf('spacer');
    await press(/^Add/);
    expect(all('[data-testid="backspacing-guide"]')).toHaveLength(0);
  });

  test('a wheel that is added is sent as typed, lengths read in inches', async () => {
    await shelf('wheel');
    await press(/^Add/);
    await type(/^Rim diameter|^Diameter/, '17');
    await type(/^Rim width|^Width/, '8.5');
    await type(/^Offset/, '-12');
    await all('form')[0]!.trigger('submit');
    await flushPromises();
    expect(sent('POST')?.body).toMatchObject({
      items: [{ kind: 'wheel', data: { diameterIn: 17, widthIn: 8.5, offsetMm: -12 } }],
    });
  });

  test('a tire without a size is refused in its field, and nothing is sent', async () => {
    await shelf('tire');
    await press(/^Add/);
    await all('form')[0]!.trigger('submit');
    await flushPromises();
    expect(sent('POST')).toBeUndefined();
    expect(field(/^Size/).text()).toMatch(/expected|wanted|Expected/);
  });

  test('a common size is copied to the shop’s list with what is known of it', async () => {
    await shelf('sizes');
    await press(/^Take/);
    expect(valueIn(/^Size/)).toMatch(/^\d/);
    expect(Number(valueIn(/^Measuring rim/))).toBeGreaterThan(3);
  });

  test('a part is removed by its own name for the server', async () => {
    const items = demoCatalogue().filter(({ kind }) => kind === 'tire');
    await shelf('tire', items);
    await press(/^Remove/);
    expect(sent('DELETE')?.path).toContain('/catalogue/4444444');
  });

  test('what was taken off the list is said, and is put back as it was', async () => {
    const items = demoCatalogue().filter(({ kind }) => kind === 'wheel');
    await shelf('wheel', items);
    await press(/^Remove 17 x 8.5, Cast, black/);
    expect(said('removed')).toMatch(/^17 x 8.5, Cast, black.* is off the list/);
    await press(/^Put it back/);
    const cast = asItem(
      {} as CatalogueContent,
      items.findIndex(({ data }) => data.label === 'Cast, black'),
    );
    expect(sent('POST')?.path).toBe(`/api/bin/catalogue/${cast.id}/back`);
    expect(all('[data-testid="removed"]')).toHaveLength(0);
  });

  test('a search that finds nothing says so, with what was searched', async () => {
    await shelf('tire', demoCatalogue());
    await type(/^Search/, 'snowball');
    expect(pageText()).toContain('Nothing on this shelf says “snowball”.');
  });

  test('a table is shown before it is taken, its bad lines with what is wrong', async () => {
    await shelf('tire');
    const csv = 'Size,Label\n265/70R17,Plow\nround,Bad\n';
    const input = all('[data-testid="csv-file"]')[0]!;
    Object.defineProperty(input.element, 'files', { value: [new File([csv], 'tires.csv')] });
    await input.trigger('change');
    await new Promise((resolve) => setTimeout(resolve, 20));
    await flushPromises();
    expect(sent('POST')).toBeUndefined();
    expect(pageText()).toContain('round');
    await press(/^Take the/);
    expect(sent('POST')?.body).toMatchObject({ items: [{ kind: 'tire', data: { size: '265/70R17' } }] });
  });

  test('a server that is away is said', async () => {
    Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError('fetch failed')) });
    ({ wrapper } = mounted(CatalogueRoom, { kind: 'tire' }));
    await flushPromises();
    expect(said('catalogue-problems')).toContain('is it running?');
    expect(alerts()).not.toBe('');
  });
});

test('what is wrong in a form is said at its field and all that was typed stays', async () => {
  ({ wrapper } = mounted(ItemForm, { kind: 'spacer', data: {}, isNew: true }));
  await type(/^Thickness/, 'thick');
  await all('form')[0]!.trigger('submit');
  await flushPromises();
  expect(wrapper.emitted('save')).toBeUndefined();
  expect(valueIn(/^Thickness/)).toBe('thick');
  expect(field(/^Thickness/).text()).toContain('thick');
  await type(/^Thickness/, '1 1/4 in');
  await all('form')[0]!.trigger('submit');
  expect(wrapper.emitted('save')![0]).toMatchObject([{ kind: 'spacer', data: { thicknessMm: 31.75 } }]);
});
