import { Button, Switch } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, Refused, type Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { evidence } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { ArcControls } from '../arc/ArcControls';
import type { Arc } from '../arc/useArc';
import { useBySight } from './bySight';
import css from './drills.module.css';
import { DrillSight } from './DrillSight';
import { deviations, drillKinds } from './drillWords';
import { Outcome } from './Outcome';

type Given = Schemas['DrillGiven'];

/** One drill: what there is of it, and the answer to it. */
export function DrillPanel(props: {
  given: Given;
  onAnswered: () => void;
  onNext: () => void;
  onLeave: () => void;
  waiting: boolean;
}) {
  const say = useSay();
  const { given } = props;
  const { show } = useUnits();
  const [bySight, setBySight] = useBySight();
  const [heard, setHeard] = useState<Schemas['Sound'] | null>(null);
  const [off, setOff] = useState<Schemas['Deviation'] | null>(null);
  const [arc, setArc] = useState<Arc | undefined>(() =>
    given.start
      ? {
          ...given.start,
          joint: given.start.joint ?? 'beadOnPlate',
          metal: given.start.metal ?? 'mildSteel',
          amps: null,
          faults: [],
        }
      : undefined,
  );
  const reply = useMutation({
    mutationFn: (body: Schemas['DrillAnswer']) =>
      answer(api.PUT('/api/drills/{id}/answer', { params: { path: { id: given.id } }, body })),
    onSuccess: props.onAnswered,
  });
  const outcome = reply.data;
  const ear = given.kind === 'ear';
  const problem = reply.error instanceof Refused ? reply.error : undefined;
  return (
    <div className={`two-columns ${css.drill}`}>
      <section className="panel stack" aria-label="Drill">
        <div className="row head-row">
          <h2>
            {drillKinds[given.kind].name} <span className="quiet">step {given.level + 1} of 5</span>
          </h2>
          <Button variant="default" onClick={props.onLeave}>
            All drills
          </Button>
        </div>
        <p>
          {say(given.job)}. The sheet: <b>{show('wireFeed', given.wireFeedMPerMin)}</b>,{' '}
          <b>{show('volts', given.volts)}</b>, about <b>{show('amps', given.amps)}</b> when it is right.
        </p>
        {arc ? (
          <ArcControls
            arc={arc}
            meters={bySight}
            onTurn={(part) => setArc((before) => before && { ...before, ...part })}
          />
        ) : (
          <DrillSight id={given.id} sound={ear && !bySight} glyph={given.kind === 'eye' || bySight} />
        )}
        {(ear || arc) && (
          <Switch
            size="lg"
            label="Without sound: by trace, outline and meter"
            checked={bySight}
            onChange={(event) => setBySight(event.currentTarget.checked)}
          />
        )}
      </section>
      <section className="panel stack" aria-label="Answer">
        {outcome ? (
          <>
            <Outcome outcome={outcome} ear={ear} heard={heard} />
            <Button size="xl" autoFocus loading={props.waiting} onClick={props.onNext}>
              Next
            </Button>
          </>
        ) : (
          <>
            {ear && !bySight && (
              <Choice
                title="What do you hear?"
                words={evidence.sound.words}
                value={heard}
                onChange={setHeard}
              />
            )}
            {arc ? (
              <p>Turn wire and volts until the arc is right for this plate. Then say so.</p>
            ) : (
              <Choice title="What is off?" words={deviations} value={off} onChange={setOff} />
            )}
            {problem && <Trouble error={problem} />}
            <Button
              size="xl"
              loading={reply.isPending}
              disabled={!arc && off === null}
              onClick={() =>
                reply.mutate(
                  arc
                    ? { heard: null, answer: null, wireFeedMPerMin: arc.wireFeedMPerMin, volts: arc.volts }
                    : { heard, answer: off, wireFeedMPerMin: null, volts: null },
                )
              }
            >
              {arc ? 'It is right so' : 'That is my answer'}
            </Button>
          </>
        )}
      </section>
    </div>
  );
}
