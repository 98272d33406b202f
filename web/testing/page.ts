import { DOMWrapper, flushPromises, type VueWrapper } from '@vue/test-utils';

/** The page as a person finds their way on it: by what keys and fields are called. Dialogs stand beside the room. */

const everything = (selector: string): DOMWrapper<Element>[] => new DOMWrapper(document.body).findAll(selector);

const nameOf = (one: DOMWrapper<Element>): string =>
  `${one.text()} ${one.attributes('aria-label') ?? ''} ${one.attributes('title') ?? ''}`.trim();

function found(what: string, all: readonly DOMWrapper<Element>[], at: number): DOMWrapper<Element> {
  const one = all.at(at);
  if (!one) throw new Error(`there is no ${what} on the page`);
  return one;
}

/** Keys and links by name, of several the one at `at`. */
export const keys = (name: RegExp): DOMWrapper<Element>[] =>
  everything('button, a, [role="button"], [role="tab"]').filter((one) => name.test(nameOf(one)));

export const key = (name: RegExp, at = 0): DOMWrapper<Element> => found(`key ${name}`, keys(name), at);

export async function press(name: RegExp, at = 0): Promise<void> {
  await key(name, at).trigger('click');
  await flushPromises();
}

const inputOf = (one: DOMWrapper<Element>): DOMWrapper<Element> => one.find('input, textarea');

export const fields = (label: RegExp): DOMWrapper<Element>[] =>
  everything('.v-input').filter(
    (one) =>
      one.findAll('label').some((own) => label.test(own.text())) ||
      label.test(one.find('[aria-label]').exists() ? one.find('[aria-label]').attributes('aria-label')! : ''),
  );

/** The whole of a field, with its unit and what it says. */
export const field = (label: RegExp, at = 0): DOMWrapper<Element> => found(`field ${label}`, fields(label), at);

export const valueIn = (label: RegExp, at = 0): string => (inputOf(field(label, at)).element as HTMLInputElement).value;

/** Types into a field and leaves it. */
export async function type(label: RegExp, text: string, at = 0): Promise<void> {
  const input = inputOf(field(label, at));
  await input.setValue(text);
  await input.trigger('change');
  await input.trigger('blur');
  await flushPromises();
}

/** What is written at a test id, all of it in one. */
export const said = (testId: string): string =>
  everything(`[data-testid="${testId}"]`)
    .map((one) => one.text())
    .join(' ');

/** What is refused or warned of, all of it in one. */
export const alerts = (): string =>
  everything('[role="alert"], .notice')
    .map((one) => one.text())
    .join(' ');

export const all = everything;
export const pageText = (): string => document.body.textContent ?? '';

/** Chooses from a list by its label. */
export async function choose(wrapper: VueWrapper, label: RegExp, value: unknown): Promise<void> {
  const list = wrapper.findAllComponents({ name: 'VSelect' }).find((one) => label.test(String(one.props('label'))));
  if (!list) throw new Error(`there is no list ${label} on the page`);
  list.vm.$emit('update:modelValue', value);
  await flushPromises();
}
