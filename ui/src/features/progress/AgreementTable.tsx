import type { Schemas } from '../../shared/api/client';
import { useSay } from '../../shared/words/useSay';
import css from './progress.module.css';

/** How far two people's words agree: as counted, and beyond what chance would give, with the doubt. */
export function AgreementTable({ rows, none }: { rows: Schemas['WordsAgreement'][]; none: string }) {
  const say = useSay();
  if (rows.length === 0) return <p className="quiet">{none}</p>;
  return (
    <>
      <table className={css.agreement}>
        <thead>
          <tr>
            <th scope="col">About</th>
            <th scope="col">Same word</th>
            <th scope="col">Beyond chance</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ about, pairs, agreed, kappa }) => (
            <tr key={say(about)}>
              <th scope="row">{say(about)}</th>
              <td>
                {agreed} of {pairs}
              </td>
              <td>
                {kappa
                  ? `${kappa.value.toFixed(2)} (${kappa.low.toFixed(2)} to ${kappa.high.toFixed(2)})`
                  : 'not known yet'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet">
        Beyond chance (Cohen’s kappa): 1 is full agreement, 0 what two people would reach by guessing. In
        brackets where it lies with 95 % surety.
      </p>
    </>
  );
}
