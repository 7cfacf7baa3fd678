import { memo } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import {
  countedAll,
  gases,
  joints,
  metals,
  polarities,
  positions,
  waysOfSetting,
  wireName,
} from '../../shared/words';
import { ControlFace } from '../machines/ControlFace';
import { Why } from './Why';
import './sheets.css';
import { useSay } from '../../shared/words/useSay';

type Sheet = Schemas['Sheet'];
type Machine = Schemas['Machine'];
interface Aim {
  label: string;
  of: string;
  big: string;
  small?: string | undefined;
}

/** A job in a line: plate, joint, position. */
export function jobLine(job: Schemas['Job']): string {
  const other = job.otherThickness ? ` and ${job.otherThickness.typed}` : '';
  const metal = !job.metal || job.metal === 'mildSteel' ? '' : ` ${metals[job.metal].toLowerCase()}`;
  // A T and a V stay as they are.
  const joint = joints[job.joint].replace(/^[A-Z](?=[a-z])/, (first) => first.toLowerCase());
  return `${job.thickness.typed}${other}${metal} ${joint}, ${positions[job.position].toLowerCase()}`;
}

/** What a job is welded with: process, wire, gas, polarity. */
export function WithLine({ sheet }: { sheet: Sheet }) {
  const say = useSay();
  return [
    say(sheet.processName),
    sheet.job.wire ? `${wireName(sheet.job.wire)} wire` : null,
    gases[sheet.job.gas ?? 'none'],
    polarities[sheet.polarity],
  ]
    .filter(Boolean)
    .join(' · ');
}

/** The way of setting a sheet was made by, where it decides something. */
function wayLine({ job, way, pair }: Sheet): string {
  const words = [pair && waysOfSetting.pair.words[way.pair]];
  if (job.position !== 'flat' && job.position !== 'horizontal') {
    words.push(waysOfSetting.position.words[way.position]);
  }
  return words.filter(Boolean).join(', ').toLowerCase();
}

