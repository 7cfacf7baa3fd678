import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';

/** What is asked about a bead's face. */
export type FaceRequest = Schemas['FaceRequest'];

/** What is asked about the back of a plate. */
export type BackRequest = Schemas['BackRequest'];

/** The eye on pictures that are kept. */
export const eyeQueries = {
  /** What was kept of a picture's face; null where nothing was. */
  standing: (pictureId: string) =>
    queryOptions({
      queryKey: inRoom('face', pictureId),
      queryFn: async ({ signal }) =>
        (await answer<Schemas['FaceSeen'] | undefined>(
          api.GET('/api/pictures/{pictureId}/face', { params: { path: { pictureId } }, signal }),
        )) ?? null,
      meta: { changedBy: by('bead') },
    }),
  /** How near it comes to what people make of the same pictures. */
  agreement: () =>
    queryOptions({
      queryKey: inRoom('eye-agreement'),
      queryFn: ({ signal }) => answer(api.GET('/api/eye/agreement', { signal })),
      meta: { changedBy: by('bead') },
    }),
  /** Whether one's own pictures may teach it. */
  leave: () =>
    queryOptions({
      queryKey: ['picture-leave'],
      queryFn: ({ signal }) => answer(api.GET('/api/eye/leave', { signal })),
    }),
  /** What was kept of what shows behind a bead; null where nothing was. */
  standingBack: (pictureId: string) =>
    queryOptions({
      queryKey: inRoom('back', pictureId),
      queryFn: async ({ signal }) =>
        (await answer<Schemas['BackSeen'] | undefined>(
          api.GET('/api/pictures/{pictureId}/back', { params: { path: { pictureId } }, signal }),
        )) ?? null,
      meta: { changedBy: by('bead') },
    }),
  /** How large the printed cards came out. */
  card: () =>
    queryOptions({
      queryKey: ['eye-card'],
      queryFn: ({ signal }) => answer(api.GET('/api/eye/card', { signal })),
    }),
  /** What the eye sees behind a bead; kept nowhere. */
  lookBehind: (pictureId: string, request: BackRequest | undefined) =>
    queryOptions({
      queryKey: ['back-look', pictureId, request],
      queryFn: ({ signal }) =>
        answer(
          api.POST('/api/pictures/{pictureId}/back', {
            params: { path: { pictureId } },
            body: request ?? { from: null, to: null, scale: null, notHoles: null },
            signal,
          }),
        ),
      enabled: request !== undefined,
      staleTime: Infinity,
      retry: false,
    }),
  /** What the eye sees, asked like this; kept nowhere. */
  look: (pictureId: string, request: FaceRequest) =>
    queryOptions({
      queryKey: ['face-look', pictureId, request],
      queryFn: ({ signal }) =>
        answer(
          api.POST('/api/pictures/{pictureId}/face', {
            params: { path: { pictureId } },
            body: request,
            signal,
          }),
        ),
      staleTime: Infinity,
      retry: false,
    }),
};
