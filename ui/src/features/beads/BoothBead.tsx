import { Button } from '@mantine/core';
import { useSessionStorage } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { asLoading, Loaded } from '../../shared/Loaded';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { evidence as groups, tigSounds, verdicts } from '../../shared/words';
import { useFields, useSay } from '../../shared/words/useSay';
import { judgingQueries } from '../judging/queries';
import { VerdictSummary } from '../judging/VerdictPanel';
import { ArcTimer } from './ArcTimer';
import { BothWords } from './BothWords';
import css from './boothBead.module.css';
import { type Draft, freshDraft } from './captureDraft';
import { EvidenceGroup } from './EvidenceGroup';
import { type EvidenceDraft, goodLook, toEvidence } from './evidenceDraft';
import { SettingsUsed, toSettings } from './SettingsUsed';
import { useRecord } from './useBeads';

interface OwnDraft extends Draft {
  verdict: Schemas['Verdict'] | null;
  change: Schemas['ChangeKind'] | null;
}

const looks = ['profile', 'toes', 'penetration'] as const;

// Whoever laid it looks until they know.
const ownVerdicts = Object.fromEntries(
  Object.entries(verdicts).filter(([verdict]) => verdict !== 'open'),
) as typeof verdicts;

/** A bead at the booth: the arc timed, what was set, heard and seen, one's own word; then the tool's beside it. */
export function BoothBead(props: {
  sheet: Schemas['AssignedSheet'];
  machine: Schemas['Machine'];
  last: Schemas['Bead'] | undefined;
  /** When the tool's word is shown. */
  toolWord: Schemas['ToolWord'];
}) {
  const { sheet, machine, last } = props;
  const [laid, setLaid] = useState<{ bead: Schemas['Bead']; own: boolean }>();
  // An instructor may have said something since it was saved.
  const done = laid && last?.id === laid.bead.id ? last : laid?.bead;
  return laid && done ? (
    <>
      {laid.own ? (
        <BothWords bead={done} process={sheet.body.job.process ?? undefined} />
      ) : (
        <section className="panel" aria-label="Verdict">
          <VerdictSummary number={done.number} judgement={done.judgement} ruled={done.ruled} />
        </section>
      )}
      <Button size="xl" onClick={() => setLaid(undefined)}>
        Next bead
      </Button>
    </>
  ) : (
    <Capture
      key={sheet.id}
      sheet={sheet}
      machine={machine}
      last={last}
      asked={props.toolWord !== 'atOnce'}
      onRecorded={(bead, own) => setLaid({ bead, own })}
    />
  );
}

function Capture(props: {
  sheet: Schemas['AssignedSheet'];
  machine: Schemas['Machine'];
  last: Schemas['Bead'] | undefined;
  /** Whether one's own word is asked for first. */
  asked: boolean;
  onRecorded: (bead: Schemas['Bead'], own: boolean) => void;
}) {
  const { sheet, machine, last } = props;
  const say = useSay();
  const { units } = useUnits();
  const tungsten = sheet.body.tig !== null;
  const fresh = (before: Schemas['Bead'] | undefined): OwnDraft => ({
    ...freshDraft(sheet.body, before, undefined),
    verdict: null,
    change: null,
  });
  // Kept for this tab, so that a reload or a wrong key loses nothing.
  const [draft, setDraft] = useSessionStorage<OwnDraft>({
    key: `booth-bead-${sheet.id}`,
    defaultValue: fresh(last),
    getInitialValueInEffect: false,
  });
  const [otherwise, setOtherwise] = useState(false);
  const change = (part: Partial<OwnDraft>) => setDraft((before) => ({ ...before, ...part }));
  const note = (part: Partial<EvidenceDraft>) =>
    setDraft((before) => ({ ...before, noted: { ...before.noted, ...part } }));
  const record = useRecord((bead) => {
    setDraft(fresh(bead));
    props.onRecorded(bead, own !== null);
  });
  const fields = useFields(record.error);
  const { noted, verdict } = draft;
  const own = verdict && draft.change ? { verdict, change: draft.change } : null;
  const seconds = noted.measured.arcSeconds;
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
        if (record.isPending || (!own && props.asked)) return;
        record.mutate({
          id: draft.id,
          body: {
            sheetId: sheet.id,
            ...toSettings(draft, tungsten, units),
            evidence: toEvidence(noted),
            trial: null,
            own,
          },
        });
      }}
    >
      <h2>Bead {(last?.number ?? 0) + 1}</h2>
      <ArcTimer
        seconds={typeof seconds === 'number' ? seconds : null}
        onSeconds={(arcSeconds) => note({ measured: { ...noted.measured, arcSeconds: arcSeconds ?? '' } })}
      />
      {otherwise || Object.keys(fields).length > 0 ? (
        <SettingsUsed machine={machine} tungsten={tungsten} draft={draft} change={change} fields={fields} />
      ) : (
        <Button variant="default" size="lg" onClick={() => setOtherwise(true)}>
          Set as the card says. Not so?
        </Button>
      )}
      {group('sound', tungsten ? tigSounds : undefined)}
      <button
        type="button"
        className="key good-look"
        onClick={() => note({ seen: { ...noted.seen, ...goodLook } })}
      >
        Looks right all round
      </button>
      {looks.map((of) => group(of))}
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
      <Button type="submit" size="xl" loading={record.isPending} disabled={!own && props.asked}>
        {own || !props.asked ? 'Save the bead' : 'Your verdict and your change first'}
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
