import { NumberInput, TextInput } from '@mantine/core';
import { type ReactNode, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { useUnits } from '../../shared/units';
import { evidence as groups, faults as faultWords, strengths, tigFeels, tigSounds } from '../../shared/words';
import { EvidencePicture } from './EvidencePicture';
import { changed, type EvidenceDraft, type GaugeName, gauges, type Noted, type Seen } from './evidenceDraft';

/** What can be said more or less strongly, with the answer that needs no strength. */
const graded: Partial<Record<Seen, string>> = {
  sound: 'evenCrackle',
  feel: 'steady',
  profile: 'slightlyConvex',
  toes: 'blended',
  tint: 'even',
  spatter: 'little',
  ripple: 'even',
};

/** One tap for a look that is right all round; the far side still has to be turned over. */
const goodLook: EvidenceDraft['seen'] = {
  profile: 'slightlyConvex',
  toes: 'blended',
  tint: 'even',
  spatter: 'little',
  ripple: 'even',
};

const sizeLabels: Record<Schemas['BeadMeasure'], string> = { leg: 'Leg', width: 'Width', hole: 'Hole' };

/** Everything that can be noted of a bead on this sheet: large keys with pictures, most telling first, then the gauge. */
export function EvidenceFields(props: {
  sheet: Schemas['Sheet'];
  draft: EvidenceDraft;
  change: (part: Partial<EvidenceDraft>) => void;
  fields: Record<string, string>;
  heard?: boolean;
}) {
  const { sheet, draft, fields } = props;
  const mine = useUnits().units;
  const change = (part: Partial<EvidenceDraft>) => {
    const { units } = changed(draft, part, mine);
    props.change({ ...part, units });
  };
  const tungsten = sheet.tig !== null;
  const { metal } = sheet.job;
  const slag = sheet.job.process?.startsWith('fcaw') ?? false;
  const possible = (Object.entries(faultWords) as [Schemas['Fault'], string][]).filter(
    ([fault]) => slag || fault !== 'slagTrapped',
  );
  const see = (part: EvidenceDraft['seen']) => change({ seen: { ...draft.seen, ...part } });
  const group = (of: Seen, words: Partial<Record<string, string>> = groups[of].words) => (
    <Group key={of} of={of} words={words as Record<string, string>} draft={draft} change={change} />
  );
  const looks: Seen[] = ['profile', 'toes', 'tint', 'penetration', 'ripple'];
  return (
    <>
      {props.heard !== false && (
        <>
          {group('sound', tungsten ? tigSounds : undefined)}
          {group('feel', tungsten ? tigFeels : undefined)}
        </>
      )}
      <button type="button" className="good-look" onClick={() => see(goodLook)}>
        Looks right all round
      </button>
      {looks.map((of) => group(of))}
      {!tungsten && group('spatter')}
      {tungsten && (
        <>
          {group('tungsten')}
          {group('puddle')}
        </>
      )}
      {['stainless', 'titanium', 'nickelAlloy'].includes(metal ?? '') && group('colour')}
      {metal === 'aluminium' && group('soot')}
      <fieldset className="choice">
        <legend>Faults</legend>
        <div className="choice-keys">
          {possible.map(([fault, word]) => (
            <button
              key={fault}
              type="button"
              aria-pressed={draft.faults.includes(fault)}
              onClick={() =>
                change({
                  faults: draft.faults.includes(fault)
                    ? draft.faults.filter((other) => other !== fault)
                    : [...draft.faults, fault],
                })
              }
            >
              {word}
            </button>
          ))}
        </div>
      </fieldset>
      {props.heard !== false && group('plate')}
      {props.heard !== false && <Besides {...{ draft, group, tungsten, gas: sheet.gasFlow !== null }} />}
      <Gauge {...{ sheet, draft, change, fields, tungsten }} />
    </>
  );
}

function Group(props: {
  of: Seen;
  words: Record<string, string>;
  draft: EvidenceDraft;
  change: (part: Partial<EvidenceDraft>) => void;
}) {
  const { of, draft, change } = props;
  const value = draft.seen[of] ?? null;
  const noted = of as Noted;
  const strength = draft.strengths[noted] ?? 'plain';
  return (
    <div className="evidence-group">
      <Choice<string>
        title={groups[of].title}
        words={props.words}
        value={value}
        onChange={(answer) =>
          change({
            seen: { ...draft.seen, [of]: answer },
            strengths: Object.fromEntries(
              Object.entries(draft.strengths).filter(([other]) => other !== noted),
            ),
          })
        }
        optional
        picture={(answer) => <EvidencePicture of={of} value={answer} />}
      />
      {of in graded && value !== null && value !== graded[of] && (
        <div className="strengths" role="group" aria-label={`How strongly: ${groups[of].title}`}>
          {(Object.entries(strengths) as [Schemas['Strength'], string][]).map(([grade, word]) => (
            <button
              key={grade}
              type="button"
              aria-pressed={strength === grade}
              onClick={() => change({ strengths: { ...draft.strengths, [noted]: grade } })}
            >
              {word}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}

/** What stands beside the bead, for one that puzzles: behind a key, open once something of it is noted. */
function Besides(props: {
  draft: EvidenceDraft;
  group: (of: Seen) => ReactNode;
  tungsten: boolean;
  gas: boolean;
}) {
  const { draft, group, tungsten, gas } = props;
  const of: Seen[] = ['along', 'lean', 'light', ...(gas ? (['gas'] as const) : [])];
  if (!tungsten) of.push('start', 'tip');
  const [opened, setOpened] = useState(false);
  const open = opened || of.some((one) => draft.seen[one]);
  return (
    <>
      <button type="button" className="plain" aria-expanded={open} onClick={() => setOpened(!open)}>
        {open ? 'Fewer looks' : 'More looks: along the bead, lean, start, nozzle, gas, light'}
      </button>
      {open && of.map((one) => group(one))}
    </>
  );
}

/** Ruler, gauge, watch and read-outs; the two most used stand open, the rest behind a key. */
function Gauge(props: {
  sheet: Schemas['Sheet'];
  draft: EvidenceDraft;
  change: (part: Partial<EvidenceDraft>) => void;
  fields: Record<string, string>;
  tungsten: boolean;
}) {
  const { sheet, draft, change, fields } = props;
  // A typed number keeps its unit, whatever the reader changes to in the middle of it.
  const { unit } = useUnits(draft.units);
  const leg = sheet.beadMeasure === 'leg';
  const names = (Object.keys(gauges) as GaugeName[]).filter(
    (name) =>
      !(name === 'widthMm' && sheet.beadMeasure === 'width') &&
      (leg || !['otherLegMm', 'throatMm'].includes(name)) &&
      (!leg || !['excessPenetrationMm', 'rootWidthMm'].includes(name)),
  );
  const wrong = Object.keys(fields).some((field) => field.startsWith('evidence.measured'));
  const filled = names.some((name) => (draft.measured[name] ?? '') !== '') || draft.pores !== '';
  const [opened, setOpened] = useState(filled);
  const open = opened || wrong;
  const input = (
    label: string,
    value: number | string,
    suffix: string,
    onChange: (value: number | string) => void,
    error: string | undefined,
  ) => (
    <NumberInput
      key={label}
      label={label}
      size="lg"
      hideControls
      allowedDecimalSeparators={['.', ',']}
      suffix={` ${suffix}`}
      value={value}
      onChange={onChange}
      error={error}
    />
  );
  return (
    <>
      <div className="measured">
        {input(
          `${sizeLabels[sheet.beadMeasure]}, if measured`,
          draft.size,
          unit('length'),
          (size) => change({ size }),
          fields['evidence.beadSizeMm'],
        )}
        {!props.tungsten &&
          input(
            'Stick-out, if measured',
            draft.stickOut,
            unit('length'),
            (stickOut) => change({ stickOut }),
            fields['evidence.stickOutMm'],
          )}
      </div>
      <button type="button" className="plain" aria-expanded={open} onClick={() => setOpened(!open)}>
        {open ? 'Fewer numbers' : 'More numbers: gauge, watch, read-outs'}
      </button>
      {open && (
        <div className="measured more">
          {names.map((name) =>
            input(
              gauges[name].label,
              draft.measured[name] ?? '',
              gauges[name].kind === 'seconds' ? 's' : unit(gauges[name].kind),
              (value) => change({ measured: { ...draft.measured, [name]: value } }),
              fields[`evidence.measured.${name}`],
            ),
          )}
          <TextInput
            label={`Pores, ${unit('length')} across`}
            placeholder="none, or 0.8 1.2"
            size="lg"
            value={draft.pores}
            onChange={(event) => change({ pores: event.currentTarget.value })}
            error={fields['evidence.measured.poresMm']}
          />
        </div>
      )}
    </>
  );
}
