import { Button } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { offerUndo, tellTrouble } from '../../shared/notices';
import { useUnits } from '../../shared/units';
import { recordingOrigins } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { NameForDrills } from '../practice/NameForDrills';
import { SettingsPlane } from '../sheets/SettingsPlane';
import css from './listening.module.css';
import { Timeline } from './Timeline';

/** One recording: what was heard in it and where, its figures, and what can be done with it. */
export function RecordingCard(props: {
  recording: Schemas['Recording'];
  bead: Schemas['Bead'];
  /** The pair of settings it is shown beside; none for an older one. */
  pair: Schemas['PairSettings'] | null;
  mayWrite: boolean;
}) {
  const { recording, bead, pair, mayWrite } = props;
  const say = useSay();
  const withdraw = useWithdrawRecording();
  const { kind, figures, words } = recording.finding;
  const used = pair && bead.used;
  return (
    <article className={css.recording} aria-label={nameOf(recording)}>
      <p>
        <b>{say(words)}</b> <span className="quiet">{nameOf(recording)}</span>
      </p>
      <div className={used ? css.recordingBeside : ''}>
        <Timeline recording={recording} />
        {used && (
          <SettingsPlane
            pair={pair}
            beads={[{ number: bead.number, verdict: bead.ruled ?? bead.judgement.verdict, used }]}
          />
        )}
      </div>
      {figures && <Figures of={figures} />}
      <div className="row">
        <Button component="a" href={`/api/recordings/${recording.id}/file`} download variant="default">
          {kind === 'sound' ? 'WAV' : 'CSV'}
        </Button>
        {mayWrite && (
          <Button variant="default" onClick={() => withdraw(recording.id)}>
            Withdraw
          </Button>
        )}
      </div>
      {mayWrite && kind === 'sound' && bead.used && <NameForDrills recording={recording} />}
    </article>
  );
}

function Figures({ of }: { of: Schemas['LogFigures'] }) {
  const { show } = useUnits();
  return (
    <dl className={css.figures}>
      <Figure name="Short circuits" value={`${of.shortRate.toFixed(0)} /s`} />
      <Figure name="Irregularity" value={of.irregularity.toFixed(2)} />
      <Figure name="Arc burns" value={`${(of.arcShare * 100).toFixed(0)} %`} />
      <Figure name="Mean" value={`${of.meanVolts.toFixed(1)} V, ${of.meanAmps.toFixed(0)} A`} />
      <Figure name="Peak" value={show('amps', of.peakAmps)} />
      {of.heatKJPerMm != null && (
        <Figure name="Heat, instantaneous power" value={show('heat', of.heatKJPerMm)} />
      )}
    </dl>
  );
}

const Figure = ({ name, value }: { name: string; value: string }) => (
  <div>
    <dt>{name}</dt>
    <dd>{value}</dd>
  </div>
);

function useWithdrawRecording() {
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: ({ id, withdrawn }: { id: string; withdrawn: boolean }) =>
      answer(
        api.PUT('/api/recordings/{recordingId}/withdrawn', {
          params: { path: { recordingId: id } },
          body: { withdrawn },
        }),
      ),
    onSuccess: async (_, { id, withdrawn }) => {
      await queries.invalidateQueries({ queryKey: inRoom() });
      if (withdrawn)
        offerUndo(id, 'The recording is withdrawn.', () => withdraw.mutate({ id, withdrawn: false }));
    },
    onError: tellTrouble,
  });
  return (id: string) => withdraw.mutate({ id, withdrawn: true });
}

/** What a recording is called: as it was named, or after where it came from. */
function nameOf({ name, origin, finding }: Schemas['Recording']): string {
  return name || recordingOrigins[origin][finding.kind];
}
