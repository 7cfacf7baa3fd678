import createClient from 'openapi-fetch';
import { hearClock } from '../serverClock';
import type { components, paths } from './schema';

/** Every record and word of the server, by its name there. */
export type Schemas = components['schemas'];

/** The server, as its own OpenAPI document describes it. */
export const api = createClient<paths>({ baseUrl: '/', fetch: send });

// What a browser sends on for a page that is gone, bytes: 64 KiB of all that is on its way.
const sentOn = 60_000;

/** A write that was made is sent on when its page is left or read again in the same moment. Nothing is kept by GET and POST. */
async function send(request: Request): Promise<Response> {
  const writes = request.method === 'PUT' || request.method === 'DELETE';
  const small = writes && (await request.clone().blob()).size <= sentOn;
  const response = await fetch(request, small ? { keepalive: true } : undefined);
  hearClock(response.headers.get('date'));
  return response;
}

/** What was wrong with one field of a request. */
type Problem = Schemas['Problem'];

/** What the server would not take, and why; the screen's own reasons are plain words. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly said: Schemas['Said'] | string,
    readonly problems: Problem[] = [],
  ) {
    super(typeof said === 'string' ? said : said.say);
  }
}

/** What can be said when no answer came: without a network nothing left this machine; otherwise the answer alone may be lost. */
export const noAnswer = () =>
  navigator.onLine
    ? 'The server does not answer. What you typed is still here; whether it was saved is not known. Try again: nothing is saved twice.'
    : 'There is no network here. Nothing was saved; what you typed is still here.';

/** The answer's data, or a Refused that says why not. */
export async function answer<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  const { data, error, response } = await call.catch((failed: unknown) => {
    // A query that is no longer wanted was taken back by ourselves.
    if (failed instanceof DOMException && failed.name === 'AbortError') throw failed;
    throw new Refused(0, noAnswer());
  });
  if (response.ok) return data as T;
  throw refusalOf(response.status, error);
}

/** What an answer that is not what was asked for says. */
export function refusalOf(status: number, body: unknown, otherwise = `The server answered ${status}.`) {
  const told = (body ?? {}) as Partial<Schemas['ProblemAnswer']>;
  return new Refused(status, told.said ?? plain[status] ?? otherwise, told.problems);
}

/** A server that has too much to do, or what stands before it while one dies and another takes over: the same is worth asking again. */
export const passing: ReadonlySet<number> = new Set([502, 503, 504]);

// Answers that come without a body of ours.
const plain: Record<number, string> = {
  404: 'There is no such thing here.',
  429: 'Too many tries. Wait a minute.',
};
