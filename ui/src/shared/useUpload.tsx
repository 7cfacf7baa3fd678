import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { inRoom } from './live/changes';
import { sendFile } from './sendFile';
import { useIds } from './useIds';
import { Line } from './words/useSay';

/** A file on its way: where to, under an id that stays the same until it is taken. */
export interface Upload {
  to: (id: string) => string;
  /** What makes it the same file when it is sent again. */
  same: unknown[];
  file: Blob;
}

/** Sends files of one kind, and says how far the one on its way has come. */
export function useUpload(what: string) {
  const queries = useQueryClient();
  const { idOf, taken } = useIds();
  const [share, setShare] = useState(0);
  const sending = useMutation({
    mutationFn: ({ to, same, file }: Upload) => {
      setShare(0);
      const last = file instanceof File ? file.lastModified : 0;
      return sendFile(to(idOf([...same, file.size, last])), file, what, setShare);
    },
    onSuccess: () => {
      taken();
      return queries.invalidateQueries({ queryKey: inRoom() });
    },
  });
  const state = (
    <>
      {sending.isPending && <Sent share={share} what={what} bytes={sending.variables.file.size} />}
      {sending.isError && (
        <p className="field-error" role="alert">
          <Line error={sending.error} otherwise={`The ${what} was not saved.`} />
        </p>
      )}
    </>
  );
  return { send: sending.mutate, pending: sending.isPending, state };
}

function Sent({ share, what, bytes }: { share: number; what: string; bytes: number }) {
  const megabytes = (bytes / 1024 / 1024).toFixed(1);
  return (
    <p className="sent">
      <progress max={1} value={share} aria-label={`Sending the ${what}`} />
      {share < 1
        ? `${Math.floor(share * 100)} % of ${megabytes} MB sent`
        : `Sent. Now the ${what} is looked at …`}
    </p>
  );
}
