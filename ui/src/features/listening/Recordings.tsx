import { Button } from '@mantine/core';
import { Dropzone } from '@mantine/dropzone';
import { IconMicrophone, IconPlayerStop } from '@tabler/icons-react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { offerUndo, tellTrouble } from '../../shared/notices';
import { sendFile } from '../../shared/sendFile';
import { useIds } from '../../shared/useIds';
import { useUnits } from '../../shared/units';
import { recordingOrigins } from '../../shared/words';
import { NameForDrills } from '../practice/NameForDrills';
import { SettingsPlane } from '../sheets/SettingsPlane';
import { Timeline } from './Timeline';
import { type MicrophoneState, useMicrophone } from './useMicrophone';
import { useLiveEar } from './useLiveEar';
import { Line, useSay } from '../../shared/words/useSay';
import { listeningQueries } from './queries';
import css from './listening.module.css';
import { LoadTrouble } from '../../shared/Loaded';

const states: Partial<Record<MicrophoneState, string>> = {
  asking: 'The browser asks whether this page may hear the microphone. Say yes there.',
  refused:
    'This page may not hear the microphone. Allow it beside the address in the browser, then press record again.',
  none: 'There is no microphone here, or the address has no lock (https) and the browser hides it. Drop a file instead.',
};

const send = (beadId: string, id: string, file: Blob, name: string, origin: string) =>
  sendFile(
    `/api/beads/${beadId}/recordings/${id}?${new URLSearchParams({ name, origin }).toString()}`,
    file,
    'recording',
  );

