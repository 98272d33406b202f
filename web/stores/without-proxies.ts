import { isProxy, toRaw } from 'vue';

/**
 * A value without Vue's proxies, which no worker, no store and no copy can take. What holds none stays the very same
 * object; `known` are objects that are known to hold none.
 */
export function withoutProxies<T>(value: T, known: ReadonlySet<unknown> = new Set()): T {
  if (typeof value !== 'object' || value === null || known.has(value)) return value;
  const raw = (isProxy(value) ? toRaw(value) : value) as Record<string, unknown>;
  let changed: Record<string, unknown> | null = null;
  for (const [key, inner] of Object.entries(raw)) {
    const plain = withoutProxies(inner, known);
    if (plain === inner) continue;
    changed ??= (Array.isArray(raw) ? [...(raw as unknown[])] : { ...raw }) as Record<string, unknown>;
    changed[key] = plain;
  }
  return (changed ?? raw) as T;
}
