import { Button } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { moment } from '../../shared/time';
import { aspects, standings, verdicts } from '../../shared/words';
import { Overrule } from './Overrule';
import { useRule } from './useRule';

/** The instructor's word beside the tool's: agree in one tap, or overrule with a reason. Both are kept. */
export function RulingPanel({ file }: { file: Schemas['BeadFile'] }) {
  const { bead } = file;
  const { judgement } = bead;
  const [overruling, setOverruling] = useState(false);
  const rule = useRule(bead.id, () => setOverruling(false));
  const agree = () => {
    const cause = judgement.causes[0]?.cause;
    rule.mutate({
      cause: cause && { cause, reason: '' },
      rulings: [
        { aspect: null, standing: null, verdict: judgement.verdict, reason: '' },
        ...judgement.aspects
          .filter((one) => one.standing !== 'notKnown')
          .map(({ aspect, standing }) => ({ aspect, standing, verdict: null, reason: '' })),
      ],
    });
  };
  return (
    <section className="rulings stack" aria-label="Your verdict">
      <h3>Your verdict</h3>
      <Given rulings={file.rulings} />
      {overruling ? (
        <Overrule
          judgement={judgement}
          process={(file.body ?? file.sheet.body).job.process ?? 'gmawShortCircuit'}
          rule={rule}
          onBack={() => setOverruling(false)}
        />
      ) : (
        <>
          {rule.isError && <Trouble error={rule.error} />}
          <div className="row">
            <Button variant="default" loading={rule.isPending} onClick={agree}>
              I agree
            </Button>
            <Button variant="default" onClick={() => setOverruling(true)}>
              Overrule
            </Button>
          </div>
        </>
      )}
    </section>
  );
}

/** What was said already: each verdict, and every aspect on which they differ. */
function Given({ rulings }: { rulings: Schemas['BeadFile']['rulings'] }) {
  const told = rulings.filter(({ ruling }) => ruling.tool !== ruling.instructor || ruling.aspect === null);
  if (told.length === 0) return null;
  return (
    <ul className="plain-list">
      {told.map(({ ruling, by, at, reason }) => (
        <li key={`${at}${ruling.aspect ?? ''}`}>
          <b>{by}</b>, {ruling.aspect ? aspects[ruling.aspect] : 'Verdict'}:{' '}
          {ruling.tool === ruling.instructor
            ? 'agrees'
            : `${said(ruling, ruling.instructor)} instead of ${said(ruling, ruling.tool)}`}
          {reason && <span>. {reason}</span>} <span className="quiet">{moment(at)}</span>
        </li>
      ))}
    </ul>
  );
}

const said = (ruling: Schemas['Ruling'], word: string) =>
  (ruling.aspect === null
    ? verdicts[word as Schemas['Verdict']]
    : standings[word as Schemas['Standing']]
  ).toLowerCase();
