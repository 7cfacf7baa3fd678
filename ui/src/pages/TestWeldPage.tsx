import { Button, PasswordInput, Select, Textarea, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useParams } from 'react-router';
import { answer, api, type Schemas } from '../shared/api/client';
import { Choice } from '../shared/Choice';
import { asLoading, Loaded, LoadTrouble } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { counted } from '../shared/words';
import { newId } from '../shared/newId';
import { enterStays } from '../shared/submitKeys';
import { Trouble } from '../shared/Trouble';
import { moment, useUnits } from '../shared/units';
import { EvidenceFields } from '../features/beads/EvidenceFields';
import { type EvidenceDraft, nothingNoted, toEvidence } from '../features/beads/evidenceDraft';
import { AcceptanceTable } from '../features/judging/AcceptanceTable';
import { useMe } from '../shared/useMe';
import { jobLine, WithLine } from '../features/sheets/JobLine';
import { SheetView } from '../features/sheets/SheetView';
import { standing } from '../features/testWelds/TestWeldList';
import { testWeldQueries } from '../features/testWelds/queries';
import { useTestWrite } from '../features/testWelds/useTestWelds';
import { Line, useFields, useSay } from '../shared/words/useSay';
import css from './testWeld.module.css';
import captureCss from '../features/beads/capture.module.css';

type View = Schemas['TestWeldView'];

const couponWords: Record<Schemas['CouponStanding'], string> = {
  toWeld: 'To weld',
  toAssessAgain: 'Waits for the second assessor',
  passed: 'Passed',
  failed: 'Not passed',
};

/** A test weld from seal to signature. Only added to. */
export function TestWeldPage() {
  const { testId = '' } = useParams();
  const test = useQuery(testWeldQueries.one(testId));
  return (
    <Loaded of={asLoading(test)} what="this test weld">
      {(view) => <TestWeld view={view} />}
    </Loaded>
  );
}

