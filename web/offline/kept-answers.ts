/** What a service worker keeps of the server's answers for when the server is away, and how a page tells one from a fresh one. */

/** The browser's store of them. */
export const KEPT_ANSWERS = 'low-gap-last-answers';

/** Header of an answer that comes out of it: when the server gave it. */
export const KEPT_SINCE = 'x-low-gap-kept-since';

/** Answers without which a room does not open. Nothing that is about people beside the one who is here. */
const KEPT_PATHS = /^\/api\/(jobs(\/[0-9a-f-]{36})?|photos\/[0-9a-f-]{36}|catalogue|wells|shop|people\/me)$/;

export const isKept = (path: string): boolean => KEPT_PATHS.test(path);

/** The same answer, marked with when it was given. */
export function asKept(answer: Response): Response {
  const headers = new Headers(answer.headers);
  headers.set(KEPT_SINCE, headers.get('date') ?? '');
  return new Response(answer.body, { status: answer.status, headers });
}

/** A proxy's word that there is nothing behind it counts as no answer. @throws TypeError */
export function answeredByServer(answer: Response): Response {
  if ([502, 503, 504].includes(answer.status)) throw new TypeError(`no server behind the proxy (${answer.status})`);
  return answer;
}

/** Whoever comes next at this browser may be somebody who may see less. */
export async function forgetKept(): Promise<void> {
  if (typeof caches !== 'undefined') await caches.delete(KEPT_ANSWERS).catch(() => false);
}
