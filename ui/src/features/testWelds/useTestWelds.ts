import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';

/** One of the writes on a test weld; every screen sees it at once. */
export function useTestWrite<T>(
  write: (given: T) => Promise<Schemas['TestWeldView']>,
  onDone?: (view: Schemas['TestWeldView']) => void,
) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: async (view) => {
      onDone?.(view);
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
  });
}