function TestWeld({ view }: { view: View }) {
  const say = useSay();
  const instructor = useMe().data?.role === 'instructor';
  const { coupons, attempts } = view.terms;
  return (
    <Page
      title={`Test weld, ${view.student.name}`}
      under={
        <>
          {jobLine(view.sheet.job)}; {say(view.criteriaName)}; {counted(coupons, 'coupon')},{' '}
          {counted(attempts, 'attempt')} at each
        </>
      }
      back={
        instructor
          ? { to: `/students/${view.student.id}`, label: 'Back to the rack' }
          : { to: '/tests', label: 'Back to your test welds' }
      }
      aside={<b>{standing({ state: view.state, signed: view.signOff !== null })}</b>}
    >
      <div className={`two-columns ${css.testWeld}`}>
        <div className="stack">
          <section className="panel stack" aria-label="Coupons">
            <h2>Coupons</h2>
            <ol className={css.couponStates}>
              {view.state.coupons.map((coupon) => (
                <li key={coupon.coupon} className={coupon.standing}>
                  <b>Coupon {coupon.coupon}</b> {couponWords[coupon.standing]}
                  {['toWeld', 'toAssessAgain'].includes(coupon.standing) && `, attempt ${coupon.attempt}`}
                  {coupon.disagreed && <span className="quiet"> the assessors differed</span>}
                </li>
              ))}
            </ol>
          </section>
          {instructor && !view.signOff && (
            <Assess key={view.assessments.filter((word) => word.mine).length} view={view} />
          )}
          {instructor && view.state.maySign && !view.signOff && <Sign view={view} />}
        </div>
        <div className="stack">
          <section className="panel stack" aria-label="Record">
            <h2>Record</h2>
            <p>
              Sealed by {view.sealedBy}, {moment(view.sealedAt)}.{' '}
              {view.brokenAt === null ? (
                'Seal, words, signature and amendments hold together.'
              ) : (
                <b className="field-error">
                  {view.brokenAt === 0
                    ? 'The seal does not hold: the sheet or the terms were changed.'
                    : `The record is broken from entry ${view.brokenAt} on: something in it was changed, added or taken out.`}
                </b>
              )}
            </p>
            <p className="quiet">
              Last entry’s fingerprint, to be noted elsewhere:
              <span className={css.seal}>{view.lastHash}</span>
            </p>
            <div className="row">
              <Button component="a" href={`/api/test-welds/${view.id}/export`} variant="default">
                Record as a file
              </Button>
            </div>
            <ul className={`plain-list ${css.record}`}>
              {view.assessments.map((word) => (
                <li key={`${word.coupon}-${word.attempt}-${word.by}`}>
                  <b>
                    Coupon {word.coupon}, attempt {word.attempt}
                  </b>{' '}
                  {word.by}, {moment(word.at)}:{' '}
                  {word.accepted === null
                    ? 'has spoken; hidden until both have spoken'
                    : word.accepted
                      ? 'accepted'
                      : 'rejected'}
                  {word.note && <span className="quiet"> {word.note}</span>}
                  {word.acceptance && (
                    <details>
                      <summary>Limit by limit</summary>
                      <AcceptanceTable acceptance={word.acceptance} />
                    </details>
                  )}
                </li>
              ))}
              {view.signOff && (
                <li>
                  <b>{view.signOff.passed ? 'Passed' : 'Not passed'}</b>, signed by {view.signOff.by},{' '}
                  {moment(view.signOff.at)} {view.signOff.note}
                </li>
              )}
              {view.amendments.map((amendment) => (
                <li key={amendment.at}>
                  <b>Amendment</b> {amendment.by}, {moment(amendment.at)}: {amendment.text}
                </li>
              ))}
            </ul>
            {instructor && <Amend view={view} />}
            <p className="quiet">
              Practice for a test. It qualifies nobody: that is for the code in force and a certified
              inspector.
            </p>
          </section>
          <section className="panel" aria-label="Sealed sheet">
            <h2>
              Sealed sheet <span className="quiet">{view.sheet.positionName}</span>
            </h2>
            <p className="quiet with-line">
              <WithLine sheet={view.sheet} />
            </p>
            <SheetView sheet={view.sheet} machine={null} />
          </section>
        </div>
      </div>
    </Page>
  );
}

