import { type ReactNode, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { evidence as groups, tigFeels, tigSounds } from '../../shared/words';
import { changed, type EvidenceDraft, goodLook, type Seen } from './evidenceDraft';
import { EvidenceGroup } from './EvidenceGroup';
import { Faults } from './Faults';
import { Gauge } from './Gauge';

/** Groups that some metals alone show. */
const ofMetal: Partial<Record<Schemas['Metal'], Seen[]>> = {
  stainless: ['colour'],
  titanium: ['colour'],
  nickelAlloy: ['colour'],
  aluminium: ['soot'],
};

/** What every bead is asked; then what tells most of the rest. */
const everyday: Seen[] = ['penetration'];
const telling: Seen[] = ['profile', 'toes', 'tint'];
const fedLooks: Seen[] = ['spatter'];
const tungstenLooks: Seen[] = ['tungsten', 'puddle'];

/** What is rarely needed, for a bead that puzzles. */
const rare = (tungsten: boolean, gas: boolean): Seen[] => [
  'along',
  'lean',
  'light',
  ...(gas ? (['gas'] as const) : []),
  ...(tungsten ? [] : (['start', 'tip'] as const)),
];

/** Everything that can be noted of a bead on this sheet: large keys with pictures, the everyday ones first, then the gauge. */
export function EvidenceFields(props: {
  sheet: Schemas['Sheet'];
  draft: EvidenceDraft;
  change: (part: Partial<EvidenceDraft>) => void;
  fields: Record<string, ReactNode>;
  heard?: boolean;
  /** What stands below the questions of every bead, before the rest. */
  judge?: ReactNode;
}) {
  const { sheet, draft, fields } = props;
  const mine = useUnits().units;
  const change = (part: Partial<EvidenceDraft>) => {
    const { units } = changed(draft, part, mine);
    props.change({ ...part, units });
  };
  const tungsten = sheet.tig !== null;
  const heard = props.heard !== false;
  const group = (of: Seen, words: Partial<Record<string, string>> = groups[of].words) => (
    <EvidenceGroup key={of} of={of} words={words as Record<string, string>} draft={draft} change={change} />
  );
  const looks = [
    ...telling,
    ...(tungsten ? tungstenLooks : fedLooks),
    ...(ofMetal[sheet.job.metal ?? 'mildSteel'] ?? []),
  ];
  const more = [
    ...(heard ? (['feel'] as const) : []),
    'ripple' as const,
    ...(heard ? (['plate'] as const) : []),
  ];
  return (
    <>
      {heard && group('sound', tungsten ? tigSounds : undefined)}
      <button
        type="button"
        className="key good-look"
        onClick={() => change({ seen: { ...draft.seen, ...goodLook } })}
      >
        Looks right all round
      </button>
      {everyday.map((of) => group(of))}
      {props.judge}
      {looks.map((of) => group(of))}
      <Faults sheet={sheet} draft={draft} change={change} />
      <Folded
        noted={more.some((of) => draft.seen[of] && draft.seen[of] !== goodLook[of])}
        open="More looks: feel, ripple, plate"
        close="Fewer looks"
      >
        {more.map((of) => group(of, of === 'feel' && tungsten ? tigFeels : undefined))}
      </Folded>
      {heard && (
        <Folded
          noted={rare(tungsten, sheet.gasFlow !== null).some((of) => draft.seen[of])}
          open="If it puzzles: along the bead, lean, start, nozzle, gas, light"
          close="Not these"
        >
          {rare(tungsten, sheet.gasFlow !== null).map((of) => group(of))}
        </Folded>
      )}
      <Gauge {...{ sheet, draft, change, fields, tungsten }} />
    </>
  );
}

/** What stands behind a key until it is wanted, or something of it is noted. */
function Folded(props: { noted: boolean; open: string; close: string; children: ReactNode }) {
  const [opened, setOpened] = useState(false);
  const open = opened || props.noted;
  return (
    <>
      <button type="button" className="plain" aria-expanded={open} onClick={() => setOpened(!open)}>
        {open ? props.close : props.open}
      </button>
      {open && props.children}
    </>
  );
}
