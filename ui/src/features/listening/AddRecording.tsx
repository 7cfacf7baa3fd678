import { Button } from '@mantine/core';
import { Dropzone } from '@mantine/dropzone';
import { IconMicrophone, IconPlayerStop } from '@tabler/icons-react';
import { useCallback } from 'react';
import { useUpload } from '../../shared/useUpload';
import { useSay } from '../../shared/words/useSay';
import { BoothDevices } from './BoothDevices';
import css from './listening.module.css';
import { useLiveEar } from './useLiveEar';
import { type MicrophoneState, useMicrophone } from './useMicrophone';

const states: Partial<Record<MicrophoneState, string>> = {
  asking: 'The browser asks whether this page may hear the microphone. Say yes there.',
  refused:
    'This page may not hear the microphone. Allow it beside the address in the browser, then press record again.',
  none: 'There is no microphone here, or the address has no lock (https) and the browser hides it. Drop a file instead.',
};

/** Ways to a recording: this device's microphone, the booth's devices, a file. */
export function AddRecording({ beadId, boothId }: { beadId: string; boothId: string }) {
  const { send, pending, state } = useUpload('recording');
  const add = useCallback(
    (file: Blob, name: string, origin: 'file' | 'microphone') =>
      send({
        to: (id) =>
          `/api/beads/${beadId}/recordings/${id}?${new URLSearchParams({ name, origin }).toString()}`,
        same: [name, origin],
        file,
      }),
    [send, beadId],
  );
  const live = useLiveEar();
  const { listen } = live;
  const microphone = useMicrophone(
    useCallback(
      (file: Blob) => add(file, `Microphone, ${new Date().toLocaleTimeString()}`, 'microphone'),
      [add],
    ),
    useCallback((blocks: Float32Array[], rate: number) => void listen(blocks, rate), [listen]),
  );
  return (
    <>
      <div className="row">
        <RecordKey
          microphone={microphone}
          onStart={() => {
            live.begin();
            void microphone.start();
          }}
        />
        <BoothDevices beadId={beadId} boothId={boothId} />
      </div>
      {microphone.state === 'recording' && <LiveEar {...live} />}
      {states[microphone.state] && <p role="status">{states[microphone.state]}</p>}
      <Dropzone
        className={css.recordingDrop}
        loading={pending}
        multiple={false}
        onDrop={([file]) => {
          if (file) add(file, file.name, 'file');
        }}
      >
        Drop a sound file (WAV, FLAC, MP3, Ogg, M4A) or a log of volts and amps (CSV), or tap. Up to 5
        minutes.
      </Dropzone>
      {state}
    </>
  );
}

function RecordKey(props: { microphone: ReturnType<typeof useMicrophone>; onStart: () => void }) {
  const { state, seconds, level, stop } = props.microphone;
  if (state !== 'recording') {
    return (
      <Button
        variant="default"
        leftSection={<IconMicrophone size={20} />}
        loading={state === 'asking'}
        onClick={props.onStart}
      >
        Record
      </Button>
    );
  }
  return (
    <>
      <Button leftSection={<IconPlayerStop size={20} />} onClick={stop}>
        Stop at {seconds.toFixed(1)} s
      </Button>
      <meter className={css.level} aria-label="Level" min={0} max={1} high={0.95} value={level} />
    </>
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
