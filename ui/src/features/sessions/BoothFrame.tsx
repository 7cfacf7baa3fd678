import { Button } from '@mantine/core';
import { Link, Outlet, useMatch, useOutletContext, useParams } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { LoadedInPieces } from '../../shared/Loaded';
import { BoothNumber } from '../../shared/page/BoothNumber';
import { Page } from '../../shared/page/Page';
import { Tabs } from '../../shared/page/Tabs';
import { gases, wireName } from '../../shared/words';
import { useBench, useNow } from './useBench';

/** The head of a booth's pages: who stands there, at what machine, and what there is to do. */
export function BoothFrame() {
  const { boothId = '' } = useParams();
  const now = useNow();
  const bench = useBench(boothId);
  if (now.data?.session === null) {
    return (
      <Page title="Booth" back={{ to: '/', label: 'Back to today' }}>
        <div className="panel empty">
          <p>There is no session yet.</p>
          <Button component={Link} to="/" size="lg">
            Start one
          </Button>
        </div>
      </Page>
    );
  }
  return (
    <LoadedInPieces of={bench} what="the booth">
      {(data) => <Booth bench={data} />}
    </LoadedInPieces>
  );
}

function Booth({ bench }: { bench: Schemas['Bench'] }) {
  const { booth, machines, atHand, student, coupon } = bench;
  const here = machines.find(({ id }) => id === atHand);
  // A sheet is worked to on the machine it was made for: no other's dials may stand in for it.
  const gone = coupon !== null && coupon.sheet.machineId !== atHand;
  const making = useMatch('/booths/:boothId') !== null;
  const at = `/booths/${booth.id}`;
  const tabs = [
    { to: at, label: 'Sheet', end: true },
    { to: `${at}/checks`, label: 'Checks' },
    { to: `${at}/bench`, label: 'Bench' },
    { to: `${at}/trials`, label: 'Trials' },
    { to: `${at}/test`, label: 'Test' },
    { to: `${at}/card`, label: 'Card' },
  ];
  return (
    <Page
      title={`Booth ${booth.number}${student ? `, ${student.name}` : ''}`}
      heading={student ? <Link to={`/students/${student.id}`}>{student.name}</Link> : 'Nobody here yet'}
      under={
        <>
          {machines.map(({ id, machine }) => (
            <div key={id}>
              <Link to={`/machines/${id}`}>{machine.name}</Link>,{' '}
              {machine.wireControl && `${wireName(machine.load.wire)} wire, `}
              {gases[machine.load.gas]}
            </div>
          ))}
        </>
      }
      back={{ to: '/', label: 'Back to today' }}
      before={<BoothNumber number={booth.number} />}
      aside={<Tabs name="Booth" tabs={tabs} />}
    >
      {here && gone && !making ? (
        <div className="panel empty">
          <p>The machine this sheet was made for stands here no more.</p>
          <Button component={Link} to={at} size="lg">
            Make a sheet for {here.machine.name}
          </Button>
        </div>
      ) : here ? (
        // A new student or sheet begins with an empty form.
        <Outlet
          key={`${booth.id}-${student?.id}`}
          context={{ ...bench, machine: here.machine, machineId: here.id } satisfies AtBooth}
        />
      ) : (
        <div className="panel empty">
          <p>No machine stands here.</p>
          <Button component={Link} to="/machines" size="lg">
            Move one in
          </Button>
        </div>
      )}
    </Page>
  );
}

/** A booth, and the machine that is worked with there. */
export type AtBooth = Schemas['Bench'] & { machine: Schemas['Machine']; machineId: string };

/** The booth's data, loaded by the frame around this screen. */
export const useBoothData = () => useOutletContext<AtBooth>();
