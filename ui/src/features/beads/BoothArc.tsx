import { Button } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { useEffect, useRef, useState } from 'react';
import { toldAfter } from '../listening/arcLevel';
import { useArcEar } from '../listening/useArcEar';
import type { MicrophoneState } from '../listening/useMicrophone';
import { usePedal } from '../../shared/usePedal';
import css from './boothBead.module.css';

const often = 100;
// What is shorter is a key struck twice or a tack, what is longer a key forgotten: neither is a bead's arc time.
const least = 1;
const most = 600;

const states: Partial<Record<MicrophoneState, string>> = {
  asking: 'The browser asks whether this page may hear the microphone. Say yes there.',
  refused:
    'This page may not hear the microphone. Allow it beside the address in the browser, then press Record the sound twice.',
  none: 'There is no microphone here, or the address has no lock (https) and the browser hides it.',
};

/** START and STOP of the arc, by key, pedal or the microphone's level: its seconds go to the bead, and its sound where that is wanted. */
export function BoothArc({
  seconds,
  onSeconds,
  onSound,
}: {
  seconds: number | null;
  onSeconds: (seconds: number | null) => void;
  onSound: (sound: Blob) => void;
}) {
  const [since, setSince] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const [sound, setSound] = useLocalStorage({ key: 'booth-sound', defaultValue: false });
  const [bySound, setBySound] = useLocalStorage({ key: 'booth-by-sound', defaultValue: false });
  const running = useRef<number | null>(null);
  const heard = useRef<(burns: boolean) => void>(() => undefined);
  const ear = useArcEar(sound, (burns) => heard.current(burns));

  const start = (ago = 0) => {
    const at = performance.now() - ago * 1_000;
    running.current = at;
    setSince(at);
    setNow(performance.now());
    onSeconds(null);
    ear.begin();
  };
  const stop = (ago = 0) => {
    const began = running.current;
    if (began === null) return;
    running.current = null;
    setSince(null);
    const recorded = ear.end();
    const arc = Math.round((performance.now() - ago * 1_000 - began) / 100) / 10;
    onSeconds(arc < least || arc > most ? null : arc);
    if (recorded && arc >= least) onSound(recorded);
  };
  useEffect(() => {
    heard.current = (burns) => {
      if (!bySound) return;
      if (burns && running.current === null) start(toldAfter.on);
      if (!burns && running.current !== null) stop(toldAfter.off);
    };
  });
  const on = since !== null;
  usePedal({ running: on, begin: () => start(), mark: () => stop(), stop: () => stop(), beside: true });
  useEffect(() => {
    if (!on) return;
    const ticking = setInterval(() => setNow(performance.now()), often);
    return () => clearInterval(ticking);
  }, [on]);
  const runs = on ? Math.max(0, now - since) / 1_000 : (seconds ?? 0);
  return (
    <>
      <div className={css.arc}>
        <output aria-label="Arc time">{runs.toFixed(1)} s</output>
        <Button size="xl" color={on ? 'red' : undefined} onClick={() => (on ? stop() : start())}>
          {on ? 'STOP' : 'Arc on: START'}
        </Button>
      </div>
      <div className={css.ear}>
        <Button
          variant={sound ? 'light' : 'default'}
          size="lg"
          aria-pressed={sound}
          onClick={() => setSound(!sound)}
        >
          Record the sound
        </Button>
        {sound && (
          <Button
            variant={bySound ? 'light' : 'default'}
            size="lg"
            aria-pressed={bySound}
            onClick={() => setBySound(!bySound)}
          >
            Start by the sound
          </Button>
        )}
        {ear.state === 'recording' && (
          <meter aria-label="Level" min={0} max={1} high={0.95} value={ear.level} />
        )}
      </div>
      {states[ear.state] && <p role="status">{states[ear.state]}</p>}
    </>
  );
}
