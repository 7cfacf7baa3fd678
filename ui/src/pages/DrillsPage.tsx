import { Button, Switch } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answer, api, Refused, type Schemas } from '../shared/api/client';
import { Choice } from '../shared/Choice';
import { newId } from '../shared/newId';
import { Trouble } from '../shared/Trouble';
import { useUnits } from '../shared/units';
import { ArcControls } from '../features/arc/ArcControls';
import { TraceChart } from '../features/arc/TraceChart';
import type { Arc } from '../features/arc/useArc';
import { BeadGlyph } from '../features/judging/BeadGlyph';
import { evidence } from '../shared/words';
import { deviations, drillKinds } from '../features/practice/drillWords';
import { practiceQueries } from '../features/practice/queries';
import { PracticeFrame } from './PracticeFrame';
import { useSay } from '../shared/words/useSay';
import css from './drills.module.css';
import arcCss from '../features/arc/arc.module.css';
import { LoadTrouble } from '../shared/Loaded';

type Given = Schemas['DrillGiven'];

/** Drills for ear, eye and hand: what is off, and which way? */
export function DrillsPage() {
  const say = useSay();
  const queries = useQueryClient();
  const [given, setGiven] = useState<Given>();
  const progress = useQuery(practiceQueries.mine());
  const next = useMutation({
    mutationFn: ({ id, kind }: { id: string; kind: Schemas['DrillKind'] }) =>
      answer(
        api.PUT('/api/drills/{id}/{kind}', {
          params: { path: { id, kind }, query: { bySight: isBySight() } },
        }),
      ),
    onSuccess: setGiven,
  });
  const give = (kind: Schemas['DrillKind']) => next.mutate({ id: newId(), kind });
  const answered = () => queries.invalidateQueries({ queryKey: ['practice'] });
  return (
    <PracticeFrame part="drills">
      {next.isError && <Trouble error={next.error} again={() => next.mutate(next.variables)} />}
      <LoadTrouble of={progress} what="how you stand" />
      {given ? (
        <DrillPanel
          key={given.id}
          given={given}
          onAnswered={answered}
          onNext={() => give(given.kind)}
          onLeave={() => setGiven(undefined)}
          waiting={next.isPending}
        />
      ) : (
        <div className={css.drillKinds}>
          {(Object.keys(drillKinds) as Schemas['DrillKind'][]).map((kind) => {
            const stands = progress.data?.kinds.find((one) => one.kind === kind);
            return (
              <section className="panel stack" key={kind} aria-label={drillKinds[kind].name}>
                <h2>{drillKinds[kind].name}</h2>
                <p>{drillKinds[kind].what}</p>
                <p className="quiet">
                  {stands && stands.answered > 0
                    ? `${stands.right} of ${stands.answered} right; step ${stands.level + 1} of 5; ${stands.due} due today.`
                    : 'Not tried yet.'}
                </p>
                <Button
                  size="xl"
                  loading={next.isPending && next.variables.kind === kind}
                  onClick={() => give(kind)}
                >
                  Begin
                </Button>
              </section>
            );
          })}
        </div>
      )}
      {progress.data?.atTheBooth && !given && (
        <section className="panel" aria-label="At the booth">
          <h2>At the booth</h2>
          <p>{say(progress.data.atTheBooth)}</p>
        </section>
      )}
    </PracticeFrame>
  );
}

/** Whether this device takes its drills without sound. */
function isBySight(): boolean {
  try {
    return localStorage.getItem('drills-by-sight') === 'yes';
  } catch {
    return false;
  }
}

function useBySight(): [boolean, (on: boolean) => void] {
  const [on, setOn] = useState(isBySight);
  return [
    on,
    (now) => {
      setOn(now);
      try {
        localStorage.setItem('drills-by-sight', now ? 'yes' : 'no');
      } catch {
        // A browser that keeps nothing asks again next time.
      }
    },
  ];
}

