import { noAnswer, Refused, refusalOf } from './api/client';

/** Sends a file as it is, telling how much of it has gone, 0 to 1; a refusal says why. */
export function sendFile(path: string, file: Blob, what: string, onSent: (share: number) => void) {
  // Only the older way of asking tells how far an upload has come.
  const request = new XMLHttpRequest();
  return new Promise<void>((taken, refused) => {
    request.upload.onprogress = ({ loaded, total }) => onSent(total === 0 ? 1 : loaded / total);
    request.onload = () => {
      if (request.status >= 200 && request.status < 300) taken();
      else refused(refusalOf(request.status, parsed(request.responseText), `The ${what} was not taken.`));
    };
    request.onerror = () => refused(new Refused(0, noAnswer()));
    request.open('PUT', path);
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.send(file);
  });
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
