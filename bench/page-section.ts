import { readFileSync, writeFileSync } from 'node:fs';

/** Puts a part of docs/benchmarks.md in the place of its last version, or at the end: from its heading to the next one. */
export function writeSection(heading: string, text: string): void {
  const page = new URL('../docs/benchmarks.md', import.meta.url);
  const before = readFileSync(page, 'utf8');
  const from = before.indexOf(`\n${heading}`);
  if (from < 0) {
    writeFileSync(page, before + text);
    return;
  }
  const next = before.indexOf('\n## ', from + heading.length);
  writeFileSync(page, before.slice(0, from) + text + (next < 0 ? '' : before.slice(next)));
}
