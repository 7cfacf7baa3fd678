import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { planQueries } from '../features/planning/queries';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { clock } from '../shared/time';
import { useUnits } from '../shared/units';
import { metals } from '../shared/words';
import { Says, useSay } from '../shared/words/useSay';
import css from '../features/planning/planning.module.css';

/** What a plan takes: what to load where and when, what to cut from what, wire and gas. */
export function PlanListsPage() {
  const { sessionId = '' } = useParams();
  const board = useQuery(planQueries.board(sessionId));
  const lists = useQuery(planQueries.lists(sessionId));
  return (
    <Loaded of={asLoading(board)} what="the plan">
      {(plan) => (
        <Page
          title={`What it takes: ${plan.session.title}`}
          back={{ to: `/sessions/${sessionId}/plan`, label: 'Back to the plan' }}
        >
          <div className="stack">
            <div className={`row ${css.settings}`}>
              {plan.stands.length > 0 && (
                <Button component="a" href={`/api/sessions/${sessionId}/plan/cards.pdf`} target="_blank">
                  Job cards for all, PDF
                </Button>
              )}
              <Button variant="default" onClick={() => window.print()}>
                Print this
              </Button>
            </div>
            <Loaded of={asLoading(lists)} what="the lists">
              {(data) => (
                <>
                  <Loads loads={data.loads} slots={plan.slots} />
                  <Cuts pieces={data.pieces} cuts={data.cuts} />
                  <div className="two-columns even">
                    <Wires wires={data.wires} />
                    <Gases gases={data.gases} slots={plan.slots} />
                  </div>
                </>
              )}
            </Loaded>
          </div>
        </Page>
      )}
    </Loaded>
  );
}

type Slots = Schemas['Slot'][];
const begins = (slots: Slots, slot: number) => clock(slots[slot]?.begins ?? '00:00');

function Table(props: { title: string; heads: string[]; rows: React.ReactNode[][]; empty: string }) {
  return (
    <section className={`panel ${css.scroll}`} aria-label={props.title}>
      <h2>{props.title}</h2>
      {props.rows.length === 0 ? (
        <p className="quiet">{props.empty}</p>
      ) : (
        <table className={css.list}>
          <thead>
            <tr>
              {props.heads.map((head) => (
                <th key={head} scope="col">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {props.rows.map((row, at) => (
              <tr key={at}>
                {row.map((cell, i) => (
                  <td key={i}>{cell}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Loads({ loads, slots }: { loads: Schemas['LoadLine'][]; slots: Slots }) {
  return (
    <Table
      title="What to load"
      heads={['When', 'Booth', 'Machine', 'Off', 'On', 'Takes']}
      rows={loads.map((load) => [
        `${load.inSlot ? 'at' : 'before'} ${begins(slots, load.slot)}`,
        load.booth,
        load.machineName,
        <Says key="from" said={load.from} />,
        <Says key="to" said={load.to} />,
        `${load.minutes} min`,
      ])}
      empty="Every machine has on it what it takes."
    />
  );
}

function Wires({ wires }: { wires: Schemas['WireLine'][] }) {
  return (
    <Table
      title="Wire"
      heads={['Wire', 'Takes', 'Machines at once', 'Spools']}
      rows={wires.map((wire) => [
        <Says key="wire" said={wire.wire} />,
        `${Math.round(wire.grams)} g`,
        wire.machines,
        wire.spools ?? 'not counted',
      ])}
      empty="No wire is fed."
    />
  );
}

function Gases({ gases, slots }: { gases: Schemas['GasLine'][]; slots: Slots }) {
  return (
    <Table
      title="Gas, by bottle"
      heads={['Booth', 'Gas', 'Takes', 'In the bottle']}
      rows={gases.map((gas) => [
        `${gas.booth}, ${gas.machineName}`,
        <Says key="gas" said={gas.gas} />,
        `${Math.round(gas.litres)} L`,
        gas.there === null
          ? 'gauge not read'
          : `${Math.round(gas.there)} L${gas.emptyIn === null ? '' : `: runs out in the slot at ${begins(slots, gas.emptyIn)}`}`,
      ])}
      empty="No gas is taken."
    />
  );
}

function Cuts({ pieces, cuts }: { pieces: Schemas['CutPiece'][]; cuts: Schemas['CutList'] | null }) {
  const { units } = useUnits();
  const say = useSay();
  const long = (mm: number) => (units === 'inch' ? `${(mm / 25.4).toFixed(2)} in` : `${Math.round(mm)} mm`);
  const kind = (of: Schemas['StockKind']) =>
    `${long1(of.thicknessMm, units)} ${say(metals[of.metal]).toLowerCase()} ${of.form === 'plate' ? 'plate' : 'flat bar'}`;
  if (cuts === null)
    return (
      <>
        <Table
          title="Pieces to cut"
          heads={['Pieces', 'Wide', 'Long', 'From']}
          rows={pieces.map((piece) => [
            piece.count,
            long(piece.wideMm),
            long(piece.longMm),
            kind(piece.kind),
          ])}
          empty="No pieces are cut."
        />
        <p>
          Nobody has counted the bars and plates that lie there. <Link to="/courses/stock">Count them</Link>,
          and this says what to cut from which.
        </p>
      </>
    );
  return (
    <>
      <Table
        title="What to cut from what"
        heads={['How many', 'From', 'Cut', 'Left']}
        rows={cuts.bars.map((bar) => [
          bar.times,
          `${kind(bar.kind)}, ${long(bar.wideMm)} × ${long(bar.longMm)}`,
          bar.strips
            .map(({ pieces: own }) =>
              own.map((piece) => `${piece.count} × ${long(piece.wideMm)} × ${long(piece.longMm)}`).join(', '),
            )
            .join('; '),
          bar.strips.map(({ leftMm }) => long(leftMm)).join('; '),
        ])}
        empty="No pieces are cut."
      />
      {cuts.bars.length > 0 && (
        <p className="quiet">
          {Math.round((100 * cuts.piecesMm2) / cuts.usedMm2)} % of what is cut into becomes pieces and kerf.
        </p>
      )}
      {cuts.missing.length > 0 && (
        <p className="trouble">
          Not there:{' '}
          {cuts.missing
            .map(
              (piece) =>
                `${piece.count} × ${long(piece.wideMm)} × ${long(piece.longMm)}, ${kind(piece.kind)}`,
            )
            .join('; ')}
        </p>
      )}
    </>
  );
}

const long1 = (mm: number, units: string) =>
  units === 'inch' ? `${(mm / 25.4).toFixed(3)} in` : `${Math.round(mm * 10) / 10} mm`;
