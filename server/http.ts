import { MOST_JOB_WORDS } from '@/contracts/job-size';
import type { ErrorRequestHandler, Request, RequestHandler, Response } from 'express';
import type { z } from 'zod';
import { boundsOf, parseWith } from '@/contracts/parse';
import type { Problem, ProblemCode } from '@/core/1-base/problem';

/** A refusal on its way to the client: always data, never a database's or a library's own words. */
export class Refusal extends Error {
  readonly status: number;
  readonly problems: readonly Problem[];
  readonly extra: Readonly<Record<string, unknown>>;
  constructor(status: number, problems: readonly Problem[], extra: Readonly<Record<string, unknown>> = {}) {
    super(`refused with ${status}`);
    this.status = status;
    this.problems = problems;
    this.extra = extra;
  }
}

export function refuse(status: number, code: ProblemCode, path: string, expected: string, found: string): never {
  throw new Refusal(status, [{ code, path, expected, found }]);
}

/** The part of a request that a schema describes. @throws Refusal 400 with every problem. */
export function checked<T extends z.ZodType>(schema: T, input: unknown, base = ''): z.output<T> {
  const beyond = boundsOf(input);
  if (beyond) throw new Refusal(400, [beyond]);
  const result = parseWith(schema, input, base);
  if (result.ok) return result.value;
  throw new Refusal(400, result.problems);
}

/** An async handler whose result is sent as JSON; undefined sends an empty 204. */
export function answer(work: (request: Request, response: Response) => Promise<unknown>): RequestHandler {
  return async (request, response) => {
    const body = await work(request, response);
    if (body === undefined) response.status(204).end();
    else response.json(body);
  };
}

export const notFound: RequestHandler = (request) =>
  refuse(404, 'notFound', '', 'a known address', `${request.method} ${request.path}`);

/** Errors thrown by body parsing carry a `type`. */
interface BodyError {
  readonly type?: string;
  readonly status?: number;
}

export const sendRefusal: ErrorRequestHandler = (error: unknown, request, response, _next) => {
  const refusal = error instanceof Refusal ? error : bodyRefusal(error as BodyError);
  if (!refusal) {
    request.log?.error({ fault: faultOf(error) }, 'fault');
    response.status(500).json({
      problems: [{ code: 'internal', path: '', expected: 'an answer', found: 'a fault of ours; it has been logged' }],
    });
    return;
  }
  response.status(refusal.status).json({ problems: refusal.problems, ...refusal.extra });
};

/**
 * What may be written down of a fault: what kind, where, and the database's own code. Never its words, which hold what was to be
 * written: documents, customers.
 */
export function faultOf(error: unknown): Readonly<Record<string, unknown>> {
  if (!(error instanceof Error)) return { kind: typeof error };
  const { code, constraint, routine } = error as { code?: unknown; constraint?: unknown; routine?: unknown };
  return {
    kind: error.name,
    ...(typeof code === 'string' ? { code } : {}),
    ...(typeof constraint === 'string' ? { constraint } : {}),
    ...(typeof routine === 'string' ? { routine } : {}),
    // Frames alone: the head of a stack is the message.
    at: (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line)),
    ...(error.cause === undefined ? {} : { cause: faultOf(error.cause) }),
  };
}

function bodyRefusal(error: BodyError): Refusal | null {
  const problem = (code: ProblemCode, expected: string, found: string): Problem => ({
    code,
    path: '',
    expected,
    found,
  });
  switch (error.type) {
    case 'entity.parse.failed':
      return new Refusal(400, [problem('invalidJson', 'a whole JSON body', 'text that breaks off or is not JSON')]);
    case 'entity.too.large':
      return new Refusal(413, [problem('tooLarge', `a body of ${MOST_JOB_WORDS}`, 'a larger one')]);
    default:
      // Other client errors of the body parser and of path decoding: encoding, charset, malformed escapes.
      return error.status !== undefined && error.status >= 400 && error.status < 500
        ? new Refusal(error.status, [problem('invalidJson', 'a readable request', 'one that could not be decoded')])
        : null;
  }
}
