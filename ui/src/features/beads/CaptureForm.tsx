import { Button, Checkbox } from '@mantine/core';
import { useSessionStorage } from '@mantine/hooks';
import { useEffect, useRef } from 'react';
import { Refused, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { enterStays, useSubmitKey } from '../../shared/submitKeys';
import { inUnits, useUnits } from '../../shared/units';
import { EvidenceFields } from './EvidenceFields';
import { type EvidenceDraft, nothingNoted, toEvidence } from './evidenceDraft';
import { SettingUsed, type Used } from './SettingUsed';
import { SavedOtherwise } from './SavedOtherwise';
import { useRecord } from './useBeads';
import { useFields, useSay } from '../../shared/words/useSay';

/** A step of a trial that the next bead is laid for. */
export interface Laying {
  trialId: string;
  step: Schemas['TrialStep'];
}

/** What was set, heard and seen: big keys, most telling first. */
export function CaptureForm(props: {
  sheet: Schemas['AssignedSheet'];
  machine: Schemas['Machine'];
  last: Schemas['Bead'] | undefined;
  laying?: Laying | undefined;
  onRecorded: (bead: Schemas['Bead']) => void;
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
  const { wire, volt, amp, noted } = draft;
  const record = useRecord((bead) => {
    setDraft(fresh(bead));
    props.onRecorded(bead);
  });
  // The message stands where the mistake was made: bring it into sight.
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    if (record.isError) form.current?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  }, [record.isError]);
  const tungsten = body.tig !== null;
  const send = () => {
    if (record.isPending) return;
    record.mutate({
      id: draft.id,
      body: {
        sheetId: sheet.id,
        wireMark: !tungsten && wire.by === 'mark' ? number(wire.value) : null,
        voltMark: !tungsten && volt.by === 'mark' ? number(volt.value) : null,
        ampMark: tungsten && amp.by === 'mark' ? number(amp.value) : null,
        wireFeedMPerMin:
          !tungsten && wire.by === 'measured'
            ? scaled(wire.value, inUnits(wire.units ?? units).per('wireFeed'))
            : null,
        volts: !tungsten && volt.by === 'measured' ? number(volt.value) : null,
        amps: tungsten && amp.by === 'measured' ? number(amp.value) : null,
        evidence: toEvidence(noted),
        trial: laying
          ? { trialId: laying.trialId, step: laying.step.number, freshPiece: draft.freshPiece }
          : null,
      },
    });
  };
  useSubmitKey(form, send, true);
  const say = useSay();
  const fields = useFields(record.error);
  // The answer of an earlier try was lost, and something was changed before this one.
  const savedOtherwise = record.error instanceof Refused && record.error.status === 409;
  const { wireControl, voltControl, ampControl } = machine;
  return (
    <form
      ref={form}
      className="panel capture"
      aria-label="Record a bead"
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
      <div className="settings-used">
        {!tungsten && wireControl && voltControl && (
          <>
            <SettingUsed
              title="Wire"
              control={wireControl}
              kind="wireFeed"
              used={wire}
              onChange={(used) => change({ wire: used })}
              error={fields.wireMark ?? fields.wireFeedMPerMin}
            />
            <SettingUsed
              title="Volts"
              control={voltControl}
              kind="volts"
              used={volt}
              onChange={(used) => change({ volt: used })}
              error={fields.voltMark ?? fields.volts}
            />
          </>
        )}
        {tungsten && ampControl && (
          <SettingUsed
            title="Amps"
            control={ampControl}
            kind="amps"
            used={amp}
            onChange={(used) => change({ amp: used })}
            error={fields.ampMark ?? fields.amps}
          />
        )}
      </div>
      {laying && (
        <Checkbox
          size="lg"
          label="On a fresh piece, or quenched and dried"
          checked={draft.freshPiece}
          onChange={(event) => change({ freshPiece: event.currentTarget.checked })}
        />
      )}
      <EvidenceFields key={draft.id} sheet={body} draft={noted} change={note} fields={fields} />
      <div className="record-bar">
        {record.isError && !savedOtherwise && (
          <Trouble
            error={
              Object.keys(fields).length > 0
                ? new Refused(400, `Not saved yet. ${Object.values(fields).join(' ')}`)
                : record.error
            }
          />
        )}
        {savedOtherwise && (
          <SavedOtherwise
            id={draft.id}
            noted={noted}
            onSettled={(bead) => {
              record.reset();
              setDraft(fresh(bead));
              props.onRecorded(bead);
            }}
          />
        )}
        <Button type="submit" size="xl" fullWidth loading={record.isPending}>
          Judge the bead
        </Button>
      </div>
    </form>
  );
}

/** A bead not yet recorded; it has its id already, so that a double tap or a retry makes one bead. */
interface Draft {
  id: string;
  wire: Used;
  volt: Used;
  amp: Used;
  freshPiece: boolean;
  noted: EvidenceDraft;
}

/** Nothing seen yet; the controls as the trial wants them, else as last advised, as last used, as the sheet says. */
function freshDraft(
  sheet: Schemas['Sheet'],
  last: Schemas['Bead'] | undefined,
  step: Schemas['TrialStep'] | undefined,
): Draft {
  const next = step ?? last?.judgement.next;
  const before = step ? undefined : last;
  const mark = (...marks: (number | null | undefined)[]): Used => ({
    by: 'mark',
    value: marks.find((one) => one !== null && one !== undefined) ?? '',
  });
  return {
    id: newId(),
    wire: mark(next?.wireMark, before?.wireMark, sheet.pair?.marks?.wire.mark),
    volt: mark(next?.voltMark, before?.voltMark, sheet.pair?.marks?.volt.mark),
    amp: mark(next?.ampMark, before?.ampMark, sheet.tig?.mark?.mark),
    freshPiece: true,
    noted: nothingNoted,
  };
}

const number = (value: number | string) =>
  value === '' || Number.isNaN(Number(value)) ? null : Number(value);
const scaled = (value: number | string, per: number) => {
  const given = number(value);
  return given === null ? null : given / per;
};
