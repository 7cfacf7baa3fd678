import { Button } from '@mantine/core';
import type { Schemas } from '../../shared/api/client';
import { useVisit } from './useVisit';

/** The round: whoever was just looked at is seen to again last. */
export function SeenKey(props: { sessionId: string; boothId: string; student: Schemas['PersonName'] }) {
  const visit = useVisit(props.sessionId, props.boothId);
  return (
    <Button
      variant="default"
      aria-label={`Seen: ${props.student.name}`}
      loading={visit.isPending}
      onClick={() => visit.mutate({ studentId: props.student.id, note: '' })}
    >
      Seen
    </Button>
  );
}
