import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { type Job, sheetQueries } from './queries';

export type { Job };

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
      await queries.invalidateQueries({ queryKey: sheetQueries.presets().queryKey });
    },
  });
}
