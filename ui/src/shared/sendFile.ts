import { noAnswer, Refused, refusalOf } from './api/client';

/** Sends a file as it is; a refusal says why. */
export async function sendFile(path: string, file: Blob, what: string): Promise<void> {
  const response = await fetch(path, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  }).catch(() => {
    throw new Refused(0, noAnswer());
  });
  if (response.ok) return;
  throw refusalOf(
    response.status,
    await response.json().catch(() => undefined),
    `The ${what} was not taken.`,
  );
}
