import { Button, NumberInput, Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../shared/api/client';
import { newId } from '../shared/newId';
import { Trouble } from '../shared/Trouble';
import { useBoothData } from '../features/sessions/BoothFrame';
import { jobLine } from '../features/sheets/JobLine';
import { TestWeldList } from '../features/testWelds/TestWeldList';
import { testWeldQueries } from '../features/testWelds/queries';
import { useTestWrite } from '../features/testWelds/useTestWelds';
import { useFields, useSay } from '../shared/words/useSay';
import css from './testWeld.module.css';
import { LoadTrouble } from '../shared/Loaded';

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
  const [coupons, setCoupons] = useState<number | string>(2);
  const [attempts, setAttempts] = useState<number | string>(2);
  const [set, setSet] = useState<Schemas['CriteriaSet']>(sheet.criteria ?? 'practice');
  const id = useRef(newId());
  const seal = useTestWrite(
    (terms: Schemas['TestWeldTerms']) =>
      answer(
        api.PUT('/api/test-welds/{id}', {
          params: { path: { id: id.current } },
          body: { sheetId: sheet.id, terms },
        }),
      ),
    (view) => {
      id.current = newId();
      void navigate(`/test-welds/${view.id}`);
    },
  );
  const say = useSay();
  const fields = useFields(seal.error);
  return (
    <form
      className="panel stack"
      aria-label="Seal a test weld"
      onSubmit={(event) => {
        event.preventDefault();
        seal.mutate({ coupons: Number(coupons), attempts: Number(attempts), criteria: set });
      }}
    >
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
        value={coupons}
        onChange={setCoupons}
        error={fields['terms.coupons']}
      />
      <NumberInput
        label="Attempts at each"
        size="lg"
        value={attempts}
        onChange={setAttempts}
        error={fields['terms.attempts']}
      />
      <Select
        label="Measured by"
        size="lg"
        error={criteria.error && <LoadTrouble of={criteria} what="the criteria" />}
        data={criteria.data?.map((one) => ({ value: one.set, label: say(one.name) })) ?? []}
        value={set}
        onChange={(value) => value && setSet(value)}
      />
      {seal.isError && Object.keys(fields).length === 0 && <Trouble error={seal.error} />}
      <Button type="submit" size="xl" loading={seal.isPending}>
        Seal it
      </Button>
      <p className="quiet">
        A test weld here is practice for a test. It qualifies nobody: that is for the code in force and a
        certified inspector.
      </p>
    </form>
  );
}
