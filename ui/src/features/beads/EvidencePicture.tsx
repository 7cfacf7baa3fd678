import type { evidence } from '../../shared/words';
import css from './evidencePicture.module.css';

type Pictured = keyof typeof evidence;

const wave = (points: [number, number][]) => <polyline points={points.map((p) => p.join(',')).join(' ')} />;

/** A trace of evenly spaced spikes. */
const spikes = (every: number, height: (i: number) => number) =>
  wave(
    Array.from({ length: Math.floor(52 / every) }, (_, i): [number, number][] => {
      const x = 2 + i * every;
      return [
        [x, 24],
        [x + every * 0.5, 24 - height(i)],
        [x + every * 0.6, 24],
      ];
    }).flat(),
  );

/** A bead across a plate, by its outline. */
const across = (outline: string, extra?: React.ReactNode) => (
  <>
    <path className={css.solid} d="M2 22H54V30H2z" />
    <path className={css.metal} d={outline} />
    {extra}
  </>
);

/** A bead along a plate, by a band beside it. */
const along = (extra: React.ReactNode, edge = 'M6 16h44') => (
  <>
    {extra}
    <path className={css.fat} d={edge} />
  </>
);

const good = 'M16 22Q28 14 40 22Q28 27 16 22z';

/** What each answer looks like on a trace or on the plate: one small drawing a key. */
const pictures: { [K in Pictured]: Record<string, React.ReactNode> } = {
  sound: {
    evenCrackle: spikes(5, () => 14),
    hiss: wave(Array.from({ length: 27 }, (_, i) => [2 + i * 2, 17 + ((i * 7) % 5) - 2])),
    popping: spikes(17, (i) => 20 - i),
    rattle: spikes(9, (i) => (i % 2 ? 20 : 9)),
    sputter: spikes(6, (i) => [4, 16, 3, 0, 13, 5, 0, 18][i % 8] ?? 0),
  },
  feel: {
    steady: <path d="M30 4L22 24M8 26H48" />,
    pushedBack: <path d="M34 4L22 24M8 26H48M34 16l10-6m-7-1l7 1-2 7" />,
    longArc: (
      <>
        <path d="M30 2L26 10M8 28H48" />
        <path strokeDasharray="2 3" d="M26 11L22 27" />
        <circle className={css.solid} cx={25} cy={19} r={2.6} />
      </>
    ),
    runny: <path d="M30 4L24 18M8 24H48M14 24Q24 32 44 25" />,
    jerky: <path d="M32 3l-4 5 3 4-5 4 2 4-4 4M8 27H48" />,
  },
  profile: {
    slightlyConvex: across(good),
    flat: across('M12 22H44Q28 28 12 22z'),
    tallNarrow: across('M22 22Q20 6 28 6Q36 6 34 22z'),
    piledUp: across('M12 22Q8 8 28 7Q48 8 44 22z'),
    sunk: across('M8 22Q28 29 48 22Q28 31 8 22z'),
    lumpy: across('M20 22Q22 14 26 22zM29 22Q33 12 38 22z'),
  },
  toes: {
    blended: across('M12 22Q20 20 28 15Q36 20 44 22z'),
    cold: across('M16 22Q10 16 16 13Q28 6 40 13Q46 16 40 22z'),
    undercut: (
      <>
        <path className={css.solid} d="M2 22H12Q14 27 17 22H39Q42 27 44 22H54V30H2z" />
        <path className={css.metal} d="M17 22Q28 14 39 22z" />
      </>
    ),
  },
  tint: {
    none: along(null),
    thin: along(<path className={css.tint} strokeWidth={14} d="M6 16h44" />),
    even: along(<path className={css.tint} strokeWidth={20} d="M6 16h44" />),
    wide: along(<path className={css.tint} strokeWidth={30} d="M6 16h44" />),
  },
  penetration: {
    noneSeen: <path className={css.solid} d="M2 10H54V22H2z" />,
    tintBehind: (
      <>
        <path className={css.solid} d="M2 10H54V22H2z" />
        <path className={css.tint} strokeWidth={6} d="M8 24h40" />
      </>
    ),
    backMark: (
      <>
        <path className={css.solid} d="M2 10H54V22H2z" />
        <path className={css.metal} d="M18 22Q28 31 38 22z" />
      </>
    ),
  },
  spatter: {
    little: along(null),
    fine: along(
      [8, 17, 27, 36, 46].map((x, i) => (
        <circle key={x} className={css.solid} cx={x} cy={i % 2 ? 5 : 27} r={1.3} />
      )),
    ),
    big: along(
      [9, 22, 34, 47].map((x, i) => (
        <circle key={x} className={css.solid} cx={x} cy={i % 2 ? 5 : 26} r={3.2} />
      )),
    ),
  },
  ripple: {
    even: <path d="M4 8H52M4 24H52M12 8q5 8 0 16M22 8q5 8 0 16M32 8q5 8 0 16M42 8q5 8 0 16" />,
    uneven: (
      <path d="M4 10q8-6 16 0t16-1 16 2M4 22q9 7 16 1t14 2 18-3M13 9q6 7 0 14M24 9q9 6 1 15M40 10q3 7 0 14" />
    ),
    stretched: <path d="M4 8H52M4 24H52M6 8q24 8 0 16M20 8q24 8 0 16M34 8q24 8 0 16" />,
  },
  plate: {
    cold: <path className={css.solid} d="M6 14H50V24H6z" />,
    warm: (
      <>
        <path className={css.solid} d="M6 16H50V26H6z" />
        <path d="M18 12q3-3 0-6M34 12q3-3 0-6" />
      </>
    ),
    hot: (
      <>
        <path className={css.tint} strokeWidth={12} d="M6 21H50" />
        <path d="M12 12q4-4 0-9M24 12q4-4 0-9M36 12q4-4 0-9M46 12q4-4 0-9" />
      </>
    ),
  },
  tungsten: {
    pointed: <path className={css.solid} d="M22 2H34V16L28 29 22 16z" />,
    balled: (
      <>
        <path className={css.solid} d="M24 2H32V18H24z" />
        <circle className={css.solid} cx={28} cy={21} r={7} />
      </>
    ),
    burntBack: <path className={css.solid} d="M22 2H34V12L31 16 29 12 26 18 22 11z" />,
    dipped: (
      <>
        <path className={css.solid} d="M23 2H33V16L28 24 23 16z" />
        <path className={css.metal} d="M20 19Q28 12 36 19Q38 29 28 30Q18 29 20 19z" />
      </>
    ),
  },
  colour: Object.fromEntries(
    ['silver', 'straw', 'purple', 'blue', 'grey'].map((name) => [
      name,
      along(<path data-tint={name} strokeWidth={24} d="M6 16h44" />),
    ]),
  ),
  puddle: {
    clear: <ellipse cx={28} cy={16} rx={20} ry={9} />,
    specks: (
      <>
        <ellipse cx={28} cy={16} rx={20} ry={9} />
        {[18, 26, 33, 38].map((x, i) => (
          <circle key={x} className={css.solid} cx={x} cy={13 + (i % 3) * 3} r={1.8} />
        ))}
      </>
    ),
    skin: (
      <>
        <ellipse cx={28} cy={16} rx={20} ry={9} />
        <path d="M12 14q8-4 14 1t17-2M13 19q9 4 16-1t14 1" />
      </>
    ),
  },
  soot: {
    none: along(null),
    brushesOff: along(<path className={css.haze} strokeWidth={16} d="M8 16h40" />),
    stays: along(<path className={css.soot} strokeWidth={20} d="M8 16h40" />),
  },
  along: {
    same: along(null),
    atStart: along(<path className={css.tint} strokeWidth={24} d="M4 16h14" />),
    worse: <path className={css.solid} d="M6 15Q30 12 50 4V28Q30 20 6 17z" />,
    atEnd: along(<path className={css.tint} strokeWidth={24} d="M38 16h14" />),
  },
  start: {
    clean: <path d="M8 26H48M28 4V17M28 20v3" />,
    touching: <path d="M8 26H48M28 4V26M18 20l-5-4M38 20l5-4" />,
    stuttering: <path d="M8 26H48M28 4V15M14 22v-4M20 22v-2M36 22v-6M42 22v-3" />,
  },
  tip: {
    clear: <path d="M18 4V22M38 4V22M24 4V18H32V4M28 18V28" />,
    burntBack: (
      <>
        <path d="M18 4V22M38 4V22M24 4V18H32V4" />
        <circle className={css.solid} cx={28} cy={20} r={4} />
      </>
    ),
    clogged: (
      <>
        <path d="M18 4V22M38 4V22M24 4V18H32V4M28 18V28" />
        {[20, 36].map((x) => (
          <circle key={x} className={css.solid} cx={x} cy={20} r={4} />
        ))}
      </>
    ),
  },
  gas: {
    flows: <path d="M18 3V13M38 3V13M22 17q-4 5 0 10M28 17v11M34 17q4 5 0 10" />,
    nothing: <path d="M18 3V13M38 3V13M20 28L36 16M20 16L36 28" />,
  },
  light: {
    still: (
      <>
        <circle cx={28} cy={16} r={8} />
        <path d="M28 16h0" />
      </>
    ),
    swelling: (
      <>
        <circle cx={28} cy={16} r={5} />
        <circle strokeDasharray="3 3" cx={28} cy={16} r={12} />
      </>
    ),
    wandering: <path d="M14 4V14L40 27M14 14L30 28M14 14L46 22" />,
  },
  lean: {
    asOnSheet: <path d="M33 4L27 22M8 26H48" />,
    farOver: <path d="M48 10L27 22M8 26H48" />,
  },
};

/** The drawing on an evidence key. */
export const EvidencePicture = ({ of, value }: { of: Pictured; value: string }) => (
  <svg className={css.evidencePicture} viewBox="0 0 56 32" aria-hidden="true">
    {pictures[of][value]}
  </svg>
);
