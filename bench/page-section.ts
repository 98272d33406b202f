import { readFileSync, writeFileSync } from 'node:fs';

const PAGE = new URL('../docs/benchmarks.md', import.meta.url);

/** The first heading that is not the page's head. */
const AFTER_HEAD = '\n## What twenty-five numbers foretell';

/** Puts the head of docs/benchmarks.md in the place of its last version; every other part stays. */
export function writeHead(text: string): void {
  const before = readFileSync(PAGE, 'utf8');
  const from = before.indexOf(AFTER_HEAD);
  writeFileSync(PAGE, text + (from < 0 ? '' : before.slice(from)));
}

/** Puts a part of docs/benchmarks.md in the place of its last version, or at the end: from its heading to the next one. */
export function writeSection(heading: string, text: string): void {
  const before = readFileSync(PAGE, 'utf8');
  const from = before.indexOf(`\n${heading}`);
  if (from < 0) {
    writeFileSync(PAGE, before + text);
    return;
  }
  const next = before.indexOf('\n## ', from + heading.length);
  writeFileSync(PAGE, before.slice(0, from) + text + (next < 0 ? '' : before.slice(next)));
}
