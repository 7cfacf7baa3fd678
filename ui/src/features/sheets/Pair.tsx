import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { countedAll } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { Faces } from './Faces';
import { Why } from './Why';
import css from './sheets.module.css';

/** Wire and volts: in their units, on this machine's marks, and what else is known of them. */
export function Pair({
  sheet,
  pair,
  machine,
}: {
  sheet: Schemas['Sheet'];
  pair: Schemas['PairSettings'];
  machine?: Schemas['Machine'] | null | undefined;
}) {
  const say = useSay();
  const { number, unit, show } = useUnits();
  const { reasons } = sheet;
  const { marks } = pair;
  return (
    <div className={css.pair}>
      <section className={css.physical} aria-label="Wire and volts">
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
            {pair.voltsAreSet ? 'runs smooth' : 'is usual; set by the program'}
          </span>
        </div>
      </section>
      <Faces
        machine={machine}
        reasons={reasons}
        faces={({ wireControl, voltControl }) => [
          {
            of: 'wireMark',
            label: 'the wire mark',
            title: 'Wire',
            control: wireControl,
            setting: marks?.wire,
          },
          {
            of: 'voltMark',
            label: 'the volt mark',
            title: 'Volts',
            control: voltControl,
            setting: marks?.volt,
          },
        ]}
      />
      {(marks || pair.chart || pair.inductance || sheet.program !== null) && (
        <ul className={`${css.pairNotes} quiet`}>
          {marks && (
            <li>
              Marks: wire ±{Math.round(marks.wire.sureShare * 100)} %, volts ±
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

/** Volts against the sheet's own. */
const against = (more: number) =>
  Math.abs(more) < 0.1
    ? 'as this sheet'
    : `${Math.abs(more).toFixed(1)} V ${more > 0 ? 'over' : 'under'} this sheet`;
