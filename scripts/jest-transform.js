// TypeScript, and Vue's single files, into what Jest runs.
import { createTransformer } from '@swc/jest';
import { generateImports } from '@vuetify/loader-shared';
import { compileScript, parse } from '@vue/compiler-sfc';

// Jest runs modules in a context that looks a global up anew at each use, which hot loops feel. Each module takes those it
// names into constants of its own, on its first line, so that line numbers stay.
const GLOBALS = [
  ...['Math', 'Number', 'Array', 'Object', 'Map', 'Set', 'WeakMap', 'NaN', 'Infinity'],
  ...['Float64Array', 'Float32Array', 'Int32Array', 'Uint32Array', 'Uint8Array'],
];

function withOwnGlobals(source) {
  const named = GLOBALS.filter((name) => new RegExp(`\\b${name}\\b`).test(source));
  return named.length > 0 ? `const { ${named.join(', ')} } = globalThis;${source}` : source;
}

/** A single file as one TypeScript module, Vuetify's components imported as the build does; styles are left out. */
function vueModule(text, path) {
  const { descriptor, errors } = parse(text, { filename: path });
  if (errors.length > 0) throw errors[0];
  const { content } = compileScript(descriptor, { id: path, inlineTemplate: true });
  // The finder of components takes no assertion behind them.
  const plain = content.replace(/(_resolve(?:Component|Directive)\([^)]*\))!/g, '$1');
  const { code, source } = generateImports(plain, { autoImport: true });
  return `${source}${code}`;
}

export default {
  createTransformer() {
    const swc = createTransformer({
      jsc: { target: 'es2022', parser: { syntax: 'typescript' } },
      module: { type: 'es6' },
      sourceMaps: 'inline',
    });
    const on =
      (name) =>
      (source, path, ...rest) =>
        path.endsWith('.vue')
          ? swc[name](vueModule(source, path), `${path}.ts`, ...rest)
          : swc[name](withOwnGlobals(source), path, ...rest);
    return { ...swc, process: on('process'), processAsync: on('processAsync'), getCacheKey: on('getCacheKey') };
  },
};
