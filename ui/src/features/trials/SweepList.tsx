import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { asLoading, Loaded } from '../../shared/Loaded';
import { moment } from '../../shared/time';
import { useSay } from '../../shared/words/useSay';
import { trialQueries } from './queries';
import css from './sweep.module.css';
import { useTakeSweep, useWithdrawSweep } from './useTrials';

/** What was swept on a machine before. */
export function SweepList({ machineId }: { machineId: string }) {
  const say = useSay();
  const sweeps = useQuery(trialQueries.sweeps(machineId));
  const withdraw = useWithdrawSweep();
  const take = useTakeSweep();
  return (
    <section className="panel stack" aria-label="Sweeps on this machine">
      <h2>Swept on this machine</h2>
      <Loaded of={asLoading(sweeps)} what="the sweeps">
        {(items) => (
          <ul className={`plain-list ${css.sweeps}`}>
            {items.length === 0 && <li className="quiet">Not yet.</li>}
            {items.map((sweep) => (
              <li key={sweep.id}>
                <span>
                  {say(sweep.finding.learned)} <span className="quiet">{moment(sweep.runAt)}</span>
                  {sweep.student && (
                    <span className={css.own}>
                      Run by {sweep.student}
                      {sweep.counts ? '' : ': the machine learns nothing from it yet'}
                    </span>
                  )}
                </span>
                {!sweep.counts && (
                  <Button onClick={() => take.mutate({ id: sweep.id, taken: true })}>Learn from it</Button>
                )}
                <Button variant="default" onClick={() => withdraw.mutate({ id: sweep.id, withdrawn: true })}>
                  Withdraw
                </Button>
              </li>
            ))}
          </ul>
        )}
      </Loaded>
    </section>
  );
}
