import { useCallback, useEffect, useRef, useState } from 'react';

export type MicrophoneState = 'idle' | 'asking' | 'recording' | 'refused' | 'none';

const mostSeconds = 300;

interface Running {
  stream: MediaStream;
  audio: AudioContext;
  blocks: Float32Array[];
  count: number;
}

/** Records the microphone as a WAV file, with its level while it runs. What the browser would do to speech is switched off. */
export function useMicrophone(onRecorded: (file: Blob) => void) {
  const [state, setState] = useState<MicrophoneState>('idle');
  const [level, setLevel] = useState(0);
  const [seconds, setSeconds] = useState(0);
  const running = useRef<Running>(null);

  const close = useCallback(() => {
    const now = running.current;
    running.current = null;
    now?.stream.getTracks().forEach((track) => track.stop());
    void now?.audio.close();
    return now;
  }, []);

  const stop = useCallback(() => {
    const now = close();
    setState('idle');
    setLevel(0);
    if (now && now.count > 0) onRecorded(toWav(now.blocks, now.count, now.audio.sampleRate));
  }, [close, onRecorded]);

  const start = useCallback(async () => {
    setState('asking');
    setSeconds(0);
    let stream: MediaStream;
    try {
      // An address without a lock has no microphone in it: the browser hides the whole thing.
      const devices = navigator.mediaDevices as MediaDevices | undefined;
      if (!devices) {
        setState('none');
        return;
      }
      stream = await devices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
      });
    } catch (error) {
      setState(error instanceof DOMException && error.name === 'NotFoundError' ? 'none' : 'refused');
      return;
    }
    const audio = new AudioContext();
    await audio.audioWorklet.addModule('/recorder.js');
    const node = new AudioWorkletNode(audio, 'recorder', { numberOfOutputs: 0 });
    audio.createMediaStreamSource(stream).connect(node);
    const now: Running = { stream, audio, blocks: [], count: 0 };
    running.current = now;
    let shown = 0;
    node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
      now.blocks.push(data);
      now.count += data.length;
      const at = now.count / audio.sampleRate;
      if (at - shown > 0.1) {
        shown = at;
        setSeconds(at);
        setLevel(Math.max(...data.map(Math.abs)));
      }
      if (at >= mostSeconds && running.current === now) stop();
    };
    setState('recording');
  }, [stop]);

  useEffect(
    () => () => {
      close();
    },
    [close],
  );
  return { state, level, seconds, start, stop };
}

/** PCM of 16 bits, mono. */
function toWav(blocks: Float32Array[], count: number, rate: number): Blob {
  const view = new DataView(new ArrayBuffer(44 + count * 2));
  const text = (at: number, letters: string) => {
    for (let i = 0; i < letters.length; i++) view.setUint8(at + i, letters.charCodeAt(i));
  };
  text(0, 'RIFF');
  view.setUint32(4, 36 + count * 2, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, count * 2, true);
  let at = 44;
  for (const block of blocks) {
    for (const value of block) {
      view.setInt16(at, Math.max(-1, Math.min(1, value)) * 32767, true);
      at += 2;
    }
  }
  return new Blob([view.buffer], { type: 'audio/wav' });
}
