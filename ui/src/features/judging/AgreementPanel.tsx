import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { aspects } from '../../shared/words';

const percent = (share: number) => Math.round(share * 100);

/** How often tool and instructor agree, by aspect: where the tool is weak in this room. */
export function AgreementPanel() {
  const agreement = useQuery({
    queryKey: ['agreement'],
    queryFn: () => answer(api.GET('/api/judging/agreement')),
  });
  const rows = agreement.data ?? [];
  return (
    <section className="panel stack" aria-label="Where the tool is weak">
      <h2>Where the tool is weak</h2>
      {rows.length === 0 ? (
        <p className="quiet">Agree with verdicts or overrule them at the bench, and it shows here.</p>
      ) : (
        <>
          <table className="agreement">
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
                    <svg viewBox="0 0 100 10" className="interval" aria-hidden="true">
                      <path d="M0 5H100" />
                      <rect x={row.low * 100} width={(row.high - row.low) * 100} y={2} height={6} />
                      <circle cx={(row.agreed / row.rulings) * 100} cy={5} r={3} />
                    </svg>
                    {percent(row.low)} to {percent(row.high)} %{row.weak && <b className="weak"> weak</b>}
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
