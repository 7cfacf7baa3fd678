import { Popover } from '@mantine/core';
import type { Schemas } from '../../shared/api/client';
import { sources } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';

type Reason = Schemas['Reason'];

/** A number that opens its reason: the rule, its working, and the rules it came from. */
export function Why(props: { of: string; label: string; reasons: Reason[]; children: React.ReactNode }) {
  const say = useSay();
  return (
    <Popover width={430} position="bottom-start" withArrow shadow="md" trapFocus withinPortal>
      <Popover.Target>
        <button type="button" className="why" aria-label={`Why ${props.label}?`}>
          {props.children}
        </button>
      </Popover.Target>
      <Popover.Dropdown className="chain" aria-label={`Reasons for ${props.label}`}>
        <ol>
          {chain(props.of, props.reasons).map((reason) => (
            <li key={reason.of}>
              <strong>{say(reason.rule)}</strong>
              <p>{say(reason.working)}</p>
              <p className="result">{say(reason.result)}</p>
              <p className="source">{sources[reason.source]}</p>
            </li>
          ))}
        </ol>
      </Popover.Dropdown>
    </Popover>
  );
}

/** The reason for a number and, after it, those it rests on, each once, nearest first. */
export function chain(of: string, reasons: Reason[]): Reason[] {
  const found: Reason[] = [];
  const open = [of];
  for (let next = open.shift(); next !== undefined; next = open.shift()) {
    const reason = reasons.find((candidate) => candidate.of === next);
    if (reason && !found.includes(reason)) {
      found.push(reason);
      open.push(...reason.from);
    }
  }
  return found;
}
