import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import type { Refused } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { useFields, useSay } from '../../shared/words/useSay';
import { type Job, sheetQueries, type SheetPlace } from './queries';
import css from './refusal.module.css';
import { asTyped } from './useSheets';
import { LoadTrouble } from '../../shared/Loaded';

/** Why there is no sheet for a job, and the ways on: another wire or another mode that does it, one tap each. */
export function RefusalPanel(props: {
  job: Job;
  at: SheetPlace;
  refused: Refused;
  again: () => void;
  onPick: (change: Partial<Job>) => void;
}) {
  const { refused } = props;
  const say = useSay();
  const fields = Object.values(useFields(refused));
  const misread = fields.length === 0;
  const others = useQuery({
    ...sheetQueries.alternatives(props.job, props.at),
    enabled: !misread,
    retry: false,
  });
  if (misread) return <Trouble error={refused} again={props.again} />;
  const wires = others.data?.wires.filter((wire) => say(wire.problem) === '') ?? [];
  const modes = others.data?.modes.filter((mode) => say(mode.problem) === '' && mode.job) ?? [];
  return (
    <section className={`panel stack ${css.refusal}`} aria-label="No sheet for this job" role="alert">
      <h2>No sheet for this job</h2>
      {fields.map((text) => (
        <p key={text}>{text}</p>
      ))}
      <LoadTrouble of={others} what="what would do" />
      {wires.length + modes.length > 0 && (
        <>
          <h3>What would do</h3>
          <div className={css.ways}>
            {wires.map((wire) => (
              <Button
                key={wire.wire}
                variant="default"
                size="lg"
                onClick={() => props.onPick({ wire: wire.wire })}
              >
                {say(wire.name)} wire
              </Button>
            ))}
            {modes.map((mode) => (
              <Button
                key={mode.process}
                variant="default"
                size="lg"
                onClick={() => mode.job && props.onPick(asTyped(mode.job))}
              >
                {say(mode.name)}
                {mode.passes !== null && mode.passes > 1 ? `, ${mode.passes} passes` : ''}
              </Button>
            ))}
          </div>
        </>
      )}
    </section>
  );
}
