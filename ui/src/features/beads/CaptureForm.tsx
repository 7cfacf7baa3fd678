import { useSessionStorage } from '@mantine/hooks';
import { useEffect, useRef, useState } from 'react';
import { Refused, type Schemas } from '../../shared/api/client';
import { enterStays, useSubmitKey } from '../../shared/submitKeys';
import { useUnits } from '../../shared/units';
import { EvidenceFields } from './EvidenceFields';
import { type EvidenceDraft, toEvidence } from './evidenceDraft';
import { FreshPiece } from './FreshPiece';
import { type Draft, freshDraft, type Laying, placeOf } from './captureDraft';
import { JudgeKey } from './JudgeKey';
import { SettingsUsed, toSettings } from './SettingsUsed';
import { SavedOtherwise } from './SavedOtherwise';
import { useRecord } from './useBeads';
import { useFields, useSay } from '../../shared/words/useSay';
import css from './capture.module.css';

/** What was set, heard and seen: big keys, most telling first. */
export function CaptureForm(props: {
  sheet: Schemas['AssignedSheet'];
  machine: Schemas['Machine'];
  last: Schemas['Bead'] | undefined;
  laying?: Laying | undefined;
  /** Whether it was taken at the first try: what an earlier one left is not known here. */
  onRecorded: (bead: Schemas['Bead'], atFirst: boolean) => void;
}) {
  const { machine, laying } = props;
  const { sheet } = props;
  const body = laying?.step.sheet ?? sheet.body;
  const { units } = useUnits();
  const fresh = (last: Schemas['Bead'] | undefined) => freshDraft(body, last, laying?.step);
  // Kept for this tab, so that a reload or a wrong key loses nothing.
  const [draft, setDraft] = useSessionStorage<Draft>({
    key: laying ? `trial-draft-${laying.trialId}-${laying.step.number}` : `bead-draft-${sheet.id}`,
    defaultValue: fresh(props.last),
    getInitialValueInEffect: false,
  });
  const change = (part: Partial<Draft>) => setDraft((before) => ({ ...before, ...part }));
  const note = (part: Partial<EvidenceDraft>) =>
    setDraft((before) => ({ ...before, noted: { ...before.noted, ...part } }));
  const [pressed, setPressed] = useState<'above' | 'below'>('above');
  const { noted } = draft;
  const [tried, setTried] = useState<string>();
  const record = useRecord((bead) => {
    setDraft(fresh(bead));
    props.onRecorded(bead, tried !== bead.id);
  });
  // The message stands where the mistake was made: bring it into sight.
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    if (record.isError) form.current?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  }, [record.isError]);
  const tungsten = body.tig !== null;
  const send = () => {
    if (record.isPending) return;
    if (record.isError) setTried(draft.id);
    record.mutate({
      id: draft.id,
      body: {
        sheetId: sheet.id,
        ...toSettings(draft, tungsten, units),
        evidence: toEvidence(noted),
        trial: placeOf(laying, draft),
      },
    });
  };
  useSubmitKey(form, send, true);
  const say = useSay();
  const fields = useFields(record.error);
  // The answer of an earlier try was lost, and something was changed before this one.
  const savedOtherwise = record.error instanceof Refused && record.error.status === 409;
  // The key stands twice: below what every bead is asked, and at the end of all that can be noted. Trouble stands where it was pressed.
  const judge = (at: 'above' | 'below') => (
    <JudgeKey
      pending={record.isPending && pressed === at}
      error={pressed === at ? record.error : null}
      fields={fields}
      onPress={() => setPressed(at)}
    >
      {pressed === at && savedOtherwise && (
        <SavedOtherwise
          id={draft.id}
          noted={noted}
          onSettled={(bead) => {
            record.reset();
            setDraft(fresh(bead));
            props.onRecorded(bead, false);
          }}
        />
      )}
    </JudgeKey>
  );
  return (
    <form
      ref={form}
      className={`panel ${css.capture}`}
      aria-label="Record a bead"
      // What is tapped once it is sent belongs to no bead: it waits for the answer.
      inert={record.isPending}
      aria-busy={record.isPending}
      onKeyDown={enterStays}
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <h2>
        {laying
          ? `Step ${laying.step.number}: ${say(laying.step.title)}`
          : `Bead ${(props.last?.number ?? 0) + 1}`}{' '}
        <span className="quiet">as it was really welded</span>
      </h2>
      <SettingsUsed machine={machine} tungsten={tungsten} draft={draft} change={change} fields={fields} />
      {laying && <FreshPiece draft={draft} change={change} />}
      <EvidenceFields
        key={draft.id}
        sheet={body}
        draft={noted}
        change={note}
        fields={fields}
        judge={judge('above')}
      />
      {judge('below')}
    </form>
  );
}
