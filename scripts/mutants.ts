/**
 * Changes one sign, comparison, function or number of the core at a time and sees whether a test notices:
 *
 *     npm run mutants                    (40 changes, seed 1)
 *     npm run mutants -- 100 7 core/5-consequences
 *
 * Tests beside the changed file come first, then every unit test that the file reaches. Run it in a tree without changes of your own.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import ts from 'typescript';
import { seededRandom } from '@/core/1-base/numeric/seeded-random';

const [count = '40', seed = '1', below = 'core'] = process.argv.slice(2);

interface Mutant {
  readonly file: string;
  readonly line: number;
  readonly from: number;
  readonly to: number;
  readonly was: string;
  readonly is: string;
}

const SWAPS: Readonly<Record<string, string>> = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '+=': '-=',
  '-=': '+=',
};
const NAMES: Readonly<Record<string, string>> = {
  min: 'max',
  max: 'min',
  sin: 'cos',
  cos: 'sin',
  ceil: 'floor',
  floor: 'ceil',
};

/** Every place of a file that a formula hangs on. Text, types and messages are left out. */
function mutantsOf(file: string): Mutant[] {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found: Mutant[] = [];
  const add = (node: ts.Node, is: string): void => {
    const from = node.getStart();
    const line = source.getLineAndCharacterOfPosition(from).line + 1;
    found.push({ file, line, from, to: node.end, was: node.getText(), is });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isTemplateExpression(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const is = SWAPS[node.operatorToken.getText()];
      const joinsText = [node.left, node.right].some((side) => ts.isStringLiteralLike(side));
      if (is && !joinsText) add(node.operatorToken, is);
    }
    if (
      ts.isPrefixUnaryExpression(node) &&
      node.operator === ts.SyntaxKind.MinusToken &&
      !ts.isNumericLiteral(node.operand)
    ) {
      add(node, node.operand.getText());
    }
    if (ts.isPropertyAccessExpression(node) && node.expression.getText() === 'Math') {
      const is = NAMES[node.name.text];
      if (is) add(node.name, is);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Whether these unit tests still pass; a change that makes one go on without end is noticed like any other. */
function survives(limitS: number, ...which: readonly string[]): boolean {
  const args = ['--experimental-vm-modules', 'node_modules/jest/bin/jest.js', '--bail', '--silent'];
  const done = spawnSync(process.execPath, [...args, '--selectProjects', 'unit', '--passWithNoTests', ...which], {
    stdio: 'ignore',
    timeout: 1000 * limitS,
    killSignal: 'SIGKILL',
  });
  return done.status === 0;
}

const git = (...args: string[]): string => execFileSync('git', args, { encoding: 'utf8' });

if (git('status', '--porcelain', 'core').trim() !== '') {
  process.stderr.write('mutants: core has changes of your own; commit them first\n');
  process.exit(2);
}
const files = git('ls-files', below)
  .split('\n')
  .filter((file) => file.startsWith('core/') && file.endsWith('.ts') && !/\.test\.ts$|^core\/fixtures\//.test(file));
const all = files.flatMap(mutantsOf);
const random = seededRandom(Number(seed));
const chosen = new Set<Mutant>();
while (chosen.size < Math.min(Number(count), all.length)) chosen.add(all[Math.floor(random() * all.length)]!);

const alive: Mutant[] = [];
let done = 0;
for (const mutant of chosen) {
  const { file, from, to, line, was, is } = mutant;
  const text = readFileSync(file, 'utf8');
  writeFileSync(file, text.slice(0, from) + is + text.slice(to));
  try {
    const lives = survives(150, '--', dirname(file)) && survives(600, '--findRelatedTests', file);
    if (lives) alive.push(mutant);
    done++;
    process.stdout.write(`${done} ${lives ? 'ALIVE ' : 'killed'} ${file}:${line}: ${was} -> ${is}\n`);
  } finally {
    if (existsSync(file)) writeFileSync(file, text);
  }
}
const killed = done - alive.length;
process.stdout.write(
  `\n${killed} of ${done} noticed (${((100 * killed) / done).toFixed(0)} %), of ${all.length} places, seed ${seed}\n`,
);
for (const { file, line, was, is } of alive) process.stdout.write(`  alive: ${file}:${line}: ${was} -> ${is}\n`);
