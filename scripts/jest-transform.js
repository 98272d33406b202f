// Jest runs modules in a context that looks a global up anew at each use, which hot loops feel. Each module takes those it
// names into constants of its own, on its first line, so that line numbers stay.
import { createTransformer } from '@swc/jest';

const GLOBALS = [
  ...['Math', 'Number', 'Array', 'Object', 'Map', 'Set', 'WeakMap', 'NaN', 'Infinity'],
  ...['Float64Array', 'Float32Array', 'Int32Array', 'Uint32Array', 'Uint8Array'],
];

function withOwnGlobals(source) {
  const named = GLOBALS.filter((name) => new RegExp(`\\b${name}\\b`).test(source));
  return named.length > 0 ? `const { ${named.join(', ')} } = globalThis;${source}` : source;
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
      (source, ...rest) =>
        swc[name](withOwnGlobals(source), ...rest);
    return { ...swc, process: on('process'), processAsync: on('processAsync'), getCacheKey: on('getCacheKey') };
  },
};
