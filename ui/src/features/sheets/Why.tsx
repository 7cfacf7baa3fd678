import { Popover, VisuallyHidden } from '@mantine/core';
import type { Schemas } from '../../shared/api/client';
import { sources } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { chain } from './chain';
import css from './why.module.css';

/** A number that opens its reason: the rule, its working, and the rules it came from. Read aloud, the number stays in front. */
export function Why(props: {
  of: string;
  label: string;
  reasons: Schemas['Reason'][];
  children: React.ReactNode;
}) {
  const say = useSay();
  return (
    <Popover width={430} position="bottom-start" withArrow shadow="md" trapFocus withinPortal>
      <Popover.Target>
        <button type="button" className={css.why}>
          {props.children}
          <VisuallyHidden>. Why {props.label}?</VisuallyHidden>
        </button>
      </Popover.Target>
      <Popover.Dropdown className={css.chain} aria-label={`Reasons for ${props.label}`}>
        <ol>
          {chain(props.of, props.reasons).map((reason) => (
            <li key={reason.of}>
              <strong>{say(reason.rule)}</strong>
              <p>{say(reason.working)}</p>
              <p className={css.result}>{say(reason.result)}</p>
              <p className={css.source}>{sources[reason.source]}</p>
            </li>
          ))}
        </ol>
      </Popover.Dropdown>
    </Popover>
  );
}
