import { useDebouncedValue } from '@mantine/hooks';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';

const none: Schemas['PersonName'][] = [];

/** The first students whose names hold what is typed; none while nothing is. */
export function useStudents(called: string): Schemas['PersonName'][] {
  const [sought] = useDebouncedValue(called.trim(), 150);
  const found = useQuery({
    queryKey: ['room', 'students', 'called', sought],
    queryFn: ({ signal }) =>
      answer(api.GET('/api/people/students', { params: { query: { called: sought } }, signal })),
    enabled: sought !== '',
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
  return sought === '' ? none : (found.data?.items ?? none);
}
