import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { changedIn, type EvidenceDraft, namesOf, toEvidence } from './evidenceDraft';
import { beadQueries } from './queries';
import { useLook } from './useBeads';

/** A bead that was saved at an earlier try whose answer was lost, and changed since: what stands, what is new, and the ways on. */
export function SavedOtherwise(props: {
  id: string;
  noted: EvidenceDraft;
  onSettled: (bead: Schemas['Bead']) => void;
}) {
  const stored = useQuery({ ...beadQueries.file(props.id), staleTime: 0 });
  const [lookId] = useState(newId);
  const look = useLook(props.onSettled);
  if (stored.isLoadingError) return <Trouble error={stored.error} again={() => stored.refetch()} />;
  if (!stored.data) return null;
  const { bead } = stored.data;
  const evidence = { ...toEvidence(props.noted), macro: bead.evidence.macro ?? null };
  const changed = changedIn(evidence, bead.evidence);
  return (
    <div className="trouble" role="alert">
      <div className="stack">
        <b>Bead {bead.number} was saved at the first try. You have changed something since.</b>
        <span>
          {changed.length > 0
            ? `Not in it: ${namesOf(changed)}. The settings stay as they were saved.`
            : 'What you noted is in it; the settings stay as they were saved.'}
        </span>
        {look.isError && <Trouble error={look.error} />}
        <div className="row">
          {changed.length > 0 && (
            <Button
              size="lg"
              loading={look.isPending}
              onClick={() => look.mutate({ id: lookId, beadId: bead.id, version: bead.version, evidence })}
            >
              Add it as a second look
            </Button>
          )}
          <Button variant="default" size="lg" onClick={() => props.onSettled(bead)}>
            Leave it as saved
          </Button>
        </div>
      </div>
    </div>
  );
}