function Assess({ view }: { view: View }) {
  const { show } = useUnits();
  const [section, setSection] = useState<string | null>(null);
  const [password, setPassword] = useState('');
  const open = view.state.coupons.filter(
    (coupon) =>
      ['toWeld', 'toAssessAgain'].includes(coupon.standing) &&
      !view.assessments.some(
        (word) => word.mine && word.coupon === coupon.coupon && word.attempt === coupon.attempt,
      ),
  );
  const measured = useQuery({ ...testWeldQueries.sections(view.id), enabled: open.length > 0 });
  const sections = measured.data ?? [];
  const [chosen, setChosen] = useState<string>();
  const [draft, setDraft] = useState<EvidenceDraft>(nothingNoted);
  const [accepted, setAccepted] = useState<'accept' | 'reject' | null>(null);
  const [note, setNote] = useState('');
  const id = useRef(newId());
  const coupon = open.find((one) => String(one.coupon) === chosen) ?? open[0];
  const assess = useTestWrite((body: Schemas['AssessmentRequest']) =>
    answer(
      api.PUT('/api/test-welds/{id}/assessments/{assessmentId}', {
        params: { path: { id: view.id, assessmentId: id.current } },
        body,
      }),
    ),
  );
  const fields = useFields(assess.error);
  if (!coupon) {
    return view.state.maySign ? null : (
      <p className="panel">You have said yours. The second word is another assessor’s, blind to yours.</p>
    );
  }
  return (
    <form
      className={`panel stack ${captureCss.capture}`}
      aria-label="Assess"
      onKeyDown={enterStays}
      onSubmit={(event) => {
        event.preventDefault();
        if (accepted === null) return;
        assess.mutate({
          coupon: coupon.coupon,
          attempt: coupon.attempt,
          evidence: toEvidence(draft),
          accepted: accepted === 'accept',
          note,
          password,
          sectionMarksId: section,
        });
      }}
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
          open.map((one) => [String(one.coupon), `Coupon ${one.coupon}, attempt ${one.attempt}`]),
        )}
        value={String(coupon.coupon)}
        onChange={(value) => setChosen(value ?? undefined)}
      />
      <EvidenceFields
        sheet={view.sheet}
        draft={draft}
        change={(part) => setDraft((before) => ({ ...before, ...part }))}
        fields={fields}
        heard={false}
      />
      <LoadTrouble of={measured} what="the sections" />
      {sections.length > 0 && (
        <Select
          label="Section, measured on its picture"
          size="lg"
          clearable
          placeholder="none"
          data={sections.map((one) => ({
            value: one.marksId,
            label: [
              `Bead ${one.bead}`,
              one.measures.rootPenetrationMm != null &&
                `root ${show('length', one.measures.rootPenetrationMm)}`,
            ]
              .filter(Boolean)
              .join(', '),
          }))}
          value={section}
          onChange={setSection}
          error={fields.sectionMarksId}
        />
      )}
      <Choice
        title="Your verdict"
        words={{ accept: 'Accept', reject: 'Reject' }}
        value={accepted}
        onChange={setAccepted}
      />
      <TextInput
        label="Note"
        size="lg"
        maxLength={500}
        value={note}
        onChange={(event) => setNote(event.currentTarget.value)}
        error={fields.note}
      />
      <PasswordInput
        label="Your password, once more"
        description="The word stands as yours."
        size="lg"
        autoComplete="current-password"
        value={password}
        onChange={(event) => setPassword(event.currentTarget.value)}
        error={fields.password}
      />
      {assess.isError && !fields.password && <Trouble error={assess.error} />}
      <Button type="submit" size="xl" disabled={accepted === null} loading={assess.isPending}>
        Give my word
      </Button>
    </form>
  );
}

function Sign({ view }: { view: View }) {
  const [note, setNote] = useState('');
  const id = useRef(newId());
  const sign = useTestWrite((given: string) =>
    answer(
      api.PUT('/api/test-welds/{id}/sign-off/{signOffId}', {
        params: { path: { id: view.id, signOffId: id.current } },
        body: { note: given },
      }),
    ),
  );
  return (
    <form
      className="panel stack"
      aria-label="Sign off"
      onSubmit={(event) => {
        event.preventDefault();
        sign.mutate(note);
      }}
    >
      <h2>{view.state.passed ? 'Every coupon passed' : 'Not every coupon passed'}</h2>
      <TextInput
        label="Remark"
        size="lg"
        maxLength={500}
        value={note}
        onChange={(event) => setNote(event.currentTarget.value)}
      />
      {sign.isError && <Trouble error={sign.error} />}
      <Button type="submit" size="xl" loading={sign.isPending}>
        Sign: {view.state.passed ? 'passed' : 'not passed'}
      </Button>
    </form>
  );
}

function Amend({ view }: { view: View }) {
  const [text, setText] = useState('');
  const id = useRef(newId());
  const amend = useTestWrite(
    (given: string) =>
      answer(
        api.PUT('/api/test-welds/{id}/amendments/{amendmentId}', {
          params: { path: { id: view.id, amendmentId: id.current } },
          body: { text: given },
        }),
      ),
    () => {
      id.current = newId();
      setText('');
    },
  );
  return (
    <form
      className="stack"
      aria-label="Amend"
      onSubmit={(event) => {
        event.preventDefault();
        amend.mutate(text);
      }}
    >
      <Textarea
        label="Amendment"
        placeholder="What has to be added or put right; it never changes what stands"
        autosize
        maxLength={500}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        error={amend.isError && <Line error={amend.error} />}
      />
      <Button type="submit" variant="default" disabled={text.trim() === ''} loading={amend.isPending}>
        Add amendment
      </Button>
    </form>
  );
}
