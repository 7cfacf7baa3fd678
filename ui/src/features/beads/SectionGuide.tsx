import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { useSay } from '../../shared/words/useSay';
import css from './pictures.module.css';
import { beadQueries } from './queries';

/** How a section is cut, polished and etched, step by step, with what to take care of. */
export function SectionGuide(props: { metal: Schemas['Metal']; thin: boolean }) {
  const say = useSay();
  const { metal } = props;
  const steps = useQuery(beadQueries.sectionHelp(metal, props.thin));
  const [done, setDone] = useState<number[]>([]);
  return (
    <>
      <LoadTrouble of={steps} what="how to cut and etch" />
      <ol className={css.sectionGuide}>
        {(steps.data ?? []).map((step, i) => (
          <li key={say(step.do)}>
            <label>
              <input
                type="checkbox"
                checked={done.includes(i)}
                onChange={() =>
                  setDone((before) =>
                    before.includes(i) ? before.filter((other) => other !== i) : [...before, i],
                  )
                }
              />
              <span>
                {say(step.do)}
                {step.care && <span className={css.care}>{say(step.care)}</span>}
              </span>
            </label>
          </li>
        ))}
      </ol>
      <p className="quiet">
        The etchant’s data sheet, the machine’s manual, the shop’s rules and a qualified person take
        precedence over this.
      </p>
    </>
  );
}
