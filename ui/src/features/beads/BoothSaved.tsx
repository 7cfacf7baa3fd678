import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { useWaiting } from '../../shared/outbox/useOutbox';
import { Says } from '../../shared/words/useSay';
import { judgingQueries } from '../judging/queries';
import { VerdictMark } from '../judging/VerdictMark';
import { VerdictSummary } from '../judging/VerdictPanel';
import { BothWords } from './BothWords';

/** A bead that was just saved here. */
export interface Saved {
  id: string;
  number: number;
  own: Schemas['OwnWord'] | null;
  /** As the server took it; null while it waits to be sent. */
  bead: Schemas['Bead'] | null;
}

/** What there is to say of it: both words, the tool's alone where none of one's own was asked for, or that it waits. */
export function BoothSaved(props: {
  saved: Saved;
  last: Schemas['Bead'] | undefined;
  process: Schemas['Process'] | undefined;
}) {
  const { saved, last, process } = props;
  // An instructor may have said something since it was saved; it may have been sent since.
  const bead = last?.id === saved.id ? last : saved.bead;
  if (!bead) return <Waits saved={saved} process={process} />;
  return saved.own ? (
    <BothWords bead={bead} process={process} />
  ) : (
    <section className="panel" aria-label="Verdict">
      <VerdictSummary number={bead.number} judgement={bead.judgement} ruled={bead.ruled} />
    </section>
  );
}

function Waits({ saved, process }: { saved: Saved; process: Schemas['Process'] | undefined }) {
  const keys = useQuery(judgingQueries.ownKeys(process));
  const waiting = useWaiting();
  const gone = waiting !== null && waiting.every((one) => one.id !== saved.id);
  return (
    <section className="panel stack" aria-label="The bead just saved">
      <h2>Bead {saved.number}</h2>
      {saved.own && (
        <div>
          <h3>You</h3>
          <VerdictMark verdict={saved.own.verdict} large />
          <p>
            <Says said={keys.data?.find(({ change }) => change === saved.own?.change)?.name} />
          </p>
          <LoadTrouble of={keys} what="the keys for your change" />
        </div>
      )}
      <p role="status">
        {gone
          ? 'It was sent. What the tool says of it comes in a moment.'
          : 'It is kept on this screen and waits to be sent. What the tool says of it comes when the server answers again.'}
      </p>
    </section>
  );
}
