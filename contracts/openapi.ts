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

/** Every route of the server. */
export const ROUTES: readonly Route[] = [
  {
    method: 'get',
    path: '/healthz',
    summary: 'Whether server and database answer',
    answers: [200, healthSchema],
    refuses: [],
  },
  {
    method: 'get',
    path: '/api/jobs',
    summary: 'All jobs of the bay board',
    answers: [200, jobApi.jobListSchema],
    refuses: [],
  },
  {
    method: 'post',
    path: '/api/jobs',
    summary: 'Begin a job',
    body: jobApi.jobContentSchema,
    answers: [201, jobApi.jobSchema],
    refuses: [400, 413],
  },
  { method: 'get', path: '/api/jobs/{id}', summary: 'One job', answers: [200, jobApi.jobSchema], refuses: [400, 404] },
  {
    method: 'put',
    path: '/api/jobs/{id}',
    summary: 'Save a job over the revision that was read; 409 comes with the newer one',
    body: jobApi.jobUpdateSchema,
    answers: [200, jobApi.jobSchema],
    refuses: [400, 404, 409, 413],
  },
  { method: 'delete', path: '/api/jobs/{id}', summary: 'Remove a job', answers: [204, null], refuses: [400, 404] },
  {
    method: 'get',
    path: '/api/catalogue',
    summary: 'The shop’s tires, wheels and spacers',
    answers: [200, catalogue.catalogueListSchema],
    refuses: [],
  },
  {
    method: 'post',
    path: '/api/catalogue',
    summary: 'Add items, all or none',
    body: catalogue.catalogueImportSchema,
    answers: [201, catalogue.catalogueListSchema],
    refuses: [400],
  },
  {
    method: 'put',
    path: '/api/catalogue/{id}',
    summary: 'Change an item',
    body: catalogue.catalogueContentSchema,
    answers: [200, catalogue.catalogueItemSchema],
    refuses: [400, 404],
  },
  {
    method: 'delete',
    path: '/api/catalogue/{id}',
    summary: 'Remove an item',
    answers: [204, null],
    refuses: [400, 404],
  },
  {
    method: 'get',
    path: '/api/shop',
    summary: 'What the shop charges and how long it takes',
    answers: [200, shop.shopSchema],
    refuses: [],
  },
  {
    method: 'put',
    path: '/api/shop',
    summary: 'Change that',
    body: shop.shopUpdateSchema,
    answers: [200, shop.shopSchema],
    refuses: [400],
  },
  {
    method: 'get',
    path: '/api/wells',
    summary: 'Surveyed wells to start from',
    answers: [200, wells.wellListSchema],
    refuses: [],
  },
  {
    method: 'post',
    path: '/api/wells',
    summary: 'Keep a well',
    body: wells.wellContentSchema,
    answers: [201, wells.wellSchema],
    refuses: [400],
  },
  { method: 'delete', path: '/api/wells/{id}', summary: 'Remove a well', answers: [204, null], refuses: [400, 404] },
  {
    method: 'post',
    path: '/api/photos',
    summary: 'Keep a JPEG, PNG or WebP picture of a job',
    query: { job: z.uuid() },
    body: 'bytes',
    answers: [201, createdSchema],
    refuses: [400, 404, 413],
  },
  { method: 'get', path: '/api/photos/{id}', summary: 'The picture', answers: [200, 'image/*'], refuses: [400, 404] },
  {
    method: 'get',
    path: '/api/devices',
    summary: 'Measuring devices of this server',
    answers: [200, devices.deviceListSchema],
    refuses: [],
  },
  {
    method: 'get',
    path: '/api/devices/{id}/stream',
    summary: 'A gauge as server-sent events, each a GaugeEvent',
    answers: [200, 'text/event-stream'],
    refuses: [404, 503],
  },
  {
    method: 'post',
    path: '/api/devices/{id}/act',
    summary: 'Move the simulated gauge',
    body: devices.gaugeActSchema,
    answers: [204, null],
    refuses: [400, 404, 409],
  },
  {
    method: 'post',
    path: '/api/devices/{id}/scan',
    summary: 'Take a scan',
    answers: [200, scanSchema],
    refuses: [404],
  },
  {
    method: 'post',
    path: '/api/finder',
    summary: 'Begin a search',
    body: finderApi.findRequestSchema,
    answers: [202, finderApi.findStateSchema],
    refuses: [400, 413],
  },
  {
    method: 'get',
    path: '/api/finder/{id}',
    summary: 'How far it is, or its answer',
    answers: [200, finderApi.findStateSchema],
    refuses: [400, 404],
  },
  { method: 'delete', path: '/api/finder/{id}', summary: 'Give it up', answers: [204, null], refuses: [400, 404] },
  {
    method: 'post',
    path: '/api/sheets/calendar',
    summary: 'What is due as an iCalendar file',
    body: sheets.calendarRequestSchema,
    answers: [200, 'text/calendar'],
    refuses: [400],
  },
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
