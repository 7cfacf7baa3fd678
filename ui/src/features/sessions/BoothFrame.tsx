import { Button, Loader } from '@mantine/core';
import { IconArrowLeft } from '@tabler/icons-react';
import { Link, NavLink, Outlet, useOutletContext, useParams } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { gases, wireName } from '../../shared/words';
import { useBench, useNow } from './useBench';

/** The head of a booth's two screens: who stands there, at what machine, sheet or bench. */
export function BoothFrame() {
  const { boothId = '' } = useParams();
  const now = useNow();
  const bench = useBench(boothId);
  if (bench.isLoadingError) return <Trouble error={bench.error} again={() => bench.refetch()} />;
  if (now.data?.session === null) {
    return (
      <div className="panel empty">
        <p>There is no session yet.</p>
        <Button component={Link} to="/" size="lg">
          Start one
        </Button>
      </div>
    );
  }
  if (!bench.data) return <Loader m="xl" aria-label="Loading the booth" />;
  const { booth, machine, student } = bench.data;
  return (
    <>
      <div className="booth-head">
        <Link to="/" className="back" aria-label="Back to the session">
          <IconArrowLeft />
        </Link>
        <span className="booth-number">{booth.number}</span>
        <div>
          <h1>{student ? <Link to={`/students/${student.id}`}>{student.name}</Link> : 'Nobody here yet'}</h1>
          <p className="quiet">
            <Link to={`/machines/${booth.machineId}`}>{machine.name}</Link>,{' '}
            {machine.wireControl ? `${wireName(machine.load.wire)} wire, ` : ''}
            {gases[machine.load.gas]}
          </p>
        </div>
        <nav className="tabs" aria-label="Booth">
          <NavLink to={`/booths/${booth.id}`} end>
            Sheet
          </NavLink>
          <NavLink to={`/booths/${booth.id}/checks`}>Checks</NavLink>
          <NavLink to={`/booths/${booth.id}/bench`}>Bench</NavLink>
          <NavLink to={`/booths/${booth.id}/trials`}>Trials</NavLink>
          <NavLink to={`/booths/${booth.id}/test`}>Test</NavLink>
          <NavLink to={`/booths/${booth.id}/card`}>Card</NavLink>
        </nav>
      </div>
      {/* A new student or sheet begins with an empty form. */}
      <Outlet key={`${booth.id}-${student?.id}`} context={bench.data} />
    </>
  );
}

/** The booth's data, loaded by the frame around this screen. */
export const useBoothData = () => useOutletContext<Schemas['Bench']>();
