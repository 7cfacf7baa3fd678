import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../shared/api/client';
import { LoadTrouble } from '../shared/Loaded';
import { newId } from '../shared/newId';
import { Trouble } from '../shared/Trouble';
import { useSay } from '../shared/words/useSay';
import { isBySight } from '../features/practice/bySight';
import { DrillPanel } from '../features/practice/DrillPanel';
import css from '../features/practice/drills.module.css';
import { drillKinds } from '../features/practice/drillWords';
import { practiceQueries } from '../features/practice/queries';
import { PracticeFrame } from './PracticeFrame';

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
