import { Button, PasswordInput, Select, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { LoadTrouble } from '../../shared/Loaded';
import { enterStays } from '../../shared/submitKeys';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { useEntry } from '../../shared/useEntry';
import captureCss from '../beads/capture.module.css';
import { type EvidenceDraft, nothingNoted, toEvidence } from '../beads/evidenceDraft';
import { EvidenceFields } from '../beads/EvidenceFields';
import { testWeldQueries } from './queries';

type View = Schemas['TestWeldView'];
type Coupon = View['state']['coupons'][number];

const open = ['toWeld', 'toAssessAgain'];

interface Values extends Record<string, unknown> {
  coupon: string | null;
  draft: EvidenceDraft;
  section: string | null;
  accepted: 'accept' | 'reject' | null;
  note: string;
  password: string;
}

const nothing: Values = {
  coupon: null,
  draft: nothingNoted,
  section: null,
  accepted: null,
  note: '',
  password: '',
};

/** One assessor's word on a coupon that waits for one. */
export function Assess({ view }: { view: View }) {
  const mine = view.assessments.filter((word) => word.mine);
  const coupons = view.state.coupons.filter(
    (one) =>
      open.includes(one.standing) &&
      !mine.some((word) => word.coupon === one.coupon && word.attempt === one.attempt),
  );
  const [first, ...others] = coupons;
  if (first) return <Word view={view} coupons={[first, ...others]} />;
  return view.state.maySign ? null : (
    <p className="panel">You have said yours. The second word is another assessor’s, blind to yours.</p>
  );
}

function Word({ view, coupons }: { view: View; coupons: [Coupon, ...Coupon[]] }) {
  const chosen = (key: string | null) => coupons.find((one) => String(one.coupon) === key) ?? coupons[0];
  const { form, pending, submit, trouble } = useEntry(nothing, (values, assessmentId) => {
    const { coupon, attempt } = chosen(values.coupon);
    return answer(
      api.PUT('/api/test-welds/{id}/assessments/{assessmentId}', {
        params: { path: { id: view.id, assessmentId } },
        body: {
          coupon,
          attempt,
          evidence: toEvidence(values.draft),
          accepted: values.accepted === 'accept',
          note: values.note,
          password: values.password,
          sectionMarksId: values.section,
        },
      }),
    );
  });
  const { values, errors } = form;
  const coupon = chosen(values.coupon);
  return (
    <form
      className={`panel stack ${captureCss.capture}`}
      aria-label="Assess"
      onKeyDown={enterStays}
      onSubmit={submit}
    >
      <h2>
        Assess{' '}
        <span className="quiet">
          {coupon.standing === 'toAssessAgain' ? 'second word, blind to the first' : 'first word'}
        </span>
      </h2>
      <Choice
        title="Coupon"
        words={Object.fromEntries(
          coupons.map((one) => [String(one.coupon), `Coupon ${one.coupon}, attempt ${one.attempt}`]),
        )}
        value={String(coupon.coupon)}
        onChange={(value) => form.setFieldValue('coupon', value)}
      />
      <EvidenceFields
        sheet={view.sheet}
        draft={values.draft}
        change={(part) => form.setFieldValue('draft', (before) => ({ ...before, ...part }))}
        fields={errors}
        heard={false}
      />
      <SectionChoice
        testId={view.id}
        value={values.section}
        onChange={(section) => form.setFieldValue('section', section)}
        error={errors.sectionMarksId}
      />
      <Choice
        title="Your verdict"
        words={{ accept: 'Accept', reject: 'Reject' }}
        value={values.accepted}
        onChange={(value) => form.setFieldValue('accepted', value)}
      />
      <TextInput label="Note" size="lg" maxLength={500} {...form.getInputProps('note')} />
      <PasswordInput
        label="Your password, once more"
        description="The word stands as yours."
        size="lg"
        autoComplete="current-password"
        {...form.getInputProps('password')}
      />
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" size="xl" disabled={values.accepted === null} loading={pending}>
        Give my word
      </Button>
    </form>
  );
}

/** Which section, measured on its picture, the word is also about; nothing where there is none. */
function SectionChoice(props: {
  testId: string;
  value: string | null;
  onChange: (section: string | null) => void;
  error: React.ReactNode;
}) {
  const { show } = useUnits();
  const measured = useQuery(testWeldQueries.sections(props.testId));
  const sections = measured.data ?? [];
  const named = ({ bead, measures }: (typeof sections)[number]) =>
    [
      `Bead ${bead}`,
      measures.rootPenetrationMm != null && `root ${show('length', measures.rootPenetrationMm)}`,
    ]
      .filter(Boolean)
      .join(', ');
  return (
    <>
      <LoadTrouble of={measured} what="the sections" />
      {sections.length > 0 && (
        <Select
          label="Section, measured on its picture"
          size="lg"
          clearable
          placeholder="none"
          data={sections.map((one) => ({ value: one.marksId, label: named(one) }))}
          value={props.value}
          onChange={props.onChange}
          error={props.error}
        />
      )}
    </>
  );
}
