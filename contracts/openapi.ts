/** What the server answers, as an OpenAPI 3.1 document made from the very schemas it checks with. */
import { z } from 'zod';
import * as catalogue from './catalogue';
import * as devices from './device-api';
import * as finderApi from './finder-api';
import * as jobApi from './job-api';
import { FILE_VERSION } from './lowgap-file';
import { describedFields, named, portable } from './json-schema';
import { refusalSchema } from './problems';
import { scanPlanSchema } from './scan-plan';
import * as sheets from './sheets-api';
import * as shop from './shop-api';
import * as wells from './well-api';

export const OPENAPI_PATH = 'docs/openapi.json';

const createdSchema = z.object({ id: z.uuid() });
const scanSchema = z.object({ name: z.string(), ply: z.string(), plan: scanPlanSchema });
const healthSchema = z.object({ status: z.literal('ok') });

/** All shapes that go over the wire under their own names, beside those of a file. */
const SHAPES = {
  ...catalogue,
  ...devices,
  ...finderApi,
  ...jobApi,
  ...sheets,
  ...shop,
  ...wells,
  refusalSchema,
  createdSchema,
  scanSchema,
  healthSchema,
};

interface Route {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  readonly path: string;
  readonly summary: string;
  readonly query?: Readonly<Record<string, z.ZodType>>;
  readonly body?: z.ZodType | 'bytes';
  /** Status and what is answered; null: nothing. */
  readonly answers: readonly [status: number, content: z.ZodType | string | null];
  /** Statuses with a refusal: which fields, what was expected, what was found. */
  readonly refuses: readonly number[];
}

const route = (
  method: Route['method'],
  path: string,
  summary: string,
  status: number,
  content: Route['answers'][1],
  { refuses = [], ...more }: Partial<Pick<Route, 'body' | 'query' | 'refuses'>> = {},
): Route => ({ method, path, summary, answers: [status, content], refuses, ...more });

/** Every route of the server. */
export const ROUTES: readonly Route[] = [
  route('get', '/healthz', 'Whether server and database answer', 200, healthSchema),
  route('get', '/api/jobs', 'All jobs of the bay board', 200, jobApi.jobListSchema),
  route('post', '/api/jobs', 'Begin a job', 201, jobApi.jobSchema, {
    body: jobApi.jobContentSchema,
    refuses: [400, 413],
  }),
  route('post', '/api/jobs/example', 'Make an invented job to look round in', 201, jobApi.jobSchema),
  route('get', '/api/jobs/{id}', 'One job', 200, jobApi.jobSchema, { refuses: [400, 404] }),
  route(
    'put',
    '/api/jobs/{id}',
    'Save a job over the revision that was read; 409 comes with the newer one',
    200,
    jobApi.jobSchema,
    { body: jobApi.jobUpdateSchema, refuses: [400, 404, 409, 413] },
  ),
  route('delete', '/api/jobs/{id}', 'Remove a job', 204, null, { refuses: [400, 404] }),
  route('get', '/api/catalogue', 'The shop’s tires, wheels and spacers', 200, catalogue.catalogueListSchema),
  route('post', '/api/catalogue', 'Add items, all or none', 201, catalogue.catalogueListSchema, {
    body: catalogue.catalogueImportSchema,
    refuses: [400],
  }),
  route('put', '/api/catalogue/{id}', 'Change an item', 200, catalogue.catalogueItemSchema, {
    body: catalogue.catalogueContentSchema,
    refuses: [400, 404],
  }),
  route('delete', '/api/catalogue/{id}', 'Remove an item', 204, null, { refuses: [400, 404] }),
  route('get', '/api/shop', 'What the shop charges and how long it takes', 200, shop.shopSchema),
  route('put', '/api/shop', 'Change that', 200, shop.shopSchema, { body: shop.shopUpdateSchema, refuses: [400] }),
  route('get', '/api/wells', 'Surveyed wells to start from', 200, wells.wellListSchema),
  route('post', '/api/wells', 'Keep a well', 201, wells.wellSchema, { body: wells.wellContentSchema, refuses: [400] }),
  route('delete', '/api/wells/{id}', 'Remove a well', 204, null, { refuses: [400, 404] }),
  route('post', '/api/photos', 'Keep a JPEG, PNG or WebP picture of a job', 201, createdSchema, {
    body: 'bytes',
    query: { job: z.uuid() },
    refuses: [400, 404, 413],
  }),
  route('get', '/api/photos/{id}', 'The picture', 200, 'image/*', { refuses: [400, 404] }),
  route('get', '/api/devices', 'Measuring devices of this server', 200, devices.deviceListSchema),
  route(
    'get',
    '/api/devices/{id}/stream',
    'A gauge as server-sent events, each a GaugeEvent',
    200,
    'text/event-stream',
    { refuses: [404, 503] },
  ),
  route('post', '/api/devices/{id}/act', 'Move the simulated gauge', 204, null, {
    body: devices.gaugeActSchema,
    refuses: [400, 404, 409],
  }),
  route('post', '/api/devices/{id}/scan', 'Take a scan', 200, scanSchema, { refuses: [404] }),
  route('post', '/api/finder', 'Begin a search', 202, finderApi.findStateSchema, {
    body: finderApi.findRequestSchema,
    refuses: [400, 413],
  }),
  route('get', '/api/finder/{id}', 'How far it is, or its answer', 200, finderApi.findStateSchema, {
    refuses: [400, 404],
  }),
  route('delete', '/api/finder/{id}', 'Give it up', 204, null, { refuses: [400, 404] }),
  route('post', '/api/sheets/calendar', 'What is due as an iCalendar file', 200, 'text/calendar', {
    body: sheets.calendarRequestSchema,
    refuses: [400],
  }),
];

