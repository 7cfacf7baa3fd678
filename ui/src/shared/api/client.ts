import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

/** Every record and word of the server, by its name there. */
export type Schemas = components['schemas'];

/** The server, as its own OpenAPI document describes it. */
export const api = createClient<paths>({ baseUrl: '/' });

/** What the server would not take: a title, and messages by field. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    title: string,
    readonly fields: Record<string, string>,
  ) {
    super(title);
  }

  /** All messages in one line, for places without a field of their own. */
  get line(): string {
    return Object.values(this.fields).join(' ') || this.message;
  }
}

interface Problem {
  title?: string | null;
  errors?: Record<string, string[]>;
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
    throw new Refused(0, noAnswer(), {});
  });
  if (response.ok) return data as T;
  const problem = (error ?? {}) as Problem;
  const fields = Object.fromEntries(
    Object.entries(problem.errors ?? {}).map(([field, texts]) => [field, texts.join(' ')]),
  );
  const title =
    {
      404: 'There is no such thing here.',
      429: 'Too many tries. Wait a minute.',
    }[response.status] ?? problem.title;
  throw new Refused(response.status, title || `The server answered ${response.status}.`, fields);
}
