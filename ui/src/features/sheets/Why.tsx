import { VisuallyHidden } from '@mantine/core';
import { useId, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { sources } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { chain } from './chain';
import css from './why.module.css';

/**
 * A number that opens its reason: the rule, its working, and the rules it came from. Read aloud, the number stays in front. A sheet has
 * a dozen of these and is drawn anew with every key, so the browser's own popover it is: closed, it costs an empty element.
 */
export function Why(props: {
  of: string;
  label: string;
  reasons: Schemas['Reason'][];
  children: React.ReactNode;
}) {
  const id = useId();
  const [opened, setOpened] = useState(false);
  return (
    <>
      <button type="button" className={css.why} popoverTarget={id}>
        {props.children}
        <VisuallyHidden>. Why {props.label}?</VisuallyHidden>
      </button>
      <div
        id={id}
        popover="auto"
        role="group"
        className={css.chain}
        aria-label={`Reasons for ${props.label}`}
        onBeforeToggle={(event) => setOpened(event.newState === 'open')}
      >
        {opened && <Chain of={props.of} reasons={props.reasons} />}
      </div>
    </>
  );
}

function Chain(props: { of: string; reasons: Schemas['Reason'][] }) {
  const say = useSay();
  return (
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
  );
}
