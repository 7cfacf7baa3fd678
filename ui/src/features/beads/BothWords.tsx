import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { Says } from '../../shared/words/useSay';
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
  const keys = useQuery(beadQueries.ownKeys(process));
  return (
    <section className="panel stack" aria-label="Both words">
      <h2>Bead {bead.number}</h2>
      <Loaded of={asLoading(said)} what="both words">
        {({ word, compared }) => (
          <>
            <div className={css.words}>
              <div>
                <h3>You</h3>
                <VerdictMark verdict={word.verdict} large />
                <p>
                  <Says said={keys.data?.find(({ change }) => change === word.change)?.name} />
                </p>
              </div>
              <div>
                <h3>The tool</h3>
                <VerdictMark verdict={bead.judgement.verdict} large />
                <p>
                  <Says said={bead.judgement.next?.instruction ?? bead.judgement.summary} />
                </p>
              </div>
            </div>
            {compared.verdictAgrees && compared.change === 'same' ? (
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
        )}
      </Loaded>
    </section>
  );
}