/** A bead's recordings: what was heard in them, and ways to add one. */
export function Recordings(props: { file: Schemas['BeadFile']; mayWrite: boolean }) {
  const say = useSay();
  const { bead, recordings, sheet, body } = props.file;
  const queries = useQueryClient();
  const { show } = useUnits();
  const { idOf, taken } = useIds();
  const changed = () => {
    taken();
    return queries.invalidateQueries({ queryKey: ['room'] });
  };
  const add = useMutation({
    mutationFn: ({ file, name, origin }: { file: Blob; name: string; origin: string }) =>
      send(
        bead.id,
        idOf([name, origin, file.size, file instanceof File ? file.lastModified : 0]),
        file,
        name,
        origin,
      ),
    onSuccess: changed,
  });
  const standIn = useMutation({
    mutationFn: (device: 'microphone' | 'logger') =>
      answer(
        api.PUT('/api/beads/{id}/recordings/{recordingId}/stand-in/{device}', {
          params: { path: { id: bead.id, recordingId: idOf(device), device } },
        }),
      ),
    onSuccess: changed,
  });
  const withdraw = useMutation({
    mutationFn: ({ id, withdrawn }: { id: string; withdrawn: boolean }) =>
      answer(
        api.PUT('/api/recordings/{recordingId}/withdrawn', {
          params: { path: { recordingId: id } },
          body: { withdrawn },
        }),
      ),
    onSuccess: async (_, { id, withdrawn }) => {
      await changed();
      if (withdrawn)
        offerUndo(id, 'The recording is withdrawn.', () => withdraw.mutate({ id, withdrawn: false }));
    },
    onError: tellTrouble,
  });
  const devices = useQuery({ ...listeningQueries.standIns(sheet.boothId), enabled: props.mayWrite });
  const { mutate } = add;
  const live = useLiveEar();
  const { listen } = live;
  const microphone = useMicrophone(
    useCallback(
      (file: Blob) => {
        mutate({ file, name: `Microphone, ${new Date().toLocaleTimeString()}`, origin: 'microphone' });
      },
      [mutate],
    ),
    useCallback((blocks: Float32Array[], rate: number) => void listen(blocks, rate), [listen]),
  );
  const trouble = add.error ?? standIn.error;
  const pair = (body ?? sheet.body).pair;
  return (
    <div className="stack">
      <h3>Recordings</h3>
      {recordings.length === 0 && !props.mayWrite && <p className="quiet">None.</p>}
      {recordings.map((recording, i) => {
        const used = i === 0 && pair ? bead.used : null;
        const figures = recording.finding.figures;
        return (
          <article key={recording.id} className={css.recording} aria-label={nameOf(recording)}>
            <p>
              <b>{say(recording.finding.words)}</b> <span className="quiet">{nameOf(recording)}</span>
            </p>
            <div className={used ? css.recordingBeside : ''}>
              <Timeline recording={recording} />
              {used && pair && (
                <SettingsPlane
                  pair={pair}
                  beads={[{ number: bead.number, verdict: bead.ruled ?? bead.judgement.verdict, used }]}
                />
              )}
            </div>
            {figures && (
              <dl className={css.figures}>
                <Figure name="Short circuits" value={`${figures.shortRate.toFixed(0)} /s`} />
                <Figure name="Irregularity" value={figures.irregularity.toFixed(2)} />
                <Figure name="Arc burns" value={`${(figures.arcShare * 100).toFixed(0)} %`} />
                <Figure
                  name="Mean"
                  value={`${figures.meanVolts.toFixed(1)} V, ${figures.meanAmps.toFixed(0)} A`}
                />
                <Figure name="Peak" value={show('amps', figures.peakAmps)} />
                {figures.heatKJPerMm != null && (
                  <Figure name="Heat, instantaneous power" value={show('heat', figures.heatKJPerMm)} />
                )}
              </dl>
            )}
            <div className="row">
              <Button component="a" href={`/api/recordings/${recording.id}/file`} download variant="default">
                {recording.finding.kind === 'sound' ? 'WAV' : 'CSV'}
              </Button>
              {props.mayWrite && (
                <Button
                  variant="default"
                  onClick={() => withdraw.mutate({ id: recording.id, withdrawn: true })}
                >
                  Withdraw
                </Button>
              )}
            </div>
            {props.mayWrite && recording.finding.kind === 'sound' && bead.used && (
              <NameForDrills recording={recording} />
            )}
          </article>
        );
      })}
      {props.mayWrite && (
        <>
          <div className="row">
            {microphone.state === 'recording' ? (
              <>
                <Button leftSection={<IconPlayerStop size={20} />} onClick={microphone.stop}>
                  Stop at {microphone.seconds.toFixed(1)} s
                </Button>
                <meter
                  className={css.level}
                  aria-label="Level"
                  min={0}
                  max={1}
                  high={0.95}
                  value={microphone.level}
                />
              </>
            ) : (
              <Button
                variant="default"
                leftSection={<IconMicrophone size={20} />}
                loading={microphone.state === 'asking'}
                onClick={() => {
                  live.begin();
                  void microphone.start();
                }}
              >
                Record
              </Button>
            )}
            <LoadTrouble of={devices} what="the booth’s devices" />
            {devices.data?.microphone && (
              <Button
                variant="default"
                loading={standIn.isPending && standIn.variables === 'microphone'}
                onClick={() => standIn.mutate('microphone')}
              >
                Booth microphone
              </Button>
            )}
            {devices.data?.logger && (
              <Button
                variant="default"
                loading={standIn.isPending && standIn.variables === 'logger'}
                onClick={() => standIn.mutate('logger')}
              >
                Booth logger
              </Button>
            )}
          </div>
          {microphone.state === 'recording' && <LiveEar {...live} />}
          {states[microphone.state] && <p role="status">{states[microphone.state]}</p>}
          <Dropzone
            className={css.recordingDrop}
            loading={add.isPending}
            multiple={false}
            onDrop={([file]) => {
              if (file) add.mutate({ file, name: file.name, origin: 'file' });
            }}
          >
            Drop a sound file (WAV, FLAC, MP3, Ogg, M4A) or a log of volts and amps (CSV), or tap. Up to 5
            minutes.
          </Dropzone>
          {trouble && (
            <p className="field-error" role="alert">
              <Line error={trouble} otherwise="The recording was not saved." />
            </p>
          )}
        </>
      )}
    </div>
  );
}

/** What the arc sounds like right now, large enough to read from behind a curtain. */
function LiveEar({ heard, away }: Pick<ReturnType<typeof useLiveEar>, 'heard' | 'away'>) {
  const say = useSay();
  return (
    <p className={css.liveEar} role="status" aria-label="Heard now">
      {away ? (
        'The server does not listen just now; the recording goes on.'
      ) : heard ? (
        <>
          <b>{say(heard.words)}</b> <span className="quiet">{heard.decibels.toFixed(0)} dB</span>
        </>
      ) : (
        'Listening…'
      )}
    </p>
  );
}

function Figure({ name, value }: { name: string; value: string }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>{value}</dd>
    </div>
  );
}

/** What a recording is called: as it was named, or after where it came from. */
function nameOf({ name, origin, finding }: Schemas['Recording']): string {
  return name || recordingOrigins[origin][finding.kind];
}
