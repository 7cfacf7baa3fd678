import { answer } from './api/client';

/** Sends a small file to be read, and gives what was read in it. */
export const postFile = <T>(path: string, file: Blob): Promise<T> =>
  answer<T>(
    fetch(path, { method: 'POST', body: file }).then(async (response) => {
      const body = (await response.json().catch(() => undefined)) as T;
      return response.ok ? { data: body, response } : { error: body, response };
    }),
  );
