import { memo } from 'react';
import { Button } from '@mantine/core';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { ShowMore } from '../../shared/ShowMore';
import { day } from '../../shared/time';
import { jobLine } from '../sheets/JobLine';
import { Loaded } from '../../shared/Loaded';
import { usePages } from '../../shared/usePages';
import { testWeldQueries } from './queries';
import css from './testWelds.module.css';

/** How a test stands, in a word. */
export const standing = (view: { state: Schemas['TestWeldState']; signed: boolean }) =>
  view.signed
    ? view.state.passed
      ? 'Passed, signed'
      : 'Not passed, signed'
    : view.state.maySign
      ? 'To be signed'
      : view.state.coupons.some((coupon) => coupon.standing === 'toAssessAgain')
        ? 'Waits for the second assessor'
        : 'Open';

/** A student's test welds, each a way to its record. */
export const TestWeldList = memo(function TestWeldList({ studentId }: { studentId: string }) {
  const tests = usePages(testWeldQueries.of(studentId));
  return (
    <Loaded of={tests} what="the test welds">
      {(items) => (
        <>
          {items.length === 0 && <p className="quiet">None yet.</p>}
          <ul className={`plain-list ${css.testList}`}>
            {items.map((view) => (
              <li key={view.id}>
                <Button
                  component={Link}
                  to={`/test-welds/${view.id}`}
                  variant="default"
                  size="lg"
                  fullWidth
                  justify="space-between"
                  rightSection={<span className="quiet">{standing(view)}</span>}
                >
                  {day(view.sealedAt)}: {jobLine(view.job)}
                </Button>
              </li>
            ))}
          </ul>
          <ShowMore more={tests.more} coming={tests.coming} what="test welds" />
        </>
      )}
    </Loaded>
  );
});
