import { Button } from '@mantine/core';
import { useState } from 'react';
import { Refused, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { EvidenceFields } from './EvidenceFields';
import { toDraft, toEvidence } from './evidenceDraft';
import { useLook } from './useBeads';

/** More evidence of a bead already judged: the gauge, the back, what was heard. It is judged anew; the first word is kept. */
export function LookAgain(props: { bead: Schemas['Bead']; sheet: Schemas['Sheet']; onDone: () => void }) {
  const { per } = useUnits();
  const [draft, setDraft] = useState(() => toDraft(props.bead.evidence, per));
  const [id] = useState(newId);
  const look = useLook(props.onDone);
  const fields = look.error instanceof Refused ? look.error.fields : {};
  return (
    <form
      className="stack capture"
      aria-label="Look again"
      onSubmit={(event) => {
        event.preventDefault();
        look.mutate({ id, beadId: props.bead.id, evidence: toEvidence(draft, per) });
      }}
    >
      <EvidenceFields
        sheet={props.sheet}
        draft={draft}
        change={(part) => setDraft((before) => ({ ...before, ...part }))}
        fields={fields}
      />
      {look.isError && (
        <Trouble
          error={
            Object.keys(fields).length > 0
              ? new Refused(400, Object.values(fields).join(' '), {})
              : look.error
          }
        />
      )}
      <div className="row">
        <Button type="submit" size="lg" loading={look.isPending}>
          Judge bead {props.bead.number} anew
        </Button>
        <Button size="lg" variant="default" onClick={props.onDone}>
          Back
        </Button>
      </div>
    </form>
  );
}
