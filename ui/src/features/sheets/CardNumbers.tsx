import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { useSay } from '../../shared/words/useSay';
import css from './card.module.css';

/** The numbers of a sheet as a card shows them: what to set large, the rest small. */
export function CardNumbers({ sheet }: { sheet: Schemas['Sheet'] }) {
  const say = useSay();
  const { show, number, unit } = useUnits();
  const { pair, tig } = sheet;
  const big: [string, string][] = pair
    ? [
        ['Wire', (pair.marks && say(pair.marks.wire.reads)) ?? show('wireFeed', pair.wireFeedMPerMin)],
        ['Volts', (pair.marks && say(pair.marks.volt.reads)) ?? show('volts', pair.volts.aimVolts)],
      ]
    : [
        ['Amps', (tig?.mark && say(tig.mark.reads)) ?? show('amps', sheet.amps)],
        ['Tungsten', `${tig?.tungstenMm.toFixed(1)} mm`],
      ];
  const small: [string, string][] = [
    ...(pair
      ? ([
          ['Wire feed speed', show('wireFeed', pair.wireFeedMPerMin)],
          ['Smooth', `${number('volts', pair.volts.lowVolts)} to ${show('volts', pair.volts.highVolts)}`],
          ['Stick-out', show('length', pair.stickOut.aimMm)],
        ] as [string, string][])
      : []),
    ...(tig
      ? ([
          ['Cup, rod', `No. ${tig.cup}, ${tig.fillerMm.toFixed(1)} mm`],
          ['Post-flow', `${tig.postFlowSeconds} s`],
        ] as [string, string][])
      : []),
    ['Amps', show('amps', sheet.amps)],
    ...(sheet.gasFlow ? ([['Gas', show('gas', sheet.gasFlow.aimLPerMin)]] as [string, string][]) : []),
    ...(sheet.travelMmPerMin !== null
      ? ([['Travel', show('travel', sheet.travelMmPerMin)]] as [string, string][])
      : []),
    ...(sheet.plugSeconds !== null
      ? ([['Arc time', `${sheet.plugSeconds.toFixed(1)} s`]] as [string, string][])
      : []),
    [
      { leg: 'Leg', width: 'Width', hole: 'Hole' }[sheet.beadMeasure],
      `${number('length', sheet.beadSize.aimMm)} ${unit('length')}`,
    ],
    ['Passes', String(sheet.passes.count)],
    ['Shade', `${sheet.shadeLeast} or darker`],
  ];
  return (
    <>
      <div className={css.cardMarks}>
        {big.map(([name, value]) => (
          <div key={name}>
            <span>{name}</span>
            <b>{value}</b>
          </div>
        ))}
      </div>
      <dl className={css.cardValues}>
        {small.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}
