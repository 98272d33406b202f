import { z } from 'zod';
import { PROBLEM_CODES, type Problem, type ProblemCode } from '@/core/1-base/problem';

/** The one shape of a problem on its way over HTTP. */
export const problemSchema = z.object({
  code: z.enum(PROBLEM_CODES),
  path: z.string(),
  expected: z.string(),
  found: z.string(),
});

/** Body of every refused request. */
export const refusalSchema = z.object({ problems: z.array(problemSchema) });

const TITLES: Readonly<Record<ProblemCode, string>> = {
  invalidJson: 'This is not a whole JSON file',
  wrongFormat: 'This file is of another format',
  wrongVersion: 'This file is of another version',
  unknownKey: 'There is an unknown key',
  missing: 'Something is missing',
  wrongType: 'Not the right kind of value',
  outOfRange: 'Out of range',
  unreadableSize: 'Tire size not understood',
  unreadableLength: 'Length not understood',
  unitUnclear: 'The unit is not clear',
  unreadableClock: 'Clock position not understood',
  contradiction: 'Two numbers contradict each other',
  impossiblePosture: 'The suspension cannot reach that steer and travel',
  notFound: 'Not found',
  conflict: 'Changed somewhere else in the meantime',
  tooLarge: 'Too large',
  notAllowed: 'Not allowed',
  busy: 'Too much at once',
  internal: 'A fault of ours',
};

/**
 * One line for a person at a screen: what is wrong, where in the words of the screen, what was expected, what was found.
 * `file`: the document the path leads into, whose things are called by their own names.
 */
export const problemText = (problem: Problem, file?: unknown): string => lineOf(problem, placeText(problem.path, file));

/** The same for a person at a file: the place as it is written there. */
export const problemLine = (problem: Problem): string => lineOf(problem, problem.path);

const lineOf = ({ code, expected, found }: Problem, place: string): string =>
  `${TITLES[code]}${place === '' ? '' : ` at ${place}`}: expected ${expected}, found ${found}.`;

/** What a list holds, for its single entries. */
const ENTRIES: Readonly<Record<string, string>> = {
  obstacles: 'thing',
  readings: 'reading',
  testFits: 'round',
  corners: '',
};

/** Parts of a path that only the file has. */
const ONLY_IN_FILES: readonly string[] = ['corners', 'typed', 'question'];

/**
 * `corners.frontLeft.obstacles[1].readings[0].gapMm` as a person says it: `front left, Body mount, reading 1, gap`, or `thing 2` where no
 * document says its name. A file's name stays as it is.
 */
export function placeText(path: string, file?: unknown): string {
  if (!/^[a-zA-Z]+(?:[.[]|$)/.test(path) || /\.(?:json|csv|ply|stl|obj|glb|jpe?g|png|txt)$/i.test(path)) return path;
  let at: unknown = file;
  return path
    .split('.')
    .flatMap((part) => {
      const [, name = part, index] = /^(\w+)\[(\d+)\]$/.exec(part) ?? [];
      at = memberOf(at, name);
      if (index !== undefined) {
        at = memberOf(at, index);
        return [labelOf(at) ?? `${ENTRIES[name] ?? wordsOf(name)} ${Number(index) + 1}`];
      }
      return ONLY_IN_FILES.includes(name) ? [] : [wordsOf(name)];
    })
    .join(', ');
}

const memberOf = (of: unknown, name: string): unknown =>
  typeof of === 'object' && of !== null ? (of as Readonly<Record<string, unknown>>)[name] : undefined;

/** What an entry is called in the document: its label, a round's title, a setup's name. */
function labelOf(entry: unknown): string | undefined {
  const said = [memberOf(entry, 'label'), memberOf(entry, 'title'), memberOf(entry, 'name')];
  return said.find((one): one is string => typeof one === 'string' && one !== '');
}

/** `suspensionLiftMm` as words, its unit left out: what is expected says it. */
const wordsOf = (name: string): string =>
  name
    .replace(/(?:Mm|Deg|In|Kpa|Kg|Kmh|Minor)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();

/** The same without the document path, for use beside the field itself. */
export const fieldText = (problem: Problem): string => `Expected ${problem.expected}; found ${problem.found}.`;
