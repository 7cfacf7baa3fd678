import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { Trouble } from '../../shared/Trouble';
import { verdicts } from '../../shared/words';
import { Says } from '../../shared/words/useSay';
import css from './judging.module.css';
import { judgingQueries } from './queries';
import { useRule } from './useRule';

// Whoever looked knows; "open" is no word of an instructor's here.
const given = (Object.keys(verdicts) as Schemas['Verdict'][]).filter((verdict) => verdict !== 'open');

function useSayOf(beadId: string) {
  const rule = useRule(beadId, () => undefined);
  const say = (verdict: Schemas['Verdict']) =>
    rule.mutate({ rulings: [{ aspect: null, standing: null, verdict, reason: '' }] });
  return { rule, say };
}

/** Agrees with what a student says of their own bead, in one tap, where there is no room to say more. */
export function AgreeKey({ beadId, own }: { beadId: string; own: Schemas['OwnWord'] }) {
  const { rule, say } = useSayOf(beadId);
  return (
    <>
      <Button loading={rule.isPending} onClick={() => say(own.verdict)}>
        Agree: {verdicts[own.verdict]}
      </Button>
      {rule.isError && <Trouble error={rule.error} />}
    </>
  );
}

/** What a student says of their own bead, and the instructor's word on it in one tap. Both are kept. */
export function OwnRuling(props: {
  beadId: string;
  who: string;
  own: Schemas['OwnWord'];
  process: Schemas['Process'] | null | undefined;
}) {
  const { own, who } = props;
  const keys = useQuery(judgingQueries.ownKeys(props.process ?? undefined));
  const { rule, say } = useSayOf(props.beadId);
  const change = keys.data?.find((key) => key.change === own.change)?.name;
  return (
    <section className={css.ownRuling} aria-label={`What ${who} says`}>
      <LoadTrouble of={keys} what="the keys for a change" />
      <p>
        {who} says: <b>{verdicts[own.verdict]}</b>
        {change && (
          <>
            , next <Says said={change} />
          </>
        )}
      </p>
      {rule.isError && <Trouble error={rule.error} />}
      <div className="row" role="group" aria-label="Your word on it">
        <Button loading={rule.isPending} onClick={() => say(own.verdict)}>
          I agree
        </Button>
        {given
          .filter((verdict) => verdict !== own.verdict)
          .map((verdict) => (
            <Button key={verdict} variant="default" disabled={rule.isPending} onClick={() => say(verdict)}>
              {verdicts[verdict]}
            </Button>
          ))}
      </div>
    </section>
  );
}
