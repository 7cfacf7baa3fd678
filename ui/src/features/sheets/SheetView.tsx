import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { ControlFace } from '../machines/ControlFace';
import { Why } from './Why';
import './sheets.css';

type Sheet = Schemas['Sheet'];
type Window = 'stickOut' | 'beadSize';

/** A settings sheet: where the controls stand, what to aim at, what to expect, what to heed. */
export function SheetView({ sheet, machine }: { sheet: Sheet; machine?: Schemas['Machine'] | null }) {
  const { number, unit, show } = useUnits();
  const { reasons, marks } = sheet;
  const length = (of: Window) =>
    `${number('length', sheet[of].lowMm)} to ${number('length', sheet[of].highMm)} ${unit('length')}`;
  const aims: { label: string; of: string; big: string; small?: string }[] = [
    { label: 'Expected amps', of: 'amps', big: show('amps', sheet.amps) },
    {
      label: sheet.beadSizeIsLeg ? 'Leg' : 'Bead width',
      of: 'beadSize',
      big: show('length', sheet.beadSize.aimMm),
      small: length('beadSize'),
    },
    { label: 'Travel speed', of: 'travel', big: show('travel', sheet.travelMmPerMin) },
    {
      label: 'Stick-out',
      of: 'stickOut',
      big: show('length', sheet.stickOut.aimMm),
      small: length('stickOut'),
    },
    {
      label: 'Gas flow',
      of: 'gasFlow',
      big: `${number('gas', sheet.gasFlow.lowLPerMin)} to ${show('gas', sheet.gasFlow.highLPerMin)}`,
      small: '75 % Ar / 25 % CO₂',
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
      big: `${sheet.workAngle.split('°')[0]}°`,
      small: sheet.workAngle.split('° ')[1],
    },
    { label: 'Travel angle', of: 'travelAngle', big: '10 to 15°', small: 'off square, pushing' },
    { label: 'Heat, EN 1011-1', of: 'heatInputEn', big: show('heat', sheet.heatInputEnKJPerMm) },
    { label: 'Heat, AWS D1.1', of: 'heatInputAws', big: show('heat', sheet.heatInputAwsKJPerMm) },
  ];
  return (
    <div className="sheet">
      <div className="pair">
        <section className="physical" aria-label="Pair">
          <div>
            <h3>Wire feed speed</h3>
            <Why of="wireFeed" label="wire feed speed" reasons={reasons}>
              <b>{number('wireFeed', sheet.wireFeedMPerMin)}</b> {unit('wireFeed')}
            </Why>
          </div>
          <div>
            <h3>Volts</h3>
            <Why of="volts" label="volts" reasons={reasons}>
              <b>{number('volts', sheet.volts.aimVolts)}</b> V
            </Why>
            <span className="quiet">
              {number('volts', sheet.volts.lowVolts)} to {number('volts', sheet.volts.highVolts)} runs smooth
            </span>
          </div>
        </section>
        {machine && marks && (
          <section className="faces" aria-label={`Marks of ${machine.name}`}>
            <Why of="wireMark" label="the wire mark" reasons={reasons}>
              <ControlFace
                control={machine.wireControl}
                mark={marks.wire.mark}
                title="Wire"
                reads={marks.wire.reads}
              />
            </Why>
            <Why of="voltMark" label="the volt mark" reasons={reasons}>
              <ControlFace
                control={machine.voltControl}
                mark={marks.volt.mark}
                title="Volts"
                reads={marks.volt.reads}
              />
            </Why>
          </section>
        )}
      </div>
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
          <dd>{sheet.expectedSound}</dd>
        </div>
        <div>
          <dt>It should look</dt>
          <dd>{sheet.expectedLook}</dd>
        </div>
        <div>
          <dt>Direction</dt>
          <dd>{sheet.direction}</dd>
        </div>
      </dl>
    </div>
  );
}

/** What to heed, grave things first in sight. */
export function Cautions({ sheet }: { sheet: Sheet }) {
  return (
    <section className="cautions" aria-label="Cautions">
      <h3>Heed</h3>
      <ul>
        {sheet.cautions.map((caution) => (
          <li key={caution.text} className={caution.grave ? 'grave' : ''}>
            {caution.text}
          </li>
        ))}
      </ul>
    </section>
  );
}
