import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';

export type Job = Schemas['JobRequest'];

/** A job as the server takes it, from one it gave. */
export const asTyped = (job: Schemas['Job']): Job => ({
  thickness: job.thickness.typed,
  otherThickness: job.otherThickness?.typed ?? null,
  joint: job.joint,
  position: job.position,
  process: job.process,
  metal: job.metal,
  wire: job.wire,
  gas: job.gas,
  polarity: job.polarity ?? null,
});

/** The sheet for a job, for whoever stands at the booth, anew with every key. */
export const useSheet = (job: Job, boothId: string, sessionId: string) =>
  useQuery({
    queryKey: ['room', 'compute', boothId, sessionId, job],
    queryFn: ({ signal }) =>
      answer(api.POST('/api/sheets/compute', { body: { job, boothId, sessionId }, signal })),
    enabled: (job.thickness ?? '').trim() !== '',
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 60_000,
  });

/** The same job with other wires and in other modes. */
export const useAlternatives = (job: Job, boothId: string, enabled: boolean) =>
  useQuery({
    queryKey: ['room', 'alternatives', boothId, job],
    queryFn: () => answer(api.POST('/api/sheets/alternatives', { body: { job, boothId } })),
    enabled,
  });

/** Named sheets. */
export const usePresets = () =>
  useQuery({
    queryKey: ['presets'],
    queryFn: async ({ signal }) => {
      const presets: Schemas['Preset'][] = [];
      let after: string | undefined;
      do {
        const page: { items: Schemas['Preset'][]; more: string | null } = await answer(
          api.GET('/api/presets', { params: { query: { after } }, signal }),
        );
        presets.push(...page.items);
        after = page.more ?? undefined;
      } while (after !== undefined);
      return presets;
    },
  });

/** Saves a job under a name. */
export function useSavePreset(onSaved: (preset: Schemas['Preset']) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (preset: { id: string; name: string; job: Job }) =>
      answer(
        api.PUT('/api/presets/{id}', {
          params: { path: { id: preset.id } },
          body: { name: preset.name, job: preset.job },
        }),
      ),
    onSuccess: async (preset) => {
      onSaved(preset);
      await queries.invalidateQueries({ queryKey: ['presets'] });
    },
  });
}
