import { useMutation } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { fromMarks, type Marks, type Point, whole } from './sectionMarks';

/** What the eye would mark on a section, when it is asked. */
export function useProposal(pictureId: string) {
  const [seen, setSeen] = useState<Schemas['SectionSeen'] | null>(null);
  const ask = useMutation({
    mutationFn: (body: Schemas['SectionRequest']) =>
      answer(api.POST('/api/pictures/{pictureId}/section', { params: { path: { pictureId } }, body })),
    onSuccess: ({ section }) => setSeen(section ?? null),
  });
  // Thousands of points, and a finger moves through them: made once.
  const edges = useMemo(() => (seen?.edges ?? []).map((line): Point[] => line.map(whole)), [seen]);
  return {
    ask: (marks: Marks, scaleMm: number, take: (proposed: Marks) => void) => {
      const [from, to] = marks.scale;
      const scale = from && to && !marks.plane ? { from, to, lengthMm: scaleMm } : null;
      ask.mutate(
        { scale, middle: marks.root[0] ?? null },
        { onSuccess: ({ section }) => section && take(fromMarks(section.marks)) },
      );
    },
    waiting: ask.isPending,
    error: ask.error,
    /** What to do about the picture, where the eye could not propose anything. */
    todo: ask.data?.do ?? null,
    seen,
    edges,
  };
}

/** What the eye proposed, or why it could not. */
export type Proposal = ReturnType<typeof useProposal>;
