import { Button, NumberInput, Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../shared/api/client';
import { Trouble } from '../shared/Trouble';
import { useEntry } from '../shared/useEntry';
import { useBoothData } from '../features/sessions/BoothFrame';
import { jobLine } from '../features/sheets/JobLine';
import { TestWeldList } from '../features/testWelds/TestWeldList';
import { testWeldQueries } from '../features/testWelds/queries';
import { useSay } from '../shared/words/useSay';
import css from '../features/testWelds/testWeld.module.css';
import { LoadTrouble } from '../shared/Loaded';

interface Terms extends Record<string, unknown> {
  coupons: number | string;
  attempts: number | string;
  criteria: Schemas['CriteriaSet'];
}

/** Seal a test on the sheet at the booth, or go on with one. */
export function BoothTestPage() {
  const { booth, student, coupon } = useBoothData();
  return (
    <div className={`two-columns ${css.boothTest}`}>
      {coupon ? (
        <SealForm sheet={coupon.sheet} />
      ) : (
        <div className="panel empty">
          <p>A test weld is sealed on a sheet, and none has been given out here yet.</p>
          <Button component={Link} to={`/booths/${booth.id}`} size="lg">
            Make the sheet
          </Button>
        </div>
      )}
      {student && (
        <section className="panel stack" aria-label="Test welds">
          <h2>
            Test welds <span className="quiet">{student.name}</span>
          </h2>
          <TestWeldList studentId={student.id} />
        </section>
      )}
    </div>
  );
}

function SealForm({ sheet }: { sheet: Schemas['AssignedSheet'] }) {
  const navigate = useNavigate();
  const criteria = useQuery(testWeldQueries.criteria());
  const say = useSay();
  const { form, pending, submit, trouble } = useEntry<Terms, Schemas['TestWeldView']>(
    { coupons: 2, attempts: 2, criteria: sheet.criteria ?? 'practice' },
    ({ coupons, attempts, criteria: set }, id) =>
      answer(
        api.PUT('/api/test-welds/{id}', {
          params: { path: { id } },
          body: {
            sheetId: sheet.id,
            terms: { coupons: Number(coupons), attempts: Number(attempts), criteria: set },
          },
        }),
      ),
    (view) => void navigate(`/test-welds/${view.id}`),
  );
  return (
    <form className="panel stack" aria-label="Seal a test weld" onSubmit={submit}>
      <h2>
        Seal a test weld <span className="quiet">{jobLine(sheet.body.job)}</span>
      </h2>
      <p className="quiet">
        The sheet and these terms are sealed as they stand: nothing in them can be changed afterwards, and
        nothing said about the coupons either. What was wrong is added as an amendment.
      </p>
      <NumberInput
        label="Coupons"
        size="lg"
        {...form.getInputProps('coupons')}
        error={form.errors['terms.coupons']}
      />
      <NumberInput
        label="Attempts at each"
        size="lg"
        {...form.getInputProps('attempts')}
        error={form.errors['terms.attempts']}
      />
      <LoadTrouble of={criteria} what="the criteria" />
      <Select
        label="Measured by"
        size="lg"
        data={criteria.data?.map((one) => ({ value: one.set, label: say(one.name) })) ?? []}
        {...form.getInputProps('criteria')}
      />
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" size="xl" loading={pending}>
        Seal it
      </Button>
      <p className="quiet">
        A test weld here is practice for a test. It qualifies nobody: that is for the code in force and a
        certified inspector.
      </p>
    </form>
  );
}