const refTo = (id: string): string => `#/components/schemas/${id}`;

/** The document as text: `npm run schema` writes it. */
export function openApiDocument(): string {
  const registry = named(SHAPES);
  const { schemas } = z.toJSONSchema(registry, {
    io: 'input',
    target: 'draft-2020-12',
    uri: refTo,
    override: portable,
  });
  const components = Object.fromEntries(
    Object.entries(schemas).map(([id, { $id: _id, $schema: _dialect, ...schema }]) => [id, describedFields(schema)]),
  );
  const schemaOf = (type: z.ZodType): object => {
    const id = registry.get(type)?.id;
    return id === undefined ? inline(type) : { $ref: refTo(id) };
  };
  const document = {
    openapi: '3.1.0',
    info: {
      title: 'Low Gap',
      version: String(FILE_VERSION),
      description: 'Lengths in mm, angles in degrees unless a name says otherwise.',
    },
    servers: [{ url: '/' }],
    paths: pathsOf(schemaOf),
    components: { schemas: components },
  };
  return `${JSON.stringify(document, null, 2)}\n`;
}

const inline = (type: z.ZodType): object => {
  const { $schema: _dialect, ...schema } = z.toJSONSchema(type, { target: 'draft-2020-12' });
  return schema;
};

function pathsOf(schemaOf: (type: z.ZodType) => object): object {
  const json = (type: z.ZodType): object => ({ 'application/json': { schema: schemaOf(type) } });
  const paths: Record<string, Record<string, object>> = {};
  for (const {
    method,
    path,
    summary,
    query = {},
    body,
    answers: [status, content],
    refuses,
  } of ROUTES) {
    const named = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!);
    const isDevice = path.startsWith('/api/devices/');
    const parameters = [
      ...named.map((name) => ({
        name,
        in: 'path',
        required: true,
        schema: isDevice ? { type: 'string' } : { type: 'string', format: 'uuid' },
      })),
      ...Object.entries(query).map(([name, type]) => ({ name, in: 'query', required: true, schema: inline(type) })),
    ];
    const answered =
      content === null
        ? { description: 'Done' }
        : {
            description: 'The answer',
            content: typeof content === 'string' ? { [content]: {} } : json(content),
          };
    (paths[path] ??= {})[method] = {
      summary,
      operationId: `${method}${path.replace(/[^a-z]+(.)?/gi, (_, next: string | undefined) => (next ?? '').toUpperCase())}`,
      ...(parameters.length > 0 ? { parameters } : {}),
      ...(body ? { requestBody: { required: true, content: body === 'bytes' ? { 'image/*': {} } : json(body) } } : {}),
      responses: {
        [status]: answered,
        ...Object.fromEntries(
          refuses.map((refused) => [refused, { description: 'Refused', content: json(refusalSchema) }]),
        ),
      },
    };
  }
  return paths;
}
