import { Button, NumberInput } from '@mantine/core';
import { useHotkeys, useSessionStorage } from '@mantine/hooks';
import { useEffect, useRef } from 'react';
import { Refused, type Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { faults as faultWords, evidence as groups } from '../../shared/words';
import { SettingUsed, type Used } from './SettingUsed';
import { useRecord } from './useBeads';

/** Evidence with every aspect said or left open. */
type Evidence = { [K in keyof Required<Schemas['Evidence']>]: Exclude<Schemas['Evidence'][K], undefined> } & {
  faults: Schemas['Fault'][];
};
type Seen = keyof typeof groups;

const nothingSeen: Evidence = {
  sound: null,
  profile: null,
  toes: null,
  tint: null,
  spatter: null,
  ripple: null,
  faults: [],
  penetration: null,
  beadSizeMm: null,
  stickOutMm: null,
};

/** One tap for a look that is right all round; the far side still has to be turned over. */
const goodLook: Partial<Evidence> = {
  profile: 'slightlyConvex',
  toes: 'blended',
  tint: 'even',
  spatter: 'little',
  ripple: 'even',
};

/** What was set, heard and seen: big keys, most telling first. */
export function CaptureForm(props: {
  sheet: Schemas['AssignedSheet'];
  machine: Schemas['Machine'];
  last: Schemas['Bead'] | undefined;
  onRecorded: (bead: Schemas['Bead']) => void;
}) {
  const { sheet, machine } = props;
  const { per, unit } = useUnits();
  // Kept for this tab, so that a reload or a wrong key loses nothing.
  const [draft, setDraft] = useSessionStorage<Draft>({
    key: `bead-draft-${sheet.id}`,
    defaultValue: freshDraft(sheet.body, props.last),
    getInitialValueInEffect: false,
  });
  const change = (part: Partial<Draft>) => setDraft((before) => ({ ...before, ...part }));
  const set = (part: Partial<Evidence>) =>
    setDraft((before) => ({ ...before, seen: { ...before.seen, ...part } }));
  const { wire, volt, seen } = draft;
  const record = useRecord((bead) => {
    setDraft(freshDraft(sheet.body, bead));
    props.onRecorded(bead);
  });
  // The message stands where the mistake was made: bring it into sight.
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    if (record.isError) form.current?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  }, [record.isError]);
  const mm = (value: number | string) => (value === '' ? null : Number(value) / per('length'));
  const send = () => {
    if (record.isPending) return;
    record.mutate({
      id: draft.id,
      body: {
        sheetId: sheet.id,
        wireMark: wire.by === 'mark' ? number(wire.value) : null,
        voltMark: volt.by === 'mark' ? number(volt.value) : null,
        wireFeedMPerMin: wire.by === 'measured' ? scaled(wire.value, per('wireFeed')) : null,
        volts: volt.by === 'measured' ? number(volt.value) : null,
        evidence: { ...seen, beadSizeMm: mm(draft.size), stickOutMm: mm(draft.stickOut) },
      },
    });
  };
  useHotkeys([['mod+Enter', send]], []);
  const fields = record.error instanceof Refused ? record.error.fields : {};
  const { wireControl, voltControl } = machine;
  if (!wireControl || !voltControl) return <p className="panel">This machine feeds no wire.</p>;
  return (
    <form
      ref={form}
      className="panel capture"
      aria-label="Record a bead"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <h2>
        Bead {(props.last?.number ?? 0) + 1} <span className="quiet">as it was really welded</span>
      </h2>
      <div className="settings-used">
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
      </div>
      <Group of="sound" seen={seen} set={set} />
      <button type="button" className="good-look" onClick={() => set(goodLook)}>
        Looks right all round
      </button>
      {(['profile', 'toes', 'tint', 'penetration', 'ripple', 'spatter'] as const).map((of) => (
        <Group key={of} of={of} seen={seen} set={set} />
      ))}
      <fieldset className="choice">
        <legend>Faults</legend>
        <div className="choice-keys">
          {(Object.entries(faultWords) as [Schemas['Fault'], string][]).map(([fault, word]) => (
            <button
              key={fault}
              type="button"
              aria-pressed={seen.faults.includes(fault)}
              onClick={() =>
                set({
                  faults: seen.faults.includes(fault)
                    ? seen.faults.filter((other) => other !== fault)
                    : [...seen.faults, fault],
                })
              }
            >
              {word}
            </button>
          ))}
        </div>
      </fieldset>
      <div className="measured">
        <NumberInput
          label={
            { leg: 'Leg, if measured', width: 'Width, if measured', hole: 'Hole, if measured' }[
              sheet.body.beadMeasure
            ]
          }
          size="lg"
          hideControls
          allowedDecimalSeparators={['.', ',']}
          suffix={` ${unit('length')}`}
          value={draft.size}
          onChange={(size) => change({ size })}
          error={fields['evidence.beadSizeMm']}
        />
        <NumberInput
          label="Stick-out, if measured"
          size="lg"
          hideControls
          allowedDecimalSeparators={['.', ',']}
          suffix={` ${unit('length')}`}
          value={draft.stickOut}
          onChange={(stickOut) => change({ stickOut })}
          error={fields['evidence.stickOutMm']}
        />
      </div>
      <div className="record-bar">
        {record.isError && (
          <Trouble
            error={
              Object.keys(fields).length > 0
                ? new Refused(400, `Not saved yet. ${Object.values(fields).join(' ')}`, {})
                : record.error
            }
          />
        )}
        <Button type="submit" size="xl" fullWidth loading={record.isPending}>
          Judge the bead
        </Button>
      </div>
    </form>
  );
}

function Group({ of, seen, set }: { of: Seen; seen: Evidence; set: (change: Partial<Evidence>) => void }) {
  return (
    <Choice<string>
      title={groups[of].title}
      words={groups[of].words}
      value={seen[of]}
      onChange={(value) => set({ [of]: value })}
      optional
    />
  );
}

/** A bead not yet recorded; it has its id already, so that a double tap or a retry makes one bead. */
interface Draft {
  id: string;
  wire: Used;
  volt: Used;
  seen: Evidence;
  size: number | string;
  stickOut: number | string;
}

/** Nothing seen yet; the controls as last advised, else as last used, else as the sheet says. */
function freshDraft(sheet: Schemas['Sheet'], last: Schemas['Bead'] | undefined): Draft {
  const next = last?.judgement.next;
  return {
    id: newId(),
    wire: { by: 'mark', value: next?.wireMark ?? last?.wireMark ?? sheet.pair?.marks?.wire.mark ?? '' },
    volt: { by: 'mark', value: next?.voltMark ?? last?.voltMark ?? sheet.pair?.marks?.volt.mark ?? '' },
    seen: nothingSeen,
    size: '',
    stickOut: '',
  };
}

const number = (value: number | string) =>
  value === '' || Number.isNaN(Number(value)) ? null : Number(value);
const scaled = (value: number | string, per: number) => {
  const given = number(value);
  return given === null ? null : given / per;
};
