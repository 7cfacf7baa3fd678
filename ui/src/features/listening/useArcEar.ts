import { useCallback, useEffect, useRef, useState } from 'react';
import { type ArcLevel, decibels, heard, noArc, toldAfter } from './arcLevel';
import type { MicrophoneState } from './useMicrophone';
import { toWav } from './wav';

const stretch = 0.1;
const mostSeconds = 300;

interface Open {
  stream: MediaStream;
  audio: AudioContext;
  /** What is recorded: all since it began, and before that the last moments. */
  blocks: Float32Array[];
  recording: boolean;
}

/** A microphone that is open for as long as it is wanted: it tells where an arc begins and ends, and records from one to the other. */
export function useArcEar(wanted: boolean, onArc: (on: boolean) => void) {
  const [state, setState] = useState<MicrophoneState>('idle');
  const [level, setLevel] = useState(0);
  const open = useRef<Open>(null);
  const wished = useRef(false);
  const tell = useRef(onArc);
  useEffect(() => {
    tell.current = onArc;
  });

  useEffect(() => {
    if (!wanted) return;
    let gone = false;
    const start = async () => {
      setState('asking');
      // An address without a lock has no microphone in it: the browser hides the whole thing.
      const devices = navigator.mediaDevices as MediaDevices | undefined;
      if (!devices) {
        setState('none');
        return;
      }
      const stream = await devices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
      });
      const audio = new AudioContext();
      await audio.audioWorklet.addModule('/recorder.js');
      // An arc that began while the browser was still asking is recorded from here on.
      const now: Open = { stream, audio, blocks: [], recording: wished.current };
      if (gone) {
        close(now);
        return;
      }
      const node = new AudioWorkletNode(audio, 'recorder', { numberOfOutputs: 0 });
      audio.createMediaStreamSource(stream).connect(node);
      node.port.onmessage = listenTo(now, setLevel, (on) => tell.current(on));
      open.current = now;
      setState('recording');
    };
    start().catch((error: unknown) =>
      setState(error instanceof DOMException && error.name === 'NotFoundError' ? 'none' : 'refused'),
    );
    return () => {
      gone = true;
      setState('idle');
      setLevel(0);
      if (open.current) close(open.current);
      open.current = null;
    };
  }, [wanted]);

  /** Records from here on. */
  const begin = useCallback(() => {
    wished.current = true;
    if (!open.current) return;
    open.current.recording = true;
    // A browser holds sound back until somebody has touched the page.
    void open.current.audio.resume();
  }, []);

  /** What was recorded since, and a moment before; null where no microphone was open. */
  const end = useCallback(() => {
    wished.current = false;
    const now = open.current;
    if (!now?.recording) return null;
    const { blocks } = now;
    now.recording = false;
    now.blocks = [];
    const count = blocks.reduce((sum, block) => sum + block.length, 0);
    return count === 0 ? null : toWav(blocks, count, now.audio.sampleRate);
  }, []);

  return { state, level, begin, end };
}

function close(now: Open) {
  now.stream.getTracks().forEach((track) => track.stop());
  void now.audio.close();
}

/** Takes what the microphone hears, block by block. */
function listenTo(now: Open, onLevel: (level: number) => void, onArc: (on: boolean) => void) {
  const rate = now.audio.sampleRate;
  const kept = { ahead: toldAfter.on * 2 * rate, most: mostSeconds * rate };
  let arc: ArcLevel = noArc;
  let part: Float32Array[] = [];
  let length = 0;
  let inPart = 0;
  return ({ data }: MessageEvent<Float32Array>) => {
    if (now.blocks.length === 0) length = 0;
    now.blocks.push(data);
    length += data.length;
    // The arc has begun before it is told: its first moments are kept.
    while (!now.recording && length > kept.ahead) length -= now.blocks.shift()?.length ?? length;
    while (now.recording && length > kept.most) length -= now.blocks.shift()?.length ?? length;
    part.push(data);
    inPart += data.length;
    if (inPart < stretch * rate) return;
    const whole = new Float32Array(inPart);
    part.reduce((at, block) => {
      whole.set(block, at);
      return at + block.length;
    }, 0);
    const db = decibels(whole);
    const before = arc.on;
    arc = heard(arc, db, inPart / rate);
    part = [];
    inPart = 0;
    onLevel(Math.max(0, Math.min(1, (db + 60) / 60)));
    if (arc.on !== before) onArc(arc.on);
  };
}
