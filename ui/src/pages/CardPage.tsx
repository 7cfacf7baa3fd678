import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { day, useUnits } from '../shared/units';
import { useBoothData } from '../features/sessions/BoothFrame';
import { Cautions, jobLine, WithLine } from '../features/sheets/SheetView';
import '../features/sheets/card.css';
import { useSay } from '../shared/words/useSay';

/** A settings card ready for the printer: the sheet for the student, or the booth card with the marks large. */
export function CardPage() {
  const say = useSay();
  const { booth, machine, student, coupon } = useBoothData();
  const [large, setLarge] = useState(false);
  if (!coupon) {
    return (
      <div className="panel empty">
        <p>No sheet has been given out at this booth yet.</p>
        <Button component={Link} to={`/booths/${booth.id}`} size="lg">
          Make the sheet
        </Button>
      </div>
    );
  }
  const { sheet } = coupon;
  const files = `/api/cards/${sheet.id}`;
  return (
    <>
      <div className="row card-keys">
        <Button size="md" onClick={() => window.print()}>
          Print, A5
        </Button>
        <Button size="md" variant="default" onClick={() => setLarge(!large)}>
          {large ? 'The whole sheet' : 'Booth card, marks large'}
        </Button>
        <Button size="md" variant="default" component="a" href={`${files}/pdf?booth=${large}`}>
          PDF
        </Button>
        <Button size="md" variant="default" component="a" href={`${files}/csv`}>
          CSV
        </Button>
        <Button size="md" variant="default" component="a" href={`${files}/json`}>
          JSON
        </Button>
      </div>
      <article className={large ? 'card large' : 'card'} aria-label="Settings card">
        <header>
          <span className="booth-number">{booth.number}</span>
          <div>
            <h2>{student?.name}</h2>
            <p className="quiet">
              {machine.name}, {day(sheet.assignedAt)}
            </p>
          </div>
        </header>
        <h3>
          {jobLine(sheet.body.job)} <span className="quiet">{sheet.body.positionName}</span>
        </h3>
        <p className="quiet">
          <WithLine sheet={sheet.body} />
        </p>
        <Marks sheet={sheet.body} />
        {!large && (
          <>
            <p>
              <b>It should sound:</b> {say(sheet.body.expectedSound)}
            </p>
            <p>
              <b>It should look:</b> {say(sheet.body.expectedLook)}
            </p>
            <ol>
              {sheet.body.steps.map((step) => (
                <li key={say(step)}>{say(step)}</li>
              ))}
            </ol>
          </>
        )}
        <Cautions sheet={sheet.body} />
      </article>
    </>
  );
}

function Marks({ sheet }: { sheet: Schemas['Sheet'] }) {
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
          ['Gas after', `${tig.postFlowSeconds} s`],
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
      <div className="card-marks">
        {big.map(([name, value]) => (
          <div key={name}>
            <span>{name}</span>
            <b>{value}</b>
          </div>
        ))}
      </div>
      <dl className="card-values">
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
