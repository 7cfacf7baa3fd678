import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';

const asAddress = (picture: Blob) =>
  new Promise<string>((read, failed) => {
    const reader = new FileReader();
    reader.onload = () => read(reader.result as string);
    reader.onerror = () => failed(new Error('A picture could not be read.'));
    reader.readAsDataURL(picture);
  });

/** Recordings, and what records in the booths. */
export const listeningQueries = {
  /** The booths' stand-in devices. */
  standIns: (boothId: string) =>
    queryOptions({
      queryKey: ['stand-ins', boothId],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/booths/{id}/stand-ins', { params: { path: { id: boothId } }, signal })),
      // They are switched once an evening, if that; not asked for anew with every bead.
      staleTime: 5 * 60_000,
    }),
  /** The pitches of a sound over time, as a picture; a recording never changes. */
  spectrogram: (recordingId: string) =>
    queryOptions({
      queryKey: ['spectrogram', recordingId],
      queryFn: async ({ signal }) =>
        asAddress(
          await answer<Blob>(
            api.GET('/api/recordings/{recordingId}/spectrogram', {
              params: { path: { recordingId } },
              parseAs: 'blob',
              signal,
            }) as Promise<{ data?: Blob; error?: unknown; response: Response }>,
          ),
        ),
      staleTime: Number.POSITIVE_INFINITY,
    }),
};