/** A settings sheet: where the controls stand, what to aim at, what to expect, what to heed. */
export const SheetView = memo(function SheetView({
  sheet,
  machine,
}: {
  sheet: Sheet;
  machine?: Machine | null;
}) {
  const say = useSay();
  const { reasons } = sheet;
  const aims = useAims(sheet);
  return (
    <div className="sheet">
      {sheet.pair && <Pair sheet={sheet} pair={sheet.pair} machine={machine} />}
      {sheet.tig && <Tungsten sheet={sheet} tig={sheet.tig} machine={machine} />}
      <dl className="aims">
        {aims.map((aim) => (
          <div key={aim.of}>
            <dt>{aim.label}</dt>
            <dd>
              <Why of={aim.of} label={aim.label.toLowerCase()} reasons={reasons}>
                {aim.big}
              </Why>
              {aim.small && <span className="quiet">{aim.small}</span>}
            </dd>
          </div>
        ))}
      </dl>
      <dl className="expect">
        <div>
          <dt>It should sound</dt>
          <dd>{say(sheet.expectedSound)}</dd>
        </div>
        <div>
          <dt>It should look</dt>
          <dd>{say(sheet.expectedLook)}</dd>
        </div>
        <div>
          <dt>Direction and hand</dt>
          <dd>
            {say(sheet.direction)} {say(sheet.motion)}
          </dd>
        </div>
      </dl>
      {sheet.steps.length > 0 && (
        <section className="steps" aria-label="From loading to keeping">
          <h3>
            From loading to keeping <span className="quiet">{wayLine(sheet)}</span>
          </h3>
          <ol>
            {sheet.steps.map((step) => (
              <li key={say(step)}>{say(step)}</li>
            ))}
          </ol>
        </section>
      )}
      {sheet.otherWays.length > 0 && (
        <section className="other-ways" aria-label="Other ways of setting">
          <h3>Other ways of setting</h3>
          <ul>
            {sheet.otherWays.map((other) => (
              <li key={other.between}>{say(other.text)}</li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
});

function Pair({
  sheet,
  pair,
  machine,
}: {
  sheet: Sheet;
  pair: Schemas['PairSettings'];
  machine?: Machine | null | undefined;
}) {
  const say = useSay();
  const { number, unit, show } = useUnits();
  const { reasons } = sheet;
  const { marks } = pair;
  return (
    <div className="pair">
      <section className="physical" aria-label="Pair">
        <div>
          <h3>Wire feed speed</h3>
          <Why of="wireFeed" label="wire feed speed" reasons={reasons}>
            <b>{number('wireFeed', pair.wireFeedMPerMin)}</b> {unit('wireFeed')}
          </Why>
        </div>
        <div>
          <h3>{pair.voltsAreSet ? 'Volts' : 'Volts on the read-out'}</h3>
          <Why of="volts" label="volts" reasons={reasons}>
            <b>{number('volts', pair.volts.aimVolts)}</b> V
          </Why>
          <span className="quiet">
            {number('volts', pair.volts.lowVolts)} to {number('volts', pair.volts.highVolts)}{' '}
            {pair.voltsAreSet ? 'runs smooth' : 'is usual; the program makes them'}
          </span>
        </div>
      </section>
      {machine?.wireControl && machine.voltControl && marks && (
        <section className="faces" aria-label={`Marks of ${machine.name}`}>
          <Why of="wireMark" label="the wire mark" reasons={reasons}>
            <ControlFace
              control={machine.wireControl}
              mark={marks.wire.mark}
              title="Wire"
              reads={say(marks.wire.reads)}
            />
          </Why>
          <Why of="voltMark" label="the volt mark" reasons={reasons}>
            <ControlFace
              control={machine.voltControl}
              mark={marks.volt.mark}
              title="Volts"
              reads={say(marks.volt.reads)}
            />
          </Why>
        </section>
      )}
      {(marks || pair.chart || pair.inductance || sheet.program !== null) && (
        <ul className="pair-notes quiet">
          {marks && (
            <li>
              Wire sure to {Math.round(marks.wire.sureShare * 100)} %, volts to{' '}
              {Math.round(marks.volt.sureShare * 100)} %
            </li>
          )}
          {sheet.program !== null && <li>Program {sheet.program}</li>}
          {pair.inductance && <li>Inductance: {say(pair.inductance)}</li>}
          {pair.learned && (
            <li>
              This room has found {show('volts', pair.learned.volts.aimVolts)} here, smooth from{' '}
              {pair.learned.volts.lowVolts.toFixed(1)} to {pair.learned.volts.highVolts.toFixed(1)}:{' '}
              {against(pair.learned.volts.aimVolts - pair.volts.aimVolts)}, from{' '}
              {countedAll([pair.learned.sweeps, 'sweep mark'], [pair.learned.beads, 'bead'])}
            </li>
          )}
          {pair.chart && (
            <li>
              The door chart says {show('wireFeed', pair.chart.wireFeedMPerMin)} and{' '}
              {show('volts', pair.chart.volts)}: {against(pair.chart.volts - pair.volts.aimVolts)}
            </li>
          )}
        </ul>
      )}
    </div>
  );
}

function Tungsten({
  sheet,
  tig,
  machine,
}: {
  sheet: Sheet;
  tig: Schemas['TigSettings'];
  machine?: Machine | null | undefined;
}) {
  const say = useSay();
  const { number } = useUnits();
  const { reasons } = sheet;
  return (
    <div className="pair">
      <section className="physical" aria-label="Current">
        <div>
          <h3>Pedal at the most</h3>
          <Why of="pedalMost" label="the pedal" reasons={reasons}>
            <b>{number('amps', tig.pedalMostAmps)}</b> A
          </Why>
          <span className="quiet">without a pedal {number('amps', sheet.amps)} A</span>
        </div>
        <div>
          <h3>Tungsten</h3>
          <Why of="tungsten" label="the tungsten" reasons={reasons}>
            <b>{tig.tungstenMm.toFixed(1)}</b> mm
          </Why>
          <span className="quiet">{say(tig.tungstenClass)}</span>
        </div>
      </section>
      {machine?.ampControl && tig.mark && (
        <section className="faces" aria-label={`Marks of ${machine.name}`}>
          <Why of="ampMark" label="the amp mark" reasons={reasons}>
            <ControlFace
              control={machine.ampControl}
              mark={tig.mark.mark}
              title="Amps"
              reads={say(tig.mark.reads)}
            />
          </Why>
        </section>
      )}
      <ul className="pair-notes">
        <li>Grind: {say(tig.grind)}.</li>
        <li>{say(tig.start)}</li>
        {tig.pulse && <li>{say(tig.pulse)}</li>}
      </ul>
    </div>
  );
}

/** What the machine shows while welding: at the sheet's stick-out, and at a long one. */
function useReadOut(): (reads: Schemas['AmpsAtStickOut'][]) => Aim[] {
  const { show } = useUnits();
  return ([near, far]) =>
    near && far
      ? [
          {
            label: 'Read-out shows',
            of: 'reads',
            big: show('amps', near.amps),
            small: `${show('amps', far.amps)} at ${show('length', far.stickOutMm)}`,
          },
        ]
      : [];
}

function useAims(sheet: Sheet): Aim[] {
  const say = useSay();
  const { number, unit, show, timed } = useUnits();
  const { pair, tig, gasFlow } = sheet;
  const readOut = useReadOut();
  const span = (window: { lowMm: number; highMm: number }) =>
    `${number('length', window.lowMm)} to ${number('length', window.highMm)} ${unit('length')}`;
  const [workAngle, workAngleHow] = say(sheet.workAngle).split('° ');
  const aims: (Aim | false)[] = [
    { label: tig ? 'Amps' : 'Expected amps', of: 'amps', big: show('amps', sheet.amps) },
    {
      label: { leg: 'Leg', width: 'Bead width', hole: 'Hole' }[sheet.beadMeasure],
      of: 'beadSize',
      big: show('length', sheet.beadSize.aimMm),
      small: span(sheet.beadSize),
    },
    sheet.travelMmPerMin !== null && {
      label: 'Travel speed',
      of: 'travel',
      big: show('travel', sheet.travelMmPerMin),
      small: timed(sheet.travelMmPerMin),
    },
    sheet.plugSeconds !== null && {
      label: 'Arc time',
      of: 'plugSeconds',
      big: `${sheet.plugSeconds.toFixed(1)} s`,
    },
    {
      label: 'Passes',
      of: 'passes',
      big: String(sheet.passes.count),
      small: sheet.passes.count > 1 ? `in ${sheet.passes.layers} layers` : undefined,
    },
    pair !== null && {
      label: 'Stick-out',
      of: 'stickOut',
      big: show('length', pair.stickOut.aimMm),
      small: span(pair.stickOut),
    },
    ...readOut(pair?.reads ?? []),
    tig !== null && {
      label: 'Cup',
      of: 'cup',
      big: `No. ${tig.cup}`,
      small: `${((tig.cup * 25.4) / 16).toFixed(1)} mm bore`,
    },
    tig !== null && { label: 'Rod', of: 'filler', big: `${tig.fillerMm.toFixed(1)} mm` },
    tig !== null && {
      label: 'Gas after',
      of: 'postFlowSeconds',
      big: `${tig.postFlowSeconds} s`,
      small: `${tig.preFlowSeconds} s before`,
    },
    tig?.balancePercent != null && {
      label: 'Balance on minus',
      of: 'balancePercent',
      big: `${tig.balancePercent} %`,
    },
    tig?.frequencyHz != null && { label: 'Frequency', of: 'frequencyHz', big: `${tig.frequencyHz} Hz` },
    gasFlow !== null && {
      label: 'Gas flow',
      of: 'gasFlow',
      big: `${number('gas', gasFlow.lowLPerMin)} to ${show('gas', gasFlow.highLPerMin)}`,
      small: gases[sheet.job.gas ?? 'none'],
    },
    {
      label: 'Lens shade',
      of: 'shadeLeast',
      big: `${sheet.shadeLeast} or darker`,
      small: sheet.shadeComfortable ? `comfortable ${sheet.shadeComfortable}` : undefined,
    },
    {
      label: 'Work angle',
      of: 'workAngle',
      big: `${workAngle}°`,
      small: workAngleHow,
    },
    {
      label: 'Travel angle',
      of: 'travelAngle',
      big: `${say(sheet.travelAngle).split('°')[0]}°`,
      small: 'off square',
    },
    sheet.heatInputEnKJPerMm !== null && {
      label: 'Heat, EN 1011-1',
      of: 'heatInputEn',
      big: show('heat', sheet.heatInputEnKJPerMm),
    },
    sheet.heatInputAwsKJPerMm !== null && {
      label: 'Heat, AWS D1.1',
      of: 'heatInputAws',
      big: show('heat', sheet.heatInputAwsKJPerMm),
    },
    {
      label: 'Metal laid down',
      of: 'deposit',
      big: `${sheet.passes.depositGPerM.toFixed(0)} g`,
      small: `${sheet.passes.fillerMPerM.toFixed(1)} m of ${tig ? 'rod' : 'wire'} ${sheet.plugSeconds === null ? 'a metre' : 'a plug'}`,
    },
    sheet.dutyPercent !== null && {
      label: 'Duty here',
      of: 'dutyPercent',
      big: `${sheet.dutyPercent.toFixed(0)} %`,
      small: `${(sheet.dutyPercent / 10).toFixed(1)} min in ten`,
    },
  ];
  return aims.filter((aim): aim is Aim => aim !== false);
}

/** What to heed, grave things first in sight. */
export const Cautions = memo(function Cautions({ sheet }: { sheet: Sheet }) {
  const say = useSay();
  return (
    <section className="cautions" aria-label="Cautions">
      <h3>Heed</h3>
      <ul>
        {sheet.cautions.map((caution) => (
          <li key={say(caution.text)} className={caution.grave ? 'grave' : ''}>
            {say(caution.text)}
          </li>
        ))}
      </ul>
    </section>
  );
});

/** Volts against the sheet's own. */
const against = (more: number) =>
  Math.abs(more) < 0.1
    ? 'as this sheet'
    : `${Math.abs(more).toFixed(1)} V ${more > 0 ? 'over' : 'under'} this sheet`;
