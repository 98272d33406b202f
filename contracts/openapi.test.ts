import { readFileSync, readdirSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { Validator } from '@seriousme/openapi-schema-validator';
import { OPENAPI_PATH, openApiDocument, ROUTES } from './openapi';

test('the published OpenAPI document is the one the server answers by (npm run schema writes it)', () => {
  expect(readFileSync(OPENAPI_PATH, 'utf8')).toBe(openApiDocument());
});

// OpenAPI Specification 3.1.0, by its official JSON Schema as the validator ships it.
test('another reader takes it as OpenAPI 3.1', async () => {
  const validator = new Validator();
  const { valid, errors } = await validator.validate(JSON.parse(openApiDocument()));
  expect({ valid, errors }).toEqual({ valid: true, errors: undefined });
  expect(validator.version).toBe('3.1');
});

test('every reference leads somewhere, and every operation has a name of its own', () => {
  const text = openApiDocument();
  const { components, paths } = JSON.parse(text) as {
    components: { schemas: Record<string, object> };
    paths: Record<string, Record<string, { operationId: string }>>;
  };
  const wanted = [...text.matchAll(/"\$ref": "#\/components\/schemas\/([^"]+)"/g)].map(([, id]) => id!);
  expect(wanted.length).toBeGreaterThan(50);
  for (const id of wanted) expect(components.schemas).toHaveProperty(id);
  const ids = Object.values(paths).flatMap((path) => Object.values(path).map(({ operationId }) => operationId));
  expect(ids).toHaveLength(ROUTES.length);
  expect(new Set(ids).size).toBe(ids.length);
});

test('every route of the server is in it, and none that is not there', () => {
  const inCode = readdirSync('server/routes').flatMap((file) => {
    const code = readFileSync(`server/routes/${file}`, 'utf8');
    const base = `/api/${file.replace('.ts', '')}`;
    return [...code.matchAll(/router\.(get|post|put|patch|delete)\(\s*'([^']+)'/g)].map(
      ([, method, path]) => `${method} ${`${base}${path}`.replace(/\/$/, '').replace(/:(\w+)/g, '{$1}')}`,
    );
  });
  const said = ROUTES.filter(({ path }) => path.startsWith('/api/')).map(({ method, path }) => `${method} ${path}`);
  expect([...said].sort()).toEqual([...inCode].filter((one) => one !== 'get /api/openapi.json').sort());
});
