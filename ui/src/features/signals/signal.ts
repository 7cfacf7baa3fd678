/** What a screen draws attention to. */
export type Kind = 'hand' | 'answer' | 'slotEnd' | 'stop';

/** A signal by every sense: its words, its notes (Hz, ms; 0 Hz is a rest), how the screen shakes (ms). */
export const signals: Record<Kind, { words: string; notes: [number, number][]; shake: number[] }> = {
  hand: {
    words: 'A hand is up.',
    notes: [
      [880, 160],
      [0, 80],
      [880, 160],
    ],
    shake: [200, 100, 200],
  },
  answer: { words: 'Your instructor has seen it.', notes: [[660, 220]], shake: [200] },
  slotEnd: {
    words: 'The slot is over.',
    notes: [
      [587, 250],
      [440, 450],
    ],
    shake: [400, 150, 400],
  },
  // Low and long, and again: a high one is lost in grinding. Common practice, no source.
  stop: {
    words: 'STOP',
    notes: [
      [440, 400],
      [0, 100],
      [440, 400],
      [0, 100],
      [440, 800],
    ],
    shake: [600, 150, 600, 150, 600],
  },
};

export type Way = 'light' | 'sound' | 'shake';

/** What each way is called. */
export const wayNames: Record<Way, string> = {
  light: 'By a light across the screen',
  sound: 'By a sound',
  shake: 'By shaking, where the device can',
};

const keyOf = (way: Way) => `signal-${way}`;

/** Whether this screen signals that way: it does, until it is told not to. */
export const isOn = (way: Way) => window.localStorage.getItem(keyOf(way)) !== 'off';

export function switchWay(way: Way, on: boolean) {
  if (on) window.localStorage.removeItem(keyOf(way));
  else window.localStorage.setItem(keyOf(way), 'off');
}

const bell = new EventTarget();

/** Gives a signal, by every way that is on. */
export function give(kind: Kind) {
  if (isOn('light')) bell.dispatchEvent(new CustomEvent<Kind>('signal', { detail: kind }));
  if (isOn('shake')) (navigator as Partial<Pick<Navigator, 'vibrate'>>).vibrate?.(signals[kind].shake);
  if (isOn('sound')) play(signals[kind].notes);
}

export function onSignal(show: (kind: Kind) => void) {
  const heard = (event: Event) => show((event as CustomEvent<Kind>).detail);
  bell.addEventListener('signal', heard);
  return () => bell.removeEventListener('signal', heard);
}

const loud = 0.4;

function play(notes: [number, number][]) {
  const audio = new AudioContext();
  // A browser that nobody has touched yet plays nothing: the light stands in for it.
  let at = audio.currentTime;
  for (const [hertz, ms] of notes) {
    const until = at + ms / 1_000;
    if (hertz > 0) {
      const tone = new OscillatorNode(audio, { type: 'square', frequency: hertz });
      tone.connect(new GainNode(audio, { gain: loud })).connect(audio.destination);
      tone.start(at);
      tone.stop(until);
    }
    at = until;
  }
  setTimeout(() => void audio.close(), (at - audio.currentTime) * 1_000 + 500);
}
