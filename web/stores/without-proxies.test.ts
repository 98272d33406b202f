import { describe, expect, test } from '@jest/globals';
import { isProxy, reactive, ref } from 'vue';
import { withoutProxies } from './without-proxies';

const holdsProxy = (value: unknown): boolean =>
  isProxy(value) || (typeof value === 'object' && value !== null && Object.values(value).some(holdsProxy));

describe('a value without proxies', () => {
  test('what holds none stays the very same object', () => {
    const plain = { a: [1, { b: 2 }], c: null };
    expect(withoutProxies(plain)).toBe(plain);
  });

  test('proxies at any depth are taken out, and what stands beside them stays', () => {
    const beside = { kept: true };
    const form = reactive({ mm: 3, list: [{ id: 'a' }] });
    const made = withoutProxies({ beside, inner: { form, listed: ref(['x', 'y']).value } });
    expect(holdsProxy(made)).toBe(false);
    expect(made.beside).toBe(beside);
    expect(made.inner).toEqual({ form: { mm: 3, list: [{ id: 'a' }] }, listed: ['x', 'y'] });
    expect(() => structuredClone(made)).not.toThrow();
  });

  test('the value itself may be one, and what is known to hold none is not looked through', () => {
    expect(isProxy(withoutProxies(reactive({ a: 1 })))).toBe(false);
    const corners = { frontLeft: {} };
    expect(withoutProxies({ corners }, new Set([corners])).corners).toBe(corners);
  });
});
