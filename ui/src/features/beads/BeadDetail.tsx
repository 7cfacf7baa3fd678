import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { moment } from '../../shared/time';
import { useUnits } from '../../shared/units';
import { verdicts } from '../../shared/words';
import { AcceptanceTable } from '../judging/AcceptanceTable';
import { OwnRuling } from '../judging/OwnRuling';
import { RulingPanel } from '../judging/RulingPanel';
import { VerdictReasons } from '../judging/VerdictPanel';
import { Recordings } from '../listening/Recordings';
import { KeepButton } from '../kept/KeepButton';
import { CorrectSettings } from './CorrectSettings';
import { LookAgain } from './LookAgain';
import { Pictures } from './Pictures';
import { beadQueries } from './queries';
import { useBeadFile, useWithdraw } from './useBeads';
import { LoadTrouble } from '../../shared/Loaded';

/** All that is known of one bead, and what can be done with it. */
export function BeadDetail(props: {
  bead: Schemas['Bead'];
  sheet: Schemas['AssignedSheet'];
  machineId: string;
  mayWrite: boolean;
  /** The machine, where its settings can be put right from here. */
  machine?: Schemas['Machine'];
}) {
  const { bead, sheet, mayWrite } = props;
  const [doing, setDoing] = useState<'look' | 'correct'>();
  const done = () => setDoing(undefined);
  const withdraw = useWithdraw();
  const kept = useBeadFile(bead.id);
  const file = kept.data;
  const { judgement } = bead;
  if (doing === 'correct' && props.machine) {
    return (
      <section className="panel" aria-label={`Settings of bead ${bead.number}`}>
        <h2>
          Bead {bead.number} <span className="quiet">was really laid with</span>
        </h2>
        <CorrectSettings bead={bead} machine={props.machine} onDone={done} />
      </section>
    );
  }
  if (doing === 'look') {
    return (
      <section className="panel" aria-label={`Look again at bead ${bead.number}`}>
        <h2>Bead {bead.number}, looked at again</h2>
        <LookAgain bead={bead} sheet={file?.body ?? sheet.body} onDone={done} />
      </section>
    );
  }
  return (
    <>
      <section className="panel" aria-label="Why">
        <VerdictReasons judgement={judgement} />
        <LoadTrouble of={kept} what="what is kept of this bead" />
        {file && file.earlier.length > 0 && <Earlier file={file} />}
        {mayWrite && (
          <div className="row">
            <Button variant="default" onClick={() => setDoing('look')}>
              Look again
            </Button>
            {props.machine && (
              <Button variant="default" onClick={() => setDoing('correct')}>
                Correct the settings
              </Button>
            )}
            <KeepButton key={bead.id} machineId={props.machineId} sheet={sheet} bead={bead} />
            <Button
              variant="default"
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
          {bead.own && bead.ruled === null && (
            <StudentsWord beadId={bead.id} process={sheet.body.job.process ?? undefined} />
          )}
          <RulingPanel key={bead.id} file={file} />
        </section>
      )}
    </>
  );
}

/** What the student says of a bead of their own, for the instructor to agree with or to correct. */
function StudentsWord({ beadId, process }: { beadId: string; process: Schemas['Process'] | undefined }) {
  const said = useQuery(beadQueries.own(beadId));
  return (
    <>
      <LoadTrouble of={said} what="the student’s word" />
      {said.data && <OwnRuling beadId={beadId} who={said.data.by} own={said.data.word} process={process} />}
    </>
  );
}

/** What was said before, and with what settings where those were put right since. */
function Earlier({ file }: { file: Schemas['BeadFile'] }) {
  const { show } = useUnits();
  const reads = (look: Pick<Schemas['EarlierLook'], 'used' | 'amps'>) =>
    look.used
      ? `${show('wireFeed', look.used.wireFeedMPerMin)}, ${show('volts', look.used.volts)}`
      : look.amps
        ? show('amps', look.amps)
        : '';
  const now = reads({ used: file.bead.used, amps: file.bead.amps ?? null });
  return (
    <p className="quiet">
      Before that:{' '}
      {file.earlier
        .map((look) => {
          const then = reads(look);
          return `${verdicts[look.verdict]}, ${moment(look.at)}${then === now ? '' : `, noted at ${then}`}`;
        })
        .join('; ')}
      .
    </p>
  );
}
