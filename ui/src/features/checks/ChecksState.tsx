import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { asLoading, Loaded } from '../../shared/Loaded';
import { useSay } from '../../shared/words/useSay';
import { checkQueries } from './queries';

/** How far the lists are: what is still open before the first bead, or after the last. */
export function ChecksState(props: { sessionId: string; boothId: string; to: string }) {
  const say = useSay();
  const checks = asLoading(useQuery(checkQueries.of(props.sessionId, props.boothId)));
  return (
    <section className="panel stack" aria-label="Check lists">
      <h2>Check lists</h2>
      <Loaded of={checks} what="the check lists">
        {(all) => {
          const before = all.filter((one) => one.check.time === 'preStart');
          const open = before.filter((one) => one.tickedBy === null);
          const first = open.find((one) => one.check.safety) ?? open[0];
          return (
            <p>
              {first ? (
                <>
                  <b>
                    {open.length} of {before.length}
                  </b>{' '}
                  still to check before the first bead. Next: {say(first.check.text)}
                </>
              ) : (
                'Everything before the first bead is checked.'
              )}
            </p>
          );
        }}
      </Loaded>
      <div className="row">
        <Button component={Link} to={props.to} variant="default">
          To the check lists
        </Button>
      </div>
    </section>
  );
}
