import { Button } from '@mantine/core';
import { useSessionStorage } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { asLoading, Loaded } from '../../shared/Loaded';
import { useWaiting } from '../../shared/outbox/useOutbox';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { evidence as groups, tigSounds, verdicts } from '../../shared/words';
import { useFields, useSay } from '../../shared/words/useSay';
import { judgingQueries } from '../judging/queries';
import { BoothArc } from './BoothArc';
import css from './boothBead.module.css';
import { BoothSaved, type Saved } from './BoothSaved';
import { type Draft, freshDraft, type Laying, placeOf } from './captureDraft';
import { EvidenceGroup } from './EvidenceGroup';
import { changed, type EvidenceDraft, goodLook, toEvidence } from './evidenceDraft';
import { FreshPiece } from './FreshPiece';
import { type Aim, HeldFiles } from './HeldFiles';
import { LengthLaid } from './LengthLaid';
import { SettingsUsed, toSettings } from './SettingsUsed';
import { useBoothRecord } from './useBoothRecord';
import { useHeld } from './useHeld';

interface OwnDraft extends Draft {
  verdict: Schemas['Verdict'] | null;
  change: Schemas['ChangeKind'] | null;
}

interface Booth {
  sheet: Schemas['AssignedSheet'];
  machine: Schemas['Machine'];
  last: Schemas['Bead'] | undefined;
  /** Whether one's own word is asked for first. */
  asksOwn: boolean;
  /** The step of a trial that the next bead is for. */
  laying: Laying | undefined;
  /** The camera with the card. */
  aim: Aim;
}

const looks = ['profile', 'toes', 'penetration'] as const;

// Whoever laid it looks until they know.
const ownVerdicts = Object.fromEntries(
  Object.entries(verdicts).filter(([verdict]) => verdict !== 'open'),
) as typeof verdicts;

/** A bead at the booth: the arc timed, what was set, heard and seen, one's own word; then the tool's beside it. */
export function BoothBead({ onNext, ...props }: Booth & { onNext: () => void }) {
  const { sheet, last } = props;
  const [saved, setSaved] = useState<Saved>();
  return saved ? (
    <>
      <BoothSaved saved={saved} last={last} process={sheet.body.job.process ?? undefined} />
      <Button
        size="xl"
        onClick={() => {
          setSaved(undefined);
          onNext();
        }}
      >
        Next bead
      </Button>
    </>
  ) : (
    <Capture key={draftKey(props)} {...props} onSaved={setSaved} />
  );
}

const draftKey = ({ sheet, laying }: Booth) =>
  ['booth-bead', sheet.id, ...(laying ? [laying.trialId, laying.step.number] : [])].join('-');

/** A bead being noted: kept for this tab, so that a reload or a wrong key loses nothing. */
function useDraft(booth: Booth) {
  const { sheet, last, laying } = booth;
  const { units } = useUnits();
  const fresh = (before: Schemas['Bead'] | undefined): OwnDraft => ({
    ...freshDraft(sheet.body, before, laying?.step),
    verdict: null,
    change: null,
  });
  const [draft, setDraft] = useSessionStorage<OwnDraft>({
    key: draftKey(booth),
    defaultValue: fresh(last),
    getInitialValueInEffect: false,
  });
  return {
    draft,
    change: (part: Partial<OwnDraft>) => setDraft((before) => ({ ...before, ...part })),
    note: (part: Partial<EvidenceDraft>) =>
      setDraft((before) => ({ ...before, noted: changed(before.noted, part, units) })),
    begin: (before: Schemas['Bead'] | undefined) => setDraft(fresh(before)),
  };
}

