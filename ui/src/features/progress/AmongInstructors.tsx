import { useQuery } from '@tanstack/react-query';
import { asLoading, Loaded } from '../../shared/Loaded';
import { AgreementTable } from './AgreementTable';
import { progressQueries } from './queries';

/** How far instructors agree on the same beads, and on what they part. */
export function AmongInstructors() {
  const among = useQuery(progressQueries.amongInstructors());
  return (
    <section className="panel stack" aria-label="Instructors among themselves">
      <h2>Instructors among themselves</h2>
      <Loaded of={asLoading(among)} what="how far instructors agree">
        {({ byAspect, byPair }) => (
          <>
            <AgreementTable
              rows={byAspect}
              none="Once two instructors have had a word on the same bead, or assessed the same test coupon, it shows here."
            />
            {byPair.length > 1 && (
              <ul className="plain-list">
                {byPair.map(({ one, other, agreement }) => (
                  <li key={`${one.id} ${other.id}`}>
                    {one.name} and {other.name}: {agreement.agreed} of {agreement.pairs} the same
                  </li>
                ))}
              </ul>
            )}
          </>
        )}
      </Loaded>
    </section>
  );
}
