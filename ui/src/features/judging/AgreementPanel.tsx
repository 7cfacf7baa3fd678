import { useQuery } from '@tanstack/react-query';
import { aspects } from '../../shared/words';
import { judgingQueries } from './queries';
import css from './judging.module.css';
import { LoadTrouble } from '../../shared/Loaded';

const percent = (share: number) => Math.round(share * 100);

/** How often tool and instructor agree, by aspect: where to go by your own eye. */
export function AgreementPanel() {
  const agreement = useQuery(judgingQueries.agreement());
  const rows = agreement.data ?? [];
  return (
    <section className="panel stack" aria-label="How often you agree">
      <h2>You and the tool</h2>
      <LoadTrouble of={agreement} what="how often you agree" />
      {rows.length === 0 ? (
        <p className="quiet">Agree with verdicts or overrule them at the bench, and it shows here.</p>
      ) : (
        <>
          <table className={css.agreement}>
            <thead>
              <tr>
                <th scope="col">Judged</th>
                <th scope="col">You agreed</th>
                <th scope="col">Share, and how sure</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.aspect ?? 'verdict'}>
                  <th scope="row">{row.aspect ? aspects[row.aspect] : 'Verdict'}</th>
                  <td>
                    {row.agreed} of {row.rulings}
                  </td>
                  <td>
                    <svg viewBox="0 0 100 10" className={css.interval} aria-hidden="true">
                      <path d="M0 5H100" />
                      <rect x={row.low * 100} width={(row.high - row.low) * 100} y={2} height={6} />
                      <circle cx={(row.agreed / row.rulings) * 100} cy={5} r={3} />
                    </svg>
                    {percent(row.low)} to {percent(row.high)} %{row.weak && <b className={css.weak}> weak</b>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="quiet">
            Weak: it is nearly sure that the tool is right here less than nine times in ten. Go by your own
            eye there, and cut more often.
          </p>
        </>
      )}
    </section>
  );
}