function DrillPanel(props: {
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
            <div className={css.drillOutcome} data-right={outcome.right} role="status">
              <h2>{outcome.right ? 'Right' : 'Wrong'}</h2>
              <p>{say(outcome.why)}</p>
              {ear && (
                <p>
                  It sounds like: <b>{say(outcome.soundsLike)}</b>
                  {heard && outcome.sound && heard !== outcome.sound
                    ? ` You heard: ${evidence.sound.words[heard].toLowerCase()}.`
                    : ''}
                </p>
              )}
              <p>{say(outcome.atTheBooth)}</p>
              <p className="quiet">
                {outcome.dueInDays === 0
                  ? 'This one comes back today.'
                  : `This one comes back in ${outcome.dueInDays} day${outcome.dueInDays === 1 ? '' : 's'}.`}{' '}
                Next at step {outcome.level + 1} of 5.
              </p>
            </div>
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

/** What there is of a drill: to hear, to see, to feel. */
function DrillSight({ id, sound, glyph }: { id: string; sound: boolean; glyph: boolean }) {
  const { show } = useUnits();
  const audio = useRef<HTMLAudioElement>(null);
  const [silent, setSilent] = useState(false);
  const sight = useQuery(practiceQueries.sight(id));
  useEffect(() => {
    if (sound) audio.current?.play().catch(() => setSilent(true));
  }, [sound]);
  const data = sight.data;
  // A device that can shake does so with each short circuit: a knock of five thousandths, and the pause to the next.
  const pattern = data?.shorts.flatMap((at, i) => [
    5,
    Math.max(1, Math.round(((data.shorts[i + 1] ?? 1) - at) * 1000) - 5),
  ]);
  return (
    <div className={css.drillSight}>
      {sound && (
        <>
          <audio ref={audio} controls loop src={`/api/drills/${id}/sound`} onError={() => setSilent(true)}>
            <track kind="captions" />
          </audio>
          {silent && <p className="quiet">Press play, or take the drill without sound.</p>}
        </>
      )}
      {sight.isError && <Trouble error={sight.error} again={() => sight.refetch()} />}
      {data && (
        <>
          {data.meanVolts === null && data.meanAmps === null ? (
            <p className="quiet">Nobody read the meters on this one.</p>
          ) : (
            <p className={arcCss.meters} aria-label="Meters">
              {data.meanVolts !== null && <b>{show('volts', data.meanVolts)}</b>}
              {data.meanAmps !== null && <b>{show('amps', data.meanAmps)}</b>}
              <span className="quiet">as the machine’s read-out shows them</span>
            </p>
          )}
          {!sound && !data.trace && (
            <p>This one was recorded in the room and is for the ear. Leave it with All drills.</p>
          )}
          {!sound && (
            <>
              {data.trace && <TraceChart trace={data.trace} />}
              <OutlinePicture outline={data.outline} />
              {'vibrate' in navigator && pattern && pattern.length > 0 && (
                <Button variant="default" onClick={() => navigator.vibrate(pattern)}>
                  Feel it
                </Button>
              )}
            </>
          )}
          {glyph && data.bead && (
            <BeadGlyph shape={data.bead} joint={data.bead.joint} title="The bead it left" />
          )}
        </>
      )}
    </div>
  );
}

/** How loud it is, over three seconds. */
function OutlinePicture({ outline }: { outline: Schemas['Outline'] }) {
  const top = Math.max(0.01, ...outline.high, ...outline.low.map(Math.abs));
  const point = (value: number, i: number) => `${i},${(50 - (value / top) * 48).toFixed(1)}`;
  return (
    <svg
      className={css.outlinePicture}
      viewBox={`0 0 ${outline.high.length} 100`}
      preserveAspectRatio="none"
      role="img"
      aria-label="Outline of the sound over three seconds"
    >
      <polygon points={[...outline.high.map(point), ...outline.low.map(point).reverse()].join(' ')} />
    </svg>
  );
}
