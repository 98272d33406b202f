/** What the server answers, as an OpenAPI 3.1 document made from the very schemas it checks with. */
import { z } from 'zod';
import * as bin from './bin-api';
import * as catalogue from './catalogue';
import * as changes from './changes/change';
import * as installation from './installation-api';
import * as people from './people';
import * as live from './live-api';
import * as summary from './job-summary';
import * as devices from './device-api';
import * as finderApi from './finder-api';
import * as jobApi from './job-api';
import { FILE_VERSION } from './lowgap-file';
import { describedFields, named, portable } from './json-schema';
import { refusalSchema } from './problems';
import { scanPlanSchema } from './scan-plan';
import * as sheets from './sheets-api';
import * as shopFile from './shop-file';
import * as shop from './shop-api';
import * as wells from './well-api';

export const OPENAPI_PATH = 'docs/openapi.json';

const createdSchema = z.object({ id: z.uuid() });
const scanSchema = z.object({ name: z.string(), ply: z.string(), plan: scanPlanSchema });
const healthSchema = z.object({ status: z.literal('ok') });

/** All shapes that go over the wire under their own names, beside those of a file. */
const SHAPES = {
  ...bin,
  ...changes,
  ...live,
  ...people,
  ...installation,
  ...shopFile,
  ...summary,
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
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
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
  route('get', '/api/jobs', 'All jobs of the bay board, without their documents', 200, jobApi.jobListSchema),
  route('post', '/api/jobs', 'Begin a job', 201, jobApi.jobSchema, {
    body: jobApi.jobContentSchema,
    refuses: [400, 413],
  }),
  route('post', '/api/jobs/example', 'Make an invented job to look round in', 201, jobApi.jobSchema),
  route('get', '/api/jobs/{id}', 'One job', 200, jobApi.jobSchema, { refuses: [400, 404, 422] }),
  route(
    'get',
    '/api/jobs/{id}/text',
    'What is kept of it, whether this version can read it or not',
    200,
    'application/json',
    {
      refuses: [400, 404],
    },
  ),
  route(
    'patch',
    '/api/jobs/{id}',
    'Change fields of a job, whoever else changed others; 409 (a JobClash) where the same field was changed to something else',
    200,
    jobApi.jobSavedSchema,
    { body: jobApi.jobChangeSchema, refuses: [400, 404, 409, 413] },
  ),
  route('get', '/api/jobs/{id}/changes', 'Every save after a revision', 200, jobApi.jobChangesSchema, {
    query: { since: z.int() },
    refuses: [400],
  }),
  route('get', '/api/jobs/{id}/history', 'Its saves, newest first', 200, jobApi.jobHistorySchema, {
    refuses: [400, 404],
  }),
  route('get', '/api/jobs/{id}/history/{revision}', 'What it was at an earlier revision', 200, jobApi.jobThenSchema, {
    refuses: [400, 404, 422],
  }),
  route('delete', '/api/jobs/{id}', 'Put a job into the bin', 204, null, { refuses: [400, 404] }),
  route('get', '/api/catalogue', 'The shop’s tires, wheels and spacers', 200, catalogue.catalogueListSchema),
  route('post', '/api/catalogue', 'Add items, all or none', 201, catalogue.catalogueListSchema, {
    body: catalogue.catalogueImportSchema,
    refuses: [400],
  }),
  route(
    'put',
    '/api/catalogue/{id}',
    'Change an item over the revision that was read; 409 comes with the newer one',
    200,
    catalogue.catalogueItemSchema,
    { body: catalogue.catalogueChangeSchema, refuses: [400, 404, 409] },
  ),
  route('delete', '/api/catalogue/{id}', 'Put an item into the bin', 204, null, { refuses: [400, 404] }),
  route('get', '/api/shop', 'What the shop charges and how long it takes', 200, shop.shopSchema),
  route('put', '/api/shop', 'Change that', 200, shop.shopSchema, { body: shop.shopUpdateSchema, refuses: [400] }),
  route('get', '/api/wells', 'Surveyed wells to start from', 200, wells.wellListSchema),
  route('post', '/api/wells', 'Keep a well', 201, wells.wellSchema, { body: wells.wellContentSchema, refuses: [400] }),
  route('delete', '/api/wells/{id}', 'Put a well into the bin', 204, null, { refuses: [400, 404] }),
  route(
    'get',
    '/api/live/{id}',
    'What happens to a job while it is open, as server-sent events, each a LiveEvent',
    200,
    'text/event-stream',
    {
      refuses: [400, 404],
    },
  ),
  route('get', '/api/backup', 'The whole shop as one file', 200, 'application/zip'),
  route('post', '/api/backup', 'Bring a shop’s file in, or say what that would change', 200, shopFile.shopPlanSchema, {
    body: 'bytes',
    query: { how: z.enum(shopFile.SHOP_IMPORTS) },
    refuses: [400, 413],
  }),
  route('get', '/api/installation', 'What runs here and how it fares', 200, installation.installationSchema),
  route('get', '/api/people/me', 'Who asks, and whether anybody is asked', 200, people.meSchema),
  route('post', '/api/people/first', 'Make the owner, by the code on the console', 200, people.whoSchema, {
    body: people.firstOwnerSchema,
    refuses: [400, 401, 409, 429],
  }),
  route(
    'post',
    '/api/people/sign-in',
    'Sign in: by a password, or by a PIN on a paired device',
    200,
    people.whoSchema,
    {
      body: people.signInSchema,
      refuses: [400, 401, 429],
    },
  ),
  route('post', '/api/people/sign-out', 'Sign out', 204, null),
  route('post', '/api/people/pair', 'Make this browser a paired device, by a code', 204, null, {
    body: people.pairSchema,
    refuses: [400, 401, 429],
  }),
  route('get', '/api/people', 'People, devices and who is signed in', 200, people.peopleSchema, {
    refuses: [401, 403],
  }),
  route('post', '/api/people', 'Somebody new', 201, people.personSchema, {
    body: people.personContentSchema,
    refuses: [400, 401, 403, 409],
  }),
  route('put', '/api/people/{id}', 'Change what somebody may do, or how they sign in', 200, people.personSchema, {
    body: people.personChangeSchema,
    refuses: [400, 401, 403, 404, 409],
  }),
  route('post', '/api/people/pairing', 'A code that pairs one device', 200, people.pairingSchema, {
    refuses: [401, 403],
  }),
  route('delete', '/api/people/devices/{id}', 'Forget a device, and end what is signed in on it', 204, null, {
    refuses: [401, 403, 404],
  }),
  route('delete', '/api/people/sessions/{id}', 'End somebody’s session', 204, null, { refuses: [401, 403, 404] }),
  route('get', '/api/bin', 'What was thrown away', 200, bin.binSchema),
  route('post', '/api/bin/{kind}/{id}/back', 'Bring it back', 204, null, { refuses: [400, 404] }),
  route('delete', '/api/bin/{kind}/{id}', 'Forget it for good', 204, null, { refuses: [400, 404] }),
  route('post', '/api/photos', 'Keep a JPEG, PNG or WebP picture of a job', 201, createdSchema, {
    body: 'bytes',
    query: { job: z.uuid(), id: z.uuid().optional() },
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
    const PLAIN: Readonly<Record<string, object>> = {
      kind: { type: 'string', enum: bin.BIN_KINDS },
      revision: { type: 'integer', minimum: 1 },
    };
    const parameters = [
      ...named.map((name) => ({
        name,
        in: 'path',
        required: true,
        schema: PLAIN[name] ?? (isDevice ? { type: 'string' } : { type: 'string', format: 'uuid' }),
      })),
      ...Object.entries(query).map(([name, type]) => ({
        name,
        in: 'query',
        required: !type.safeParse(undefined).success,
        schema: inline(type),
      })),
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
      ...(body
        ? {
            requestBody: {
              required: true,
              content: body === 'bytes' ? { 'application/octet-stream': {} } : json(body),
            },
          }
        : {}),
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
