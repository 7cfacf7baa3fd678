import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { MachineCard } from '../features/machines/MachineCard';
import { machineQueries } from '../features/machines/queries';
import { Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { ShowMore } from '../shared/ShowMore';
import { usePages } from '../shared/usePages';
import css from './lists.module.css';

/** Every machine: what is on it, what is due, what does not fit. */
export function MachinesPage() {
  const machines = usePages(machineQueries.list());
  const add = (
    <Button component={Link} to="/machines/add" size="lg" variant="default">
      Add a machine
    </Button>
  );
  return (
    <Page
      title="Machines"
      aside={
        <div className="row">
          <Button component={Link} to="/machines/costs" size="lg" variant="default">
            Costs
          </Button>
          {add}
        </div>
      }
    >
      <Loaded of={machines} what="the machines">
        {(items) =>
          items.length === 0 ? (
            <div className="panel empty">
              <p>No machine yet.</p>
              {add}
            </div>
          ) : (
            <>
              <div className={css.machines}>
                {items.map((entry) => (
                  <MachineCard key={entry.machineId} entry={entry} />
                ))}
              </div>
              <ShowMore more={machines.more} coming={machines.coming} what="machines" />
            </>
          )
        }
      </Loaded>
    </Page>
  );
}
