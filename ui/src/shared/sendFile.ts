import { noAnswer, Refused } from './api/client';

interface Problem {
  title?: string;
  errors?: Record<string, string[]>;
}

/** Sends a file as it is; a refusal says why, in one line. */
export async function sendFile(path: string, file: Blob, what: string): Promise<void> {
  const response = await fetch(path, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  }).catch(() => {
    throw new Refused(0, noAnswer(), {});
  });
  if (response.ok) return;
  const problem = (await response.json().catch(() => ({}))) as Problem;
  const line = Object.values(problem.errors ?? {})
    .flat()
    .join(' ');
  throw new Refused(response.status, line || problem.title || `The ${what} was not taken.`, {});
}
