import { useCallback, useEffect, useRef, useState } from 'react';
import { toWav } from './wav';

export type MicrophoneState = 'idle' | 'asking' | 'recording' | 'refused' | 'none';

const mostSeconds = 300;

interface Running {
  stream: MediaStream;
  audio: AudioContext;
  blocks: Float32Array[];
  count: number;
}

/**
 * Records the microphone as a WAV file, with its level while it runs, and tells each second what came so far. What the browser would do
 * to speech is switched off.
 */
export function useMicrophone(
  onRecorded: (file: Blob) => void,
  onSecond?: (blocks: Float32Array[], rate: number) => void,
) {
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
    let told = 0;
    node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
      now.blocks.push(data);
      now.count += data.length;
      const at = now.count / audio.sampleRate;
      if (at - shown > 0.1) {
        shown = at;
        setSeconds(at);
        setLevel(Math.max(...data.map(Math.abs)));
      }
      if (at - told >= 1) {
        told = at;
        onSecond?.(now.blocks, audio.sampleRate);
      }
      if (at >= mostSeconds && running.current === now) stop();
    };
    setState('recording');
  }, [stop, onSecond]);

  useEffect(
    () => () => {
      close();
    },
    [close],
  );
  return { state, level, seconds, start, stop };
}
