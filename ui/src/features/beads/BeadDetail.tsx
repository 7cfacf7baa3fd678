import { Button } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { moment } from '../../shared/units';
import { verdicts } from '../../shared/words';
import { AcceptanceTable } from '../judging/AcceptanceTable';
import { RulingPanel } from '../judging/RulingPanel';
import { VerdictReasons } from '../judging/VerdictPanel';
import { Recordings } from '../listening/Recordings';
import { KeepButton } from '../kept/KeepButton';
import { LookAgain } from './LookAgain';
import { Pictures } from './Pictures';
import { useBeadFile, useWithdraw } from './useBeads';

/** All that is known of one bead, and what can be done with it. */
export function BeadDetail(props: {
  bead: Schemas['Bead'];
  sheet: Schemas['AssignedSheet'];
  machineId: string;
  mayWrite: boolean;
}) {
  const { bead, sheet, mayWrite } = props;
  const [looking, setLooking] = useState(false);
  const withdraw = useWithdraw();
  const file = useBeadFile(bead.id).data;
  const { judgement } = bead;
  if (looking) {
    return (
      <section className="panel" aria-label={`Look again at bead ${bead.number}`}>
        <h2>Bead {bead.number}, looked at again</h2>
        <LookAgain bead={bead} sheet={file?.body ?? sheet.body} onDone={() => setLooking(false)} />
      </section>
    );
  }
  return (
    <>
      <section className="panel" aria-label="Why">
        <VerdictReasons judgement={judgement} />
        {file && file.earlier.length > 0 && (
          <p className="quiet">
            Before that:{' '}
            {file.earlier.map((look) => `${verdicts[look.verdict]}, ${moment(look.at)}`).join('; ')}.
          </p>
        )}
        {mayWrite && (
          <div className="row">
            <Button variant="default" size="md" onClick={() => setLooking(true)}>
              Look again
            </Button>
            <KeepButton key={bead.id} machineId={props.machineId} sheet={sheet} bead={bead} />
            <Button
              variant="default"
              size="md"
              loading={withdraw.isPending}
              onClick={() => withdraw.mutate({ bead, withdrawn: true })}
            >
              Withdraw bead {bead.number}
            </Button>
          </div>
        )}
      </section>
      {judgement.acceptance && (
        <section className="panel">
          <AcceptanceTable acceptance={judgement.acceptance} />
        </section>
      )}
      {file && (mayWrite || file.pictures.length > 0) && (
        <section className="panel" aria-label="Pictures">
          <Pictures
            key={bead.id}
            file={file}
            metal={sheet.body.job.metal ?? 'mildSteel'}
            mayWrite={mayWrite}
          />
        </section>
      )}
      {file && (mayWrite || file.recordings.length > 0) && (
        <section className="panel" aria-label="Recordings">
          <Recordings key={bead.id} file={file} mayWrite={mayWrite} />
        </section>
      )}
      {file && mayWrite && (
        <section className="panel">
          <RulingPanel key={bead.id} file={file} />
        </section>
      )}
    </>
  );
}
