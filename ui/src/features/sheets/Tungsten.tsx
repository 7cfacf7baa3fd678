import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { useSay } from '../../shared/words/useSay';
import { Faces } from './Faces';
import { Why } from './Why';
import css from './sheets.module.css';

/** A tungsten's current and shape. */
export function Tungsten({
  sheet,
  tig,
  machine,
}: {
  sheet: Schemas['Sheet'];
  tig: Schemas['TigSettings'];
  machine?: Schemas['Machine'] | null | undefined;
}) {
  const say = useSay();
  const { number } = useUnits();
  const { reasons } = sheet;
  return (
    <div className={css.pair}>
      <section className={css.physical} aria-label="Current">
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
      <Faces
        machine={machine}
        reasons={reasons}
        faces={({ ampControl }) => [
          { of: 'ampMark', label: 'the amp mark', title: 'Amps', control: ampControl, setting: tig.mark },
        ]}
      />
      <ul className={css.pairNotes}>
        <li>Grind: {say(tig.grind)}.</li>
        <li>{say(tig.start)}</li>
        {tig.pulse && <li>{say(tig.pulse)}</li>}
      </ul>
    </div>
  );
}
