import { Button } from '@mantine/core';
import type { Schemas } from '../../shared/api/client';
import { moment } from '../../shared/time';
import { AcceptanceTable } from '../judging/AcceptanceTable';
import { Amend } from './Amend';
import css from './testWeld.module.css';

type View = Schemas['TestWeldView'];

/** The record of a test weld, entry by entry, and whether its seal still holds. */
export function TestRecord({ view, instructor }: { view: View; instructor: boolean }) {
  return (
    <section className="panel stack" aria-label="Record">
      <h2>Record</h2>
      <p>
        Sealed by {view.sealedBy}, {moment(view.sealedAt)}. <Seal brokenAt={view.brokenAt} />
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
          <Assessment key={`${word.coupon}-${word.attempt}-${word.by}`} word={word} />
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
      {instructor && <Amend testId={view.id} />}
      <p className="quiet">
        Practice for a test. It qualifies nobody: that is for the code in force and a certified inspector.
      </p>
    </section>
  );
}

function Seal({ brokenAt }: { brokenAt: number | null }) {
  if (brokenAt === null) return 'Seal, words, signature and amendments hold together.';
  return (
    <b className="field-error">
      {brokenAt === 0
        ? 'The seal does not hold: the sheet or the terms were changed.'
        : `The record is broken from entry ${brokenAt} on: something in it was changed, added or taken out.`}
    </b>
  );
}

function Assessment({ word }: { word: View['assessments'][number] }) {
  return (
    <li>
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
  );
}
