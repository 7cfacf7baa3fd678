import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded, LoadTrouble } from '../../shared/Loaded';
import { Says } from '../../shared/words/useSay';
import { judgingQueries } from '../judging/queries';
import { VerdictMark } from '../judging/VerdictMark';
import css from './boothBead.module.css';
import { beadQueries } from './queries';

/** One's own word and the tool's, side by side, and why they part where they do. */
export function BothWords({
  bead,
  process,
}: {
  bead: Schemas['Bead'];
  process: Schemas['Process'] | undefined;
}) {
  const said = useQuery(beadQueries.own(bead.id));
  return (
    <section className="panel stack" aria-label="Both words">
      <h2>Bead {bead.number}</h2>
      <Loaded of={asLoading(said)} what="both words">
        {(kept) => kept && <Words bead={bead} kept={kept} process={process} />}
      </Loaded>
    </section>
  );
}

function Words(props: {
  bead: Schemas['Bead'];
  kept: Schemas['OwnSaid'];
  process: Schemas['Process'] | undefined;
}) {
  const { bead } = props;
  const { word, compared } = props.kept;
  const keys = useQuery(judgingQueries.ownKeys(props.process));
  return (
    <>
      <LoadTrouble of={keys} what="the keys for a change" />
      <div className={css.words}>
        <Word of="You" verdict={word.verdict}>
          <Says said={keys.data?.find(({ change }) => change === word.change)?.name} />
        </Word>
        {compared && (
          <Word of="The tool" verdict={bead.judgement.verdict}>
            <Says said={bead.judgement.next?.instruction ?? bead.judgement.summary} />
          </Word>
        )}
        {bead.ruled && <Word of="Your instructor" verdict={bead.ruled} />}
      </div>
      {!compared ? (
        <p>
          <Says said={bead.judgement.summary} />
        </p>
      ) : compared.verdictAgrees && compared.change === 'same' ? (
        <p>You and the tool say the same.</p>
      ) : (
        <>
          {compared.verdict && (
            <p>
              <Says said={compared.verdict} />
            </p>
          )}
          {compared.why && (
            <p>
              <Says said={compared.why} />
            </p>
          )}
        </>
      )}
    </>
  );
}

const Word = (props: { of: string; verdict: Schemas['Verdict']; children?: ReactNode }) => (
  <div>
    <h3>{props.of}</h3>
    <VerdictMark verdict={props.verdict} large />
    {props.children && <p>{props.children}</p>}
  </div>
);