function Capture(props: Booth & { onSaved: (saved: Saved) => void }) {
  const { sheet, machine, last } = props;
  const say = useSay();
  const { units } = useUnits();
  const tungsten = sheet.body.tig !== null;
  const { draft, change, note, begin } = useDraft(props);
  const [otherwise, setOtherwise] = useState(false);
  const files = useHeld(draft.id, sheet.id);
  const before = (useWaiting() ?? []).filter((one) => one.kind === 'bead' && one.sheetId === sheet.id).length;
  const number = (last?.number ?? 0) + before + 1;
  const { noted, verdict } = draft;
  const own = verdict && draft.change ? { verdict, change: draft.change } : null;
  const record = useBoothRecord(({ id, number }, bead) => {
    begin(bead ?? last);
    props.onSaved({ id, number, own, bead });
  });
  const { asksOwn: asked, laying } = props;
  const fields = useFields(record.error);
  const seconds = noted.measured.arcSeconds;
  const arcSeconds = typeof seconds === 'number' ? seconds : null;
  const group = (
    of: 'sound' | (typeof looks)[number],
    words: Partial<Record<string, string>> = groups[of].words,
  ) => <EvidenceGroup key={of} of={of} words={words as Record<string, string>} draft={noted} change={note} />;
  return (
    <form
      className={`panel ${css.form}`}
      aria-label="Your bead"
      onSubmit={(event) => {
        event.preventDefault();
        if (record.isPending || (!own && asked)) return;
        const evidence = toEvidence(noted);
        const settings = toSettings(draft, tungsten, units);
        record.mutate({
          id: draft.id,
          number,
          body: { sheetId: sheet.id, ...settings, evidence, trial: placeOf(laying, draft), own },
        });
      }}
    >
      <h2>
        Bead {number} {laying && <span className="quiet">for step {laying.step.number}</span>}
      </h2>
      <BoothArc
        seconds={arcSeconds}
        onSeconds={(given) => note({ measured: { ...noted.measured, arcSeconds: given ?? '' } })}
        onSound={(sound) => void files.addSound(sound)}
      />
      <LengthLaid seconds={arcSeconds} draft={noted} change={note} aim={sheet.body.travelMmPerMin} />
      {otherwise || Object.keys(fields).length > 0 ? (
        <SettingsUsed machine={machine} tungsten={tungsten} draft={draft} change={change} fields={fields} />
      ) : (
        <Button variant="default" size="lg" onClick={() => setOtherwise(true)}>
          Set as the {laying ? 'step' : 'card'} says. Not so?
        </Button>
      )}
      {laying && <FreshPiece draft={draft} change={change} />}
      {group('sound', tungsten ? tigSounds : undefined)}
      <button
        type="button"
        className="key good-look"
        onClick={() => note({ seen: { ...noted.seen, ...goodLook } })}
      >
        Looks right all round
      </button>
      {looks.map((of) => group(of))}
      <HeldFiles {...files} aim={props.aim} />
      <Choice
        title="Your verdict"
        words={ownVerdicts}
        value={verdict}
        onChange={(to) => change({ verdict: to })}
      />
      <Changes
        process={sheet.body.job.process}
        value={draft.change}
        onChange={(to) => change({ change: to })}
        say={say}
      />
      {record.isError && <Trouble error={record.error} />}
      <Button type="submit" size="xl" loading={record.isPending} disabled={!own && asked}>
        {own || !asked ? 'Save the bead' : 'Your verdict and your change first'}
      </Button>
    </form>
  );
}

function Changes(props: {
  process: Schemas['Process'] | null | undefined;
  value: Schemas['ChangeKind'] | null;
  onChange: (value: Schemas['ChangeKind'] | null) => void;
  say: ReturnType<typeof useSay>;
}) {
  const keys = useQuery(judgingQueries.ownKeys(props.process ?? undefined));
  return (
    <Loaded of={asLoading(keys)} what="the keys for your change">
      {(all) => (
        <Choice
          title="What would you change next?"
          words={
            Object.fromEntries(all.map(({ change, name }) => [change, props.say(name)])) as Record<
              Schemas['ChangeKind'],
              string
            >
          }
          value={props.value}
          onChange={props.onChange}
        />
      )}
    </Loaded>
  );
}
