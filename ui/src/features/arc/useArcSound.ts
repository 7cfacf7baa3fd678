import { useCallback, useEffect, useRef, useState } from 'react';

const fadeSeconds = 0.04;

/**
 * Plays an arc without end: a stretch of it loops, and a new one fades in over the old as soon as it is there. Nothing sounds
 * before somebody strikes the arc.
 */
export function useArcSound() {
  const context = useRef<AudioContext>(null);
  const playing = useRef<{ source: AudioBufferSourceNode; gain: GainNode }>(null);
  const [on, setOn] = useState(false);

  const fadeOut = useCallback(() => {
    const [old, audio] = [playing.current, context.current];
    if (!old || !audio) return;
    old.gain.gain.setTargetAtTime(0, audio.currentTime, fadeSeconds / 3);
    old.source.stop(audio.currentTime + fadeSeconds);
    playing.current = null;
  }, []);

  const play = useCallback(
    (wav: string) => {
      const audio = context.current;
      if (!audio) return;
      const buffer = decode(audio, wav);
      const source = new AudioBufferSourceNode(audio, { buffer, loop: true });
      const gain = new GainNode(audio, { gain: 0 });
      source.connect(gain).connect(audio.destination);
      fadeOut();
      gain.gain.setTargetAtTime(0.9, audio.currentTime, fadeSeconds / 3);
      source.start();
      playing.current = { source, gain };
    },
    [fadeOut],
  );

  const strike = useCallback(() => {
    context.current ??= new AudioContext();
    void context.current.resume();
    setOn(true);
  }, []);
  const breakOff = useCallback(() => {
    fadeOut();
    setOn(false);
  }, [fadeOut]);

  useEffect(
    () => () => {
      void context.current?.close();
      context.current = null;
    },
    [],
  );
  return { on, strike, breakOff, play };
}

/** The server's WAV: 44 bytes of header, then 16 bits mono. */
function decode(audio: AudioContext, wav: string): AudioBuffer {
  const bytes = Uint8Array.from(atob(wav), (letter) => letter.charCodeAt(0));
  const view = new DataView(bytes.buffer);
  const count = (bytes.length - 44) / 2;
  const buffer = audio.createBuffer(1, count, view.getUint32(24, true));
  const samples = buffer.getChannelData(0);
  for (let i = 0; i < count; i++) samples[i] = view.getInt16(44 + i * 2, true) / 32768;
  // The end runs into the beginning, so that the loop has no seam.
  const seam = Math.min(1500, count >> 2);
  for (let i = 0; i < seam; i++) {
    const share = i / seam;
    const end = count - seam + i;
    samples[end] = (samples[end] ?? 0) * (1 - share) + (samples[i] ?? 0) * share;
  }
  return buffer;
}
