import { Button, Loader } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { type Job, sheetQueries, type SheetPlace } from './queries';
import { asTyped } from './useSheets';
import { useSay } from '../../shared/words/useSay';
import css from './sheets.module.css';

/** The wire ran out, or the mode does not suit: the same job with another wire, or in another mode. */
export function AlternativesPanel(props: {
  job: Job;
  at: SheetPlace;
  onPick: (change: Partial<Job>) => void;
}) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const others = useQuery({ ...sheetQueries.alternatives(props.job, props.at), enabled: open });
  if (!open) {
    return (
      <div className="row">
        <Button variant="default" onClick={() => setOpen(true)}>
          Another wire, or another mode?
        </Button>
      </div>
    );
  }
  if (others.isLoadingError) return <Trouble error={others.error} again={() => others.refetch()} />;
  if (!others.data) return <Loader aria-label="Working out the others" />;
  return (
    <div className="side-by-side">
      {others.data.wires.length > 0 && (
        <section className="panel" aria-label="Another wire from the shelf">
          <h2>Another wire from the shelf</h2>
          <ul className={css.alternatives}>
            {others.data.wires.map((wire) => (
              <Alternative
                key={wire.wire}
                name={say(wire.name)}
                wireFeedMPerMin={wire.wireFeedMPerMin}
                volts={wire.volts}
                reads={say(wire.reads)}
                changes={wire.changes.map(say)}
                problem={say(wire.problem)}
                onPick={() => props.onPick({ wire: wire.wire })}
              />
            ))}
          </ul>
        </section>
      )}
      <section className="panel" aria-label="Another mode">
        <h2>Another mode</h2>
        <ul className={css.alternatives}>
          {others.data.modes.map((mode) => (
            <Alternative
              key={mode.process}
              name={say(mode.name)}
              wireFeedMPerMin={mode.wireFeedMPerMin}
              volts={mode.volts}
              amps={mode.amps}
              reads={mode.passes !== null && mode.passes > 1 ? `${mode.passes} passes` : ''}
              changes={
                mode.problem
                  ? []
                  : mode.takes.length > 0
                    ? mode.takes.map(say)
                    : ['what is on the machine does']
              }
              problem={say(mode.problem)}
              onPick={() => mode.job && props.onPick(asTyped(mode.job))}
            />
          ))}
        </ul>
      </section>
    </div>
  );
}

function Alternative(props: {
  name: string;
  wireFeedMPerMin: number | null;
  volts: number | null;
  amps?: Schemas['OtherMode']['amps'];
  reads: string;
  changes: string[];
  problem: string;
  onPick: () => void;
}) {
  const { show } = useUnits();
  const numbers = [
    props.wireFeedMPerMin !== null && show('wireFeed', props.wireFeedMPerMin),
    props.volts !== null && show('volts', props.volts),
    props.amps != null && show('amps', props.amps),
    props.reads,
  ].filter(Boolean);
  return (
    <li>
      <div>
        <b>{props.name}</b> {numbers.join(', ')}
        <p className="quiet">{props.problem || props.changes.join(' · ')}</p>
      </div>
      {!props.problem && (
        <Button variant="default" onClick={props.onPick} aria-label={`Take ${props.name}`}>
          Take
        </Button>
      )}
    </li>
  );
}
