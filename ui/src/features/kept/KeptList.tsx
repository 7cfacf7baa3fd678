import { Button, Loader, NumberInput } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { ShowMore } from '../../shared/ShowMore';
import { Trouble } from '../../shared/Trouble';
import { day, moment } from '../../shared/units';
import { wireName } from '../../shared/words';
import { BeadGlyph } from '../judging/BeadGlyph';
import { useMe } from '../../shared/useMe';
import { jobLine } from '../sheets/SheetView';
import { type Sought, useCompare, useKept, useUnkeep } from './useKept';
import './kept.css';
import { useSay } from '../../shared/words/useSay';

/** Kept settings, newest first; each says whether the machine still stands there. */
export function KeptList(sought: Sought) {
  const kept = useKept(sought);
  if (kept.isLoadingError) return <Trouble error={kept.error} again={kept.again} />;
  if (!kept.items) return <Loader aria-label="Loading kept settings" />;
  if (kept.items.length === 0) {
    return (
      <p className="quiet">
        {sought.thickness || sought.joint
          ? 'Nothing kept for this job yet.'
          : 'Nothing kept yet. When a bead comes out right, keep its setting on the bench.'}
      </p>
    );
  }
  return (
    <>
      <ul className="kept-list" aria-label="Kept settings">
        {kept.items.map((each) => (
          <KeptItem key={each.id} kept={each} showMachine={!sought.machineId} />
        ))}
      </ul>
      <ShowMore more={kept.more} coming={kept.coming} what="kept settings" />
    </>
  );
}

function KeptItem({ kept, showMachine }: { kept: Schemas['KeptView']; showMachine: boolean }) {
  const say = useSay();
  const me = useMe().data;
  const unkeep = useUnkeep();
  const mine = me?.id === kept.by.id || me?.role === 'instructor';
  return (
    <li>
      {kept.bead && (
        <BeadGlyph
          shape={kept.bead.shape}
          joint={kept.job.joint}
          title={`Bead ${kept.bead.number} of this setting`}
        />
      )}
      <div>
        <b className="kept-marks">{say(kept.reads)}</b>
        <p>
          {jobLine(kept.job)}, {wireName(kept.job.wire)}
          {showMachine && me?.role === 'instructor' && (
            <>
              {' '}
              on <Link to={`/machines/${kept.machineId}`}>{kept.machineName}</Link>
            </>
          )}
          {showMachine && me?.role !== 'instructor' && ` on ${kept.machineName}`}
        </p>
        <p className="quiet">
          {kept.note && `${kept.note}. `}
          {kept.by.name}, {day(kept.keptAt)}
        </p>
        <StillThere kept={kept} />
      </div>
      {mine && (
        <button
          type="button"
          className="icon-key"
          aria-label={`No longer keep ${say(kept.reads)}`}
          onClick={() => unkeep.mutate({ id: kept.id, withdrawn: true })}
        >
          <IconX size={18} />
        </button>
      )}
    </li>
  );
}

/** Read the marks off the front, one tap, and it says what to turn. */
function StillThere({ kept }: { kept: Schemas['KeptView'] }) {
  const say = useSay();
  const compare = useCompare();
  const tig = kept.job.wire === null;
  const seen = kept.lastSeen;
  // As it stood for the last bead, so that one tap is enough where nobody has turned anything since.
  const [now, setNow] = useState<{ first: number | string; second: number | string }>({
    first: (tig ? seen?.ampMark : seen?.wireMark) ?? '',
    second: seen?.voltMark ?? '',
  });
  const number = (value: number | string) => (value === '' ? null : Number(value));
  const check = () =>
    compare.mutate({
      id: kept.id,
      body: tig
        ? { wireMark: null, voltMark: null, ampMark: number(now.first) }
        : { wireMark: number(now.first), voltMark: number(now.second), ampMark: null },
    });
  return (
    <form
      className="still-there"
      onSubmit={(event) => {
        event.preventDefault();
        check();
      }}
    >
      <NumberInput
        size="md"
        hideControls
        aria-label={tig ? 'Amps stand at' : 'Wire stands at'}
        placeholder={tig ? 'amps now' : 'wire now'}
        value={now.first}
        onChange={(first) => setNow((before) => ({ ...before, first }))}
      />
      {!tig && (
        <NumberInput
          size="md"
          hideControls
          aria-label="Volts stand at"
          placeholder="volts now"
          value={now.second}
          onChange={(second) => setNow((before) => ({ ...before, second }))}
        />
      )}
      <Button type="submit" size="md" variant="default" loading={compare.isPending}>
        Still there?
      </Button>
      {seen && (tig ? seen.ampMark : seen.wireMark) !== null && (
        <span className="quiet">as at the last bead, {moment(seen.at)}</span>
      )}
      {compare.data && (
        <p role="status" className={compare.data.stands ? 'stands' : 'turned'}>
          {compare.data.stands ? 'Still there.' : compare.data.turn.map(say).join(' ')}
        </p>
      )}
      {compare.isError && <Trouble error={compare.error} />}
    </form>
  );
}
