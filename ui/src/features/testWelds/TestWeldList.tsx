import { memo } from 'react';
import { Button } from '@mantine/core';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { ShowMore } from '../../shared/ShowMore';
import { Trouble } from '../../shared/Trouble';
import { day } from '../../shared/units';
import { jobLine } from '../sheets/SheetView';
import { useTestWelds } from './useTestWelds';
import './testWelds.css';

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
  const tests = useTestWelds(studentId);
  if (tests.isLoadingError) return <Trouble error={tests.error} again={tests.again} />;
  if (tests.items?.length === 0) return <p className="quiet">None yet.</p>;
  return (
    <>
      <ul className="plain-list test-list">
        {tests.items?.map((view) => (
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
  );
});
