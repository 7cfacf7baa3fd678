import { Button, NumberInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { IconX } from '@tabler/icons-react';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { Loaded } from '../../shared/Loaded';
import { usePages } from '../../shared/usePages';
import { VirtualList } from '../../shared/VirtualList';
import { Trouble } from '../../shared/Trouble';
import { day, moment } from '../../shared/time';
import { wireName } from '../../shared/words';
import { BeadGlyph } from '../judging/BeadGlyph';
import { useMe } from '../../shared/useMe';
import { jobLine } from '../sheets/JobLine';
import { keptQueries, type Sought } from './queries';
import { useCompare, useUnkeep } from './useKept';
import { useSay } from '../../shared/words/useSay';
import css from './kept.module.css';

/** Kept settings, newest first; each says whether the machine still stands there. */
export function KeptList(sought: Sought) {
  const kept = usePages(keptQueries.found(sought));
  return (
    <Loaded of={kept} what="kept settings">
      {(items) =>
        items.length === 0 ? (
          <p className="quiet">
            {sought.thickness || sought.joint
              ? 'Nothing kept for this job yet.'
              : 'Nothing kept yet. When a bead comes out right, keep its setting on the bench.'}
          </p>
        ) : (
          <VirtualList
            name="Kept settings"
            what="kept settings"
            items={items}
            keyOf={(each) => each.id}
            more={kept.more}
            coming={kept.coming}
            height={150}
          >
            {(each) => <KeptItem kept={each} showMachine={!sought.machineId} />}
          </VirtualList>
        )
      }
    </Loaded>
  );
}

function KeptItem({ kept, showMachine }: { kept: Schemas['KeptView']; showMachine: boolean }) {
  const say = useSay();
  const me = useMe().data;
  const unkeep = useUnkeep();
  const mine = me?.id === kept.by.id || me?.role === 'instructor';
  return (
    <div className={css.kept}>
      {kept.bead && (
        <BeadGlyph
          shape={kept.bead.shape}
          joint={kept.job.joint}
          title={`Bead ${kept.bead.number} of this setting`}
        />
      )}
      <div>
        <b className={css.keptMarks}>{say(kept.reads)}</b>
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
          className={css.iconKey}
          aria-label={`Withdraw ${say(kept.reads)}`}
          onClick={() => unkeep.mutate({ id: kept.id, withdrawn: true })}
        >
          <IconX size={18} />
        </button>
      )}
    </div>
  );
}

/** Read the marks off the front, one tap, and it says what to turn. */
function StillThere({ kept }: { kept: Schemas['KeptView'] }) {
  const say = useSay();
  const compare = useCompare();
  const tig = kept.job.wire === null;
  const seen = kept.lastSeen;
  // As it stood for the last bead, so that one tap is enough where nobody has turned anything since.
  const form = useForm<{ first: number | string; second: number | string }>({
    initialValues: {
      first: (tig ? seen?.ampMark : seen?.wireMark) ?? '',
      second: seen?.voltMark ?? '',
    },
  });
  const number = (value: number | string) => (value === '' ? null : Number(value));
  const check = form.onSubmit(({ first, second }) =>
    compare.mutate({
      id: kept.id,
      body: tig
        ? { wireMark: null, voltMark: null, ampMark: number(first) }
        : { wireMark: number(first), voltMark: number(second), ampMark: null },
    }),
  );
  return (
    <form className={css.stillThere} onSubmit={check}>
      <NumberInput
        aria-label={tig ? 'Amps stand at' : 'Wire stands at'}
        placeholder={tig ? 'amps now' : 'wire now'}
        {...form.getInputProps('first')}
      />
      {!tig && (
        <NumberInput aria-label="Volts stand at" placeholder="volts now" {...form.getInputProps('second')} />
      )}
      <Button type="submit" variant="default" loading={compare.isPending}>
        Still there?
      </Button>
      {seen && (tig ? seen.ampMark : seen.wireMark) !== null && (
        <span className="quiet">as at the last bead, {moment(seen.at)}</span>
      )}
      {compare.data && (
        <p role="status" className={compare.data.stands ? css.stands : css.turned}>
          {compare.data.stands ? 'Still there.' : compare.data.turn.map(say).join(' ')}
        </p>
      )}
      {compare.isError && <Trouble error={compare.error} />}
    </form>
  );
}
