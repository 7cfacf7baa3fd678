/** Whether an arc burns, as far as the level of the microphone tells. */
export interface ArcLevel {
  on: boolean;
  /** How loud the booth is without an arc of its own, dB; null until heard. */
  quiet: number | null;
  /** How loud the arc is, dB. */
  loud: number;
  /** How long the level has spoken against what is held true, s. */
  against: number;
}

export const noArc: ArcLevel = { on: false, quiet: null, loud: 0, against: 0 };

// An arc in front of the tablet is far louder than the one next door. Common practice, no source; set with made-up arcs.
const rise = 12;
const fall = 9;
const least = -45;
// A chair that scrapes is shorter than an arc; an arc that stutters has gaps shorter than its end, s.
const onAfter = 0.2;
const offAfter = 0.7;
// How fast the quiet booth's own level is followed, per second.
const followed = 0.5;

/** The level of some samples, dB below full scale. */
export function decibels(samples: Float32Array): number {
  let sum = 0;
  for (const sample of samples) sum += sample * sample;
  return 10 * Math.log10(Math.max(1e-10, sum / Math.max(1, samples.length)));
}

/** What is held true after another stretch of so many seconds at a level. */
export function heard(before: ArcLevel, level: number, seconds: number): ArcLevel {
  const quiet = before.quiet ?? level;
  if (!before.on) {
    if (level < Math.max(least, quiet + rise)) {
      const share = Math.min(1, seconds * followed);
      return { on: false, quiet: quiet + (level - quiet) * share, loud: level, against: 0 };
    }
    const against = before.against + seconds;
    return against < onAfter ? { ...before, quiet, against } : { on: true, quiet, loud: level, against: 0 };
  }
  const loud = Math.max(level, before.loud - seconds);
  if (level > loud - fall) return { ...before, loud, against: 0 };
  const against = before.against + seconds;
  return against < offAfter ? { ...before, loud, against } : { on: false, quiet, loud: level, against: 0 };
}

/** How long ago what was just told began: it was held back until it was sure, s. */
export const toldAfter = { on: onAfter, off: offAfter };
