import { Button } from '@mantine/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Refused, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { enterStays, useSubmitKey } from '../../shared/submitKeys';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { EvidenceFields } from './EvidenceFields';
import { changedIn, type EvidenceDraft, mergedOnto, namesOf, toDraft, toEvidence } from './evidenceDraft';
import { beadQueries } from './queries';
import { useLook } from './useBeads';
import { useFields } from '../../shared/words/useSay';
import css from './capture.module.css';

/** More evidence of a bead already judged: the gauge, the back, what was heard. It is judged anew; the first word is kept. */
export function LookAgain(props: { bead: Schemas['Bead']; sheet: Schemas['Sheet']; onDone: () => void }) {
  const { units } = useUnits();
  const queries = useQueryClient();
  // What it is changed from: another's look in the meantime is told, and both are shown.
  const [from, setFrom] = useState(props.bead);
  const [draft, setDraft] = useState(() => toDraft(props.bead.evidence, units));
  const [theirs, setTheirs] = useState<Schemas['Bead']>();
  const id = useRef(newId());
  const look = useLook(props.onDone);
  const form = useRef<HTMLFormElement>(null);
  const fields = useFields(look.error);
  const sendFrom = (base: Schemas['Bead'], evidence: EvidenceDraft) =>
    look.mutate(
      { id: id.current, beadId: base.id, version: base.version, evidence: toEvidence(evidence) },
      {
        onError: (refused) => {
          // Somebody looked in the meantime; or an earlier try of this one was saved, its answer lost, and something changed since.
          if (!(refused instanceof Refused) || ![409, 412].includes(refused.status)) return;
          id.current = newId();
          void queries
            .query({ ...beadQueries.file(base.id), staleTime: 0 })
            .then((file) => setTheirs(file.bead));
        },
      },
    );
  const send = () => {
    if (!look.isPending) sendFrom(from, draft);
  };
  useSubmitKey(form, send);
  const goOnFrom = (bead: Schemas['Bead'], evidence: EvidenceDraft) => {
    setFrom(bead);
    setDraft(evidence);
    setTheirs(undefined);
    look.reset();
  };
  return (
    <form
      ref={form}
      className={`stack ${css.capture}`}
      aria-label="Look again"
      onKeyDown={enterStays}
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <EvidenceFields
        sheet={props.sheet}
        draft={draft}
        change={(part) => setDraft((before) => ({ ...before, ...part }))}
        fields={fields}
      />
      {theirs ? (
        <Both
          mine={changedIn(toEvidence(draft), from.evidence)}
          theirs={changedIn(theirs.evidence, from.evidence)}
          onTheirs={() => goOnFrom(theirs, toDraft(theirs.evidence, units))}
          onBoth={() =>
            goOnFrom(theirs, mergedOnto(theirs.evidence, toEvidence(draft), from.evidence, units))
          }
        />
      ) : (
        look.isError && (
          <Trouble
            error={
              Object.keys(fields).length > 0 ? new Refused(400, Object.values(fields).join(' ')) : look.error
            }
          />
        )
      )}
      {!theirs && (
        <div className="row">
          <Button type="submit" size="lg" loading={look.isPending}>
            Judge bead {props.bead.number} anew
          </Button>
          <Button size="lg" variant="default" onClick={props.onDone}>
            Back
          </Button>
        </div>
      )}
    </form>
  );
}

/** Two looks from one version: what each changed, and the ways on. */
function Both(props: { mine: string[]; theirs: string[]; onTheirs: () => void; onBoth: () => void }) {
  const both = props.mine.filter((name) => props.theirs.includes(name));
  return (
    <div className="trouble" role="alert">
      <div className="stack">
        <b>This bead was looked at since you opened it. What stands here is not saved.</b>
        <span>Saved since: {namesOf(props.theirs) || 'nothing that stands here'}.</span>
        <span>Changed here: {namesOf(props.mine) || 'nothing'}.</span>
        {both.length > 0 && <span>In both: {namesOf(both)}. Going on with both keeps what stands here.</span>}
        <div className="row">
          <Button variant="default" size="lg" onClick={props.onBoth}>
            Go on with both
          </Button>
          <Button variant="default" size="lg" onClick={props.onTheirs}>
            Take what was saved
          </Button>
        </div>
      </div>
    </div>
  );
}
